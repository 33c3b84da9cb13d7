package imperan.server.run;

/**
 * Counts how often the loop stood still, such as on a machine that does something else: what was late meanwhile may have been
 * late here. It has to be looked at often while that matters.
 */
final class Standstills {

    /** So often it wants to be looked at. */
    static final long BEAT_NANOS = 50_000_000L;
    /** Not looked at for so long, the loop stood still. */
    private static final long STOOD_NANOS = 100_000_000L;

    private long lookedAt;
    private long count;

    /** Begins: what was before does not matter. */
    void begin(long now) {
        lookedAt = now;
    }

    /** The loop goes on. */
    void looks(long now) {
        if (now - lookedAt > STOOD_NANOS) {
            count++;
        }
        lookedAt = Math.max(lookedAt, now);
    }

    /** How often, so far. */
    long count() {
        return count;
    }

    /** When the loop has to go on, so that it did not stand still. */
    long nextDue() {
        return lookedAt + BEAT_NANOS;
    }
}
