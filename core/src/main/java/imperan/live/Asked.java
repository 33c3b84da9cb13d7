package imperan.live;

import imperan.show.PartId;

import java.util.HashMap;
import java.util.Map;

/** On which addresses what comes next answers something that we asked, or a proof said: it is no news of the target's, and drives nothing. */
final class Asked {

    /** As long is an answer waited for. */
    private static final long ANSWER_NANOS = 2_000_000_000L;
    /** More are not remembered; those whose time has passed make room first. */
    private static final int MOST = 10_000;

    private record Place(PartId target, String address) {
    }

    private final Map<Place, Long> until = new HashMap<>();

    void note(PartId target, String address, long now) {
        if (until.size() >= MOST) {
            until.values().removeIf(end -> end < now);
        }
        if (until.size() < MOST) {
            until.put(new Place(target, address), now + ANSWER_NANOS);
        }
    }

    /** What was asked there was asked by somebody who waits for what it says. */
    void forget(PartId target, String address) {
        until.remove(new Place(target, address));
    }

    /** Whether what comes on an address now is such an answer; the next one is none. */
    boolean isAnswer(PartId target, String address, long now) {
        Long end = until.remove(new Place(target, address));
        return end != null && now <= end;
    }
}
