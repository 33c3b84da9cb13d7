package imperan.proof.run;

import imperan.live.Observed;
import imperan.proof.Suspect;
import imperan.proof.report.LineResult;
import java.util.List;
import java.util.Optional;

/**
 * What came of a line.
 *
 * @param seen   what was seen when it fell short last; empty where it did not
 * @param nanos  how long each answer took
 * @param lost   to how many of the {@code judged} nothing came
 */
public record Outcome(
        PlannedLine line, LineResult result, Optional<Observed> seen, List<Long> nanos, int lost, int judged) {

    public Outcome {
        nanos = List.copyOf(nanos);
    }

    /** What its verdict says of the cause by itself; empty where the wire has to be asked. */
    public Optional<Suspect> certain() {
        return switch (result.verdict()) {
            case WRONG_VALUE -> Optional.of(Suspect.OTHER_VALUE);
            case WRONG_TYPE -> Optional.of(Suspect.OTHER_TYPE);
            case LATE -> Optional.of(Suspect.LATE);
            case OTHER_ADDRESS -> Optional.of(Suspect.OTHER_ADDRESS);
            case PORT_CLOSED -> Optional.of(Suspect.PORT_CLOSED);
            case CONFIRMED,
                    RETURNED,
                    ACKNOWLEDGED,
                    COARSER,
                    DIFFERENT_ARGUMENTS,
                    RELEASED_EARLY,
                    UNPROMPTED,
                    STRENGTH_UNKNOWN,
                    IGNORED,
                    WITNESSED,
                    HEARD,
                    NOT_HEARD,
                    MASKED,
                    ONE_WAY,
                    SKIPPED,
                    NOT_JUDGED,
                    LOST,
                    INTERMITTENT,
                    NO_ANSWER,
                    NOT_SEEN -> Optional.empty();
        };
    }

    Outcome with(LineResult other) {
        return new Outcome(line, other, seen, nanos, lost, judged);
    }
}
