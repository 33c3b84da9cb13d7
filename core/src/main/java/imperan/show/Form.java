package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** What a control is to the hand. A control's position runs from 0 to 1 whatever its form. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Form.Fader.class, name = "fader"),
    @JsonSubTypes.Type(value = Form.Button.class, name = "button"),
    @JsonSubTypes.Type(value = Form.Readout.class, name = "readout")
})
public sealed interface Form {

    /** The word for a control of this form that has no label. */
    String called();

    /** Where the control stands while nothing is known of it, 0 to 1. */
    double rest();

    /**
     * A slot with a cap.
     *
     * @param direction in which the value grows
     * @param grab      what happens where a finger lands beside the cap
     * @param rest      0 to 1
     */
    record Fader(Direction direction, Grab grab, double rest) implements Form {
        @Override
        public String called() {
            return "fader";
        }
    }

    /** @param latching true: each press turns it over; false: on while it is held */
    record Button(boolean latching) implements Form {
        @Override
        public String called() {
            return "button";
        }

        @Override
        public double rest() {
            return 0;
        }
    }

    /** Shows what its target last said, a text or a number; hands do not move it. */
    record Readout() implements Form {
        @Override
        public String called() {
            return "readout";
        }

        @Override
        public double rest() {
            return 0;
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
