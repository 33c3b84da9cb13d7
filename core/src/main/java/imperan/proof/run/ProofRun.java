package imperan.proof.run;

import imperan.address.SlotAddress;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.Line;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.osc.OscArgument;
import imperan.phrasebook.Vocabulary;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.TargetFigures;
import imperan.proof.report.TargetState;
import imperan.proof.report.Verdict;
import imperan.proof.run.Flight.For;
import imperan.proof.run.PlannedLine.Way;
import imperan.show.PartId;
import imperan.show.Target;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;

/**
 * A proof while it runs: it reads what stands, says line after line by the door of the running show, learns from the show's events what came of each, and puts back what it
 * moved. All of it belongs to the loop of the show; time is an argument.
 */
public final class ProofRun {

    /** Of one stand-in, so many lines are proved at once; of a venue end, one. */
    static final int MOST_AT_ONCE = 8;
    /** Of one that takes its time, more: they wait most of it. */
    static final int MOST_AT_ONCE_SLOW = 24;
    /** Who may take so long for an answer takes its time. */
    private static final long SLOW_NANOS = 1_000_000_000L;
    /** Said in one turn; then hands are looked at again. */
    private static final int MOST_IN_A_TURN = 32;

    /** Where a proof stands. */
    public enum Phase {
        /** What stands at the targets is asked. */
        READING,
        /** It was read, and is to be written down before anything is moved. */
        READ,
        RUNNING,
        /** A person is asked something. */
        ASKING,
        /** Only what was pressed is released, and what was moved is put back. */
        STOPPING,
        ENDED
    }

    /** What a person is asked about one line. */
    public enum Question {
        /** May it be sent now? */
        SEND,
        /** Did you see what it does? */
        SEEN
    }

    /**
     * @param line  about which it is asked
     * @param again whether it may be sent once more in this proof
     */
    public record Asking(PlannedLine line, Question question, boolean again) {}

    /** What is to be put back by hand if this machine fails meanwhile. */
    public record Old(PartId target, Line back) {}

    private final ProofPlan plan;
    private final Map<PartId, TargetRun> targets = new LinkedHashMap<>();
    /** Those whose real thing listens, with one of its lines at least. */
    private final Set<PartId> venues = new HashSet<>();
    /** Of all targets that its lines go to or are heard from. */
    private final Map<PartId, Silence> silences = new LinkedHashMap<>();
    /** As they stood at the end. */
    private final Map<PartId, TargetState> states = new HashMap<>();

    private final Map<String, Outcome> outcomes = new HashMap<>();
    private final Flights flights;
    private final FirstReading reading;
    private final Listening listening;
    private final Deque<PlannedLine> attended = new ArrayDeque<>();
    /** How often a person had each line sent. */
    private final Map<String, Integer> sends = new HashMap<>();
    /** One-way lines about which a person was asked already. */
    private final Set<String> looked = new HashSet<>();
    /** What groups that are done moved, and nobody confirmed to be back. */
    private final List<Old> left = new ArrayList<>();

    private final List<GroupRun> done = new ArrayList<>();
    private final String by;
    /** What is put back once more at the end; empty before it is known. */
    private Optional<PutBack> again = Optional.empty();

    private boolean frozen;
    private Optional<Asking> asking = Optional.empty();
    private Phase phase = Phase.READING;
    private boolean stopped;
    private boolean renewed;
    private long turnAgainAt = Long.MAX_VALUE;

    /** @param by who started it */
    public ProofRun(ProofPlan plan, String by) {
        this.plan = plan;
        this.by = by;
        this.flights = new Flights(by, this::landed);
        plan.lines().stream()
                .filter(line -> !line.standIn())
                .flatMap(line -> line.target().stream())
                .forEach(venues::add);
        plan.listens().stream()
                .filter(listen -> !listen.standIn())
                .map(PlannedListen::target)
                .forEach(venues::add);
        Stream.concat(
                        plan.lines().stream().flatMap(line -> line.target().stream()),
                        plan.listens().stream().map(PlannedListen::target))
                .forEach(target -> silences.computeIfAbsent(target, this::silence));
        this.reading = new FirstReading(this::asks, target -> mayBeAsked(Optional.of(target)));
        this.listening = new Listening(plan.listens(), plan.conditions().cleared());
        for (PlannedGroup group : plan.groups()) {
            GroupRun run = new GroupRun(
                    group,
                    plan.conditions(),
                    asks(group.target()),
                    !group.lines().get(0).standIn());
            of(group.target()).add(run);
            reading.add(run);
        }
        plan.lines().stream().filter(line -> line.way() != Way.RUNS).forEach(line -> {
            if (line.way() == Way.ATTENDED && plan.conditions().attended()) {
                attended.add(line);
            } else {
                outcomes.put(line.id(), Outcome.unsaid(line, Verdict.SKIPPED, line.because()));
            }
        });
    }

