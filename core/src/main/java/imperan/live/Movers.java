package imperan.live;

import imperan.show.PartId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Who moves which line for longer than a moment: a hand that holds a control, a fade. Line by line, so that two controls on one line do not fight. */
final class Movers {

    /**
     * Somebody who moves a control, or a line that belongs to none, for a while.
     *
     * @param control or the name of what moves that line
     * @param ended what is to be done when somebody takes it from them
     */
    record Mover(PartId control, Actor actor, Precedence by, Runnable ended) {}

    private final Map<MovedLine, Mover> byLine = new HashMap<>();
    private final Map<PartId, Set<MovedLine>> linesOf = new HashMap<>();

    /** Who is in the way of moving the lines of a control; empty where nobody is. The same actor on the same control is in nobody's way. */
    Optional<Mover> inTheWay(LiveControl control, Actor actor, Precedence by) {
        return inTheWay(control.id, control.lines, actor, by);
    }

    /** The same of lines that belong to no control, by a name of their own. */
    Optional<Mover> inTheWay(PartId name, Set<MovedLine> lines, Actor actor, Precedence by) {
        return others(name, lines, actor).stream()
                .filter(mover -> !by.takesFrom(mover.by))
                .findFirst();
    }

    /** The others who move any of these lines. */
    List<Mover> others(LiveControl control, Actor actor) {
        return others(control.id, control.lines, actor);
    }

    List<Mover> others(PartId name, Set<MovedLine> lines, Actor actor) {
        return byLine.isEmpty()
                ? List.of()
                : lines.stream()
                        .map(byLine::get)
                        .filter(mover -> mover != null
                                && !(mover.control.equals(name)
                                        && mover.actor.id().equals(actor.id())))
                        .distinct()
                        .toList();
    }

    /** Whether a hand moves this line, whatever else is fixed in it. */
    boolean isMovedByHand(PartId target, String address) {
        return byLine.entrySet().stream()
                .anyMatch(moved -> moved.getValue().by == Precedence.HAND
                        && moved.getKey().target().equals(target)
                        && moved.getKey().address().equals(address));
    }

    /** From now on an actor moves the lines of a control. */
    void take(LiveControl control, Actor actor, Precedence by, Runnable ended) {
        take(control.id, control.lines, actor, by, ended);
    }

    void take(PartId name, Set<MovedLine> lines, Actor actor, Precedence by, Runnable ended) {
        release(name);
        Mover mover = new Mover(name, actor, by, ended);
        lines.forEach(line -> byLine.put(line, mover));
        linesOf.put(name, lines);
    }

    /** Nobody moves the lines of this control any more. */
    void release(PartId control) {
        Set<MovedLine> lines = linesOf.remove(control);
        if (lines != null) {
            lines.forEach(
                    line -> byLine.computeIfPresent(line, (l, mover) -> mover.control.equals(control) ? null : mover));
        }
    }
}
