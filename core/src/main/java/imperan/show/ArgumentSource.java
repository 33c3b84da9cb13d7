package imperan.show;

import imperan.shaping.Chain;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.show.form.Choice;
import imperan.show.form.Colour;
import imperan.show.form.Form;
import imperan.show.form.TextLine;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

import java.util.List;

/** Where an argument of a send comes from. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "from")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ArgumentSource.Value.class, name = "value"),
    @JsonSubTypes.Type(value = ArgumentSource.Chosen.class, name = "chosen"),
    @JsonSubTypes.Type(value = ArgumentSource.Steps.class, name = "steps"),
    @JsonSubTypes.Type(value = ArgumentSource.Typed.class, name = "typed"),
    @JsonSubTypes.Type(value = ArgumentSource.Fixed.class, name = "fixed")
})
public sealed interface ArgumentSource {

    ArgumentType type();

    /** Tells what is wrong with it where it belongs to a control of a form. */
    void check(PartRules rules, String field, Form form);

    /**
     * The control's position, through the steps of a chain. Whole numbers are rounded, not cut; {@link ArgumentType#BOOLEAN} is true from a half upwards.
     *
     * @param shaping the steps between the position, 0 to 1, and the argument
     * @param axis    of the control, from 0
     */
    record Value(ArgumentType type, List<ShapingStep> shaping, int axis) implements ArgumentSource {

        public Value {
            shaping = List.copyOf(shaping);
        }

        /** Scaled: position 0 gives {@code low} and 1 gives {@code high}, which may be the smaller one. */
        public Value(ArgumentType type, double low, double high, int axis) {
            this(type, List.of(new Scale(low, high)), axis);
        }

        /** The value of the first axis, scaled. */
        public Value(ArgumentType type, double low, double high) {
            this(type, low, high, 0);
        }

        /** From the position of the axis to the argument. */
        public Chain chain() {
            return new Chain(shaping);
        }

        /** The same with these ends. */
        public Value within(double low, double high) {
            return new Value(type, Chain.withEnds(shaping, low, high), axis);
        }

        /** The same as an argument of another type. */
        public Value as(ArgumentType other) {
            return new Value(other, shaping, axis);
        }

        @Override
        public void check(PartRules rules, String field, Form form) {
            rules.shaping(field + "/shaping", shaping, type);
            rules.axis(field, axis, form);
            if (type == ArgumentType.COLOUR && !form.givesColour()) {
                rules.problem(field, "Only a colour control has a colour to send");
            }
        }
    }

    /** By how many steps an endless wheel was turned, times this much; negative the other way. */
    record Steps(ArgumentType type, double each) implements ArgumentSource {

        @Override
        public void check(PartRules rules, String field, Form form) {
            if (!form.givesSteps() || !Ranges.fits(each) || type == ArgumentType.COLOUR) {
                rules.problem(field, "Only an endless wheel has steps to send, each a number");
            }
        }
    }

    /** The line that was typed into a control that is a {@link TextLine}, as an argument of this type. */
    record Typed(ArgumentType type) implements ArgumentSource {

        @Override
        public void check(PartRules rules, String field, Form form) {
            if (!form.givesText()) {
                rules.problem(field, "Only a text line has a text to send");
            }
        }
    }

    /** The same every time, such as a channel number before the value. */
    record Fixed(ArgumentType type, String text) implements ArgumentSource {

        @Override
        public void check(PartRules rules, String field, Form form) {
            if (text.length() > PartRules.MOST_ARGUMENT) {
                rules.problem(field, "A text has at most " + PartRules.MOST_ARGUMENT + " characters");
            }
            FixedArgument.parse(this).problem().ifPresent(p -> rules.problem(field, p));
        }
    }

    /** The text of the option that is on, in a control that is a {@link Choice}, as an argument of this type. */
    record Chosen(ArgumentType type) implements ArgumentSource {

        @Override
        public void check(PartRules rules, String field, Form form) {
            if (form.options().isEmpty()) {
                rules.problem(field, "Only a choice has an option to send");
            } else {
                form.options().forEach(option -> FixedArgument.parse(new Fixed(type, option.text())).problem()
                        .ifPresent(p -> rules.problem(field, "Option “" + option.label() + "”: " + p)));
            }
        }
    }

    /** The types a person chooses from. */
    enum ArgumentType {
        FLOAT32, INT32, FLOAT64, INT64, TEXT, BOOLEAN,
        /** Red, green and blue in one argument (OSC 1.0, type r). The value of a {@link Colour} is all three of its axes then, whatever its scale and axis say. */
        COLOUR
    }
}
