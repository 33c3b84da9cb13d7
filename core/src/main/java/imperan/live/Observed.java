package imperan.live;

import java.util.List;
import java.util.Optional;

/**
 * What the running show has seen of one target, and of one line that is said to it.
 *
 * @param now      when, in nanoseconds since 1970, as all times here
 * @param waiting  whether something of the control waits for the pace of the target
 * @param line     as it was said last; empty where it was not, or where it is asked about the target as a whole
 * @param path     of the control that says it, as far as it went
 * @param masks    what stands in the way of its effect, as the target said it last
 */
public record Observed(
        long now,
        LinkView link,
        boolean waiting,
        Optional<Line> line,
        Optional<Trace> path,
        Answers answers,
        Arrivals arrivals,
        Busiest busiest,
        List<StandingMask> masks) {

    public Observed {
        masks = List.copyOf(masks);
    }

    /**
     * What became of what was said.
     *
     * @param ofLine         on the address on which this line's answer comes
     * @param ofTarget       on all of its addresses
     * @param othersAnswered on how many other addresses something was answered
     * @param bundled        of messages that left in one packet with others, {@code alone} of those that did not
     * @param fast           of messages that left while more than 25 a second were said to the target, {@code slow} of the others
     * @param recoveries     how it came to answer again
     * @param missed         what is known of the answer that this line missed last; empty where it came
     */
    public record Answers(
            AnswerTally ofLine,
            AnswerTally ofTarget,
            int othersAnswered,
            AnswerTally bundled,
            AnswerTally alone,
            AnswerTally fast,
            AnswerTally slow,
            Recoveries recoveries,
            Optional<Missed> missed) {}

    /**
     * How often, of late, something was answered on an address on which the message before was not.
     *
     * @param renewed   the target had been asked to go on telling us in between
     * @param otherwise it had not
     * @param now       whether of the last four some were answered and some were not
     */
    public record Recoveries(int renewed, int otherwise, boolean now) {}

    /**
     * What came that was of no use.
     *
     * @param keptAliveAt when its keep-alive was answered last
     * @param malformedAt when a packet came that cannot be read
     * @param forLaterAt  when a bundle came that takes effect later
     */
    public record Arrivals(Optional<Long> keptAliveAt, Optional<Long> malformedAt, Optional<Long> forLaterAt) {}

    /**
     * The second in which the most was said to the target, of the last ten seconds.
     *
     * @param messages that left then
     */
    public record Busiest(int messages, long at) {}

    /**
     * Something of the target stands in the way.
     *
     * @param text as it said it, {@code at} when
     */
    public record StandingMask(String address, String text, long at) {}
}
