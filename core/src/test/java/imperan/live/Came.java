package imperan.live;

import imperan.live.MessageResult.Differed.How;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import java.util.List;
import java.util.Optional;

/** Message results for tests: outside an exchange nobody can make evidence. */
public final class Came {

    private Came() {}

    /** The same came back from where it was sent to. */
    public static MessageResult.Answered back(String address, List<OscArgument> said, long afterNanos) {
        return new MessageResult.Answered(
                Evidence.ofAnswer(AnswerRule.Says.SAME, new OscMessage(address, said), address, said), afterNanos);
    }

    /** The same came on another address than it was sent to. */
    public static MessageResult.Answered elsewhere(
            String address, String heard, List<OscArgument> said, long afterNanos) {
        return new MessageResult.Answered(
                Evidence.ofAnswer(AnswerRule.Says.SAME, new OscMessage(address, said), heard, said), afterNanos);
    }

    /** It was asked for afterwards, and said. */
    public static MessageResult.Answered asked(String address, List<OscArgument> said, long afterNanos) {
        return new MessageResult.Answered(Evidence.ofQuestion(address, said), afterNanos);
    }

    /** The same came back, and its target had said it before. */
    public static MessageResult.ProvesNothing saidBefore(String address, List<OscArgument> said, long afterNanos) {
        return new MessageResult.ProvesNothing(
                MessageResult.ProvesNothing.Why.SAID_BEFORE,
                back(address, said, afterNanos).evidence(),
                afterNanos);
    }

    /** Another value came. */
    public static MessageResult.Differed another(String address, List<OscArgument> said, long afterNanos) {
        return new MessageResult.Differed(How.VALUE, address, said, Optional.of(afterNanos), false);
    }
}
