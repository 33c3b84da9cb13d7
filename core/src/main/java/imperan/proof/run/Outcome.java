package imperan.proof.run;

import imperan.live.Observed;
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
public record Outcome(PlannedLine line, LineResult result, Optional<Observed> seen, List<Long> nanos, int lost, int judged) {

    public Outcome {
        nanos = List.copyOf(nanos);
    }

    Outcome with(LineResult other) {
        return new Outcome(line, other, seen, nanos, lost, judged);
    }
}
