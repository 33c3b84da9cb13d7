package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HsvTest {

    /** Source: {@code java.awt.Color}, which counts in floats and in 256 steps. */
    @Test
    void randomColoursAreThoseOfAnotherImplementation() {
        Random random = new Random(7);
        for (int i = 0; i < 20_000; i++) {
            int r = random.nextInt(256);
            int g = random.nextInt(256);
            int b = random.nextInt(256);
            float[] theirs = Color.RGBtoHSB(r, g, b, null);
            Hsv ours = Hsv.ofRgb(r / 255.0, g / 255.0, b / 255.0);
            assertThat(ours.hue()).isEqualTo(theirs[0], within(1e-5));
            assertThat(ours.saturation()).isEqualTo(theirs[1], within(1e-5));
            assertThat(ours.value()).isEqualTo(theirs[2], within(1e-5));
            double[] back = ours.rgb();
            assertThat(new long[] {Math.round(back[0] * 255), Math.round(back[1] * 255), Math.round(back[2] * 255)})
                    .containsExactly(r, g, b);
        }
    }

    /** Source: CSS Color 4, the hues of its named colours (from memory): red 0°, lime 120°, blue 240°, yellow 60°, and white without a hue. */
    @ParameterizedTest
    @CsvSource({
        "1, 0, 0, 0, 1, 1",
        "0, 1, 0, 120, 1, 1",
        "0, 0, 1, 240, 1, 1",
        "1, 1, 0, 60, 1, 1",
        "1, 1, 1, 0, 0, 1",
        "0, 0, 0, 0, 0, 0"
    })
    void namedColours(double red, double green, double blue, double degrees, double saturation, double value) {
        Hsv hsv = Hsv.ofRgb(red, green, blue);
        assertThat(hsv.hue() * 360).isEqualTo(degrees, within(1e-9));
        assertThat(hsv.saturation()).isEqualTo(saturation);
        assertThat(hsv.value()).isEqualTo(value);
    }
}
