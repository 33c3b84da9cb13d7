package imperan.osc;

import java.util.List;
import java.util.stream.Collectors;

/** Messages as people read them. */
public final class OscText {

    private OscText() {}

    /** The type tag string with its comma; empty for a message that came without one. */
    public static String typeTags(List<OscArgument> arguments) {
        return arguments.size() == 1 && arguments.get(0) instanceof OscArgument.Untyped ? "" : "," + tags(arguments);
    }

    private static String tags(List<OscArgument> arguments) {
        return arguments.stream()
                .map(a -> a instanceof OscArgument.Array array
                        ? "[" + tags(array.elements()) + "]"
                        : String.valueOf(a.tag()))
                .collect(Collectors.joining());
    }

    /** Characters of one argument in a list of packets. */
    public static final int BRIEF = 4 << 10;

    /** Characters of all arguments of a message in a list of packets. */
    private static final int BRIEF_IN_ALL = 4 * BRIEF;

    /** The arguments with blanks between, each cut to {@value #BRIEF} characters with a word how long it is. */
    public static String brief(List<OscArgument> arguments) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < arguments.size(); i++) {
            if (text.length() > BRIEF_IN_ALL) {
                return text.append("  … ")
                        .append(arguments.size() - i)
                        .append(" more arguments")
                        .toString();
            }
            String whole = arguments(arguments.subList(i, i + 1));
            text.append(i == 0 ? "" : "  ").append(whole, 0, Math.min(whole.length(), BRIEF));
            if (whole.length() > BRIEF) {
                text.append("… (").append(whole.length()).append(" characters)");
            }
        }
        return text.toString();
    }

    /** The type tags, cut to {@value #BRIEF} characters. */
    public static String briefTags(List<OscArgument> arguments) {
        String tags = typeTags(arguments);
        return tags.length() <= BRIEF ? tags : tags.substring(0, BRIEF) + "… (" + tags.length() + " characters)";
    }

    /** The arguments with blanks between; texts in quotes, so that a number and its text differ. */
    public static String arguments(List<OscArgument> arguments) {
        return arguments.stream()
                .map(a -> a instanceof OscArgument.Text || a instanceof OscArgument.Symbol
                        ? "“" + a.text() + "”"
                        : a.text())
                .collect(Collectors.joining("  "));
    }
}
