package imperan.picture;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import javax.imageio.ImageIO;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;

import static org.assertj.core.api.Assertions.assertThat;

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
        assertThat(picture.width()).isEqualTo(7);
        assertThat(picture.height()).isEqualTo(4);
        assertThat(picture.hash()).isEqualTo(picture(format, 7, 4).hash()).isNotEqualTo(picture(format, 4, 7).hash());
    }

    /** Source: the smallest PNG of one black pixel, as many documents print it; its SHA-256 by sha256sum (GNU coreutils). */
    @Test
    void theHashIsTheSha256OfTheFile() {
        byte[] pixel = HexFormat.of().parseHex("89504e470d0a1a0a0000000d4948445200000001000000010804000000b51c0c020000000b4944415478da6364f80f00010501012718e3660000000049454e44ae426082");
        assertThat(((Picture.Read.Good) Picture.read(pixel)).picture().hash())
                .isEqualTo("431ced6916a2a21a156e38701afe55bbd7f88969fbbfc56d7fe099d47f265460");
    }

    @Test
    void whatIsNoPictureIsRefusedWithTheMend() {
        assertThat(refused("<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8))).contains("no PNG and no JPEG");
        assertThat(refused(bytes("gif", 3, 3))).contains("no PNG and no JPEG");
        assertThat(refused(new byte[0])).contains("no PNG and no JPEG");
        byte[] whole = bytes("png", 200, 200);
        assertThat(refused(Arrays.copyOf(whole, whole.length / 2))).contains("damaged");
        assertThat(refused(Arrays.copyOf(whole, Picture.MOST_BYTES + 1))).contains("at most 512");
        assertThat(refused(bytes("png", Picture.MOST_PIXELS + 1, 1))).contains("2049 × 1");
        assertThat(picture("png", Picture.MOST_PIXELS, 1).width()).isEqualTo(Picture.MOST_PIXELS);
    }
}
