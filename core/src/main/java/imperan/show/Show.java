package imperan.show;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

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

    private static final Show EMPTY = new Show(0, Map.of(), Map.of());

    private final long version;
    private final Map<PartId, Held> parts;
    /** Who removed what, the latest at the end; what was removed longer ago was removed by somebody. */
    private final Map<PartId, Person> removers;
    /** Made when it is first asked for; a race makes it twice, and the same. */
    private volatile Map<PartId, List<Part>> byParent;

    private Show(long version, Map<PartId, Held> parts, Map<PartId, Person> removers) {
        this.version = version;
        this.parts = parts;
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
        Map<PartId, Held> parts = new TreeMap<>();
        held.forEach(h -> parts.put(h.part().id(), h));
        return new Show(version, Collections.unmodifiableMap(parts), Map.of());
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

    /** The parts of a kind with their bodies, ordered as people see them. */
    public <B extends Body> List<Part> all(Class<B> kind) {
        return parts.values().stream().map(Held::part).filter(p -> kind.isInstance(p.body()))
                .sorted(Comparator.comparingInt(Part::order).thenComparing(Part::id)).toList();
    }

    /** The parts that lie directly in a part, in document order. */
    public Stream<Part> children(PartId parent) {
        return byParent().getOrDefault(parent, List.of()).stream();
    }

    private Map<PartId, List<Part>> byParent() {
        Map<PartId, List<Part>> known = byParent;
        if (known == null) {
            known = parts.values().stream().map(Held::part).filter(part -> part.parent().isPresent())
                    .sorted(Comparator.comparingInt(Part::order).thenComparing(Part::id))
                    .collect(Collectors.groupingBy(part -> part.parent().get()));
            byParent = known;
        }
        return known;
    }

    /** Whether a part lies in a copy of a layout on which somebody works: it is neither played nor heard. */
    public boolean inDraft(Part part) {
        return part.body() instanceof Layout layout ? layout.draft().isPresent() : part.parent().flatMap(this::part).filter(this::inDraft).isPresent();
    }

    /** Two shows are equal where the same parts stand in the same place; versions and authors do not count. */
    public boolean sameContentAs(Show other) {
        return content().equals(other.content());
    }

    private Map<PartId, Part> content() {
        Map<PartId, Part> content = new TreeMap<>();
        parts.forEach((id, held) -> content.put(id, held.part()));
        return content;
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
        return problems.isEmpty() ? judged(changes.values(), author, request.title(), Edit.Role.FRESH)
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
        for (Edit.Change change : edit.changes()) {
            if (!part(change.id()).equals(change.after())) {
                String name = change.after().or(change::before).map(p -> p.body().called()).orElse("It");
                problems.add(new Problem(Optional.of(change.id()), "", "“" + name + "” was "
                        + changedBy(change.id()) + " since, so “" + edit.title() + "” cannot be taken back",
                        Optional.empty()));
            }
            changes.add(change.inverse());
            if (change.before().isEmpty()) {
                laidThereSince(edit, change.id()).ifPresent(problems::add);
            }
        }
        String verb = role.kind() == Edit.Role.Kind.UNDO ? "Undo: " : "Redo: ";
        return problems.isEmpty() ? judged(changes, author, verb + plain(edit.title()), role)
                : new Outcome.Refused(problems);
    }

    /** What an edit added cannot go again with what others have put on it. */
    private Optional<Problem> laidThereSince(Edit edit, PartId added) {
        List<PartId> own = edit.changes().stream().map(Edit.Change::id).toList();
        return children(added).filter(child -> !own.contains(child.id())).findFirst().map(child -> Problem.at(child.id(), "",
                "“" + child.body().called() + "” was put there by " + parts.get(child.id()).author().name() + " since, so “"
                        + edit.title() + "” cannot be taken back"));
    }

    /** Makes this show hold exactly these parts, as one edit: a version restored, or a file over a show. */
    public Outcome become(Collection<Part> wanted, Person author, String title) {
        Map<PartId, Edit.Change> changes = new LinkedHashMap<>();
        Map<PartId, Part> then = new TreeMap<>();
        wanted.forEach(part -> then.put(part.id(), part));
        content().forEach((id, part) -> {
            if (!part.equals(then.get(id))) {
                note(changes, id, Optional.ofNullable(then.get(id)));
            }
        });
        then.forEach((id, part) -> {
            if (!parts.containsKey(id)) {
                note(changes, id, Optional.of(part));
            }
        });
        return judged(changes.values(), author, title, Edit.Role.FRESH);
    }

    private static String plain(String title) {
        return title.replaceFirst("^(Undo|Redo): ", "");
    }

    /** Follows an edit that was accepted against this very version. */
    public Show replay(Edit edit) {
        Map<PartId, Held> next = new TreeMap<>(parts);
        Map<PartId, Person> gone = new LinkedHashMap<>(removers);
        for (Edit.Change change : edit.changes()) {
            change.after().ifPresentOrElse(part -> {
                next.put(part.id(), new Held(part, edit.number(), edit.author()));
                gone.remove(part.id());
            }, () -> {
                next.remove(change.id());
                gone.remove(change.id());
                gone.put(change.id(), edit.author());
            });
        }
        if (gone.size() > MOST_REMOVED) {
            gone.keySet().removeAll(gone.keySet().stream().limit(gone.size() - MOST_REMOVED).toList());
        }
        return new Show(edit.number(), Collections.unmodifiableMap(next), Collections.unmodifiableMap(gone));
    }

    private Outcome judged(Collection<Edit.Change> changes, Person author, String title, Edit.Role role) {
        if (changes.isEmpty()) {
            return Outcome.Refused.because("No changes");
        }
        Optional<Held> lock = held(Lock.ID);
        if (lock.isPresent() && !(changes.size() == 1 && changes.iterator().next().id().equals(Lock.ID))) {
            return Outcome.Refused.because("The show is locked by " + lock.get().author().name() + ": it can be operated, not changed. Unlock it in "
                    + "the bar at the top");
        }
        Edit edit = new Edit(version + 1, author, title, List.copyOf(changes), role);
        Show next = replay(edit);
        List<Problem> problems = PartRules.problems(next, edit);
        return problems.isEmpty() ? new Outcome.Accepted(next, edit) : new Outcome.Refused(problems);
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
        return now == basedOn ? Optional.empty() : Optional.of(Problem.at(id, "",
                "“" + part(id).map(p -> p.body().called()).orElse("This part") + "” was " + changedBy(id)
                        + " in the meantime; you see it as it is now"));
    }

    /** The removals that are remembered. */
    int removals() {
        return removers.size();
    }

    private String changedBy(PartId id) {
        return held(id).map(h -> "changed by " + h.author().name())
                .orElseGet(() -> "removed by " + Optional.ofNullable(removers.get(id)).map(Person::name).orElse("somebody"));
    }
}
