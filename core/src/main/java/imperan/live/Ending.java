package imperan.live;

import imperan.osc.OscArgument;
import java.util.List;
import java.util.Optional;

/** How an exchange ended. */
public sealed interface Ending {

    /**
     * The answer came, and agrees.
     *
     * @param afterNanos after the message left, or after it was asked for
     * @param news       false where the target had said the same before by itself: then it proves nothing
     */
    record Answered(String address, List<OscArgument> said, long afterNanos, boolean news) implements Ending {}

    /** What came within the limit does not agree; this came last. */
    record WrongValue(String address, List<OscArgument> said, long afterNanos) implements Ending {}

    /** @param arrivedAs the address under which the same value came instead; empty where none did */
    record NoAnswer(long limitNanos, Optional<String> arrivedAs) implements Ending {}

    /** Nothing came, and the target had said the same before by itself: it may tell only what changes. */
    record NoNews(long limitNanos) implements Ending {}

    /** Something that was said later on the same address was answered. */
    record Overtaken() implements Ending {}

    /** Too many were open at once. */
    record NotJudged() implements Ending {}

    /** Nothing is to come back, or nobody knows what. */
    record NotExpected(Reason.OfAnswer why) implements Ending {}
}
