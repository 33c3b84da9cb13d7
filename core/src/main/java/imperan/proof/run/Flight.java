package imperan.proof.run;

import imperan.live.Line;
import imperan.live.MessageResult;
import imperan.live.Reason;
import imperan.proof.report.Obstacle;
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

    final Saying saying;
    final Line line;
    final For why;
    /** How long an answer in time takes at most. */
    final long limitNanos;
    /** What this machine had lost when it left. */
    final long missed;

    private boolean closed;
    private boolean awaited;
    private Optional<MessageResult> result = Optional.empty();

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

    void lands(MessageResult how) {
        result = result.or(() -> Optional.of(how));
    }

    /** What became of it; empty as long as nobody knows. */
    Optional<MessageResult> result() {
        return result;
    }

    /** Whether what was sent stands now; where nothing confirms anything, that it left is all that can be known. */
    static boolean isBack(MessageResult result) {
        return result instanceof MessageResult.Answered
                || result instanceof MessageResult.Late
                || result instanceof MessageResult.NotExpected;
    }

    /** Why nothing could be sent; empty where something was. */
    static Optional<Obstacle> obstacle(MessageResult result) {
        if (!(result instanceof MessageResult.NotSent stopped)) {
            return Optional.empty();
        }
        return stopped.why() instanceof Reason.Gated
                ? Optional.of(Obstacle.HELD)
                : stopped.why() instanceof Reason.SocketBroken ? Optional.of(Obstacle.NO_WAY_OUT) : Optional.empty();
    }
}
