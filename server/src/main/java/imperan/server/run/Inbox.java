package imperan.server.run;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;

/**
 * What waits for the loop. Hands and edits come before packets, but never so many of them that packets starve; packets wait in a queue for each
 * source, bounded in number and in bytes, and are taken in turn, so a target that floods us delays nobody but itself. Putting something in wakes
 * nobody: that is said apart.
 */
final class Inbox {

    /** Packets of one source that may wait. */
    static final int MAX_PACKETS = 8192;
    /** About the memory that the waiting packets of one source may take. */
    static final long MAX_SOURCE_BYTES = 8L << 20;
    /** The same of all sources together. */
    static final long MAX_BYTES = 64L << 20;
    /** Hands that may wait; whoever brings one more waits until there is room. */
    static final int MAX_HANDS = 4096;
    /** After as many hands in a row it is a packet's turn. */
    static final int HANDS_IN_A_ROW = 16;
    /** For how long somebody waits for room. */
    private static final long PATIENCE_NANOS = TimeUnit.SECONDS.toNanos(2);

    private static final class Source {
        private final Deque<Waiting> packets = new ArrayDeque<>();
        private long bytes;
    }

    private record Waiting(Input packet, int bytes) {}

    private final ReentrantLock lock = new ReentrantLock();
    private final Condition wake = lock.newCondition();
    private final Condition room = lock.newCondition();
    private final Deque<Input> hands = new ArrayDeque<>();
    private final Map<String, Source> packets = new LinkedHashMap<>();
    private long bytes;
    private int handsInARow;
    private boolean woken;
    private long missed;

    /** What the server itself has to say; it always has room. */
    void put(Input input) {
        lock.lock();
        try {
            hands.add(input);
        } finally {
            lock.unlock();
        }
    }

    /**
     * What a browser wants. Where too much waits already its own thread waits, and with it that browser, and nobody else.
     *
     * @return false where there was no room for as long as somebody can wait, and it was dropped
     */
    boolean putHand(Input input) {
        lock.lock();
        try {
            long left = PATIENCE_NANOS;
            while (hands.size() >= MAX_HANDS && left > 0) {
                wake.signal();
                left = room.awaitNanos(left);
            }
            if (hands.size() >= MAX_HANDS) {
                return false;
            }
            hands.add(input);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        } finally {
            lock.unlock();
        }
    }

    /**
     * @param source who sent it
     * @param size   about how many bytes of memory it takes
     * @return false where the source, or all of them, have too much waiting, and the packet is dropped and counted
     */
    boolean putPacket(String source, Input packet, int size) {
        lock.lock();
        try {
            Source of = packets.get(source);
            if (bytes + size > MAX_BYTES
                    || size > MAX_SOURCE_BYTES
                    || of != null && (of.packets.size() == MAX_PACKETS || of.bytes + size > MAX_SOURCE_BYTES)) {
                missed++;
                return false;
            }
            if (of == null) {
                of = new Source();
                packets.put(source, of);
            }
            of.packets.add(new Waiting(packet, size));
            of.bytes += size;
            bytes += size;
            return true;
        } finally {
            lock.unlock();
        }
    }

    /** The next input, where there is one. */
    Optional<Input> poll() {
        lock.lock();
        try {
            if (isHandsTurn()) {
                return Optional.of(nextHand());
            }
            handsInARow = 0;
            return packets.isEmpty() ? Optional.empty() : Optional.of(nextPacket());
        } finally {
            lock.unlock();
        }
    }

    /** A hand that waits, unless it is a packet's turn. */
    Optional<Input> pollHand() {
        lock.lock();
        try {
            return isHandsTurn() ? Optional.of(nextHand()) : Optional.empty();
        } finally {
            lock.unlock();
        }
    }

    private boolean isHandsTurn() {
        return !hands.isEmpty() && (packets.isEmpty() || handsInARow < HANDS_IN_A_ROW);
    }

    private Input nextHand() {
        handsInARow++;
        Input next = hands.poll();
        if (lock.hasWaiters(room)) {
            room.signal();
        }
        return next;
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

    /** About the memory that all waiting packets take. */
    long bytes() {
        lock.lock();
        try {
            return bytes;
        } finally {
            lock.unlock();
        }
    }

    /** Takes from the source that waits longest and puts it at the end of the turn. */
    private Input nextPacket() {
        String name = packets.keySet().iterator().next();
        Source source = packets.remove(name);
        Waiting packet = source.packets.poll();
        source.bytes -= packet.bytes();
        bytes -= packet.bytes();
        if (!source.packets.isEmpty()) {
            packets.put(name, source);
        }
        return packet.packet();
    }
}
