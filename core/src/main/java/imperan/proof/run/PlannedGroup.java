package imperan.proof.run;

import imperan.show.PartId;
import imperan.show.Phrase;
import java.util.List;

/**
 * Lines that are said one after the other, because they move the same, or because one releases what the other presses.
 *
 * @param turn when it is their turn at their target
 */
public record PlannedGroup(PartId target, List<PlannedLine> lines, Turn turn) {

    /** The order at one target. */
    public enum Turn {
        /** What happens may move values: first, and one at a time. */
        EVENTS,
        /** Values that nothing else depends on: several at a time. */
        VALUES,
        /** What stands in the way of others, such as mutes, solos and masters: last, and one at a time. */
        MASKS
    }

    public PlannedGroup {
        lines = List.copyOf(lines);
    }

    boolean isAlone() {
        // what is spaced is spaced whichever of its lines is said
        return turn != Turn.VALUES || spacingNanos() > 0;
    }

    /** From one message to the next, at least, whichever of its lines is said; 0 where that does not matter. */
    long spacingNanos() {
        return lines.stream().mapToLong(PlannedLine::spacingNanos).max().orElse(0);
    }

    /** Its phrases of which that is asked. */
    List<Phrase> spaced() {
        return lines.stream()
                .filter(line -> line.spacingNanos() > 0)
                .flatMap(line -> line.phrase().stream())
                .distinct()
                .toList();
    }
}
