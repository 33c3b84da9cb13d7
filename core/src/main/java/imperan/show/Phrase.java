package imperan.show;

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
 * @param meaning   for people; may be empty
 * @param maskedBy  what can stand in the way of its effect, such as a mute; may be empty
 */
public record Phrase(String address, Direction direction, List<PhraseArgument> arguments, AnswerRule answer, String meaning,
                     String maskedBy) implements Body {

    public Phrase {
        arguments = List.copyOf(arguments);
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
     * @param marks   points of its scale that people have a word for, where its numbers say nothing to them
     */
    public record PhraseArgument(ArgumentType type, Optional<Double> low, Optional<Double> high, String unit, List<String> choices,
                           Optional<String> fixed, List<ScaleMark> marks) {
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
        }

        /** One whose numbers speak for themselves. */
        public static PhraseArgument plain(ArgumentType type, Optional<Double> low, Optional<Double> high, String unit, List<String> choices,
                                           Optional<String> fixed) {
            return new PhraseArgument(type, low, high, unit, choices, fixed, List.of());
        }
    }

    /**
     * Expected answer.
     *
     * @param kind      where it comes from
     * @param address   where it comes under another address: that one, with the same slots; else empty
     * @param tolerance how far the value that comes back may be from the one sent, as a share of the range
     * @param seconds   how long it may take
     * @param words     the argument, from 0, in which the target says the value in words of its own, such as −3.0 dB; empty where it does not
     */
    public record AnswerRule(Kind kind, String address, double tolerance, double seconds, Optional<Integer> words) {
        /** Where an answer comes from. */
        public enum Kind {
            /** From the same address. */
            SAME,
            /** From another address with the same slots. */
            OTHER,
            /** Only when it is asked for: the address without arguments. */
            QUERY,
            /** Nothing comes back. */
            NONE
        }

        private void check(PartRules rules, boolean bare) {
            if (kind == Kind.OTHER) {
                rules.slotAddress("answer/address", address, bare);
            }
            if (words.filter(argument -> argument < 0).isPresent()) {
                rules.problem("answer/words", "Arguments are counted from 0");
            }
            if (!(seconds > 0 && seconds <= PartRules.MOST_SECONDS) || !(tolerance >= 0 && Ranges.fits(tolerance))) {
                rules.problem("answer/seconds", "The time for an answer is more than nothing and at most a day, and the tolerance is not negative");
            }
        }

        /** What most targets do, with the time and the tolerance that the running show has by itself. */
        public static AnswerRule usual(Kind kind) {
            return of(kind, "", 1.0 / 127, 0.5);
        }

        /** Without words of the target's own. */
        public static AnswerRule of(Kind kind, String address, double tolerance, double seconds) {
            return new AnswerRule(kind, address, tolerance, seconds, Optional.empty());
        }
    }

    @Override
    public String called() {
        return address;
    }

    @Override
    public void check(PartRules rules) {
        boolean bare = rules.parent().map(Part::body).filter(Phrasebook.class::isInstance).filter(book -> ((Phrasebook) book).sheet().bareAddresses()).isPresent();
        rules.slotAddress("address", address, bare);
        for (int i = 0; i < arguments.size(); i++) {
            arguments.get(i).check(rules, "arguments/" + i);
        }
        answer.check(rules, bare);
        rules.note("meaning", meaning);
        rules.note("maskedBy", maskedBy);
    }
}
