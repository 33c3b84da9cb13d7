package imperan.picture;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;

/**
 * A picture for controls. It is named by what it holds, so the same picture is kept once, never changes, and needs no copy where a
 * control goes to another show.
 */
public final class Picture {

    /** A picture of a few hundred pixels needs a tenth of this. */
    public static final int MOST_BYTES = 512 * 1024;

    /** A side of the largest screen that pages are made for. */
    public static final int MOST_PIXELS = 2048;

    /** Formats that every browser shows. */
    public enum Type {
        PNG("image/png"),
        JPEG("image/jpeg");

        private final String mediaType;

        Type(String mediaType) {
            this.mediaType = mediaType;
        }

        public String mediaType() {
            return mediaType;
        }
    }

    /** What came of looking at bytes. */
    public sealed interface Read {
        record Good(Picture picture) implements Read {}

        /** @param reason one sentence */
        record Bad(String reason) implements Read {}
    }

    private final String hash;
    private final Type type;
    private final byte[] bytes;

    private Picture(Type type, byte[] bytes) {
        this.hash = sha256(bytes);
        this.type = type;
        this.bytes = bytes;
    }

    /** A picture that was read before and has been kept since: nothing of it is decoded. Empty where the bytes are none. */
    public static Optional<Picture> kept(byte[] bytes) {
        return PictureBytes.type(bytes).map(type -> new Picture(type, bytes.clone()));
    }

    /**
     * Reads a picture whole, or says why it is none that can be shown. Only what makes its pixels is looked at: texts and colour profiles in it can be
     * many times as large as the file once they are unpacked. Its size is known before anything is decoded, which takes at most
     * {@value #MOST_PIXELS} squared times 8 bytes.
     */
    public static Read read(byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            return new Read.Bad("The picture has " + bytes.length / 1024 + " KiB; at most " + MOST_BYTES / 1024
                    + " are taken. Save it smaller first");
        }
        Optional<Type> type = PictureBytes.type(bytes);
        if (type.isEmpty()) {
            return new Read.Bad("This is no PNG and no JPEG. Save it as one of them first");
        }
        ImageReader reader =
                ImageIO.getImageReadersByFormatName(type.get().name()).next();
        try (ImageInputStream stream =
                new MemoryCacheImageInputStream(new ByteArrayInputStream(PictureBytes.pixelsOnly(type.get(), bytes)))) {
            reader.setInput(stream, true, true);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            if (width > MOST_PIXELS || height > MOST_PIXELS) {
                return new Read.Bad("The picture is " + width + " × " + height + " pixels; at most " + MOST_PIXELS
                        + " to a side are taken. " + "Save it smaller first");
            }
            // a header alone does not show whether the rest is there
            reader.read(0);
            return new Read.Good(new Picture(type.get(), bytes.clone()));
        } catch (IOException | RuntimeException e) {
            // readers of damaged pictures throw all sorts
            return new Read.Bad(
                    "This picture cannot be read: it is damaged, or its colours are meant for print. Save it as PNG first");
        } finally {
            reader.dispose();
        }
    }

    /** The SHA-256 of the bytes, in lower case. */
    public String hash() {
        return hash;
    }

    public Type type() {
        return type;
    }

    public byte[] bytes() {
        return bytes.clone();
    }

    private static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
