package imperan.live;

import imperan.cue.ListRun;
import imperan.cue.Running;
import imperan.osc.OscArgument;
import imperan.show.PartId;
import imperan.show.cue.CueAction;
import imperan.show.form.Position;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** One action of a cue while it is done: who is behind it, what it moves, and what is still open of it. */
final class CueAct {

    /** Where a control is brought from and to. */
    record Way(Position from, Position to) {

        Position at(double share) {
            double[] axes = new double[to.axes()];
            for (int axis = 0; axis < axes.length; axis++) {
                axes[axis] = from.get(axis) + (to.get(axis) - from.get(axis)) * share;
            }
            return Position.of(axes);
        }
    }

    final PartId list;
    final ListRun run;
    final Running running;
    final int index;
    final Actor actor;
    /** All that it leads to has this one. */
    final Cause cause;
    /** The controls that it fades. */
    final Map<PartId, Way> ways = new HashMap<>();
    /** The line that it fades, and from where. */
    Optional<MovedLine> line = Optional.empty();

    double from;
    /** What a step of that said last. */
    Optional<List<OscArgument>> said = Optional.empty();
    /** When it first asked for what it has to look up. */
    long askedAt = Long.MIN_VALUE;
    /** Whether all that it says was handed on. */
    boolean isSaid;
    /** Whether its line waits for the pace of its target. */
    boolean waits;
    /** How many lines of a start list have not left yet. */
    int toLeave;

    int open;
    boolean answered;
    Optional<Reason> fell = Optional.empty();

    CueAct(PartId list, ListRun run, Running running, int index, Actor actor, Cause cause) {
        this.list = list;
        this.run = run;
        this.running = running;
        this.index = index;
        this.actor = actor;
        this.cause = cause;
    }

    CueAction action() {
        return running.action(index);
    }

    /** By which what it moves is told from what others move, where that is no control. */
    PartId name() {
        return new PartId(actor.id());
    }
}
