package imperan.show;

import imperan.progress.Progress;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.pcollections.TreePMap;

/**
 * All parts of one show at one moment; a value, so every reader keeps what it has while others go on.
 *
 * <p>{@link #apply} judges a request against this moment; {@link #revert} takes an edit back if what it left is still
 * there; {@link #replay} follows an edit that was accepted before. All three end in the same place, so tables, browsers
 * and the running show cannot drift apart.
 */
public final class Show {

    /** Removals of which the show remembers who made them. */
    static final int MOST_REMOVED = 1_000;

    private static final Show EMPTY =
            new Show(0, TreePMap.empty(), PartIndex.empty(), PartIndex.empty(), PartIndex.empty(), Map.of());

    private final long version;
    private final TreePMap<PartId, Held> parts;
    private final PartIndex<Class<? extends Body>> byKind;
    private final PartIndex<PartId> byParent;
    /** By each part that they refer to. */
    private final PartIndex<PartId> byReference;
    /** Who removed what, the latest at the end; what was removed longer ago was removed by somebody. */
    private final Map<PartId, Person> removers;

    private Show(
            long version,
            TreePMap<PartId, Held> parts,
            PartIndex<Class<? extends Body>> byKind,
            PartIndex<PartId> byParent,
            PartIndex<PartId> byReference,
            Map<PartId, Person> removers) {
        this.version = version;
        this.parts = parts;
        this.byKind = byKind;
        this.byParent = byParent;
        this.byReference = byReference;
        this.removers = removers;
    }

    public static Show empty() {
        return EMPTY;
    }

    /**
     * A show read back from where it was kept.
     *
     * @param version the number of its last edit
     */
    public static Show of(long version, Collection<Held> held) {
        Show show = EMPTY;
        for (Held each : held) {
            show = show.with(each);
        }
        return show.at(version, Map.of());
    }

    private Show at(long otherVersion, Map<PartId, Person> gone) {
        return new Show(otherVersion, parts, byKind, byParent, byReference, gone);
    }

    /** With a part, in the place of the one of its name. */
    private Show with(Held held) {
        Part part = held.part();
        Show rest = without(part.id());
        PartIndex<PartId> references = rest.byReference;
        for (PartId other : References.of(part.body())) {
            references = references.with(other, part);
        }
        return new Show(
                version,
                rest.parts.plus(part.id(), held),
                rest.byKind.with(part.body().getClass(), part),
                part.parent().map(parent -> rest.byParent.with(parent, part)).orElse(rest.byParent),
                references,
                removers);
    }

    private Show without(PartId id) {
        Held held = parts.get(id);
        if (held == null) {
            return this;
        }
        Part part = held.part();
        PartIndex<PartId> references = byReference;
        for (PartId other : References.of(part.body())) {
            references = references.without(other, part);
        }
        return new Show(
                version,
                parts.minus(id),
                byKind.without(part.body().getClass(), part),
                part.parent().map(parent -> byParent.without(parent, part)).orElse(byParent),
                references,
                removers);
    }

    /** The number of the last edit; 0 for a show nobody has touched. */
    public long version() {
        return version;
    }

    /** Every part, in the order of the ids. */
    public Collection<Held> parts() {
        return parts.values();
    }

    public Optional<Part> part(PartId id) {
        return held(id).map(Held::part);
    }

    public Optional<Held> held(PartId id) {
        return Optional.ofNullable(parts.get(id));
    }

    /** The parts of a kind with their bodies, ordered as people see them; of an interface, the parts of all its kinds. */
    public <B extends Body> List<Part> all(Class<B> kind) {
        return kind.isInterface()
                ? Kinds.ALL.stream()
                        .filter(each -> kind.isAssignableFrom(each.type()))
                        .flatMap(each -> all(each.type()).stream())
                        .sorted(Part.IN_ORDER)
                        .toList()
                : List.copyOf(byKind.of(kind).parts());
    }

    /** The parts that lie directly in a part, in document order. */
    public Stream<Part> children(PartId parent) {
        return byParent.of(parent).parts().stream();
    }