    /**
     * How often a line is said: what happens each time once, or once for each of its choices; a value as often as wished, and all that is
     * to be said of it; nothing more often than its phrase allows.
     */
    static int times(PlannedLine line, Conditions conditions) {
        int times = line.happensEachTime()
                ? line.isChosen() ? line.says().size() : 1
                : Math.max(conditions.times(), line.least());
        return line.rule().most().map(most -> Math.min(most, times)).orElse(times);
    }

    private TargetRun of(PartId target) {
        return targets.computeIfAbsent(
                target,
                id -> new TargetRun(
                        id, silences.get(id), !isStandIn(id) ? 1 : isSlow(id) ? MOST_AT_ONCE_SLOW : MOST_AT_ONCE));
    }

    private Silence silence(PartId target) {
        return new Silence(
                plan.show()
                        .part(target)
                        .filter(part -> part.body() instanceof Target body && body.answering() == Target.Answering.NONE)
                        .isEmpty(),
                isStandIn(target));
    }

    private void landed(Flight flight, long now) {
        flight.line
                .target()
                .map(silences::get)
                .ifPresent(silence -> silence.landed(
                        flight.saying, flight.why, flight.result().orElseThrow(), now));
    }

    private boolean mayBeAsked(Optional<PartId> target) {
        return target.map(silences::get)
                .filter(silence -> silence.isGivenUp() || silence.isClosed())
                .isEmpty();
    }

    private boolean isGivenUp(Optional<PartId> target) {
        return target.map(silences::get).filter(Silence::isGivenUp).isPresent();
    }

    private boolean isSlow(PartId target) {
        return plan.lines().stream()
                .filter(line -> line.target().filter(target::equals).isPresent())
                .anyMatch(line -> line.limitNanos() >= SLOW_NANOS);
    }

    /** Whether a target answers questions. */
    private boolean asks(PartId target) {
        return plan.show()
                .part(target)
                .filter(part -> part.body() instanceof Target body && body.answering() == Target.Answering.QUERIES)
                .isPresent();
    }

    private boolean isStandIn(PartId target) {
        return !venues.contains(target);
    }

    // ---- what is asked of it from outside

    public Phase phase() {
        return phase;
    }

    public ProofPlan plan() {
        return plan;
    }

    public boolean wasStopped() {
        return stopped;
    }

    /** How many lines are done. */
    public int done() {
        return outcomes.size();
    }

    /** Messages that were said so far. */
    public int said() {
        return flights.said();
    }

    public Optional<Asking> asking() {
        return phase == Phase.ASKING ? asking : Optional.empty();
    }

    /** What came of the lines that are done, in the order of the plan. */
    public List<Outcome> outcomes() {
        return plan.lines().stream()
                .map(line -> outcomes.get(line.id()))
                .filter(outcome -> outcome != null)
                .toList();
    }

    /** What came so far of what is only listened to, in the order of the plan. */
    public List<LineResult> heard() {
        return listening.results();
    }

    /** What was read, and may be moved yet or is not back: to be written down before anything is moved. In the end, what stayed moved and is nobody else's. */
    public List<Old> toPutBack() {
        List<Old> old = new ArrayList<>();
        targets.values()
                .forEach(target -> target.all().forEach(group -> group.places().forEach(place -> {
                    if (place.restored() != Restored.YES) {
                        place.byHand().ifPresent(line -> old.add(new Old(target.target(), line)));
                    }
                })));
        old.addAll(left);
        return old;
    }

