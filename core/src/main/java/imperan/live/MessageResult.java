package imperan.live;

import imperan.osc.OscArgument;
import java.util.List;
import java.util.Optional;

/** How an exchange ended. */
public sealed interface MessageResult {

    /**
     * The answer came, and agrees.
     *
     * @param afterNanos after the message left, or after it was asked for
     * @param news       false where the target had said the same before by itself: then it proves nothing
     */
    record Answered(String address, List<OscArgument> said, long afterNanos, boolean news) implements MessageResult {}

    /** What came within the limit does not agree; this came last. */
    record Differed(String address, List<OscArgument> said, long afterNanos) implements MessageResult {}

    /** @param arrivedAs the address under which the same value came instead; empty where none did */
    record NoAnswer(long limitNanos, Optional<String> arrivedAs) implements MessageResult {}

    /** Nothing came, and the target had said the same before by itself: it may tell only what changes. */
    record NoNews(long limitNanos) implements MessageResult {}

    /** Something that was said later on the same address was answered. */
    record Overtaken() implements MessageResult {}

    /** Too many were open at once. */
    record NotJudged() implements MessageResult {}

    /** Nothing is to come back, or nobody knows what. */
    record NotExpected(Reason.OfAnswer why) implements MessageResult {}
}
