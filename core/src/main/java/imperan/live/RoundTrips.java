package imperan.live;

import java.util.Arrays;

/** How long the last answers of a target took: exact order statistics of the last {@value #KEPT}. */
final class RoundTrips {

    static final int KEPT = 512;

    private final long[] ring = new long[KEPT];
    private long count;

    void add(long nanos) {
        ring[(int) (count++ % KEPT)] = nanos;
    }

    boolean isEmpty() {
        return count == 0;
    }

    long last() {
        return ring[(int) ((count - 1) % KEPT)];
    }

    /** The greatest of the kept ones; 0 where there is none. */
    long greatest() {
        long greatest = 0;
        for (int i = 0; i < Math.min(count, KEPT); i++) {
            greatest = Math.max(greatest, ring[i]);
        }
        return greatest;
    }

    /** The smallest value that at least this share of the kept ones does not exceed (nearest rank). */
    long percentile(double share) {
        long[] sorted = Arrays.copyOf(ring, (int) Math.min(count, KEPT));
        Arrays.sort(sorted);
        return sorted[Math.max(0, (int) Math.ceil(share * sorted.length) - 1)];
    }
}
