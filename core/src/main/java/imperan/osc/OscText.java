package imperan.osc;

import java.util.List;
import java.util.stream.Collectors;

/** Messages as people read them. */
public final class OscText {

    private OscText() {
    }

    /** The type tag string with its comma; empty for a message that came without one. */
    public static String typeTags(List<OscArgument> arguments) {
        return arguments.size() == 1 && arguments.get(0) instanceof OscArgument.Untyped ? "" : "," + tags(arguments);
    }

    private static String tags(List<OscArgument> arguments) {
        return arguments.stream()
                .map(a -> a instanceof OscArgument.Array array ? "[" + tags(array.elements()) + "]"
                        : String.valueOf(a.tag()))
                .collect(Collectors.joining());
    }

    /** The arguments with blanks between; texts in quotes, so that a number and its text differ. */
    public static String arguments(List<OscArgument> arguments) {
        return arguments.stream()
                .map(a -> a instanceof OscArgument.Text || a instanceof OscArgument.Symbol ? "“" + a.text() + "”"
                        : a.text())
                .collect(Collectors.joining("  "));
    }
}
