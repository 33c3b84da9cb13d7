package imperan.live;

import imperan.cue.Happening;
import imperan.cue.ListRun;
import imperan.cue.Outcome;
import imperan.cue.Refusal;
import imperan.cue.Running;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.shaping.Chain;
import imperan.shaping.Signal;
import imperan.shaping.Span;
import imperan.show.ArgumentSource;
import imperan.show.Behaviour;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.FixedArgument;
import imperan.show.Look;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import imperan.show.form.CueKey;
import imperan.show.form.Position;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;

/** The cue lists at work: does what their cues do when it is due, and notes what became of it from what happened. */
final class Cues {

    /** Steps of a fade, where the target takes as many. */
    private static final long STEP_NANOS = 20_000_000L;
    /** Where the start of a fade, or what is looked up, is not known, it is asked; so long it is waited for. */
    private static final long ASKED_NANOS = 200_000_000L;
    private static final long ASKS_AGAIN_NANOS = 20_000_000L;
    /** Of one list in a turn: hands are looked at in between. */
    private static final int MOST_AT_ONCE = 64;

    /** One list: what it is called, when its target steps it, and how it stands. */
    private static final class Listed {
        private final ListRun run = new ListRun();
        private CueList body;
        /** Who gave it its last order. */
        private Actor by = Actor.IMPERAN;
        private final Map<Long, String> firedBy = new HashMap<>();

        private Listed(CueList body) {
            this.body = body;
        }
    }

    private final LiveState state;
    private final Sending sending;
    private final Movement movement;
    private BiConsumer<Link, Gate> gate = (link, to) -> { };
    private final Map<PartId, Listed> lists = new LinkedHashMap<>();
    private final Map<PartId, Look> looks = new HashMap<>();
    /** What is done now or awaits an answer. */
    private long begun;
    private final List<CueAct> acts = new ArrayList<>();
    private final Map<Long, CueAct> byCause = new HashMap<>();
    private final Map<Long, CueAct> byExchange = new HashMap<>();
    /** The controls whose last value waits for the pace of their target. */
    private final Map<PartId, CueAct> waiting = new HashMap<>();
    private final Map<Running, Map<Integer, Reason>> reasons = new HashMap<>();

    Cues(LiveState state, Sending sending, Movement movement) {
        this.state = state;
        this.sending = sending;
        this.movement = movement;
        state.marks(this::happened);
    }

    /** How a target is held and let go. */
    void gate(BiConsumer<Link, Gate> how) {
        gate = how;
    }

    // ---- what there is

    void look(PartId id, Optional<Look> look) {
        look.ifPresentOrElse(there -> looks.put(id, there), () -> looks.remove(id));
    }

    /** A list, or what lies in it, is another one. */
    void follow(Show show, PartId id) {
        Optional<CueList> body = show.part(id).map(Part::body).filter(CueList.class::isInstance).map(CueList.class::cast);
        if (body.isEmpty()) {
            Optional.ofNullable(lists.remove(id)).ifPresent(gone -> {
                gone.run.stop();
                letGoOfEnded();
            });
            return;
        }
        Listed listed = lists.computeIfAbsent(id, fresh -> new Listed(body.get()));
        listed.body = body.get();
        listed.run.follow(CueList.cues(show, id).stream().map(part -> new ListRun.Entry(part.id(), (Cue) part.body())).toList(), body.get().guardSeconds());
        changed(id);
    }

    List<CueListView> views() {
        return lists.keySet().stream().map(id -> view(id).orElseThrow()).toList();
    }

    Optional<CueListView> view(PartId id) {
        return Optional.ofNullable(lists.get(id)).map(listed -> new CueListView(id, listed.run.next(), listed.run.last(), listed.run.guardedUntil(), listed.run.isPaused(), listed.run.isBroken(),
                listed.run.running().stream().map(each -> fired(listed, each)).toList(), listed.run.over().stream().map(each -> fired(listed, each)).toList()));
    }

    private FiredCue fired(Listed listed, Running running) {
        Map<Integer, Reason> why = reasons.getOrDefault(running, Map.of());
        List<FiredCue.Mark> marks = new ArrayList<>();
        for (int i = 0; i < running.cue().actions().size(); i++) {
            marks.add(new FiredCue.Mark(running.outcome(i), Optional.ofNullable(why.get(i))));
        }
        return new FiredCue(running.number(), running.id(), running.cue(), listed.firedBy.getOrDefault(running.number(), ""), running.firedAt(),
                running.followsAt().isPresent() ? Optional.of(running.followsAt().getAsLong()) : Optional.empty(), running.endsAt(), marks);
    }

