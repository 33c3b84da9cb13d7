package imperan.show;

import imperan.dialect.Dialect;
import imperan.dialect.Osc;
import imperan.shaping.Chain;
import imperan.shaping.ShapingText;
import imperan.shaping.Span;
import imperan.show.ArgumentSource.ArgumentType;
import java.util.List;
import java.util.Optional;

/**
 * One thing that a target understands or says.
 *
 * @param address   with slots, such as {@code /bellows/in/<ch:1..12>/level}
 * @param direction who says it
 * @param arguments in order
 * @param answer    what comes back when it is said to the target
 * @param effect    what kind of thing it does
 * @param meaning   for people; may be empty
 * @param maskedBy  for people: what can stand in the way of its effect, such as a receive switch; may be empty
 * @param masks     what can stand in its way and is said by the target itself
 * @param proof     what a proof may do with it
 */
public record Phrase(
        String address,
        Direction direction,
        List<PhraseArgument> arguments,
        AnswerRule answer,
        Effect effect,
        String meaning,
        String maskedBy,
        List<Mask> masks,
        ProofRule proof)
        implements Body {

    /** More than stand in the way of anything. */
    static final int MOST_MASKS = 64;

    public Phrase {
        arguments = List.copyOf(arguments);
        masks = List.copyOf(masks);
    }

    /** One of which it is not known what kind of thing it does. */
    public static Phrase plain(
            String address,
            Direction direction,
            List<PhraseArgument> arguments,
            AnswerRule answer,
            String meaning,
            String maskedBy) {
        return new Phrase(
                address, direction, arguments, answer, Effect.UNKNOWN, meaning, maskedBy, List.of(), ProofRule.USUAL);
    }

    public Phrase doing(Effect other) {
        return new Phrase(address, direction, arguments, answer, other, meaning, maskedBy, masks, proof);
    }

    public Phrase with(List<PhraseArgument> others) {
        return new Phrase(address, direction, others, answer, effect, meaning, maskedBy, masks, proof);
    }

    public Phrase going(Direction other) {
        return new Phrase(address, other, arguments, answer, effect, meaning, maskedBy, masks, proof);
    }

    public Phrase answering(AnswerRule other) {
        return new Phrase(address, direction, arguments, other, effect, meaning, maskedBy, masks, proof);
    }

    public Phrase masked(List<Mask> others) {
        return new Phrase(address, direction, arguments, answer, effect, meaning, maskedBy, others, proof);
    }

    public Phrase proved(ProofRule other) {
        return new Phrase(address, direction, arguments, answer, effect, meaning, maskedBy, masks, other);
    }

    /** The same on another address, with another meaning. */
    public Phrase at(String other, String meant) {
        return new Phrase(other, direction, arguments, answer, effect, meant, maskedBy, masks, proof);
    }

    /** Who says a phrase. */
    public enum Direction {
        /** We say it to the target. */
        OUT,
        /** The target says it to us. */
        IN,
        /** Both. */
        BOTH
    }

    /**
     * One argument.
     *
     * @param low     the least value, {@code high} the greatest, where they are known
     * @param unit    such as dB or °; may be empty
     * @param choices texts or numbers, where only these are understood
     * @param fixed   the one value that it always has, such as a channel number before the value
     * @param reads   what the target makes of a number before it reads it, as steps written by {@link ShapingText}, such as {@code multiply 100 | cut}; empty where it reads what is sent
     * @param texts   which texts it takes, where it is one
     * @param marks   points of its scale that people have a word for, where its numbers say nothing to them
     */
    public record PhraseArgument(
            ArgumentType type,
            Optional<Double> low,
            Optional<Double> high,
            String unit,
            List<String> choices,
            Optional<String> fixed,
            List<ScaleMark> marks,
            String reads,
            TextRule texts) {
        private static final int MOST_READS = 200;

        public PhraseArgument {
            choices = List.copyOf(choices);
            marks = List.copyOf(marks);
        }

        private void check(PartRules rules, String field) {
            if (low.isPresent() != high.isPresent() || low.isPresent() && !(low.get() < high.get())) {
                rules.problem(field + "/high", "A range has a lower and a higher number");
            } else if (low.isPresent()) {
                Ranges.problem(type, low.get(), high.get()).ifPresent(p -> rules.problem(field + "/high", p));
            }
            rules.marks(field + "/marks", marks);
            texts.check(rules, field + "/texts");
            readsProblem().ifPresent(p -> rules.problem(field + "/reads", p));
        }

        private Optional<String> readsProblem() {
            if (reads.length() > MOST_READS) {
                return Optional.of("At most " + MOST_READS + " characters");
            }
            ShapingText.Read steps = ShapingText.read(reads);
            return steps.problem().or(() -> Chain.problem(
                            low.isPresent() && high.isPresent() ? Span.between(low.get(), high.get()) : Span.ANY,
                            steps.steps())
                    .map(Chain.About::words));
        }

        /** The same, of which the target makes something before it reads it. */
        public PhraseArgument readAs(String steps) {
            return new PhraseArgument(type, low, high, unit, choices, fixed, marks, steps, texts);
        }

        /** The same, which takes only these texts. */
        public PhraseArgument taking(TextRule some) {
            return new PhraseArgument(type, low, high, unit, choices, fixed, marks, reads, some);
        }

        /** One whose numbers speak for themselves. */
        public static PhraseArgument plain(
                ArgumentType type,
                Optional<Double> low,
                Optional<Double> high,
                String unit,
                List<String> choices,
                Optional<String> fixed) {
            return new PhraseArgument(type, low, high, unit, choices, fixed, List.of(), "", TextRule.UNKNOWN);
        }
    }

    /** What kind of thing a phrase does to its target. */
    public enum Effect {
        /** Nobody has said it yet. */
        UNKNOWN,
        /** It sets a value; the same again changes nothing. */
        VALUE,
        /** Something happens each time. */
        EVENT,
        /** Each message switches it from one state to the other. */
        TOGGLE,
        /** What it does cannot be undone, or hurts: nothing says it by itself. */
        DANGEROUS
    }

    @Override
    public String called() {
        return address;
    }

    @Override
    public void check(PartRules rules) {
        Dialect spoken = rules.parent()
                .map(Part::body)
                .filter(Phrasebook.class::isInstance)
                .map(book -> ((Phrasebook) book).sheet().spoken())
                .orElse(Osc.STRICT);
        rules.slotAddress("address", address, spoken);
        for (int i = 0; i < arguments.size(); i++) {
            arguments.get(i).check(rules, "arguments/" + i);
        }
        answer.check(rules, spoken);
        answer.ask()
                .flatMap(how -> how.misfit(address))
                .ifPresent(problem -> rules.problem("answer/ask/address", problem));
        if (masks.size() > MOST_MASKS) {
            rules.problem("masks", "A phrase is masked by at most " + MOST_MASKS + " things");
        }
        for (int i = 0; i < masks.size(); i++) {
            masks.get(i).check(rules, "masks/" + i, spoken);
        }
        proof.check(rules);
        rules.note("meaning", meaning);
        rules.note("maskedBy", maskedBy);
    }
}
