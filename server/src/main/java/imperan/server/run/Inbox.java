package imperan.server.run;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;

/**
 * What waits for the loop. Hands and edits come before packets; packets wait in a bounded queue for each source and are
 * taken in turn, so a target that floods us delays nobody but itself.
 */
final class Inbox {

    /** Packets of one source that may wait. */
    static final int MAX_PACKETS = 8192;

    private final ReentrantLock lock = new ReentrantLock();
    private final Condition filled = lock.newCondition();
    private final Deque<Input> hands = new ArrayDeque<>();
    private final Map<String, Deque<Input>> packets = new LinkedHashMap<>();
    private long missed;

    void put(Input input) {
        lock.lock();
        try {
            hands.add(input);
            filled.signal();
        } finally {
            lock.unlock();
        }
    }

    /** @param source who sent it; false where the source has too many waiting, and the packet is dropped and counted */
    boolean putPacket(String source, Input.Packet packet) {
        lock.lock();
        try {
            Deque<Input> queue = packets.computeIfAbsent(source, s -> new ArrayDeque<>());
            if (queue.size() == MAX_PACKETS) {
                missed++;
                return false;
            }
            queue.add(packet);
            filled.signal();
            return true;
        } finally {
            lock.unlock();
        }
    }

    /** The next input, or null when none came in time. */
    Input take(long nanos) throws InterruptedException {
        lock.lockInterruptibly();
        try {
            long left = nanos;
            while (hands.isEmpty() && packets.isEmpty()) {
                if (left <= 0) {
                    return null;
                }
                left = filled.awaitNanos(left);
            }
            return hands.isEmpty() ? nextPacket() : hands.poll();
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
