package imperan.live;

import imperan.osc.OscMessage;
import imperan.show.PartId;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Who learns from what targets say, each for themselves. Who stops looking, as when a page is closed, learns no more. */
final class Learners {

    /** Who has not looked for longer is gone. */
    private static final long GONE_NANOS = 10_000_000_000L;

    /** Learners at once; more than devices at any desk. */
    static final int MOST = 64;

    private final Map<String, Learning> learners = new HashMap<>();
    private final Map<String, Long> looked = new HashMap<>();

    void listen(String browser, boolean on, long now) {
        of(browser, now).listen(on);
    }

    List<Learning.Learned> learned(String browser, long now) {
        return of(browser, now).learned();
    }

    void heard(PartId target, OscMessage message) {
        learners.values().forEach(learning -> learning.heard(target, message));
    }

    /** Forgets who is gone. */
    void forgetGone(long now) {
        looked.values().removeIf(at -> now - at >= GONE_NANOS);
        learners.keySet().retainAll(looked.keySet());
    }

    /** When the next one may be gone; {@link DueQueue#NEVER} where nobody learns. */
    long nextDue() {
        return looked.isEmpty() ? DueQueue.NEVER : Collections.min(looked.values()) + GONE_NANOS;
    }

    private Learning of(String browser, long now) {
        if (looked.size() == MOST && !looked.containsKey(browser)) {
            String idlest = Collections.min(looked.entrySet(), Map.Entry.comparingByValue())
                    .getKey();
            looked.remove(idlest);
            learners.remove(idlest);
        }
        looked.put(browser, now);
        return learners.computeIfAbsent(browser, b -> new Learning());
    }
}
