package imperan.cue;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.Cue;
import imperan.show.PartId;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** One cue list at work: what each order does to it, what follows, what is due when. */
class ListRunTest {

    private static final long SECOND = 1_000_000_000L;
    private static final long STEP = 20_000_000L;

    private final ListRun run = new ListRun();
    private long now = 100 * SECOND;
    /** What was done, such as {@code 1.5/0}: the cue and which of its actions. */
    private final List<String> done = new ArrayList<>();

    private static Cue cue(String number, double... delays) {
        List<CueAction> actions = new ArrayList<>();
        for (double delay : delays) {
            actions.add(new CueAction.SayLine(delay, Optional.empty(), "/x", List.of()));
        }
        return Cue.plain(number, "").doing(actions);
    }

    private static Cue fading(String number, double seconds) {
        return Cue.plain(number, "")
                .doing(List.of(new CueAction.BringControl(0, Optional.empty(), List.of(1.0), seconds, FadeCurve.EVEN)));
    }

    private void list(Cue... cues) {
        run.follow(
                List.of(cues).stream()
                        .sorted(Comparator.comparing(Cue::decimal))
                        .map(cue -> new ListRun.Entry(id(cue.number()), cue))
                        .toList(),
                0.3);
    }

    private static PartId id(String number) {
        return new PartId("c" + number.replace('.', '_'));
    }

    /** Time passes, and all that is due is done; lines are done at once, fades begin. */
    private void pass(double seconds) {
        long end = now + Math.round(seconds * SECOND);
        while (true) {
            work();
            if (run.due() > end) {
                break;
            }
            now = Math.max(now, run.due());
        }
        now = end;
        work();
    }

    private void work() {
        for (Optional<Happening> next = run.next(now); next.isPresent(); next = run.next(now)) {
            if (next.get() instanceof Happening.Begins begins) {
                Running running = begins.running();
                done.add(running.cue().number() + "/" + begins.action());
                if (running.action(begins.action()).seconds() > 0) {
                    run.fades(running, begins.action(), FadeCurve.EVEN, STEP, now);
                } else {
                    run.becomes(running, begins.action(), Outcome.DONE);
                }
            } else if (next.get() instanceof Happening.Steps steps && steps.last()) {
                done.add(steps.running().cue().number() + " ends");
                run.becomes(steps.running(), steps.action(), Outcome.DONE);
            }
        }
    }

    private Optional<Refusal> go() {
        Optional<Refusal> refused = run.go(Optional.empty(), now);
        pass(0.5);
        return refused;
    }

    @Test
    void goFiresTheNextOneAndBackAndJumpOnlyPoint() {
        list(cue("0"), cue("1", 0), cue("1.5", 0), cue("2", 0));
        assertThat(run.next()).hasValue(id("0"));
        go();
        go();
        assertThat(done).containsExactly("1/0");
        assertThat(run.next()).hasValue(id("1.5"));
        assertThat(run.last()).hasValue(id("1"));
        run.back();
        assertThat(run.next()).hasValue(id("1"));
        run.jump(id("2"));
        pass(1);
        assertThat(done).containsExactly("1/0");
        go();
        assertThat(done).containsExactly("1/0", "2/0");
        assertThat(run.next()).isEmpty();
        assertThat(go()).hasValue(Refusal.AT_END);
        run.back();
        assertThat(run.next()).as("from the end the last one").hasValue(id("2"));
    }

    @Test
    void aGoForAnotherCueThanTheNextOneAndOneThatComesTooSoonDoNothing() {
        list(cue("1", 0), cue("2", 0));
        assertThat(run.go(Optional.of(id("2")), now)).hasValue(Refusal.MOVED_SINCE);
        assertThat(run.go(Optional.of(id("1")), now)).isEmpty();
        assertThat(run.go(Optional.of(id("2")), now + SECOND / 10)).hasValue(Refusal.TOO_SOON);
        assertThat(run.go(Optional.of(id("2")), now + SECOND)).isEmpty();
    }

