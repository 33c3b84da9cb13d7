package imperan.proof.run;

import imperan.live.Observed;
import imperan.osc.OscText;
import imperan.proof.Suspect;
import imperan.proof.report.Extent;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
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

    /** Of a line of which nothing was judged. */
    static Outcome unsaid(PlannedLine line, Verdict verdict, Optional<Obstacle> because) {
        return judged(line, verdict, because, new Samples(), Restored.NOT_MOVED, Optional.empty(), Optional.empty());
    }

    /** @param seen what was seen when it fell short last, if it did */
    static Outcome judged(
            PlannedLine line,
            Verdict verdict,
            Optional<Obstacle> because,
            Samples of,
            Restored restored,
            Optional<Extent> extent,
            Optional<Observed> seen) {
        List<Long> nanos = of.nanos();
        Optional<Sample> telling = of.telling();
        LineResult result = new LineResult(
                line.id(),
                line.print(),
                line.control(),
                line.page(),
                line.label(),
                line.target(),
                line.targetName(),
                line.standIn(),
                line.send().address(),
                verdict,
                verdict == Verdict.SKIPPED ? Optional.empty() : of.strength(),
                because,
                of.probes(),
                of.answered(),
                nanos.isEmpty() ? Optional.empty() : Optional.of(nanos.get((nanos.size() - 1) / 2)),
                nanos.isEmpty() ? Optional.empty() : Optional.of(nanos.get(nanos.size() - 1)),
                telling.map(sample -> OscText.brief(sample.sent())).orElse(""),
                telling.map(sample -> OscText.brief(sample.said())).orElse(""),
                Optional.empty(),
                List.of(),
                restored,
                extent);
        return new Outcome(line, result, seen.filter(observed -> verdict.fallsShort()), nanos, of.lost(), of.probes());
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
