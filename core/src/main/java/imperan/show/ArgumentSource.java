package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.shaping.Chain;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.show.form.Choice;
import imperan.show.form.Colour;
import imperan.show.form.Form;
import imperan.show.form.TextLine;
import java.util.List;
import java.util.Optional;

/** Where an argument of a send comes from. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "from")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ArgumentSource.Value.class, name = "value"),
    @JsonSubTypes.Type(value = ArgumentSource.Chosen.class, name = "chosen"),
    @JsonSubTypes.Type(value = ArgumentSource.Steps.class, name = "steps"),
    @JsonSubTypes.Type(value = ArgumentSource.Typed.class, name = "typed"),
    @JsonSubTypes.Type(value = ArgumentSource.Fixed.class, name = "fixed"),
    @JsonSubTypes.Type(value = ArgumentSource.OfNamedValue.class, name = "named"),
    @JsonSubTypes.Type(value = ArgumentSource.OfControl.class, name = "control"),
    @JsonSubTypes.Type(value = ArgumentSource.Said.class, name = "said")
})
public sealed interface ArgumentSource {

    ArgumentType type();

    /** The same as an argument of another type. */
    ArgumentSource as(ArgumentType other);

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

        @Override
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
        public Steps as(ArgumentType other) {
            return new Steps(other, each);
        }

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
        public Typed as(ArgumentType other) {
            return new Typed(other);
        }

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
        public Fixed as(ArgumentType other) {
            return new Fixed(other, text);
        }

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
        public Chosen as(ArgumentType other) {
            return new Chosen(other);
        }

        @Override
        public void check(PartRules rules, String field, Form form) {
            if (form.options().isEmpty()) {
                rules.problem(field, "Only a choice has an option to send");
            } else {
                form.options().forEach(option -> FixedArgument.parse(new Fixed(type, option.text()))
                        .problem()
                        .ifPresent(p -> rules.problem(field, "Option “" + option.label() + "”: " + p)));
            }
        }
    }

    /** What is looked up elsewhere at the moment at which the message is made. That it changes there sends nothing by itself. */
    sealed interface LookedUp extends ArgumentSource {}

    /** A value with a name, as an argument of this type; {@code value} is empty while none is chosen. */
    record OfNamedValue(ArgumentType type, Optional<PartId> value) implements LookedUp {

        @Override
        public OfNamedValue as(ArgumentType other) {
            return new OfNamedValue(other, value);
        }

        @Override
        public void check(PartRules rules, String field, Form form) {
            value.flatMap(rules.show()::part)
                    .map(Part::body)
                    .filter(NamedValue.class::isInstance)
                    .flatMap(body -> ((NamedValue) body)
                            .as(type)
                            .problem()
                            .map(problem -> "“" + body.called() + "”: " + problem))
                    .ifPresent(problem -> rules.problem(field, problem));
        }
    }

    /**
     * Where another control stands: the text of a text line, the option of a choice, else the position of an axis through steps of its own.
     *
     * @param control empty while none is chosen
     * @param axis    of that control, from 0
     */
    record OfControl(ArgumentType type, Optional<PartId> control, List<ShapingStep> shaping, int axis)
            implements LookedUp {

        public OfControl {
            shaping = List.copyOf(shaping);
        }

        @Override
        public OfControl as(ArgumentType other) {
            return new OfControl(other, control, shaping, axis);
        }

        @Override
        public void check(PartRules rules, String field, Form form) {
            rules.shaping(field + "/shaping", shaping, type);
            atOnce(rules, field, shaping, type);
            control.flatMap(rules.show()::part)
                    .map(Part::body)
                    .filter(Control.class::isInstance)
                    .ifPresent(other -> rules.axis(field, axis, ((Control) other).form()));
        }
    }

    /**
     * What a target said last on an address, through steps.
     *
     * @param target   empty while none is chosen
     * @param argument of what it said, from 0
     */
    record Said(ArgumentType type, Optional<PartId> target, String address, int argument, List<ShapingStep> shaping)
            implements LookedUp {

        public Said {
            shaping = List.copyOf(shaping);
        }

        @Override
        public Said as(ArgumentType other) {
            return new Said(other, target, address, argument, shaping);
        }

        @Override
        public void check(PartRules rules, String field, Form form) {
            rules.address(field + "/address", address, target);
            rules.shapingOfAnything(field + "/shaping", shaping);
            atOnce(rules, field, shaping, type);
            if (argument < 0) {
                rules.problem(field + "/argument", "Arguments are counted from 0");
            }
        }
    }

    private static void atOnce(PartRules rules, String field, List<ShapingStep> shaping, ArgumentType type) {
        if (shaping.stream().anyMatch(ShapingStep::takesTime)) {
            rules.problem(
                    field + "/shaping", "What is looked up is there at once: a step that takes time has no place here");
        } else if (type == ArgumentType.COLOUR) {
            rules.problem(field, "A colour is not looked up: give it as a fixed one, or as a named value");
        }
    }

    /** The types a person chooses from. */
    enum ArgumentType {
        FLOAT32,
        INT32,
        FLOAT64,
        INT64,
        TEXT,
        BOOLEAN,
        /** Red, green and blue in one argument (OSC 1.0, type r). The value of a {@link Colour} is all three of its axes then, whatever its scale and axis say. */
        COLOUR
    }
}
