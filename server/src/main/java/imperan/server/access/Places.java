package imperan.server.access;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** Places for what takes room or time. They are counted for each source, so that none can take those of all others. */
final class Places {

    private final int ofOne;
    private final int ofAll;
    private final Map<String, Integer> taken = new HashMap<>();
    private int all;

    /**
     * @param ofOne what one source may have at once
     * @param ofAll what all of them may have together
     */
    Places(int ofOne, int ofAll) {
        this.ofOne = ofOne;
        this.ofAll = ofAll;
    }

    /** @return whether there is one; it is given back by {@link #leave} */
    synchronized boolean take(String source) {
        int own = taken.getOrDefault(source, 0);
        if (own >= ofOne || all >= ofAll) {
            return false;
        }
        taken.put(source, own + 1);
        all++;
        return true;
    }

    /** The same, and waits for one. */
    synchronized boolean take(String source, long seconds) {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
        while (!take(source)) {
            long left = TimeUnit.NANOSECONDS.toMillis(until - System.nanoTime());
            if (left <= 0) {
                return false;
            }
            try {
                wait(left);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
        return true;
    }

    synchronized void leave(String source) {
        taken.computeIfPresent(source, (name, own) -> own > 1 ? own - 1 : null);
        all--;
        notifyAll();
    }
}
