package imperan.proof.run;

import imperan.live.Evidence;
import imperan.live.MessageResult;
import imperan.live.MessageResult.Differed.How;
import imperan.live.MessageResult.ProvesNothing.Why;
import imperan.live.Strength;
import imperan.osc.OscArgument;
import imperan.proof.report.Verdict;
import java.util.List;
import java.util.Optional;

/**
 * What came of saying a line once.
 *
 * @param sent the arguments
 */
record Sample(List<OscArgument> sent, MessageResult result) {

    /** What a proof says of this one alone. */
    Verdict verdict() {
        if (result instanceof MessageResult.Differed differed) {
            return switch (differed.how()) {
                case VALUE -> Verdict.WRONG_VALUE;
                case TYPE -> Verdict.WRONG_TYPE;
                case ARGUMENTS -> Verdict.DIFFERENT_ARGUMENTS;
                case AS_BEFORE -> Verdict.IGNORED;
            };
        } else if (result instanceof MessageResult.NoAnswer none) {
            return none.arrivedAs().isPresent() ? Verdict.OTHER_ADDRESS : Verdict.NO_ANSWER;
        } else if (result instanceof MessageResult.Answered) {
            return Verdict.CONFIRMED;
        } else if (result instanceof MessageResult.Late) {
            return Verdict.LATE;
        } else if (result instanceof MessageResult.ReleasedEarly) {
            return Verdict.RELEASED_EARLY;
        } else if (result instanceof MessageResult.PortClosed) {
            return Verdict.PORT_CLOSED;
        }
        return result instanceof MessageResult.NotExpected ? Verdict.ONE_WAY : Verdict.NOT_JUDGED;
    }

    /** How strongly what came speaks for it; empty where it does not. */
    Optional<Strength> strength() {
        return result instanceof MessageResult.Answered answered
                ? Optional.of(answered.evidence().strength())
                : Optional.empty();
    }

    /** Whether what came answers a question that was asked afterwards. */
    boolean isAsked() {
        return result instanceof MessageResult.Differed differed
                ? differed.asked()
                : result instanceof MessageResult.Agreed agreed
                        && agreed.evidence().strength() == Strength.READ_BACK;
    }

    /** How long the answer took, in nanoseconds; empty where none came. */
    Optional<Long> after() {
        return result.after();
    }

    /** The arguments of the answer; empty where none came. */
    List<OscArgument> said() {
        return result.said();
    }

    /** Whether it tells anything of the line. */
    boolean isJudged() {
        return verdict() != Verdict.NOT_JUDGED && verdict() != Verdict.ONE_WAY;
    }

    boolean isGood() {
        return result instanceof MessageResult.Answered;
    }

    /** The same, which proves nothing: its value stood there already. */
    Sample standingThere() {
        return result instanceof MessageResult.Answered answered
                ? new Sample(
                        sent,
                        new MessageResult.ProvesNothing(Why.STOOD_THERE, answered.evidence(), answered.afterNanos()))
                : this;
    }

    /** The same, asked afterwards and found to be so. */
    Sample readBack(Evidence told) {
        if (result instanceof MessageResult.Answered answered) {
            return new Sample(sent, new MessageResult.Answered(told, answered.afterNanos()));
        }
        return result instanceof MessageResult.ProvesNothing nothing
                ? new Sample(sent, new MessageResult.ProvesNothing(nothing.why(), told, nothing.afterNanos()))
                : this;
    }

    /** The same, told first otherwise, and then so. */
    Sample settled(boolean late, long afterNanos, Evidence told) {
        return new Sample(
                sent, late ? new MessageResult.Late(told, afterNanos) : new MessageResult.Answered(told, afterNanos));
    }

    /** The same, asked afterwards and found to be otherwise. */
    Sample contradicted(How how, String address, List<OscArgument> instead) {
        return new Sample(sent, new MessageResult.Differed(how, address, instead, after(), true));
    }
}
