package imperan.cue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.show.cue.FadeCurve;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Where a fade is, at whatever moment it is asked. */
class FadeTest {

    private static final long SECOND = 1_000_000_000L;

    /** Source: the closed forms t, t², 1 − (1 − t)² and 3 t² − 2 t³, worked out by hand. */
    @ParameterizedTest
    @CsvSource({
        "EVEN, 0.25, 0.25",
        "EVEN, 0.7, 0.7",
        "SLOW_START, 0.5, 0.25",
        "SLOW_START, 0.1, 0.01",
        "SLOW_END, 0.5, 0.75",
        "SLOW_END, 0.1, 0.19",
        "SLOW_ENDS, 0.5, 0.5",
        "SLOW_ENDS, 0.25, 0.15625"
    })
    void theWayThatIsGoneAfterAShareOfTheTime(FadeCurve curve, double time, double way) {
        assertThat(new Fade(7, 4 * SECOND, curve, 1).at(7 + (long) (time * 4 * SECOND)))
                .isEqualTo(way, within(1e-9));
    }

    @ParameterizedTest
    @EnumSource(FadeCurve.class)
    void itNeverGoesBackNorBeyondItsEndsAndItsStepsLieEvenly(FadeCurve curve) {
        Random random = new Random(7);
        Fade fade = new Fade(100, 3 * SECOND, curve, 20_000_000L);
        long now = 0;
        double before = 0;
        while (now < 4 * SECOND) {
            double at = fade.at(now);
            assertThat(at).isBetween(before, 1.0);
            before = at;
            assertThat((fade.after(Math.max(100, now)) - 100) % 20_000_000L == 0
                            || fade.after(Math.max(100, now)) == fade.end())
                    .isTrue();
            now += random.nextInt(200_000_000);
        }
        assertThat(fade.at(fade.end())).isEqualTo(1);
        assertThat(fade.at(0)).isZero();
    }

    @Test
    void whatStoodStillGoesOnLaterByAsMuch() {
        Fade fade = new Fade(0, SECOND, FadeCurve.EVEN, 20_000_000L);
        assertThat(fade.later(5 * SECOND).at(5 * SECOND + SECOND / 4)).isEqualTo(fade.at(SECOND / 4));
    }
}
