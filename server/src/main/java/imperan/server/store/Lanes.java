package imperan.server.store;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;

/**
 * Work that is done one after the other within a lane, and side by side in several: what takes long for one show keeps no other waiting.
 */
final class Lanes implements AutoCloseable {

    /** Work that may wait in one lane; nobody waits that long. */
    static final int MOST_WAITING = 1_000;

    private final ExecutorService threads;
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "keeper-clock"));
    private final Map<String, Deque<Runnable>> lanes = new HashMap<>();

    /** @param width how many lanes go on at once */
    Lanes(int width) {
        AtomicInteger number = new AtomicInteger();
        threads = Executors.newFixedThreadPool(width, r -> new Thread(r, "keeper-" + number.incrementAndGet()));
    }

    /**
     * Does some work when its turn comes.
     *
     * @param patienceMs work that has not begun after as long is not done any more
     * @param late       what came of it then, and where too much waits already
     */
    <T> CompletableFuture<T> in(String lane, Supplier<T> work, long patienceMs, Supplier<T> late) {
        CompletableFuture<T> result = new CompletableFuture<>();
        // begun by the lane or given up by the clock, whichever comes first
        CompletableFuture<Boolean> begun = new CompletableFuture<>();
        Runnable job = () -> {
            if (begun.complete(true)) {
                try {
                    result.complete(work.get());
                } catch (Throwable e) {
                    result.completeExceptionally(e);
                }
            }
        };
        if (put(lane, job)) {
            clock.schedule(() -> giveUp(begun, result, late), patienceMs, TimeUnit.MILLISECONDS);
        } else {
            giveUp(begun, result, late);
        }
        return result;
    }

    private static <T> void giveUp(CompletableFuture<Boolean> begun, CompletableFuture<T> result, Supplier<T> late) {
        if (begun.complete(false)) {
            try {
                result.complete(late.get());
            } catch (RuntimeException e) {
                result.completeExceptionally(e);
            }
        }
    }

    private boolean put(String lane, Runnable job) {
        synchronized (lanes) {
            Deque<Runnable> waiting = lanes.get(lane);
            if (waiting != null) {
                return waiting.size() < MOST_WAITING && waiting.add(job);
            }
            lanes.put(lane, new ArrayDeque<>());
        }
        threads.execute(() -> go(lane, job));
        return true;
    }

    /** One piece of work, then the lane goes to the end of those that wait for a thread. */
    private void go(String lane, Runnable job) {
        try {
            job.run();
        } finally {
            Runnable next;
            synchronized (lanes) {
                next = lanes.get(lane).poll();
                if (next == null) {
                    lanes.remove(lane);
                }
            }
            if (next != null && !threads.isShutdown()) {
                threads.execute(() -> go(lane, next));
            }
        }
    }

    @Override
    public void close() {
        clock.shutdownNow();
        threads.shutdown();
    }
}
