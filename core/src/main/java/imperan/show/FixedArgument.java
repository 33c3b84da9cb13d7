package imperan.show;

import imperan.osc.OscArgument;

import java.util.Optional;

/** A fixed argument read from what was typed: either the argument or one sentence on why it is none. */
public record FixedArgument(Optional<OscArgument> argument, Optional<String> problem) {

    public static FixedArgument parse(ArgumentSource.Fixed fixed) {
        String text = fixed.text().strip();
        try {
            return switch (fixed.type()) {
                case INT32 -> good(new OscArgument.Int32(Integer.parseInt(text)));
                case INT64 -> good(new OscArgument.Int64(Long.parseLong(text)));
                case FLOAT32 -> Float.isFinite(Float.parseFloat(text)) ? good(new OscArgument.Float32(Float.parseFloat(text)))
                        : bad("“" + text + "” is beyond what a float can be");
                case FLOAT64 -> Double.isFinite(Double.parseDouble(text)) ? good(new OscArgument.Float64(Double.parseDouble(text)))
                        : bad("“" + text + "” is beyond what a double can be");
                case TEXT -> fixed.text().indexOf('\0') < 0 ? good(new OscArgument.Text(fixed.text()))
                        : bad("A text cannot hold the character NUL");
                case COLOUR -> text.matches("#[0-9a-fA-F]{6}") ? good(new OscArgument.Rgba(Integer.parseInt(text.substring(1), 16) << 8 | 0xff))
                        : bad("Write a colour as #rrggbb, such as #ff8a3c");
                case BOOLEAN -> switch (text) {
                    case "true" -> good(OscArgument.Bare.TRUE);
                    case "false" -> good(OscArgument.Bare.FALSE);
                    default -> bad("Write true or false");
                };
            };
        } catch (NumberFormatException e) {
            return bad(text.indexOf(',') >= 0 ? "Write a decimal with a dot: “" + text.replace(',', '.') + "”"
                    : "“" + text + "” is not a number of this type");
        }
    }

    private static FixedArgument good(OscArgument argument) {
        return new FixedArgument(Optional.of(argument), Optional.empty());
    }

    private static FixedArgument bad(String problem) {
        return new FixedArgument(Optional.empty(), Optional.of(problem));
    }
}
