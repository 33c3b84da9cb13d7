package imperan.server.run;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;

/**
 * What waits for the loop. Hands and edits come before packets; packets wait in a bounded queue for each source and are
 * taken in turn, so a target that floods us delays nobody but itself. Putting something in wakes nobody: that is said apart.
 */
final class Inbox {

    /** Packets of one source that may wait. */
    static final int MAX_PACKETS = 8192;

    private final ReentrantLock lock = new ReentrantLock();
    private final Condition wake = lock.newCondition();
    private final Deque<Input> hands = new ArrayDeque<>();
    private final Map<String, Deque<Input>> packets = new LinkedHashMap<>();
    private boolean woken;
    private long missed;

    void put(Input input) {
        lock.lock();
        try {
            hands.add(input);
        } finally {
            lock.unlock();
        }
    }

    /** @param source who sent it; false where the source has too many waiting, and the packet is dropped and counted */
    boolean putPacket(String source, Input packet) {
        lock.lock();
        try {
            Deque<Input> queue = packets.computeIfAbsent(source, s -> new ArrayDeque<>());
            if (queue.size() == MAX_PACKETS) {
                missed++;
                return false;
            }
            queue.add(packet);
            return true;
        } finally {
            lock.unlock();
        }
    }

    /** The next input, where there is one. */
    Optional<Input> poll() {
        lock.lock();
        try {
            return !hands.isEmpty() ? Optional.of(hands.poll()) : packets.isEmpty() ? Optional.empty() : Optional.of(nextPacket());
        } finally {
            lock.unlock();
        }
    }

    /** Waits until there is an input, the time is over, or somebody wakes who waits. */
    void await(long nanos) throws InterruptedException {
        lock.lockInterruptibly();
        try {
            long left = nanos;
            while (hands.isEmpty() && packets.isEmpty() && !woken && left > 0) {
                left = wake.awaitNanos(left);
            }
            woken = false;
        } finally {
            lock.unlock();
        }
    }

    /** Who waits looks again for what there is to do. */
    void wake() {
        lock.lock();
        try {
            woken = true;
            wake.signal();
        } finally {
            lock.unlock();
        }
    }

    /** Packets so far that came faster than they could be handled, and were dropped. */
    long missed() {
        lock.lock();
        try {
            return missed;
        } finally {
            lock.unlock();
        }
    }

    /** Takes from the source that waits longest and puts it at the end of the turn. */
    private Input nextPacket() {
        String source = packets.keySet().iterator().next();
        Deque<Input> queue = packets.remove(source);
        Input packet = queue.poll();
        if (!queue.isEmpty()) {
            packets.put(source, queue);
        }
        return packet;
    }
}
