package imperan.live;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Lets items leave no faster than a target can take them. Of changes that wait under one key the latest wins, in the place
 * of the first, and the last one always leaves; a press is never merged, never dropped while there is room, and never
 * overtakes or is overtaken.
 *
 * @param <T> what leaves
 */
final class Pacer<T> {

    /** Presses that may wait. Nobody presses that often; who does is a fault, and it is counted. */
    static final int MAX_PRESSES = 256;

    /** How much unused time may be made up for at once, in seconds. */
    private static final double BURST_SECONDS = 0.02;

    private static final class Slot<T> {
        private final boolean press;
        private T item;

        Slot(T item, boolean press) {
            this.item = item;
            this.press = press;
        }
    }

    private final double perSecond;
    private final Deque<Slot<T>> waiting = new ArrayDeque<>();
    /** The slots that a change may still be merged into: those behind the last press. */
    private final Map<Object, Slot<T>> mergeable = new HashMap<>();

    private double allowance = 1;
    private long last = Long.MIN_VALUE;
    private int presses;

    /** @param perSecond items a second, above 0 */
    Pacer(double perSecond) {
        this.perSecond = perSecond;
    }

    /** A change; true where it replaced one that waited. */
    boolean change(Object key, T item) {
        Slot<T> known = mergeable.get(key);
        if (known != null) {
            known.item = item;
            return true;
        }
        Slot<T> slot = new Slot<>(item, false);
        waiting.addLast(slot);
        mergeable.put(key, slot);
        return false;
    }

    /** A press; false where too many wait, and it is dropped. */
    boolean press(T item) {
        if (presses == MAX_PRESSES) {
            return false;
        }
        presses++;
        waiting.addLast(new Slot<>(item, true));
        mergeable.clear();
        return true;
    }

    /** The next item that may leave now. */
    Optional<T> next(long now) {
        pass(now);
        if (waiting.isEmpty() || allowance < 1) {
            return Optional.empty();
        }
        allowance--;
        Slot<T> slot = waiting.pollFirst();
        mergeable.values().remove(slot);
        presses -= slot.press ? 1 : 0;
        return Optional.of(slot.item);
    }

    /** All presses that wait, for a way out that is about to close; they and the changes that wait are gone from here. */
    List<T> takePresses() {
        List<T> taken = waiting.stream()
                .filter(slot -> slot.press)
                .map(slot -> slot.item)
                .toList();
        waiting.clear();
        mergeable.clear();
        presses = 0;
        return taken;
    }

    /** Takes room for something that does not wait here; true where there is some that nobody waits for. */
    boolean spare(long now) {
        pass(now);
        if (!waiting.isEmpty() || allowance < 1) {
            return false;
        }
        allowance--;
        return true;
    }

    /** When the next item may leave; {@link DueQueue#NEVER} where none waits. */
    long nextAt() {
        return waiting.isEmpty() ? DueQueue.NEVER : allowedAt();
    }

    /** When there is room for something that does not wait here; {@link DueQueue#NEVER} while others wait. */
    long spareAt() {
        return waiting.isEmpty() ? allowedAt() : DueQueue.NEVER;
    }

    /** The same as a time that comes; while others wait, when the one that leaves after them might. */
    long roomAt(long now) {
        pass(now);
        long allowed = Math.max(now, allowedAt());
        return waiting.isEmpty() ? allowed : allowed + (long) (waiting.size() / perSecond * 1e9);
    }

    private long allowedAt() {
        return last == Long.MIN_VALUE || allowance >= 1
                ? last
                : last + (long) Math.ceil((1 - allowance) / perSecond * 1e9);
    }

    private void pass(long now) {
        if (last != Long.MIN_VALUE) {
            double most = Math.max(1, perSecond * BURST_SECONDS);
            allowance = Math.min(most, allowance + (now - last) / 1e9 * perSecond);
        }
        last = now;
    }

    boolean holdsAny(Predicate<T> wanted) {
        return waiting.stream().anyMatch(slot -> wanted.test(slot.item));
    }
}
