package imperan.live;

import imperan.cue.CueLoad;
import imperan.cue.Outcome;
import imperan.cue.Refusal;
import imperan.osc.OscArgument;
import imperan.shaping.Chain;
import imperan.shaping.Signal;
import imperan.shaping.Span;
import imperan.show.ArgumentSource;
import imperan.show.Behaviour;
import imperan.show.FixedArgument;
import imperan.show.Look;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Predicate;

/** Does what actions of cues do: says lines in their turn, brings controls and numbers where they are to be, behind hands. */
final class CueDeeds {

    /** Steps of a fade, where the target takes as many. */
    private static final long STEP_NANOS = 20_000_000L;
    /** Where the start of a fade, or what is looked up, is not known, it is asked; so long it is waited for. */
    private static final long ASKED_NANOS = 200_000_000L;

    private static final long ASKS_AGAIN_NANOS = 20_000_000L;

    /** How a list is steered; empty where there is no such list. */
    interface Steering {
        Optional<Optional<Refusal>> order(Command.StepCues order, Actor actor);
    }

    /** How tracks and set lists are played; empty where there is none of that name. */
    interface Players {
        Optional<Optional<PlayRefusal>> track(Command.StepTrack order, Actor actor);

        Optional<Optional<PlayRefusal>> songs(Command.StepSongs order, Actor actor);
    }

    private final LiveState state;
    private final Sending sending;
    private final Movement movement;
    private final CueMarks marks;
    private final Steering steering;
    private final Map<PartId, Look> looks = new HashMap<>();
    private BiConsumer<Link, Gate> gate = (link, to) -> {};
    private Players players = new Players() {
        @Override
        public Optional<Optional<PlayRefusal>> track(Command.StepTrack order, Actor actor) {
            return Optional.empty();
        }

        @Override
        public Optional<Optional<PlayRefusal>> songs(Command.StepSongs order, Actor actor) {
            return Optional.empty();
        }
    };
    private Predicate<PartId> isPage = page -> true;

    CueDeeds(LiveState state, Sending sending, Movement movement, CueMarks marks, Steering steering) {
        this.state = state;
        this.sending = sending;
        this.movement = movement;
        this.marks = marks;
        this.steering = steering;
    }

    /** How a target is held and let go. */
    void gate(BiConsumer<Link, Gate> how) {
        gate = how;
    }

    void players(Players how) {
        players = how;
    }

    /** Whether a page is there. */
    void pages(Predicate<PartId> isThere) {
        isPage = isThere;
    }

    /** How many messages cues say, as the show is now. */
    CueLoad load() {
        return new CueLoad(
                id -> Optional.ofNullable(state.controls.get(id)).map(control -> control.control),
                id -> Optional.ofNullable(looks.get(id)),
                id -> Optional.ofNullable(state.links.get(id)).map(Link::target));
    }

    /** A look is another one, or gone. */
    void look(PartId id, Optional<Look> look) {
        look.ifPresentOrElse(there -> looks.put(id, there), () -> looks.remove(id));
    }

