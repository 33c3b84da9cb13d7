package imperan.proof.run;

import imperan.live.Evidence;
import imperan.live.Expectation;
import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.LiveShow;
import imperan.live.MessageResult;
import imperan.live.MessageResult.Differed.How;
import imperan.live.Observed;
import imperan.osc.OscArgument;
import imperan.proof.report.Extent;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Verdict;
import imperan.proof.run.Flight.For;
import imperan.proof.run.Steps.Step;
import imperan.show.AnswerRule;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** One group of lines while it is proved: read what stands, say and judge, put back. */
final class GroupRun {

    /** So much later than it was there is a value known that is asked for again and again. */
    private static final long ASKED_AGAIN_NANOS = 300_000_000L;
    /** What is answered by then is asked for each time. */
    private static final long PROMPT_NANOS = 300_000_000L;
    /** After so many without a good answer, more would tell nothing. */
    private static final int ENOUGH = 3;

    private static final int PUT_BACK_MOST = 3;

    /** Says something for a group. */
    interface Mouth {
        Flight say(Saying saying, For why, long limitNanos);
    }

    private final PlannedGroup plan;
    private final Conditions conditions;
    private final boolean asks;
    private final boolean reread;
    private final Places places;
    private final Map<String, Samples> samples = new HashMap<>();
    private final Map<String, Observed> seen = new HashMap<>();
    private final Map<String, Obstacle> obstacles = new HashMap<>();
    private final Set<String> masked = new HashSet<>();
    private final List<Waiting> open = new ArrayList<>();
    private final Deque<Place> unread = new ArrayDeque<>();
    private final Set<String> taken = new HashSet<>();
    private final StepQueue steps = new StepQueue();

    private Optional<Asking> asking = Optional.empty();
    private boolean asked;
    /** Whether what is judged next may stand there already, because what was to make room for it was not taken. */
    private boolean standsAlready;

    private boolean built;
    private boolean leaves;
    private boolean puttingBack;
    private int putBackMost = PUT_BACK_MOST;
    private boolean done;
    private long saidAt;
    /** How long what was said last stays pressed, where it presses something. */
    private long pressedNanos;

    private long spacedUntil = Long.MIN_VALUE;

    /** @param released whether the same address was said to again before its answer came, to release what it pressed */
    private record Waiting(Flight flight, Optional<PlannedLine> judged, Place place, boolean released) {}

    /**
     * Its target is asked whether it took what was said.
     *
     * @param line   that is judged
     * @param sample of what was said; empty where that only makes room for what is judged next
     */
    private record Asking(PlannedLine line, Line said, Place place, Optional<Sample> sample, ReadBack answers) {}

    /**
     * @param asks   whether its target answers questions
     * @param reread whether what stands is asked once more just before
     */
    GroupRun(PlannedGroup plan, Conditions conditions, boolean asks, boolean reread) {
        this.plan = plan;
        this.conditions = conditions;
        this.asks = asks;
        this.reread = reread;
        this.places = new Places(plan.lines());
        plan.lines().forEach(line -> samples.put(line.id(), new Samples()));
    }

    PlannedGroup plan() {
        return plan;
    }

    Iterable<Place> places() {
        return places;
    }

    /** Whether it moves something on an address such as these. */
    boolean moves(Predicate<String> address) {
        return places.isAnyOn(address);
    }

    boolean isDone() {
        return done;
    }

