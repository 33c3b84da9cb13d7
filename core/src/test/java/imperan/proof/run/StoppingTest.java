package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
import imperan.proof.run.ProofRun.Phase;
import imperan.proof.run.ProofRun.Question;
import imperan.show.AnswerRule;
import imperan.show.Phrase;
import imperan.show.Phrase.Effect;
import imperan.show.ProofRule;
import imperan.show.Send;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** How a proof is stopped and frozen, and what a person is asked meanwhile. */
class StoppingTest {

    // ---- how it is stopped

    private ProofHall midway(List<ProofRun> started) {
        ProofHall hall = hall(STAND_IN, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"))
                .stands("/1", f(0.3))
                .stands("/2", f(0.4));
        ProofRun run = hall.start(new Conditions(12, false, Set.of()));
        started.add(run);
        hall.until(() -> {
            run.isWrittenDown();
            return hall.moved().size() >= 5;
        });
        return hall;
    }

    @Test
    void stoppedItPutsBackAndSaysNothingElse() {
        List<ProofRun> run = new ArrayList<>();
        ProofHall hall = midway(run);
        int before = hall.moved().size();
        run.get(0).stop();
        List<LineResult> lines = hall.toTheEnd();
        assertThat(hall.moved().subList(before, hall.moved().size()))
                .extracting(message -> message.arguments().get(0))
                .containsExactlyInAnyOrder(f(0.3), f(0.4));
        assertThat(lines).allSatisfy(line -> assertThat(line.because()).hasValue(Obstacle.STOPPED));
        assertThat(lines).extracting(LineResult::restored).containsOnly(Restored.YES);
        assertThat(run.get(0).wasStopped()).isTrue();
    }

    @Test
    void stoppedWhileItAsksItLeavesOutWhatWasAsked() {
        ProofHall hall = oneWay();
        ProofRun run = hall.start(new Conditions(3, true, Set.of()));
        hall.until(() -> {
            run.isWrittenDown();
            return run.phase() == Phase.ASKING;
        });
        assertThat(run.nextDue()).as("a person has time").isEqualTo(Long.MAX_VALUE);
        run.seen(true);
        hall.until(() -> run.phase() == Phase.ASKING);
        run.stop();
        List<LineResult> lines = hall.toTheEnd();
        assertThat(lines).extracting(LineResult::verdict).containsExactly(Verdict.WITNESSED, Verdict.SKIPPED);
        assertThat(lines.get(1).because()).hasValue(Obstacle.STOPPED);
        assertThat(run.done()).isEqualTo(2);
        run.stop();
        assertThat(run.phase()).isEqualTo(Phase.ENDED);
    }

    /** The desk falls silent just before its old values come: they were sent three times, and stay to be put back. */
    @Test
    void whatIsNotConfirmedToBeBackStaysToBePutBack() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a")).stands("/a", f(0.3));
        hall.hall.does((message, bundled, says) -> {
            if (message.arguments().equals(List.of(f(0.3)))) {
                hall.note(message);
            } else {
                hall.takes(message, bundled, says);
            }
        });
        ProofRun run = hall.start(THRICE);
        LineResult line = hall.toTheEnd().get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(line.restored()).isEqualTo(Restored.UNCONFIRMED);
        assertThat(hall.moved())
                .filteredOn(message -> message.arguments().equals(List.of(f(0.3))))
                .hasSize(3);
        assertThat(run.toPutBack()).extracting(old -> old.back().arguments()).containsExactly(List.of(f(0.3)));
    }

