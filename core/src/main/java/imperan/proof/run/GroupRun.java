package imperan.proof.run;

import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.LiveShow;
import imperan.live.Observed;
import imperan.osc.OscArgument;
import imperan.osc.OscText;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
import imperan.proof.run.Flight.For;
import imperan.proof.run.Steps.Step;
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
import java.util.function.Predicate;

/** One group of lines while it is proved: read what stands, say and judge, put back. */
final class GroupRun {

    /** What is pressed is released by then, answered or not. */
    static final long PRESSED_NANOS = 200_000_000L;
    /** After so many without a good answer, more would tell nothing. */
    private static final int ENOUGH = 3;

    private static final int PUT_BACK_MOST = 3;

    /** Says something for a group. */
    interface Mouth {
        Flight say(Line line, For why, long limitNanos);
    }

    private final PlannedGroup plan;
    private final Conditions conditions;
    private final boolean reread;
    private final Map<String, Place> places = new LinkedHashMap<>();
    private final Map<String, Samples> samples = new HashMap<>();
    private final Map<String, Observed> seen = new HashMap<>();
    private final Map<String, Obstacle> obstacles = new HashMap<>();
    private final Set<String> masked = new HashSet<>();
    private final List<Waiting> open = new ArrayList<>();
    private final Deque<Place> unread = new ArrayDeque<>();
    private final Set<String> taken = new HashSet<>();
    private Deque<Step> steps = new ArrayDeque<>();
    private boolean asked;
    private boolean built;
    private boolean leaves;
    private boolean puttingBack;
    private boolean done;
    private long saidAt;
    private long spacedUntil = Long.MIN_VALUE;

    private record Waiting(Flight flight, Optional<PlannedLine> judged, Place place) {}

    /** @param reread whether what stands is asked once more just before */
    GroupRun(PlannedGroup plan, Conditions conditions, boolean reread) {
        this.plan = plan;
        this.conditions = conditions;
        this.reread = reread;
        plan.lines().forEach(line -> {
            places.computeIfAbsent(line.send().address(), address -> new Place(line));
            line.releases().forEach(release -> places.computeIfAbsent(release.address(), address -> new Place(line)));
            samples.put(line.id(), new Samples());
        });
    }

    PlannedGroup plan() {
        return plan;
    }

    Iterable<Place> places() {
        return places.values();
    }

    /** Whether it moves something on an address such as these. */
    boolean moves(Predicate<String> address) {
        return places.keySet().stream().anyMatch(address);
    }

    boolean isDone() {
        return done;
    }

    /** When something is to be said whatever comes; empty where it waits for answers only. */
    Optional<Long> due() {
        if (steps.isEmpty()) {
            return built && open.isEmpty() && !done ? Optional.of(spacedUntil) : Optional.empty();
        }
        return open.isEmpty()
                ? Optional.of(steps.peekFirst().release() ? saidAt : spacedUntil)
                : steps.peekFirst().release() ? Optional.of(saidAt + PRESSED_NANOS) : Optional.empty();
    }

    /**
     * Says the next thing, where it is time for it.
     *
     * @return whether something was said or settled, so that there may be more to do at once
     */
    boolean act(LiveShow live, long now, Mouth mouth) {
        if (done) {
            return false;
        }
        boolean settled = settle(live, now);
        if (!built) {
            return read(mouth) || settled;
        }
        boolean releases = !steps.isEmpty() && steps.peekFirst().release();
        if (!open.isEmpty() && !(releases && now >= saidAt + PRESSED_NANOS)) {
            return settled;
        }
        if (!releases && now < spacedUntil && (!steps.isEmpty() || isToPutBack())) {
            return settled;
        } else if (!steps.isEmpty()) {
            step(steps.pollFirst(), now, mouth);
            return true;
        }
        puttingBack = true;
        for (Place place : leaves ? List.<Place>of() : places.values()) {
            Optional<Line> back = place.back();
            if (back.isPresent()) {
                open.add(new Waiting(
                        mouth.say(back.get(), For.PUTTING_BACK, place.limitNanos()), Optional.empty(), place));
                wasSaid(false, now);
                return true;
            }
        }
        done = true;
        return true;
    }

    private boolean isToPutBack() {
        return !leaves && places.values().stream().anyMatch(Place::isToPutBack);
    }