    /** What was found out of each target, in the order of the plan. */
    public List<TargetFigures> figures() {
        Map<PartId, List<Outcome>> byTarget = new HashMap<>();
        outcomes().stream().filter(outcome -> outcome.judged() > 0).forEach(outcome -> byTarget.computeIfAbsent(
                        outcome.line().target().orElseThrow(), id -> new ArrayList<>())
                .add(outcome));
        return silences.keySet().stream()
                .map(target -> figures(target, byTarget.getOrDefault(target, List.of())))
                .toList();
    }

    private TargetFigures figures(PartId target, List<Outcome> judged) {
        return TargetFigures.of(
                target,
                plan.show().part(target).map(part -> part.body().called()).orElse(""),
                isStandIn(target),
                states.getOrDefault(target, TargetState.NOT_TRIED),
                judged.stream().mapToInt(Outcome::lost).sum(),
                judged.stream().mapToInt(Outcome::judged).sum(),
                judged.stream().flatMap(outcome -> outcome.nanos().stream()).toList());
    }

    /** What was read is written down: now something may be moved. */
    public void isWrittenDown() {
        if (phase == Phase.READ) {
            phase = Phase.RUNNING;
        }
    }

    /** No more is said, but for what releases and what puts back. */
    public void stop() {
        end(GroupRun::stop);
    }

    /** No more is said, but for what releases. */
    public void freeze() {
        frozen = true;
        end(GroupRun::freeze);
    }

    private void end(Consumer<GroupRun> how) {
        if (phase == Phase.ENDED) {
            return;
        }
        stopped = true;
        targets.values().forEach(target -> {
            target.takeWaiting().forEach(group -> {
                group.stop();
                keep(group);
            });
            target.active().forEach(how);
        });
        attended.forEach(
                line -> outcomes.put(line.id(), Outcome.unsaid(line, Verdict.SKIPPED, Optional.of(Obstacle.STOPPED))));
        attended.clear();
        asking.filter(open -> open.question() == Question.SEND)
                .ifPresent(open -> outcomes.put(
                        open.line().id(), Outcome.unsaid(open.line(), Verdict.SKIPPED, Optional.of(Obstacle.STOPPED))));
        asking = Optional.empty();
        phase = Phase.STOPPING;
    }

    /** The line that is asked about is sent, once more where it was sent already; no more often than its phrase allows. */
    public void send() {
        asking().filter(Asking::again).ifPresent(open -> {
            sends.merge(open.line().id(), 1, Integer::sum);
            // whoever wants it once more wants to look once more
            looked.remove(open.line().id());
            PlannedGroup alone = new PlannedGroup(
                    open.line().target().orElseThrow(), List.of(open.line()), PlannedGroup.Turn.EVENTS);
            of(alone.target())
                    .add(new GroupRun(
                            alone, new Conditions(1, true, plan.conditions().cleared()), asks(alone.target()), true));
            asking = Optional.empty();
            phase = Phase.RUNNING;
        });
    }

    /** The line that is asked about is left out. */
    public void leaveOut() {
        asking().ifPresent(open -> {
            if (open.question() == Question.SEND) {
                outcomes.put(
                        open.line().id(), Outcome.unsaid(open.line(), Verdict.SKIPPED, Optional.of(Obstacle.LEFT_OUT)));
            }
            asking = Optional.empty();
            phase = Phase.RUNNING;
        });
    }

    /** A person says whether they saw what the line does. */
    public void seen(boolean yes) {
        asking().filter(open -> open.question() == Question.SEEN).ifPresent(open -> {
            Outcome before = outcomes.get(open.line().id());
            LineResult result = before.result();
            outcomes.put(open.line().id(), before.with(result.seen(yes)));
            asking = Optional.empty();
            phase = Phase.RUNNING;
        });
    }

    // ---- its turn

    /** When it wants a turn though nothing happens; {@code Long.MAX_VALUE} where it waits for answers only. */
    public long nextDue() {
        if (phase == Phase.ENDED || phase == Phase.READ || phase == Phase.ASKING) {
            return Long.MAX_VALUE;
        }
        return Math.min(
                Math.min(
                        phase == Phase.READING ? Math.min(turnAgainAt, reading.nextDue()) : turnAgainAt,
                        again.map(PutBack::nextDue).orElse(Long.MAX_VALUE)),
                targets.values().stream()
                        .flatMap(target -> target.due().stream())
                        .min(Long::compare)
                        .orElse(Long.MAX_VALUE));
    }

