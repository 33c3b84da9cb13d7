package imperan.server.run;

import imperan.server.net.ThisMachine;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Looks at the system's tables now and then: at the neighbours, so that a machine that is not there is not taken for a deaf one, and at what the
 * system itself dropped of what was sent to us.
 */
@Component
class NetworkWatch implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(NetworkWatch.class);
    private static final long NEIGHBOURS_SECONDS = 2;
    private static final long DROPS_SECONDS = 1;

    private final ScheduledExecutorService watch =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "network-watch"));
    private final ShowLoop loop;
    /** By socket: what it had dropped when it was last looked at. */
    private Map<String, Long> seen = new HashMap<>();

    private long total;

    NetworkWatch(ShowLoop loop) {
        this.loop = loop;
        watch.scheduleWithFixedDelay(
                () -> going(() -> loop.silentHosts(ThisMachine.silentHosts())),
                NEIGHBOURS_SECONDS,
                NEIGHBOURS_SECONDS,
                TimeUnit.SECONDS);
        watch.scheduleWithFixedDelay(() -> going(this::lookForDrops), DROPS_SECONDS, DROPS_SECONDS, TimeUnit.SECONDS);
    }

    /** A look that fails is not the last one. */
    private static void going(Runnable look) {
        try {
            look.run();
        } catch (RuntimeException e) {
            LOG.warn("The system's tables could not be read: {}", e.getMessage());
        }
    }

    private void lookForDrops() {
        Map<String, Long> now = ThisMachine.drops(loop.answerPorts());
        long before = total;
        for (Map.Entry<String, Long> socket : now.entrySet()) {
            total += Math.max(0, socket.getValue() - seen.getOrDefault(socket.getKey(), 0L));
        }
        seen = now;
        if (total != before) {
            loop.droppedBySystem(total);
        }
    }

    @Override
    public void close() {
        watch.shutdownNow();
    }
}