    private boolean read(Mouth mouth) {
        if (reread && !asked) {
            asked = true;
            places.values().stream().filter(place -> place.toldOn().isPresent()).forEach(unread::add);
        }
        if (!open.isEmpty()) {
            return false;
        } else if (!unread.isEmpty()) {
            Place place = unread.pollFirst();
            open.add(new Waiting(mouth.say(question(place), For.READING, place.limitNanos()), Optional.empty(), place));
            return true;
        }
        built = true;
        build();
        return true;
    }

    private void build() {
        for (PlannedLine line : plan.lines()) {
            if (Steps.says(line, places.get(line.send().address())).isEmpty()) {
                obstacles.put(
                        line.id(),
                        places.get(line.send().address())
                                .old()
                                .map(stands -> AtVenue.obstacle(line, stands).orElse(Obstacle.NO_SMALL_STEP))
                                .orElse(Obstacle.CANNOT_BE_READ));
            }
        }
        steps = Steps.of(plan, conditions, places);
    }

    Line question(Place place) {
        PlannedLine first = plan.lines().get(0);
        return new Line(
                Optional.empty(),
                0,
                first.target(),
                first.targetName(),
                place.toldOn().orElseThrow(),
                List.of());
    }

    private void step(Step step, long now, Mouth mouth) {
        Place place = places.get(step.line().address());
        open.add(new Waiting(
                mouth.say(step.line(), step.judged().isPresent() ? For.PROBE : For.BETWEEN, place.limitNanos()),
                step.judged(),
                place));
        place.says(step.line().arguments());
        saidAt = now;
        wasSaid(step.release(), now);
    }

    /** What is released belongs to what was pressed, so nothing has to pass in between. */
    private void wasSaid(boolean release, long now) {
        if (!release) {
            waitUntil(now + plan.spacingNanos());
        }
    }

    /** What is said next is said no sooner. */
    void waitUntil(long time) {
        spacedUntil = Math.max(spacedUntil, time);
    }

    long spacedUntil() {
        return spacedUntil;
    }

    // ---- what came of it

    private boolean settle(LiveShow live, long now) {
        boolean any = false;
        for (Waiting waiting : List.copyOf(open)) {
            Optional<Flight.Landing> landing = waiting.flight.landing();
            if (landing.isPresent()) {
                open.remove(waiting);
                landed(waiting, landing.get(), live, now);
                any = true;
            }
        }
        return any;
    }

    private void landed(Waiting waiting, Flight.Landing landing, LiveShow live, long now) {
        landing.because().ifPresent(this::endsBecause);
        switch (waiting.flight.why) {
            case READING -> {
                if (!landing.said().isEmpty()) {
                    waiting.place.reads(landing.said());
                }
            }
            case PUTTING_BACK -> waiting.place.wentBack(landing.isBack(), PUT_BACK_MOST);
            case BETWEEN -> {
                // nobody judges it
            }
            case PROBE -> judged(waiting, landing, live, now);
        }
        if (waiting.place.answered(landing.isBack()) && !puttingBack) {
            taken.add(waiting.place.address());
        }
    }

    private void judged(Waiting waiting, Flight.Landing landing, LiveShow live, long now) {
        PlannedLine line = waiting.judged.orElseThrow();
        if (landing.verdict() == Verdict.SKIPPED) {
            return;
        }
        Samples of = samples.get(line.id());
        Sample sample = new Sample(landing.verdict(), landing.after(), waiting.flight.line.arguments(), landing.said());
        of.add(sample);
        if (sample.isJudged()) {
            if (!sample.isGood()) {
                // the later, the more is known
                live.observed(waiting.flight.line, now).ifPresent(o -> seen.put(line.id(), o));
            } else if (live.isMasked(waiting.flight.line)) {
                masked.add(line.id());
            }
        }
        boolean closed = live.linkState(plan.target())
                .filter(state -> state == LinkState.PORT_CLOSED)
                .isPresent();
        if (of.answered() == 0 && (of.probes() >= ENOUGH || of.probes() > 0 && closed)
                || landing.verdict() == Verdict.ONE_WAY) {
            drop(line);
        }
    }

