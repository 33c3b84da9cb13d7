package imperan.check;

import imperan.phrasebook.TypeTags;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase.PhraseArgument;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The arguments of a send as its phrase takes them: what is there is kept where it can be. */
final class MeantArguments {

    private static final Map<ArgumentType, String> WORDS = Map.of(
            ArgumentType.FLOAT32,
            "a float",
            ArgumentType.INT32,
            "an int",
            ArgumentType.TEXT,
            "a text",
            ArgumentType.BOOLEAN,
            "true or false",
            ArgumentType.FLOAT64,
            "a double",
            ArgumentType.INT64,
            "an int64",
            ArgumentType.COLOUR,
            "a colour");

    private MeantArguments() {}

    /** Types in words: “a float (f)”, “two arguments” as their tags. */
    static String words(List<ArgumentType> types) {
        String tags = TypeTags.of(types);
        return switch (types.size()) {
            case 0 -> "no argument";
            case 1 -> WORDS.get(types.get(0)) + " (" + tags + ")";
            default -> types.size() + " arguments (" + tags + ")";
        };
    }

    /** As many arguments as the phrase has, of its types. */
    static List<ArgumentSource> ofTypes(List<ArgumentSource> sources, List<PhraseArgument> wanted) {
        List<ArgumentSource> meant = new ArrayList<>();
        boolean carried =
                sources.stream().limit(wanted.size()).anyMatch(source -> !(source instanceof ArgumentSource.Fixed));
        for (int i = 0; i < wanted.size(); i++) {
            PhraseArgument argument = wanted.get(i);
            if (i < sources.size()) {
                meant.add(ofType(sources.get(i), argument));
            } else if (argument.fixed().isPresent() || carried) {
                meant.add(new ArgumentSource.Fixed(
                        argument.type(), argument.fixed().orElseGet(() -> usual(argument))));
            } else {
                meant.add(new ArgumentSource.Value(
                        argument.type(),
                        argument.low().orElse(0.0),
                        argument.high().orElse(1.0)));
                carried = true;
            }
        }
        return meant;
    }

    private static ArgumentSource ofType(ArgumentSource source, PhraseArgument wanted) {
        ArgumentType type = wanted.type();
        if (source.type() == type) {
            return source;
        }
        return source instanceof ArgumentSource.Value value ? within(value.as(type), wanted) : source.as(type);
    }

    /** A value over the whole range of its argument, in the direction in which it went. */
    static ArgumentSource.Value within(ArgumentSource.Value value, PhraseArgument wanted) {
        if (wanted.low().isEmpty() || wanted.high().isEmpty()) {
            return value;
        }
        boolean falls = value.chain().low() > value.chain().high();
        return value.within(
                falls ? wanted.high().get() : wanted.low().get(),
                falls ? wanted.low().get() : wanted.high().get());
    }

    private static String usual(PhraseArgument argument) {
        if (!argument.choices().isEmpty()) {
            return argument.choices().get(0);
        }
        return switch (argument.type()) {
            case TEXT -> "";
            case BOOLEAN -> "true";
            case COLOUR -> "#ffffff";
            default -> "0";
        };
    }
}
