package imperan.address;

import imperan.address.MessageLine.Word;
import imperan.osc.OscArgument;
import imperan.osc.OscText;
import imperan.osc.TimeTag;
import java.math.BigInteger;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Arguments written as words, after type tags that say what each is (OSC 1.0, "OSC Type Tag String"): numbers for {@code i h f d}, a text for {@code s S},
 * one character for {@code c}, hexadecimal digits for {@code b} (bytes), {@code r} (red, green, blue, alpha) and {@code m} (port, status, two data bytes),
 * {@code now}, a time such as {@code 2026-05-01T20:00:00Z} or the 16 hexadecimal digits of the tag for {@code t}, and no word for {@code T F N I}.
 *
 * @param fault why they are none, one sentence; empty where they are
 */
record TypedWords(List<OscArgument> arguments, Optional<String> fault) {

    private static final Pattern TAGS = Pattern.compile(",[ifsbhtdScrmTFNI\\[\\]]*");
    private static final String NOW = "now";

    /** Unwinds the reading; never leaves this class, and carries no stack. */
    private static final class Bad extends RuntimeException {
        private static final long serialVersionUID = 1;

        Bad(String why) {
            super(why, null, false, false);
        }
    }

    static boolean isTags(Word word) {
        return !word.quoted() && TAGS.matcher(word.text()).matches();
    }

    static TypedWords read(String tags, List<Word> words) {
        Reader reader = new Reader(tags, words);
        try {
            List<OscArgument> arguments = reader.list(0);
            if (reader.word < words.size()) {
                throw new Bad("“" + words.get(reader.word).text() + "” has no type tag in " + tags);
            }
            return new TypedWords(arguments, Optional.empty());
        } catch (Bad bad) {
            return new TypedWords(List.of(), Optional.of(bad.getMessage()));
        }
    }

    private static final class Reader {
        private final String tags;
        private final List<Word> words;
        private int tag = 1;
        private int word;

        Reader(String tags, List<Word> words) {
            this.tags = tags;
            this.words = words;
        }

        List<OscArgument> list(int depth) {
            List<OscArgument> found = new ArrayList<>();
            while (tag < tags.length()) {
                char type = tags.charAt(tag++);
                if (type == ']' && depth > 0) {
                    return found;
                } else if (type == ']') {
                    throw new Bad("The type tags " + tags + " end an array that never began");
                } else if (type == '[') {
                    found.add(new OscArgument.Array(list(depth + 1)));
                } else {
                    found.add(argument(type));
                }
            }
            if (depth > 0) {
                throw new Bad("The type tags " + tags + " begin an array that never ends");
            }
            return found;
        }

        private OscArgument argument(char type) {
            return switch (type) {
                case 'T' -> OscArgument.Bare.TRUE;
                case 'F' -> OscArgument.Bare.FALSE;
                case 'N' -> OscArgument.Bare.NIL;
                case 'I' -> OscArgument.Bare.IMPULSE;
                default -> {
                    if (word == words.size()) {
                        throw new Bad("The type tags " + tags + " ask for more arguments than there are");
                    }
                    String text = words.get(word++).text();
                    try {
                        yield said(type, text);
                    } catch (RuntimeException e) {
                        throw new Bad("“" + text + "” is no " + called(type));
                    }
                }
            };
        }
    }

    private static OscArgument said(char type, String text) {
        return switch (type) {
            case 'i' -> new OscArgument.Int32(Integer.parseInt(text));
            case 'h' -> new OscArgument.Int64(Long.parseLong(text));
            case 'f' -> new OscArgument.Float32(Float.parseFloat(text));
            case 'd' -> new OscArgument.Float64(Double.parseDouble(text));
            case 's' -> new OscArgument.Text(text);
            case 'S' -> new OscArgument.Symbol(text);
            case 'c' -> new OscArgument.Char(
                    text.codePointCount(0, text.length()) == 1 ? text.codePointAt(0) : (int) hex(text.substring(2), 8));
            case 'b' -> new OscArgument.Blob(HexFormat.of().parseHex(text));
            case 'r' -> new OscArgument.Rgba((int) hex(text.startsWith("#") ? text.substring(1) : text, 8));
            case 'm' -> new OscArgument.Midi((int) hex(text, 8));
            default -> new OscArgument.Time(
                    text.equals(NOW)
                            ? TimeTag.IMMEDIATELY
                            : text.length() == 16 ? new TimeTag(hex(text, 16)) : TimeTag.at(Instant.parse(text)));
        };
    }

    private static long hex(String digits, int most) {
        if (digits.length() > most || digits.startsWith("-") || digits.startsWith("+")) {
            throw new NumberFormatException(digits);
        }
        return new BigInteger(digits, 16).longValue();
    }

    private static String called(char type) {
        return switch (type) {
            case 'i' -> "int: a whole number of 32 bits";
            case 'h' -> "int64: a whole number of 64 bits";
            case 'f' -> "float";
            case 'd' -> "double";
            case 'c' -> "character";
            case 'b' -> "blob: two hexadecimal digits for each byte";
            case 'r' -> "colour: eight hexadecimal digits, such as ff8000ff";
            case 'm' -> "MIDI message: eight hexadecimal digits";
            case 't' -> "time: now, or such as 2026-05-01T20:00:00Z";
            default -> "text";
        };
    }

    /** Type tags and words that read as these arguments. A message that came without type tags has none, so its bytes are a blob. */
    static String write(List<OscArgument> arguments) {
        if (arguments.size() == 1 && arguments.get(0) instanceof OscArgument.Untyped untyped) {
            return write(List.of(new OscArgument.Blob(untyped.value())));
        }
        return arguments.isEmpty()
                ? ""
                : OscText.typeTags(arguments)
                        + arguments.stream().map(TypedWords::word).collect(Collectors.joining());
    }

    private static String word(OscArgument argument) {
        if (argument instanceof OscArgument.Bare) {
            return "";
        } else if (argument instanceof OscArgument.Array array) {
            return array.elements().stream().map(TypedWords::word).collect(Collectors.joining());
        } else if (argument instanceof OscArgument.Text text) {
            return " " + quoted(text.value());
        } else if (argument instanceof OscArgument.Symbol symbol) {
            return " " + quoted(symbol.value());
        } else if (argument instanceof OscArgument.Blob blob) {
            return " " + (blob.value().length == 0 ? "\"\"" : HexFormat.of().formatHex(blob.value()));
        } else if (argument instanceof OscArgument.Char character) {
            return " 0x" + Integer.toHexString(character.code());
        } else if (argument instanceof OscArgument.Time time) {
            return " "
                    + (time.value().isImmediate()
                            ? NOW
                            : HexFormat.of().toHexDigits(time.value().bits()));
        }
        return " " + argument.text();
    }

    static String quoted(String text) {
        return '"' + text.replace("\\", "\\\\").replace("\"", "\\\"") + '"';
    }
}
