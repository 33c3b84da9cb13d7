package imperan.address;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Pattern;

/**
 * A message as one line of text: its address, then its arguments with blanks between, such as {@code /scene 3 0.5 "low water" true}.
 * A whole number is an int32, or an int64 where it needs more room; a number with a point or an exponent is a float32; {@code true}
 * and {@code false} are themselves; everything else is a text. A text that looks like something else, or holds blanks, stands in
 * double quotes, in which a backslash takes the next character as it is. Where type tags follow the address, such as in
 * {@code /a/b ,if 1 0.5}, they say which type each argument has ({@link TypedWords}).
 *
 * @param message empty where the line is none
 * @param problem empty where the line is a message
 */
public record MessageLine(String text, Optional<OscMessage> message, Optional<AddressText.Fault> problem) {

    /** As long as the longest argument, and an address. */
    public static final int MAX_LENGTH = 10_000;
    /** Of a text that is quoted in a sentence. */
    private static final int SHOWN = 60;

    private static final Pattern WHOLE = Pattern.compile("[+-]?\\d{1,18}");
    private static final Pattern DECIMAL =
            Pattern.compile("[+-]?(?:\\d+\\.\\d*|\\.\\d+|\\d+(?=[eE]))(?:[eE][+-]?\\d{1,3})?");

    /** Reads a line with an address as OSC wants it. */
    public static MessageLine parse(String text) {
        return parse(text, address -> AddressText.parse(address).problem());
    }

    /** Reads a line that was checked when it was written. */
    public static MessageLine parseFreely(String text) {
        return parse(text, address -> Optional.empty());
    }

    /** @param faults what is wrong with an address; empty where it is one */
    public static MessageLine parse(String text, Function<String, Optional<AddressText.Fault>> faults) {
        String line = text.strip();
        if (line.length() > MAX_LENGTH) {
            return new MessageLine(
                    text,
                    Optional.empty(),
                    Optional.of(new AddressText.Fault(
                            "A message in one line has at most " + MAX_LENGTH + " characters", Optional.empty())));
        }
        if (line.indexOf('\0') >= 0) {
            return new MessageLine(
                    text,
                    Optional.empty(),
                    Optional.of(new AddressText.Fault(
                            "A text of OSC ends at NUL, so it cannot hold one", Optional.empty())));
        }
        List<Word> words = new ArrayList<>();
        int at = 0;
        while (at < line.length()) {
            boolean quoted = line.charAt(at) == '"';
            int end = quoted ? endOfQuoted(line, at) : endOfWord(line, at);
            if (end < 0) {
                break;
            }
            words.add(new Word(quoted ? unquoted(line.substring(at, end)) : line.substring(at, end), quoted));
            at = skipBlanks(line, end);
        }
        String address = words.isEmpty() ? "" : words.get(0).text();
        Optional<AddressText.Fault> fault = faults.apply(address);
        if (fault.isEmpty() && at < line.length()) {
            fault = Optional.of(new AddressText.Fault(
                    "The quote at “" + shortened(line.substring(at))
                            + "” is not closed, or something follows it at once",
                    Optional.empty()));
        }
        if (fault.isPresent()) {
            return new MessageLine(text, Optional.empty(), fault.map(f -> wholeLine(f, line)));
        }
        return arguments(text, address, words.subList(1, words.size()));
    }

    private static MessageLine arguments(String text, String address, List<Word> words) {
        List<OscArgument> arguments;
        if (!words.isEmpty() && TypedWords.isTags(words.get(0))) {
            TypedWords typed = TypedWords.read(words.get(0).text(), words.subList(1, words.size()));
            if (typed.fault().isPresent()) {
                return new MessageLine(
                        text, Optional.empty(), typed.fault().map(why -> new AddressText.Fault(why, Optional.empty())));
            }
            arguments = typed.arguments();
        } else {
            arguments = words.stream()
                    .map(word -> word.quoted() ? new OscArgument.Text(word.text()) : argument(word.text()))
                    .toList();
        }
        boolean tooLarge = arguments.stream()
                .anyMatch(
                        argument -> argument instanceof OscArgument.Float32 number && !Float.isFinite(number.value()));
        return tooLarge
                ? new MessageLine(
                        text,
                        Optional.empty(),
                        Optional.of(new AddressText.Fault("A number in it is too large for a float", Optional.empty())))
                : new MessageLine(text, Optional.of(new OscMessage(address, arguments)), Optional.empty());
    }

    /** The line that says a message, with its type tags; it reads as the same message. */
    public static String of(OscMessage message) {
        String address = message.address().chars().anyMatch(c -> c <= ' ' || c == '"')
                ? TypedWords.quoted(message.address())
                : message.address();
        return (address + " " + TypedWords.write(message.arguments())).strip();
    }

    /** A word of a line, or what stood in quotes. */
    record Word(String text, boolean quoted) {}

    /** Where a word ends: before the next blank. */
    private static int endOfWord(String line, int from) {
        int end = from;
        while (end < line.length() && !isBlank(line.charAt(end))) {
            end++;
        }
        return end;
    }

    /** Behind the closing quote, where a blank or nothing follows it; else -1. */
    private static int endOfQuoted(String line, int from) {
        for (int i = from + 1; i < line.length(); i++) {
            if (line.charAt(i) == '\\') {
                i++;
            } else if (line.charAt(i) == '"') {
                return i + 1 == line.length() || isBlank(line.charAt(i + 1)) ? i + 1 : -1;
            }
        }
        return -1;
    }

    private static int skipBlanks(String line, int from) {
        int at = from;
        while (at < line.length() && isBlank(line.charAt(at))) {
            at++;
        }
        return at;
    }

    private static boolean isBlank(char c) {
        return c == ' ' || c >= '\t' && c <= '\r';
    }

    private static String unquoted(String word) {
        StringBuilder text = new StringBuilder();
        for (int i = 1; i < word.length() - 1; i++) {
            if (word.charAt(i) == '\\') {
                i++;
            }
            text.append(word.charAt(i));
        }
        return text.toString();
    }

    private static String shortened(String text) {
        return text.length() <= SHOWN ? text : text.substring(0, SHOWN) + "…";
    }

    /** The mend of an address is a mend of the line: its arguments stay. */
    private static AddressText.Fault wholeLine(AddressText.Fault fault, String line) {
        return new AddressText.Fault(
                fault.message(), fault.mend().map(address -> address + line.replaceFirst("^\\S+", "")));
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
