package imperan.osc;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimeTagTest {

    /** RFC 5905, figure 4 "Interesting Historic NTP Dates", seconds of the era. */
    @ParameterizedTest
    @CsvSource({
        "1970-01-01T00:00:00Z, 2208988800",
        "1972-01-01T00:00:00Z, 2272060800",
        "1999-12-31T00:00:00Z, 3155587200",
        "2036-02-08T00:00:00Z, 63104",
    })
    void historicDates(Instant date, long seconds) {
        TimeTag tag = TimeTag.at(date);
        assertThat(tag.bits() >>> 32).isEqualTo(seconds);
        assertThat(tag.toInstant()).isEqualTo(date);
    }

    @Test
    void fractionsSurviveToTheNanosecond() {
        for (int nanos = 0; nanos < 1_000_000_000; nanos += 12_345_679) {
            Instant instant = Instant.ofEpochSecond(1_790_000_000, nanos);
            assertThat(TimeTag.at(instant).toInstant()).isEqualTo(instant);
        }
    }

    /** OSC 1.0, "OSC Time Tags": the value 1 means immediately. */
    @Test
    void immediatelyIsOneAndComesFirst() {
        assertThat(TimeTag.IMMEDIATELY.bits()).isEqualTo(1);
        assertThat(TimeTag.IMMEDIATELY.isImmediate()).isTrue();
        assertThat(TimeTag.IMMEDIATELY).isLessThan(TimeTag.at(Instant.parse("2026-11-23T20:00:00Z")));
    }
}