    /** An action begins. */
    void begin(CueAct act) {
        CueAction action = act.action();
        if (action instanceof CueAction.SayLine say) {
            say(act, say);
        } else if (action instanceof CueAction.BringControl bring) {
            bring(
                    act,
                    bring.control()
                            .map(control -> List.of(new Look.Stand(control, bring.to())))
                            .orElse(List.of()),
                    bring.seconds(),
                    bring.curve());
        } else if (action instanceof CueAction.RecallLook recall) {
            Optional<Look> look = recall.look().map(looks::get);
            bring(act, look.map(Look::stands).orElse(List.of()), recall.seconds(), recall.curve());
        } else if (action instanceof CueAction.FadeLine fade) {
            fade(act, fade);
        } else if (action instanceof CueAction.ShowPage show) {
            show.page()
                    .filter(isPage)
                    .ifPresentOrElse(
                            page -> state.happened(
                                    new LiveEvent.PageWanted(state.now(), state.cause(), page, show.people())),
                            () -> marks.fellShort(act, new Reason.NothingChosen("page")));
            marks.said(act);
        } else if (action instanceof CueAction.SayStartList start) {
            start(act, start);
        } else if (action instanceof CueAction.HoldTarget hold) {
            hold(act, hold);
        } else if (action instanceof CueAction.SteerTrack steer) {
            played(
                    act,
                    "track",
                    steer.track()
                            .flatMap(track -> players.track(
                                    new Command.StepTrack(
                                            track,
                                            Command.StepTrack.Deed.valueOf(
                                                    steer.deed().name()),
                                            Optional.empty(),
                                            steer.mark()),
                                    act.actor)));
        } else if (action instanceof CueAction.SteerSongs steer) {
            played(
                    act,
                    "set list",
                    steer.set()
                            .flatMap(set -> players.songs(
                                    new Command.StepSongs(
                                            set,
                                            Command.StepSongs.Deed.valueOf(
                                                    steer.deed().name()),
                                            steer.song()),
                                    act.actor)));
        } else {
            CueAction.SteerList steer = (CueAction.SteerList) action;
            Optional<Optional<Refusal>> ordered = steer.list()
                    .flatMap(list -> steering.order(
                            new Command.StepCues(
                                    list,
                                    Command.StepCues.Deed.valueOf(steer.deed().name()),
                                    Optional.empty()),
                            act.actor));
            if (ordered.isEmpty()) {
                marks.fellShort(act, new Reason.NothingChosen("list"));
            } else {
                ordered.get().ifPresent(refusal -> marks.fellShort(act, new Reason.ListRefused(refusal)));
            }
            marks.said(act);
        }
    }

    private void played(CueAct act, String what, Optional<Optional<PlayRefusal>> ordered) {
        if (ordered.isEmpty()) {
            marks.fellShort(act, new Reason.NothingChosen(what));
        } else {
            ordered.get().ifPresent(refusal -> marks.fellShort(act, new Reason.PlayRefused(refusal)));
        }
        marks.said(act);
    }

    private void start(CueAct act, CueAction.SayStartList start) {
        start.target()
                .map(state.links::get)
                .ifPresentOrElse(
                        link -> {
                            act.toLeave = link.target().startList().size();
                            act.waits = act.toLeave > 0;
                            sending.start(link);
                        },
                        () -> marks.fellShort(act, new Reason.NothingChosen("target")));
        marks.said(act);
    }

    private void hold(CueAct act, CueAction.HoldTarget hold) {
        Optional<Link> link = hold.target().map(state.links::get);
        if (!act.actor.rights().contains(Right.GATE)) {
            marks.fellShort(act, new Reason.NotAllowed());
        } else {
            link.ifPresentOrElse(
                    there -> gate.accept(there, hold.hold() ? Gate.HELD : Gate.OPEN),
                    () -> marks.fellShort(act, new Reason.NothingChosen("target")));
        }
        marks.said(act);
    }

    // ---- lines

    private void say(CueAct act, CueAction.SayLine say) {
        Optional<Link> link = say.target().map(state.links::get);
        if (link.isEmpty()) {
            marks.fellShort(act, say.target().isEmpty() ? new Reason.NoTarget() : new Reason.TargetGone());
            marks.said(act);
            return;
        }
        Optional<List<OscArgument>> arguments = arguments(act, say.arguments(), 0, Chain.UNIT);
        if (arguments.isPresent()) {
            act.waits = true;
            sending.sayInTurn(
                    link.get(), line(link.get(), say.address(), arguments.get()), Optional.empty(), awaits(act));
            marks.said(act);
        }
    }

    private static Line line(Link link, String address, List<OscArgument> arguments) {
        return new Line(
                Optional.empty(), 0, Optional.of(link.id()), link.target().name(), address, arguments);
    }

    /** Only a cue whose answers something waits for asks for them. */
    private static Outgoing.Awaits awaits(CueAct act) {
        return act.running.cue().follow().how() == CueFollow.How.ANSWERED
                ? Outgoing.Awaits.EVEN_IF_ASKED
                : Outgoing.Awaits.WHAT_IS_TOLD;
    }

    /** The arguments of a line as it leaves; empty where one cannot be looked up, which has been told then, or is asked for. */
    private Optional<List<OscArgument>> arguments(
            CueAct act, List<ArgumentSource> sources, double fading, Chain chain) {
        List<OscArgument> arguments = new ArrayList<>();
        for (int i = 0; i < sources.size(); i++) {
            ArgumentSource source = sources.get(i);
            if (source instanceof ArgumentSource.LookedUp lookedUp) {
                LookUp.Found found = state.lookUp.find(lookedUp, i);
                if (found.missing().isPresent()) {
                    missing(act, found.missing().get(), lookedUp);
                    return Optional.empty();
                }
                arguments.add(found.argument().orElseThrow());
            } else {
                arguments.add(
                        source instanceof ArgumentSource.Fixed fixed
                                ? FixedArgument.parse(fixed).argument().orElseThrow()
                                : CompiledSend.argument(source.type(), chain, Signal.of(fading)));
            }
        }
        return Optional.of(arguments);
    }

