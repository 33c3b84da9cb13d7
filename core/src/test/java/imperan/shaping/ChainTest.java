package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** From a position to the argument that is sent, and back. */
class ChainTest {

    @ParameterizedTest
    @CsvSource({
        "0, 1, 0.5, false, 0.500",
        "-60, 10, 0.25, false, -42.5",
        "0, 127, 0.5, true, 64",
        "0, 127, 0.5, false, 63.5",
        "1, 0, 0.1, false, 0.900",
        "20, 20000, 0.5, false, 10010",
        "-1, 1, 0.49999, false, 0.00",
        "0, 0.0001, 0.5, false, 0.000050"
    })
    void aPositionIsSaidWithAsManyDecimalsAsItsRangeNeeds(
            double low, double high, double position, boolean whole, String text) {
        assertThat(Chain.scale(low, high).text(position, whole)).isEqualTo(text);
    }

    /** The numbers of java.util.Formatter, which rounds halves up, are the outside source; it has a minus for nothing, we have not. */
    @RepeatedTest(20)
    void itIsSaidAsAFormatterSaysIt(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        for (int i = 0; i < 500; i++) {
            double low = random.nextGaussian() * Math.pow(10, random.nextInt(6) - 2);
            double high = low + random.nextDouble() * Math.pow(10, random.nextInt(6) - 2);
            Chain scale = Chain.scale(low, high);
            double position = random.nextDouble();
            String said = scale.text(position, false);
            int decimals = said.contains(".") ? said.length() - said.indexOf('.') - 1 : 0;
            String formatted = String.format(Locale.ROOT, "%." + decimals + "f", scale.there(position));
            assertThat(said).isEqualTo(formatted.matches("-0[.]?0*") ? formatted.substring(1) : formatted);
        }
    }

    /** Either direction, and as wide as numbers go: the ends are the ends, and what comes back is what went. */
    @ParameterizedTest
    @CsvSource({"0, 1", "1, 0", "-60, 10", "255, 0", "-1e15, 1e15", "3, 3.0000001"})
    void itLeadsThereAndBack(double low, double high) {
        Chain chain = Chain.scale(low, high);
        assertThat(chain.there(0)).isEqualTo(low);
        assertThat(chain.there(1)).isEqualTo(high);
        for (int i = 0; i <= 100; i++) {
            assertThat(chain.back(chain.there(i / 100.0)).orElseThrow()).isCloseTo(i / 100.0, within(1e-6));
        }
        assertThat(chain.back(Math.max(low, high) + 1).orElseThrow()).isIn(0.0, 1.0);
    }

    @Test
    void stepsAreGoneInOrderAndBackInTheOther() {
        Chain chain = new Chain(List.of(new Scale(1, 0), new Scale(-45, 45)));
        assertThat(chain.there(0.25)).isEqualTo(22.5);
        assertThat(chain.back(22.5)).contains(0.25);
        assertThat(chain.range()).isEqualTo(90);
        assertThat(new Chain(List.of()).there(0.3)).isEqualTo(0.3);
    }
}
