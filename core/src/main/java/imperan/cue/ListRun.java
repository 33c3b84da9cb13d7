package imperan.cue;

import imperan.show.Cue;
import imperan.show.PartId;
import imperan.show.cue.FadeCurve;
import java.math.BigDecimal;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * One cue list at work: which cue is next, and what runs. An order changes that and nothing more; what is to be done is taken with {@link #next}, one after the other, until there is nothing.
 * A cue runs as it was when it was fired, whatever becomes of it in the list. Used by one thread at a time.
 */
public final class ListRun {

    /** Cues that may begin without any time between; a chain of more goes round in a ring. */
    public static final int MOST_AT_ONCE = 100;
    /** Cues that run at once; one more is refused, and none that runs is ended for it. */
    public static final int MOST_RUNNING = 256;
    /** Cues that are over and still shown. */
    private static final int MOST_OVER = 20;

    private static final long NEVER = Long.MAX_VALUE;
    /** A cue that follows by time begins when it was due, so that a list does not drift; what was held up for longer is not made up for. */
    private static final long MOST_MADE_UP_NANOS = 1_000_000_000L;

    /**
     * A cue in its place.
     *
     * @param decimal its number as it counts: read once, for it is asked for each time that a cue follows
     */
    public record Entry(PartId id, Cue cue, BigDecimal decimal) {
        public Entry(PartId id, Cue cue) {
            this(id, cue, cue.decimal());
        }
    }

    private List<Entry> cues = List.of();
    /** Where each of them is among them. */
    private Map<PartId, Integer> indexes = Map.of();

    private Optional<PartId> next = Optional.empty();
    /** The number of the next one, so that its place is found though it goes; at the end the highest there was. */
    private BigDecimal place = BigDecimal.ZERO;

    private final List<Running> running = new ArrayList<>();
    private final Deque<Running> over = new ArrayDeque<>();
    /** Both, by the number of each. */
    private final Map<Long, Running> byNumber = new HashMap<>();

    private final List<Running> begun = new ArrayList<>();
    private final List<Running> ended = new ArrayList<>();
    private final List<Running> forgotten = new ArrayList<>();
    private final List<PartId> refused = new ArrayList<>();
    private Optional<PartId> last = Optional.empty();
    private double guardSeconds;
    private double speed = 1;
    private long guardedUntil = Long.MIN_VALUE;
    private Optional<Long> pausedAt = Optional.empty();
    private long fired;
    private long chainAt = Long.MIN_VALUE;
    private int chain;
    private boolean isBroken;

    // ---- what it is made of

    /**
     * The list as it is now: at first, and after each edit.
     *
     * @param ordered by their numbers
     */
    public void follow(List<Entry> ordered, double guardSeconds) {
        boolean fresh = cues.isEmpty() && fired == 0 && next.isEmpty();
        cues = List.copyOf(ordered);
        indexes = new HashMap<>();
        for (int i = 0; i < cues.size(); i++) {
            indexes.put(cues.get(i).id(), i);
        }
        this.guardSeconds = guardSeconds;
        if (fresh) {
            pointTo(cues.stream().findFirst());
            return;
        }
        Optional<Entry> same = next.flatMap(this::entry);
        // where the next one stood is what comes there; at the end what was added behind it
        pointTo(
                same.isPresent()
                        ? same
                        : cues.stream()
                                .filter(each -> each.decimal().compareTo(place) >= (next.isPresent() ? 0 : 1))
                                .findFirst());
    }

    /** How many times as fast as the show it goes from the next cue on, for a trial: its waits, fades and guard. The limits of answers stay. */
    public void speed(double times) {
        speed = times;
    }

    /** Where it stood before a restart; nothing runs because of that. */
    public void stood(Optional<PartId> nextCue, Optional<PartId> lastCue) {
        last = lastCue;
        pointTo(nextCue.flatMap(this::entry));
    }

    private void pointTo(Optional<Entry> entry) {
        next = entry.map(Entry::id);
        place = entry.map(Entry::decimal)
                .orElseGet(() -> cues.stream().map(Entry::decimal).reduce(place, BigDecimal::max));
    }

    private Optional<Entry> entry(PartId id) {
        return Optional.ofNullable(indexes.get(id)).map(cues::get);
    }

    private Optional<Entry> after(Entry entry) {
        int behind = indexes.get(entry.id()) + 1;
        return behind < cues.size() ? Optional.of(cues.get(behind)) : Optional.empty();
    }

    // ---- how it stands

    /** The cue that go fires; empty at the end of the list. */
    public Optional<PartId> next() {
        return next;
    }

    /** The same as it is now. */
    public Optional<Cue> nextCue() {
        return next.flatMap(this::entry).map(Entry::cue);
    }

    /** The cue that was fired last. */
    public Optional<PartId> last() {
        return last;
    }

    /** Until when another go does nothing. */
    public long guardedUntil() {
        return guardedUntil;
    }

    public boolean isPaused() {
        return pausedAt.isPresent();
    }

    /** What runs, the earliest first. */
    public List<Running> running() {
        return List.copyOf(running);
    }

    /** What is over, the latest first. */
    public List<Running> over() {
        return List.copyOf(over);
    }

    /** Whether more cues than {@link #MOST_AT_ONCE} would have begun without any time between; until the next order. */
    public boolean isBroken() {
        return isBroken;
    }

    /** All that runs, and what is over and still shown. */
    public Collection<Running> shown() {
        return List.copyOf(byNumber.values());
    }

    /** A cue of the list, as it is now. */
    public Optional<Cue> cue(PartId id) {
        return entry(id).map(Entry::cue);
    }

    /** A cue that was fired, by the number of that. */
    public Optional<Running> running(long number) {
        return Optional.ofNullable(byNumber.get(number));
    }

    // ---- orders

    /**
     * Fires the next cue.
     *
     * @param seen the cue that was next when somebody said so; empty where nobody saw it
     */
    public Optional<Refusal> go(Optional<PartId> seen, long now) {
        if (isPaused()) {
            return Optional.of(Refusal.PAUSED);
        } else if (now < guardedUntil) {
            return Optional.of(Refusal.TOO_SOON);
        } else if (seen.isPresent() && !seen.equals(next)) {
            return Optional.of(Refusal.MOVED_SINCE);
        } else if (next.isEmpty()) {
            return Optional.of(Refusal.AT_END);
        } else if (isFull()) {
            refused.add(next.get());
            return Optional.of(Refusal.TOO_MANY);
        }
        isBroken = false;
        // what would have followed by itself has been overtaken by hand
        running.forEach(Running::followsNot);
        guardedUntil = now + Math.round(guardSeconds * 1e9 / speed);
        fireNext(now, now);
        return Optional.empty();
    }

    /** Makes the cue before the next one the next one; nothing is sent, and nothing follows by itself. */
    public Optional<Refusal> back() {
        Optional<Entry> before = cues.stream()
                .filter(each -> next.isEmpty() || each.decimal().compareTo(place) < 0)
                .reduce((first, second) -> second);
        if (before.isEmpty()) {
            return Optional.of(Refusal.AT_START);
        }
        jumpTo(before.get());
        return Optional.empty();
    }

    /** Makes a cue the next one, likewise. */
    public Optional<Refusal> jump(PartId cue) {
        Optional<Entry> to = entry(cue);
        to.ifPresent(this::jumpTo);
        return to.isEmpty() ? Optional.of(Refusal.NO_SUCH_CUE) : Optional.empty();
    }

    private void jumpTo(Entry entry) {
        isBroken = false;
        // who points elsewhere does not want it fired by what went before
        running.forEach(Running::followsNot);
        pointTo(Optional.of(entry));
    }

    /** Fires a cue and leaves the next one as it is; nothing follows it. */
    public Optional<Refusal> fire(PartId cue, long now) {
        if (isPaused()) {
            return Optional.of(Refusal.PAUSED);
        }
        Optional<Entry> found = entry(cue);
        if (found.isEmpty()) {
            return Optional.of(Refusal.NO_SUCH_CUE);
        } else if (isFull()) {
            refused.add(cue);
            return Optional.of(Refusal.TOO_MANY);
        }
        begin(found.get(), false, now);
        return Optional.empty();
    }

    /** Whether as many run as may. */
    public boolean isFull() {
        if (running.size() >= MOST_RUNNING) {
            settle();
        }
        return running.size() >= MOST_RUNNING;
    }

    /** The track on which the list lies has come to a cue: it is fired, and the one behind it is next. A paused list lets it pass. */
    public void passed(PartId cue, long now) {
        Optional<Entry> found = isPaused() ? Optional.empty() : entry(cue);
        if (found.isPresent()) {
            isBroken = false;
            // what would have followed by itself comes at the time it has
            running.forEach(Running::followsNot);
            last = Optional.of(cue);
            pointTo(after(found.get()));
            begin(found.get(), true, now);
        }
    }

    /** Fades and waits stand still. */
    public Optional<Refusal> pause(long now) {
        if (isPaused()) {
            return Optional.of(Refusal.PAUSED);
        } else if (running.isEmpty()) {
            return Optional.of(Refusal.NOTHING_RUNS);
        }
        pausedAt = Optional.of(now);
        return Optional.empty();
    }

    /** What was paused goes on from where it is. */
    public Optional<Refusal> resume(long now) {
        if (pausedAt.isEmpty()) {
            return Optional.of(Refusal.NOTHING_RUNS);
        }
        long by = now - pausedAt.get();
        running.forEach(each -> each.later(by));
        pausedAt = Optional.empty();
        return Optional.empty();
    }

    /** Fades stay where they are, waits end, nothing follows. */
    public void stop() {
        isBroken = false;
        pausedAt = Optional.empty();
        running.forEach(Running::stop);
        settle();
    }

    /** Stops, and goes to its start: a cue with the number 0 is fired, the one after it is next. */
    public void reset(long now) {
        stop();
        pointTo(cues.stream().findFirst());
        last = Optional.empty();
        if (next.isPresent() && place.signum() == 0) {
            running.forEach(Running::followsNot);
            fireNext(now, now);
        }
    }

    private void fireNext(long due, long now) {
        Entry entry = next.flatMap(this::entry).orElseThrow();
        last = Optional.of(entry.id());
        pointTo(after(entry));
        begin(entry, true, Math.max(due, now - MOST_MADE_UP_NANOS));
    }

    private void begin(Entry entry, boolean leads, long at) {
        if (isFull()) {
            refused.add(entry.id());
            return;
        }
        chain = chainAt == at ? chain + 1 : 1;
        chainAt = at;
        if (chain > MOST_AT_ONCE) {
            isBroken = true;
            running.forEach(Running::followsNot);
            return;
        }
        Running fresh = new Running(++fired, entry.id(), entry.cue(), leads, at, speed);
        running.add(fresh);
        byNumber.put(fresh.number(), fresh);
        begun.add(fresh);
    }

    // ---- what is due

    /** When something is due; {@code Long.MAX_VALUE} where nothing is. */
    public long due() {
        long due = NEVER;
        for (Running each : isPaused() ? List.<Running>of() : running) {
            due = Math.min(due, each.due());
        }
        return due;
    }

    /** The next thing to be done by now; empty where there is nothing. */
    public Optional<Happening> next(long now) {
        for (boolean again = !isPaused(); again; ) {
            again = false;
            for (Running each : List.copyOf(running)) {
                Optional<Happening> happening = happening(each, now);
                if (happening.isPresent()) {
                    return happening;
                }
            }
            for (Running each : List.copyOf(running)) {
                OptionalLong follows = each.follows(now);
                // a cue that has a time of its own waits for that where the track fired the one before
                boolean waits = each.cue().at().isPresent()
                        && nextCue().flatMap(Cue::at).isPresent();
                if (follows.isPresent() && next.isPresent() && !isBroken && !waits) {
                    fireNext(follows.getAsLong(), now);
                    again = true;
                }
            }
        }
        settle();
        return Optional.empty();
    }

    private static Optional<Happening> happening(Running each, long now) {
        Optional<Integer> beginning = each.beginning(now);
        if (beginning.isPresent()) {
            each.becomes(beginning.get(), Outcome.GOES_ON);
            return beginning.map(action -> new Happening.Begins(each, action));
        }
        return each.stepping(now).map(action -> {
            double share = each.step(action, now);
            return new Happening.Steps(each, action, share, !each.isFading(action));
        });
    }

    /** What is over is put aside. */
    private void settle() {
        for (Iterator<Running> all = running.iterator(); all.hasNext(); ) {
            Running each = all.next();
            if (each.isOver()) {
                all.remove();
                over.addFirst(each);
                ended.add(each);
            }
        }
        while (over.size() > MOST_OVER) {
            Running last = over.removeLast();
            byNumber.remove(last.number());
            forgotten.add(last);
        }
        if (running.isEmpty()) {
            pausedAt = Optional.empty();
        }
    }

    // ---- what became of it

    /** What has begun since this was last asked. */
    public List<Running> takeBegun() {
        List<Running> taken = List.copyOf(begun);
        begun.clear();
        return taken;
    }

    /** What is over since this was last asked, the earliest first. */
    public List<Running> takeEnded() {
        List<Running> taken = List.copyOf(ended);
        ended.clear();
        return taken;
    }

    /** What is no longer shown since this was last asked. */
    public List<Running> takeForgotten() {
        List<Running> taken = List.copyOf(forgotten);
        forgotten.clear();
        return taken;
    }

    /** The cues that did not begin since this was last asked, as too many ran. */
    public List<PartId> takeRefused() {
        List<PartId> taken = List.copyOf(refused);
        refused.clear();
        return taken;
    }

    /** An action fades for its seconds from now on, in steps that are at least so far apart. */
    public void fades(Running each, int action, FadeCurve curve, long step, long now) {
        each.fades(action, curve, step, now);
    }

    /** What an action needs was asked for: it begins again then. */
    public void beginsLater(Running each, int action, long at) {
        each.beginsLater(action, at);
    }

    /** What became of an action. */
    public void becomes(Running each, int action, Outcome outcome) {
        each.becomes(action, outcome);
    }
}
