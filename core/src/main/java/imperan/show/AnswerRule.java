package imperan.show;

import imperan.address.SlotAddress;
import imperan.dialect.Dialect;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is to come back when a phrase is said to its target.
 *
 * @param kind         where it comes from
 * @param address      where it comes under another address: that one, with the same slots; else empty
 * @param says         what it says
 * @param given        the value that it says where that is always the same, such as {@code playing} after a play; else empty
 * @param places       for each argument of the phrase, in order, the argument of the answer that says it, from 0; empty where they stand in the same places
 * @param tolerance    how far the value that comes back may be from the one sent; empty where that follows from its type: half of 1 for whole numbers,
 *                     else the 127th part of the range
 * @param seconds      how long the first answer may take
 * @param finalSeconds where values come on the way: how long after the first of them the final one may take; empty where the first answer is the final one
 * @param told         who is told of a change
 * @param words        the argument, from 0, in which the target says the value in words of its own, such as −3.0 dB; empty where it does not
 * @param ask          how it is asked what stands; empty where its own address without arguments is the question, or where it answers none
 */
public record AnswerRule(
        Kind kind,
        String address,
        Says says,
        String given,
        List<Integer> places,
        Optional<Tolerance> tolerance,
        double seconds,
        Optional<Double> finalSeconds,
        Told told,
        Optional<Integer> words,
        Optional<AskRule> ask) {

    /** What most targets take at most, and where they are nothing else is told. */
    public static final double USUAL_SECONDS = 0.5;

    /** More arguments than any message of a control has. */
    static final int MOST_PLACES = 64;

    public AnswerRule {
        places = List.copyOf(places);
    }

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

    /** What an answer says. */
    public enum Says {
        /** The value that was sent. */
        SAME,
        /** Always the same value, whatever was sent. */
        GIVEN,
        /** Anything: that it comes is the answer. */
        ANY
    }

    /** Who is told of a change. */
    public enum Told {
        /** Nobody has said it yet. */
        UNKNOWN,
        /** Everybody the target knows, who made the change too. */
        EVERYBODY,
        /** All but the one who made it. */
        OTHERS,
        /** Nobody; who wants to know has to ask. */
        WHO_ASKS,
        /** Those who asked to be told, such as by a keep-alive. */
        SUBSCRIBERS
    }

    /**
     * How near a value is near enough.
     *
     * @param of the share of the range, the amount, or the size of a step; the last is more than nothing
     */
    public record Tolerance(Unit unit, double of) {
        /** What a tolerance is measured in. */
        public enum Unit {
            /** A share of the range of the argument. */
            SHARE,
            /** The argument's own unit. */
            AMOUNT,
            /** The target keeps only multiples of a step: within half of one. */
            STEP
        }

        /** In the argument's own unit. */
        public double amount(double range) {
            return switch (unit) {
                case SHARE -> of * Math.abs(range);
                case AMOUNT -> of;
                case STEP -> of / 2;
            };
        }
    }

    void check(PartRules rules, Dialect spoken) {
        if (kind == Kind.OTHER) {
            rules.slotAddress("answer/address", address, spoken);
        }
        if (words.filter(argument -> argument < 0).isPresent()
                || places.stream().anyMatch(place -> place < 0)) {
            rules.problem(
                    words.filter(argument -> argument < 0).isPresent() ? "answer/words" : "answer/places",
                    "Arguments are counted from 0");
        }
        if (places.size() > MOST_PLACES) {
            rules.problem("answer/places", "No message has more than " + MOST_PLACES + " arguments that vary");
        }
        if (says == Says.GIVEN && given.isEmpty()) {
            rules.problem("answer/given", "Write the value that comes back");
        }
        rules.note("answer/given", given);
        ask.ifPresent(how -> how.check(rules, spoken));
        if (!isTime(seconds)) {
            rules.problem("answer/seconds", "The time for an answer is more than nothing and at most a day");
        }
        if (finalSeconds.filter(time -> !isTime(time)).isPresent()) {
            rules.problem("answer/finalSeconds", "The time for the final value is more than nothing and at most a day");
        }
        if (tolerance
                .filter(near -> !Ranges.fits(near.of())
                        || near.of() < 0
                        || near.unit() == Tolerance.Unit.STEP && near.of() == 0)
                .isPresent()) {
            rules.problem("answer/tolerance", "A tolerance is not negative, and a step is more than nothing");
        }
    }

    private static boolean isTime(double seconds) {
        return seconds > 0 && seconds <= PartRules.MOST_SECONDS;
    }

    /** The address on which it comes after something was said to an address of the phrase with these numbers. */
    public String comesOn(String said, Map<String, Integer> numbers) {
        return address.isEmpty() || kind == Kind.SAME
                ? said
                : SlotAddress.parseFreely(address).fill(numbers);
    }

    /** What most targets do. */
    public static AnswerRule usual(Kind kind) {
        return new AnswerRule(
                kind,
                "",
                Says.SAME,
                "",
                List.of(),
                Optional.empty(),
                USUAL_SECONDS,
                Optional.empty(),
                Told.UNKNOWN,
                Optional.empty(),
                Optional.empty());
    }

    /** From another address. */
    public static AnswerRule elsewhere(String address) {
        return new AnswerRule(
                Kind.OTHER,
                address,
                Says.SAME,
                "",
                List.of(),
                Optional.empty(),
                USUAL_SECONDS,
                Optional.empty(),
                Told.UNKNOWN,
                Optional.empty(),
                Optional.empty());
    }

    public AnswerRule near(Tolerance near) {
        return new AnswerRule(
                kind, address, says, given, places, Optional.of(near), seconds, finalSeconds, told, words, ask);
    }

    /** Within a share of the range. */
    public AnswerRule near(double share) {
        return near(new Tolerance(Tolerance.Unit.SHARE, share));
    }

    public AnswerRule within(double time) {
        return new AnswerRule(kind, address, says, given, places, tolerance, time, finalSeconds, told, words, ask);
    }

    /** Values come on the way, and the final one within this time of the first. */
    public AnswerRule settling(double time) {
        return new AnswerRule(
                kind, address, says, given, places, tolerance, seconds, Optional.of(time), told, words, ask);
    }

    /** Always this value. */
    public AnswerRule saying(String value) {
        return new AnswerRule(
                kind, address, Says.GIVEN, value, places, tolerance, seconds, finalSeconds, told, words, ask);
    }

    /** Whatever it says. */
    public AnswerRule sayingAnything() {
        return new AnswerRule(kind, address, Says.ANY, "", places, tolerance, seconds, finalSeconds, told, words, ask);
    }

    /** The same, told only to who asks. */
    public AnswerRule asked() {
        return new AnswerRule(
                Kind.QUERY, address, says, given, places, tolerance, seconds, finalSeconds, told, words, ask);
    }

    public AnswerRule at(List<Integer> where) {
        return new AnswerRule(kind, address, says, given, where, tolerance, seconds, finalSeconds, told, words, ask);
    }

    public AnswerRule telling(Told who) {
        return new AnswerRule(kind, address, says, given, places, tolerance, seconds, finalSeconds, who, words, ask);
    }

    public AnswerRule worded(Optional<Integer> argument) {
        return new AnswerRule(
                kind, address, says, given, places, tolerance, seconds, finalSeconds, told, argument, ask);
    }

    /** The same, and this is how it is asked what stands. */
    public AnswerRule asking(AskRule how) {
        return new AnswerRule(
                kind, address, says, given, places, tolerance, seconds, finalSeconds, told, words, Optional.of(how));
    }
}
