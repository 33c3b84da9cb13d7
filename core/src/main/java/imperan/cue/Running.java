package imperan.cue;

import imperan.show.Cue;
import imperan.show.PartId;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import java.util.Optional;
import java.util.OptionalLong;

/** One cue that was fired, as it was then: what of it waits, goes on and has ended. */
public final class Running {

    private static final long NEVER = Long.MAX_VALUE;

    private final long number;
    private final PartId id;
    private final Cue cue;
    private final long firedAt;
    private final double speed;
    private final long[] begins;
    private final Outcome[] outcomes;
    private final Fade[] fades;
    private final long[] steps;
    /** When the next cue begins by itself, or the answers have taken too long; NEVER where neither will be. */
    private long followsAt;

    /**
     * @param number counts the cues that a list fired
     * @param leads  whether the next one may follow it
     * @param now    when it was fired, or was due
     * @param speed  how many times as fast as the show it goes
     */
    Running(long number, PartId id, Cue cue, boolean leads, long now, double speed) {
        this.number = number;
        this.id = id;
        this.cue = cue;
        this.firedAt = now;
        this.speed = speed;
        int actions = cue.actions().size();
        begins = new long[actions];
        outcomes = new Outcome[actions];
        fades = new Fade[actions];
        steps = new long[actions];
        for (int i = 0; i < actions; i++) {
            begins[i] = now + span(cue.actions().get(i).delay());
            outcomes[i] = Outcome.WAITS;
            steps[i] = NEVER;
        }
        CueFollow.How how = cue.follow().how();
        followsAt = !leads || how == CueFollow.How.HAND
                ? NEVER
                : how == CueFollow.How.TOGETHER
                        ? now
                        : how == CueFollow.How.AFTER
                                ? now + span(cue.follow().seconds())
                                : now + nanos(cue.follow().seconds());
    }

    private static long nanos(double seconds) {
        return Math.round(seconds * 1e9);
    }

    /** What takes so long in the show. */
    private long span(double seconds) {
        return nanos(seconds / speed);
    }

    // ---- what it is

    public long number() {
        return number;
    }

    public PartId id() {
        return id;
    }

    /** As it was when it was fired. */
    public Cue cue() {
        return cue;
    }

    public CueAction action(int index) {
        return cue.actions().get(index);
    }

    /** When it was fired; where it followed by time, when it was due. */
    public long firedAt() {
        return firedAt;
    }

    /** When an action is at its end, as the cue has it: a line leaves then, a fade ends. */
    public long dueAt(int action) {
        return firedAt + span(action(action).delay() + action(action).seconds());
    }

    public Outcome outcome(int action) {
        return outcomes[action];
    }

    /** When the next cue follows by itself; empty where it does not, or not by time. */
    public OptionalLong followsAt() {
        return followsAt == NEVER || cue.follow().how() == CueFollow.How.ANSWERED
                ? OptionalLong.empty()
                : OptionalLong.of(followsAt);
    }

    /** When the last of its actions ends, as far as that is known; the moment it was fired where it has none. */
    public long endsAt() {
        long end = firedAt;
        for (int i = 0; i < outcomes.length; i++) {
            if (!outcomes[i].isFinal()) {
                end = Math.max(
                        end,
                        fades[i] != null
                                ? fades[i].end()
                                : begins[i] + span(action(i).seconds()));
            }
        }
        return end;
    }

    /** Whether nothing more comes of it. */
    public boolean isOver() {
        return followsAt == NEVER && isDone();
    }

    /** Whether nothing more comes of its actions. */
    private boolean isDone() {
        for (Outcome outcome : outcomes) {
            if (!outcome.isFinal()) {
                return false;
            }
        }
        return true;
    }

    // ---- what is due

    /** When something of it is due. */
    long due() {
        long due = followsAt;
        for (int i = 0; i < outcomes.length; i++) {
            due = Math.min(due, outcomes[i] == Outcome.WAITS ? begins[i] : steps[i]);
        }
        return due;
    }

    /** The first action whose beginning is due. */
    Optional<Integer> beginning(long now) {
        int first = -1;
        for (int i = 0; i < outcomes.length; i++) {
            if (outcomes[i] == Outcome.WAITS && begins[i] <= now && (first < 0 || begins[i] < begins[first])) {
                first = i;
            }
        }
        return first < 0 ? Optional.empty() : Optional.of(first);
    }

    /** It begins again a little later: something it needs has been asked for. */
    void beginsLater(int action, long at) {
        outcomes[action] = Outcome.WAITS;
        begins[action] = at;
        steps[action] = NEVER;
        fades[action] = null;
    }

    void fades(int action, FadeCurve curve, long step, long now) {
        outcomes[action] = Outcome.GOES_ON;
        fades[action] = new Fade(now, span(action(action).seconds()), curve, step);
        steps[action] = fades[action].after(now);
    }

    /** The first fade whose step is due. */
    Optional<Integer> stepping(long now) {
        for (int i = 0; i < steps.length; i++) {
            if (steps[i] <= now) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** Takes a step of a fade: how much of its way is gone. With the last one the fade is over. */
    double step(int action, long now) {
        double at = fades[action].at(now);
        if (now >= fades[action].end()) {
            steps[action] = NEVER;
            fades[action] = null;
        } else {
            steps[action] = fades[action].after(now);
        }
        return at;
    }

    boolean isFading(int action) {
        return fades[action] != null;
    }

    // ---- what becomes of it

    /** @param outcome of an action that has not ended yet; what has ended stays as it is */
    void becomes(int action, Outcome outcome) {
        if (!outcomes[action].isFinal()) {
            outcomes[action] = outcome;
            if (outcome.isFinal()) {
                steps[action] = NEVER;
                fades[action] = null;
            }
        }
    }

    /** When the next cue begins, where that is now or was before: its time has come, or all was answered, or is not going to be. Told once; empty where it waits, or for a hand. */
    OptionalLong follows(long now) {
        if (followsAt == NEVER) {
            return OptionalLong.empty();
        }
        CueFollow follow = cue.follow();
        boolean answered = follow.how() == CueFollow.How.ANSWERED;
        if (now < followsAt && !(answered && isDone())) {
            return OptionalLong.empty();
        }
        long at = answered ? now : followsAt;
        followsAt = NEVER;
        return !answered || isWell() || follow.goesOn() ? OptionalLong.of(at) : OptionalLong.empty();
    }

    private boolean isWell() {
        for (Outcome outcome : outcomes) {
            if (!outcome.isWell()) {
                return false;
            }
        }
        return true;
    }

    /** Nothing follows it by itself any more. */
    void followsNot() {
        followsAt = NEVER;
    }

    void stop() {
        for (int i = 0; i < outcomes.length; i++) {
            // what was said may still be answered
            if (outcomes[i] != Outcome.SAID) {
                becomes(i, Outcome.STOPPED);
            }
        }
        followsAt = NEVER;
    }

    /** It was frozen for so long; the limit of its answers was not. */
    void later(long by) {
        for (int i = 0; i < outcomes.length; i++) {
            begins[i] = outcomes[i] == Outcome.WAITS ? begins[i] + by : begins[i];
            if (fades[i] != null) {
                fades[i] = fades[i].later(by);
                steps[i] += by;
            }
        }
        if (followsAt != NEVER && cue.follow().how() != CueFollow.How.ANSWERED) {
            followsAt += by;
        }
    }
}
