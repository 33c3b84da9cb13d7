package imperan.words;

import imperan.live.Line;
import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.phrasebook.Vocabulary;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.ScaleMark;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a line means to its target, in one sentence. */
public final class LineWords {

    private static final MathContext READABLE = new MathContext(3);

    private LineWords() {}

    /** Such as “Bellows: level of an input (ch 3): −2.0 dB”; empty where the phrasebook has no words for it. */
    public static Optional<String> of(Line line, Vocabulary.Known known) {
        String meaning = known.phrase().meaning().strip();
        if (meaning.isEmpty()) {
            return Optional.empty();
        }
        String which = known.numbers().isEmpty()
                ? ""
                : known.numbers().entrySet().stream()
                        .map(slot -> slot.getKey() + " " + slot.getValue())
                        .collect(Collectors.joining(", ", " (", ")"));
        List<String> values = values(line, known.phrase().arguments());
        return Optional.of((line.targetName().isEmpty() ? "" : line.targetName() + ": ")
                + meaning
                + which
                + (values.isEmpty() ? "" : ": " + String.join(", ", values)));
    }

    private static List<String> values(Line line, List<PhraseArgument> arguments) {
        List<String> values = new ArrayList<>();
        for (int i = 0; i < line.arguments().size(); i++) {
            Optional<PhraseArgument> argument = i < arguments.size() ? Optional.of(arguments.get(i)) : Optional.empty();
            if (argument.flatMap(PhraseArgument::fixed).isEmpty()) {
                values.add(value(line.arguments().get(i), argument));
            }
        }
        return values;
    }

    /** The word that people have for it, else the number with its unit. */
    private static String value(OscArgument said, Optional<PhraseArgument> argument) {
        Optional<String> word = argument.stream()
                .flatMap(known -> known.marks().stream())
                .filter(mark -> Spelling.number(said)
                        .filter(number -> Math.abs(number - mark.value()) < 1e-6)
                        .isPresent())
                .map(ScaleMark::text)
                .findFirst();
        String unit = argument.map(PhraseArgument::unit)
                .filter(text -> !text.isBlank())
                .map(text -> text.equals("°") ? text : " " + text)
                .orElse("");
        return word.orElseGet(() -> (said instanceof OscArgument.Float32 || said instanceof OscArgument.Float64
                        ? Spelling.number(said).map(LineWords::readable).orElseGet(said::text)
                        : said.text())
                + unit);
    }

    private static String readable(double number) {
        BigDecimal rounded = BigDecimal.valueOf(number).round(READABLE);
        return (rounded.scale() > 0 ? rounded.stripTrailingZeros() : rounded).toPlainString();
    }
}
