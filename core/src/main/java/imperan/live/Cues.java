package imperan.live;

import imperan.cue.Happening;
import imperan.cue.ListRun;
import imperan.cue.Refusal;
import imperan.cue.Running;
import imperan.osc.OscMessage;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Look;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.form.CueKey;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** The cue lists at work: who orders what of them, and when something of theirs is due. */
final class Cues {

    /** Of one list in a turn: hands are looked at in between. */
    private static final int MOST_AT_ONCE = 64;
    /**
     * So often in a row a target may step a list while the list's own messages to it may still be answered. Whoever presses a key of a
     * desk that fast means it; what goes on for longer than anybody's hand steps itself.
     */
    static final int MOST_BY_ITSELF = 25;
    /** After everything was stopped, what is still on its way starts nothing. */
    static final long STOPPED_NANOS = 1_000_000_000L;

    /** One list: what it is called, when its target steps it, and how it stands. */
    private static final class Listed {
        private final ListRun run = new ListRun();
        private CueList body;
        /** Who gave it its last order. */
        private Actor by = Actor.IMPERAN;

        private final Map<Long, String> firedBy = new HashMap<>();
        /** Until when what it said last to a target that steps it may be answered. */
        private final Map<PartId, Long> answeredUntil = new HashMap<>();
        /** How often in a row it was stepped in that time. */
        private int byItself;
        /** What stepped it until it was broken off; it hears no target until somebody arms it. */
        private Optional<CueListView.Stepped> deafTo = Optional.empty();
        /** Of which stop it was told that a target stepped nothing. */
        private long toldOfStop = Long.MIN_VALUE;
        /** Whether it was told that a cue did not begin, since fewer ran. */
        private boolean isFull;

        private Listed(CueList body) {
            this.body = body;
        }
    }

    private final LiveState state;
    private final Sending sending;
    private final CueMarks marks;
    private final CueDeeds deeds;
    private final Map<PartId, Listed> lists = new LinkedHashMap<>();
    private long begun;

    Cues(LiveState state, Sending sending, Movement movement) {
        this.state = state;
        this.sending = sending;
        this.marks = new CueMarks(state, this::said);
        this.deeds = new CueDeeds(state, sending, movement, marks, this::order);
    }

    /** How tracks and set lists are played. */
    void players(CueDeeds.Players how) {
        deeds.players(how);
    }

    /** How a target is held and let go. */
    void gate(BiConsumer<Link, Gate> how) {
        deeds.gate(how);
    }

    // ---- what there is

    void look(PartId id, Optional<Look> look) {
        deeds.look(id, look);
    }

    /** A list, or what lies in it, is another one. */
    void follow(Show show, PartId id) {
        Optional<CueList> body =
                show.part(id).map(Part::body).filter(CueList.class::isInstance).map(CueList.class::cast);
        if (body.isEmpty()) {
            remove(id);
            return;
        }
        Listed listed = lists.computeIfAbsent(id, fresh -> new Listed(body.get()));
        if (!listed.body.go().equals(body.get().go())
                || !listed.body.back().equals(body.get().back())) {
            // another message steps it now
            arm(listed);
        }
        listed.body = body.get();
        listed.run.follow(
                CueList.cues(show, id).stream()
                        .map(part -> new ListRun.Entry(part.id(), (Cue) part.body()))
                        .toList(),
                body.get().guardSeconds());
        changed(id);
    }

    private void remove(PartId id) {
        Optional.ofNullable(lists.remove(id)).ifPresent(gone -> {
            gone.run.stop();
            marks.takeEnded(deeds::letGo);
            gone.run.shown().forEach(marks::forget);
        });
    }

    /**
     * A list that nobody sees, by which something else does what it does.
     *
     * @param name empty where it is gone
     */
    void behind(PartId id, Optional<String> name, List<Map.Entry<PartId, Cue>> cues) {
        if (name.isEmpty()) {
            remove(id);
            return;
        }
        Listed listed = lists.computeIfAbsent(id, fresh -> new Listed(CueList.plain(name.get())));
        listed.body = CueList.plain(name.get());
        listed.run.follow(
                cues.stream()
                        .map(cue -> new ListRun.Entry(cue.getKey(), cue.getValue()))
                        .toList(),
                0);
        changed(id);
    }

