package imperan.track;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Where a track is, and what it passes. A position that grows passes each point once; a place behind arms what lies after it again; a place ahead skips what lies between, or passes it, as set.
 * What is passed while nobody has armed it is missed. Used by one thread at a time.
 *
 * @param <K> what lies on the track
 */
public final class Transport<K> {

    public static final long NEVER = Long.MAX_VALUE;
    /** Points that were missed and are still told. */
    private static final int MOST_MISSED = 200;

    /** @param seconds from the start */
    public record Point<K>(K what, double seconds) {}

    /** Part of a track that is played again and again, in seconds from the start. */
    public record Loop(double from, double to) {}

    private List<Point<K>> points = List.of();
    private double length;
    private boolean passesJumps;
    private boolean armed = true;
    private boolean rolling;
    private double position;
    private long at;
    /** What lies from here on has not been passed. */
    private double armedFrom;

    private Optional<Loop> loop = Optional.empty();
    private final List<Point<K>> missed = new ArrayList<>();
    private final Deque<Point<K>> passed = new ArrayDeque<>();

    // ---- what it is made of

    /**
     * What lies on it from now on. What comes behind the position is not passed any more.
     *
     * @param length      in seconds
     * @param passesJumps whether a jump ahead passes what lies between
     */
    public void follow(List<Point<K>> on, double length, boolean passesJumps, long now) {
        advance(now);
        points = on.stream().sorted(Comparator.comparingDouble(Point::seconds)).toList();
        this.passesJumps = passesJumps;
        this.length = length;
        if (position > length) {
            position = length;
            rolling = false;
        }
        loop = loop.filter(each -> each.to <= length);
    }

    // ---- how it stands

    /** Seconds from the start. */
    public double position(long now) {
        if (!rolling) {
            return position;
        }
        double here = position + (now - at) / 1e9;
        return Math.min(
                length,
                loop.filter(each -> here >= each.to)
                        .map(each -> around(here, each))
                        .orElse(here));
    }

    /** Held up for more than a round, it has gone round once: nothing is made up for. */
    private static double around(double here, Loop loop) {
        return loop.from + (here - loop.to) % (loop.to - loop.from);
    }

    public boolean isRolling() {
        return rolling;
    }

    public boolean isArmed() {
        return armed;
    }

    public double length() {
        return length;
    }

    public Optional<Loop> loop() {
        return loop;
    }

    /** What was passed while nobody had armed it, the earliest first. */
    public List<Point<K>> missed() {
        return List.copyOf(missed);
    }

    // ---- orders

    /** From the end it begins at the start. */
    public void play(long now) {
        if (!rolling) {
            if (position >= length) {
                place(0, now);
            }
            at = now;
            rolling = true;
        }
    }

    public void pause(long now) {
        advance(now);
        rolling = false;
    }

    /** Goes to a place. What lies between is skipped or passed, as set; what lies after it is armed. A loop elsewhere is left. */
    public void place(double seconds, long now) {
        advance(now);
        double to = Math.max(0, Math.min(length, seconds));
        if (passesJumps && to > armedFrom) {
            pass(point -> point.seconds < to);
        }
        begin(to, now);
    }

    /** Goes to a place and skips what lies between, whatever is set. */
    public void begin(double seconds, long now) {
        advance(now);
        position = Math.max(0, Math.min(length, seconds));
        at = now;
        armedFrom = position;
        loop = loop.filter(each -> position >= each.from && position < each.to);
    }

    /** Passes what lies between here and a place ahead, and stays. */
    public void passUntil(double seconds, long now) {
        advance(now);
        pass(point -> point.seconds < seconds);
    }

    /** Corrects the position by a little that a clock was off. Nothing is armed again by that, and nothing is skipped. */
    void correct(double seconds, long now) {
        advance(now);
        position = Math.max(0, Math.min(length, seconds));
        at = now;
        passHere();
    }

    /** Plays part of it again and again, from its start where it is elsewhere. */
    public void loop(Loop part, long now) {
        double here = position(now);
        if (here < part.from || here >= part.to) {
            place(part.from, now);
        } else {
            advance(now);
        }
        loop = Optional.of(part);
    }

    /** What is looped is played to its end, and what comes after it. */
    public void leaveLoop(long now) {
        advance(now);
        loop = Optional.empty();
    }

    /** Whether what is passed counts, from now on. What was missed is forgotten with that. */
    public void arm(boolean on, long now) {
        advance(now);
        armed = on;
        if (on) {
            missed.clear();
        }
    }

    // ---- what is due

    /** When the next point is passed, or a loop or the track comes to its end. */
    public long due() {
        if (!passed.isEmpty()) {
            return at;
        } else if (!rolling) {
            return NEVER;
        }
        double stop = loop.map(Loop::to).orElse(length);
        int first = firstFrom(armedFrom);
        double next = first < points.size() ? Math.min(points.get(first).seconds, stop) : stop;
        // a fraction of a nanosecond early would find that nothing is due
        return at + (long) Math.ceil((next - position) * 1e9);
    }

    /** The number of the first point at a place or behind it: it is looked up at each report of somebody else's position. */
    private int firstFrom(double seconds) {
        int from = 0;
        int to = points.size();
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (points.get(middle).seconds < seconds) {
                from = middle + 1;
            } else {
                to = middle;
            }
        }
        return from;
    }

    /** The next point that was passed by now, while it was armed; empty where there is none. */
    public Optional<Point<K>> next(long now) {
        advance(now);
        return Optional.ofNullable(passed.pollFirst());
    }

    private void advance(long now) {
        if (!rolling) {
            return;
        }
        double here = position + (now - at) / 1e9;
        if (loop.isPresent() && here >= loop.get().to) {
            Loop round = loop.get();
            pass(point -> point.seconds < round.to);
            here = around(here, round);
            armedFrom = round.from;
        }
        rolling = here < length;
        position = Math.min(here, length);
        at = now;
        passHere();
    }

    private void passHere() {
        // what is less than a nanosecond ahead is here
        double here = position + 1e-9;
        pass(point -> point.seconds <= here);
        armedFrom = Math.max(armedFrom, Math.nextUp(here));
    }

    private void pass(Predicate<Point<K>> upTo) {
        for (int i = firstFrom(armedFrom); i < points.size() && upTo.test(points.get(i)); i++) {
            if (armed) {
                passed.add(points.get(i));
            } else if (missed.size() < MOST_MISSED) {
                missed.add(points.get(i));
            }
        }
    }
}