    /** The parts that refer to a part, such as the controls with a line to a target, in their order. */
    public Stream<Part> referringTo(PartId id) {
        return byReference.of(id).parts().stream();
    }

    /** What was made of the parts that lie directly in a part, or is made now. */
    public <T> T derived(PartId parent, Derivation<T> how) {
        return byParent.of(parent).derived(how);
    }

    /** Whether a part lies in a copy of a layout on which somebody works: it is neither played nor heard. */
    public boolean inDraft(Part part) {
        return part.body() instanceof Layout layout
                ? layout.draft().isPresent()
                : part.parent().flatMap(this::part).filter(this::inDraft).isPresent();
    }

    /** Two shows are equal where the same parts stand in the same place; versions and authors do not count. */
    public boolean sameContentAs(Show other) {
        return parts.size() == other.parts.size() && changesTo(other).isEmpty();
    }

    /** Judges a request and, where nothing speaks against it, makes the edit. */
    public Outcome apply(EditRequest request, Person author) {
        List<Problem> problems = new ArrayList<>();
        Map<PartId, Edit.Change> changes = new LinkedHashMap<>();
        for (EditRequest.Step step : request.steps()) {
            if (step instanceof EditRequest.Put put) {
                outdated(put.part().id(), put.basedOn()).ifPresent(problems::add);
                note(changes, put.part().id(), Optional.of(put.part()));
            } else if (step instanceof EditRequest.Remove remove) {
                outdated(remove.id(), remove.basedOn()).ifPresent(problems::add);
                removeWithChildren(remove.id(), changes);
            }
        }
        return problems.isEmpty()
                ? judged(changes.values(), author, request.title(), Edit.Role.FRESH)
                : new Outcome.Refused(problems);
    }

    /**
     * Takes an edit back (or, given an edit that took one back, brings it back), if every part it touched is still as it
     * left it.
     *
     * @param role what the new edit is
     */
    public Outcome revert(Edit edit, Person author, Edit.Role role) {
        List<Problem> problems = new ArrayList<>();
        List<Edit.Change> changes = new ArrayList<>();
        Set<PartId> own = edit.changes().stream().map(Edit.Change::id).collect(Collectors.toSet());
        for (Edit.Change change : edit.changes()) {
            if (!part(change.id()).equals(change.after())) {
                String name = change.after()
                        .or(change::before)
                        .map(p -> p.body().called())
                        .orElse("It");
                problems.add(new Problem(
                        Optional.of(change.id()),
                        "",
                        "“" + name + "” was " + changedBy(change.id()) + " since, so “" + edit.title()
                                + "” cannot be taken back",
                        Optional.empty()));
            }
            changes.add(change.inverse());
            if (change.before().isEmpty()) {
                laidThereSince(edit, own, change.id()).ifPresent(problems::add);
            }
        }
        String verb = role.kind() == Edit.Role.Kind.UNDO ? "Undo: " : "Redo: ";
        return problems.isEmpty()
                ? judged(changes, author, verb + plain(edit.title()), role)
                : new Outcome.Refused(problems);
    }

    /** What an edit added cannot go again with what others have put on it. */
    private Optional<Problem> laidThereSince(Edit edit, Set<PartId> own, PartId added) {
        return children(added)
                .filter(child -> !own.contains(child.id()))
                .findFirst()
                .map(child -> Problem.at(
                        child.id(),
                        "",
                        "“" + child.body().called() + "” was put there by "
                                + parts.get(child.id()).author().name() + " since, so “" + edit.title()
                                + "” cannot be taken back"));
    }

    /** Makes this show hold exactly these parts, as one edit: a version restored, or a file over a show. */
    public Outcome become(Collection<Part> wanted, Person author, String title) {
        return become(wanted, author, title, Progress.NONE);
    }

    /** @throws Progress.Cancelled where it is ended */
    public Outcome become(Collection<Part> wanted, Person author, String title, Progress progress) {
        return judged(
                changesTo(Show.of(
                        0,
                        wanted.stream().map(part -> new Held(part, 0, author)).toList())),
                author,
                title,
                Edit.Role.FRESH,
                progress);
    }

