package imperan.osc;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Bytes to packets, strictly: anything OSC 1.0 does not allow is {@link Decoded.Malformed} with its offset and reason,
 * except a message without a type tag string, which the specification asks receivers to tolerate. Holds no state, so
 * one decoder serves all threads. Time and memory are linear in the packet.
 */
public final class OscDecoder {

    /** The largest UDP payload over IPv4. */
    public static final int UDP_MAX_BYTES = 65_507;

    private static final VarHandle INT = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.BIG_ENDIAN);
    private static final VarHandle LONG = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.BIG_ENDIAN);

    private static final long LOW_BITS = 0x0101_0101_0101_0101L;
    private static final long TOP_BITS = 0x8080_8080_8080_8080L;

    private final int maxPacketBytes;
    private final int maxBundleDepth;
    private final int maxArrayDepth;
    private final boolean bareAddresses;

    /** Limits that no sensible sender meets: a full datagram, bundles and arrays 16 deep. */
    public OscDecoder() {
        this(UDP_MAX_BYTES, 16, 16);
    }

    /** A decoder that also takes messages whose address does not begin with a slash, as some programs send them. */
    public static OscDecoder takingBareAddresses() {
        return new OscDecoder(UDP_MAX_BYTES, 16, 16, true);
    }

    /**
     * @param maxPacketBytes longer packets are refused
     * @param maxBundleDepth how many bundles may lie inside each other; 1 allows a bundle of messages only
     * @param maxArrayDepth  how many arrays may lie inside each other
     */
    public OscDecoder(int maxPacketBytes, int maxBundleDepth, int maxArrayDepth) {
        this(maxPacketBytes, maxBundleDepth, maxArrayDepth, false);
    }

    private OscDecoder(int maxPacketBytes, int maxBundleDepth, int maxArrayDepth, boolean bareAddresses) {
        this.bareAddresses = bareAddresses;
        this.maxPacketBytes = maxPacketBytes;
        this.maxBundleDepth = maxBundleDepth;
        this.maxArrayDepth = maxArrayDepth;
    }

    public Decoded decode(byte[] bytes) {
        return decode(bytes, 0, bytes.length);
    }

    /** Reads {@code length} bytes from {@code offset}; offsets in the answer count from there. */
    public Decoded decode(byte[] bytes, int offset, int length) {
        try {
            if (length > maxPacketBytes) {
                throw new Bad(offset, "The packet has " + length + " bytes; the limit is " + maxPacketBytes);
            }
            return new Decoded.Whole(new Reader(bytes).packet(offset, offset + length, 0, TimeTag.IMMEDIATELY));
        } catch (Bad bad) {
            return new Decoded.Malformed(bad.offset - offset, bad.getMessage());
        }
    }

    private static String hex(byte value) {
        return "0x" + Integer.toHexString(value & 0xFF);
    }

    /** Unwinds the reader to its entry; never leaves this class, and carries no stack. */
    private static final class Bad extends RuntimeException {
        private final transient int offset;

        Bad(int offset, String reason) {
            super(reason, null, false, false);
            this.offset = offset;
        }
    }

    private final class Reader {

        private final byte[] bytes;
        private int at;
        private boolean ascii;

        Reader(byte[] bytes) {
            this.bytes = bytes;
        }

        OscPacket packet(int from, int end, int depth, TimeTag outer) {
            at = from;
            if (from == end) {
                throw new Bad(from, "The packet is empty");
            }
            if ((end - from) % 4 != 0) {
                throw new Bad(end, "The size is " + (end - from) + " bytes, which is not a multiple of 4");
            }
            return switch (bytes[from]) {
                case '/' -> message(end);
                case '#' -> bundle(end, depth + 1, outer);
                default -> {
                    if (bareAddresses) {
                        yield bareMessage(end);
                    }
                    throw new Bad(
                            from, "A packet begins with '/' or '#bundle', this one with byte " + hex(bytes[from]));
                }
            };
        }

        /** Without the slash there is nothing to know a message by, so the rest must be as it should: ASCII, then type tags. */
        private OscMessage bareMessage(int end) {
            int from = at;
            for (int i = from; i == from || i < end && bytes[i] != 0; i++) {
                if (bytes[i] <= ' ' || bytes[i] > '~' || bytes[i] == ',') {
                    throw new Bad(
                            from,
                            "A packet begins with '/' or '#bundle', this one with byte " + hex(bytes[from])
                                    + ", and it is no address without its slash either");
                }
            }
            OscMessage message = message(end);
            if (!message.arguments().isEmpty() && message.arguments().get(0) instanceof OscArgument.Untyped) {
                throw new Bad(from, "A message whose address has no slash must have type tags");
            }
            return message;
        }

        private OscBundle bundle(int end, int depth, TimeTag outer) {
            int start = at;
            byte[] mark = OscEncoder.BUNDLE_MARK;
            if (end - at < mark.length || !Arrays.equals(bytes, at, at + mark.length, mark, 0, mark.length)) {
                throw new Bad(at, "A packet that begins with '#' must begin with '#bundle' and a NUL");
            }
            if (depth > maxBundleDepth) {
                throw new Bad(at, "Bundles lie more than " + maxBundleDepth + " deep");
            }
            at += mark.length;
            TimeTag time = new TimeTag(int64(end, "the time tag of the bundle"));
            if (time.compareTo(outer) < 0 && !outer.isImmediate()) {
                throw new Bad(start + mark.length, "The inner bundle is due before the bundle that holds it");
            }
            List<OscPacket> elements = new ArrayList<>(1);
            while (at < end) {
                int sizeAt = at;
                int size = int32(end, "the size of a bundle element");
                if (size < 0 || size > end - at) {
                    throw new Bad(sizeAt, "The bundle element claims " + size + " bytes, " + (end - at) + " are left");
                }
                int elementEnd = at + size;
                elements.add(packet(at, elementEnd, depth, time));
                at = elementEnd;
            }
            return new OscBundle(time, elements);
        }

        private OscMessage message(int end) {
            String address = string(end, "the address");
            if (at == end) {
                return new OscMessage(address, List.of());
            }
            if (bytes[at] != ',') {
                OscArgument rest = new OscArgument.Untyped(Arrays.copyOfRange(bytes, at, end));
                at = end;
                return new OscMessage(address, List.of(rest));
            }
            int tag = at + 1;
            int tagsEnd = stringEnd(end, "the type tag string");
            List<OscArgument> arguments;
            if (tagsEnd - tag == 1 && bytes[tag] != '[' && bytes[tag] != ']') {
                arguments = List.of(argument(tag, end));
            } else {
                arguments = new Tags(tag, tagsEnd, end).list(0);
            }
            if (at != end) {
                throw new Bad(at, (end - at) + " bytes are left after the last argument");
            }
            return new OscMessage(address, arguments);
        }

        /** Walks a type tag string; arrays make it recursive. */
        private final class Tags {
            private int tag;
            private final int tagsEnd;
            private final int end;

            Tags(int tag, int tagsEnd, int end) {
                this.tag = tag;
                this.tagsEnd = tagsEnd;
                this.end = end;
            }

            List<OscArgument> list(int depth) {
                int opened = tag - 1;
                OscArgument[] found = new OscArgument[count()];
                int size = 0;
                while (tag < tagsEnd) {
                    byte type = bytes[tag];
                    if (type == ']') {
                        if (depth == 0) {
                            throw new Bad(tag, "An array ends that never began: ']' without '['");
                        }
                        tag++;
                        return List.of(found);
                    } else if (type == '[') {
                        if (depth == maxArrayDepth) {
                            throw new Bad(tag, "Arrays lie more than " + maxArrayDepth + " deep");
                        }
                        tag++;
                        found[size++] = new OscArgument.Array(list(depth + 1));
                    } else {
                        found[size++] = argument(tag++, end);
                    }
                }
                if (depth > 0) {
                    throw new Bad(opened, "An array begins that never ends: '[' without ']'");
                }
                return List.of(found);
            }

            /** Elements of the list that begins here, counting an array within it as one. */
            private int count() {
                int count = 0;
                int nested = 0;
                for (int i = tag; i < tagsEnd && nested >= 0; i++) {
                    if (bytes[i] == '[') {
                        count += nested++ == 0 ? 1 : 0;
                    } else if (bytes[i] == ']') {
                        nested--;
                    } else if (nested == 0) {
                        count++;
                    }
                }
                return count;
            }
        }

        /** The types that nearly all messages carry; a small method, so that it is inlined where it is called. */
        private OscArgument argument(int tagAt, int end) {
            return switch (bytes[tagAt]) {
                case 'f' -> new OscArgument.Float32(Float.intBitsToFloat(int32(end, "a float")));
                case 'i' -> new OscArgument.Int32(int32(end, "an integer"));
                default -> rarerArgument(tagAt, end);
            };
        }

        private OscArgument rarerArgument(int tagAt, int end) {
            return switch (bytes[tagAt]) {
                case 's' -> new OscArgument.Text(string(end, "a string"));
                case 'b' -> blob(end);
                case 'h' -> new OscArgument.Int64(int64(end, "a 64-bit integer"));
                case 't' -> new OscArgument.Time(new TimeTag(int64(end, "a time tag")));
                case 'd' -> new OscArgument.Float64(Double.longBitsToDouble(int64(end, "a double")));
                case 'S' -> new OscArgument.Symbol(string(end, "a symbol"));
                case 'c' -> new OscArgument.Char(int32(end, "a character"));
                case 'r' -> new OscArgument.Rgba(int32(end, "a colour"));
                case 'm' -> new OscArgument.Midi(int32(end, "a MIDI message"));
                case 'T' -> OscArgument.Bare.TRUE;
                case 'F' -> OscArgument.Bare.FALSE;
                case 'N' -> OscArgument.Bare.NIL;
                case 'I' -> OscArgument.Bare.IMPULSE;
                default -> throw new Bad(tagAt, "The type tag " + hex(bytes[tagAt]) + " is not one of OSC 1.0");
            };
        }

        private OscArgument blob(int end) {
            int sizeAt = at;
            int size = int32(end, "the size of a blob");
            if (size < 0 || size > end - at) {
                throw new Bad(sizeAt, "The blob claims " + size + " bytes, " + (end - at) + " are left");
            }
            byte[] value = Arrays.copyOfRange(bytes, at, at + size);
            int start = at;
            at += size;
            padding(start, end, "the blob");
            return new OscArgument.Blob(value);
        }

        private int int32(int end, String what) {
            if (end - at < Integer.BYTES) {
                throw new Bad(at, "The packet ends inside " + what);
            }
            int value = (int) INT.get(bytes, at);
            at += Integer.BYTES;
            return value;
        }

        private long int64(int end, String what) {
            if (end - at < Long.BYTES) {
                throw new Bad(at, "The packet ends inside " + what);
            }
            long value = (long) LONG.get(bytes, at);
            at += Long.BYTES;
            return value;
        }

        private String string(int end, String what) {
            int from = at;
            int stop = stringEnd(end, what);
            if (ascii) {
                return asciiString(bytes, from, stop - from);
            }
            int bad = Utf8.firstInvalid(bytes, from, stop);
            if (bad >= 0) {
                throw new Bad(bad, "Byte " + hex(bytes[bad]) + " in " + what + " is not UTF-8");
            }
            return new String(bytes, from, stop - from, StandardCharsets.UTF_8);
        }

        /** For bytes that are known to be ASCII, this constructor is a copy and small enough to be inlined; no other is. */
        @SuppressWarnings("deprecation")
        private static String asciiString(byte[] bytes, int from, int length) {
            return new String(bytes, 0, from, length);
        }

        /**
         * Moves past the string and its padding and notes whether it is ASCII; the answer is the offset of its NUL. Eight
         * bytes at a time as long as none of them is NUL.
         */
        private int stringEnd(int end, String what) {
            int start = at;
            int i = at;
            long tops = 0;
            while (end - i >= Long.BYTES) {
                long eight = (long) LONG.get(bytes, i);
                if ((eight - LOW_BITS & ~eight & TOP_BITS) != 0) {
                    break;
                }
                tops |= eight;
                i += Long.BYTES;
            }
            while (i < end && bytes[i] != 0) {
                tops |= bytes[i++];
            }
            ascii = (tops & TOP_BITS) == 0;
            if (i == end) {
                throw new Bad(start, "The packet ends before " + what + " does: no NUL");
            }
            at = i + 1;
            padding(start, end, what);
            return i;
        }

        private void padding(int start, int end, String what) {
            int stop = start + ((at - start + 3) & ~3);
            if (stop > end) {
                throw new Bad(at, "The packet ends inside the padding of " + what);
            }
            for (; at < stop; at++) {
                if (bytes[at] != 0) {
                    throw new Bad(at, "The padding of " + what + " is not NUL");
                }
            }
        }
    }
}
