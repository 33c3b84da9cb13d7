package imperan.osc;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Takes a packet apart, byte by byte, as far as it can be read: also one that {@link OscDecoder} refuses, which may break a rule that is no matter of where
 * its pieces lie. Time is linear in the packet.
 */
public final class OscDissection {

    /** Elements within elements; deeper ones are not read. */
    private static final int DEEPEST = 16;

    private final byte[] bytes;
    private final ByteBuffer numbers;
    private final List<OscPiece> pieces = new ArrayList<>();
    private int at;

    private OscDissection(byte[] bytes) {
        this.bytes = bytes;
        this.numbers = ByteBuffer.wrap(bytes);
    }

    /** The pieces in the order of their bytes. */
    public static List<OscPiece> of(byte[] packet) {
        OscDissection dissection = new OscDissection(packet);
        if (!dissection.packet(packet.length, 0) || dissection.at < packet.length) {
            dissection.take(
                    packet.length - dissection.at, 0, OscPiece.Kind.NOT_READ, packet.length - dissection.at + " bytes");
        }
        return List.copyOf(dissection.pieces);
    }

    private void take(int length, int depth, OscPiece.Kind kind, String meaning) {
        if (length > 0) {
            pieces.add(new OscPiece(at, length, depth, kind, meaning));
            at += length;
        }
    }

    /** @return whether it was read up to its end */
    private boolean packet(int end, int depth) {
        return at < end && (bytes[at] == '#' ? bundle(end, depth) : message(end, depth));
    }

    private boolean bundle(int end, int depth) {
        if (depth == DEEPEST || end - at < OscEncoder.BUNDLE_HEAD_BYTES) {
            return false;
        }
        take(Long.BYTES, depth, OscPiece.Kind.BUNDLE_MARK, "#bundle");
        take(Long.BYTES, depth, OscPiece.Kind.TIME_TAG, time(numbers.getLong(at)));
        while (at < end) {
            if (end - at < Integer.BYTES) {
                return false;
            }
            int size = numbers.getInt(at);
            if (size < 0 || size > end - at - Integer.BYTES) {
                return false;
            }
            take(Integer.BYTES, depth, OscPiece.Kind.ELEMENT_SIZE, size + " bytes");
            int elementEnd = at + size;
            if (!packet(elementEnd, depth + 1)) {
                take(elementEnd - at, depth + 1, OscPiece.Kind.NOT_READ, elementEnd - at + " bytes");
            }
        }
        return true;
    }

    private static String time(long tag) {
        TimeTag time = new TimeTag(tag);
        return time.isImmediate() ? "immediately" : time.toInstant().toString();
    }

    private boolean message(int end, int depth) {
        if (text(end, depth, OscPiece.Kind.ADDRESS).isEmpty()) {
            return false;
        } else if (at == end) {
            return true;
        } else if (bytes[at] != ',') {
            take(end - at, depth, OscPiece.Kind.UNTYPED, end - at + " bytes without type tags");
            return true;
        }
        Optional<String> tags = text(end, depth, OscPiece.Kind.TYPE_TAGS);
        return tags.isPresent()
                && tags.get().chars().skip(1).allMatch(tag -> argument((char) tag, end, depth))
                && at == end;
    }

    /** A text, the NUL that ends it, and what fills it up; empty where it does not end. */
    private Optional<String> text(int end, int depth, OscPiece.Kind kind) {
        int nul = at;
        while (nul < end && bytes[nul] != 0) {
            nul++;
        }
        int length = nul - at;
        int whole = (length / 4 + 1) * 4;
        if (nul == end || whole > end - at) {
            return Optional.empty();
        }
        String text = new String(bytes, at, length, StandardCharsets.UTF_8);
        take(length, depth, kind, text);
        take(whole - length, depth, OscPiece.Kind.PADDING, "");
        return Optional.of(text);
    }

    private boolean argument(char tag, int end, int depth) {
        int left = end - at;
        switch (tag) {
            case 'T', 'F', 'N', 'I', '[', ']' -> {
                return true;
            }
            case 's' -> {
                return text(end, depth, OscPiece.Kind.STRING).isPresent();
            }
            case 'S' -> {
                return text(end, depth, OscPiece.Kind.SYMBOL).isPresent();
            }
            case 'b' -> {
                return blob(end, depth);
            }
            case 'i', 'f', 'c', 'r', 'm' -> {
                if (left >= Integer.BYTES) {
                    word(tag, depth);
                }
                return left >= Integer.BYTES;
            }
            case 'h', 'd', 't' -> {
                if (left >= Long.BYTES) {
                    doubleWord(tag, depth);
                }
                return left >= Long.BYTES;
            }
            default -> {
                return false;
            }
        }
    }

    private void word(char tag, int depth) {
        int word = numbers.getInt(at);
        switch (tag) {
            case 'i' -> take(Integer.BYTES, depth, OscPiece.Kind.INT32, new OscArgument.Int32(word).text());
            case 'f' -> take(
                    Integer.BYTES,
                    depth,
                    OscPiece.Kind.FLOAT32,
                    new OscArgument.Float32(Float.intBitsToFloat(word)).text());
            case 'c' -> take(Integer.BYTES, depth, OscPiece.Kind.CHARACTER, new OscArgument.Char(word).text());
            case 'r' -> take(Integer.BYTES, depth, OscPiece.Kind.COLOUR, new OscArgument.Rgba(word).text());
            default -> take(Integer.BYTES, depth, OscPiece.Kind.MIDI, new OscArgument.Midi(word).text());
        }
    }

    private void doubleWord(char tag, int depth) {
        long word = numbers.getLong(at);
        switch (tag) {
            case 'h' -> take(Long.BYTES, depth, OscPiece.Kind.INT64, new OscArgument.Int64(word).text());
            case 'd' -> take(
                    Long.BYTES,
                    depth,
                    OscPiece.Kind.FLOAT64,
                    new OscArgument.Float64(Double.longBitsToDouble(word)).text());
            default -> take(Long.BYTES, depth, OscPiece.Kind.TIME, time(word));
        }
    }

    private boolean blob(int end, int depth) {
        if (end - at < Integer.BYTES) {
            return false;
        }
        int size = numbers.getInt(at);
        if (size < 0 || size > end - at - Integer.BYTES || (size + 3L) / 4 * 4 > end - at - Integer.BYTES) {
            return false;
        }
        take(Integer.BYTES, depth, OscPiece.Kind.BLOB_SIZE, size + " bytes");
        take(size, depth, OscPiece.Kind.BLOB, size + " bytes");
        take((size + 3) / 4 * 4 - size, depth, OscPiece.Kind.PADDING, "");
        return true;
    }
}
