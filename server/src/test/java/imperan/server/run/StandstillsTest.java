package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class StandstillsTest {

    private static final long MS = 1_000_000L;

    private final Standstills standstills = new Standstills();

    @BeforeEach
    void itBegins() {
        standstills.begin(5_000 * MS);
    }

    @Test
    void aLoopThatGoesOnWhenItIsDueNeverStoodStill() {
        long now = 5_000 * MS;
        for (int i = 0; i < 1_000; i++) {
            now = standstills.nextDue() + i % 40 * MS;
            standstills.looks(now);
        }
        assertThat(standstills.count()).isZero();
    }

    @Test
    void eachStandstillCountsOnce() {
        standstills.looks(5_090 * MS);
        standstills.looks(5_191 * MS);
        assertThat(standstills.count()).isEqualTo(1);
        standstills.looks(5_200 * MS);
        standstills.looks(9_000 * MS);
        assertThat(standstills.count()).isEqualTo(2);
    }

    /** Events tell when they happened, and that may be a little before it was looked at last. */
    @Test
    void whatHappenedBeforeChangesNothing() {
        standstills.looks(5_100 * MS);
        standstills.looks(5_020 * MS);
        standstills.looks(5_200 * MS);
        assertThat(standstills.count()).isZero();
    }
}
