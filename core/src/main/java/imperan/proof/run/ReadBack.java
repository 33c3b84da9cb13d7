package imperan.proof.run;

import imperan.live.Evidence;
import imperan.live.Expectation;
import imperan.live.Line;
import imperan.live.MessageResult;
import imperan.live.MessageResult.Differed.How;
import imperan.osc.OscArgument;
import java.util.List;
import java.util.Optional;

/**
 * What a target says when it is asked whether what was said just now stands. It has to say so as often as somebody wants: what comes twice
 * by itself, such as an echo and its double, would be taken for the answer to the first question. What still says the value of before is
 * asked again until a late answer would be over, and another value until it says it twice.
 */
final class ReadBack {

    /** What came of it. */
    enum Found {
        /** It has to be asked once more. */
        OPEN,
        /** The value that was said. */
        TAKEN,
        /** Still the value of before. */
        AS_BEFORE,
        /** Neither. */
        ANOTHER,
        /** Nothing: it does not answer. */
        UNTOLD
    }

    private static final long AGAIN_NANOS = 100_000_000L;
    /** Until a value that goes on changing has to stand. */
    private static final long SETTLED_NANOS = 2_000_000_000L;

    private final PlannedLine line;
    private final Expectation expected;
    private final Line sent;
    private final Optional<List<OscArgument>> before;
    private final int enough;
    private final long since;
    private int asked;
    private int agreed;
    private Optional<Evidence> agreedOn = Optional.empty();
    private Optional<MessageResult> differed = Optional.empty();
    private Found found = Found.OPEN;
    private long askAt;

    /**
     * @param line   for which it was said
     * @param expected of the answer to the question
     * @param sent   what was said
     * @param before what stood there before; empty where nobody knows
     * @param enough how often it has to be told, one after the other
     * @param now    when it was answered
     */
    ReadBack(
            PlannedLine line,
            Expectation expected,
            Line sent,
            Optional<List<OscArgument>> before,
            int enough,
            long now) {
        this.line = line;
        this.expected = expected;
        this.sent = sent;
        this.before = before;
        this.enough = enough;
        this.since = now;
        this.askAt = now;
    }

    /** When it is to be asked. */
    long askAt() {
        return askAt;
    }

    /** It is asked once more. */
    void asks() {
        asked++;
    }

    /** How often it was asked. */
    int asked() {
        return asked;
    }

    /** How often it said the value that was said, one after the other. */
    int agreed() {
        return agreed;
    }

    /** What it said last that agrees with what was said; empty where it said nothing that does. */
    Optional<Evidence> agreedOn() {
        return agreedOn;
    }

    Found found() {
        return found;
    }

    /** What its target said last that is not what was said; empty where it says nothing else. */
    List<OscArgument> instead() {
        return differed.map(MessageResult::said).orElse(List.of());
    }

    /** @param answer what became of the question */
    void told(MessageResult answer, long now) {
        if (answer.said().isEmpty()) {
            found = Found.UNTOLD;
        } else if (answer instanceof MessageResult.Agreed told
                && expected.agrees(told.said(), sent.arguments(), line.send().arguments())) {
            agreed++;
            agreedOn = Optional.of(told.evidence());
            found = agreed == enough ? Found.TAKEN : Found.OPEN;
        } else {
            differs(answer, now);
        }
    }

    private void differs(MessageResult answer, long now) {
        List<OscArgument> said = answer.said();
        boolean again = differed.map(MessageResult::said).filter(said::equals).isPresent();
        differed = Optional.of(answer);
        agreed = 0;
        askAt = now + AGAIN_NANOS;
        boolean isBefore = before.filter(
                        value -> expected.agrees(said, value, line.send().arguments()))
                .isPresent();
        if (isBefore) {
            found = askAt > since + expected.proofNanos(0) ? Found.AS_BEFORE : Found.OPEN;
        } else {
            found = again || askAt > since + SETTLED_NANOS ? Found.ANOTHER : Found.OPEN;
        }
    }

    /** What it says of what was said; empty where it says nothing against it. */
    Optional<How> against() {
        return switch (found) {
            case OPEN, TAKEN, UNTOLD -> Optional.empty();
            case AS_BEFORE -> Optional.of(How.AS_BEFORE);
            case ANOTHER -> Optional.of(How.VALUE);
        };
    }
}