    /**
     * Does what is to be done now.
     *
     * @param missed packets that this machine did not handle in time, so far
     */
    public void act(LiveShow live, long missed, long now) {
        live.proves(this::isUnderWay);
        int before = flights.said();
        boolean any = true;
        while (any && flights.said() - before < MOST_IN_A_TURN) {
            any = switch (phase) {
                case READING -> read(live, missed, now);
                case RUNNING, STOPPING -> run(live, missed, now);
                case READ, ASKING, ENDED -> false;
            };
        }
        if (phase == Phase.ENDED) {
            silences.forEach((target, silence) -> states.put(target, silence.state(live.linkState(target))));
        }
        turnAgainAt = any ? now : Long.MAX_VALUE;
        if (phase == Phase.ENDED) {
            live.provesNothing();
        }
    }

    /** Whether something is read, moved or put back there just now. */
    private boolean isUnderWay(PartId target, String address) {
        TargetRun run = targets.get(target);
        return run != null
                && (phase == Phase.READING || phase == Phase.READ
                        ? !run.on(address).isEmpty()
                        : run.isUnderWay(address));
    }

    private boolean read(LiveShow live, long missed, long now) {
        if (!renewed) {
            renewed = true;
            // a target that forgot us meanwhile is asked to tell us again, before that is taken for a fault of its
            // lines
            targets.keySet().forEach(target -> live.carryOut(new Command.FindOut(target), flights.actor(), now));
            listening.begin(live);
            reading.add(listening.questions(live));
        }
        boolean any = reading.act(
                live, now, (question, limit) -> flights.say(question, For.READING, limit, live, missed, now));
        if (reading.isRead()
                && reading.isWatched(
                        targets.values().stream()
                                .flatMap(target -> target.all().stream())
                                .toList(),
                        live,
                        now)) {
            phase = Phase.READ;
            any = true;
        }
        return any;
    }

    private boolean run(LiveShow live, long missed, long now) {
        boolean any = false;
        if (again.isPresent()) {
            again.get().act(live, missed, now);
            if (again.get().isDone()) {
                phase = Phase.ENDED;
            }
            return phase == Phase.ENDED;
        }
        for (TargetRun target : targets.values()) {
            any |= target.act(
                    live,
                    now,
                    (saying, why, limit) -> flights.say(saying, why, limit, live, missed, now),
                    address -> isMoved(target, address),
                    this::keep);
        }
        if (!any && targets.values().stream().allMatch(TargetRun::isDone)) {
            askOrEnd(live);
            any = again.isPresent();
        }
        return any;
    }

    private void keep(GroupRun group) {
        done.add(group);
        group.places().forEach(place -> {
            if (place.restored() == Restored.LEFT || place.restored() == Restored.UNCONFIRMED) {
                place.byHand().ifPresent(line -> left.add(new Old(group.plan().target(), line)));
            }
        });
        group.outcomes().forEach(outcome -> outcomes.put(outcome.line().id(), outcome));
    }

    private void askOrEnd(LiveShow live) {
        attended.removeIf(line -> {
            boolean silent = isGivenUp(line.target());
            if (silent) {
                outcomes.put(line.id(), Outcome.unsaid(line, Verdict.SKIPPED, Optional.of(Obstacle.TARGET_SILENT)));
            }
            return silent;
        });
        Optional<PlannedLine> unseen = plan.conditions().attended() && phase == Phase.RUNNING
                ? plan.lines().stream()
                        .filter(line -> Optional.ofNullable(outcomes.get(line.id()))
                                .filter(outcome ->
                                        isToBeSeen(line, outcome.result().verdict()))
                                .isPresent())
                        .filter(line -> !looked.contains(line.id()))
                        .findFirst()
                : Optional.empty();
        if (unseen.isPresent()) {
            looked.add(unseen.get().id());
            asking = unseen.map(line -> new Asking(line, Question.SEEN, isAllowed(line)));
            phase = Phase.ASKING;
        } else if (!attended.isEmpty()) {
            asking = Optional.of(attended.pollFirst()).map(line -> new Asking(line, Question.SEND, isAllowed(line)));
            phase = Phase.ASKING;
        } else {
            again = Optional.of(new PutBack(plan.show(), frozen ? List.of() : disturbed(live), by));
        }
    }