    /** What leads from the parts of this show to those of another one; it costs as much as both have. */
    public List<Edit.Change> changesTo(Show other) {
        List<Edit.Change> changes = new ArrayList<>();
        parts.forEach((id, held) -> {
            Optional<Part> then = other.part(id);
            if (then.filter(held.part()::equals).isEmpty()) {
                changes.add(new Edit.Change(id, Optional.of(held.part()), then));
            }
        });
        other.parts.forEach((id, held) -> {
            if (!parts.containsKey(id)) {
                changes.add(new Edit.Change(id, Optional.empty(), Optional.of(held.part())));
            }
        });
        return changes;
    }

    private static String plain(String title) {
        return title.replaceFirst("^(Undo|Redo): ", "");
    }

    /** Follows an edit that was accepted against this very version. */
    public Show replay(Edit edit) {
        return new Replay(this).add(edit).show();
    }

    /** What became of parts since this version, each once, and who removed what is gone. */
    Show after(Map<PartId, Optional<Held>> changed, long number, Map<PartId, Person> gone) {
        Show next = this;
        for (Map.Entry<PartId, Optional<Held>> change : changed.entrySet()) {
            next = change.getValue().isPresent() ? next.with(change.getValue().get()) : next.without(change.getKey());
        }
        return next.at(number, gone);
    }

    Map<PartId, Person> removers() {
        return removers;
    }

    private Outcome judged(Collection<Edit.Change> changes, Person author, String title, Edit.Role role) {
        return judged(changes, author, title, role, Progress.NONE);
    }

    private Outcome judged(
            Collection<Edit.Change> changes, Person author, String title, Edit.Role role, Progress progress) {
        if (changes.isEmpty()) {
            return Outcome.Refused.because("No changes");
        }
        Optional<Held> lock = held(Lock.ID);
        if (lock.isPresent()
                && !(changes.size() == 1 && changes.iterator().next().id().equals(Lock.ID))
                && !changes.stream().allMatch(this::isOperated)) {
            return Outcome.Refused.because(
                    "The show is locked by " + lock.get().author().name()
                            + ": it can be operated, not changed. Unlock it in " + "the bar at the top");
        }
        Edit edit = new Edit(version + 1, author, title, List.copyOf(changes), role);
        Show next = replay(edit);
        List<Problem> problems = PartRules.problems(next, edit, progress);
        return problems.isEmpty() ? new Outcome.Accepted(next, edit) : new Outcome.Refused(problems);
    }

    /** Where a target is reached is operated from a page that has its address, and not only changed. */
    private boolean isOperated(Edit.Change change) {
        return change.before().isPresent()
                && change.after().isPresent()
                && change.before().get().body() instanceof Target before
                && change.after().get().body() instanceof Target after
                && after.equals(before.at(after.host(), after.port()))
                && change.before().get().parent().equals(change.after().get().parent())
                && change.before().get().order() == change.after().get().order()
                && referringTo(change.id())
                        .anyMatch(part -> part.body() instanceof Control control
                                && control.form().addressOf().equals(Optional.of(change.id())));
    }

    private void note(Map<PartId, Edit.Change> changes, PartId id, Optional<Part> after) {
        changes.put(id, new Edit.Change(id, part(id), after));
    }

    private void removeWithChildren(PartId id, Map<PartId, Edit.Change> changes) {
        if (parts.containsKey(id)) {
            note(changes, id, Optional.empty());
            children(id).forEach(child -> removeWithChildren(child.id(), changes));
        }
    }

    private Optional<Problem> outdated(PartId id, long basedOn) {
        long now = held(id).map(Held::version).orElse(0L);
        return now == basedOn
                ? Optional.empty()
                : Optional.of(Problem.at(
                        id,
                        "",
                        "“" + part(id).map(p -> p.body().called()).orElse("This part") + "” was " + changedBy(id)
                                + " in the meantime; you see it as it is now"));
    }

    /** The removals that are remembered. */
    int removals() {
        return removers.size();
    }

    private String changedBy(PartId id) {
        return held(id).map(h -> "changed by " + h.author().name())
                .orElseGet(() -> "removed by "
                        + Optional.ofNullable(removers.get(id))
                                .map(Person::name)
                                .orElse("somebody"));
    }
}
