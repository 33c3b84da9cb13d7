package imperan.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

public class PictureTest {

    /** A picture of that many pixels, in a format that Java writes. */
    public static Picture picture(String format, int width, int height) {
        return ((Picture.Read.Good) Picture.read(bytes(format, width, height))).picture();
    }

    private static byte[] bytes(String format, int width, int height) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static String refused(byte[] bytes) {
        return ((Picture.Read.Bad) Picture.read(bytes)).reason();
    }

    @ParameterizedTest
    @CsvSource({"png, PNG, image/png", "jpg, JPEG, image/jpeg"})
    void aPictureIsKnownByWhatItHoldsAndNotByItsName(String format, Picture.Type type, String mediaType) {
        Picture picture = picture(format, 7, 4);
        assertThat(picture.type()).isEqualTo(type);
        assertThat(picture.type().mediaType()).isEqualTo(mediaType);
        assertThat(picture.hash())
                .isEqualTo(picture(format, 7, 4).hash())
                .isNotEqualTo(picture(format, 4, 7).hash());
    }

    /** Source: the smallest PNG of one black pixel, as many documents print it; its SHA-256 by sha256sum (GNU coreutils). */
    @Test
    void theHashIsTheSha256OfTheFile() {
        byte[] pixel = HexFormat.of()
                .parseHex(
                        "89504e470d0a1a0a0000000d4948445200000001000000010804000000b51c0c020000000b4944415478da6364f80f00010501012718e3660000000049454e44ae426082");
        assertThat(((Picture.Read.Good) Picture.read(pixel)).picture().hash())
                .isEqualTo("431ced6916a2a21a156e38701afe55bbd7f88969fbbfc56d7fe099d47f265460");
    }

    @Test
    void whatIsNoPictureIsRefusedWithTheMend() {
        assertThat(refused("<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8)))
                .contains("no PNG and no JPEG");
        assertThat(refused(bytes("gif", 3, 3))).contains("no PNG and no JPEG");
        assertThat(refused(new byte[0])).contains("no PNG and no JPEG");
        byte[] whole = bytes("png", 200, 200);
        assertThat(refused(Arrays.copyOf(whole, whole.length / 2))).contains("damaged");
        assertThat(refused(Arrays.copyOf(whole, Picture.MOST_BYTES + 1))).contains("at most 512");
        assertThat(refused(bytes("png", Picture.MOST_PIXELS + 1, 1))).contains("2049 × 1");
        assertThat(picture("png", Picture.MOST_PIXELS, 1).type()).isEqualTo(Picture.Type.PNG);
    }

    /** A chunk of a PNG (W3C "Portable Network Graphics", section 5.3), put behind the header. */
    private static byte[] withChunk(byte[] png, String name, byte[] data) {
        ByteBuffer chunk = ByteBuffer.allocate(12 + data.length)
                .putInt(data.length)
                .put(name.getBytes(StandardCharsets.ISO_8859_1))
                .put(data);
        CRC32 crc = new CRC32();
        crc.update(chunk.array(), 4, 4 + data.length);
        chunk.putInt((int) crc.getValue());
        int header = 8 + 25;
        return ByteBuffer.allocate(png.length + chunk.capacity())
                .put(png, 0, header)
                .put(chunk.array())
                .put(png, header, png.length - header)
                .array();
    }

    private static byte[] deflated(int zeros) {
        byte[] out = new byte[zeros / 500 + 1000];
        Deflater deflater = new Deflater(Deflater.BEST_COMPRESSION);
        deflater.setInput(new byte[zeros]);
        deflater.finish();
        return Arrays.copyOf(out, deflater.deflate(out));
    }

    private static byte[] joined(byte[] head, byte[] rest) {
        return ByteBuffer.allocate(head.length + rest.length)
                .put(head)
                .put(rest)
                .array();
    }

    /** Texts and profiles that unpack to hundreds of MB are not unpacked: the memory that reading allocates tells. */
    @ParameterizedTest
    @ValueSource(strings = {"zTXt", "iTXt", "iCCP"})
    void whatIsNotPixelsIsNotUnpacked(String chunk) {
        byte[] head =
                switch (chunk) {
                    case "zTXt" -> "note\0\0".getBytes(StandardCharsets.ISO_8859_1);
                    case "iTXt" -> "note\0\1\0\0\0".getBytes(StandardCharsets.ISO_8859_1);
                    default -> "profile\0\0".getBytes(StandardCharsets.ISO_8859_1);
                };
        byte[] bomb = withChunk(bytes("png", 1, 1), chunk, joined(head, deflated(200 << 20)));
        assertThat(bomb.length).isLessThan(Picture.MOST_BYTES);
        com.sun.management.ThreadMXBean threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getThreadAllocatedBytes(Thread.currentThread().getId());
        assertThat(Picture.read(bomb)).isInstanceOf(Picture.Read.Good.class);
        assertThat(Picture.kept(bomb)).isPresent();
        assertThat(threads.getThreadAllocatedBytes(Thread.currentThread().getId()) - before)
                .isLessThan(20L << 20);
    }

    @Test
    void whatWasKeptIsNotDecodedAgain() {
        byte[] png = bytes("png", 30, 30);
        byte[] headOnly = Arrays.copyOf(png, 40);
        assertThat(Picture.kept(headOnly))
                .hasValueSatisfying(picture -> assertThat(picture.type()).isEqualTo(Picture.Type.PNG));
        assertThat(Picture.kept("<svg/>".getBytes(StandardCharsets.UTF_8))).isEmpty();
        assertThat(Picture.read(headOnly)).isInstanceOf(Picture.Read.Bad.class);
    }

    @Test
    void aJpegWithCommentsAndProfilesIsReadWithoutThem() {
        byte[] jpeg = bytes("jpg", 9, 9);
        byte[] profile = new byte[60_000];
        ByteBuffer segments = ByteBuffer.allocate(2 * (profile.length + 4));
        for (int marker : new int[] {0xE2, 0xFE}) {
            segments.put((byte) 0xFF)
                    .put((byte) marker)
                    .putShort((short) (profile.length + 2))
                    .put(profile);
        }
        byte[] made = ByteBuffer.allocate(jpeg.length + segments.capacity())
                .put(jpeg, 0, 2)
                .put(segments.array())
                .put(jpeg, 2, jpeg.length - 2)
                .array();
        assertThat(Picture.read(made)).isInstanceOf(Picture.Read.Good.class);
        assertThat(PictureBytes.pixelsOnly(Picture.Type.JPEG, made))
                .isEqualTo(PictureBytes.pixelsOnly(Picture.Type.JPEG, jpeg));
    }
}
