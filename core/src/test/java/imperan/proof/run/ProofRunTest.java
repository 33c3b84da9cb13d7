package imperan.proof.run;

import static imperan.proof.run.Lines.DESK;
import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.event;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.listening;
import static imperan.proof.run.Lines.mute;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.Gate;
import imperan.live.Strength;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
import imperan.proof.run.PlannedGroup.Turn;
import imperan.proof.run.ProofRun.Phase;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Mask;
import imperan.show.Phrase;
import imperan.show.ProofRule;
import imperan.show.Send;
import imperan.show.Shows;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class ProofRunTest {

    // ---- what is said, and what is put back

    @Test
    void aLineIsSaidAtItsEndsItsMiddleAndAtOddPointsAndPutBack() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a")).stands("/a", f(0.3));
        LineResult line = hall.prove(THRICE).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(line.strength()).hasValue(Strength.READ_BACK);
        assertThat(line.probes()).isEqualTo(7);
        assertThat(line.restored()).isEqualTo(Restored.YES);
        assertThat(hall.moved())
                .extracting(message -> message.arguments().get(0))
                .hasSize(8)
                .contains(f(0), f(0.5), f(1))
                .endsWith(f(0.3));
        assertThat(hall.stands.get("/a")).containsExactly(f(0.3));
    }

    @Test
    void nothingIsMovedBeforeWhatStandsIsWrittenDown() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a")).stands("/a", f(0.3));
        ProofRun run = hall.start(THRICE);
        hall.until(() -> run.phase() == Phase.READ);
        hall.hall.pass(5_000);
        run.act(hall.hall.live, 0, hall.hall.now);
        assertThat(hall.moved()).isEmpty();
        assertThat(run.toPutBack()).singleElement().satisfies(old -> {
            assertThat(old.target()).isEqualTo(Shows.DESK);
            assertThat(old.back().arguments()).containsExactly(f(0.3));
        });
        hall.toTheEnd();
        assertThat(run.toPutBack()).isEmpty();
    }

    /** An answer to what was said before can never be taken for the answer to this. */
    @Test
    void whatIsSaidNextDiffersFromWhatStands() {
        ProofHall hall =
                hall(STAND_IN, List.of(level("/a")), fader("/a"), fader("/a")).stands("/a", f(0));
        hall.prove(new Conditions(12, false, Set.of()));
        List<OscArgument> said =
                hall.moved().stream().map(message -> message.arguments().get(0)).toList();
        assertThat(said).hasSize(25);
        assertThat(said.get(0)).isNotEqualTo(f(0));
        for (int i = 1; i < said.size(); i++) {
            assertThat(said.get(i)).isNotEqualTo(said.get(i - 1));
        }
    }

    @Test
    void whatCanSayOnlyOneValueIsSaidAfterAnother() {
        ProofHall hall = hall(
                        STAND_IN,
                        List.of(mute("/m")),
                        sending("/m", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1")))
                .stands("/m", new OscArgument.Int32(1));
        assertThat(hall.prove(THRICE).get(0).verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(hall.moved())
                .extracting(message -> ((OscArgument.Int32) message.arguments().get(0)).value())
                .as("once twice in a row: what switches to and fro is no value")
                .startsWith(0, 1, 1, 0, 1, 0, 1);
        assertThat(hall.stands.get("/m")).containsExactly(new OscArgument.Int32(1));
    }

    private static Control key() {
        Control key = sending("/key", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1"));
        return key.withLines(
                List.of(
                        key.sends().get(0),
                        new Send(
                                Send.Phase.RELEASE,
                                Optional.of(Shows.DESK),
                                "/key",
                                List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "0")))),
                List.of());
    }

    /** How long it was held down each time, in milliseconds. */
    private static List<Long> held(ProofHall hall) {
        List<Long> held = new ArrayList<>();
        List<OscMessage> moved = hall.moved();
        for (int i = 0; i < moved.size(); i++) {
            if (moved.get(i).arguments().equals(List.of(new OscArgument.Int32(1)))) {
                assertThat(moved.get(i + 1).arguments()).containsExactly(new OscArgument.Int32(0));
                int from = hall.heard.indexOf(moved.get(i));
                held.add((hall.heardAt.get(from + 1) - hall.heardAt.get(from)) / Hall.MS);
            }
        }
        return held;
    }

    @Test
    void whatIsPressedAtAVenueIsReleasedInTimeThoughNothingIsAnswered() {
        Phrase mute = mute("/key");
        Phrase sweeping = new Phrase(
                mute.address(),
                mute.direction(),
                mute.arguments(),
                mute.answer(),
                mute.effect(),
                "",
                "",
                List.of(),
                ProofRule.USUAL.sweeping());
        ProofHall hall = hall(DESK, List.of(sweeping), key()).stands("/key", new OscArgument.Int32(0));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (message.arguments().isEmpty()) {
                says.accept("/key", hall.stands.get("/key"));
            }
        });
        assertThat(hall.prove(ProofHall.cleared(3)))
                .extracting(LineResult::verdict)
                .containsOnly(Verdict.NO_ANSWER);
        assertThat(held(hall)).isNotEmpty().allMatch(millis -> millis <= 205);
    }

    /** So it is known which of them an answer belongs to. */
    @Test
    void whatIsPressedAtAStandInIsHeldUntilItIsAnsweredOrNothingComes() {
        ProofHall hall = hall(STAND_IN, List.of(mute("/key")), key());
        hall.hall.does((message, bundled, says) -> hall.note(message));
        assertThat(hall.prove(THRICE)).extracting(LineResult::verdict).containsOnly(Verdict.NO_ANSWER);
        assertThat(held(hall)).isNotEmpty().allMatch(millis -> millis >= 500 && millis <= 1_600);
    }

    // ---- the order

    @Test
    void eventsComeFirstAndWhatStandsInTheWayOfOthersLast() {
        Phrase masked = level("/a").masked(List.of(Mask.own("/m", "1")));
        ProofHall hall = hall(
                STAND_IN,
                List.of(masked, mute("/m"), event("/go")),
                sending("/m", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)),
                fader("/a"),
                sending("/go", Send.Phase.PRESS));
        assertThat(hall.plan(THRICE).groups())
                .extracting(PlannedGroup::turn)
                .containsExactly(Turn.EVENTS, Turn.VALUES, Turn.MASKS);
        hall.prove(THRICE);
        assertThat(hall.heard.stream()
                        .map(OscMessage::address)
                        .distinct()
                        .filter(address -> !address.equals("/m")
                                || hall.moved().stream()
                                        .anyMatch(m -> m.address().equals("/m"))))
                .contains("/go", "/a", "/m");
        List<String> moved = hall.heard.stream()
                .filter(message ->
                        !message.arguments().isEmpty() || message.address().equals("/go"))
                .map(OscMessage::address)
                .distinct()
                .toList();
        assertThat(moved).containsExactly("/go", "/a", "/m");
    }

    /** Whatever else is said, no more than the target takes: twenty a second. */
    @Test
    void noFasterThanTheTargetTakes() {
        ProofHall hall = hall(
                STAND_IN.paced(20), List.of(level("/<n:1..4>")), fader("/1"), fader("/2"), fader("/3"), fader("/4"));
        hall.prove(THRICE);
        assertThat(hall.leastGap()).isGreaterThanOrEqualTo(48 * Hall.MS);
    }

    @Test
    void whatStandsInTheWayIsSaid() {
        ProofHall hall = hall(
                        STAND_IN,
                        List.of(level("/a").masked(List.of(Mask.own("/m", "1"))), mute("/m")),
                        fader("/a"),
                        sending("/m", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)))
                .stands("/m", new OscArgument.Int32(1));
        List<LineResult> lines = hall.prove(THRICE);
        assertThat(lines).extracting(LineResult::verdict).containsExactly(Verdict.MASKED, Verdict.CONFIRMED);
    }

    // ---- what only listens

    /** A meter speaks by itself, a lamp is asked for, a key is silent until somebody presses it, and a line that awaits its own answer is none of these. */
    @Test
    void whatOnlyListensIsHeardOrNot() {
        ProofHall hall = hall(
                        STAND_IN,
                        List.of(
                                level("/a"),
                                level("/lamp"),
                                level("/meter").going(Phrase.Direction.IN),
                                level("/key").going(Phrase.Direction.IN),
                                level("/pair")),
                        fader("/a"),
                        listening("/meter", 0),
                        listening("/lamp", 0),
                        listening("/key", 0),
                        listening("/pair", 1))
                .stands("/lamp", f(1))
                .stands("/pair", f(1));
        ProofRun run = hall.start(THRICE);
        hall.until(() -> run.phase() == Phase.READ);
        hall.hall.from(Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/meter", f(0.2)));
        hall.toTheEnd();
        assertThat(run.heard())
                .extracting(LineResult::label, LineResult::verdict)
                .containsExactly(
                        tuple("/meter", Verdict.HEARD),
                        tuple("/lamp", Verdict.HEARD),
                        tuple("/key", Verdict.NOT_HEARD),
                        tuple("/pair", Verdict.WRONG_TYPE));
        assertThat(hall.heard)
                .extracting(OscMessage::address)
                .contains("/lamp", "/pair")
                .doesNotContain("/meter");
        assertThat(Print.all(hall.hall.show)).hasSize(5);
    }

    @Test
    void atAVenueNothingIsAskedBeforeSomebodySaysThatTheStageIsClear() {
        ProofHall hall =
                hall(DESK, List.of(level("/lamp")), listening("/lamp", 0)).stands("/lamp", f(1));
        ProofRun run = hall.start(THRICE);
        hall.toTheEnd();
        assertThat(hall.heard).isEmpty();
        assertThat(run.heard()).extracting(LineResult::verdict).containsExactly(Verdict.NOT_HEARD);
    }

    // ---- what is not proved

    @Test
    void whatIsHeldIsLeftOut() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"));
        hall.hall.order(new Command.SetGate(Optional.of(Shows.DESK), Gate.HELD));
        assertThat(hall.prove(THRICE).get(0).because()).hasValue(Obstacle.HELD);
    }

    @Test
    void whatIsHeldMeanwhileIsLeftAsFarAsItCame() {
        ProofHall hall = hall(STAND_IN, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"));
        ProofRun run = hall.start(THRICE);
        hall.until(() -> run.phase() == Phase.READ);
        hall.hall.order(new Command.SetGate(Optional.of(Shows.DESK), Gate.HELD));
        assertThat(hall.toTheEnd()).allSatisfy(line -> {
            assertThat(line.verdict()).isEqualTo(Verdict.SKIPPED);
            assertThat(line.because()).hasValue(Obstacle.HELD);
        });
        assertThat(hall.moved()).isEmpty();
    }

    @Test
    void whatAHandMovesMeanwhileIsTheirs() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a")).stands("/a", f(0.3));
        ProofRun run = hall.start(new Conditions(12, false, Set.of()));
        hall.until(() -> {
            run.isWrittenDown();
            return hall.moved().size() == 4;
        });
        hall.hall.touch(Actor.of(Shows.ADA), "c0", 0.77);
        LineResult line = hall.toTheEnd().get(0);
        assertThat(line.because()).hasValue(Obstacle.MOVED_MEANWHILE);
        assertThat(line.restored()).isEqualTo(Restored.LEFT);
        assertThat(hall.stands.get("/a")).containsExactly(f(0.77));
    }

    /** A desk where somebody moves the real thing: it tells of that beside what it answers, or between. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void whatAHandMovesAtTheTargetIsTheirs(boolean whileAwaited) {
        ProofHall hall = hall(DESK, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"))
                .stands("/1", f(0.3))
                .stands("/2", f(0.4));
        if (whileAwaited) {
            hall.hall.does((message, bundled, says) -> {
                if (hall.moved().size() == 2) {
                    hall.stands("/1", f(0.9));
                    says.accept("/1", List.of(f(0.9)));
                }
                hall.takes(message, bundled, says);
            });
        }
        ProofRun run = hall.start(ProofHall.cleared(8));
        hall.until(() -> {
            run.isWrittenDown();
            return hall.moved().size() == 3;
        });
        if (!whileAwaited) {
            hall.hall.from(Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/2", f(0.8)));
        }
        List<LineResult> lines = hall.toTheEnd();
        LineResult theirs = lines.get(whileAwaited ? 0 : 1);
        assertThat(theirs.because()).hasValue(Obstacle.MOVED_MEANWHILE);
        assertThat(theirs.restored()).isNotIn(Restored.YES, Restored.UNCONFIRMED);
        assertThat(lines.get(whileAwaited ? 1 : 0).verdict()).isEqualTo(Verdict.CONFIRMED);
    }

    @Test
    void whatWouldSilenceWhatAHandMovesIsLeftOut() {
        Phrase masked = level("/<n:1..2>").masked(List.of(Mask.own("/m<n:1..2>", "1"), Mask.other("/s<n:1..2>", "1")));
        ProofHall hall = hall(
                STAND_IN,
                List.of(masked, mute("/m<n:1..2>"), mute("/s<n:1..2>")),
                fader("/1"),
                sending("/m1", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)),
                sending("/m2", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)),
                sending("/s1", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)),
                sending("/s2", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1)));
        ProofRun run = hall.start(THRICE);
        hall.until(() -> {
            run.isWrittenDown();
            return !hall.moved().isEmpty();
        });
        hall.hall.touch(Actor.of(Shows.ADA), "c0", 0.77);
        List<LineResult> lines = hall.toTheEnd();
        assertThat(lines)
                .filteredOn(line -> line.because().isPresent())
                .extracting(LineResult::address, line -> line.because().orElseThrow())
                .containsExactlyInAnyOrder(
                        tuple("/1", Obstacle.MOVED_MEANWHILE),
                        tuple("/m1", Obstacle.MOVED_BESIDE),
                        tuple("/s2", Obstacle.MOVED_BESIDE));
        assertThat(hall.moved())
                .extracting(OscMessage::address)
                .doesNotContain("/m1", "/s2")
                .contains("/m2", "/s1");
    }

    @Test
    void whatThisMachineLostJudgesNothing() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            hall.lostHere++;
        });
        assertThat(hall.prove(THRICE).get(0).verdict()).isEqualTo(Verdict.NOT_JUDGED);
    }

    /** What arrives takes a millisecond. */
    private static Phrase late(Phrase phrase) {
        return new Phrase(
                phrase.address(),
                phrase.direction(),
                phrase.arguments(),
                phrase.answer().within(0.0005),
                phrase.effect(),
                "",
                "",
                List.of(),
                ProofRule.USUAL);
    }

    /** It may have come in time, and was not looked at. */
    @Test
    void whatCameLateWhileThisMachineLostSomethingJudgesNothing() {
        ProofHall hall = hall(STAND_IN, List.of(late(level("/a"))), fader("/a"));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (hall.heard.size() % 2 == 0) {
                hall.lostHere++;
            }
            says.accept(message.address(), message.arguments());
        });
        LineResult line = hall.prove(new Conditions(12, false, Set.of())).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.LATE);
        assertThat(line.probes()).isBetween(1, 7);
    }

    @Test
    void whereNothingComesForSomeTheyAreLost() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"));
        hall.hall.does((message, bundled, says) -> {
            if (message.arguments().isEmpty() || hall.moved().size() % 3 != 2) {
                hall.takes(message, bundled, says);
            } else {
                hall.note(message);
            }
        });
        LineResult line = hall.prove(new Conditions(12, false, Set.of())).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.LOST);
        assertThat(line.probes()).isEqualTo(12);
        assertThat(line.answered()).isEqualTo(8);
    }

    /** What a desk may do to what it hears, and what is to be said of that. */
    private enum Habit {
        LATE(Verdict.LATE),
        HALVES(Verdict.WRONG_VALUE),
        IN_WORDS(Verdict.WRONG_TYPE),
        ELSEWHERE(Verdict.OTHER_ADDRESS),
        CLOSED(Verdict.PORT_CLOSED),
        MUTE(Verdict.NO_ANSWER);

        private final Verdict verdict;

        Habit(Verdict verdict) {
            this.verdict = verdict;
        }
    }

    @ParameterizedTest
    @EnumSource(Habit.class)
    void whatEachAnswerSaysOfTheLine(Habit habit) {
        Phrase phrase = level("/a");
        Phrase late = late(phrase);
        ProofHall hall = hall(STAND_IN, List.of(habit == Habit.LATE ? late : phrase), fader("/a"))
                .stands("/a", f(0.3));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            boolean probe = !message.arguments().isEmpty();
            double value = probe ? ((OscArgument.Float32) message.arguments().get(0)).value() : 0.3;
            switch (probe ? habit : Habit.LATE) {
                case LATE -> says.accept(message.address(), List.of(f(value)));
                case HALVES -> says.accept(message.address(), List.of(f(value / 2 + 0.2)));
                case IN_WORDS -> says.accept(message.address(), List.of(new OscArgument.Text("loud")));
                case ELSEWHERE -> says.accept("/other", message.arguments());
                case CLOSED -> hall.hall.live.portClosed(Shows.DESK, hall.hall.now);
                case MUTE -> {}
            }
        });
        LineResult line = hall.prove(THRICE).get(0);
        assertThat(line.verdict()).isEqualTo(habit.verdict);
        assertThat(line.answered()).isZero();
        assertThat(line.probes()).isBetween(1, habit == Habit.HALVES ? 4 : 3);
        assertThat(line.sent()).isIn("0.0", "0.5", "1.0");
        boolean answered = habit == Habit.LATE || habit == Habit.HALVES || habit == Habit.IN_WORDS;
        assertThat(line.worst().isPresent()).isEqualTo(answered);
        assertThat(line.said().isEmpty()).isEqualTo(!answered);
        if (answered) {
            assertThat(line.median().orElseThrow()).isBetween(1L, line.worst().orElseThrow());
        }
    }

    /** While others are still asked where they stand, this one is moved at the desk: that is where it goes back to. */
    @Test
    void whatIsToldBeforeAnythingIsMovedIsWhatStands() {
        ProofHall hall = hall(STAND_IN, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"))
                .stands("/1", f(0.3));
        ProofRun run = hall.start(THRICE);
        hall.until(() -> hall.heard.stream()
                        .filter(message -> message.address().equals("/2"))
                        .count()
                > 1);
        hall.hall.pass(100);
        run.act(hall.hall.live, 0, hall.hall.now);
        assertThat(run.phase()).isEqualTo(Phase.READING);
        hall.stands("/1", f(0.6));
        hall.hall.from(Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/1", f(0.6)));
        LineResult line = hall.toTheEnd().get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(line.restored()).isEqualTo(Restored.YES);
        assertThat(hall.stands.get("/1")).containsExactly(f(0.6));
    }

    /** Two outputs that are joined move each other, though each of them is a line of its own. */
    @Test
    void whatAnotherLineMovedAfterItWasPutBackIsPutBackOnceMore() {
        ProofHall hall = hall(
                        STAND_IN,
                        List.of(level("/a"), level("/b").proved(ProofRule.USUAL.atMost(3)), mute("/join")),
                        fader("/a"),
                        fader("/b"),
                        sending("/join", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1")))
                .stands("/a", f(0.2))
                .stands("/b", f(0.7))
                .stands("/join", new OscArgument.Int32(0));
        int[] moved = {0};
        hall.hall.does((message, bundled, says) -> {
            hall.takes(message, bundled, says);
            // late in the proof, when the other one is done
            if (message.address().equals("/a") && !message.arguments().isEmpty() && moved[0]++ == 8) {
                hall.stands.put("/b", message.arguments());
                says.accept("/b", message.arguments());
            }
        });
        List<LineResult> lines = hall.prove(new Conditions(12, false, Set.of()));
        assertThat(moved[0]).isGreaterThan(9);
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.CONFIRMED);
        assertThat(hall.stands.get("/b")).containsExactly(f(0.7));
        assertThat(hall.stands.get("/a")).containsExactly(f(0.2));
    }

    /** A look that rises after its key was proved is nobody's hand: the level is proved, and stands in the end as it did before. */
    @Test
    void whatAnEventMovesLaterAtAStandInIsNobodysHand() {
        List<Phrase> phrases = new ArrayList<>(List.of(Lines.event("/go"), level("/<n:0..10>/a")));
        List<Control> controls = new ArrayList<>(List.of(sending("/go", Send.Phase.PRESS)));
        for (int i = 0; i <= 10; i++) {
            controls.add(fader("/" + i + "/a"));
        }
        ProofHall hall = hall(STAND_IN, phrases, controls.toArray(Control[]::new));
        for (int i = 0; i <= 10; i++) {
            hall.stands("/" + i + "/a", f(0.2));
        }
        hall.hall.does((message, bundled, says) -> {
            hall.takes(message, bundled, says);
            if (message.address().equals("/go")) {
                says.accept("/go", List.of());
                // no more than eight are proved at once: this one waits
                hall.stands.put("/10/a", List.of(f(0.9)));
                hall.hall.later(4, "/10/a", List.of(f(0.9)));
            }
        });
        List<LineResult> lines = hall.prove(new Conditions(3, false, Set.of()));
        assertThat(lines).extracting(LineResult::because).containsOnly(Optional.empty());
        assertThat(lines)
                .filteredOn(line -> line.address().equals("/10/a"))
                .extracting(LineResult::verdict)
                .containsExactly(Verdict.CONFIRMED);
        assertThat(hall.stands.get("/10/a")).containsExactly(f(0.2));
    }
}