    /** When something is to be said whatever comes; empty where it waits for answers only. */
    Optional<Long> due() {
        if (open.isEmpty() && asking.isPresent()) {
            return asking.map(question -> question.answers.askAt());
        } else if (steps.isEmpty()) {
            return built && open.isEmpty() && !done ? Optional.of(spacedUntil) : Optional.empty();
        }
        return open.isEmpty()
                ? Optional.of(steps.releasesNext() ? saidAt : spacedUntil)
                : releasesUnanswered() ? Optional.of(saidAt + pressedNanos) : Optional.empty();
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
        boolean releases = steps.releasesNext();
        if (!open.isEmpty() && !(releasesUnanswered() && now >= saidAt + pressedNanos)) {
            return settled;
        } else if (open.isEmpty() && asking.isPresent()) {
            return ask(asking.get(), now, mouth) || settled;
        }
        if (!releases && now < spacedUntil && (!steps.isEmpty() || isToPutBack())) {
            return settled;
        } else if (!steps.isEmpty()) {
            step(steps.take(), now, mouth);
            return true;
        }
        puttingBack = true;
        for (Place place : leaves ? List.<Place>of() : places) {
            Optional<Line> back = place.back();
            if (back.isPresent()) {
                open.add(new Waiting(
                        mouth.say(Saying.of(back.get()), For.PUTTING_BACK, place.limitNanos()),
                        Optional.empty(),
                        place,
                        false));
                wasSaid(false, now);
                return true;
            }
        }
        done = true;
        return true;
    }

    /**
     * At a venue nothing stays pressed for as long as an answer may take; at a stand-in the answer is waited for, so that it is known
     * what it answers.
     */
    private boolean releasesUnanswered() {
        return steps.releasesNext() && !isStandIn();
    }

    private boolean isStandIn() {
        return plan.lines().get(0).standIn();
    }

    private boolean ask(Asking question, long now, Mouth mouth) {
        if (now < question.answers.askAt()) {
            return false;
        }
        question.answers.asks();
        question.place.isAsked();
        open.add(new Waiting(
                mouth.say(question.place.asking().orElseThrow(), For.READING_BACK, question.place.limitNanos()),
                Optional.empty(),
                question.place,
                false));
        return true;
    }

    private boolean isToPutBack() {
        return !leaves && places.stream().anyMatch(Place::isToPutBack);
    }

    private boolean read(Mouth mouth) {
        if (reread && !asked) {
            asked = true;
            places.stream().filter(place -> place.toldOn().isPresent()).forEach(unread::add);
        }
        if (!open.isEmpty()) {
            return false;
        } else if (!unread.isEmpty()) {
            Place place = unread.pollFirst();
            open.add(new Waiting(
                    mouth.say(place.reading().orElseThrow(), For.READING, place.limitNanos()),
                    Optional.empty(),
                    place,
                    false));
            return true;
        }
        built = true;
        build();
        return true;
    }

    private void build() {
        for (PlannedLine line : plan.lines()) {
            if (!places.of(line).streams() && Steps.says(line, places.of(line)).isEmpty()) {
                obstacles.put(
                        line.id(),
                        places.of(line)
                                .old()
                                .map(stands -> AtVenue.obstacle(line, stands).orElse(Obstacle.NO_SMALL_STEP))
                                .orElse(Obstacle.CANNOT_BE_READ));
            }
        }
        steps.fill(Steps.of(plan, conditions, places));
    }

    private void step(Step step, long now, Mouth mouth) {
        Place place = places.movedBy(step.line());
        place.isSpokenTo();
        if (step.release()) {
            open.replaceAll(waiting -> waiting.place == place
                    ? new Waiting(waiting.flight, waiting.judged, waiting.place, true)
                    : waiting);
        }
        open.add(new Waiting(
                mouth.say(
                        Saying.of(step.line()),
                        step.judged().isPresent() ? For.PROBE : For.BETWEEN,
                        place.limitNanos()),
                step.judged(),
                place,
                false));
        step.judged().filter(line -> standsThere(line, place, step.line())).ifPresent(line -> standsAlready = true);
        place.says(step.line().arguments());
        saidAt = now;
        step.judged().ifPresent(line -> pressedNanos = line.pressedNanos());
        wasSaid(step.release(), now);
    }

