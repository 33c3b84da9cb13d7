package imperan.server.run;

import imperan.live.WallTime;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalTime;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/**
 * Tells the loop once a second what the clock on the wall says, which people and time servers set: the loop's
 * own clock never goes back.
 */
@Component
class WallWatch implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(WallWatch.class);

    private final ScheduledExecutorService watch =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "wall-clock"));
    private final Clock clock;

    /** @param clock the system's where nobody gives another one */
    WallWatch(ShowLoop loop, ObjectProvider<Clock> clock) {
        this.clock = clock.getIfAvailable(Clock::systemDefaultZone);
        watch.scheduleAtFixedRate(() -> tell(loop), 0, 1, TimeUnit.SECONDS);
    }

    private void tell(ShowLoop loop) {
        try {
            loop.wall(now(clock));
        } catch (RuntimeException e) {
            // a look that fails is not the last one
            LOG.warn("The clock on the wall could not be read: {}", e.getMessage());
        }
    }

    static WallTime now(Clock clock) {
        Instant now = clock.instant();
        return new WallTime(
                now.getEpochSecond() * 1_000_000_000L + now.getNano(),
                LocalTime.ofInstant(now, clock.getZone()).toNanoOfDay() / 1e9);
    }

    @Override
    public void close() {
        watch.shutdownNow();
    }
}