    List<CueListView> views() {
        return lists.keySet().stream().map(id -> view(id).orElseThrow()).toList();
    }

    Optional<CueListView> view(PartId id) {
        return Optional.ofNullable(lists.get(id))
                .map(listed -> new CueListView(
                        id,
                        listed.run.next(),
                        listed.run.last(),
                        listed.run.guardedUntil(),
                        listed.run.isPaused(),
                        listed.run.isBroken(),
                        listed.deafTo,
                        listed.run
                                .nextCue()
                                .map(cue ->
                                        List.copyOf(deeds.load().messages(cue).keySet()))
                                .orElse(List.of()),
                        listed.run.nextCue().flatMap(deeds.load()::slowest),
                        listed.run.running().stream()
                                .map(each -> fired(listed, each))
                                .toList(),
                        listed.run.over().stream()
                                .map(each -> fired(listed, each))
                                .toList()));
    }

    private FiredCue fired(Listed listed, Running running) {
        Map<Integer, Reason> why = marks.reasons(running);
        List<FiredCue.Mark> marks = new ArrayList<>();
        for (int i = 0; i < running.cue().actions().size(); i++) {
            int index = i;
            marks.add(new FiredCue.Mark(
                    running.outcome(i),
                    Optional.ofNullable(why.get(i)),
                    this.marks.left(running, i).map(left -> Math.max(0, left - running.dueAt(index)))));
        }
        return new FiredCue(
                running.number(),
                running.id(),
                running.cue(),
                listed.firedBy.getOrDefault(running.number(), ""),
                running.firedAt(),
                running.followsAt().isPresent()
                        ? Optional.of(running.followsAt().getAsLong())
                        : Optional.empty(),
                running.endsAt(),
                marks);
    }

    List<CueListView.Place> places() {
        return lists.entrySet().stream()
                .map(each -> new CueListView.Place(
                        each.getKey(),
                        each.getValue().run.next(),
                        each.getValue().run.last()))
                .toList();
    }

    /** What cues say is otherwise: a target has another pace, a look other controls. */
    void loadChanged() {
        lists.keySet().forEach(this::changed);
    }

    /** What is shown where a cue shows a page: whether there is one. */
    void pages(Predicate<PartId> isThere) {
        deeds.pages(isThere);
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
            if (refused.isEmpty()) {
                state.happened(
                        new LiveEvent.CuesOrdered(state.now(), state.cause(), order.list(), order.deed(), actor));
            }
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
        if (actor.kind() != Actor.Kind.REMOTE) {
            listed.byItself = 0;
        }
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
            case ARM -> {
                arm(listed);
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
            stopAll(actor);
            return;
        }
        Optional<PartId> cue = key.order() == CueKey.CueOrder.GO
                ? Optional.of(seen).filter(PartId::isOne).map(PartId::new)
                : key.order() == CueKey.CueOrder.FIRE ? key.cue() : Optional.empty();
        Optional<Listed> listed = key.list().map(lists::get);
        boolean resumes = key.order() == CueKey.CueOrder.PAUSE
                && listed.filter(there -> there.run.isPaused()).isPresent();
        Command.StepCues.Deed deed = resumes
                ? Command.StepCues.Deed.RESUME
                : Command.StepCues.Deed.valueOf(key.order().name());
        Cause inHand = state.cause();
        Optional<Optional<Refusal>> ordered =
                key.list().flatMap(list -> order(new Command.StepCues(list, deed, cue), actor));
        state.because(inHand, state.now());
        if (ordered.isEmpty()) {
            sending.stop(control, new Reason.NothingChosen("cue list"));
        } else {
            ordered.get().ifPresent(refusal -> sending.stop(control, new Reason.ListRefused(refusal)));
        }
    }

