package imperan.address;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A message as one line of text: its address, then its arguments with blanks between, such as {@code /scene 3 0.5 "low water" true}.
 * A whole number is an int32, or an int64 where it needs more room; a number with a point or an exponent is a float32; {@code true}
 * and {@code false} are themselves; everything else is a text. A text that looks like something else, or holds blanks, stands in
 * double quotes, in which a backslash takes the next character as it is.
 *
 * @param message empty where the line is none
 * @param problem empty where the line is a message
 */
public record MessageLine(String text, Optional<OscMessage> message, Optional<AddressText.Fault> problem) {

    private static final Pattern WORD = Pattern.compile("\\G\\s*(?:\"((?:[^\"\\\\]|\\\\.)*)\"(?=\\s|$)|([^\\s\"]\\S*))");
    private static final Pattern WHOLE = Pattern.compile("[+-]?\\d{1,18}");
    private static final Pattern DECIMAL = Pattern.compile("[+-]?(?:\\d+\\.\\d*|\\.\\d+|\\d+(?=[eE]))(?:[eE][+-]?\\d{1,3})?");

    /** Reads a line whose address begins with a slash, as OSC wants it. */
    public static MessageLine parse(String text) {
        return parse(text, AddressText::parse);
    }

    /** Reads a line whose address may lack the slash at its start, as some receivers want it. */
    public static MessageLine parseFreely(String text) {
        return parse(text, AddressText::parseFreely);
    }

    private static MessageLine parse(String text, Function<String, AddressText> reading) {
        List<OscArgument> arguments = new ArrayList<>();
        String line = text.strip();
        Matcher word = WORD.matcher(line);
        String address = "";
        int end = 0;
        for (int place = 0; word.find(); place++) {
            end = word.end();
            if (place == 0) {
                address = word.group(2) == null ? word.group() : word.group(2);
            } else {
                arguments.add(word.group(2) == null ? new OscArgument.Text(word.group(1).replaceAll("\\\\(.)", "$1"))
                        : argument(word.group(2)));
            }
        }
        Optional<AddressText.Fault> fault = reading.apply(address).problem();
        if (fault.isEmpty() && end < line.length()) {
            fault = Optional.of(new AddressText.Fault("The quote at “" + line.substring(end).strip() + "” is not closed, or something follows it at once",
                    Optional.empty()));
        }
        return fault.isPresent() ? new MessageLine(text, Optional.empty(), fault.map(f -> wholeLine(f, line)))
                : new MessageLine(text, Optional.of(new OscMessage(address, arguments)), Optional.empty());
    }

    /** The mend of an address is a mend of the line: its arguments stay. */
    private static AddressText.Fault wholeLine(AddressText.Fault fault, String line) {
        return new AddressText.Fault(fault.message(), fault.mend().map(address -> address + line.replaceFirst("^\\S+", "")));
    }

    private static OscArgument argument(String word) {
        if (WHOLE.matcher(word).matches()) {
            long value = Long.parseLong(word);
            return value == (int) value ? new OscArgument.Int32((int) value) : new OscArgument.Int64(value);
        } else if (DECIMAL.matcher(word).matches()) {
            return new OscArgument.Float32(Float.parseFloat(word));
        }
        return switch (word) {
            case "true" -> OscArgument.Bare.TRUE;
            case "false" -> OscArgument.Bare.FALSE;
            default -> new OscArgument.Text(word);
        };
    }
}
