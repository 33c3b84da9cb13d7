package imperan.shaping;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.OptionalDouble;

/** The tempo of taps: the median of the last few gaps, so that one missed tap does not spoil it. */
public final class Tempo {

    private static final int GAPS = 5;
    /** After a longer gap the taps begin anew (common practice, no source: 20 beats a minute are slower than anybody taps). */
    private static final double LONGEST_GAP = 3;

    private final Deque<Double> gaps = new ArrayDeque<>();
    private long last;
    private boolean begun;

    /** Beats a minute after this tap; empty after a first one. */
    public OptionalDouble tapped(long nanos) {
        double gap = (nanos - last) / 1e9;
        if (begun && gap > 0 && gap <= LONGEST_GAP) {
            gaps.addLast(gap);
            if (gaps.size() > GAPS) {
                gaps.removeFirst();
            }
        } else {
            gaps.clear();
        }
        begun = true;
        last = nanos;
        if (gaps.isEmpty()) {
            return OptionalDouble.empty();
        }
        double[] sorted =
                gaps.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        double middle = (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2;
        return OptionalDouble.of(60 / middle);
    }
}
