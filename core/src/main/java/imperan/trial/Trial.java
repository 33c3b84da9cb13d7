package imperan.trial;

import imperan.live.Actor;
import imperan.live.Command.StepCues;
import imperan.live.Command.StepCues.Deed;
import imperan.live.CueListView;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.show.CueList;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.trial.TrialReport.End;
import imperan.trial.TrialReport.Fired;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A cue list that is played through once in a running show, from its first cue to its last: where the next one waits for a hand, go is said as soon as nothing runs any more. Afterwards
 * the lists point where they did; what was said was said. Used by one thread at a time.
 */
public final class Trial {

    /** More than any list has; who fires as many goes round in a ring. */
    public static final int MOST_FIRED = 10_000;
    /** What is refused is tried again after so long. */
    private static final long AGAIN_NANOS = 100_000_000L;

    private final Show show;
    private final PartId list;
    private final TrialScope scope;
    private final TrialSpeed speed;
    private final boolean rehearsed;
    private final String by;
    private final Actor actor;
    private final List<Fired> fired = new ArrayList<>();
    /** The last of its list that is over. */
    private Optional<Fired> latest = Optional.empty();

    private final Map<PartId, PartId> stood = new HashMap<>();
    private long startedAt;
    private long endedAt;
    private boolean begun;
    private boolean isOrdering;
    private Optional<End> toEnd = Optional.empty();
    private boolean isPausedByHand;
    private Optional<End> end = Optional.empty();
    private long due = Long.MAX_VALUE;

    /**
     * @param show      as it runs
     * @param rehearsed whether nobody hears it
     * @param by        who starts it: it may what they may
     */
    public Trial(Show show, PartId list, TrialSpeed speed, boolean rehearsed, Actor by) {
        this.show = show;
        this.list = list;
        this.scope = TrialScope.of(show, list);
        this.speed = speed;
        this.rehearsed = rehearsed;
        this.by = by.name();
        this.actor = new Actor(by.kind(), "trial", by.name().isBlank() ? "Trial" : by.name() + " (trial)", by.rights());
    }

    public TrialScope scope() {
        return scope;
    }

    public boolean isEnded() {
        return end.isPresent();
    }

    /** When it wants a turn though nothing else happens; {@code Long.MAX_VALUE} where it does not. */
    public long nextDue() {
        return due;
    }

    /** The number of the cue that it fired last; empty before the first. */
    public Optional<String> at(LiveShow live) {
        if (!begun) {
            return Optional.empty();
        }
        return Stream.concat(latest.stream(), runs(live).stream())
                .filter(each -> each.list().equals(list) && each.cue().firedAt() >= startedAt)
                .max(Comparator.comparingLong(each -> each.cue().number()))
                .map(each -> each.cue().cue().number());
    }

    /** It ends with its next turn, and stops what it plays. */
    public void stop() {
        stop(End.STOPPED);
    }

    void stop(End how) {
        toEnd = toEnd.or(() -> Optional.of(how));
        due = Long.MIN_VALUE;
    }

    /** It gets no turn any more. */
    public void abandon() {
        end = end.or(() -> Optional.of(End.GONE));
        due = Long.MAX_VALUE;
    }

    /** A turn: says what is to be said now. */
    public void act(LiveShow live, long now) {
        if (isEnded()) {
            return;
        }
        due = Long.MAX_VALUE;
        endedAt = now;
        if (!begun) {
            begin(live, now);
        }
        Optional<CueListView> view = live.cueList(list);
        if (view.isEmpty()) {
            end(End.GONE, live, now);
        } else if (toEnd.isPresent()) {
            end(toEnd.get(), live, now);
        } else if (fired.size() > MOST_FIRED || view.get().broken()) {
            end(End.ROUND, live, now);
        } else if (view.get().paused()) {
            if (!isPausedByHand) {
                // a cue paused its own list: a hand would resume it
                due = order(live, Deed.RESUME, Optional.empty(), now) ? now : now + AGAIN_NANOS;
            }
        } else if (runs(live).isEmpty()) {
            goOn(view.get(), live, now);
        }
    }