    List<CueListView.Place> places() {
        return lists.entrySet().stream().map(each -> new CueListView.Place(each.getKey(), each.getValue().run.next(), each.getValue().run.last())).toList();
    }

    /** Where a list stood before a restart; nothing plays because of that. */
    void stood(CueListView.Place place) {
        Optional.ofNullable(lists.get(place.list())).ifPresent(listed -> listed.run.stood(place.next(), place.last()));
    }

    // ---- orders

    /** Does what somebody wants of a list, or tells why not; empty where there is no such list. */
    Optional<Optional<Refusal>> order(Command.StepCues order, Actor actor) {
        return Optional.ofNullable(lists.get(order.list())).map(listed -> {
            Optional<Refusal> refused = order(listed, order, actor);
            letGoOfEnded();
            work(order.list(), listed);
            changed(order.list());
            return refused;
        });
    }

    private Optional<Refusal> order(Listed listed, Command.StepCues order, Actor actor) {
        ListRun run = listed.run;
        long now = state.now();
        listed.by = actor;
        return switch (order.deed()) {
            case GO -> run.go(order.cue(), now);
            case BACK -> run.back();
            case JUMP -> order.cue().map(run::jump).orElse(Optional.of(Refusal.NO_SUCH_CUE));
            case FIRE -> order.cue().map(cue -> run.fire(cue, now)).orElse(Optional.of(Refusal.NO_SUCH_CUE));
            case PAUSE -> run.pause(now);
            case RESUME -> run.resume(now);
            case STOP -> {
                run.stop();
                yield Optional.empty();
            }
            case RESET -> {
                run.reset(now);
                yield Optional.empty();
            }
        };
    }

    /**
     * Somebody pressed a key that steps a list. What that cannot do now, its path says.
     *
     * @param seen the cue that was next on the screen; empty where nobody saw it
     */
    void press(LiveControl control, CueKey key, String seen, Actor actor) {
        if (key.order() == CueKey.CueOrder.STOP_ALL) {
            stopAll();
            return;
        }
        Optional<PartId> cue = key.order() == CueKey.CueOrder.GO ? Optional.of(seen).filter(PartId::isOne).map(PartId::new) : key.order() == CueKey.CueOrder.FIRE ? key.cue() : Optional.empty();
        Optional<Listed> listed = key.list().map(lists::get);
        boolean resumes = key.order() == CueKey.CueOrder.PAUSE && listed.filter(there -> there.run.isPaused()).isPresent();
        Command.StepCues.Deed deed = resumes ? Command.StepCues.Deed.RESUME : Command.StepCues.Deed.valueOf(key.order().name());
        Cause inHand = state.cause();
        Optional<Optional<Refusal>> ordered = key.list().flatMap(list -> order(new Command.StepCues(list, deed, cue), actor));
        state.because(inHand, state.now());
        if (ordered.isEmpty()) {
            sending.stop(control, new Reason.NothingChosen("cue list"));
        } else {
            ordered.get().ifPresent(refusal -> sending.stop(control, new Reason.ListRefused(refusal)));
        }
    }

    /** Everything that plays by itself stops: fades where they are, waits ended. */
    void stopAll() {
        lists.forEach((id, listed) -> {
            listed.run.stop();
            changed(id);
        });
        letGoOfEnded();
    }

    /** A target said something: a key of it may step a list. */
    void heard(Link from, OscMessage message) {
        if (lists.isEmpty() || state.asked.isAnswer(from.id(), message.address(), state.now())) {
            return;
        }
        for (Map.Entry<PartId, Listed> each : List.copyOf(lists.entrySet())) {
            step(each.getKey(), each.getValue().body.go(), Command.StepCues.Deed.GO, from, message);
            step(each.getKey(), each.getValue().body.back(), Command.StepCues.Deed.BACK, from, message);
        }
    }

    private void step(PartId list, Optional<Behaviour.Condition> when, Command.StepCues.Deed deed, Link from, OscMessage message) {
        boolean pressed = when.filter(condition -> condition.target().filter(from.id()::equals).isPresent() && condition.address().equals(message.address())
                && Reading.argument(message.arguments(), condition.argument()).filter(said -> Spelling.means(said, condition.text())).isPresent()).isPresent();
        if (pressed) {
            Cause inHand = state.cause();
            Actor remote = new Actor(Actor.Kind.REMOTE, from.id().value(), from.target().name(), EnumSet.of(Right.OPERATE));
            order(new Command.StepCues(list, deed, Optional.empty()), remote);
            state.because(inHand, state.now());
        }
    }

