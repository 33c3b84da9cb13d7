package imperan.phrasebook;

import imperan.address.MessageLine;
import imperan.address.SlotAddress;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.ArgumentSource;
import imperan.show.FixedArgument;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A phrase as a message that can be sent: its first address, with the least value of each argument. Somebody puts their own in its place.
 *
 * @param phrase the address with its slots
 * @param line   the message as one line of text, with its type tags
 * @param address   the same in its parts, for a cue; its {@code arguments} are fixed
 */
public record ExampleLine(String phrase, String line, String meaning, String address, List<ArgumentSource> arguments) {

    public ExampleLine {
        arguments = List.copyOf(arguments);
    }

    /** Those that a target understands, in the order of its phrasebook. */
    public static List<ExampleLine> of(Show show, PartId target) {
        return show.part(target)
                .map(Part::body)
                .filter(Target.class::isInstance)
                .flatMap(body -> ((Target) body).phrasebook())
                .map(show::children)
                .orElse(Stream.empty())
                .map(part -> (Phrase) part.body())
                .filter(phrase -> phrase.direction() != Phrase.Direction.IN)
                .map(ExampleLine::of)
                .toList();
    }

    private static ExampleLine of(Phrase phrase) {
        OscMessage message = new OscMessage(
                SlotAddress.parseFreely(phrase.address()).first(),
                phrase.arguments().stream().map(ExampleLine::argument).toList());
        return new ExampleLine(
                phrase.address(),
                MessageLine.of(message),
                phrase.meaning(),
                message.address(),
                message.arguments().stream()
                        .flatMap(argument -> FixedArgument.holding(argument).stream())
                        .map(ArgumentSource.class::cast)
                        .toList());
    }

    private static OscArgument argument(Phrase.PhraseArgument argument) {
        String least = argument.fixed()
                .or(() -> argument.choices().stream().findFirst())
                .or(() -> argument.low().map(ExampleLine::plain))
                .orElse("0");
        Optional<OscArgument> read = FixedArgument.parse(new ArgumentSource.Fixed(argument.type(), least))
                .argument();
        return read.or(() -> FixedArgument.parse(new ArgumentSource.Fixed(argument.type(), ""))
                        .argument())
                .orElse(new OscArgument.Text(least));
    }

    /** A whole number without its point. */
    private static String plain(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e15
                ? Long.toString((long) number)
                : Double.toString(number);
    }
}
