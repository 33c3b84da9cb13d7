package imperan.live;

import imperan.address.SlotAddress;
import imperan.phrasebook.Vocabulary;
import imperan.show.Phrase.AnswerRule;
import imperan.show.Send;

import java.util.Optional;

/**
 * What is to come back after a send, as the phrasebook of its target tells.
 *
 * @param kind      where it comes from
 * @param address   on which it comes; empty where any that the control listens to will do
 * @param question  the address to ask, for {@link AnswerRule.Kind#QUERY}
 * @param tolerance how far it may be from what was sent, as a share of the range
 */
record Expectation(AnswerRule.Kind kind, Optional<String> address, String question, double tolerance, long windowNanos) {

    private static final AnswerRule USUAL = AnswerRule.usual(AnswerRule.Kind.SAME);

    /** No phrasebook tells: an answer counts on whichever address the control listens to. */
    static final Expectation UNTOLD = new Expectation(USUAL.kind(), Optional.empty(), "", USUAL.tolerance(), nanos(USUAL));

    static Expectation of(Send send, Vocabulary vocabulary) {
        return vocabulary.said(send.address()).map(known -> {
            AnswerRule rule = known.phrase().answer();
            String elsewhere = rule.address().isEmpty() ? send.address() : SlotAddress.parseFreely(rule.address()).fill(known.numbers());
            return new Expectation(rule.kind(), Optional.of(rule.kind() == AnswerRule.Kind.SAME ? send.address() : elsewhere), elsewhere,
                    rule.tolerance(), nanos(rule));
        }).orElse(UNTOLD);
    }

    private static long nanos(AnswerRule rule) {
        return (long) (rule.seconds() * 1e9);
    }

    boolean isComing() {
        return kind != AnswerRule.Kind.NONE;
    }

    boolean isAsked() {
        return kind == AnswerRule.Kind.QUERY;
    }

    boolean comesOn(String heard) {
        return address.isEmpty() || address.get().equals(heard);
    }
}
