package imperan.show.form;

import imperan.show.PartRules;
import java.util.List;

/**
 * A lamp: lit while its target says so, or with a look for each of several states.
 *
 * @param states what its target can say; empty where it says on or off
 */
public record Lamp(List<State> states) implements Form {
    /** Lit from the middle of its listen's range. */
    public static final Lamp PLAIN = new Lamp(List.of());

    public Lamp {
        states = List.copyOf(states);
    }

    /**
     * @param text what is heard, with its exact spelling, or a number
     * @param word for people; empty for the text itself
     */
    public record State(String text, String word, Look look) {}

    /** How a lamp is lit. */
    public enum Look {
        DARK,
        LIT,
        CAUTION,
        FAULT,
        BLINKING
    }

    @Override
    public String called() {
        return "lamp";
    }

    @Override
    public boolean takesHands() {
        return false;
    }

    @Override
    public void check(PartRules rules) {
        if (states.stream().map(State::text).distinct().count() < states.size()) {
            rules.problem("form/states", "Two states of the lamp have the same text");
        }
    }

    @Override
    public List<String> heardTexts() {
        return states.stream().map(State::text).toList();
    }

    @Override
    public Place place() {
        return Place.LAMP;
    }

    @Override
    public Size onPhone() {
        return new Size(2, 1);
    }
}
