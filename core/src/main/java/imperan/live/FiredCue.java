package imperan.live;

import imperan.cue.Outcome;
import imperan.show.Cue;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * A cue that was fired, and what became of it. Times are nanoseconds since 1970.
 *
 * @param number    counts the cues that a list fired
 * @param cue       as it was then
 * @param by        who is behind it
 * @param followsAt when the next one follows by itself; empty where it does not, or not by time
 * @param endsAt    when the last of its actions ends, as far as that is known
 * @param marks     what became of each action
 */
public record FiredCue(
        long number,
        PartId id,
        Cue cue,
        String by,
        long firedAt,
        Optional<Long> followsAt,
        long endsAt,
        List<Mark> marks) {

    public FiredCue {
        marks = List.copyOf(marks);
    }

    /**
     * What became of an action.
     *
     * @param reason    why it fell short; empty where it did not
     * @param lateNanos how long after it was due its line left, of a fade its last; empty where none left
     */
    public record Mark(Outcome outcome, Optional<Reason> reason, Optional<Long> lateNanos) {}
}
