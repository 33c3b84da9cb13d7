package imperan.picture;

import imperan.picture.Picture.Type;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/** How the bytes of picture files are laid out (PNG: W3C "Portable Network Graphics", section 5; JPEG: ITU-T T.81, annex B). */
final class PictureBytes {

    private static final byte[] PNG_SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};
    /** The chunks that make pixels. All others say something about them. */
    private static final Set<String> PIXEL_CHUNKS = Set.of("IHDR", "PLTE", "tRNS", "IDAT", "IEND");
    /** Length, name and checksum. */
    private static final int CHUNK_FRAME = 12;

    private static final int MARKER = 0xFF;
    private static final int START_OF_SCAN = 0xDA;
    private static final int FIRST_APPLICATION = 0xE1;
    private static final int LAST_APPLICATION = 0xEF;
    /** Says how the colours are written, so it is needed. */
    private static final int COLOUR_TRANSFORM = 0xEE;

    private static final int COMMENT = 0xFE;

    private PictureBytes() {}

    static Optional<Type> type(byte[] bytes) {
        if (bytes.length >= PNG_SIGNATURE.length
                && Arrays.equals(bytes, 0, PNG_SIGNATURE.length, PNG_SIGNATURE, 0, PNG_SIGNATURE.length)) {
            return Optional.of(Type.PNG);
        }
        return bytes.length >= 3
                        && (bytes[0] & 0xFF) == MARKER
                        && (bytes[1] & 0xFF) == 0xD8
                        && (bytes[2] & 0xFF) == MARKER
                ? Optional.of(Type.JPEG)
                : Optional.empty();
    }

    /** The same picture without texts, profiles and whatever else is not pixels. A damaged one stays damaged. */
    static byte[] pixelsOnly(Type type, byte[] bytes) {
        return type == Type.PNG ? png(bytes) : jpeg(bytes);
    }

    private static byte[] png(byte[] bytes) {
        ByteArrayOutputStream kept = new ByteArrayOutputStream(bytes.length);
        kept.write(bytes, 0, PNG_SIGNATURE.length);
        int at = PNG_SIGNATURE.length;
        while (at + CHUNK_FRAME <= bytes.length) {
            long length = (bytes[at] & 0xFFL) << 24
                    | (bytes[at + 1] & 0xFF) << 16
                    | (bytes[at + 2] & 0xFF) << 8
                    | bytes[at + 3] & 0xFF;
            if (length > bytes.length - at - CHUNK_FRAME) {
                break;
            }
            if (PIXEL_CHUNKS.contains(new String(bytes, at + 4, 4, StandardCharsets.ISO_8859_1))) {
                kept.write(bytes, at, (int) length + CHUNK_FRAME);
            }
            at += (int) length + CHUNK_FRAME;
        }
        return kept.toByteArray();
    }

    private static byte[] jpeg(byte[] bytes) {
        ByteArrayOutputStream kept = new ByteArrayOutputStream(bytes.length);
        kept.write(bytes, 0, 2);
        int at = 2;
        // segments with a length, up to the first scan; from there on everything is pixels
        while (at + 4 <= bytes.length && (bytes[at] & 0xFF) == MARKER && (bytes[at + 1] & 0xFF) != START_OF_SCAN) {
            int marker = bytes[at + 1] & 0xFF;
            int length = 2 + ((bytes[at + 2] & 0xFF) << 8 | bytes[at + 3] & 0xFF);
            if (marker == MARKER || length > bytes.length - at) {
                break;
            }
            boolean says = marker == COMMENT
                    || marker >= FIRST_APPLICATION && marker <= LAST_APPLICATION && marker != COLOUR_TRANSFORM;
            if (!says) {
                kept.write(bytes, at, length);
            }
            at += length;
        }
        kept.write(bytes, at, bytes.length - at);
        return kept.toByteArray();
    }
}