    private void begin(LiveShow live, long now) {
        begun = true;
        startedAt = now;
        scope.lists().forEach(each -> {
            live.cueList(each).flatMap(CueListView::next).ifPresent(next -> stood.put(each, next));
            live.cueSpeed(each, speed.times());
        });
        // what was fired before is none of its business
        CueList.cues(show, list).stream()
                .findFirst()
                .ifPresent(first -> order(live, Deed.JUMP, Optional.of(first.id()), now));
    }

    private void goOn(CueListView view, LiveShow live, long now) {
        if (view.next().isEmpty()) {
            end(End.LAST, live, now);
        } else if (now < view.guardedUntil()) {
            due = view.guardedUntil();
        } else {
            // a cue that does nothing is over already
            due = order(live, Deed.GO, view.next(), now) ? now : now + AGAIN_NANOS;
        }
    }

    private List<Fired> runs(LiveShow live) {
        return scope.lists().stream()
                .flatMap(each -> live.cueList(each).stream())
                .flatMap(view -> view.running().stream().map(running -> new Fired(view.list(), running)))
                .toList();
    }

    /** @return false where it was refused */
    private boolean order(LiveShow live, Deed deed, Optional<PartId> cue, long now) {
        return order(live, list, deed, cue, now);
    }

    private boolean order(LiveShow live, PartId which, Deed deed, Optional<PartId> cue, long now) {
        isOrdering = true;
        Optional<Problem> refused = live.carryOut(new StepCues(which, deed, cue), actor, now);
        isOrdering = false;
        return refused.isEmpty();
    }

    private void end(End how, LiveShow live, long now) {
        if (how != End.LAST) {
            scope.lists().forEach(each -> order(live, each, Deed.STOP, Optional.empty(), now));
        }
        fired.addAll(runs(live));
        scope.lists().forEach(each -> live.cueSpeed(each, 1));
        stood.forEach((each, next) -> order(live, each, Deed.JUMP, Optional.of(next), now));
        end = Optional.of(how);
        due = Long.MAX_VALUE;
    }

    /** Something happened in the show in which it plays. */
    public void happened(LiveEvent event) {
        if (!begun || isEnded()) {
            return;
        } else if (event instanceof LiveEvent.CueEnded ended
                && scope.lists().contains(ended.list())
                && ended.fired().firedAt() >= startedAt) {
            Fired over = new Fired(ended.list(), ended.fired());
            fired.add(over);
            boolean isLater = latest.filter(
                            before -> before.cue().number() > over.cue().number())
                    .isEmpty();
            if (over.list().equals(list) && isLater) {
                latest = Optional.of(over);
            }
        } else if (event instanceof LiveEvent.CuesOrdered ordered
                && !isOrdering
                && ordered.by().kind() != Actor.Kind.CUE
                && scope.lists().contains(ordered.list())) {
            switch (ordered.deed()) {
                case STOP, RESET -> stop();
                case PAUSE -> isPausedByHand = true;
                case RESUME -> isPausedByHand = false;
                default -> {
                    // who steps the list along with it fires cues of it
                }
            }
        }
    }

    /** What came of it, so far where it still runs. */
    public TrialReport report() {
        List<Fired> inOrder = fired.stream()
                // at the same moment a cue stands before those of other lists, which it may have fired
                .sorted(Comparator.comparingLong((Fired each) -> each.cue().firedAt())
                        .thenComparing(each -> !each.list().equals(list))
                        .thenComparing(each -> each.cue().number()))
                .toList();
        Set<PartId> was = fired.stream().map(each -> each.cue().id()).collect(Collectors.toSet());
        return new TrialReport(
                show,
                list,
                speed,
                rehearsed,
                by,
                startedAt,
                endedAt,
                end,
                inOrder,
                CueList.cues(show, list).stream()
                        .map(Part::id)
                        .filter(cue -> !was.contains(cue))
                        .toList());
    }
}
