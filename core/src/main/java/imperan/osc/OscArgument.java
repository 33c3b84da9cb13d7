package imperan.osc;

import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;

/** One argument of a message with its type (OSC 1.0, "OSC Type Tag String", required and nonstandard types). */
public sealed interface OscArgument {

    /** The type tag as sent; {@code '['} for an array, whose tag string also holds its elements and {@code ']'}. */
    char tag();

    /** The value as a person reads it, without its type. */
    String text();

    /** {@code i}: 32-bit two's complement. */
    record Int32(int value) implements OscArgument {
        @Override
        public char tag() {
            return 'i';
        }

        @Override
        public String text() {
            return Integer.toString(value);
        }
    }

    /** {@code f}: 32-bit IEEE 754. */
    record Float32(float value) implements OscArgument {
        @Override
        public char tag() {
            return 'f';
        }

        @Override
        public String text() {
            return Float.toString(value);
        }
    }

    /** {@code s}: text without NUL, sent as UTF-8 (of which the ASCII of OSC 1.0 is a part). */
    record Text(String value) implements OscArgument {
        public Text {
            requireNoNul(value);
        }

        @Override
        public char tag() {
            return 's';
        }

        @Override
        public String text() {
            return value;
        }
    }

    /** {@code S}: a text that the receiver tells apart from a string, such as a symbol. */
    record Symbol(String value) implements OscArgument {
        public Symbol {
            requireNoNul(value);
        }

        @Override
        public char tag() {
            return 'S';
        }

        @Override
        public String text() {
            return value;
        }
    }

    /** {@code b}: bytes. The array is the value's own; callers do not write to it. */
    record Blob(byte[] value) implements OscArgument {
        @Override
        public char tag() {
            return 'b';
        }

        @Override
        public String text() {
            return value.length + " bytes " + HexFormat.of().formatHex(value);
        }

        @Override
        public boolean equals(Object o) {
            return o instanceof Blob b && Arrays.equals(value, b.value);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(value);
        }
    }

    /** {@code h}: 64-bit two's complement. */
    record Int64(long value) implements OscArgument {
        @Override
        public char tag() {
            return 'h';
        }

        @Override
        public String text() {
            return Long.toString(value);
        }
    }

    /** {@code t}: a time. */
    record Time(TimeTag value) implements OscArgument {
        @Override
        public char tag() {
            return 't';
        }

        @Override
        public String text() {
            return value.isImmediate() ? "immediately" : value.toInstant().toString();
        }
    }

    /** {@code d}: 64-bit IEEE 754. */
    record Float64(double value) implements OscArgument {
        @Override
        public char tag() {
            return 'd';
        }

        @Override
        public String text() {
            return Double.toString(value);
        }
    }

    /** {@code c}: one character as 32 bits; ASCII by the specification, any 32 bits on the wire. */
    record Char(int code) implements OscArgument {
        @Override
        public char tag() {
            return 'c';
        }

        @Override
        public String text() {
            return Character.isValidCodePoint(code) && !Character.isISOControl(code)
                    ? Character.toString(code)
                    : "0x" + Integer.toHexString(code);
        }
    }

    /** {@code r}: red, green, blue, alpha, one byte each from the top. */
    record Rgba(int value) implements OscArgument {
        @Override
        public char tag() {
            return 'r';
        }

        @Override
        public String text() {
            return "#" + HexFormat.of().toHexDigits(value);
        }
    }

    /** {@code m}: port id, status byte, two data bytes from the top. */
    record Midi(int value) implements OscArgument {
        @Override
        public char tag() {
            return 'm';
        }

        @Override
        public String text() {
            return HexFormat.of().toHexDigits(value);
        }
    }

    /** The types that are only a tag and have no bytes. */
    enum Bare implements OscArgument {
        TRUE('T', "true"),
        FALSE('F', "false"),
        NIL('N', "nil"),
        IMPULSE('I', "impulse");

        private final char tag;
        private final String text;

        Bare(char tag, String text) {
            this.tag = tag;
            this.text = text;
        }

        @Override
        public char tag() {
            return tag;
        }

        @Override
        public String text() {
            return text;
        }
    }

    /** {@code [ … ]}: arguments that belong together. */
    record Array(List<OscArgument> elements) implements OscArgument {
        public Array {
            elements = List.copyOf(elements);
            for (int i = 0; i < elements.size(); i++) {
                if (elements.get(i) instanceof Untyped) {
                    throw new IllegalArgumentException("Untyped data is never inside an array");
                }
            }
        }

        @Override
        public char tag() {
            return '[';
        }

        @Override
        public String text() {
            return elements.stream().map(OscArgument::text).toList().toString();
        }
    }

    /**
     * The bytes after the address of a message that came without a type tag string, as old senders omit it ("OSC Type
     * Tag String": receivers "should be robust in the case of a missing OSC Type Tag String"). Not a type of its own.
     */
    record Untyped(byte[] value) implements OscArgument {
        public Untyped {
            if (value.length == 0 || value.length % 4 != 0 || value[0] == ',') {
                throw new IllegalArgumentException("Untyped data is a positive multiple of 4 bytes without type tags");
            }
        }

        @Override
        public char tag() {
            return '?';
        }

        @Override
        public String text() {
            return "untyped " + HexFormat.of().formatHex(value);
        }

        @Override
        public boolean equals(Object o) {
            return o instanceof Untyped u && Arrays.equals(value, u.value);
        }

        @Override
        public int hashCode() {
            return Arrays.hashCode(value);
        }
    }

    private static void requireNoNul(String value) {
        if (value.indexOf('\0') >= 0) {
            throw new IllegalArgumentException("An OSC string ends at NUL, so it cannot hold one");
        }
    }
}