    /** The track on which a list lies has come to one of its cues: that is fired, and the one behind it is next. */
    void passed(PartId list, PartId cue, Actor actor) {
        Optional.ofNullable(lists.get(list)).ifPresent(listed -> {
            listed.by = actor;
            state.because(Cause.Origin.CUE, actor, state.now());
            listed.run.passed(cue, state.now());
            letGoOfEnded();
            work(list, listed);
            changed(list);
        });
    }

    /** It hears its targets again. */
    private static void arm(Listed listed) {
        listed.deafTo = Optional.empty();
        listed.byItself = 0;
        listed.answeredUntil.clear();
    }

    /** Everything that plays by itself stops: fades where they are, waits ended. For a moment no target starts anything again. */
    void stopAll(Actor actor) {
        state.stoppedUntil = state.now() + STOPPED_NANOS;
        lists.forEach((id, listed) -> {
            listed.run.stop();
            state.happened(
                    new LiveEvent.CuesOrdered(state.now(), state.cause(), id, Command.StepCues.Deed.STOP, actor));
            changed(id);
        });
        letGoOfEnded();
    }

    /** How many times as fast as the show a list goes, for a trial. */
    void speed(PartId list, double times) {
        Optional.ofNullable(lists.get(list)).ifPresent(listed -> listed.run.speed(times));
    }

    /**
     * A target said something: a key of it may step a list.
     *
     * @return why it steps none, though one hears it
     */
    Optional<Reason> heard(Link from, OscMessage message, Asked.Heard as) {
        if (lists.isEmpty() || as == Asked.Heard.ANSWER || as == Asked.Heard.ANSWER_TO_FORWARD) {
            return Optional.empty();
        }
        Optional<Reason> notCounted = Optional.empty();
        for (Map.Entry<PartId, Listed> each : List.copyOf(lists.entrySet())) {
            CueList body = each.getValue().body;
            boolean go = Reading.isPressed(body.go(), from, message);
            if (go || Reading.isPressed(body.back(), from, message)) {
                Optional<Reason> why = notCounted(each.getKey(), each.getValue(), from, message, as);
                if (why.isEmpty()) {
                    step(
                            each.getKey(),
                            each.getValue(),
                            go ? Command.StepCues.Deed.GO : Command.StepCues.Deed.BACK,
                            from,
                            message);
                }
                notCounted = why;
            }
        }
        return notCounted;
    }

    private Optional<Reason> notCounted(PartId id, Listed listed, Link from, OscMessage message, Asked.Heard as) {
        String name = listed.body.name();
        if (as == Asked.Heard.OF_PROOF) {
            return Optional.of(new Reason.ProofMovesIt());
        } else if (as == Asked.Heard.ECHO) {
            return Optional.of(new Reason.EchoNotCounted(name));
        } else if (listed.deafTo.isPresent()) {
            return Optional.of(new Reason.ListDeaf(name));
        } else if (state.now() >= state.stoppedUntil) {
            return Optional.empty();
        }
        if (listed.toldOfStop != state.stoppedUntil) {
            listed.toldOfStop = state.stoppedUntil;
            state.happened(new LiveEvent.StepIgnored(
                    state.now(), state.cause(), id, name, from.target().name(), message.address()));
        }
        return Optional.of(new Reason.JustStopped(name));
    }

    private void step(PartId id, Listed listed, Command.StepCues.Deed deed, Link from, OscMessage message) {
        boolean maybeByItself = listed.answeredUntil.getOrDefault(from.id(), Long.MIN_VALUE) >= state.now();
        listed.byItself = maybeByItself ? listed.byItself + 1 : 0;
        if (listed.byItself >= MOST_BY_ITSELF) {
            breakOff(id, listed, from, message);
            return;
        }
        Cause inHand = state.cause();
        Actor remote =
                new Actor(Actor.Kind.REMOTE, from.id().value(), from.target().name(), EnumSet.of(Right.OPERATE));
        order(new Command.StepCues(id, deed, Optional.empty()), remote);
        state.because(inHand, state.now());
    }

