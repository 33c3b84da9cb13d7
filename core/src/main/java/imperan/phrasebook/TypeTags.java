package imperan.phrasebook;

import imperan.show.ArgumentSource.ArgumentType;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Types as type tags (OSC 1.0, "OSC Type Tag String"; T and F from its optional types) and as people write them. */
public final class TypeTags {

    private static final Map<Character, ArgumentType> TAGS = Map.of(
            'f',
            ArgumentType.FLOAT32,
            'i',
            ArgumentType.INT32,
            'd',
            ArgumentType.FLOAT64,
            'h',
            ArgumentType.INT64,
            's',
            ArgumentType.TEXT,
            'T',
            ArgumentType.BOOLEAN,
            'F',
            ArgumentType.BOOLEAN,
            'r',
            ArgumentType.COLOUR);

    private static final Map<String, ArgumentType> WORDS = Map.ofEntries(
            Map.entry("float", ArgumentType.FLOAT32),
            Map.entry("decimal", ArgumentType.FLOAT32),
            Map.entry("real", ArgumentType.FLOAT32),
            Map.entry("number", ArgumentType.FLOAT32),
            Map.entry("int", ArgumentType.INT32),
            Map.entry("uint", ArgumentType.INT32),
            Map.entry("integer", ArgumentType.INT32),
            Map.entry("whole", ArgumentType.INT32),
            Map.entry("double", ArgumentType.FLOAT64),
            Map.entry("long", ArgumentType.INT64),
            Map.entry("string", ArgumentType.TEXT),
            Map.entry("text", ArgumentType.TEXT),
            Map.entry("str", ArgumentType.TEXT),
            Map.entry("rgba", ArgumentType.COLOUR),
            Map.entry("bool", ArgumentType.BOOLEAN),
            Map.entry("boolean", ArgumentType.BOOLEAN));

    private static final int LONGEST_WORD = 20;

    private static final Pattern NO_ARGUMENT = Pattern.compile(
            "(?i)|none|no|-|–|—|n/a|void|nil|null|empty|bang|trigger|impulse|no (?:arguments?|parameters?|values?)");
    private static final Pattern EITHER = Pattern.compile("(?i)(?:t|true)\\s*(?:/|\\||,|or)\\s*(?:f|false)");
    private static final Pattern COUNT_FIRST = Pattern.compile("(1?\\d)\\s*[x×*]?\\s*([A-Za-z]{2,})");
    private static final Pattern COUNT_LAST = Pattern.compile("([A-Za-z]{2,}\\d{0,2})\\s*(?:[x×*]\\s*|\\[)(1?\\d)]?");

    private TypeTags() {}

    /** The type of a tag; empty where people do not choose it. */
    public static Optional<ArgumentType> ofTag(char tag) {
        return Optional.ofNullable(TAGS.get(tag));
    }

    /** How wide a number is, and that there are several, is told behind the word: float32, uint8_t, floats. */
    private static Optional<ArgumentType> ofWord(String word) {
        if (word.length() > LONGEST_WORD) {
            return Optional.empty();
        }
        String bare = word.toLowerCase(Locale.ROOT).replaceAll("_t$", "").replaceAll("\\d+$", "");
        return (word.length() == 1 ? ofTag(word.charAt(0)) : Optional.<ArgumentType>empty())
                .or(() -> Optional.ofNullable(WORDS.get(bare)))
                .or(() -> Optional.ofNullable(WORDS.get(bare.replaceAll("s$", ""))));
    }

    /**
     * Types as tags or as words, with counts: {@code ifs}, {@code ,f}, {@code int float}, {@code 2 floats}, {@code float x 3}, {@code T/F}. Nothing at all is no
     * argument. Empty where the text is none of it.
     */
    static Optional<List<ArgumentType>> read(String text) {
        String plain = PhraseValues.oneSpaced(text)
                .replaceAll("^[\\[(](.*)[\\])]$", "$1")
                .strip();
        if (NO_ARGUMENT.matcher(plain).matches()) {
            return Optional.of(List.of());
        } else if (EITHER.matcher(plain).matches()) {
            return Optional.of(List.of(ArgumentType.BOOLEAN));
        } else if (plain.matches(",?[fihdsTFr]{1,16}")) {
            return Optional.of(plain.replace(",", "")
                    .chars()
                    .mapToObj(tag -> TAGS.get((char) tag))
                    .toList());
        }
        List<ArgumentType> types = new ArrayList<>();
        for (String piece : plain.split("\\s*[,;+/&]\\s*")) {
            Optional<List<ArgumentType>> several =
                    counted(COUNT_FIRST.matcher(piece), 2, 1).or(() -> counted(COUNT_LAST.matcher(piece), 1, 2));
            if (several.isPresent()) {
                types.addAll(several.get());
                continue;
            }
            for (String word : piece.split("\\s+")) {
                Optional<ArgumentType> type = ofWord(word);
                if (type.isEmpty()) {
                    return Optional.empty();
                }
                types.add(type.get());
            }
        }
        return Optional.of(types);
    }

    private static Optional<List<ArgumentType>> counted(Matcher matcher, int word, int count) {
        return matcher.matches()
                ? ofWord(matcher.group(word))
                        .map(type -> Collections.nCopies(Integer.parseInt(matcher.group(count)), type))
                : Optional.empty();
    }

    /** The tags of several types, in a row; a boolean counts as T. */
    public static String of(List<ArgumentType> types) {
        return types.stream().map(type -> String.valueOf(tag(type))).collect(Collectors.joining());
    }

    static char tag(ArgumentType type) {
        return switch (type) {
            case FLOAT32 -> 'f';
            case INT32 -> 'i';
            case FLOAT64 -> 'd';
            case INT64 -> 'h';
            case TEXT -> 's';
            case BOOLEAN -> 'T';
            case COLOUR -> 'r';
        };
    }
}
