package imperan.layout.placing;

import imperan.address.SlotAddress;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Face;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.ScaleMark;
import imperan.show.Send;
import imperan.show.form.Button;
import imperan.show.form.Choice;
import imperan.show.form.Colour;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Lamp;
import imperan.show.form.Meter;
import imperan.show.form.Readout;
import imperan.show.form.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The control that fits a phrase: its form, what it sends and what it listens to, as the phrase tells. */
public final class PhraseControl {

    /** The usual range of a continuous value where a phrase tells none (common practice, no source). */
    private static final double LOW = 0;

    private static final double HIGH = 1;
    private static final String NUMBER = "-?\\d{1,9}(?:\\.\\d{1,9})?";

    private final Phrase phrase;
    /** The place of the argument that varies; -1 where there is none. */
    private final int varying;

    public PhraseControl(Phrase phrase) {
        this.phrase = phrase;
        int last = -1;
        for (int i = 0; i < phrase.arguments().size(); i++) {
            last = phrase.arguments().get(i).fixed().isEmpty() ? i : last;
        }
        this.varying = last;
    }

    String address() {
        return phrase.address();
    }

    private Optional<PhraseArgument> value() {
        return varying < 0 ? Optional.empty() : Optional.of(phrase.arguments().get(varying));
    }

    private boolean isSaid() {
        return phrase.direction() != Phrase.Direction.IN;
    }

    private boolean isHeard() {
        return phrase.direction() != Phrase.Direction.OUT;
    }

