package imperan.show;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The edits of one show in order, and for each author which one undo and redo mean. The last edits are in memory, older ones are read from the log
 * when they are needed. Not safe for several threads.
 */
public final class History {

    /** Edits in memory. */
    public static final int MOST_EDITS = 200;
    /** Edits that one author can take back, one after the other. */
    static final int MOST_UNDOS = 1_000;
    /** Authors whose edits can be taken back; who edited longest ago is forgotten first. */
    static final int MOST_AUTHORS = 200;
    /** A small show is kept whole no more often than after as many changed parts. */
    static final int LEAST_CHANGES = 200;

    /** Where all edits are kept. */
    public interface Log {

        /** The edits from a number to another, both included, in order. */
        List<Edit> edits(long from, long to);

        /** The newest whole show that was kept, as it was at a version or before; empty where none was. */
        Optional<Show> snapshot(long version);
    }

    private static final class Stacks {
        private final Deque<Long> undos = new ArrayDeque<>();
        private final Deque<Long> redos = new ArrayDeque<>();
    }

    private final Log log;
    private final Deque<Edit> latest = new ArrayDeque<>();
    private final Map<String, Stacks> stacks = new LinkedHashMap<>(16, 0.75f, true);
    private long count;
    private long changesSinceSnapshot;

    public History(Log log) {
        this.log = log;
    }

    /** Takes the next edit in; numbers have no gaps. */
    public void add(Edit edit) {
        past(edit.number(), edit.author().id(), edit.role());
        changesSinceSnapshot += edit.changes().size();
        latest.addLast(edit);
        if (latest.size() > MOST_EDITS) {
            latest.removeFirst();
        }
    }

    /** Takes an edit in that stays in the log. */
    public void past(long number, String author, Edit.Role role) {
        if (number != count + 1) {
            throw new IllegalArgumentException("Edit " + number + " cannot follow edit " + count);
        }
        count = number;
        Stacks of = stacks.computeIfAbsent(author, a -> new Stacks());
        switch (role.kind()) {
            case FRESH -> {
                of.undos.push(number);
                of.redos.clear();
            }
            case UNDO -> {
                of.undos.remove(role.of());
                of.redos.push(role.of());
            }
            case REDO -> {
                of.redos.remove(role.of());
                of.undos.push(role.of());
            }
        }
        if (of.undos.size() > MOST_UNDOS) {
            of.undos.removeLast();
        }
        if (stacks.size() > MOST_AUTHORS) {
            stacks.remove(stacks.keySet().iterator().next());
        }
    }

    /** How many edits there are. */
    public long count() {
        return count;
    }

    /** The edits in memory, oldest first. */
    public List<Edit> latest() {
        return List.copyOf(latest);
    }

    /** Takes in how much was changed in the log since the show was last kept whole; for a history that was just read. */
    public void changedSinceSnapshot(long changes) {
        changesSinceSnapshot = changes;
    }

    /** Whether it is time to keep the show whole: as much was changed as it holds, so in the long run that costs as much as the log itself. */
    public boolean wantsSnapshot(Show show) {
        return changesSinceSnapshot >= Math.max(LEAST_CHANGES, show.parts().size());
    }

    /** The show as it was after an edit, from the newest whole one before it; version 0 is the empty show. */
    public Show at(long version) {
        Show start = log.snapshot(version).orElse(Show.empty());
        Replay replay = new Replay(start);
        for (long from = start.version() + 1; from <= version; from += MOST_EDITS) {
            log.edits(from, Math.min(version, from + MOST_EDITS - 1)).forEach(replay::add);
        }
        return replay.show();
    }

    /** Takes back the author's latest edit that still counts. */
    public Outcome undo(Show show, Person author) {
        return number(author, true)
                .map(number -> show.revert(edit(number), author, new Edit.Role(Edit.Role.Kind.UNDO, number)))
                .orElseGet(() -> Outcome.Refused.because("There is nothing of yours to undo"));
    }

    /** Brings back the author's latest edit that was taken back. */
    public Outcome redo(Show show, Person author) {
        return number(author, false)
                .map(number -> show.revert(inverse(edit(number)), author, new Edit.Role(Edit.Role.Kind.REDO, number)))
                .orElseGet(() -> Outcome.Refused.because("There is nothing of yours to redo"));
    }

    private Optional<Long> number(Person author, boolean undo) {
        return Optional.ofNullable(stacks.get(author.id())).map(of -> (undo ? of.undos : of.redos).peek());
    }

    private Edit edit(long number) {
        return !latest.isEmpty() && number >= latest.peekFirst().number()
                ? latest.stream()
                        .filter(edit -> edit.number() == number)
                        .findFirst()
                        .orElseThrow()
                : log.edits(number, number).get(0);
    }

    /** What taking the edit back amounted to. */
    private static Edit inverse(Edit edit) {
        return new Edit(
                edit.number(),
                edit.author(),
                edit.title(),
                edit.changes().stream().map(Edit.Change::inverse).toList(),
                edit.role());
    }
}
