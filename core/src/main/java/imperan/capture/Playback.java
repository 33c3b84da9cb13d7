package imperan.capture;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Plays packets again at their own distances, faster, slower, or one by one. It says what is due and sends nothing itself. Times are nanoseconds of whatever clock
 * the caller goes by. Not safe for several threads.
 */
public final class Playback {

    /** Nothing is due before somebody does something. */
    public static final long NEVER = Long.MAX_VALUE;

    public static final double SLOWEST = 0.01;
    public static final double FASTEST = 100;

    /** Longer than anybody waits: a hundred years. */
    private static final double LONGEST_NANOS = 100.0 * 365 * 24 * 3600 * 1e9;

    private final List<Captured> packets;
    private final double speed;
    private int next;
    /** When the first packet was due, as far as the clock goes that stands while it is paused. */
    private long begunAt;

    private boolean paused;
    private long pausedAt;

    /**
     * @param packets in the order of their times; others are played with the one before them
     * @param speed   2 for twice as fast; from {@link #SLOWEST} to {@link #FASTEST}
     * @param byStep  whether it waits for a step before each
     */
    public Playback(List<Captured> packets, double speed, boolean byStep, long now) {
        if (!(speed >= SLOWEST && speed <= FASTEST)) {
            throw new IllegalArgumentException("A speed is " + SLOWEST + " to " + FASTEST);
        }
        this.packets = List.copyOf(packets);
        this.speed = speed;
        this.begunAt = now;
        this.paused = byStep;
        this.pausedAt = now;
    }

    private long dueAt(int place) {
        double after = Math.max(0, packets.get(place).at() - packets.get(0).at()) / speed;
        // one packet with a time of another century is waited for, and never makes all others leave at once
        return begunAt + (long) Math.min(after, LONGEST_NANOS);
    }

    /** When the next packet is to leave; {@link #NEVER} while it is paused, and at its end. */
    public long nextDue() {
        return paused || isOver() ? NEVER : dueAt(next);
    }

    /** The packets that are due. */
    public List<Captured> take(long now) {
        List<Captured> due = new ArrayList<>();
        while (nextDue() <= now) {
            due.add(packets.get(next++));
        }
        return due;
    }

    /** The next packet, whenever it would be due; the others keep their distances from it. */
    public Optional<Captured> step(long now) {
        if (isOver()) {
            return Optional.empty();
        }
        pause(now);
        begunAt += now - dueAt(next);
        pausedAt = now;
        return Optional.of(packets.get(next++));
    }

    public void pause(long now) {
        if (!paused) {
            paused = true;
            pausedAt = now;
        }
    }

    /** Goes on as if no time had passed. */
    public void resume(long now) {
        if (paused) {
            paused = false;
            begunAt += now - pausedAt;
        }
    }

    public boolean isPaused() {
        return paused;
    }

    public boolean isOver() {
        return next >= packets.size();
    }

    /** How many were played. */
    public int played() {
        return next;
    }

    public int size() {
        return packets.size();
    }
}
