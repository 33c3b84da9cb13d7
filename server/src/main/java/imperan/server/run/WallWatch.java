package imperan.server.run;

import java.time.LocalTime;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/** Tells the loop once a second what the clock on the wall says, which people may set: the loop's own clock never goes back. */
@Component
class WallWatch implements AutoCloseable {

    private final ScheduledExecutorService watch =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "wall-clock"));

    WallWatch(ShowLoop loop) {
        watch.scheduleAtFixedRate(() -> loop.wall(LocalTime.now().toNanoOfDay() / 1e9), 1, 1, TimeUnit.SECONDS);
    }

    @Override
    public void close() {
        watch.shutdownNow();
    }
}
