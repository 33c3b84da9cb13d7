package imperan.proof.report;

import imperan.show.PartId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What a proof found out of one target.
 *
 * @param state  of the target as a whole; empty in reports of before it was written down
 * @param loss   of the probes that were judged; where none was, of none
 * @param median of how long answers took, in nanoseconds; {@code p95} what 95 of 100 do not exceed
 * @param p99    only where there are enough to tell
 */
public record TargetFigures(
        PartId target,
        String name,
        boolean standIn,
        Optional<TargetState> state,
        Loss loss,
        Optional<Long> median,
        Optional<Long> p95,
        Optional<Long> p99,
        Optional<Long> worst) {

    /** Of fewer, one in a hundred is nobody. */
    static final int ENOUGH_FOR_P99 = 100;

    /** @param nanos how long each answer took, in any order */
    public static TargetFigures of(
            PartId target, String name, boolean standIn, TargetState state, int lost, int judged, List<Long> nanos) {
        long[] sorted = nanos.stream().mapToLong(Long::longValue).sorted().toArray();
        return new TargetFigures(
                target,
                name,
                standIn,
                Optional.of(state),
                Loss.of(lost, judged),
                share(sorted, 50),
                share(sorted, 95),
                sorted.length < ENOUGH_FOR_P99 ? Optional.empty() : share(sorted, 99),
                Arrays.stream(sorted).boxed().reduce((a, b) -> b));
    }

    public boolean fails() {
        return state.filter(TargetState::isFailed).isPresent();
    }

    /** The least that so many of a hundred do not exceed (nearest rank). */
    static Optional<Long> share(long[] sorted, int ofHundred) {
        return sorted.length == 0
                ? Optional.empty()
                : Optional.of(sorted[(int) Math.ceil(sorted.length * ofHundred / 100.0) - 1]);
    }
}
