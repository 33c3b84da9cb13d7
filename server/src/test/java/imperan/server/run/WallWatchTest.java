package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.WallTime;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What clocks on the wall say, also on the nights when they are put forward and back (the dates of 2026 in the
 * European Union, directive 2000/84/EC).
 */
class WallWatchTest {

    @ParameterizedTest
    @CsvSource({
        "1970-01-01T00:00:10Z, UTC, 10",
        "2026-12-01T19:30:00.25Z, UTC, 70200.25",
        "2026-03-29T00:59:59Z, Europe/Berlin, 7199",
        "2026-03-29T01:00:00Z, Europe/Berlin, 10800",
        "2026-10-25T00:59:59Z, Europe/Berlin, 10799",
        "2026-10-25T01:00:00Z, Europe/Berlin, 7200",
        "2026-12-01T23:59:59Z, Europe/London, 86399"
    })
    void saysTheTimeOfDayWhereTheShowPlays(String instant, String zone, double secondsOfDay) {
        Instant at = Instant.parse(instant);
        WallTime said = WallWatch.now(Clock.fixed(at, ZoneId.of(zone)));
        assertThat(said.secondsOfDay()).isEqualTo(secondsOfDay);
        assertThat(said.sinceEpoch()).isEqualTo(at.toEpochMilli() * 1_000_000L);
    }
}