    // ---- what is due

    void due(PartId id) {
        Optional.ofNullable(lists.get(id)).ifPresent(listed -> work(id, listed));
    }

    private void work(PartId id, Listed listed) {
        Cause inHand = state.cause();
        long now = state.now();
        int done = 0;
        Optional<Happening> next = listed.run.next(now);
        while (next.isPresent()) {
            carryOut(id, listed, next.get());
            next = ++done < MOST_AT_ONCE ? listed.run.next(now) : Optional.empty();
        }
        state.because(inHand, now);
        listed.run.running().forEach(each -> listed.firedBy.putIfAbsent(each.number(), listed.by.name()));
        listed.run.over().forEach(each -> listed.firedBy.putIfAbsent(each.number(), listed.by.name()));
        letGoOfEnded();
        state.due.noLaterThan(new Due.OfCueList(id), listed.run.due());
    }

    private void carryOut(PartId id, Listed listed, Happening happening) {
        int index = happening instanceof Happening.Begins begins ? begins.action() : ((Happening.Steps) happening).action();
        Running running = happening.running();
        if (happening instanceof Happening.Steps steps) {
            acts.stream().filter(act -> act.running == running && act.index == index).findFirst().ifPresent(act -> {
                state.because(act.cause, state.now());
                step(listed, act, steps.share(), steps.last());
            });
            return;
        }
        CueAct act = acts.stream().filter(known -> known.running == running && known.index == index).findFirst().orElseGet(() -> begun(id, listed, running, index));
        state.because(act.cause, state.now());
        begin(listed, act);
        changed(id);
    }

    private CueAct begun(PartId id, Listed listed, Running running, int index) {
        // an id of its own: a cue that is fired twice is two that move things
        Actor actor = new Actor(Actor.Kind.CUE, "cue-" + ++begun, listed.body.name() + " " + running.cue().number(), listed.by.rights());
        CueAct act = new CueAct(id, running, index, actor);
        state.because(Cause.Origin.CUE, actor, state.now());
        act.cause = state.cause();
        acts.add(act);
        byCause.put(act.cause.number(), act);
        return act;
    }

    private void begin(Listed listed, CueAct act) {
        CueAction action = act.action();
        if (action instanceof CueAction.SayLine say) {
            say(listed, act, say);
        } else if (action instanceof CueAction.BringControl bring) {
            bring(listed, act, bring.control().map(control -> List.of(new Look.Stand(control, bring.to()))).orElse(List.of()), bring.seconds(), bring.curve());
        } else if (action instanceof CueAction.RecallLook recall) {
            Optional<Look> look = recall.look().map(looks::get);
            bring(listed, act, look.map(Look::stands).orElse(List.of()), recall.seconds(), recall.curve());
        } else if (action instanceof CueAction.FadeLine fade) {
            fade(listed, act, fade);
        } else if (action instanceof CueAction.ShowPage show) {
            show.page().ifPresentOrElse(page -> state.happened(new LiveEvent.PageWanted(state.now(), state.cause(), page, show.people())), () -> fellShort(act, new Reason.NothingChosen("page")));
            said(act);
        } else if (action instanceof CueAction.SayStartList start) {
            start.target().map(state.links::get).ifPresentOrElse(sending::start, () -> fellShort(act, new Reason.NothingChosen("target")));
            said(act);
        } else if (action instanceof CueAction.HoldTarget hold) {
            hold(act, hold);
        } else {
            CueAction.SteerList steer = (CueAction.SteerList) action;
            Optional<Optional<Refusal>> ordered = steer.list().flatMap(list -> order(new Command.StepCues(list, Command.StepCues.Deed.valueOf(steer.deed().name()), Optional.empty()),
                    new Actor(act.actor.kind(), act.actor.id(), act.actor.name(), listed.by.rights())));
            if (ordered.isEmpty()) {
                fellShort(act, new Reason.NothingChosen("list"));
            } else {
                ordered.get().ifPresent(refusal -> fellShort(act, new Reason.ListRefused(refusal)));
            }
            said(act);
        }
    }