    private void missing(CueAct act, Reason reason, ArgumentSource.LookedUp lookedUp) {
        boolean asks = reason instanceof Reason.NotSaidYet notYet
                && notYet.asked()
                && lookedUp instanceof ArgumentSource.Said said
                && asks(act, said.target().map(state.links::get).orElseThrow(), said.address());
        if (!asks) {
            marks.fellShort(act, reason);
            marks.said(act);
        }
    }

    /** Asks for what an action needs, and lets it begin again; false where it has been waited for long enough. */
    private boolean asks(CueAct act, Link link, String address) {
        long now = state.now();
        if (!link.answersQuestions() || act.askedAt != Long.MIN_VALUE && now - act.askedAt >= ASKED_NANOS) {
            return false;
        }
        if (act.askedAt == Long.MIN_VALUE) {
            act.askedAt = now;
            sending.question(link, address);
        }
        act.run.beginsLater(act.running, act.index, now + ASKS_AGAIN_NANOS);
        return true;
    }

    // ---- fades

    private void bring(CueAct act, List<Look.Stand> stands, double seconds, FadeCurve curve) {
        if (stands.isEmpty()) {
            marks.fellShort(
                    act, new Reason.NothingChosen(act.action() instanceof CueAction.RecallLook ? "look" : "control"));
            marks.said(act);
            return;
        }
        for (Look.Stand stand : stands) {
            LiveControl control = state.controls.get(stand.control());
            if (control == null || control.control.form().axes() != stand.at().size()) {
                marks.fellShort(act, new Reason.ControlGone());
            } else if (!control.enabled) {
                Behaviour.Condition when =
                        control.control.behaviour().enabledWhen().orElseThrow();
                marks.fellShort(act, new Reason.Disabled(when.address(), when.text()));
            } else {
                movement.inTheWay(control, act.actor, Precedence.AUTOMATIC)
                        .ifPresentOrElse(
                                reason -> marks.fellShort(act, reason),
                                () -> act.ways.put(
                                        control.id,
                                        new CueAct.Way(
                                                control.position,
                                                Position.of(stand.at()).snapped(control.control.form()))));
            }
        }
        if (seconds == 0 || act.ways.isEmpty()) {
            List.copyOf(act.ways.keySet()).forEach(id -> place(act, id, 1, true));
            act.ways.clear();
            marks.said(act);
            return;
        }
        act.ways
                .keySet()
                .forEach(id ->
                        movement.hold(state.controls.get(id), act.actor, Precedence.AUTOMATIC, () -> taken(act, id)));
        act.run.fades(act.running, act.index, curve, STEP_NANOS, state.now());
    }

    private void fade(CueAct act, CueAction.FadeLine fade) {
        Optional<Link> link = fade.target().map(state.links::get);
        if (link.isEmpty()) {
            marks.fellShort(act, fade.target().isEmpty() ? new Reason.NoTarget() : new Reason.TargetGone());
            marks.said(act);
            return;
        }
        Optional<Double> from = fade.from().or(() -> stands(link.get(), fade));
        if (from.isEmpty() && asks(act, link.get(), answerOf(link.get(), fade))) {
            return;
        }
        MovedLine line = new MovedLine(
                link.get().id(),
                fade.address(),
                fade.arguments().stream()
                        .map(source -> source instanceof ArgumentSource.Fixed
                                ? Optional.of(source)
                                : Optional.<ArgumentSource>empty())
                        .toList());
        if (from.isEmpty() && fade.unknown() == CueAction.FadeLine.Unknown.SKIP) {
            marks.ends(act, Outcome.SKIPPED, Optional.of(new Reason.StartUnknown()));
            return;
        }
        Optional<Reason> inTheWay = movement.hold(act.name(), line, act.actor, () -> taken(act, act.name()));
        if (inTheWay.isPresent()) {
            marks.ends(act, Outcome.TAKEN, inTheWay);
            return;
        }
        act.line = Optional.of(line);
        if (from.isEmpty() || fade.seconds() == 0) {
            step(act, 1, true);
            return;
        }
        act.from = from.get();
        long step = link.get()
                .target()
                .messagesPerSecond()
                .map(pace -> Math.max(1_000_000L, 1_000_000_000L / pace))
                .orElse(STEP_NANOS);
        act.run.fades(act.running, act.index, fade.curve(), step, state.now());
    }

