package imperan.shaping;

import org.junit.jupiter.api.Test;

import java.util.Random;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

class SmoothingTest {

    private static final long MS = 1_000_000L;

    /** Source: any handbook of control engineering: 1 − 1/e after one time constant, however the time is cut into samples. */
    @Test
    void aStepReaches632ThousandthsAfterOneTimeConstant() {
        for (int samples : new int[] {1, 7, 200}) {
            Smoothing smoothing = new Smoothing(0.2);
            smoothing.next(0, 0);
            double reached = 0;
            for (int i = 1; i <= samples; i++) {
                reached = smoothing.next(1, 200 * MS * i / samples);
            }
            assertThat(reached).as("%d samples", samples).isEqualTo(1 - Math.exp(-1), within(1e-6));
        }
    }

    /** Source: any handbook of signal processing: the variance of white noise shrinks to α/(2−α), α = 1 − e^(−Δt/τ). */
    @Test
    void noiseShrinksByTheRatioOfTheHandbooks() {
        Random random = new Random(11);
        Smoothing smoothing = new Smoothing(0.1);
        double share = 1 - Math.exp(-0.01 / 0.1);
        double sum = 0;
        int count = 200_000;
        smoothing.next(0, 0);
        for (int i = 1; i <= count; i++) {
            double value = smoothing.next(random.nextGaussian(), i * 10 * MS);
            sum += value * value;
        }
        assertThat(sum / count).isEqualTo(share / (2 - share), within(0.002));
    }

    @Test
    void withoutATimeConstantEverythingCountsAtOnce() {
        Smoothing smoothing = new Smoothing(0);
        smoothing.next(1, 0);
        assertThat(smoothing.next(5, 1)).isEqualTo(5);
    }

    @Test
    void theTempoIsTheMedianOfTheGapsAndALongPauseBeginsAnew() {
        Tempo tempo = new Tempo();
        assertThat(tempo.tapped(0)).isEmpty();
        assertThat(tempo.tapped(500 * MS)).hasValue(120);
        assertThat(tempo.tapped(1_000 * MS)).hasValue(120);
        assertThat(tempo.tapped(2_000 * MS)).as("one tap was missed").hasValue(120);
        assertThat(tempo.tapped(9_000 * MS)).isEmpty();
        assertThat(tempo.tapped(10_000 * MS)).hasValue(60);
    }
}
