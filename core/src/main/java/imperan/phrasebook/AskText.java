package imperan.phrasebook;

import imperan.show.AskRule;
import imperan.show.TextRule;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How a phrase is asked and which texts it takes, as cells of a table have it: {@code /get/level with fixed, answered on /level, in 1}, and
 * {@code at most 32, plain}.
 */
final class AskText {

    private static final Pattern ASK = Pattern.compile(
            "(/\\S*?)(\\s+with fixed)?(?:\\s*,\\s*answered on (/\\S*?))?(?:\\s*,\\s*in ([\\d| ]+))?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern LONGEST = Pattern.compile("(?:at most )?(\\d{1,4})(?: characters)?");

    private AskText() {}

    static String write(Optional<AskRule> ask) {
        return ask.map(how -> how.address()
                        + (how.fixed() ? " with fixed" : "")
                        + (how.answeredOn().isEmpty() ? "" : ", answered on " + how.answeredOn())
                        + (how.places().isEmpty() ? "" : ", in " + AnswerText.places(how.places())))
                .orElse("");
    }

    /** Empty where it is something else. */
    static Optional<AskRule> read(String cell) {
        Matcher ask = ASK.matcher(cell.strip());
        if (!ask.matches()) {
            return Optional.empty();
        }
        return AnswerText.readPlaces(ask.group(4) == null ? "" : ask.group(4).strip())
                .map(places -> new AskRule(
                        ask.group(1), ask.group(2) != null, ask.group(3) == null ? "" : ask.group(3), places));
    }

    static String write(TextRule texts) {
        List<String> words = new ArrayList<>();
        texts.longest().ifPresent(most -> words.add("at most " + most));
        if (texts.characters() != TextRule.Characters.UNKNOWN) {
            words.add(texts.characters().name().toLowerCase(Locale.ROOT));
        }
        return String.join(", ", words);
    }

    /** Empty where it is something else. */
    static Optional<TextRule> readTexts(String cell) {
        TextRule rule = TextRule.UNKNOWN;
        for (String word : cell.strip().toLowerCase(Locale.ROOT).split("\\s*[,;]\\s*")) {
            Matcher longest = LONGEST.matcher(word);
            Optional<TextRule.Characters> characters = AnswerText.readWord(TextRule.Characters.class, word);
            if (longest.matches()
                    && Integer.parseInt(longest.group(1)) > 0
                    && Integer.parseInt(longest.group(1)) <= TextRule.MOST_CHARACTERS) {
                rule = new TextRule(Optional.of(Integer.valueOf(longest.group(1))), rule.characters());
            } else if (characters.isPresent()) {
                rule = new TextRule(rule.longest(), characters.get());
            } else {
                return Optional.empty();
            }
        }
        return Optional.of(rule);
    }
}
