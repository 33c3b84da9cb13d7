package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
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

/** While a proof makes targets speak, nothing that arrives triggers anything. */
class ArrivalsTest {

    private static final PartId LIST = new PartId("walk");
    private static final PartId ZERO = new PartId("zero");
    private static final PartId ONE = new PartId("one");

    @Test
    void aKeyOfTheDeskStepsAListBeforeAndAfterAProofAndNotMeanwhile() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"));
        Behaviour.Condition key = new Behaviour.Condition(Optional.of(Shows.DESK), "/key", 0, "1");
        Show show = Shows.accepted(
                hall.hall.show,
                Shows.ADA,
                Shows.put(LIST, null, new CueList("Walk", 0, Optional.of(key), Optional.empty(), Optional.empty(), "")),
                Shows.put(ZERO, LIST, Cue.plain("0", "")),
                Shows.put(ONE, LIST, Cue.plain("1", "")),
                Shows.put(new PartId("two"), LIST, Cue.plain("2", "")));
        hall.hall.live.load(show, hall.hall.now);
        press(hall);
        assertThat(next(hall)).contains(ONE);
        ProofRun run = hall.start(new Conditions(3, false, Set.of()));
        hall.until(() -> run.phase() == ProofRun.Phase.READ);
        press(hall);
        run.isWrittenDown();
        hall.until(() -> run.phase() == ProofRun.Phase.RUNNING);
        press(hall);
        assertThat(next(hall)).as("no arrival triggers a cue meanwhile").contains(ONE);
        hall.toTheEnd();
        press(hall);
        assertThat(next(hall)).contains(new PartId("two"));
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
