package imperan.live;

import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * Things that wait for their time, the earliest first; those of the same time come in the order in which they were put in. Each thing is in it once at most.
 * Times are nanoseconds of any clock that does not go back. Not safe for several threads.
 *
 * @param <K> what waits
 */
final class DueQueue<K> {

    /** When nothing waits. */
    static final long NEVER = Long.MAX_VALUE;

    private record Entry<K>(K what, long at, long order) {}

    private final TreeSet<Entry<K>> entries =
            new TreeSet<>(Comparator.<Entry<K>>comparingLong(Entry::at).thenComparingLong(Entry::order));
    private final Map<K, Entry<K>> known = new HashMap<>();
    private long order;

    /** Something is due at a time, or before where it was so already. */
    void noLaterThan(K what, long at) {
        Entry<K> before = known.get(what);
        if (at == NEVER || before != null && before.at <= at) {
            return;
        }
        if (before != null) {
            // a time far ahead would stay for as long, and there may be one for each message
            entries.remove(before);
        }
        Entry<K> entry = new Entry<>(what, at, ++order);
        known.put(what, entry);
        entries.add(entry);
    }

    /** When the earliest is due; {@link #NEVER} where nothing waits. */
    long next() {
        return entries.isEmpty() ? NEVER : entries.first().at;
    }

    /** Takes the earliest that is due by now. */
    Optional<K> poll(long now) {
        if (next() > now) {
            return Optional.empty();
        }
        K what = entries.pollFirst().what;
        known.remove(what);
        return Optional.of(what);
    }

    /** How many things wait. */
    int size() {
        return entries.size();
    }
}
