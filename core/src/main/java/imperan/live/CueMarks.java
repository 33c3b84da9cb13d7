package imperan.live;

import imperan.cue.Outcome;
import imperan.cue.Running;
import imperan.show.PartId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/**
 * What became of the actions of cues, gathered from what happened: each action has a cause of its own, which all that it led to carries.
 */
final class CueMarks {

    private final LiveState state;
    /** What is done now or awaits an answer, by the cue that was fired and the place of the action. */
    private final Map<Running, Map<Integer, CueAct>> acts = new HashMap<>();

    private final Map<Long, CueAct> byCause = new HashMap<>();
    private final Map<Long, CueAct> byExchange = new HashMap<>();
    /** The controls whose last value waits for the pace of their target. */
    private final Map<PartId, CueAct> waiting = new HashMap<>();

    private final Map<Running, Map<Integer, Reason>> reasons = new HashMap<>();
    /** When the last line of an action left. */
    private final Map<Running, Map<Integer, Long>> left = new HashMap<>();

    private final BiConsumer<PartId, Line> saidBy;

    /** @param saidBy is told which list said a line */
    CueMarks(LiveState state, BiConsumer<PartId, Line> saidBy) {
        this.state = state;
        this.saidBy = saidBy;
        state.marks(this::happened);
    }

    // ---- what is done

    /** An action begins. */
    void begun(CueAct act) {
        acts.computeIfAbsent(act.running, running -> new HashMap<>()).put(act.index, act);
        byCause.put(act.cause.number(), act);
    }

    Optional<CueAct> act(Running running, int index) {
        return Optional.ofNullable(acts.getOrDefault(running, Map.of()).get(index));
    }

    /** The last value of a control waits for the pace of its target. */
    void waits(PartId control, CueAct act) {
        waiting.put(control, act);
        act.waits = true;
    }

    /** It was not done, or not as it was meant; the first reason counts. */
    void fellShort(CueAct act, Reason reason) {
        act.fell = act.fell.or(() -> Optional.of(reason));
    }

    /** All that it says was handed on. */
    void said(CueAct act) {
        act.isSaid = true;
        judge(act);
    }

    /** It ended in another way than by what it said. */
    void ends(CueAct act, Outcome outcome, Optional<Reason> reason) {
        reason.ifPresent(why ->
                reasons.computeIfAbsent(act.running, running -> new HashMap<>()).put(act.index, why));
        becomes(act, outcome);
    }

    /** Why an action of a cue did not end as it was meant. */
    Map<Integer, Reason> reasons(Running running) {
        return reasons.getOrDefault(running, Map.of());
    }

    /** When the last line of an action left; empty where none did. */
    Optional<Long> left(Running running, int index) {
        return Optional.ofNullable(left.getOrDefault(running, Map.of()).get(index));
    }

    /** Takes those that have ended; each is told. */
    void takeEnded(Consumer<CueAct> told) {
        for (CueAct act : acts.values().stream()
                .flatMap(each -> each.values().stream())
                .filter(each -> each.running.outcome(each.index).isFinal())
                .toList()) {
            told.accept(act);
            byCause.remove(act.cause.number());
            waiting.values().removeIf(act::equals);
            Map<Integer, CueAct> others = acts.get(act.running);
            others.remove(act.index);
            if (others.isEmpty()) {
                acts.remove(act.running);
            }
        }
    }

    /** A cue is no longer shown. */
    void forget(Running gone) {
        reasons.remove(gone);
        left.remove(gone);
    }

    // ---- what became of it

    private void judge(CueAct act) {
        if (!act.isSaid || act.running.outcome(act.index).isFinal()) {
            return;
        }
        boolean isAway =
                act.fell.filter(Reason.MovedByAnother.class::isInstance).isPresent();
        if (act.fell.isPresent()) {
            ends(act, isAway ? Outcome.TAKEN : Outcome.FELL_SHORT, act.fell);
        } else if (act.open > 0 || act.waits) {
            becomes(act, Outcome.SAID);
        } else {
            ends(act, act.answered ? Outcome.ANSWERED : Outcome.DONE, Optional.empty());
        }
    }

    private void becomes(CueAct act, Outcome outcome) {
        if (act.running.outcome(act.index) != outcome) {
            act.run.becomes(act.running, act.index, outcome);
            // what waits for its answers may follow now
            state.due.noLaterThan(new Due.OfCueList(act.list), state.now());
            state.happened(new LiveEvent.CuesChanged(state.now(), state.cause(), act.list));
        }
    }

    /** Gathers what became of the lines of cues. */
    private void happened(LiveEvent event) {
        if (event instanceof LiveEvent.Ended ended && ended.exchange() > 0) {
            Optional.ofNullable(byExchange.remove(ended.exchange())).ifPresent(act -> ended(act, ended.result()));
            return;
        } else if (event instanceof LiveEvent.LineLeft left && !waiting.isEmpty()) {
            left.line().control().map(waiting::remove).ifPresent(act -> {
                act.waits = waiting.containsValue(act);
                if (act.cause.number() != left.cause().number()) {
                    // somebody else's value left in its place
                    judge(act);
                }
            });
        }
        CueAct act = byCause.isEmpty() ? null : byCause.get(event.cause().number());
        if (act == null) {
            return;
        }
        if (event instanceof LiveEvent.LineLeft said) {
            saidBy.accept(act.list, said.line());
            left.computeIfAbsent(act.running, running -> new HashMap<>()).put(act.index, event.at());
            act.waits = waiting.containsValue(act) || --act.toLeave > 0;
        } else if (event instanceof LiveEvent.Stopped stopped) {
            act.waits = waiting.containsValue(act) || --act.toLeave > 0;
            // that somebody was moved aside is told of them, and because of this
            if (!(stopped.reason() instanceof Reason.SameValue
                    || stopped.reason() instanceof Reason.KeptByStep
                    || stopped.reason() instanceof Reason.MovedByAnother)) {
                fellShort(act, stopped.reason());
            }
        } else if (event instanceof LiveEvent.Opened opened) {
            act.open++;
            byExchange.put(opened.exchange(), act);
        }
        if (event instanceof LiveEvent.Ended || event instanceof LiveEvent.Stopped) {
            judge(act);
        }
    }

    private void ended(CueAct act, MessageResult result) {
        act.open--;
        act.answered |= result instanceof MessageResult.Agreed;
        if (result instanceof MessageResult.Differed) {
            fellShort(act, new Reason.WrongValue());
        } else if (result instanceof MessageResult.NoAnswer none) {
            fellShort(act, new Reason.NoAnswer(none.limitNanos(), none.arrivedAs()));
        } else if (result instanceof MessageResult.NoNews none
                && act.open == 0
                && act.isSaid
                && act.fell.isEmpty()
                && !act.waits) {
            // it stood there already: nothing confirms it, and nothing is wrong
            ends(act, Outcome.DONE, Optional.of(new Reason.NoNews(none.limitNanos())));
        }
        judge(act);
    }
}