    @Test
    void actionsBeginAfterTheirDelaysInTheirOrder() {
        list(cue("1", 2, 0, 1, 0));
        go();
        assertThat(done).containsExactly("1/1", "1/3");
        pass(2);
        assertThat(done).containsExactly("1/1", "1/3", "1/2", "1/0");
        assertThat(run.running()).isEmpty();
        assertThat(run.over()).hasSize(1);
    }

    @Test
    void theNextOneFollowsAfterAWaitOrTogether() {
        list(
                cue("1", 0).followed(CueFollow.after(2)),
                cue("2", 0).followed(CueFollow.together()),
                cue("3", 0),
                cue("4", 0));
        go();
        assertThat(done).containsExactly("1/0");
        pass(1.4);
        assertThat(done).containsExactly("1/0");
        pass(0.2);
        assertThat(done).containsExactly("1/0", "2/0", "3/0");
        assertThat(run.next()).hasValue(id("4"));
    }

    @Test
    void whoGoesOnByHandOrPointsElsewhereIsNotFollowed() {
        list(cue("1", 0).followed(CueFollow.after(2)), cue("2", 0), cue("3", 0));
        go();
        go();
        pass(5);
        assertThat(done).containsExactly("1/0", "2/0");
        run.reset(now);
        go();
        run.jump(id("3"));
        pass(5);
        assertThat(done).containsExactly("1/0", "2/0", "1/0");
    }

    @Test
    void theNextOneWaitsForTheAnswersOrForAHand() {
        list(
                cue("1", 0).followed(CueFollow.answered(1, false)),
                cue("2", 0).followed(CueFollow.answered(1, true)),
                cue("3", 0));
        run.go(Optional.empty(), now);
        Running first = ((Happening.Begins) run.next(now).orElseThrow()).running();
        run.becomes(first, 0, Outcome.SAID);
        pass(0.5);
        assertThat(run.next()).hasValue(id("2"));
        run.becomes(first, 0, Outcome.ANSWERED);
        run.next(now);
        assertThat(run.next()).as("it follows").hasValue(id("3"));
        run.reset(now);
        run.go(Optional.empty(), now + SECOND);
        now += SECOND;
        Running again = ((Happening.Begins) run.next(now).orElseThrow()).running();
        run.becomes(again, 0, Outcome.FELL_SHORT);
        pass(5);
        assertThat(run.next()).as("it waits for a hand").hasValue(id("2"));
        run.go(Optional.empty(), now);
        Running second = ((Happening.Begins) run.next(now).orElseThrow()).running();
        run.becomes(second, 0, Outcome.SAID);
        pass(2);
        assertThat(done).as("the limit has passed, and it goes on").endsWith("3/0");
    }

    @Test
    void pauseFreezesFadesAndWaitsAndResumeGoesOnFromThere() {
        list(fading("1", 4).followed(CueFollow.after(5)), cue("2", 0));
        go();
        pass(1.5);
        assertThat(run.pause(now)).isEmpty();
        pass(60);
        assertThat(done).containsExactly("1/0");
        assertThat(run.due()).isEqualTo(Long.MAX_VALUE);
        assertThat(run.go(Optional.empty(), now)).hasValue(Refusal.PAUSED);
        run.resume(now);
        pass(1.9);
        assertThat(done).containsExactly("1/0");
        pass(0.2);
        assertThat(done).containsExactly("1/0", "1 ends");
        pass(1);
        assertThat(done).containsExactly("1/0", "1 ends", "2/0");
    }

    @Test
    void stopEndsWaitsAndFadesAndLeavesThePointer() {
        list(fading("1", 4).followed(CueFollow.after(5)), cue("2", 0, 3), cue("3", 0));
        go();
        run.stop();
        pass(10);
        assertThat(done).containsExactly("1/0");
        assertThat(run.over().get(0).outcome(0)).isEqualTo(Outcome.STOPPED);
        assertThat(run.next()).hasValue(id("2"));
    }

    @Test
    void resetGoesToTheStartAndFiresTheZeroCue() {
        list(cue("0", 0), cue("1", 0, 9), cue("2", 0));
        go();
        go();
        run.reset(now);
        pass(20);
        assertThat(done).containsExactly("0/0", "1/0", "0/0");
        assertThat(run.next()).hasValue(id("1"));
        list(cue("1", 0), cue("2", 0));
        run.reset(now);
        pass(1);
        assertThat(done).as("without one nothing is fired").hasSize(3);
        assertThat(run.next()).hasValue(id("1"));
    }

