package imperan.osc;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.List;

/**
 * Packets to bytes (OSC 1.0: big-endian, everything padded to 4 bytes). Encoding into a caller's array creates no
 * garbage; the array is sized with {@link #sizeOf}.
 */
public final class OscEncoder {

    static final byte[] BUNDLE_MARK = {'#', 'b', 'u', 'n', 'd', 'l', 'e', 0};

    private static final VarHandle INT = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.BIG_ENDIAN);
    private static final VarHandle LONG = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.BIG_ENDIAN);

    /** Bytes of a bundle before its first element. */
    public static final int BUNDLE_HEAD_BYTES = BUNDLE_MARK.length + Long.BYTES;

    private OscEncoder() {}

    /** The packet in an array of exactly its size. */
    public static byte[] encode(OscPacket packet) {
        byte[] bytes = new byte[sizeOf(packet)];
        encode(packet, bytes, 0);
        return bytes;
    }

    /**
     * Writes the packet from {@code offset} on.
     *
     * @return the offset after its last byte
     * @throws IndexOutOfBoundsException where the array has no room for {@link #sizeOf} bytes from {@code offset}
     */
    public static int encode(OscPacket packet, byte[] out, int offset) {
        return packet instanceof OscMessage message
                ? message(message, out, offset)
                : bundle((OscBundle) packet, out, offset);
    }

    /** Bytes of the encoded packet, a multiple of 4. */
    public static int sizeOf(OscPacket packet) {
        if (packet instanceof OscMessage message) {
            List<OscArgument> arguments = message.arguments();
            int size = stringSize(message.address());
            if (isUntyped(arguments)) {
                return size + ((OscArgument.Untyped) arguments.get(0)).value().length;
            }
            return size + padded(1 + tagCount(arguments) + 1) + argumentsSize(arguments);
        }
        OscBundle bundle = (OscBundle) packet;
        int size = BUNDLE_HEAD_BYTES;
        for (int i = 0; i < bundle.elements().size(); i++) {
            size += Integer.BYTES + sizeOf(bundle.elements().get(i));
        }
        return size;
    }

    /** A bundle of packets that are encoded already. */
    public static byte[] bundle(TimeTag time, List<byte[]> elements) {
        byte[] out = new byte
                [BUNDLE_HEAD_BYTES
                        + elements.stream()
                                .mapToInt(element -> Integer.BYTES + element.length)
                                .sum()];
        int at = head(time, out, 0);
        for (byte[] element : elements) {
            INT.set(out, at, element.length);
            at = raw(element, out, at + Integer.BYTES);
        }
        return out;
    }

    private static int head(TimeTag time, byte[] out, int offset) {
        System.arraycopy(BUNDLE_MARK, 0, out, offset, BUNDLE_MARK.length);
        LONG.set(out, offset + BUNDLE_MARK.length, time.bits());
        return offset + BUNDLE_HEAD_BYTES;
    }

    private static int bundle(OscBundle bundle, byte[] out, int offset) {
        int at = head(bundle.time(), out, offset);
        for (int i = 0; i < bundle.elements().size(); i++) {
            int end = encode(bundle.elements().get(i), out, at + Integer.BYTES);
            INT.set(out, at, end - at - Integer.BYTES);
            at = end;
        }
        return at;
    }

    private static int message(OscMessage message, byte[] out, int offset) {
        List<OscArgument> arguments = message.arguments();
        int at = string(message.address(), out, offset);
        if (isUntyped(arguments)) {
            return raw(((OscArgument.Untyped) arguments.get(0)).value(), out, at);
        }
        out[at] = ',';
        int tagsEnd = tags(arguments, out, at + 1);
        out[tagsEnd] = 0;
        at = pad(out, tagsEnd + 1, at);
        return arguments(arguments, out, at);
    }

    private static int tags(List<OscArgument> arguments, byte[] out, int offset) {
        int at = offset;
        for (int i = 0; i < arguments.size(); i++) {
            OscArgument argument = arguments.get(i);
            out[at++] = (byte) argument.tag();
            if (argument instanceof OscArgument.Array array) {
                at = tags(array.elements(), out, at);
                out[at++] = ']';
            }
        }
        return at;
    }

    static int arguments(List<OscArgument> arguments, byte[] out, int offset) {
        int at = offset;
        for (int i = 0; i < arguments.size(); i++) {
            at = argument(arguments.get(i), out, at);
        }
        return at;
    }

    /** Writes the bytes of one argument, without its tag. */
    private static int argument(OscArgument argument, byte[] out, int at) {
        if (argument instanceof OscArgument.Float32 a) {
            return int32(Float.floatToRawIntBits(a.value()), out, at);
        } else if (argument instanceof OscArgument.Int32 a) {
            return int32(a.value(), out, at);
        } else if (argument instanceof OscArgument.Text a) {
            return string(a.value(), out, at);
        } else if (argument instanceof OscArgument.Blob a) {
            return pad(out, raw(a.value(), out, int32(a.value().length, out, at)), at);
        } else if (argument instanceof OscArgument.Int64 a) {
            return int64(a.value(), out, at);
        } else if (argument instanceof OscArgument.Float64 a) {
            return int64(Double.doubleToRawLongBits(a.value()), out, at);
        } else if (argument instanceof OscArgument.Time a) {
            return int64(a.value().bits(), out, at);
        } else if (argument instanceof OscArgument.Symbol a) {
            return string(a.value(), out, at);
        } else if (argument instanceof OscArgument.Char a) {
            return int32(a.code(), out, at);
        } else if (argument instanceof OscArgument.Rgba a) {
            return int32(a.value(), out, at);
        } else if (argument instanceof OscArgument.Midi a) {
            return int32(a.value(), out, at);
        } else if (argument instanceof OscArgument.Array a) {
            return arguments(a.elements(), out, at);
        }
        return at;
    }

    private static int int32(int value, byte[] out, int at) {
        INT.set(out, at, value);
        return at + Integer.BYTES;
    }

    private static int int64(long value, byte[] out, int at) {
        LONG.set(out, at, value);
        return at + Long.BYTES;
    }

    private static int raw(byte[] value, byte[] out, int at) {
        System.arraycopy(value, 0, out, at, value.length);
        return at + value.length;
    }

    private static int string(String value, byte[] out, int offset) {
        int at = offset;
        int length = value.length();
        for (int i = 0; i < length; i++) {
            char c = value.charAt(i);
            if (c >= 0x80) {
                at = utf8(value, i, out, at);
                break;
            }
            out[at++] = (byte) c;
        }
        out[at++] = 0;
        return pad(out, at, offset);
    }

    /** The rest of a string from its first character that is not ASCII; a lone surrogate becomes a question mark. */
    private static int utf8(String value, int from, byte[] out, int offset) {
        int at = offset;
        for (int i = from; i < value.length(); ) {
            int point = encodable(value.codePointAt(i));
            i += Character.charCount(point);
            if (point < 0x80) {
                out[at++] = (byte) point;
                continue;
            }
            int more = point < 0x800 ? 1 : point < 0x10000 ? 2 : 3;
            out[at++] = (byte) ((0xFF00 >> (more + 1)) & 0xFF | point >> (6 * more));
            while (more-- > 0) {
                out[at++] = (byte) (0x80 | point >> (6 * more) & 0x3F);
            }
        }
        return at;
    }

    private static int stringSize(String value) {
        int bytes = 0;
        for (int i = 0; i < value.length(); ) {
            int point = encodable(value.codePointAt(i));
            i += Character.charCount(point);
            bytes += point < 0x80 ? 1 : point < 0x800 ? 2 : point < 0x10000 ? 3 : 4;
        }
        return padded(bytes + 1);
    }

    private static int encodable(int point) {
        return point >= Character.MIN_SURROGATE && point <= Character.MAX_SURROGATE ? '?' : point;
    }

    private static int tagCount(List<OscArgument> arguments) {
        int count = arguments.size();
        for (int i = 0; i < arguments.size(); i++) {
            if (arguments.get(i) instanceof OscArgument.Array array) {
                count += tagCount(array.elements()) + 1;
            }
        }
        return count;
    }

    static int argumentsSize(List<OscArgument> arguments) {
        int size = 0;
        for (int i = 0; i < arguments.size(); i++) {
            size += argumentSize(arguments.get(i));
        }
        return size;
    }

    private static int argumentSize(OscArgument argument) {
        if (argument instanceof OscArgument.Text text) {
            return stringSize(text.value());
        } else if (argument instanceof OscArgument.Symbol symbol) {
            return stringSize(symbol.value());
        } else if (argument instanceof OscArgument.Blob blob) {
            return Integer.BYTES + padded(blob.value().length);
        } else if (argument instanceof OscArgument.Array array) {
            return argumentsSize(array.elements());
        } else if (argument instanceof OscArgument.Bare) {
            return 0;
        } else if (argument instanceof OscArgument.Int64
                || argument instanceof OscArgument.Float64
                || argument instanceof OscArgument.Time) {
            return Long.BYTES;
        }
        return Integer.BYTES;
    }

    private static boolean isUntyped(List<OscArgument> arguments) {
        return arguments.size() == 1 && arguments.get(0) instanceof OscArgument.Untyped;
    }

    /** Zeroes up to the next multiple of 4 counted from {@code start}; arrays are reused, so they are written. */
    private static int pad(byte[] out, int at, int start) {
        int end = start + padded(at - start);
        for (int i = at; i < end; i++) {
            out[i] = 0;
        }
        return end;
    }

    private static int padded(int size) {
        return (size + 3) & ~3;
    }
}
