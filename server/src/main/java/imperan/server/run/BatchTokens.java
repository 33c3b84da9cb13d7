package imperan.server.run;

/**
 * How often a batch may leave for the browsers: a few at once while it was calm, so that the answer to a touch is not kept waiting because the touch itself
 * was told just before; and no more than 60 in any second, however much changes, because no screen draws more. Times are nanoseconds.
 */
final class BatchTokens {

    /** Batches that may leave at once after a calm while. */
    static final int MOST = 4;
    /** Together with those of the calm while, 60 in a second. */
    private static final long REFILL_NANOS = 1_000_000_000L / (60 - MOST);

    /** When the bucket is full again. */
    private long fullAt = Long.MIN_VALUE;

    /** Takes a token; false where there is none. */
    boolean take(long now) {
        if (now < nextAt()) {
            return false;
        }
        fullAt = Math.max(now, fullAt) + REFILL_NANOS;
        return true;
    }

    /** When there is a token. */
    long nextAt() {
        return fullAt == Long.MIN_VALUE ? fullAt : fullAt - (MOST - 1) * REFILL_NANOS;
    }
}
