package imperan.live;

import imperan.osc.OscMessage;
import imperan.show.PartId;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.Map;
import java.util.Set;

/**
 * Messages of ours on addresses on which targets step cue lists and set lists. A target may say back what it was told: each message of
 * ours absorbs one equal report on its address, as long as its answer may take. Whatever else comes is a press.
 */
final class Echoes {

    /** Of one address; more are not remembered, the oldest makes room. */
    private static final int MOST = 256;
    /** What remains of a number on its way as a 32-bit float, and a little more, as a share of it. */
    private static final double NEAR = 1e-5;

    /** @param size how many arguments a report has that is equal */
    private record Said(Wanted equal, int size, long until) {}

    private final Map<Listeners.Key, Deque<Said>> said = new HashMap<>();
    private Set<Listeners.Key> heard = Set.of();

    /** The addresses on which something is stepped, from now on. */
    void listen(Collection<Listeners.Key> keys) {
        heard = Set.copyOf(keys);
        said.keySet().retainAll(heard);
    }

    /** A message of ours left. */
    void left(Link link, OscMessage message, long now) {
        if (heard.isEmpty()) {
            return;
        }
        Listeners.Key key = new Listeners.Key(link.id(), message.address());
        if (heard.contains(key)) {
            Deque<Said> open = said.computeIfAbsent(key, fresh -> new ArrayDeque<>());
            open.addLast(new Said(
                    Wanted.Arguments.same(message.arguments(), NEAR),
                    message.arguments().size(),
                    now + Expectation.of(message.address(), link.vocabulary()).limitNanos()));
            if (open.size() > MOST) {
                open.removeFirst();
            }
        }
    }

    /** Whether a report is one of ours that comes back; the next equal one is none, unless we said it twice. */
    boolean absorbs(PartId target, OscMessage message, long now) {
        Deque<Said> open = said.isEmpty() ? null : said.get(new Listeners.Key(target, message.address()));
        if (open == null) {
            return false;
        }
        for (Iterator<Said> each = open.iterator(); each.hasNext(); ) {
            Said ours = each.next();
            if (now > ours.until) {
                each.remove();
            } else if (ours.size == message.arguments().size() && ours.equal.agrees(message.arguments())) {
                each.remove();
                return true;
            }
        }
        return false;
    }
}