    private void breakOff(PartId id, Listed listed, Link from, OscMessage message) {
        listed.run.stop();
        listed.deafTo =
                Optional.of(new CueListView.Stepped(from.target().name(), message.address(), message.arguments()));
        letGoOfEnded();
        state.happened(new LiveEvent.ListBrokenOff(
                state.now(),
                state.cause(),
                id,
                listed.body.name(),
                from.target().name(),
                message.address()));
        changed(id);
    }

    /** A line of a list left for a target that steps it. */
    private void said(PartId list, Line line) {
        Listed listed = lists.get(list);
        Optional<Link> to = line.target().map(state.links::get);
        if (listed != null && to.filter(link -> steps(listed.body, link)).isPresent()) {
            listed.answeredUntil.put(
                    to.get().id(),
                    state.now()
                            + Expectation.of(line.address(), to.get().vocabulary())
                                    .limitNanos());
        }
    }

    private static boolean steps(CueList list, Link by) {
        return Stream.of(list.go(), list.back())
                .flatMap(Optional::stream)
                .anyMatch(when -> when.target().filter(by.id()::equals).isPresent());
    }

    /** The addresses on which targets step lists. */
    Stream<Listeners.Key> steppedOn() {
        return lists.values().stream()
                .flatMap(each -> Stream.of(each.body.go(), each.body.back()))
                .flatMap(Optional::stream)
                .flatMap(when -> when.target().stream().map(target -> new Listeners.Key(target, when.address())));
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
        for (Running begun : listed.run.takeBegun()) {
            listed.firedBy.put(begun.number(), listed.by.name());
        }
        listed.isFull &= listed.run.isFull();
        letGoOfEnded();
        state.due.noLaterThan(new Due.OfCueList(id), listed.run.due());
    }

    private void carryOut(PartId id, Listed listed, Happening happening) {
        int index =
                happening instanceof Happening.Begins begins ? begins.action() : ((Happening.Steps) happening).action();
        Running running = happening.running();
        if (happening instanceof Happening.Steps steps) {
            marks.act(running, index).ifPresent(act -> {
                state.because(act.cause, state.now());
                deeds.step(act, steps.share(), steps.last());
            });
            return;
        }
        CueAct act = marks.act(running, index).orElseGet(() -> begun(id, listed, running, index));
        state.because(act.cause, state.now());
        deeds.begin(act);
        changed(id);
    }

    private CueAct begun(PartId id, Listed listed, Running running, int index) {
        // an id of its own: a cue that is fired twice is two that move things
        Actor actor = new Actor(
                Actor.Kind.CUE,
                "cue-" + ++begun,
                listed.body.name() + " " + running.cue().number(),
                listed.by.rights());
        state.because(Cause.Origin.CUE, actor, state.now());
        CueAct act = new CueAct(id, listed.run, running, index, actor, state.cause());
        marks.begun(act);
        return act;
    }

    /** Movers of what has ended move nothing any more; what is over and no longer shown is forgotten. */
    private void letGoOfEnded() {
        marks.takeEnded(deeds::letGo);
        lists.forEach((id, listed) -> {
            for (PartId cue : listed.run.takeRefused()) {
                notBegun(id, listed, cue);
            }
            for (Running ended : listed.run.takeEnded()) {
                state.happened(new LiveEvent.CueEnded(state.now(), state.cause(), id, fired(listed, ended)));
            }
            for (Running gone : listed.run.takeForgotten()) {
                marks.forget(gone);
                listed.firedBy.remove(gone.number());
            }
        });
    }

    private void notBegun(PartId id, Listed listed, PartId cue) {
        String called = listed.run.cue(cue).map(Cue::called).orElse("");
        state.happened(
                new LiveEvent.CueNotBegun(state.now(), state.cause(), id, listed.body.name(), called, !listed.isFull));
        listed.isFull = true;
    }

    private void changed(PartId list) {
        state.happened(new LiveEvent.CuesChanged(state.now(), state.cause(), list));
    }
}