    private static String answerOf(Link link, CueAction.FadeLine fade) {
        return Expectation.of(fade.address(), link.vocabulary()).address().orElse(fade.address());
    }

    /** Where the number that fades is, as its target said last. */
    private static Optional<Double> stands(Link link, CueAction.FadeLine fade) {
        List<Integer> places =
                Expectation.of(fade.address(), link.vocabulary()).rule().places();
        int place = fade.place() < places.size() ? places.get(fade.place()) : fade.place();
        return link.lastSaid()
                .on(answerOf(link, fade))
                .flatMap(said -> Reading.argument(said, place))
                .flatMap(Spelling::number);
    }

    /**
     * A fade goes on.
     *
     * @param share how much of its way is gone, 0 to 1
     */
    void step(CueAct act, double share, boolean last) {
        if (act.action() instanceof CueAction.FadeLine fade) {
            Optional<Link> link = fade.target().map(state.links::get);
            double value = last ? fade.to() : act.from + (fade.to() - act.from) * share;
            Optional<List<OscArgument>> arguments =
                    link.flatMap(there -> arguments(act, fade.arguments(), value, new Chain(Span.ANY, List.of())));
            if (link.isEmpty()) {
                marks.fellShort(act, new Reason.TargetGone());
            } else if (arguments.isEmpty() && act.fell.isEmpty()) {
                // what it has to look up was asked for: it begins again
                return;
            }
            // a whole number stays the same for many steps; its end is said in any case
            arguments
                    .filter(made -> last || !act.said.equals(Optional.of(made)))
                    .ifPresent(made -> {
                        act.waits = last;
                        act.said = Optional.of(made);
                        sending.sayInTurn(
                                link.get(),
                                line(link.get(), fade.address(), made),
                                act.line.map(line -> line),
                                last ? awaits(act) : Outgoing.Awaits.NOTHING);
                    });
        } else {
            List.copyOf(act.ways.keySet()).forEach(id -> place(act, id, share, last));
        }
        boolean isLine = act.action() instanceof CueAction.FadeLine;
        if (last || isLine && act.fell.isPresent() || !isLine && act.ways.isEmpty()) {
            marks.said(act);
            letGo(act);
        }
    }

    private void place(CueAct act, PartId id, double share, boolean last) {
        LiveControl control = state.controls.get(id);
        CueAct.Way way = act.ways.get(id);
        if (control == null || control.position.axes() != way.to().axes()) {
            marks.fellShort(act, new Reason.ControlGone());
            act.ways.remove(id);
            return;
        }
        Position at = last ? way.to() : way.at(share).snapped(control.control.form());
        if (!last && at.equals(control.position)) {
            return;
        }
        sending.onTheWay(!last);
        movement.bring(control, at, act.actor);
        sending.onTheWay(false);
        if (last && state.links.values().stream().anyMatch(link -> link.lane().holds(id))) {
            marks.waits(id, act);
        }
        if (last && at.first() >= 0.5 && control.says(Send.Phase.PRESS)) {
            // a cue presses, and does not let go
            control.presses++;
            sending.sendAll(control, Send.Phase.PRESS);
        }
        if (last && control.control.form().triggers()) {
            control.position = Position.rest(control.control.form());
        }
    }

    /** Somebody who stands before a cue took what it moves. */
    private void taken(CueAct act, PartId what) {
        act.ways.remove(what);
        if (act.ways.isEmpty()) {
            marks.ends(act, Outcome.TAKEN, Optional.of(new Reason.TakenByAnother()));
        }
    }

    /** What it moved others may move from now on. */
    void letGo(CueAct act) {
        act.ways.keySet().stream()
                .map(state.controls::get)
                .filter(control -> control != null)
                .forEach(movement::release);
        act.ways.clear();
        act.line.ifPresent(line -> movement.release(act.name()));
        act.line = Optional.empty();
    }
}