    @Test
    void whatWasCountedOfATarget() {
        ProofHall hall = hall(STAND_IN, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (!message.address().equals("/2")) {
                says.accept(message.address(), message.arguments());
            }
        });
        ProofRun run = hall.start(new Conditions(12, false, Set.of()));
        hall.toTheEnd();
        assertThat(run.said())
                .as("all but the two questions with which the target is found")
                .isEqualTo(hall.heard.size() - 2);
        assertThat(run.figures()).singleElement().satisfies(figures -> {
            assertThat(figures.name()).isEqualTo("Desk");
            assertThat(figures.standIn()).isTrue();
            assertThat(figures.loss().of()).isEqualTo(15);
            assertThat(figures.loss().lost()).isEqualTo(3);
        });
    }

    @Test
    void frozenItLeavesAllAsItIs() {
        List<ProofRun> run = new ArrayList<>();
        ProofHall hall = midway(run);
        int before = hall.moved().size();
        run.get(0).freeze();
        List<LineResult> lines = hall.toTheEnd();
        assertThat(hall.moved()).hasSize(before);
        assertThat(lines).extracting(LineResult::restored).containsOnly(Restored.LEFT);
        assertThat(run.get(0).toPutBack())
                .extracting(old -> old.back().address())
                .containsExactlyInAnyOrder("/1", "/2");
    }

    // ---- what a person is asked

    private ProofHall oneWay() {
        Phrase oneWay = level("/lamp");
        oneWay = new Phrase(
                oneWay.address(),
                Phrase.Direction.OUT,
                oneWay.arguments(),
                AnswerRule.usual(AnswerRule.Kind.NONE),
                Effect.VALUE,
                "",
                "",
                List.of(),
                ProofRule.USUAL);
        return hall(
                STAND_IN, List.of(oneWay, level("/danger").doing(Effect.DANGEROUS)), fader("/lamp"), fader("/danger"));
    }

    @Test
    void whatCannotAnswerIsSaidAndNotProvedWhereNobodyLooks() {
        ProofHall hall = oneWay();
        List<LineResult> lines = hall.prove(THRICE);
        assertThat(lines).extracting(LineResult::verdict).containsExactly(Verdict.ONE_WAY, Verdict.SKIPPED);
        assertThat(hall.moved()).hasSize(1);
    }

    @ParameterizedTest
    @EnumSource(
            value = Verdict.class,
            names = {"WITNESSED", "NOT_SEEN"})
    void whatCannotAnswerIsWitnessed(Verdict verdict) {
        ProofHall hall = oneWay();
        ProofRun run = hall.start(new Conditions(3, true, Set.of()));
        hall.until(() -> {
            run.isWrittenDown();
            return run.phase() == Phase.ASKING;
        });
        assertThat(run.asking().orElseThrow().question()).isEqualTo(Question.SEEN);
        run.seen(verdict == Verdict.WITNESSED);
        hall.until(() -> run.phase() == Phase.ASKING);
        assertThat(run.asking().orElseThrow().question()).isEqualTo(Question.SEND);
        assertThat(run.asking().orElseThrow().line().send().address()).isEqualTo("/danger");
        run.leaveOut();
        List<LineResult> lines = hall.toTheEnd();
        assertThat(lines).extracting(LineResult::verdict).containsExactly(verdict, Verdict.SKIPPED);
        assertThat(lines.get(1).because()).hasValue(Obstacle.LEFT_OUT);
    }

    /** A bell that may be struck twice in one proof: once by itself, once more for who did not look. */
    @Test
    void whatMayStartSoOftenIsNotSentOnceMore() {
        Phrase bell = new Phrase(
                "/bell",
                Phrase.Direction.OUT,
                List.of(),
                AnswerRule.usual(AnswerRule.Kind.NONE),
                Effect.EVENT,
                "",
                "",
                List.of(),
                ProofRule.USUAL.atMost(2).spaced(3));
        ProofHall hall = hall(STAND_IN, List.of(bell), sending("/bell", Send.Phase.PRESS));
        ProofRun run = hall.start(new Conditions(3, true, Set.of()));
        hall.until(() -> {
            run.isWrittenDown();
            return run.phase() == Phase.ASKING;
        });
        assertThat(run.asking().orElseThrow().again()).isTrue();
        long first = hall.heardAt.get(hall.heardAt.size() - 1);
        run.send();
        hall.until(() -> run.phase() == Phase.ASKING);
        assertThat(hall.heard.stream().filter(message -> message.address().equals("/bell")))
                .hasSize(2);
        assertThat(hall.heardAt.get(hall.heardAt.size() - 1) - first).isGreaterThanOrEqualTo(3_000 * Hall.MS);
        assertThat(run.asking().orElseThrow().question()).isEqualTo(Question.SEEN);
        assertThat(run.asking().orElseThrow().again()).isFalse();
        run.send();
        assertThat(run.phase()).as("nothing more is sent").isEqualTo(Phase.ASKING);
        run.seen(true);
        assertThat(hall.toTheEnd()).extracting(LineResult::verdict).containsExactly(Verdict.WITNESSED);
    }

    @Test
    void whatIsNotSaidByItselfIsSaidOnceAPersonWantsIt() {
        ProofHall hall = oneWay();
        ProofRun run = hall.start(new Conditions(3, true, Set.of()));
        hall.until(() -> {
            run.isWrittenDown();
            return run.phase() == Phase.ASKING;
        });
        run.seen(true);
        hall.until(() -> run.phase() == Phase.ASKING);
        run.send();
        hall.until(() -> run.phase() == Phase.ASKING);
        assertThat(run.asking().orElseThrow().question())
                .as("the same came back")
                .isEqualTo(Question.SEEN);
        run.seen(true);
        assertThat(hall.toTheEnd().get(1).verdict()).isEqualTo(Verdict.WITNESSED);
    }
}