    /** No more is said for a line, but for what releases. */
    private void drop(PlannedLine line) {
        Deque<Step> left = new ArrayDeque<>();
        boolean dropped = false;
        boolean first = true;
        for (Step step : steps) {
            boolean ofLine = step.judged().filter(line::equals).isPresent();
            // what was pressed just now is released; the releases of presses that are dropped go with them
            boolean goes = step.release() ? dropped && !first : ofLine;
            dropped = goes;
            first = first && step.release();
            if (!goes) {
                left.add(step);
            }
        }
        steps = left;
    }

    // ---- how it ends

    /** No more is said, but for what releases, and what puts back. */
    void stop() {
        endsBecause(Obstacle.STOPPED);
    }

    /** No more is said, but for what releases; what was moved stays. */
    void freeze() {
        endsBecause(Obstacle.STOPPED);
        leave();
    }

    /** Somebody else moves what it moves: they have it, and nothing is put back. */
    void isMoved(String address) {
        if (places.containsKey(address)) {
            endsBecause(Obstacle.MOVED_MEANWHILE);
            leave();
            places.get(address).forget();
        }
    }

    /** Somebody else moves what it stands in the way of: what it moved already is put back, for that may silence what they play. */
    void standsBack() {
        endsBecause(Obstacle.MOVED_BESIDE);
    }

    /**
     * Its target says something.
     *
     * @return the address of what somebody moves at the target; empty where nobody does
     */
    Optional<String> heard(String address, List<OscArgument> said) {
        return places.values().stream()
                .filter(place -> place.toldOn().filter(address::equals).isPresent())
                .filter(place -> place.hears(said, open.stream().anyMatch(waiting -> waiting.place == place)))
                .map(Place::address)
                .findFirst();
    }

    /** The addresses of which an answer told, since this was last asked, that somebody moves them at the target. */
    Set<String> taken() {
        Set<String> since = Set.copyOf(taken);
        taken.clear();
        return since;
    }

    /** While nothing was moved yet, what its target says is what stands. */
    void stands(String address, List<OscArgument> said) {
        places.values().stream()
                .filter(place -> place.old().isPresent()
                        && place.toldOn().filter(address::equals).isPresent())
                .forEach(place -> place.reads(said));
    }

    private void leave() {
        leaves = true;
        places.values().forEach(Place::stays);
    }

    private void endsBecause(Obstacle why) {
        if (puttingBack) {
            return;
        }
        Deque<Step> left = new ArrayDeque<>();
        for (Step step : steps) {
            if (!step.release()) {
                break;
            }
            left.add(new Step(step.line(), Optional.empty(), true));
        }
        steps = left;
        unread.clear();
        built = true;
        plan.lines().stream()
                .filter(line -> why == Obstacle.MOVED_MEANWHILE
                        || samples.get(line.id()).size() < ProofRun.times(line, conditions))
                .forEach(line -> obstacles.putIfAbsent(line.id(), why));
    }

    /** What is known of each of its lines in the end. */
    List<Outcome> outcomes() {
        return plan.lines().stream().map(this::outcome).toList();
    }

    private Outcome outcome(PlannedLine line) {
        Samples of = samples.get(line.id());
        Optional<Obstacle> because = Optional.ofNullable(obstacles.get(line.id()));
        boolean skipped = because.isPresent() && (of.isEmpty() || because.get() == Obstacle.MOVED_MEANWHILE);
        Verdict verdict = skipped ? Verdict.SKIPPED : of.verdict(masked.contains(line.id()));
        List<Long> nanos = of.nanos();
        Optional<Sample> telling = of.telling();
        Restored restored = places.get(line.send().address()).restored();
        LineResult result = new LineResult(
                line.id(),
                line.print(),
                line.control(),
                line.page(),
                line.label(),
                line.target(),
                line.targetName(),
                line.standIn(),
                line.send().address(),
                verdict,
                because,
                of.probes(),
                of.answered(),
                nanos.isEmpty() ? Optional.empty() : Optional.of(nanos.get((nanos.size() - 1) / 2)),
                nanos.isEmpty() ? Optional.empty() : Optional.of(nanos.get(nanos.size() - 1)),
                telling.map(sample -> OscText.brief(sample.sent())).orElse(""),
                telling.map(sample -> OscText.brief(sample.said())).orElse(""),
                Optional.empty(),
                List.of(),
                restored);
        return new Outcome(
                line,
                result,
                Optional.ofNullable(seen.get(line.id())).filter(observed -> verdict.fallsShort()),
                nanos,
                of.lost(),
                of.probes());
    }
}
