package imperan.trial;

import imperan.cue.Outcome;
import imperan.live.FiredCue;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.List;
import java.util.Optional;

/**
 * What came of a trial, so far where it still runs. Times are nanoseconds since 1970.
 *
 * @param show      as it was at its beginning
 * @param rehearsed whether nobody heard it
 * @param by        who started it
 * @param endedAt   so far, where it still runs
 * @param end       how it ended; empty while it runs
 * @param fired     every cue that was fired, in that order
 * @param left      the cues of the list that were not
 */
public record TrialReport(
        Show show,
        PartId list,
        TrialSpeed speed,
        boolean rehearsed,
        String by,
        long startedAt,
        long endedAt,
        Optional<End> end,
        List<Fired> fired,
        List<PartId> left) {

    /** How a trial ended. */
    public enum End {
        /** After the last cue. */
        LAST,
        /** Somebody stopped it, or stopped or reset what it plays. */
        STOPPED,
        /** More cues were fired than any list has: its cues go round in a ring. */
        ROUND,
        /** A rehearsal would take longer, or say more, than it reckons. */
        ENDLESS,
        /** The list is gone, or another show went live. */
        GONE
    }

    /** How an action went. */
    public enum Standing {
        WELL,
        SHORT,
        /** It was left out, taken by hand, stopped, or has not ended. */
        OPEN
    }

    /** A cue that was fired, of the list or one that it steps. */
    public record Fired(PartId list, FiredCue cue) {}

    public TrialReport {
        fired = List.copyOf(fired);
        left = List.copyOf(left);
    }

    public static Standing standing(Outcome outcome) {
        return outcome.isWell() ? Standing.WELL : outcome == Outcome.FELL_SHORT ? Standing.SHORT : Standing.OPEN;
    }

    /** How many actions went so. */
    public int count(Standing standing) {
        return (int) fired.stream()
                .flatMap(each -> each.cue().marks().stream())
                .filter(mark -> standing(mark.outcome()) == standing)
                .count();
    }

    /**
     * The number with which a script ends that played the list: 0 all went well, 1 something failed, 2 it did not go on to its last cue, 3
     * something is undecided or was not fired. Where nothing was sent a cue goes well by coming to its end, whatever its targets would say.
     *
     * @param strict whether 3 is a 1
     */
    public int code(boolean strict) {
        boolean isWhole = end.filter(End.LAST::equals).isPresent();
        if (!isWhole) {
            return 2;
        } else if (rehearsed) {
            return left.isEmpty() && fired.stream().allMatch(TrialReport::hasEnded) ? 0 : 1;
        } else if (count(Standing.SHORT) > 0) {
            return 1;
        }
        boolean isAll = count(Standing.OPEN) == 0 && left.isEmpty();
        return isAll ? 0 : strict ? 1 : 3;
    }

    private static boolean hasEnded(Fired each) {
        return each.cue().marks().stream()
                .map(FiredCue.Mark::outcome)
                .allMatch(outcome -> outcome.isFinal() && standing(outcome) != Standing.SHORT);
    }

    /** How long after it was due each line left, the least first. */
    public List<Long> late() {
        return fired.stream()
                .flatMap(each -> each.cue().marks().stream())
                .flatMap(mark -> mark.lateNanos().stream())
                .sorted()
                .toList();
    }
}
