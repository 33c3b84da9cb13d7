package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.PartId;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    private record Said(List<OscArgument> arguments, long until) {}

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
                    message.arguments(),
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
            } else if (same(ours.arguments, message.arguments())) {
                each.remove();
                return true;
            }
        }
        return false;
    }

    private static boolean same(List<OscArgument> ours, List<OscArgument> theirs) {
        if (ours.size() != theirs.size()) {
            return false;
        }
        for (int i = 0; i < ours.size(); i++) {
            Optional<Double> number = Spelling.number(ours.get(i));
            Optional<Double> other = Spelling.number(theirs.get(i));
            boolean equal = number.isPresent() && other.isPresent()
                    ? Math.abs(number.get() - other.get()) <= Math.abs(number.get()) * NEAR
                    : ours.get(i).equals(theirs.get(i));
            if (!equal) {
                return false;
            }
        }
        return true;
    }
}
