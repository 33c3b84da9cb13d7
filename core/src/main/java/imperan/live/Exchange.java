package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/** A line that left, whose answer is awaited. What was known of the answer's address before tells whether the answer proves anything. */
final class Exchange {

    final long number;
    final PartId target;
    /** Whose line it was; empty for one that belongs to no control. */
    final Optional<PartId> control;
    /** On which the answer comes. */
    final String address;

    final Wanted wanted;
    /** What left, and what an answer to it is to say by its rule. */
    private final OscMessage sent;

    private final AnswerRule.Says says;
    /** A question wants to know what stands, and changed nothing. */
    final boolean question;

    final long limitNanos;
    /** How long it is awaited: for a line of a proof longer than its limit. */
    final long waitNanos;

    final Optional<Long> finalNanos;
    /** Whether the target had said the same before, and says things by itself. */
    final boolean saidBefore;

    /** When it left, or was asked for. */
    long since;

    long due;
    boolean ended;
    /** What came last that does not agree; empty where nothing did. */
    Optional<MessageResult.Differed> differed = Optional.empty();
    /** The address under which the same value came instead; empty where none did. */
    Optional<String> arrivedAs = Optional.empty();
    /** What agrees came on its address, and not from the target; empty where nothing did. */
    Optional<Missed.CameFrom> cameFrom = Optional.empty();
    /** Whether its message left in one packet with others. */
    boolean bundled;
    /** How many messages a second were said to the target when it left. */
    double rate;
    /** How often the target had been asked to go on telling us. */
    long renewals;

    /**
     * @param control    whose line it was
     * @param address    on which the answer comes
     * @param sent       what leaves: the message, or the question
     * @param waitNanos  how long it is awaited once it left, or was asked for
     * @param settles    how much later it is asked for; 0 where it is not
     * @param saidBefore whether the target had said the same before, and says things by itself
     */
    Exchange(
            long number,
            PartId target,
            Optional<PartId> control,
            String address,
            Wanted wanted,
            OscMessage sent,
            boolean question,
            Expectation expected,
            long waitNanos,
            long settles,
            boolean saidBefore,
            long now) {
        this.number = number;
        this.target = target;
        this.control = control;
        this.address = address;
        this.wanted = wanted;
        this.sent = sent;
        this.says = expected.rule().says();
        this.question = question;
        this.limitNanos = expected.limitNanos();
        this.waitNanos = waitNanos;
        this.finalNanos = expected.finalNanos();
        this.saidBefore = saidBefore;
        this.since = now;
        this.due = now + waitNanos + settles;
    }

    MessageResult.Agreed answeredBy(String heardOn, List<OscArgument> said, long now) {
        Evidence evidence =
                question ? Evidence.ofQuestion(heardOn, said) : Evidence.ofAnswer(says, sent, heardOn, said);
        return question || !saidBefore
                ? new MessageResult.Answered(evidence, now - since)
                : new MessageResult.ProvesNothing(MessageResult.ProvesNothing.Why.SAID_BEFORE, evidence, now - since);
    }

    /** Something came on its address that does not agree. */
    MessageResult.Differed differsFrom(String heardOn, List<OscArgument> said, long now) {
        return new MessageResult.Differed(
                Spelling.isSameKind(sent.arguments(), said)
                        ? MessageResult.Differed.How.VALUE
                        : MessageResult.Differed.How.TYPE,
                heardOn,
                said,
                Optional.of(now - since),
                question);
    }

    /** How it ends when its time is over. */
    MessageResult atLimit() {
        return differed.<MessageResult>map(wrong -> wrong)
                .orElseGet(() -> saidBefore && arrivedAs.isEmpty()
                        ? new MessageResult.NoNews(limitNanos)
                        : new MessageResult.NoAnswer(limitNanos, arrivedAs));
    }
}