    private void hold(CueAct act, CueAction.HoldTarget hold) {
        Optional<Link> link = hold.target().map(state.links::get);
        if (!act.actor.rights().contains(Right.GATE)) {
            fellShort(act, new Reason.NotAllowed());
        } else {
            link.ifPresentOrElse(there -> gate.accept(there, hold.hold() ? Gate.HELD : Gate.OPEN), () -> fellShort(act, new Reason.NothingChosen("target")));
        }
        said(act);
    }

    // ---- lines

    private void say(Listed listed, CueAct act, CueAction.SayLine say) {
        Optional<Link> link = say.target().map(state.links::get);
        if (link.isEmpty()) {
            fellShort(act, say.target().isEmpty() ? new Reason.NoTarget() : new Reason.TargetGone());
            said(act);
            return;
        }
        Optional<List<OscArgument>> arguments = arguments(listed, act, say.arguments(), 0, Chain.UNIT);
        if (arguments.isPresent()) {
            act.waits = true;
            sending.sayInTurn(link.get(), line(link.get(), say.address(), arguments.get()), Optional.empty(), awaits(act));
            said(act);
        }
    }

    private static Line line(Link link, String address, List<OscArgument> arguments) {
        return new Line(Optional.empty(), 0, Optional.of(link.id()), link.target().name(), address, arguments);
    }

    /** Only a cue whose answers something waits for asks for them. */
    private static Outgoing.Awaits awaits(CueAct act) {
        return act.running.cue().follow().how() == CueFollow.How.ANSWERED ? Outgoing.Awaits.EVEN_IF_ASKED : Outgoing.Awaits.WHAT_IS_TOLD;
    }

    /** The arguments of a line as it leaves; empty where one cannot be looked up, which has been told then, or is asked for. */
    private Optional<List<OscArgument>> arguments(Listed listed, CueAct act, List<ArgumentSource> sources, double fading, Chain chain) {
        List<OscArgument> arguments = new ArrayList<>();
        for (int i = 0; i < sources.size(); i++) {
            ArgumentSource source = sources.get(i);
            if (source instanceof ArgumentSource.LookedUp lookedUp) {
                LookUp.Found found = state.lookUp.find(lookedUp, i);
                if (found.missing().isPresent()) {
                    missing(listed, act, found.missing().get(), lookedUp);
                    return Optional.empty();
                }
                arguments.add(found.argument().orElseThrow());
            } else {
                arguments.add(source instanceof ArgumentSource.Fixed fixed ? FixedArgument.parse(fixed).argument().orElseThrow() : CompiledSend.argument(source.type(), chain, Signal.of(fading)));
            }
        }
        return Optional.of(arguments);
    }

    private void missing(Listed listed, CueAct act, Reason reason, ArgumentSource.LookedUp lookedUp) {
        boolean asks = reason instanceof Reason.NotSaidYet notYet && notYet.asked() && lookedUp instanceof ArgumentSource.Said said
                && asks(listed, act, said.target().map(state.links::get).orElseThrow(), said.address());
        if (!asks) {
            fellShort(act, reason);
            said(act);
        }
    }

    /** Asks for what an action needs, and lets it begin again; false where it has been waited for long enough. */
    private boolean asks(Listed listed, CueAct act, Link link, String address) {
        long now = state.now();
        if (!link.answersQuestions() || act.askedAt != Long.MIN_VALUE && now - act.askedAt >= ASKED_NANOS) {
            return false;
        }
        if (act.askedAt == Long.MIN_VALUE) {
            act.askedAt = now;
            sending.question(link, address);
        }
        listed.run.beginsLater(act.running, act.index, now + ASKS_AGAIN_NANOS);
        return true;
    }

    // ---- fades

    private void bring(Listed listed, CueAct act, List<Look.Stand> stands, double seconds, FadeCurve curve) {
        if (stands.isEmpty()) {
            fellShort(act, new Reason.NothingChosen(act.action() instanceof CueAction.RecallLook ? "look" : "control"));
            said(act);
            return;
        }
        for (Look.Stand stand : stands) {
            LiveControl control = state.controls.get(stand.control());
            if (control == null || control.control.form().axes() != stand.at().size()) {
                fellShort(act, new Reason.ControlGone());
            } else if (!control.enabled) {
                Behaviour.Condition when = control.control.behaviour().enabledWhen().orElseThrow();
                fellShort(act, new Reason.Disabled(when.address(), when.text()));
            } else {
                movement.inTheWay(control, act.actor, Precedence.AUTOMATIC).ifPresentOrElse(reason -> fellShort(act, reason),
                        () -> act.ways.put(control.id, new CueAct.Way(control.position, Position.of(stand.at()).snapped(control.control.form()))));
            }
        }
        if (seconds == 0 || act.ways.isEmpty()) {
            List.copyOf(act.ways.keySet()).forEach(id -> place(act, id, 1, true));
            act.ways.clear();
            said(act);
            return;
        }
        act.ways.keySet().forEach(id -> movement.hold(state.controls.get(id), act.actor, Precedence.AUTOMATIC, () -> taken(listed, act, id)));
        listed.run.fades(act.running, act.index, curve, STEP_NANOS, state.now());
    }

