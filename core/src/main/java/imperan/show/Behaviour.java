package imperan.show;

import java.util.Optional;

/**
 * How a control behaves, whatever its form.
 *
 * @param guard         what keeps it from being moved by accident
 * @param repeatSeconds how often what goes out while it is held goes out, 0.02 to 10 s
 * @param whenLost      where it goes when the link of the target it listens to is lost
 * @param enabledWhen   what its target has to say for it to be possible now; empty where it always is
 * @param key           the {@link KeyStroke} that presses it, as text; empty for none
 */
public record Behaviour(
        Guard guard, double repeatSeconds, WhenLost whenLost, Optional<Condition> enabledWhen, String key) {

    public static final double LEAST_REPEAT = 0.02;
    public static final double MOST_REPEAT = 10;

    /** Without anything special; what is repeated goes out five times a second. */
    public static final Behaviour PLAIN =
            new Behaviour(Guard.NONE, 0.2, new WhenLost(WhenLost.Goes.NOWHERE, 0), Optional.empty(), "");

    /** What keeps a control from being hit by accident. */
    public enum Guard {
        NONE,
        /** It takes a hand only after a moment of holding still. */
        HOLD,
        /** A first touch opens it, a second one counts. */
        TWO_STEPS
    }

    /** @param value 0 to 1, for {@link Goes#VALUE} */
    public record WhenLost(Goes goes, double value) {
        /** Where a control goes that has lost its target. Nothing is sent because of it. */
        public enum Goes {
            NOWHERE,
            REST,
            VALUE
        }
    }

    /**
     * Something that a target says.
     *
     * @param target   who says it
     * @param address  on which
     * @param argument the position of the argument that counts, from 0
     * @param text     what it has to be, with its exact spelling, or a number
     */
    public record Condition(Optional<PartId> target, String address, int argument, String text) {

        void check(PartRules rules, String field) {
            rules.address(field + "/address", address, target);
            if (argument < 0) {
                rules.problem(field + "/argument", "Arguments are counted from 0");
            }
        }
    }

    public Behaviour pressedBy(String otherKey) {
        return new Behaviour(guard, repeatSeconds, whenLost, enabledWhen, otherKey);
    }

    public Behaviour enabledOnly(Condition when) {
        return new Behaviour(guard, repeatSeconds, whenLost, Optional.of(when), key);
    }

    void check(PartRules rules) {
        if (!(repeatSeconds >= LEAST_REPEAT && repeatSeconds <= MOST_REPEAT)) {
            rules.problem(
                    "behaviour/repeatSeconds",
                    "What is held is repeated every " + LEAST_REPEAT + " to " + MOST_REPEAT + " s");
        }
        if (!(whenLost.value >= 0 && whenLost.value <= 1)) {
            rules.problem("behaviour/whenLost/value", "The value lies between 0 and 1");
        }
        if (!key.isEmpty()) {
            KeyStroke.read(key).problem().ifPresent(problem -> rules.problem("behaviour/key", problem));
        }
        enabledWhen.ifPresent(when -> when.check(rules, "behaviour/enabledWhen"));
    }
}
