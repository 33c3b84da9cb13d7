package imperan.live;

import static imperan.live.Stage.MS;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.PartId;
import imperan.show.Shows;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A list whose go key is an address that its own cues say, at a target that says back what it hears. */
class OwnEchoesTest extends CueStage {

    private static final OscArgument DOWN = new OscArgument.Int32(1);
    private static final int CUES = 120;

    /** More cues than a list may step by itself, each of which says this; without a guard. */
    private void runsSaying(String address) {
        runs(Cue.plain("0", ""));
        List<EditRequest.Step> cues = new ArrayList<>();
        for (int number = 1; number <= CUES; number++) {
            cues.add(put(
                    new PartId("c" + number),
                    LIST,
                    Cue.plain(String.valueOf(number), "", say(0, address, fixed("1")))));
        }
        cues.forEach(this::follow);
        stepsOn(1);
        order(Command.StepCues.Deed.JUMP, new PartId("c1"));
        stage.takeSent();
    }

    private void stepsOn(int key) {
        CueList list = new CueList("Evening walk", 0, Optional.of(key(key)), Optional.of(key(9)), Optional.empty(), "");
        follow(Shows.change(show, LIST, list));
    }

    /** The desk says that its key was pressed after each message that it hears, until none comes any more. */
    private int echoes() {
        int sent = 0;
        for (int said = stage.takeSent().size();
                said > 0;
                said = stage.takeSent().size()) {
            sent += said;
            stage.pass(1);
            stage.desk("/key/1", DOWN);
        }
        return sent;
    }

    @Test
    void whatComesBackIsNoPressAndAPressIs() {
        runsSaying("/key/1");
        go();
        assertThat(echoes()).as("one cue, and no more").isEqualTo(1);
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).isEqualTo("echo, not counted");
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).as("a press of somebody at the desk").hasSize(1);
    }

    @Test
    void anEchoThatIsLaterThanAnyAnswerIsAPress() {
        runsSaying("/key/1");
        go();
        stage.takeSent();
        stage.pass(5_000);
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).hasSize(1);
    }

    @Test
    void anotherValueIsNoEcho() {
        runsSaying("/key/1");
        go();
        stage.takeSent();
        stage.desk("/key/1", new OscArgument.Int32(0));
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).as("the one that is equal is the echo").isEmpty();
    }

    @Test
    void aListThatStepsItselfIsBrokenOffAndHearsNoTargetUntilSomebodyArmsIt() {
        runsSaying("/scene");
        go();
        assertThat(echoes()).as("the desk says it under another address").isEqualTo(Cues.MOST_BY_ITSELF);
        assertThat(view().deafTo())
                .hasValueSatisfying(stepped ->
                        assertThat(stepped.toString()).contains("Desk").contains("/key/1"));
        assertThat(stage.events)
                .filteredOn(LiveEvent.ListBrokenOff.class::isInstance)
                .hasSize(1);
        stage.pass(60_000);
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).isEqualTo("list not armed, not counted");
        order(Command.StepCues.Deed.JUMP, new PartId("c1"));
        go();
        assertThat(stage.takeSent()).as("hands step it all the same").hasSize(1);
        assertThat(view().deafTo()).isPresent();
        assertThat(order(Command.StepCues.Deed.ARM, null)).isEmpty();
        assertThat(view().deafTo()).isEmpty();
        stage.pass(60_000);
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).hasSize(1);
    }

    @Test
    void aHandThatPressesFastIsNotTakenForARing() {
        runsSaying("/scene");
        for (int press = 0; press < 100; press++) {
            // three a second, in runs of twenty, and a breath between
            stage.pass(press % 20 == 19 ? 3_000 : 330);
            stage.desk("/key/1", DOWN);
            stage.desk("/key/1", new OscArgument.Int32(0));
        }
        assertThat(view().deafTo()).isEmpty();
        assertThat(stage.takeSent()).hasSize(100);
    }

    @Test
    void afterStopAllTargetsStepNothingForASecondAndThenTheyDo() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(0, "/two")));
        stage.live.carryOut(new Command.StopAll(), Actor.of(Stage.ADA), stage.now);
        stage.pass(999);
        stage.desk("/key/1", DOWN);
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).isEqualTo("just stopped, not counted");
        assertThat(stage.events)
                .as("it is told once")
                .filteredOn(LiveEvent.StepIgnored.class::isInstance)
                .hasSize(1);
        stage.now += 2 * MS;
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).containsExactly("/one");
    }

    @Test
    void anotherGoMessageIsHeardAtOnce() {
        runsSaying("/scene");
        go();
        echoes();
        assertThat(view().deafTo()).isPresent();
        stepsOn(3);
        assertThat(view().deafTo()).isEmpty();
    }
}
