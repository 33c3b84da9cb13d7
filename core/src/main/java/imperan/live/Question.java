package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.List;
import java.util.Map;

/**
 * A question to a target: what leaves, and how its answer is known.
 *
 * @param answeredOn the address on which the answer comes
 * @param names      the arguments of the answer that name the place that was asked about, such as a channel number; empty where its
 *                   address does
 * @param expected   of the phrase that is asked, and where in the answer the value stands
 */
public record Question(OscMessage message, String answeredOn, Map<Integer, OscArgument> names, Expectation expected) {

    public Question {
        names = Map.copyOf(names);
    }

    /** An address without arguments, answered there. */
    public static Question plain(String address, Expectation expected) {
        return new Question(new OscMessage(address, List.of()), address, Map.of(), expected);
    }
}