    private void fade(Listed listed, CueAct act, CueAction.FadeLine fade) {
        Optional<Link> link = fade.target().map(state.links::get);
        if (link.isEmpty()) {
            fellShort(act, fade.target().isEmpty() ? new Reason.NoTarget() : new Reason.TargetGone());
            said(act);
            return;
        }
        Optional<Double> from = fade.from().or(() -> stands(link.get(), fade));
        if (from.isEmpty() && asks(listed, act, link.get(), answerOf(link.get(), fade))) {
            return;
        }
        MovedLine line = new MovedLine(link.get().id(), fade.address(), fade.arguments().stream()
                .map(source -> source instanceof ArgumentSource.Fixed ? Optional.of(source) : Optional.<ArgumentSource>empty()).toList());
        if (from.isEmpty() && fade.unknown() == CueAction.FadeLine.Unknown.SKIP) {
            ends(act, Outcome.SKIPPED, Optional.of(new Reason.StartUnknown()));
            return;
        }
        Optional<Reason> inTheWay = movement.hold(act.name(), line, act.actor, () -> taken(listed, act, act.name()));
        if (inTheWay.isPresent()) {
            ends(act, Outcome.TAKEN, inTheWay);
            return;
        }
        act.line = Optional.of(line);
        if (from.isEmpty() || fade.seconds() == 0) {
            step(listed, act, 1, true);
            return;
        }
        act.from = from.get();
        long step = link.get().target().messagesPerSecond().map(pace -> Math.max(1_000_000L, 1_000_000_000L / pace)).orElse(STEP_NANOS);
        listed.run.fades(act.running, act.index, fade.curve(), step, state.now());
    }

    private static String answerOf(Link link, CueAction.FadeLine fade) {
        return Expectation.of(fade.address(), link.vocabulary()).address().orElse(fade.address());
    }

    /** Where the number that fades is, as its target said last. */
    private static Optional<Double> stands(Link link, CueAction.FadeLine fade) {
        List<Integer> places = Expectation.of(fade.address(), link.vocabulary()).rule().places();
        int place = fade.place() < places.size() ? places.get(fade.place()) : fade.place();
        return link.lastSaid().on(answerOf(link, fade)).flatMap(said -> Reading.argument(said, place)).flatMap(Spelling::number);
    }

    private void step(Listed listed, CueAct act, double share, boolean last) {
        if (act.action() instanceof CueAction.FadeLine fade) {
            Optional<Link> link = fade.target().map(state.links::get);
            double value = last ? fade.to() : act.from + (fade.to() - act.from) * share;
            link.flatMap(there -> arguments(listed, act, fade.arguments(), value, new Chain(Span.ANY, List.of()))).ifPresent(arguments -> {
                act.waits = last;
                sending.sayInTurn(link.get(), line(link.get(), fade.address(), arguments), act.line.map(line -> line), last ? awaits(act) : Outgoing.Awaits.NOTHING);
            });
            if (link.isEmpty()) {
                fellShort(act, new Reason.TargetGone());
            }
        } else {
            List.copyOf(act.ways.keySet()).forEach(id -> place(act, id, share, last));
        }
        boolean isLine = act.action() instanceof CueAction.FadeLine;
        if (last || isLine && act.fell.isPresent() || !isLine && act.ways.isEmpty()) {
            said(act);
            letGo(act);
        }
    }

    private void place(CueAct act, PartId id, double share, boolean last) {
        LiveControl control = state.controls.get(id);
        CueAct.Way way = act.ways.get(id);
        if (control == null || control.position.axes() != way.to().axes()) {
            fellShort(act, new Reason.ControlGone());
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
            waiting.put(id, act);
            act.waits = true;
        }
        if (last && at.first() >= 0.5 && control.says(Send.Phase.PRESS)) {
            // a cue presses, and does not let go
            control.presses++;
            sending.sendAll(control, Send.Phase.PRESS);
        }
    }

