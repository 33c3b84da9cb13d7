package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class TempoTest {

    private static final long MS = 1_000_000L;

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
