package imperan.show;

import java.util.List;
import java.util.Optional;

/**
 * A change of a show that was accepted. It holds the state before and after of every part it touched, so it can be
 * replayed, described and turned round.
 *
 * @param number  counts the edits of a show from 1, without gaps
 * @param author  who made it
 * @param title   what it was, for people: "Move Main"
 * @param changes one for each part touched
 * @param role    why it was made
 */
public record Edit(long number, Person author, String title, List<Change> changes, Role role) {

    public Edit {
        changes = List.copyOf(changes);
    }

    /** @param before empty where the part is new, {@code after} empty where it is gone; never both */
    public record Change(PartId id, Optional<Part> before, Optional<Part> after) {

        public Change inverse() {
            return new Change(id, after, before);
        }
    }

    /**
     * @param kind whether a person made this edit afresh, or took one back, or brought it back
     * @param of   the number of the fresh edit taken back or brought back; 0 for a fresh one
     */
    public record Role(Kind kind, long of) {

        public static final Role FRESH = new Role(Kind.FRESH, 0);

        public enum Kind {
            FRESH,
            UNDO,
            REDO
        }
    }
}