    /** Somebody who stands before a cue took what it moves. */
    private void taken(Listed listed, CueAct act, PartId what) {
        act.ways.remove(what);
        if (act.ways.isEmpty()) {
            ends(act, Outcome.TAKEN, Optional.of(new Reason.TakenByAnother()));
        }
    }

    // ---- what became of it

    private void fellShort(CueAct act, Reason reason) {
        act.fell = act.fell.or(() -> Optional.of(reason));
    }

    private void said(CueAct act) {
        act.isSaid = true;
        judge(act);
    }

    private void judge(CueAct act) {
        if (!act.isSaid || act.running.outcome(act.index).isFinal()) {
            return;
        }
        boolean isAway = act.fell.filter(Reason.MovedByAnother.class::isInstance).isPresent();
        if (act.fell.isPresent()) {
            ends(act, isAway ? Outcome.TAKEN : Outcome.FELL_SHORT, act.fell);
        } else if (act.open > 0 || act.waits) {
            becomes(act, Outcome.SAID);
        } else {
            ends(act, act.answered ? Outcome.ANSWERED : Outcome.DONE, Optional.empty());
        }
    }

    private void ends(CueAct act, Outcome outcome, Optional<Reason> reason) {
        reason.ifPresent(why -> reasons.computeIfAbsent(act.running, running -> new HashMap<>()).put(act.index, why));
        becomes(act, outcome);
    }

    private void becomes(CueAct act, Outcome outcome) {
        if (act.running.outcome(act.index) != outcome) {
            Optional.ofNullable(lists.get(act.list)).ifPresent(listed -> {
                listed.run.becomes(act.running, act.index, outcome);
                // what waits for its answers may follow now
                state.due.noLaterThan(new Due.OfCueList(act.list), state.now());
            });
            changed(act.list);
        }
    }

    /** Movers of what has ended move nothing any more; what is over and no longer shown is forgotten. */
    private void letGoOfEnded() {
        acts.stream().filter(act -> act.running.outcome(act.index).isFinal()).toList().forEach(act -> {
            letGo(act);
            acts.remove(act);
            waiting.values().removeIf(act::equals);
            byCause.remove(act.cause.number());
        });
        reasons.keySet().removeIf(running -> lists.values().stream().noneMatch(listed -> listed.run.running(running.number()).filter(running::equals).isPresent()));
        lists.values().forEach(listed -> listed.firedBy.keySet().removeIf(number -> listed.run.running(number).isEmpty()));
    }

    private void letGo(CueAct act) {
        act.ways.keySet().stream().map(state.controls::get).filter(control -> control != null).forEach(movement::release);
        act.ways.clear();
        act.line.ifPresent(line -> movement.release(act.name()));
        act.line = Optional.empty();
    }

    private void changed(PartId list) {
        state.happened(new LiveEvent.CuesChanged(state.now(), state.cause(), list));
    }

    /** Gathers what became of the lines of cues. */
    private void happened(LiveEvent event) {
        if (event instanceof LiveEvent.Ended ended && ended.exchange() > 0) {
            Optional.ofNullable(byExchange.remove(ended.exchange())).ifPresent(act -> ended(act, ended.ending()));
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
        if (event instanceof LiveEvent.LineLeft) {
            act.waits = waiting.containsValue(act);
        } else if (event instanceof LiveEvent.Stopped stopped) {
            act.waits = waiting.containsValue(act);
            // that somebody was moved aside is told of them, and because of this
            if (!(stopped.reason() instanceof Reason.SameValue || stopped.reason() instanceof Reason.KeptByStep || stopped.reason() instanceof Reason.MovedByAnother)) {
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

    private void ended(CueAct act, Ending ending) {
        act.open--;
        act.answered |= ending instanceof Ending.Answered;
        if (ending instanceof Ending.WrongValue) {
            fellShort(act, new Reason.WrongValue());
        } else if (ending instanceof Ending.NoAnswer none) {
            fellShort(act, new Reason.NoAnswer(none.limitNanos(), none.arrivedAs()));
        } else if (ending instanceof Ending.NoNews none && act.open == 0 && act.isSaid && act.fell.isEmpty() && !act.waits) {
            // it stood there already: nothing confirms it, and nothing is wrong
            ends(act, Outcome.DONE, Optional.of(new Reason.NoNews(none.limitNanos())));
        }
        judge(act);
    }
}
