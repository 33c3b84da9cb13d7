package imperan.show;

import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.ArgumentSource.OfNamedValue;
import java.util.Optional;

/**
 * A value that has a name, for messages that say it in several places: the number of the piece that plays, the name of the hall. It is changed in one place.
 *
 * @param text as it would be typed for a fixed argument; each message makes of it what its type wants
 */
public record NamedValue(String name, String text, String note) implements Body {

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.note("note", note);
        if (text.length() > PartRules.MOST_ARGUMENT) {
            rules.problem("text", "A text has at most " + PartRules.MOST_ARGUMENT + " characters");
        }
        rules.show().referringTo(rules.id()).forEach(user -> user.body()
                .sources()
                .filter(source ->
                        source instanceof OfNamedValue named && named.value().equals(Optional.of(rules.id())))
                .flatMap(named -> as(named.type()).problem().stream())
                .findFirst()
                .ifPresent(problem -> rules.problem("text", "“" + user.body().called() + "” sends it: " + problem)));
    }

    /** What it is as an argument of a type. */
    public FixedArgument as(ArgumentType type) {
        return FixedArgument.parse(new ArgumentSource.Fixed(type, text));
    }

    /** A send of this show with what its named values are now as fixed arguments. */
    public static Send inserted(Show show, Send send) {
        return send.saying(send.arguments().stream()
                .map(source -> source instanceof OfNamedValue named
                        ? fixed(show, named).orElse(source)
                        : source)
                .toList());
    }

    private static Optional<ArgumentSource> fixed(Show show, OfNamedValue named) {
        return named.value()
                .flatMap(show::part)
                .filter(part -> part.body() instanceof NamedValue)
                .map(part -> new ArgumentSource.Fixed(named.type(), ((NamedValue) part.body()).text()));
    }
}
