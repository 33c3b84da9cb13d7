package imperan.phrasebook;

import imperan.show.AnswerRule;
import imperan.show.Phrase;
import imperan.show.ScaleMark;
import imperan.table.SheetText;
import java.util.Collection;
import java.util.Locale;
import java.util.StringJoiner;
import java.util.stream.Collectors;

/** Phrases as a table (RFC 4180) that {@link TableImport} reads back as they are, as far as a table says it. */
public final class TableExport {

    /** How the first line begins; a table that begins so is one of ours. */
    static final String OURS = SheetText.row(
            "address",
            "types",
            "fixed",
            "low",
            "high",
            "unit",
            "choices",
            "direction",
            "answer",
            "tolerance",
            "seconds",
            "meaning",
            "masked by",
            "marks",
            "words",
            "answer says",
            "answer in",
            "final seconds",
            "told",
            "effect",
            "masks",
            "proof",
            "far end");

    private static final String TITLES = OURS + "," + SheetText.row("asked on", "texts");

    private TableExport() {}

    public static String write(Collection<Phrase> phrases) {
        StringJoiner lines = new StringJoiner("\r\n", "", "\r\n");
        lines.add(TITLES);
        for (Phrase phrase : phrases) {
            String types = phrase.arguments().stream()
                    .map(a -> String.valueOf(TypeTags.tag(a.type())))
                    .collect(Collectors.joining());
            String fixed =
                    phrase.arguments().stream().flatMap(a -> a.fixed().stream()).collect(Collectors.joining("|"));
            Phrase.PhraseArgument value = phrase.arguments().isEmpty()
                    ? null
                    : phrase.arguments().get(phrase.arguments().size() - 1);
            lines.add(SheetText.row(
                    phrase.address(),
                    types,
                    fixed,
                    value == null ? "" : value.low().map(AnswerText::number).orElse(""),
                    value == null ? "" : value.high().map(AnswerText::number).orElse(""),
                    value == null ? "" : value.unit(),
                    value == null ? "" : String.join("|", value.choices()),
                    phrase.direction().name().toLowerCase(Locale.ROOT),
                    answer(phrase.answer()),
                    AnswerText.tolerance(phrase.answer().tolerance()),
                    phrase.answer().seconds() == AnswerRule.USUAL_SECONDS
                            ? ""
                            : AnswerText.number(phrase.answer().seconds()),
                    phrase.meaning(),
                    phrase.maskedBy(),
                    value == null ? "" : ScaleMark.write(value.marks()),
                    phrase.answer().words().map(String::valueOf).orElse(""),
                    AnswerText.says(phrase.answer()),
                    AnswerText.places(phrase.answer().places()),
                    phrase.answer().finalSeconds().map(AnswerText::number).orElse(""),
                    AnswerText.word(phrase.answer().told()),
                    AnswerText.word(phrase.effect()),
                    AnswerText.masks(phrase.masks()),
                    ProofText.write(phrase.proof()),
                    value == null ? "" : value.reads(),
                    AskText.write(phrase.answer().ask()),
                    value == null ? "" : AskText.write(value.texts())));
        }
        return lines.toString();
    }

    private static String answer(AnswerRule answer) {
        return switch (answer.kind()) {
            case SAME -> "same";
            case OTHER -> answer.address();
            case QUERY -> "query";
            case NONE -> "none";
        };
    }
}
