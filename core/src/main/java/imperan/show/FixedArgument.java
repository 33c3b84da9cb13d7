package imperan.show;

import imperan.osc.OscArgument;
import imperan.show.ArgumentSource.ArgumentType;
import java.util.Optional;

/** A fixed argument read from what was typed: either the argument or one sentence on why it is none. */
public record FixedArgument(Optional<OscArgument> argument, Optional<String> problem) {

    public static FixedArgument parse(ArgumentSource.Fixed fixed) {
        String text = fixed.text().strip();
        try {
            return switch (fixed.type()) {
                case INT32 -> good(new OscArgument.Int32(Integer.parseInt(text)));
                case INT64 -> good(new OscArgument.Int64(Long.parseLong(text)));
                case FLOAT32 -> Float.isFinite(Float.parseFloat(text))
                        ? good(new OscArgument.Float32(Float.parseFloat(text)))
                        : bad("“" + text + "” is beyond what a float can be");
                case FLOAT64 -> Double.isFinite(Double.parseDouble(text))
                        ? good(new OscArgument.Float64(Double.parseDouble(text)))
                        : bad("“" + text + "” is beyond what a double can be");
                case TEXT -> fixed.text().indexOf('\0') < 0
                        ? good(new OscArgument.Text(fixed.text()))
                        : bad("A text cannot hold the character NUL");
                case COLOUR -> text.matches("#[0-9a-fA-F]{6}")
                        ? good(new OscArgument.Rgba(Integer.parseInt(text.substring(1), 16) << 8 | 0xff))
                        : bad("Write a colour as #rrggbb, such as #ff8a3c");
                case BOOLEAN -> switch (text) {
                    case "true" -> good(OscArgument.Bare.TRUE);
                    case "false" -> good(OscArgument.Bare.FALSE);
                    default -> bad("Write true or false");
                };
            };
        } catch (NumberFormatException e) {
            return bad(
                    text.indexOf(',') >= 0
                            ? "Write a decimal with a dot: “" + text.replace(',', '.') + "”"
                            : "“" + text + "” is not a number of this type");
        }
    }

    /** The fixed argument that is this one when it is sent; empty where a send has none of its type. */
    public static Optional<ArgumentSource.Fixed> holding(OscArgument argument) {
        ArgumentType type = argument instanceof OscArgument.Int32
                ? ArgumentType.INT32
                : argument instanceof OscArgument.Int64
                        ? ArgumentType.INT64
                        : argument instanceof OscArgument.Float32
                                ? ArgumentType.FLOAT32
                                : argument instanceof OscArgument.Float64
                                        ? ArgumentType.FLOAT64
                                        : argument instanceof OscArgument.Text
                                                ? ArgumentType.TEXT
                                                : argument == OscArgument.Bare.TRUE
                                                                || argument == OscArgument.Bare.FALSE
                                                        ? ArgumentType.BOOLEAN
                                                        : null;
        if (argument instanceof OscArgument.Rgba colour) {
            return Optional.of(
                    new ArgumentSource.Fixed(ArgumentType.COLOUR, String.format("#%06x", colour.value() >>> 8)));
        }
        return Optional.ofNullable(type).map(known -> new ArgumentSource.Fixed(known, argument.text()));
    }

    private static FixedArgument good(OscArgument argument) {
        return new FixedArgument(Optional.of(argument), Optional.empty());
    }

    private static FixedArgument bad(String problem) {
        return new FixedArgument(Optional.empty(), Optional.of(problem));
    }
}
