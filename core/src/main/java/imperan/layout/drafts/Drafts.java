package imperan.layout.drafts;

import imperan.show.Body;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.References;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Copies of layouts on which somebody works while the layout itself is played. Swapped in, what was copied keeps the id of what it was
 * copied from: fingers that hold it go on holding it, and nobody has to be asked where it stands.
 */
public final class Drafts {

    private final Show show;
    private final Person author;

    public Drafts(Show show, Person author) {
        this.show = show;
        this.author = author;
    }

    /**
     * What swapping a copy in would do.
     *
     * @param changes  all that is otherwise in the copy
     * @param since    what somebody changed in the layout itself since the copy was made, in words: the copy does not have it
     * @param problems why it cannot be; then nothing would change
     */
    public record DraftLook(List<ChangeLine> changes, List<String> since, List<String> problems) {}

    // ---- a copy

    public Outcome copy(PartId layout, PartId id) {
        Optional<Part> original = show.part(layout).filter(part -> part.body() instanceof Layout);
        if (original.isEmpty()) {
            return Outcome.Refused.because("The layout is no longer there");
        }
        Layout body = (Layout) original.get().body();
        if (body.draft().isPresent()) {
            return Outcome.Refused.because("This is a copy already. Go on in it, or swap it in first");
        }
        Map<PartId, PartId> copies = new HashMap<>(Map.of(layout, id));
        List<Part> inside = inside(layout);
        List<Layout.Origin> origins = new ArrayList<>();
        inside.forEach(part -> {
            copies.put(part.id(), PartId.random());
            origins.add(new Layout.Origin(copies.get(part.id()), part.id()));
        });
        List<EditRequest.Step> steps = new ArrayList<>();
        int behind = show.all(Layout.class).stream().mapToInt(Part::order).max().orElse(0) + 1;
        steps.add(new EditRequest.Put(
                new Part(
                        id,
                        Optional.empty(),
                        behind,
                        new Layout(body.name(), Optional.of(new Layout.Draft(layout, origins)))),
                0));
        inside.forEach(part -> steps.add(new EditRequest.Put(
                new Part(
                        copies.get(part.id()),
                        part.parent().map(copies::get),
                        part.order(),
                        named(part.body(), copies)),
                0)));
        return show.apply(new EditRequest("Copy the layout " + body.name() + " to work on it", steps), author);
    }

    // ---- swapped in

    public Outcome swap(PartId draft) {
        Optional<Layout.Draft> known = draft(draft);
        if (known.isEmpty() || show.part(known.get().of()).isEmpty()) {
            return Outcome.Refused.because(
                    known.isEmpty()
                            ? "This copy is no longer there"
                            : "The layout that this is a copy of is no longer there. Take the copy out as a file, and in again as a layout of its own");
        }
        PartId layout = known.get().of();
        Map<PartId, PartId> originals = new HashMap<>(Map.of(draft, layout));
        known.get().origins().stream()
                .filter(origin -> show.part(origin.original()).isPresent())
                .forEach(origin -> originals.put(origin.copy(), origin.original()));
        List<EditRequest.Step> gone = new ArrayList<>(List.of(new EditRequest.Remove(draft, version(draft))));
        List<EditRequest.Step> put = new ArrayList<>();
        Set<PartId> kept = new HashSet<>();
        for (Part part : inside(draft)) {
            PartId id = originals.getOrDefault(part.id(), part.id());
            kept.add(id);
            Part fresh = new Part(
                    id,
                    part.parent().map(parent -> originals.getOrDefault(parent, parent)),
                    part.order(),
                    named(part.body(), originals));
            if (!show.part(id).equals(Optional.of(fresh))) {
                put.add(new EditRequest.Put(fresh, version(id)));
            }
        }
        // with each goes what lies in it, but for what is put back
        inside(layout).stream()
                .filter(part -> !kept.contains(part.id()))
                .forEach(part -> gone.add(new EditRequest.Remove(part.id(), version(part.id()))));
        Set<PartId> lost = new HashSet<>();
        gone.forEach(step -> inside(((EditRequest.Remove) step).id()).forEach(part -> lost.add(part.id())));
        kept.stream()
                .filter(lost::contains)
                .filter(id -> put.stream()
                        .noneMatch(step -> ((EditRequest.Put) step).part().id().equals(id)))
                .forEach(id -> put.add(new EditRequest.Put(show.part(id).orElseThrow(), version(id))));
        gone.addAll(put);
        return show.apply(
                new EditRequest(
                        "Swap in the copy of the layout "
                                + show.part(layout).orElseThrow().body().called(),
                        gone),
                author);
    }

    /** Looks at what swapping in would do. */
    public static DraftLook look(Show show, PartId draft, Person author) {
        Drafts drafts = new Drafts(show, author);
        Outcome outcome = drafts.swap(draft);
        if (outcome instanceof Outcome.Refused refused) {
            return new DraftLook(
                    List.of(),
                    List.of(),
                    refused.problems().stream()
                            .map(problem -> problem.message())
                            .toList());
        }
        Outcome.Accepted done = (Outcome.Accepted) outcome;
        Set<PartId> copied = new HashSet<>();
        drafts.inside(draft).forEach(part -> copied.add(part.id()));
        copied.add(draft);
        // that the copies go is no change, and what was added to the copy is new where it comes to
        List<Edit.Change> changes = done.edit().changes().stream()
                .filter(change ->
                        !copied.contains(change.id()) || change.after().isPresent())
                .map(change -> copied.contains(change.id())
                        ? new Edit.Change(change.id(), Optional.empty(), change.after())
                        : change)
                .toList();
        return new DraftLook(ChangeLine.of(changes, done.show()), drafts.since(draft), List.of());
    }

    private List<String> since(PartId draft) {
        PartId layout = draft(draft).orElseThrow().of();
        long made = version(draft);
        return inside(layout).stream()
                .map(part -> show.held(part.id()).orElseThrow())
                .filter(held -> held.version() > made)
                .map(held -> "“" + held.part().body().called() + "” was changed by "
                        + held.author().name() + " since the copy was made")
                .toList();
    }

    // ---- parts

    private Optional<Layout.Draft> draft(PartId id) {
        return show.part(id).map(Part::body).filter(Layout.class::isInstance).flatMap(body -> ((Layout) body).draft());
    }

    private long version(PartId id) {
        return show.held(id).map(Held::version).orElse(0L);
    }

    /** All that lies in a part, in document order, each before what lies in it. */
    private List<Part> inside(PartId id) {
        List<Part> all = new ArrayList<>();
        show.children(id).forEach(part -> {
            all.add(part);
            all.addAll(inside(part.id()));
        });
        return all;
    }

    /** A body that refers to other parts of its layout by other names. */
    private static Body named(Body body, Map<PartId, PartId> names) {
        return References.mapped(body, id -> Optional.of(names.getOrDefault(id, id)))
                .orElseThrow();
    }
}
