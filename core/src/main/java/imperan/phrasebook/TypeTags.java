package imperan.phrasebook;

import imperan.show.ArgumentSource.ArgumentType;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Types as type tags (OSC 1.0, "OSC Type Tag String"; T and F from its optional types) and as people write them. */
public final class TypeTags {

    private static final Map<Character, ArgumentType> TAGS = Map.of('f', ArgumentType.FLOAT32, 'i', ArgumentType.INT32,
            'd', ArgumentType.FLOAT64, 'h', ArgumentType.INT64, 's', ArgumentType.TEXT, 'T', ArgumentType.BOOLEAN, 'F', ArgumentType.BOOLEAN);

    private static final Map<String, ArgumentType> WORDS = Map.ofEntries(Map.entry("float", ArgumentType.FLOAT32),
            Map.entry("decimal", ArgumentType.FLOAT32), Map.entry("real", ArgumentType.FLOAT32), Map.entry("number", ArgumentType.FLOAT32),
            Map.entry("int", ArgumentType.INT32), Map.entry("integer", ArgumentType.INT32), Map.entry("whole", ArgumentType.INT32),
            Map.entry("double", ArgumentType.FLOAT64), Map.entry("long", ArgumentType.INT64), Map.entry("string", ArgumentType.TEXT),
            Map.entry("text", ArgumentType.TEXT), Map.entry("bool", ArgumentType.BOOLEAN), Map.entry("boolean", ArgumentType.BOOLEAN));

    private TypeTags() {
    }

    /** The type of a tag; empty where people do not choose it. */
    public static Optional<ArgumentType> ofTag(char tag) {
        return Optional.ofNullable(TAGS.get(tag));
    }

    static Optional<ArgumentType> ofWord(String word) {
        return Optional.ofNullable(WORDS.get(word.toLowerCase(Locale.ROOT)));
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
        };
    }
}
