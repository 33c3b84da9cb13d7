package imperan.layout.arranging;

import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.PasteControls.Copy;
import imperan.layout.Arrangement.PasteControls.Meaning;
import imperan.layout.Grids;
import imperan.layout.Room;
import imperan.line.Renumbering;
import imperan.phrasebook.Vocabulary;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Laid;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.References;
import imperan.show.Show;
import imperan.show.Tray;
import imperan.show.Twin;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Pastes copies of controls and trays with all their lines, with the meaning that the hand gave them. */
final class Paster {

    private final Show show;
    private final PasteControls paste;
    private final Grids grids;
    private final Renumbering numbers;

    Paster(Show show, PasteControls paste) {
        this.show = show;
        this.paste = paste;
        this.grids = new Grids(show);
        this.numbers = new Renumbering(target ->
                target.flatMap(this::meant).map(id -> Vocabulary.of(show, id)).orElse(Vocabulary.NONE));
    }

    Outcome outcome(Person author) {
        if (grids.of(paste.page()).isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        } else if (paste.copies().isEmpty()) {
            return Outcome.Refused.because("Nothing was copied yet. Select controls and press Ctrl+C first");
        } else if (paste.copies().stream().anyMatch(copy -> !(copy.body() instanceof Laid))) {
            return Outcome.Refused.because("Only controls and trays lie on a page");
        } else if (paste.copies().stream().anyMatch(copy -> copy.body() instanceof Tray)
                && show.part(paste.page())
                        .filter(part -> part.body() instanceof Tray)
                        .isPresent()) {
            return Outcome.Refused.because("A tray does not lie in a tray. Paste it on the page");
        } else if (paste.copies().stream()
                .anyMatch(copy ->
                        copy.body() instanceof Twin twin && grids.shown(twin).isEmpty())) {
            return Outcome.Refused.because(
                    "What was copied only shows again a control that is not in this show. Copy the control itself");
        }
        Set<PartId> pasted = paste.copies().stream().map(Copy::id).collect(Collectors.toSet());
        List<Copy> roots = paste.copies().stream()
                .filter(copy -> copy.in().filter(pasted::contains).isEmpty())
                .toList();
        Room room = Room.on(grids, show.held(paste.page()).orElseThrow());
        Optional<Cell> way = room.take(
                roots.stream().map(copy -> ((Laid) copy.body()).cells()).toList(), paste.at());
        if (way.isEmpty()) {
            return Outcome.Refused.because(
                    "This page has no room for the " + (roots.size() == 1 ? "control" : roots.size() + " controls")
                            + " in the places they have to each other. Make the page larger or remove something");
        }
        List<Control> controls = paste.copies().stream()
                .map(Copy::body)
                .filter(Control.class::isInstance)
                .map(Control.class::cast)
                .map(this::reachable)
                .toList();
        int by = paste.meaning() == Meaning.NEXT_VALUES ? Renumbering.valueSpan(controls) : numbers.span(controls);
        List<EditRequest.Step> steps = new ArrayList<>(room.growth().stream().toList());
        int order = grids.nextOrder(paste.page());
        for (Copy copy : paste.copies()) {
            boolean root = roots.contains(copy);
            Laid body = copy.body() instanceof Control control
                    ? meant(reachable(control), by)
                    : copy.body() instanceof Tray tray && paste.meaning() != Meaning.SAME
                            ? tray.named(Renumbering.furtherName(tray.name(), by))
                            : (Laid) copy.body();
            Cells cells =
                    root ? body.cells().moved(way.get().column(), way.get().row()) : body.cells();
            steps.add(new EditRequest.Put(
                    new Part(
                            copy.id(),
                            Optional.of(root ? paste.page() : copy.in().orElseThrow()),
                            order++,
                            body.at(cells)),
                    0));
        }
        return numbers.problems().isEmpty()
                ? show.apply(
                        new EditRequest(
                                "Paste "
                                        + (roots.size() == 1
                                                ? roots.get(0).body().called()
                                                : roots.size() + " controls")
                                        + room.words(),
                                steps),
                        author)
                : new Outcome.Refused(numbers.problems().stream().distinct().toList());
    }

    private Control meant(Control control, int by) {
        return switch (paste.meaning()) {
            case SAME -> control;
            case NEXT_NUMBERS -> numbers.further(control, by);
            case NEXT_VALUES -> numbers.furtherValues(control, by);
        };
    }

    /** A control from another show names targets that this one has not: the one that is meant takes its place, or none. */
    private Control reachable(Control control) {
        return References.mapped(control, this::meant).orElseThrow();
    }

    private Optional<PartId> meant(PartId other) {
        return paste.targets().stream()
                .filter(meant -> meant.was().equals(other))
                .map(PasteControls.Meant::is)
                .findFirst()
                .or(() -> Optional.of(other))
                .filter(id -> show.part(id).isPresent());
    }
}
