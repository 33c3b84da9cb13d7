package imperan.watch;

import imperan.show.PartId;
import java.util.Optional;

/**
 * Something that went wrong, once or again and again.
 *
 * @param target  that it is about; empty where none is known
 * @param control whose line it was; empty where it belongs to none
 * @param about   the address, or who sent it
 * @param detail  what was seen last, in a few words; may be empty
 * @param first   when it happened first, and {@code last} when it happened last, in nanoseconds since 1970
 * @param count   how often
 * @param over    since when it is well again; empty while it is not known to be
 */
public record Incident(
        Kind kind,
        Optional<PartId> target,
        Optional<PartId> control,
        String about,
        String detail,
        long first,
        long last,
        int count,
        Optional<Long> over) {

    /** What can go wrong. */
    public enum Kind {
        /** A target that answered does not. */
        LINK_LOST,
        /** Nobody has the port of a target open. */
        PORT_CLOSED,
        /** What was said was not answered in time. */
        NO_ANSWER,
        /** What was answered is not what was said. */
        WRONG_VALUE,
        /** This machine could not send it. */
        NOT_SENT,
        /** A packet came that is none. */
        MALFORMED,
        /** A cue did not begin, as too many of its list ran; about is the list, detail the cue. */
        CUE_NOT_BEGUN
    }

    Incident again(long at, String seen) {
        return new Incident(kind, target, control, about, seen, first, at, count + 1, Optional.empty());
    }

    Incident over(long at) {
        return new Incident(kind, target, control, about, detail, first, last, count, over.or(() -> Optional.of(at)));
    }
}
