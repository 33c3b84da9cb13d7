package imperan.live;

import imperan.osc.OscArgument;
import java.util.List;
import java.util.Optional;

/**
 * What became of a message, or of a question, and what is known of it. The one place where that is decided: the marks of controls and of
 * cues, the word of the wire, and the verdicts of a proof are views of it.
 */
public sealed interface MessageResult {

    /** The arguments that came; empty where nothing came, or something without any. */
    default List<OscArgument> said() {
        return List.of();
    }

    /** How long what came took, after the message left or after it was asked for; empty where nothing came. */
    default Optional<Long> after() {
        return Optional.empty();
    }

    /** Whether an answer was to come, and none came that agrees. */
    default boolean isUnanswered() {
        return this instanceof NoAnswer || this instanceof PortClosed || this instanceof Differed;
    }

    /** What came agrees with what was sent. */
    sealed interface Agreed extends MessageResult {
        Evidence evidence();

        long afterNanos();

        @Override
        default List<OscArgument> said() {
            return evidence().said();
        }

        @Override
        default Optional<Long> after() {
            return Optional.of(afterNanos());
        }
    }

    /** The answer came in time, and how strongly it speaks for what was sent is what its evidence says. */
    record Answered(Evidence evidence, long afterNanos) implements Agreed {}

    /** The answer came, later than it may. */
    record Late(Evidence evidence, long afterNanos) implements Agreed {}

    /** What came would have come without the message, too, or nobody knows whether it came in time. */
    record ProvesNothing(Why why, Evidence evidence, long afterNanos) implements Agreed {
        public enum Why {
            /** The target had said the same before by itself. */
            SAID_BEFORE,
            /** The value stood there already. */
            STOOD_THERE,
            /** This machine was behind, so that it may have been there in time. */
            WE_WERE_LATE
        }
    }

    /**
     * What came does not agree.
     *
     * @param address    on which it came
     * @param afterNanos after the message left or was asked for; empty where it was told when it was asked once more
     * @param asked      whether it was told because somebody asked what stands
     */
    record Differed(How how, String address, List<OscArgument> said, Optional<Long> afterNanos, boolean asked)
            implements MessageResult {

        public Differed {
            said = List.copyOf(said);
        }

        @Override
        public Optional<Long> after() {
            return afterNanos;
        }

        public enum How {
            VALUE,
            /** An argument is of another kind, such as a text where a number was sent. */
            TYPE,
            /** There are more or fewer arguments, and nobody knows which of them is the value. */
            ARGUMENTS,
            /** It is the value from before. */
            AS_BEFORE
        }
    }

    /** It was released before its answer came, so that what came may answer the release. */
    record ReleasedEarly(List<OscArgument> said, Optional<Long> after) implements MessageResult {}

    /** @param arrivedAs the address under which the same value came instead; empty where none did */
    record NoAnswer(long limitNanos, Optional<String> arrivedAs) implements MessageResult {}

    /** Nothing came, and its host says that nobody has the port open. */
    record PortClosed() implements MessageResult {}

    /** Nothing came, and the target had said the same before by itself: it may tell only what changes. */
    record NoNews(long limitNanos) implements MessageResult {}

    /** Something that was said later on the same address was answered. */
    record Overtaken() implements MessageResult {}

    /** Too many were open at once, or nobody could know whether an answer came. */
    record NotJudged() implements MessageResult {}

    /** Nothing is to come back, or nobody knows what. */
    record NotExpected(Reason.OfAnswer why) implements MessageResult {}

    /** It did not leave. */
    record NotSent(Reason why) implements MessageResult {}
}
