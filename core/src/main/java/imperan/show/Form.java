package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

import java.util.List;
import java.util.Optional;

/**
 * What a control is to the hand. A control's position runs from 0 to 1 whatever its form, on each of its axes: most forms have one,
 * an XY pad has two.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Form.Fader.class, name = "fader"),
    @JsonSubTypes.Type(value = Form.Button.class, name = "button"),
    @JsonSubTypes.Type(value = Form.Knob.class, name = "knob"),
    @JsonSubTypes.Type(value = Form.Choice.class, name = "choice"),
    @JsonSubTypes.Type(value = Form.Meter.class, name = "meter"),
    @JsonSubTypes.Type(value = Form.Lamp.class, name = "lamp"),
    @JsonSubTypes.Type(value = Form.Readout.class, name = "readout"),
    @JsonSubTypes.Type(value = Form.Cross.class, name = "cross"),
    @JsonSubTypes.Type(value = Form.Pad.class, name = "pad"),
    @JsonSubTypes.Type(value = Form.Colour.class, name = "colour"),
    @JsonSubTypes.Type(value = Form.Tilt.class, name = "tilt"),
    @JsonSubTypes.Type(value = Form.Wheel.class, name = "wheel"),
    @JsonSubTypes.Type(value = Form.Tap.class, name = "tap"),
    @JsonSubTypes.Type(value = Form.TextLine.class, name = "line"),
    @JsonSubTypes.Type(value = Form.Needle.class, name = "needle"),
    @JsonSubTypes.Type(value = Form.Clock.class, name = "clock"),
    @JsonSubTypes.Type(value = Form.PageKey.class, name = "pageKey"),
    @JsonSubTypes.Type(value = Form.Picture.class, name = "picture")
})
public sealed interface Form {

    /** The word for a control of this form that has no label. */
    String called();

    /** In how many ways it can be moved at once. */
    default int axes() {
        return 1;
    }

    /** Where the control stands while nothing is known of it, and where it goes on a double tap, 0 to 1, on each axis. */
    default double rest() {
        return 0;
    }

    /** Whether hands move it; what they do not move only shows what its target says. */
    default boolean takesHands() {
        return true;
    }

    /** Whether it goes back to its rest value when the finger lifts. */
    default boolean springs() {
        return false;
    }

    /** Where it holds a hand a little, 0 to 1; empty for nowhere. */
    default Optional<Double> holdsAt() {
        return Optional.empty();
    }

    /** Tells what is wrong with it. */
    default void check(PartRules rules) {
    }

    /** The nearest position that the form has. */
    default double snapped(double position) {
        return Math.max(0, Math.min(1, position));
    }

    /** How far from its detent a hand is held, as a share of the way. */
    double HOLD = 0.02;

    /** Whether a position is near enough to its detent to be held there. */
    default boolean holds(double position) {
        return holdsAt().filter(at -> Math.abs(position - at) < HOLD).isPresent();
    }

    /** Where a hand that leads it to a position leaves it: near its detent it is held there. */
    default double led(double position) {
        return holds(position) ? holdsAt().orElseThrow() : snapped(position);
    }

    /**
     * A slot with a cap.
     *
     * @param direction in which the value grows
     * @param grab      what happens where a finger lands beside the cap
     * @param holdsAt   where the cap is held a little, 0 to 1, such as in the middle or at the mark of no change
     * @param springs   whether the cap goes back to its rest value when the finger lifts
     * @param rest      0 to 1
     * @param marks     of its scale; empty for five at even distances
     */
    record Fader(Direction direction, Grab grab, Optional<Double> holdsAt, boolean springs, double rest, List<ScaleMark> marks) implements Form {

        public Fader {
            marks = List.copyOf(marks);
        }

        /** Without a detent, resting at its low end. */
        public static Fader plain(Direction direction, Grab grab) {
            return restingAt(direction, grab, 0);
        }

        /** Without a detent. */
        public static Fader restingAt(Direction direction, Grab grab, double rest) {
            return new Fader(direction, grab, Optional.empty(), false, rest, List.of());
        }

        /** The same with a scale of its own. */
        public Fader marked(List<ScaleMark> others) {
            return new Fader(direction, grab, holdsAt, springs, rest, others);
        }

        @Override
        public String called() {
            return "fader";
        }

        @Override
        public void check(PartRules rules) {
            rules.marks("form/marks", marks);
        }
    }

    /**
     * A key.
     *
     * @param group of the buttons of one group in the same tray, or on the same page outside of trays, one at most is on; empty for a
     *              button that minds no other
     */
    record Button(Action action, String group) implements Form {

        /** A key that minds no other. */
        public static Button plain(Action action) {
            return new Button(action, "");
        }

        /** What a press does. */
        public enum Action {
            /** On while it is held. */
            MOMENTARY,
            /** Toggle: each press changes between on and off. */
            LATCHING,
            /** Trigger: each press sends the same, its release sends nothing. */
            ONE_SHOT
        }

        @Override
        public String called() {
            return "button";
        }

        @Override
        public boolean springs() {
            return action == Action.MOMENTARY;
        }

        @Override
        public void check(PartRules rules) {
            if (group.length() > PartRules.MAX_LABEL) {
                rules.problem("form/group", "The name of a group has at most " + PartRules.MAX_LABEL + " characters");
            }
        }
    }

    /**
     * A knob, turned by a finger that moves up and down; it never jumps.
     *
     * @param holdsAt where it is held a little, 0 to 1
     * @param springs whether it goes back to its rest value when the finger lifts
     * @param rest    0 to 1
     */
    record Knob(Optional<Double> holdsAt, boolean springs, double rest) implements Form {

        /** A knob that stays where it is left, without a detent. */
        public static Knob restingAt(double rest) {
            return new Knob(Optional.empty(), false, rest);
        }

        /** A knob for what goes both ways from there, such as a panorama: it rests there and is held there. */
        public static Knob holdingAt(double rest) {
            return new Knob(Optional.of(rest), false, rest);
        }

        @Override
        public String called() {
            return "knob";
        }
    }

    /**
     * A row or a column of which one is on. The first stands at position 0, the last at 1.
     *
     * @param options   at least two
     * @param direction {@link Direction#RIGHT} for a row from left to right, {@link Direction#UP} for a column with the first on top
     */
    record Choice(List<Option> options, Direction direction) implements Form {

        public Choice {
            options = List.copyOf(options);
        }

        /**
         * @param label for people
         * @param text  what is sent and heard for it, with its exact spelling
         */
        public record Option(String label, String text) {
        }

        @Override
        public String called() {
            return "choice";
        }

        @Override
        public double snapped(double position) {
            return position(index(position));
        }

        /** Which option a position means. */
        public int index(double position) {
            return (int) Math.round(Math.max(0, Math.min(1, position)) * (options.size() - 1));
        }

        /** Where an option stands. */
        public double position(int index) {
            return options.size() == 1 ? 0 : index / (options.size() - 1.0);
        }

        @Override
        public void check(PartRules rules) {
            if (options.size() < 2 || options.size() > PartRules.MAX_OPTIONS) {
                rules.problem("form/options", "A choice has 2 to " + PartRules.MAX_OPTIONS + " options");
            }
            if (options.stream().map(Option::text).distinct().count() < options.size()) {
                rules.problem("form/options", "Two options say the same");
            }
            if (options.stream().anyMatch(option -> option.label.length() > PartRules.MAX_LABEL || option.text.length() > PartRules.MAX_LABEL)) {
                rules.problem("form/options", "An option has at most " + PartRules.MAX_LABEL + " characters");
            }
        }
    }

    /** A column that shows a level which its target reports. */
    record Meter() implements Form {
        @Override
        public String called() {
            return "meter";
        }

        @Override
        public boolean takesHands() {
            return false;
        }
    }

    /**
     * A lamp: lit while its target says so, or with a look for each of several states.
     *
     * @param states what its target can say; empty where it says on or off
     */
    record Lamp(List<State> states) implements Form {

        /** Lit from the middle of its listen's range. */
        public static final Lamp PLAIN = new Lamp(List.of());

        public Lamp {
            states = List.copyOf(states);
        }

        /**
         * @param text what is heard, with its exact spelling, or a number
         * @param word for people; empty for the text itself
         */
        public record State(String text, String word, Look look) {
        }

        /** How a lamp is lit. */
        public enum Look { DARK, LIT, CAUTION, FAULT, BLINKING }

        @Override
        public String called() {
            return "lamp";
        }

        @Override
        public void check(PartRules rules) {
            if (states.stream().map(State::text).distinct().count() < states.size()) {
                rules.problem("form/states", "Two states of the lamp have the same text");
            }
        }

        @Override
        public boolean takesHands() {
            return false;
        }
    }

    /** Shows what its target last said, a text or a number; hands do not move it. */
    record Readout() implements Form {
        @Override
        public String called() {
            return "readout";
        }

        @Override
        public boolean takesHands() {
            return false;
        }
    }

    /** A crosspoint of a matrix: a cell that fills with its level. It never jumps. */
    record Cross() implements Form {
        @Override
        public String called() {
            return "cross";
        }
    }

    /**
     * A field with a spot: sideways is its first axis, upwards its second.
     *
     * @param grab    what happens where a finger lands beside the spot
     * @param springs whether the spot goes back to the middle when the finger lifts
     */
    record Pad(Grab grab, boolean springs) implements Form {
        @Override
        public String called() {
            return "pad";
        }

        @Override
        public int axes() {
            return 2;
        }

        @Override
        public double rest() {
            return 0.5;
        }
    }

    /**
     * A colour, as red, green and blue. The field is hue sideways and saturation upwards, the brightness has a slider of its own.
     *
     * @param swatches saved colours, each as #rrggbb
     */
    record Colour(List<String> swatches) implements Form {

        public Colour {
            swatches = List.copyOf(swatches);
        }

        @Override
        public String called() {
            return "colour";
        }

        @Override
        public void check(PartRules rules) {
            swatches.stream().filter(swatch -> !swatch.matches("#[0-9a-f]{6}")).findFirst().ifPresent(swatch ->
                    rules.problem("form/swatches", "A saved colour is written #rrggbb, such as #ffd696; “" + swatch + "” is none"));
            if (swatches.size() > PartRules.MAX_OPTIONS) {
                rules.problem("form/swatches", "At most " + PartRules.MAX_OPTIONS + " colours are kept");
            }
        }

        @Override
        public int axes() {
            return 3;
        }
    }

    /**
     * The tilt of the device that shows it: sideways is its first axis, forwards its second; level is the middle.
     *
     * @param degrees from level to the end of each axis
     * @param smoothingSeconds the time constant of the smoothing; 0 for none
     */
    record Tilt(double degrees, double smoothingSeconds) implements Form {
        @Override
        public String called() {
            return "tilt";
        }

        @Override
        public void check(PartRules rules) {
            if (!(degrees > 0 && degrees <= 180 && smoothingSeconds >= 0 && smoothingSeconds <= 60)) {
                rules.problem("form/degrees", "A tilt goes to more than 0 and at most 180 degrees, smoothed over 0 to 60 s");
            }
        }

        @Override
        public int axes() {
            return 2;
        }

        @Override
        public double rest() {
            return 0.5;
        }
    }

    /**
     * An endless wheel: it has no place, only steps to either side.
     *
     * @param steps of one whole turn
     */
    record Wheel(int steps) implements Form {
        @Override
        public String called() {
            return "wheel";
        }

        @Override
        public void check(PartRules rules) {
            if (steps < 1 || steps > 1000) {
                rules.problem("form/steps", "A turn of a wheel has 1 to 1000 steps");
            }
        }
    }

    /**
     * A key that is tapped in time: its position is the tempo of the taps.
     *
     * @param slowest beats a minute at position 0, {@code fastest} at 1
     */
    record Tap(double slowest, double fastest) implements Form {
        @Override
        public String called() {
            return "tap";
        }

        @Override
        public void check(PartRules rules) {
            if (!(slowest >= 1 && fastest <= 1000 && slowest < fastest)) {
                rules.problem("form/fastest", "The tempo goes from at least 1 to at most 1000 beats a minute");
            }
        }
    }

    /** A line of text that is typed and sent. */
    record TextLine() implements Form {
        @Override
        public String called() {
            return "line";
        }
    }

    /** A needle whose zero stands in the middle. */
    record Needle() implements Form {
        @Override
        public String called() {
            return "needle";
        }

        @Override
        public boolean takesHands() {
            return false;
        }

        @Override
        public double rest() {
            return 0.5;
        }
    }

    /** The time of day. */
    record Clock() implements Form {
        @Override
        public String called() {
            return "clock";
        }

        @Override
        public boolean takesHands() {
            return false;
        }
    }

    /**
     * A key that goes to another page, or shows and hides a tray.
     *
     * @param goesTo the page or the tray; empty while none is chosen
     */
    record PageKey(Optional<PartId> goesTo) implements Form {
        @Override
        public String called() {
            return "page key";
        }

        @Override
        public boolean takesHands() {
            return false;
        }
    }

    /** Shows the picture of its face and nothing else: a plan, a mark, a photograph of the rack. */
    record Picture() implements Form {
        @Override
        public String called() {
            return "picture";
        }

        @Override
        public boolean takesHands() {
            return false;
        }
    }

    enum Direction { UP, RIGHT }

    /** How a fader takes a finger. Whatever is set, a fader whose value is not known never jumps. */
    enum Grab {
        /** The cap moves as far as the finger moves. */
        RELATIVE,
        /** The cap waits until the finger passes it. */
        PICK_UP,
        /** The cap goes to the finger. */
        JUMP
    }
}
