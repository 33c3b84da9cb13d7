package imperan.live;

import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;

/**
 * What waits for its time, the earliest first; what is due at the same moment comes in the order in which it was put in. Each thing stands here once at most.
 * Times are nanoseconds of any clock that does not go back. Not safe for several threads.
 *
 * @param <K> what waits
 */
final class DueQueue<K> {

    /** When nothing waits. */
    static final long NEVER = Long.MAX_VALUE;

    private record Entry<K>(K what, long at, long order) {
    }

    private final PriorityQueue<Entry<K>> entries = new PriorityQueue<>(Comparator.<Entry<K>>comparingLong(Entry::at).thenComparingLong(Entry::order));
    /** The entry that counts for each thing: one that was put off for an earlier one stays in the queue and is passed over. */
    private final Map<K, Entry<K>> counting = new HashMap<>();
    private long order;

    /** Something is due at a time, or before where it was so already. */
    void noLaterThan(K what, long at) {
        Entry<K> known = counting.get(what);
        if (at != NEVER && (known == null || at < known.at)) {
            Entry<K> entry = new Entry<>(what, at, ++order);
            counting.put(what, entry);
            entries.add(entry);
        }
    }

    /** When the earliest is due; {@link #NEVER} where nothing waits. */
    long next() {
        while (!entries.isEmpty() && counting.get(entries.peek().what) != entries.peek()) {
            entries.poll();
        }
        return entries.isEmpty() ? NEVER : entries.peek().at;
    }

    /** Takes the earliest that is due by now. */
    Optional<K> poll(long now) {
        if (next() > now) {
            return Optional.empty();
        }
        K what = entries.poll().what;
        counting.remove(what);
        return Optional.of(what);
    }
}
