package imperan.show;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The edits of one show in order, and for each author which one undo and redo mean. Not safe for several threads.
 */
public final class History {

    private final List<Edit> edits = new ArrayList<>();
    private final Map<String, Deque<Long>> undoable = new HashMap<>();
    private final Map<String, Deque<Long>> redoable = new HashMap<>();

    /** Takes the next edit in; numbers have no gaps. */
    public void add(Edit edit) {
        if (edit.number() != edits.size() + 1L) {
            throw new IllegalArgumentException("Edit " + edit.number() + " cannot follow edit " + edits.size());
        }
        edits.add(edit);
        Deque<Long> undos = undoable.computeIfAbsent(edit.author().id(), a -> new ArrayDeque<>());
        Deque<Long> redos = redoable.computeIfAbsent(edit.author().id(), a -> new ArrayDeque<>());
        switch (edit.role().kind()) {
            case FRESH -> {
                undos.push(edit.number());
                redos.clear();
            }
            case UNDO -> {
                undos.remove(edit.role().of());
                redos.push(edit.role().of());
            }
            case REDO -> {
                redos.remove(edit.role().of());
                undos.push(edit.role().of());
            }
        }
    }

    /** All edits, oldest first. */
    public List<Edit> edits() {
        return Collections.unmodifiableList(edits);
    }

    /** The show as it was after an edit; version 0 is the empty show. */
    public Show at(long version) {
        Show show = Show.empty();
        for (Edit edit : edits.subList(0, (int) version)) {
            show = show.replay(edit);
        }
        return show;
    }

    /** Takes back the author's latest edit that still counts. */
    public Outcome undo(Show show, Person author) {
        return latest(undoable, author)
                .map(edit -> show.revert(edit, author, new Edit.Role(Edit.Role.Kind.UNDO, edit.number())))
                .orElseGet(() -> Outcome.Refused.because("There is nothing of yours to undo"));
    }

    /** Brings back the author's latest edit that was taken back. */
    public Outcome redo(Show show, Person author) {
        return latest(redoable, author)
                .map(edit -> show.revert(inverse(edit), author, new Edit.Role(Edit.Role.Kind.REDO, edit.number())))
                .orElseGet(() -> Outcome.Refused.because("There is nothing of yours to redo"));
    }

    private Optional<Edit> latest(Map<String, Deque<Long>> stacks, Person author) {
        return Optional.ofNullable(stacks.get(author.id())).map(Deque::peek).map(number -> edits.get((int) (number - 1)));
    }

    /** What taking the edit back amounted to. */
    private static Edit inverse(Edit edit) {
        return new Edit(edit.number(), edit.author(), edit.title(),
                edit.changes().stream().map(Edit.Change::inverse).toList(), edit.role());
    }
}
