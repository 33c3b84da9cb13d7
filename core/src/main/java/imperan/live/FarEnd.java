package imperan.live;

import imperan.osc.OscArgument;
import imperan.shaping.Chain;
import imperan.shaping.ShapingText;
import imperan.shaping.Signal;
import imperan.shaping.Span;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a target makes of the numbers that are sent to it before it reads them, as its phrasebook says. */
final class FarEnd {

    private FarEnd() {}

    /** The arguments of a line as its target reads them; empty where it reads them as they are sent. */
    static Optional<String> reads(Line line, Phrase phrase) {
        List<PhraseArgument> arguments = phrase.arguments();
        if (arguments.stream().allMatch(argument -> argument.reads().isEmpty())) {
            return Optional.empty();
        }
        List<String> read = new ArrayList<>();
        for (int i = 0; i < line.arguments().size(); i++) {
            OscArgument sent = line.arguments().get(i);
            String reads = i < arguments.size() ? arguments.get(i).reads() : "";
            read.add(
                    reads.isEmpty()
                            ? sent.text()
                            : Spelling.number(sent)
                                    .flatMap(number -> new Chain(
                                                    Span.ANY,
                                                    ShapingText.read(reads).steps())
                                            .out(Signal.of(number)))
                                    .map(signal -> Chain.figures(signal, false))
                                    .orElse(sent.text()));
        }
        return Optional.of(read.stream().collect(Collectors.joining(" ")));
    }
}
