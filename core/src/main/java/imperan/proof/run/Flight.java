package imperan.proof.run;

import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Verdict;
import java.util.List;
import java.util.Optional;

/** Something that a proof said, until it is known what came of it. */
final class Flight {

    /** What it was said for. */
    enum For {
        /** To learn what stands. */
        READING,
        /** To be judged. */
        PROBE,
        /** So that what is judged next can be told from what stands, or to release what was pressed; nobody judges it. */
        BETWEEN,
        /** To learn whether what was said just now stands. */
        READING_BACK,
        /** To put the old value back. */
        PUTTING_BACK
    }

    /**
     * What came of it.
     *
     * @param on the address on which {@code said} came; empty where nothing came
     */
    record Landing(
            Verdict verdict,
            Optional<Long> after,
            Optional<String> on,
            List<OscArgument> said,
            Optional<Obstacle> because) {
        static Landing of(Verdict verdict) {
            return new Landing(verdict, Optional.empty(), Optional.empty(), List.of(), Optional.empty());
        }

        /** Whether what was sent stands now; where nothing confirms anything, that it left is all that can be known. */
        boolean isBack() {
            return verdict == Verdict.CONFIRMED || verdict == Verdict.LATE || verdict == Verdict.ONE_WAY;
        }
    }

    final Saying saying;
    final Line line;
    final For why;
    /** How long an answer in time takes at most. */
    final long limitNanos;
    /** What this machine had lost when it left. */
    final long missed;

    private boolean closed;
    private boolean awaited;
    private Optional<Landing> landing = Optional.empty();

    Flight(Saying saying, For why, long limitNanos, long missed) {
        this.saying = saying;
        this.line = saying.line();
        this.why = why;
        this.limitNanos = limitNanos;
        this.missed = missed;
    }

    /** Its host says meanwhile that nobody has the port open. */
    void meetsClosedPort() {
        closed = true;
    }

    boolean metClosedPort() {
        return closed;
    }

    /** An answer is awaited. */
    void opened() {
        awaited = true;
    }

    boolean isAwaited() {
        return awaited;
    }

    void lands(Landing how) {
        landing = landing.or(() -> Optional.of(how));
    }

    Optional<Landing> landing() {
        return landing;
    }
}
