package imperan.live;

import static imperan.live.Stage.DESK;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.show.Cue;
import imperan.show.Forward;
import imperan.show.PartId;
import imperan.show.SetList;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Target;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** An answer to a question of ours is no news, whoever else listens: a list, a set list and a forward that hear the same key all learn it. */
class OwnQuestionsTest extends CueStage {

    private static final PartId SET = new PartId("set");
    private static final PartId SONG = new PartId("song");
    private static final PartId FORWARD = new PartId("forward");
    private static final OscArgument DOWN = new OscArgument.Int32(1);

    @BeforeEach
    void everythingThatHearsTheKey() {
        runs(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES),
                Cue.plain("1", "", say(0, "/one")),
                Cue.plain("2", "", say(0, "/two")));
        follow(put(SET, null, new SetList("Evening", Optional.of(key(1)), Optional.empty(), "")));
        follow(put(SONG, SET, Song.blank("Blank")));
        hears(Forward.plain("Key to lamp", Optional.of(DESK), "/key/1", Optional.of(DESK), "/lamp"));
        stage.takeSent();
    }

    private void hears(Forward forward) {
        follow(show.part(FORWARD).isEmpty() ? put(FORWARD, null, forward) : Shows.change(show, FORWARD, forward));
    }

    private void ask() {
        assertThat(Asking.say(stage.live, DESK, "/key/1", stage.now)).isEmpty();
        assertThat(stage.takeSent()).containsExactly("/key/1");
    }

    private void nothingWasPressed() {
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view().over()).isEmpty();
        assertThat(view().running()).isEmpty();
        assertThat(set().ready()).isEmpty();
    }

    private SetView set() {
        return stage.live.set(SET).orElseThrow();
    }

    @Test
    void anAnswerPressesNoKeyAndDrivesNothing() {
        ask();
        stage.desk("/key/1", DOWN);
        nothingWasPressed();
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).as("what comes unasked is a press").contains("/one", "/lamp 1.0");
        assertThat(set().ready()).hasValue(SONG);
    }

    @Test
    void eachOfTwoQuestionsHasItsAnswer() {
        ask();
        ask();
        stage.desk("/key/1", DOWN);
        stage.desk("/key/1", DOWN);
        nothingWasPressed();
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).contains("/one");
    }

    @Test
    void whatAnswersAForwardDrivesItAndPressesNoKey() {
        hears(Forward.plain("Key to lamp", Optional.of(DESK), "/key/1", Optional.of(DESK), "/lamp")
                .asking(0.5));
        assertThat(stage.takeSent()).isEmpty();
        stage.pass(10);
        assertThat(stage.takeSent()).containsExactly("/key/1");
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).containsExactly("/lamp 1.0");
        nothingWasPressed();
    }

    @Test
    void anAnswerDuringAProofIsSettledThoughNothingTriggers() {
        ask();
        stage.live.proves((target, address) -> true);
        stage.desk("/key/1", DOWN);
        stage.live.provesNothing();
        nothingWasPressed();
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).contains("/one");
    }

    /** Elsewhere hands and desks go on: only what the proof makes a target say means nothing. */
    @Test
    void whatAProofMovesTriggersNothingAndAllElseDoes() {
        stage.live.proves((target, address) -> target.equals(DESK) && address.equals("/key/1"));
        stage.desk("/key/1", DOWN);
        nothingWasPressed();
        stage.live.proves((target, address) -> target.equals(DESK) && address.equals("/key/2"));
        stage.desk("/key/1", DOWN);
        assertThat(stage.takeSent()).contains("/one", "/lamp 1.0");
    }
}