    Form form() {
        if (value().isEmpty()) {
            return isSaid() ? Button.plain(Button.Action.ONE_SHOT) : Lamp.PLAIN;
        }
        PhraseArgument value = value().get();
        boolean onOrOff = value.type() == ArgumentType.BOOLEAN
                || value.choices().equals(List.of("0", "1"))
                || value.choices().isEmpty()
                        && value.type() == ArgumentType.INT32
                        && value.low().equals(Optional.of(0.0))
                        && value.high().equals(Optional.of(1.0));
        if (onOrOff) {
            return isSaid() ? Button.plain(Button.Action.LATCHING) : Lamp.PLAIN;
        } else if (isColour()) {
            return Colour.USUAL;
        } else if (value.choices().size() >= 2 && !isSaid()) {
            return new Lamp(value.choices().stream()
                    .map(text -> new Lamp.State(text, word(value, text).orElse(""), look(text, value.choices())))
                    .toList());
        } else if (value.choices().size() >= 2) {
            return new Choice(
                    value.choices().stream()
                            .map(text -> new Choice.Option(word(value, text).orElse(text), text))
                            .toList(),
                    Form.Direction.UP);
        } else if (value.type() == ArgumentType.TEXT) {
            return phrase.direction() == Phrase.Direction.OUT ? new TextLine() : new Readout();
        } else if (!isSaid()) {
            return value.low().isPresent() ? new Meter() : new Readout();
        }
        // what goes both ways from zero is turned, what fills up is pushed
        return low() < 0 && high() > 0
                ? Knob.holdingAt((0 - low()) / (high() - low()))
                : Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE).marked(value.marks());
    }

    /** Three numbers of one range, of which the phrase's meaning or address says that they are a colour. */
    private boolean isColour() {
        List<PhraseArgument> three = phrase.arguments();
        return isOneColour() && isSaid()
                || three.size() == 3
                        && isSaid()
                        && three.stream()
                                .allMatch(a -> a.fixed().isEmpty()
                                        && a.low().isPresent()
                                        && a.low().equals(three.get(0).low())
                                        && a.high().equals(three.get(0).high()))
                        && (phrase.address() + " " + phrase.meaning())
                                .toLowerCase(Locale.ROOT)
                                .matches("(?s).*(colou?r|red.*green.*blue|rgb).*");
    }

    /** Whether all of a colour is in one argument. */
    private boolean isOneColour() {
        return value().filter(argument -> argument.type() == ArgumentType.COLOUR)
                .isPresent();
    }

    /** What people call a choice that is a number; empty where they have no word for it. */
    private static Optional<String> word(PhraseArgument value, String choice) {
        return choice.matches(NUMBER)
                ? value.marks().stream()
                        .filter(mark -> mark.value() == Double.parseDouble(choice))
                        .map(ScaleMark::text)
                        .findFirst()
                : Optional.empty();
    }

    /** The first state is the dark one; the others are lit. */
    private static Lamp.Look look(String text, List<String> choices) {
        return choices.indexOf(text) == 0 ? Lamp.Look.DARK : Lamp.Look.LIT;
    }

    private double low() {
        return value().flatMap(PhraseArgument::low).orElse(LOW);
    }

    private double high() {
        return value().flatMap(PhraseArgument::high).orElse(HIGH);
    }

    /**
     * The control for one of the addresses that the phrase stands for.
     *
     * @param numbers of the slots in that address
     * @param inStrip whether it stands with others that say whose it is
     */
    public Control at(String address, Map<String, Integer> numbers, PartId target, Cells cells, boolean inStrip) {
        Form form = form();
        List<Send> sends = isSaid() && form.takesHands()
                ? List.of(new Send(
                        form.triggers() ? Send.Phase.PRESS : Send.Phase.CHANGE,
                        Optional.of(target),
                        address,
                        arguments(form)))
                : List.of();
        Control control = Control.plain(
                inStrip && !form.takesHands() ? "" : label(address),
                cells,
                form,
                sends,
                heardOn(address, numbers).map(on -> listens(form, target, on)).orElse(List.of()));
        return form.turnsOnAndOff() ? control.faced(Face.PLAIN.meaning(Face.Meaning.of(address))) : control;
    }

    /** A control of another form with the lines of this phrase; what its form cannot send stays out. */
    public Control lines(Control control, String address, Map<String, Integer> numbers, PartId target) {
        Form form = control.form();
        boolean chosen = !form().options().isEmpty() && form.options().isEmpty() || isOneColour();
        List<Send> sends = isSaid() && form.takesHands() && !chosen && form.axes() == 1
                ? List.of(new Send(Send.Phase.CHANGE, Optional.of(target), address, arguments(form)))
                : List.of();
        return control.withLines(
                sends,
                heardOn(address, numbers)
                        .or(() -> Optional.of(address))
                        .map(on -> spoken(
                                target, on, !sends.isEmpty() && form.options().isEmpty() && !form.givesText()))
                        .orElseThrow());
    }

    private List<Listen> listens(Form form, PartId target, String address) {
        return form.givesColour()
                ? IntStream.range(0, 3)
                        .mapToObj(axis -> Listen.value(
                                Optional.of(target),
                                address,
                                saidAt(isOneColour() ? varying : axis),
                                low(),
                                high(),
                                axis))
                        .toList()
                : spoken(
                        target,
                        address,
                        isSaid() && form.takesHands() && form.options().isEmpty() && !form.givesText());
    }

    /**
     * Where it stands, as a number and, if the target says it, in words.
     *
     * @param asSent whether a control sends the same number
     */
    private List<Listen> spoken(PartId target, String address, boolean asSent) {
        int argument = saidAt(Math.max(0, varying));
        return Stream.concat(
                        Stream.of(
                                asSent
                                        ? Listen.asSent(Optional.of(target), address, argument)
                                        : Listen.value(Optional.of(target), address, argument, low(), high())),
                        phrase.answer().words().stream()
                                .map(words -> Listen.words(Optional.of(target), address, words)))
                .toList();
    }

    /** The argument of the answer that says an argument of ours. */
    private int saidAt(int argument) {
        List<Integer> places = isSaid() ? phrase.answer().places() : List.<Integer>of();
        return argument < places.size() ? places.get(argument) : argument;
    }

    private List<ArgumentSource> arguments(Form form) {
        List<ArgumentSource> sources = new ArrayList<>();
        for (int i = 0; i < phrase.arguments().size(); i++) {
            PhraseArgument argument = phrase.arguments().get(i);
            if (argument.fixed().isPresent()) {
                sources.add(new ArgumentSource.Fixed(
                        argument.type(), argument.fixed().get()));
            } else if (i == varying && !form.options().isEmpty()) {
                sources.add(new ArgumentSource.Chosen(argument.type()));
            } else if (i == varying && form.givesText()) {
                sources.add(new ArgumentSource.Typed(argument.type()));
            } else if (form.givesColour() && !isOneColour()) {
                sources.add(new ArgumentSource.Value(argument.type(), low(), high(), i));
            } else {
                sources.add(new ArgumentSource.Value(
                        argument.type(),
                        argument.low().orElse(LOW),
                        argument.high().orElse(HIGH)));
            }
        }
        return sources;
    }

    /** Where the target says how it stands; empty where it never does. */
    private Optional<String> heardOn(String address, Map<String, Integer> numbers) {
        AnswerRule answer = phrase.answer();
        if (isSaid()
                && (answer.kind() == AnswerRule.Kind.OTHER
                        || answer.kind() == AnswerRule.Kind.QUERY
                                && !answer.address().isEmpty())) {
            return Optional.of(SlotAddress.parseFreely(answer.address()).fill(numbers));
        }
        return isHeard() || answer.kind() != AnswerRule.Kind.NONE ? Optional.of(address) : Optional.empty();
    }

    /** The last word of the address with the last number in it, or else its last two words: /in/3/level is "level 3", /main/level "main level". */
    static String label(String address) {
        List<String> words = Arrays.stream(address.split("/"))
                .filter(word -> !word.isEmpty())
                .toList();
        String word = words.stream()
                .filter(w -> !w.matches("\\d+"))
                .reduce((first, second) -> second)
                .orElse("");
        Optional<String> number = words.stream().filter(w -> w.matches("\\d+")).reduce((first, second) -> second);
        return number.map(n -> (word + " " + Integer.parseInt(n)).strip())
                .orElseGet(() -> String.join(" ", words.subList(Math.max(0, words.size() - 2), words.size())));
    }
}
