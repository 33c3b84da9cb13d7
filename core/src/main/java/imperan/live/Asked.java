package imperan.live;

import imperan.show.PartId;
import java.util.HashMap;
import java.util.Map;

/**
 * On which addresses what comes next answers something that we asked, or a proof said. Each message that arrives is settled here once, and
 * what came of it is passed on to everybody who hears it: who asked twice would be told the second time that it is news.
 */
final class Asked {

    /** What a message that arrived is to those who wait for news of a target. */
    enum Heard {
        /** The target said it by itself. */
        NEWS,
        /** It answers a question of ours: it drives nothing, and presses no key. */
        ANSWER,
        /** It answers what a forward asks now and then: it drives that forward, and presses no key. */
        ANSWER_TO_FORWARD,
        /** It says back what we said: it presses no key. */
        ECHO,
        /** It comes where a proof moves or asks something now: it drives nothing, and presses no key. */
        OF_PROOF
    }

    /** As long is an answer waited for. */
    private static final long ANSWER_NANOS = 2_000_000_000L;
    /** More are not remembered; those whose time has passed make room first. */
    private static final int MOST = 10_000;

    private record Place(PartId target, String address) {}

    /**
     * @param ours    questions of ours that are not answered yet
     * @param forward whether a forward asked, too; it asks again by itself, so its questions are not counted
     */
    private record Open(int ours, boolean forward, long until) {}

    private final Map<Place, Open> open = new HashMap<>();

    /** A question of ours left. */
    void note(PartId target, String address, long now) {
        note(new Place(target, address), 1, false, now);
    }

    /** A question left whose answer a forward says on. */
    void noteForForward(PartId target, String address, long now) {
        note(new Place(target, address), 0, true, now);
    }

    private void note(Place place, int ours, boolean forward, long now) {
        Open before = open.get(place);
        if (before != null && now <= before.until) {
            open.put(place, new Open(before.ours + ours, before.forward || forward, now + ANSWER_NANOS));
            return;
        }
        if (open.size() >= MOST) {
            open.values().removeIf(each -> each.until < now);
        }
        if (open.size() < MOST) {
            open.put(place, new Open(ours, forward, now + ANSWER_NANOS));
        }
    }

    /**
     * What a message is that came on an address now. Each question is answered once; a forward's first, as it alone does something with the
     * value.
     */
    Heard settle(PartId target, String address, long now) {
        if (open.isEmpty()) {
            return Heard.NEWS;
        }
        Place place = new Place(target, address);
        Open found = open.remove(place);
        if (found == null || now > found.until) {
            return Heard.NEWS;
        }
        Open left =
                found.forward ? new Open(found.ours, false, found.until) : new Open(found.ours - 1, false, found.until);
        if (left.ours > 0) {
            open.put(place, left);
        }
        return found.forward ? Heard.ANSWER_TO_FORWARD : Heard.ANSWER;
    }
}
