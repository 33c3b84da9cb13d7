package imperan.show;

import imperan.shaping.ShapingStep;
import java.util.List;
import java.util.Optional;

/**
 * A declared way from what one target says to another target: each message on an address goes through a shaping, and what comes out is said to the other one.
 *
 * @param name      for people
 * @param on        whether it works now
 * @param from      who says it; empty while nobody is chosen
 * @param heard     the address on which it is said
 * @param argument  the argument of it that counts, from 0
 * @param shaping   the steps between that argument and what is said; what a step keeps is not said
 * @param to        to whom; empty while nobody is chosen
 * @param address   where to, in that target
 * @param arguments in order: fixed ones, and values, of which each is what came out of the shaping, without steps of its own
 * @param askEvery  seconds between questions on the address that is heard, for a target that tells only when it is asked; empty where nobody is asked
 * @param perSecond messages a second that leave at most; of what comes faster the latest counts
 */
public record Forward(
        String name,
        boolean on,
        Optional<PartId> from,
        String heard,
        int argument,
        List<ShapingStep> shaping,
        Optional<PartId> to,
        String address,
        List<ArgumentSource> arguments,
        Optional<Double> askEvery,
        int perSecond)
        implements Body {

    /** Where nothing else is said. */
    public static final int USUAL_PER_SECOND = 50;
    /** As often as the fastest targets take anything. */
    static final int MOST_PER_SECOND = 1_000;

    private static final double LEAST_ASKED = 0.05;
    private static final double MOST_ASKED = 3_600;

    public Forward {
        shaping = List.copyOf(shaping);
        arguments = List.copyOf(arguments);
    }

    /** One that says a decimal on as it is heard. */
    public static Forward plain(String name, Optional<PartId> from, String heard, Optional<PartId> to, String address) {
        return new Forward(
                name,
                true,
                from,
                heard,
                0,
                List.of(),
                to,
                address,
                List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, List.of(), 0)),
                Optional.empty(),
                USUAL_PER_SECOND);
    }

    public Forward shaped(List<ShapingStep> steps) {
        return new Forward(name, on, from, heard, argument, steps, to, address, arguments, askEvery, perSecond);
    }

    public Forward saying(List<ArgumentSource> others) {
        return new Forward(name, on, from, heard, argument, shaping, to, address, others, askEvery, perSecond);
    }

    public Forward switched(boolean toOn) {
        return new Forward(name, toOn, from, heard, argument, shaping, to, address, arguments, askEvery, perSecond);
    }

    public Forward atMost(int messages) {
        return new Forward(name, on, from, heard, argument, shaping, to, address, arguments, askEvery, messages);
    }

    public Forward asking(double seconds) {
        return new Forward(
                name, on, from, heard, argument, shaping, to, address, arguments, Optional.of(seconds), perSecond);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.address("heard", heard, from);
        rules.address("address", address, to);
        if (argument < 0) {
            rules.problem("argument", "Arguments are counted from 0");
        }
        if (perSecond < 1 || perSecond > MOST_PER_SECOND) {
            rules.problem("perSecond", "1 to " + MOST_PER_SECOND + " messages a second leave at most");
        }
        if (askEvery.filter(seconds -> !(seconds >= LEAST_ASKED && seconds <= MOST_ASKED))
                .isPresent()) {
            rules.problem("askEvery", "It is asked every 0.05 to 3600 s");
        }
        rules.shapingOfAnything("shaping", shaping);
        for (int i = 0; i < arguments.size(); i++) {
            ArgumentSource source = arguments.get(i);
            if (source instanceof ArgumentSource.Fixed fixed) {
                String field = "arguments/" + i;
                FixedArgument.parse(fixed).problem().ifPresent(problem -> rules.problem(field, problem));
            } else if (!(source instanceof ArgumentSource.Value value)
                    || !value.shaping().isEmpty()
                    || value.type() == ArgumentSource.ArgumentType.COLOUR) {
                rules.problem("arguments/" + i, "A forward says fixed arguments and the value that it heard");
            }
        }
    }
}
