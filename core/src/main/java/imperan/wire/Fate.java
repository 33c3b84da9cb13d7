package imperan.wire;

import imperan.live.MessageResult;

/**
 * What became of the answers that a packet of ours asks for; of several, the worst.
 *
 * @param nanos how long it took, or how long was waited; 0 where neither means anything
 */
public record Fate(Kind kind, long nanos) {

    /** From the best to the worst. */
    public enum Kind {
        /** Its answer is awaited. */
        WAITING,
        /** Nothing is to come back, or nobody knows what. */
        NONE_EXPECTED,
        ANSWERED,
        /** Something that was said later on the same address was answered. */
        OVERTAKEN,
        /** Too many were awaited at once. */
        NOT_JUDGED,
        /** Nothing came, and it had been so before. */
        NO_NEWS,
        /** What came is not what was sent. */
        WRONG_VALUE,
        NO_ANSWER
    }

    static final Fate WAITING = new Fate(Kind.WAITING, 0);

    static Fate of(MessageResult result) {
        if (result instanceof MessageResult.Agreed answered) {
            return new Fate(Kind.ANSWERED, answered.afterNanos());
        } else if (result instanceof MessageResult.Differed wrong) {
            return new Fate(Kind.WRONG_VALUE, wrong.after().orElse(0L));
        } else if (result instanceof MessageResult.NoAnswer none) {
            return new Fate(Kind.NO_ANSWER, none.limitNanos());
        } else if (result instanceof MessageResult.NoNews none) {
            return new Fate(Kind.NO_NEWS, none.limitNanos());
        } else if (result instanceof MessageResult.Overtaken) {
            return new Fate(Kind.OVERTAKEN, 0);
        }
        return new Fate(result instanceof MessageResult.NotJudged ? Kind.NOT_JUDGED : Kind.NONE_EXPECTED, 0);
    }

    /** Whether an answer was to come, and none came that agrees. */
    public boolean isUnanswered() {
        return kind == Kind.NO_ANSWER || kind == Kind.WRONG_VALUE;
    }

    Fate or(Fate other) {
        return other.kind.compareTo(kind) > 0 ? other : this;
    }
}
