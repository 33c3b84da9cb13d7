package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import java.util.List;

/**
 * What came of a message, and how strongly it speaks for what was sent. Only an exchange that was answered makes one, so nobody can call
 * something confirmed of which nothing came.
 */
public final class Evidence {

    private final Strength strength;
    private final String address;
    private final List<OscArgument> said;

    private Evidence(Strength strength, String address, List<OscArgument> said) {
        this.strength = strength;
        this.address = address;
        this.said = List.copyOf(said);
    }

    /**
     * Of an answer that agrees with what was sent.
     *
     * @param says   what an answer is to say by its rule
     * @param sent   the message that is answered
     * @param heard  the address on which it came
     */
    static Evidence ofAnswer(AnswerRule.Says says, OscMessage sent, String heard, List<OscArgument> said) {
        boolean elsewhere = !heard.equals(sent.address());
        Strength strength =
                switch (says) {
                    case ANY -> Strength.ACKNOWLEDGED;
                    case GIVEN -> elsewhere ? Strength.REPORTED : Strength.ACKNOWLEDGED;
                    case SAME -> said.isEmpty()
                            ? Strength.ACKNOWLEDGED
                            : !elsewhere && said.equals(sent.arguments()) ? Strength.RETURNED : Strength.REPORTED;
                };
        return new Evidence(strength, heard, said);
    }

    /** Of the answer to a question that carries no value: what it says stands there. */
    static Evidence ofQuestion(String heard, List<OscArgument> said) {
        return new Evidence(said.isEmpty() ? Strength.ACKNOWLEDGED : Strength.READ_BACK, heard, said);
    }

    public Strength strength() {
        return strength;
    }

    /** The address on which it came. */
    public String address() {
        return address;
    }

    /** The arguments that came. */
    public List<OscArgument> said() {
        return said;
    }
}