    @Test
    void firingOneMovesNothingAndNothingFollowsIt() {
        list(cue("1", 0), cue("2", 0).followed(CueFollow.together()), cue("3", 0));
        run.fire(id("2"), now);
        pass(5);
        assertThat(done).containsExactly("2/0");
        assertThat(run.next()).hasValue(id("1"));
        assertThat(run.fire(id("9"), now)).hasValue(Refusal.NO_SUCH_CUE);
    }

    @Test
    void aCueRunsAsItWasAndThePointerIsKeptThroughEdits() {
        list(cue("1", 0, 1), cue("2", 0), cue("3", 0));
        go();
        list(cue("1"), cue("1.2", 0), cue("3", 0));
        pass(2);
        assertThat(done).as("as it was at its go").containsExactly("1/0", "1/1");
        assertThat(run.next()).as("what comes where the one that is gone was").hasValue(id("3"));
        list(cue("1"), cue("1.2", 0));
        assertThat(run.next()).isEmpty();
        list(cue("1"), cue("1.2", 0), cue("4", 0));
        assertThat(run.next()).as("what was added behind the end").hasValue(id("4"));
    }

    @Test
    void moreThanAHundredWithoutTimeBetweenAreStopped() {
        List<Cue> many = new ArrayList<>();
        for (int i = 1; i <= 150; i++) {
            many.add(cue(String.valueOf(i), 0).followed(CueFollow.together()));
        }
        list(many.toArray(Cue[]::new));
        go();
        assertThat(done).hasSize(ListRun.MOST_AT_ONCE);
        assertThat(run.isBroken()).isTrue();
        pass(1);
        assertThat(run.running()).isEmpty();
    }

    // ---- every order in every state

    /** The states in which a list can be: at its start, in the midst of a fade, that paused, with a cue that follows, at its end. */
    private enum State {
        START,
        FADING,
        PAUSED,
        FOLLOWING,
        END
    }

    private void bring(State state) {
        list(fading("1", 4), cue("2", 0).followed(CueFollow.after(9)), cue("3", 0));
        switch (state) {
            case START -> {}
            case FADING -> go();
            case PAUSED -> {
                go();
                run.pause(now);
            }
            case FOLLOWING -> {
                run.jump(id("2"));
                go();
            }
            case END -> {
                run.jump(id("3"));
                go();
            }
        }
        done.clear();
    }