    /**
     * What was put back, and was moved afterwards by what another line does, such as joining two outputs. At a venue that may have been
     * somebody's hand.
     */
    private List<Old> disturbed(LiveShow live) {
        return done.stream()
                .filter(group -> isStandIn(group.plan().target()))
                .flatMap(group -> StreamSupport.stream(group.places().spliterator(), false)
                        .flatMap(place -> place
                                .toldOn()
                                .flatMap(address -> live.said(group.plan().target(), address))
                                .flatMap(place::disturbed)
                                .stream())
                        .map(line -> new Old(group.plan().target(), line)))
                .toList();
    }

    /** What cannot be answered, and what a person had sent and an echo may have answered. */
    private static boolean isToBeSeen(PlannedLine line, Verdict verdict) {
        return verdict == Verdict.ONE_WAY
                || line.way() == Way.ATTENDED && (verdict == Verdict.RETURNED || verdict == Verdict.ACKNOWLEDGED);
    }

    /** What was said of it by itself counts, too. */
    private boolean isAllowed(PlannedLine line) {
        int bySelf = line.way() == Way.RUNS ? 1 : 0;
        return line.rule()
                .most()
                .map(most -> bySelf + sends.getOrDefault(line.id(), 0) < most)
                .orElse(true);
    }

    // ---- what happens

    /**
     * Something happened in the running show.
     *
     * @param missed packets that this machine did not handle in time, so far
     */
    public void happened(LiveEvent event, long missed) {
        if (phase == Phase.ENDED) {
            return;
        }
        flights.happened(event, missed);
        again.ifPresent(last -> last.happened(event, missed));
        if (event instanceof LiveEvent.LineLeft left
                && left.cause().actor().kind() != Actor.Kind.PROOF
                && left.cause().actor().kind() != Actor.Kind.IMPERAN
                && !left.line().arguments().isEmpty()) {
            left.line()
                    .target()
                    .map(targets::get)
                    .ifPresent(target -> isMoved(target, left.line().address()));
        } else if (event instanceof LiveEvent.PacketIn in) {
            in.target().map(silences::get).ifPresent(Silence::isHeard);
            in.target().ifPresent(target -> in.says()
                    .messages()
                    .forEach(message -> listening.heard(target, message.address(), message.arguments())));
            in.target().map(targets::get).ifPresent(target -> in.says()
                    .messages()
                    .forEach(message -> heard(target, message.address(), message.arguments())));
        }
    }

    private void heard(TargetRun target, String address, List<OscArgument> said) {
        target.on(address).forEach(group -> group.counts(address));
        if (phase == Phase.READING) {
            target.on(address).forEach(group -> group.stands(address, said));
            return;
        }
        boolean isEvent =
                target.active().stream().anyMatch(group -> group.plan().turn() == PlannedGroup.Turn.EVENTS);
        for (GroupRun group : target.on(address)) {
            if (isStandIn(target.target()) && !target.active().contains(group)) {
                // nobody's hand is at a stand-in: what happened at an event stands there now
                group.standsNow(address, said);
            } else if (!isEvent) {
                // what happens at an event may well move values: then nobody's hand does
                group.heard(address, said).ifPresent(moved -> isMoved(target, moved));
            }
        }
    }

    /** Somebody else moves something: they have it, and what stands in its way is left alone. */
    private void isMoved(TargetRun target, String address) {
        target.on(address).forEach(group -> group.isMoved(address));
        Vocabulary.of(plan.show(), target.target())
                .said(address)
                .ifPresent(known -> known.phrase().masks().forEach(mask -> {
                    SlotAddress where = SlotAddress.parseFreely(mask.address());
                    String own = where.fill(known.numbers());
                    target.all().stream()
                            .filter(group -> group.moves(other -> mask.elsewhere()
                                    ? !other.equals(own) && where.match(other).isPresent()
                                    : other.equals(own)))
                            .forEach(GroupRun::standsBack);
                }));
    }
}
