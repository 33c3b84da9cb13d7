package imperan.proof.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LossTest {

    private static final double PRINTED = 0.00005;

    /** R. G. Newcombe, "Two-sided confidence intervals for the single proportion: comparison of seven methods", Statistics in Medicine 17 (1998), Table I, method 5. */
    @ParameterizedTest
    @CsvSource({"81, 263, 0.2527, 0.3676", "15, 148, 0.0578, 0.1617", "0, 20, 0, 0.1684", "1, 29, 0.0009, 0.1776"})
    void isTheIntervalOfClopperAndPearson(int lost, int of, double low, double high) {
        Loss loss = Loss.of(lost, of);
        assertThat(loss.low()).isCloseTo(low, within(PRINTED));
        assertThat(loss.high()).isCloseTo(high, within(PRINTED));
    }

    @Test
    void allLostIsTheMirrorOfNoneLost() {
        assertThat(Loss.of(20, 20).low()).isCloseTo(1 - Loss.of(0, 20).high(), within(1e-9));
        assertThat(Loss.of(20, 20).high()).isEqualTo(1);
        assertThat(Loss.of(0, 0)).isEqualTo(new Loss(0, 0, 0, 1));
    }

    /** 1 − (2/3)^12 is 99.2 %, and 1 − 0.99^299 is 95.05 %. */
    @Test
    void soManyWithoutALossExcludeALossThisLarge() {
        assertThat(Loss.excludes(12, 1 / 3.0)).isBetween(0.99, 0.993);
        assertThat(Loss.excludes(299, 0.01)).isBetween(0.95, 0.951);
    }
}
