package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Verdict;
import imperan.show.Behaviour;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What a proof makes a target say triggers nothing; what a hand does there does. */
class ArrivalsTest {

    private static final PartId LIST = new PartId("walk");
    private static final PartId ZERO = new PartId("zero");
    private static final PartId ONE = new PartId("one");
    private static final PartId TWO = new PartId("two");

    private static ProofHall stepped(String address) {
        ProofHall hall = hall(STAND_IN, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"))
                .stands("/1", f(0.3))
                .stands("/2", f(0.3));
        Behaviour.Condition key = new Behaviour.Condition(Optional.of(Shows.DESK), address, 0, "1");
        Show show = Shows.accepted(
                hall.hall.show,
                Shows.ADA,
                Shows.put(LIST, null, new CueList("Walk", 0, Optional.of(key), Optional.empty(), Optional.empty(), "")),
                Shows.put(ZERO, LIST, Cue.plain("0", "")),
                Shows.put(ONE, LIST, Cue.plain("1", "")),
                Shows.put(TWO, LIST, Cue.plain("2", "")));
        hall.hall.live.load(show, hall.hall.now);
        return hall;
    }

    @Test
    void aKeyOfTheDeskStepsAListWhileAProofMovesSomethingElse() {
        ProofHall hall = stepped("/key");
        ProofRun run = hall.start(new Conditions(3, false, Set.of()));
        hall.until(() -> run.phase() == ProofRun.Phase.READ);
        press(hall);
        assertThat(next(hall)).contains(ONE);
        run.isWrittenDown();
        hall.until(() -> run.phase() == ProofRun.Phase.RUNNING);
        press(hall);
        assertThat(next(hall)).contains(TWO);
    }

    /** The probe that says 1 would be a press, and so would the answer to it. */
    @Test
    void whatAProofMovesStepsNothingUntilItIsDone() {
        ProofHall hall = stepped("/1");
        ProofRun run = hall.start(new Conditions(3, false, Set.of()));
        List<LineResult> lines = hall.toTheEnd();
        assertThat(lines).extracting(LineResult::verdict).containsOnly(Verdict.CONFIRMED);
        assertThat(next(hall)).as("it said 1 more than once").contains(ZERO);
        assertThat(run.phase()).isEqualTo(ProofRun.Phase.ENDED);
        hall.hall.pass(5_000);
        hall.hall.from(
                Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/1", new OscArgument.Float32(1)));
        assertThat(next(hall)).as("a hand, afterwards").contains(ONE);
    }

    private static void press(ProofHall hall) {
        hall.hall.from(
                Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/key", new OscArgument.Int32(1)));
        hall.hall.from(
                Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, OscMessage.of("/key", new OscArgument.Int32(0)));
    }

    private static Optional<PartId> next(ProofHall hall) {
        return hall.hall.live.cueList(LIST).orElseThrow().next();
    }
}
