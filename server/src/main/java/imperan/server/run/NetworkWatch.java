package imperan.server.run;

import imperan.server.net.ThisMachine;
import org.springframework.stereotype.Component;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;

/** Looks at the system's neighbour table now and then, so that a machine that is not there is not taken for a deaf one. */
@Component
class NetworkWatch implements AutoCloseable {

    private static final long PERIOD_SECONDS = 2;

    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "network-watch"));

    NetworkWatch(ShowLoop loop) {
        watch.scheduleWithFixedDelay(() -> loop.silentHosts(ThisMachine.silentHosts()), PERIOD_SECONDS, PERIOD_SECONDS,
                TimeUnit.SECONDS);
    }

    @Override
    public void close() {
        watch.shutdownNow();
    }
}