    /** What comes of each order in each state: what is next, what runs and what was done within ten seconds; or why it does nothing. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "START | GO | 2 | 1/0, 1 ends", "START | BACK | AT_START |", "START | JUMP | 3 |",
                        "START | FIRE | 1 | 3/0", "START | PAUSE | NOTHING_RUNS |", "START | RESUME | NOTHING_RUNS |",
                        "START | STOP | 1 |", "START | RESET | 1 |",
                "FADING | GO | - | 2/0, 1 ends, 3/0", "FADING | BACK | 1 | 1 ends", "FADING | JUMP | 3 | 1 ends",
                        "FADING | FIRE | 2 | 3/0, 1 ends", "FADING | PAUSE | 2 |",
                        "FADING | RESUME | NOTHING_RUNS | 1 ends", "FADING | STOP | 2 |", "FADING | RESET | 1 |",
                "PAUSED | GO | PAUSED |", "PAUSED | BACK | 1 |", "PAUSED | JUMP | 3 |", "PAUSED | FIRE | PAUSED |",
                        "PAUSED | PAUSE | PAUSED |", "PAUSED | RESUME | 2 | 1 ends", "PAUSED | STOP | 2 |",
                        "PAUSED | RESET | 1 |",
                "FOLLOWING | GO | - | 3/0", "FOLLOWING | BACK | 2 |", "FOLLOWING | JUMP | 3 |",
                        "FOLLOWING | FIRE | - | 3/0, 3/0", "FOLLOWING | PAUSE | 3 |",
                        "FOLLOWING | RESUME | NOTHING_RUNS | 3/0", "FOLLOWING | STOP | 3 |", "FOLLOWING | RESET | 1 |",
                "END | GO | AT_END |", "END | BACK | 3 |", "END | JUMP | 3 |", "END | FIRE | - | 3/0",
                        "END | PAUSE | NOTHING_RUNS |", "END | RESUME | NOTHING_RUNS |", "END | STOP | - |",
                        "END | RESET | 1 |"
            })
    void everyOrderInEveryState(State state, String order, String comes, String does) {
        bring(state);
        now += SECOND;
        Optional<Refusal> refused =
                switch (order) {
                    case "GO" -> run.go(Optional.empty(), now);
                    case "BACK" -> run.back();
                    case "JUMP" -> run.jump(id("3"));
                    case "FIRE" -> run.fire(id("3"), now);
                    case "PAUSE" -> run.pause(now);
                    case "RESUME" -> run.resume(now);
                    case "STOP" -> {
                        run.stop();
                        yield Optional.empty();
                    }
                    default -> {
                        run.reset(now);
                        yield Optional.empty();
                    }
                };
        pass(10);
        if (refused.isPresent()) {
            assertThat(refused.get().name()).isEqualTo(comes);
        } else {
            assertThat(run.next().map(PartId::value).orElse("-")).isEqualTo(comes.equals("-") ? "-" : "c" + comes);
        }
        assertThat(String.join(", ", done)).isEqualTo(does == null ? "" : does);
    }

    // ---- at random

    /** Whatever is ordered, edited and left to time: no action is done twice by one firing, none is lost, no fade goes beyond its end, and all of it ends. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void atRandom(long seed) {
        for (int hour = 0; hour < 10; hour++) {
            new Hours(seed * 100 + hour).play();
        }
    }

    private static final class Hours {
        private final Random random;
        private final ListRun run = new ListRun();
        private final Map<String, Integer> begun = new TreeMap<>();
        private final Map<String, Double> shares = new TreeMap<>();
        private long now = SECOND;
        private List<Cue> cues = new ArrayList<>();

        private Hours(long seed) {
            random = new Random(seed);
        }

        private void play() {
            edit();
            for (int i = 0; i < 400; i++) {
                order();
                long until = now + (long) (random.nextDouble() * 4 * SECOND);
                while (run.due() <= until) {
                    now = Math.max(now, run.due());
                    work();
                }
                now = until;
                work();
            }
            run.resume(now);
            for (int i = 0; i < 100_000 && run.due() != Long.MAX_VALUE; i++) {
                now = Math.max(now, run.due());
                work();
            }
            assertThat(run.due()).as("all ends").isEqualTo(Long.MAX_VALUE);
            assertThat(begun.values()).allMatch(times -> times == 1);
        }

        private void edit() {
            if (cues.isEmpty() || random.nextInt(3) == 0) {
                String number = random.nextInt(30) + "." + random.nextInt(10);
                CueFollow follow = List.of(
                                CueFollow.BY_HAND,
                                CueFollow.after(random.nextDouble() * 5),
                                CueFollow.together(),
                                CueFollow.answered(1 + random.nextDouble(), random.nextBoolean()))
                        .get(random.nextInt(4));
                Cue made = (random.nextBoolean()
                                ? cue(number, random.nextDouble() * 3, 0)
                                : fading(number, random.nextDouble() * 6))
                        .followed(follow);
                cues.removeIf(other -> other.decimal().compareTo(made.decimal()) == 0);
                cues.add(made);
            } else {
                cues.remove(random.nextInt(cues.size()));
            }
            run.follow(
                    cues.stream()
                            .sorted(Comparator.comparing(Cue::decimal))
                            .map(cue -> new ListRun.Entry(id(cue.number()), cue))
                            .collect(Collectors.toList()),
                    random.nextDouble());
            assertThat(run.next().filter(next -> cues.stream()
                            .noneMatch(cue -> id(cue.number()).equals(next))))
                    .as("the next one is in the list")
                    .isEmpty();
        }

        private void order() {
            switch (random.nextInt(10)) {
                case 0 -> run.back();
                case 1 -> cues.stream().findAny().ifPresent(cue -> run.jump(id(cue.number())));
                case 2 -> cues.stream().findAny().ifPresent(cue -> run.fire(id(cue.number()), now));
                case 3 -> run.pause(now);
                case 4 -> run.resume(now);
                case 5 -> {
                    if (random.nextInt(4) == 0) {
                        run.stop();
                        assertThat(run.due()).as("nothing waits any more").isEqualTo(Long.MAX_VALUE);
                    }
                }
                case 6 -> run.reset(now);
                case 7 -> edit();
                default -> run.go(random.nextBoolean() ? run.next() : Optional.empty(), now);
            }
            work();
        }

        private void work() {
            for (Optional<Happening> next = run.next(now); next.isPresent(); next = run.next(now)) {
                if (next.get() instanceof Happening.Begins begins) {
                    begun.merge(begins.running().number() + "/" + begins.action(), 1, Integer::sum);
                    if (begins.running().action(begins.action()).seconds() > 0) {
                        run.fades(begins.running(), begins.action(), FadeCurve.SLOW_ENDS, STEP, now);
                    } else {
                        run.becomes(
                                begins.running(),
                                begins.action(),
                                random.nextInt(5) == 0 ? Outcome.FELL_SHORT : Outcome.DONE);
                    }
                } else if (next.get() instanceof Happening.Steps steps) {
                    String key = steps.running().number() + "/" + steps.action();
                    assertThat(steps.share()).isBetween(shares.getOrDefault(key, 0.0), 1.0);
                    assertThat(steps.last()).isEqualTo(steps.share() == 1);
                    shares.put(key, steps.share());
                    if (steps.last()) {
                        run.becomes(steps.running(), steps.action(), Outcome.DONE);
                    }
                }
            }
        }
    }

    @Test
    void aListThatFollowsByTimeDoesNotDrift() {
        list(cue("1", 0).followed(CueFollow.after(1)), cue("2", 0).followed(CueFollow.after(1)), cue("3", 0));
        run.go(Optional.empty(), now);
        long begun = now;
        work();
        for (int i = 0; i < 2; i++) {
            // whoever gives it its turns is late by a third of a second each time
            now = run.due() + SECOND / 3;
            work();
        }
        assertThat(run.over().stream().map(each -> each.firedAt() - begun).toList())
                .containsExactly(2 * SECOND, SECOND, 0L);
    }

    @Test
    void whatWasHeldUpForLongIsNotMadeUpFor() {
        list(cue("1", 0).followed(CueFollow.after(1)), cue("2", 0).followed(CueFollow.after(1)), cue("3", 0));
        run.go(Optional.empty(), now);
        work();
        now += 3600 * SECOND;
        work();
        assertThat(done)
                .as("the second counts as fired a second ago, and the third follows it")
                .containsExactly("1/0", "2/0", "3/0");
        assertThat(run.over().get(1).firedAt()).isEqualTo(now - SECOND);
    }

    @ParameterizedTest
    @CsvSource({"1, 0.3", "4, 0.075", "1000, 0.0003"})
    void itsSpeedCountsForWaitsFadesAndTheGuard(double speed, double guard) {
        list(cue("1", 2).followed(CueFollow.after(4)), fading("2", 8));
        run.speed(speed);
        run.go(Optional.empty(), now);
        assertThat(run.guardedUntil() - now).isEqualTo(Math.round(guard * SECOND));
        long begun = now;
        pass(4 / speed);
        assertThat(done).containsExactly("1/0", "2/0");
        assertThat(run.running().get(0).endsAt() - begun).isEqualTo(Math.round(12 / speed * SECOND));
        assertThat(run.running().get(0).dueAt(0) - begun).isEqualTo(Math.round(12 / speed * SECOND));
        pass(8 / speed);
        assertThat(run.running()).isEmpty();
    }

    @Test
    void whatIsOverIsToldOnce() {
        list(cue("1", 0), cue("2", 0));
        run.go(Optional.empty(), now);
        pass(1);
        run.go(Optional.empty(), now);
        pass(1);
        assertThat(run.takeEnded()).extracting(each -> each.cue().number()).containsExactly("1", "2");
        assertThat(run.takeEnded()).isEmpty();
    }
}
