package imperan.phrasebook;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The values that an argument takes, as people write them: a range such as {@code 0 to 1 dB}, {@code 0..255} or {@code -45 – 45 °}, or
 * choices with bars between.
 *
 * @param choices empty where there is a range, or nothing is told
 */
record PhraseValues(Optional<Double> low, Optional<Double> high, String unit, List<String> choices) {

    private static final String NUMBER = "[-+−]?\\d+(?:\\.\\d+)?";
    private static final Pattern RANGE = Pattern.compile(
            "[\\[(]?\\s*(" + NUMBER + ")\\s*(?:\\.\\.\\.?|…|–|to|,|/|:|-)\\s*(" + NUMBER + ")\\s*[\\])]?\\s*(\\S{0,12})");

    static final PhraseValues NONE = new PhraseValues(Optional.empty(), Optional.empty(), "", List.of());

    /** A range; empty where the text is none. */
    static Optional<PhraseValues> range(String text) {
        Matcher matcher = RANGE.matcher(text.strip());
        return matcher.matches() ? Optional.of(new PhraseValues(number(matcher.group(1)), number(matcher.group(2)), matcher.group(3), List.of()))
                : Optional.empty();
    }

    static Optional<Double> number(String text) {
        String plain = text.strip().replace('−', '-');
        return plain.matches(NUMBER) ? Optional.of(Double.valueOf(plain)) : Optional.empty();
    }

    /** Texts with bars, commas, semicolons or slashes between. */
    static List<String> choices(String text) {
        return text.isBlank() ? List.of() : Arrays.stream(text.split("\\s*[|,;/]\\s*")).map(String::strip)
                .filter(choice -> !choice.isEmpty()).toList();
    }

    /** Values as a person writes them for one phrase, where a slip must not become a choice. Empty where it cannot be read. */
    static Optional<PhraseValues> written(String text) {
        if (text.isBlank()) {
            return Optional.of(NONE);
        }
        return text.indexOf('|') < 0 ? range(text) : Optional.of(new PhraseValues(Optional.empty(), Optional.empty(), "",
                Arrays.stream(text.split("\\|")).map(String::strip).filter(choice -> !choice.isEmpty()).toList()));
    }
}
