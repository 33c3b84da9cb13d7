package imperan.live;

import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** Brings controls to positions, for whoever wants it, and sends what they send then. Where somebody who stands before them moves the same line, they do not. */
final class Movement {

    private final LiveState state;
    private final Sending sending;
    private final Movers movers = new Movers();
    private Consumer<LiveControl> lettingGo = control -> {};

    Movement(LiveState state, Sending sending) {
        this.state = state;
        this.sending = sending;
    }

    /** How a hand is made to let go of a control that somebody else moves. */
    void lettingGo(Consumer<LiveControl> how) {
        lettingGo = how;
    }

    // ---- who may

    /** Whether an actor may move a control now; where not, its path says who is in the way. */
    boolean isFree(LiveControl control, Actor actor, Precedence by) {
        Optional<Reason> inTheWay = inTheWay(control, actor, by);
        inTheWay.ifPresent(reason -> sending.stop(control, reason));
        return inTheWay.isEmpty();
    }

    /** Who is in the way; empty where nobody is. */
    Optional<Reason> inTheWay(LiveControl control, Actor actor, Precedence by) {
        return movers.inTheWay(control, actor, by).map(mover -> reason(mover.actor(), mover.control()));
    }

    private Reason reason(Actor actor, PartId with) {
        return new Reason.MovedByAnother(
                actor.name(),
                Optional.ofNullable(state.controls.get(with))
                        .map(control -> control.control.called())
                        .orElse(""));
    }

    /**
     * From now on an actor moves a control, which is free for it. Whoever moved its lines and stands behind ends, and is told why.
     *
     * @param ended what is to be done when somebody takes it from this actor
     */
    void hold(LiveControl control, Actor actor, Precedence by, Runnable ended) {
        takeFromOthers(control, actor);
        movers.take(control, actor, by, ended);
    }

    /** The actor that moved a control no longer does. */
    void release(LiveControl control) {
        movers.release(control.id);
    }

    /** Whether a hand moves a line of this target and address now. */
    boolean isHeldByHand(PartId target, String address) {
        return movers.isMovedByHand(target, address);
    }

    private void takeFromOthers(LiveControl control, Actor actor) {
        state.stopGliding(control);
        takeFrom(movers.others(control, actor), control.id, actor);
    }

    private void takeFrom(List<Movers.Mover> others, PartId with, Actor actor) {
        for (Movers.Mover mover : others) {
            movers.release(mover.control());
            mover.ended().run();
            if (!mover.control().equals(with)) {
                Optional.ofNullable(state.controls.get(mover.control()))
                        .ifPresent(other -> sending.stop(other, reason(actor, with)));
            }
        }
    }

    /**
     * An actor moves a line that belongs to no control from now on, where nobody is in the way.
     *
     * @param name  of what moves it
     * @param ended what is to be done when somebody takes it from this actor
     * @return why it may not; empty where it may
     */
    Optional<Reason> hold(PartId name, MovedLine line, Actor actor, Runnable ended) {
        Optional<Movers.Mover> inTheWay = movers.inTheWay(name, Set.of(line), actor, Precedence.AUTOMATIC);
        if (inTheWay.isPresent()) {
            return inTheWay.map(mover -> reason(mover.actor(), mover.control()));
        }
        takeFrom(movers.others(name, Set.of(line), actor), name, actor);
        movers.take(name, Set.of(line), actor, Precedence.AUTOMATIC, ended);
        return Optional.empty();
    }

    /** What moved a line that belongs to no control no longer does. */
    void release(PartId name) {
        movers.release(name);
    }

    // ---- moving

    /** Brings a control to a position, where nobody is in the way. */
    void moveTo(LiveControl control, Position position, Actor actor, Precedence by) {
        if (!position.equals(control.position) && isFree(control, actor, by)) {
            takeFromOthers(control, actor);
            place(control, position, actor);
            moved(control, actor);
        }
    }

    /** Brings a control to a position for what plays by itself, where nobody is in the way, and says so though it may stand there already. */
    void bring(LiveControl control, Position position, Actor actor) {
        if (isFree(control, actor, Precedence.AUTOMATIC)) {
            takeFromOthers(control, actor);
            place(control, position, actor);
            moved(control, actor);
        }
    }

    /** Puts a control where it is to stand, without a word of it yet. */
    void place(LiveControl control, Position position, Actor actor) {
        letOthersGo(control, position, actor);
        control.position = position;
    }

    /** A control was moved by an actor: it sends what it sends on a change. */
    void moved(LiveControl control, Actor actor) {
        control.movedBy = actor.name();
        state.changed(control);
        sending.sendAll(control, Send.Phase.CHANGE);
    }

    /** A wheel was turned by some steps. */
    void turned(LiveControl control, int steps, Actor actor) {
        if (steps != 0) {
            control.steps = steps;
            control.movedBy = actor.name();
            sending.sendAll(control, Send.Phase.STEP);
        }
    }

    /** Before a button of a group goes on, those that are on go off, as if let go: at no moment are two of them on. */
    private void letOthersGo(LiveControl control, Position position, Actor actor) {
        if (!isOn(position)) {
            return;
        }
        for (LiveControl other : state.groups.othersOf(control)) {
            if (isOn(other.position)) {
                lettingGo.accept(other);
                moveTo(other, Position.of(0), actor, Precedence.of(actor));
            }
        }
    }

    private static boolean isOn(Position position) {
        return position.first() >= 0.5;
    }

    /** Once nobody moves it, the answer counts, if it came after what we sent. */
    void settle(LiveControl control) {
        if (control.grip == null
                && !control.echo.isUnknown()
                && control.echoAt >= control.sentAt
                && !state.isAwaited(control)) {
            control.position = control.position.filledBy(control.echo);
            control.disputed = false;
        }
    }

    // ---- to rest

    /** What would leave if these controls went to their rest values; those that a hand holds, or that stand there, are left out. */
    List<RestLine> restPreview(Collection<PartId> controls) {
        List<RestLine> lines = new ArrayList<>();
        for (LiveControl control : resting(controls)) {
            Position rest = Position.rest(control.control.form());
            control.sends.stream()
                    .filter(send -> send.send().on() == Send.Phase.CHANGE
                            && send.send().saysAt(rest)
                            && send.lookUp(state.lookUp).isEmpty())
                    .forEach(send -> lines.add(new RestLine(
                            control.id,
                            control.control.called(),
                            send.send()
                                    .target()
                                    .map(state.links::get)
                                    .map(link -> link.target().name())
                                    .orElse(""),
                            send.send().address(),
                            OscText.arguments(send.at(rest)))));
        }
        return lines;
    }

    /** Brings controls to their rest values. */
    void rest(Collection<PartId> controls, Actor actor) {
        resting(controls)
                .forEach(control -> moveTo(control, Position.rest(control.control.form()), actor, Precedence.STOP));
        sending.flush();
    }

    private List<LiveControl> resting(Collection<PartId> controls) {
        return controls.stream()
                .map(state.controls::get)
                .filter(control -> control != null
                        && control.grip == null
                        && control.enabled
                        && control.control.form().restsOnDemand()
                        && !control.position.equals(Position.rest(control.control.form())))
                .toList();
    }
}
