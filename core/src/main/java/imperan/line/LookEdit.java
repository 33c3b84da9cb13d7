package imperan.line;

import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Look;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Tray;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Recording where controls stand, as a look. */
public final class LookEdit {

    private LookEdit() {}

    /** The controls that a look may hold: those on these pages, of these forms, that say where they stand. Pages or forms that are not named are all of them. */
    public static List<PartId> recordable(Show show, Set<PartId> pages, Set<String> forms) {
        return show.all(Control.class).stream()
                .filter(part -> !show.inDraft(part)
                        && (pages.isEmpty()
                                || page(show, part).filter(pages::contains).isPresent()))
                .filter(part -> {
                    Control control = (Control) part.body();
                    return control.form().restsOnDemand()
                            && (forms.isEmpty() || forms.contains(control.form().called()))
                            && control.sends().stream().anyMatch(send -> send.on() == Send.Phase.CHANGE);
                })
                .map(Part::id)
                .toList();
    }

    private static Optional<PartId> page(Show show, Part control) {
        Optional<PartId> parent = control.parent();
        return parent.flatMap(show::part)
                        .filter(part -> part.body() instanceof Tray)
                        .isPresent()
                ? parent.flatMap(show::part).flatMap(Part::parent)
                : parent;
    }

    /**
     * @param look   the one that is recorded anew, or a new one
     * @param stands where each control stands now, 0 to 1 for each of its axes
     */
    public static Outcome record(Show show, PartId look, String name, Map<PartId, List<Double>> stands, Person author) {
        if (stands.isEmpty()) {
            return Outcome.Refused.because(
                    "No control of these pages and kinds stands anywhere that is known: move one, or choose other pages");
        }
        List<Look.Stand> all = new ArrayList<>();
        stands.forEach((control, at) -> all.add(new Look.Stand(control, at)));
        Optional<Look> before =
                show.part(look).map(Part::body).filter(Look.class::isInstance).map(Look.class::cast);
        Part part = new Part(
                look,
                Optional.empty(),
                show.part(look).map(Part::order).orElse(show.all(Look.class).size()),
                new Look(name, all, before.map(Look::note).orElse("")));
        return show.apply(
                new EditRequest(
                        "Record the look " + name,
                        List.of(new EditRequest.Put(
                                part,
                                show.held(look).map(held -> held.version()).orElse(0L)))),
                author);
    }
}
