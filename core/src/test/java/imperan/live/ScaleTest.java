package imperan.live;

import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import java.util.Locale;
import java.util.Random;

import static org.assertj.core.api.Assertions.assertThat;

/** How a position is said as the argument that is sent. */
class ScaleTest {

    @ParameterizedTest
    @CsvSource({"0, 1, 0.5, false, 0.500", "-60, 10, 0.25, false, -42.5", "0, 127, 0.5, true, 64", "0, 127, 0.5, false, 63.5", "1, 0, 0.1, false, 0.900",
            "20, 20000, 0.5, false, 10010", "-1, 1, 0.49999, false, 0.00", "0, 0.0001, 0.5, false, 0.000050"})
    void aPositionIsSaidWithAsManyDecimalsAsItsRangeNeeds(double low, double high, double position, boolean whole, String text) {
        assertThat(new Scale(low, high).text(position, whole)).isEqualTo(text);
    }

    /** The numbers of java.util.Formatter, which rounds halves up, are the outside source; it has a minus for nothing, we have not. */
    @RepeatedTest(20)
    void itIsSaidAsAFormatterSaysIt(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        for (int i = 0; i < 500; i++) {
            double low = random.nextGaussian() * Math.pow(10, random.nextInt(6) - 2);
            double high = low + random.nextDouble() * Math.pow(10, random.nextInt(6) - 2);
            Scale scale = new Scale(low, high);
            double position = random.nextDouble();
            String said = scale.text(position, false);
            int decimals = said.contains(".") ? said.length() - said.indexOf('.') - 1 : 0;
            String formatted = String.format(Locale.ROOT, "%." + decimals + "f", scale.value(position));
            assertThat(said).isEqualTo(formatted.matches("-0[.]?0*") ? formatted.substring(1) : formatted);
        }
    }
}