    /** What stands there already proves nothing, however it is answered. */
    private static boolean standsThere(PlannedLine line, Place place, Line says) {
        return !line.happensEachTime()
                && line.expected().rule().says() == AnswerRule.Says.SAME
                && place.last()
                        .filter(stands -> !line.expected()
                                .tellsApart(
                                        stands, says.arguments(), line.send().arguments()))
                        .isPresent();
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
            Optional<MessageResult> result = waiting.flight.result();
            if (result.isPresent()) {
                open.remove(waiting);
                landed(waiting, result.get(), live, now);
                any = true;
            }
        }
        return any;
    }

    private void landed(Waiting waiting, MessageResult result, LiveShow live, long now) {
        Flight.obstacle(result).ifPresent(this::endsBecause);
        boolean rightly = Flight.isBack(result);
        boolean settled = true;
        switch (waiting.flight.why) {
            case READING -> {
                if (!result.said().isEmpty()) {
                    waiting.place.answers(result.said());
                }
            }
            case PUTTING_BACK -> waiting.place.wentBack(Flight.isBack(result), putBackMost);
            case READING_BACK -> {
                rightly = readBack(result, live, now);
                settled = rightly || asking.isEmpty();
            }
            case BETWEEN -> between(waiting, result, live, now);
            case PROBE -> judged(waiting, result, live, now);
        }
        if (settled && waiting.place.answered(rightly) && !puttingBack) {
            taken.add(waiting.place.address());
        }
    }

    private void judged(Waiting waiting, MessageResult result, LiveShow live, long now) {
        if (Flight.obstacle(result).isPresent()) {
            return;
        }
        PlannedLine line = waiting.judged.orElseThrow();
        Sample found = new Sample(waiting.flight.line.arguments(), asSeen(waiting, line, result));
        boolean isFirstOfMore = isFirstOfMore(line, waiting.place, found.verdict());
        Sample sample = standsAlready ? found.standingThere() : found;
        standsAlready = false;
        // what stood there already proves nothing, but that something else stands there now tells against it
        boolean isAsked = (found.isGood() || isFirstOfMore) && asks(line, waiting, result, Optional.of(sample), 0, now);
        if (!isAsked) {
            judge(line, waiting.flight.line, sample, live, now);
        }
    }

    /** What came for a probe, seen beside what else was said and what its phrase tells. */
    private static MessageResult asSeen(Waiting waiting, PlannedLine line, MessageResult result) {
        boolean came = result instanceof MessageResult.Answered
                || result instanceof MessageResult.Late
                || result instanceof MessageResult.Differed;
        if (came && waiting.released) {
            return new MessageResult.ReleasedEarly(result.said(), result.after());
        }
        return result instanceof MessageResult.Differed differed
                ? new MessageResult.Differed(
                        how(line, line.expected(), waiting.flight.line, differed.said(), differed.how()),
                        differed.address(),
                        differed.said(),
                        differed.afterNanos(),
                        differed.asked())
                : result;
    }

    /** Whether the value was asked for, and what came was another one: perhaps one on the way, so it is asked again. */
    private boolean isFirstOfMore(PlannedLine line, Place place, Verdict verdict) {
        Expectation expected = line.expected();
        boolean isAskedFor = expected.isAsked()
                || expected.isToldToOthersOnly()
                || expected.address().isEmpty();
        return verdict == Verdict.WRONG_VALUE && isAskedFor && isAsked(line, place);
    }

    /**
     * What it means that another value came: nobody knows where that has another number of arguments, and no phrase says which of them is
     * the value.
     */
    private static How how(PlannedLine line, Expectation expected, Line sent, List<OscArgument> said, How otherwise) {
        boolean untold =
                line.phrase().isEmpty() && said.size() != sent.arguments().size();
        boolean tooFew = expected.rule().says() == AnswerRule.Says.SAME
                && expected.rule().places().isEmpty()
                && said.size() < sent.arguments().size();
        return untold || tooFew ? How.ARGUMENTS : otherwise;
    }

    /** Whether its target can be asked what stands after a line was said. */
    private boolean isAsked(PlannedLine line, Place place) {
        boolean heldDown = !line.releases().isEmpty() && !isStandIn();
        return asks && place.canBeAsked() && !line.happensEachTime() && !heldDown;
    }

    /**
     * Everything is read back, so that what is not taken now and then is found; but where answers take their time, only what is new and
     * what is said last. That has to be said twice, and everything where the target says more than it is asked: an echo and its double are
     * not taken for an answer then.
     *
     * @param sample of what was said; empty where it only makes room for what is judged next
     * @param left   how many times the line is said yet
     * @return whether its target is asked
     */
    private boolean asks(
            PlannedLine line, Waiting said, MessageResult result, Optional<Sample> sample, int left, long now) {
        if (!isAsked(line, said.place)) {
            return false;
        }
        boolean isNews = !samples.get(line.id()).isReadBack(said.flight.line.arguments()) || steps.left(line) <= left;
        if (!isNews && result.after().filter(nanos -> nanos > PROMPT_NANOS).isPresent()) {
            return false;
        }
        int enough = isNews || said.place.saysMore() ? 2 : 1;
        asking = Optional.of(new Asking(
                line,
                said.flight.line,
                said.place,
                sample,
                new ReadBack(line, said.place.asked(), said.flight.line, said.place.before(), enough, now)));
        return true;
    }

    /** What is said between makes sense only if it was taken: else what is judged next stands there already. */
    private void between(Waiting waiting, MessageResult result, LiveShow live, long now) {
        Optional<PlannedLine> next = steps.judgedNext();
        if (next.isEmpty()) {
            return;
        }
        PlannedLine line = next.get();
        standsAlready = !Flight.isBack(result);
        if (result instanceof MessageResult.Differed) {
            judge(line, waiting.flight.line, new Sample(waiting.flight.line.arguments(), result), live, now);
        } else if (Flight.isBack(result)) {
            asks(line, waiting, result, Optional.empty(), 1, now);
        }
    }

    /** @return whether it says the value that was said */
    private boolean readBack(MessageResult result, LiveShow live, long now) {
        if (asking.isEmpty()) {
            return false;
        }
        Asking question = asking.get();
        ReadBack answers = question.answers;
        int agreed = answers.agreed();
        answers.told(result, now);
        if (answers.found() == ReadBack.Found.OPEN) {
            return answers.agreed() > agreed;
        }
        asking = Optional.empty();
        if (answers.found() == ReadBack.Found.UNTOLD) {
            question.place.isUntold();
        }
        Optional<How> against = answers.against();
        if (against.isPresent()) {
            question.place.standsAt(answers.instead());
            standsAlready = question.sample.isEmpty();
            Sample sample = question.sample.orElseGet(
                    () -> new Sample(question.said.arguments(), new MessageResult.NotJudged()));
            How how = how(question.line, question.place.asked(), question.said, answers.instead(), against.get());
            judge(
                    question.line,
                    question.said,
                    sample.contradicted(how, question.place.address(), answers.instead()),
                    live,
                    now);
        } else {
            question.sample
                    .map(sample -> answers.found() == ReadBack.Found.TAKEN
                            ? taken(question, sample, answers.agreedOn().orElseThrow(), now)
                            : sample)
                    .ifPresent(sample -> judge(question.line, question.said, sample, live, now));
        }
        // what its target says oftener than it is asked, it says because somebody moves it there
        return against.isEmpty() || question.place.odd() > answers.asked();
    }

    /** It was taken; where the value was told only after others, as late as it was told. */
    private Sample taken(Asking question, Sample sample, Evidence told, long now) {
        if (sample.verdict() != Verdict.WRONG_VALUE) {
            return sample.readBack(told);
        }
        long after = now - saidAt;
        boolean late = after > question.line.limitNanos() + ASKED_AGAIN_NANOS;
        return sample.settled(late, after, told);
    }

    private void judge(PlannedLine line, Line said, Sample sample, LiveShow live, long now) {
        Samples of = samples.get(line.id());
        of.add(sample);
        if (sample.isJudged()) {
            if (!sample.isGood()) {
                // the later, the more is known
                live.observed(said, now).ifPresent(o -> seen.put(line.id(), o));
            } else if (live.isMasked(said)) {
                masked.add(line.id());
            }
        }
        boolean closed = live.linkState(plan.target())
                .filter(state -> state == LinkState.PORT_CLOSED)
                .isPresent();
        // where another value comes each time, one more tells whether that is a matter of steps
        boolean isEnough = of.isOnlyWrong() && isStandIn()
                ? of.values() >= Extents.ENOUGH_VALUES || of.probes() >= 2 * Extents.ENOUGH_VALUES
                : of.probes() >= ENOUGH;
        if (of.answered() == 0 && (isEnough || of.probes() > 0 && closed) || sample.verdict() == Verdict.ONE_WAY) {
            steps.drop(line);
        }
    }

    // ---- how it ends

    /** No more is said, but for what releases, and what puts back. */
    void stop() {
        endsBecause(Obstacle.STOPPED);
    }

    /** Its target answers nothing: no more is said, but for what releases and, once, what puts back. */
    void giveUp() {
        putBackMost = 1;
        endsBecause(Obstacle.TARGET_SILENT);
    }

    /** No more is said, but for what releases; what was moved stays. */
    void freeze() {
        endsBecause(Obstacle.STOPPED);
        leave();
    }

    /** Somebody else moves what it moves: they have it, and nothing is put back. */
    void isMoved(String address) {
        List<Place> moved = places.on(address);
        if (!moved.isEmpty()) {
            endsBecause(Obstacle.MOVED_MEANWHILE);
            leave();
            moved.forEach(Place::forget);
        }
    }

    /** Somebody else moves what it stands in the way of: what it moved already is put back, for that may silence what they play. */
    void standsBack() {
        endsBecause(Obstacle.MOVED_BESIDE);
    }

    /** Its target says something, whatever it means. */
    void counts(String address) {
        places.stream().filter(place -> place.isAnsweredOn(address)).forEach(Place::isHeardOf);
    }

    /**
     * Its target says something.
     *
     * @return the address of what somebody moves at the target; empty where nobody does
     */
    Optional<String> heard(String address, List<OscArgument> said) {
        return places.stream()
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
        places.stream()
                .filter(place -> place.toldOn().filter(address::equals).isPresent() && place.isToldBy(said))
                .forEach(place -> place.tells(said));
    }

    /** Something else stands there now, before anything was said for it: what was read before is put back all the same. */
    void standsNow(String address, List<OscArgument> said) {
        places.stream()
                .filter(place -> place.toldOn().filter(address::equals).isPresent())
                .forEach(place -> place.standsNow(said));
    }

    private void leave() {
        leaves = true;
        places.forEach(Place::stays);
    }

    private void endsBecause(Obstacle why) {
        if (puttingBack) {
            return;
        }
        steps.onlyRelease();
        unread.clear();
        built = true;
        // what was said last was answered, and nobody asks any more whether it was taken; of another value nobody knows
        // whether it was the last
        asking.flatMap(Asking::sample)
                .filter(sample -> sample.verdict() != Verdict.WRONG_VALUE)
                .ifPresent(sample -> samples.get(asking.get().line.id()).add(sample));
        asking = Optional.empty();
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
        Optional<Extent> extent = skipped ? Optional.empty() : Extents.of(line, of.judgedOnes());
        boolean isCoarser = extent.flatMap(Extent::coarser).isPresent();
        Verdict verdict = skipped
                ? Verdict.SKIPPED
                : isCoarser
                        ? Verdict.COARSER
                        : of.isEmpty() && places.of(line).streams()
                                ? Verdict.UNPROMPTED
                                : of.verdict(masked.contains(line.id()));
        return Outcome.judged(
                line,
                verdict,
                because,
                of,
                places.of(line).restored(),
                extent,
                Optional.ofNullable(seen.get(line.id())));
    }
}
