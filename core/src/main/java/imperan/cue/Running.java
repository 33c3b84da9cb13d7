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
    private final boolean leads;
    private final long firedAt;
    private final long[] begins;
    private final Outcome[] outcomes;
    private final Fade[] fades;
    private final long[] steps;
    /** When the next cue begins by itself, or the answers have taken too long; NEVER where neither will be. */
    private long followsAt;

    /**
     * @param number counts the cues that a list fired
     * @param leads  whether the next one may follow it
     */
    Running(long number, PartId id, Cue cue, boolean leads, long now) {
        this.number = number;
        this.id = id;
        this.cue = cue;
        this.leads = leads;
        this.firedAt = now;
        int actions = cue.actions().size();
        begins = new long[actions];
        outcomes = new Outcome[actions];
        fades = new Fade[actions];
        steps = new long[actions];
        for (int i = 0; i < actions; i++) {
            begins[i] = now + nanos(cue.actions().get(i).delay());
            outcomes[i] = Outcome.WAITS;
            steps[i] = NEVER;
        }
        CueFollow.How how = cue.follow().how();
        followsAt = leads && (how == CueFollow.How.AFTER || how == CueFollow.How.ANSWERED) ? now + nanos(cue.follow().seconds()) : leads && how == CueFollow.How.TOGETHER ? now : NEVER;
    }

    static long nanos(double seconds) {
        return Math.round(seconds * 1e9);
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

    public long firedAt() {
        return firedAt;
    }

    public Outcome outcome(int action) {
        return outcomes[action];
    }

    /** When the next cue follows by itself; empty where it does not, or not by time. */
    public OptionalLong followsAt() {
        return followsAt == NEVER || cue.follow().how() == CueFollow.How.ANSWERED ? OptionalLong.empty() : OptionalLong.of(followsAt);
    }

    /** When the last of its actions ends, as far as that is known; the moment it was fired where it has none. */
    public long endsAt() {
        long end = firedAt;
        for (int i = 0; i < outcomes.length; i++) {
            if (!outcomes[i].isFinal()) {
                end = Math.max(end, fades[i] != null ? fades[i].end() : begins[i] + nanos(action(i).seconds()));
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
        fades[action] = new Fade(now, nanos(action(action).seconds()), curve, step);
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

    /** Whether the next cue is due: its time has come, or all was answered, or is not going to be. Told once. */
    Follow follows(long now) {
        CueFollow follow = cue.follow();
        if (followsAt == NEVER) {
            return Follow.NOT_YET;
        }
        boolean next;
        if (follow.how() == CueFollow.How.ANSWERED) {
            boolean late = now >= followsAt;
            if (!late && !isDone()) {
                return Follow.NOT_YET;
            }
            next = isWell() || follow.goesOn();
        } else if (now < followsAt) {
            return Follow.NOT_YET;
        } else {
            next = true;
        }
        followsAt = NEVER;
        return next ? Follow.NEXT : Follow.WAITS_FOR_HAND;
    }

    /** Whether the next cue begins. */
    enum Follow { NOT_YET, NEXT, WAITS_FOR_HAND }

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
