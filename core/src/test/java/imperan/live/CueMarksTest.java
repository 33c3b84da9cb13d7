package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.cue.Outcome;
import imperan.live.Command.StepCues.Deed;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cue;
import imperan.show.Look;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What became of an action of a cue where something stood in its way, or was gone, or came before it. */
class CueMarksTest extends CueStage {

    private static final PartId SIDE = new PartId("side");

    /** A second target, which nothing on the page speaks to. */
    private void withSide() {
        follow(put(SIDE, null, Target.plain("Side", "127.0.0.1", 7102, 9202, Target.Answering.NONE)));
        stage.live.socket(SIDE, SocketState.open("127.0.0.1"), stage.now);
        stage.takeSent();
    }

    private static CueAction recall(double seconds) {
        return new CueAction.RecallLook(0, Optional.of(LOOK), seconds, FadeCurve.EVEN);
    }

    // ---- what is not there

    @Test
    void ofALookTheControlsThatAreThereAreBroughtAndTheOthersSaid() {
        runs(Cue.plain("1", "", recall(1)));
        follow(Shows.remove(show, LEVEL));
        go();
        stage.pass(1_500);
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).hasValue(new Reason.ControlGone());
        assertThat(stage.value("other").position()).isEqualTo(0.5);
    }

    @Test
    void aControlWithAnotherNumberOfAxesIsNotTheOneThatWasMeant() {
        runs(Cue.plain("1", "", new CueAction.RecallLook(0, Optional.of(LOOK), 0, FadeCurve.EVEN)));
        follow(Shows.change(show, LOOK, new Look("Evening", List.of(new Look.Stand(LEVEL, List.of(0.2, 0.3))), "")));
        go();
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).hasValue(new Reason.ControlGone());
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void aControlThatIsDisabledIsNotMovedAndItsConditionIsSaid() {
        runs(Cue.plain("1", "", recall(1)));
        follow(Shows.change(
                show,
                LEVEL,
                fader("Level", 0, "/level")
                        .behaving(fader("Level", 0, "/level").behaviour().enabledOnly(key(7)))));
        stage.desk("/key/7", 0f);
        go();
        stage.pass(1_500);
        assertThat(reason(0)).hasValue(new Reason.Disabled("/key/7", "1"));
        assertThat(stage.value("level").position()).isEqualTo(0);
        assertThat(stage.value("other").position()).isEqualTo(0.5);
    }

    @Test
    void aControlThatIsRemovedWhileItIsFadedIsSaid() {
        runs(Cue.plain("1", "", recall(2)));
        go();
        stage.pass(500);
        follow(Shows.remove(show, LEVEL));
        stage.pass(3_000);
        assertThat(reason(0)).hasValue(new Reason.ControlGone());
        assertThat(stage.value("other").position()).isEqualTo(0.5);
    }

    @Test
    void aStopAfterAControlWasRemovedStopsTheOthers() {
        runs(Cue.plain("1", "", recall(2)));
        go();
        stage.pass(500);
        follow(Shows.remove(show, LEVEL));
        assertThat(order(Deed.STOP, null)).isEmpty();
        assertThat(outcomes()).containsExactly(Outcome.STOPPED);
    }

    @Test
    void aTargetThatIsRemovedWhileALineOfItFadesIsSaid() {
        runs(Cue.plain(
                "1",
                "",
                new CueAction.FadeLine(
                        0,
                        Optional.of(SIDE),
                        "/haze",
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                        Optional.of(0.0),
                        1,
                        2,
                        FadeCurve.EVEN,
                        CueAction.FadeLine.Unknown.SKIP)));
        withSide();
        go();
        stage.pass(500);
        follow(Shows.remove(show, SIDE));
        stage.takeSent();
        stage.pass(3_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).hasValue(new Reason.TargetGone());
    }

    /** Who takes it then takes it from nobody, so that nothing is told of the list. */
    @Test
    void aListThatIsRemovedLetsGoOfWhatItFades() {
        runs(Cue.plain("1", "", recall(2)));
        go();
        stage.pass(500);
        follow(Shows.remove(show, LIST));
        stage.events.clear();
        stage.touch(ADA, "level", Touch.Phase.PRESS, 0.5);
        stage.touch(ADA, "other", Touch.Phase.PRESS, 0.5);
        assertThat(stage.events).noneMatch(LiveEvent.CuesChanged.class::isInstance);
    }

    @Test
    void whatAStopStoppedStaysStoppedWhenAHandTakesIt() {
        runs(Cue.plain("1", "", recall(2)));
        go();
        stage.pass(500);
        assertThat(stage.live.carryOut(new Command.StopAll(), Actor.of(ADA), stage.now))
                .isEmpty();
        stage.touch(ADA, "level", Touch.Phase.PRESS, 0.5);
        stage.touch(ADA, "other", Touch.Phase.PRESS, 0.5);
        assertThat(outcomes()).containsExactly(Outcome.STOPPED);
    }

    // ---- who stood before it, and who came after

    @Test
    void aHandOnTheLineComesBeforeAFadeOfIt() {
        runs(Cue.plain("1", "", fade("/level", Optional.of(0.0), 1, 1, CueAction.FadeLine.Unknown.SKIP)));
        stage.touch(ADA, "level", Touch.Phase.PRESS, 0.5);
        stage.takeSent();
        go();
        stage.pass(500);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(outcomes()).containsExactly(Outcome.TAKEN);
        assertThat(reason(0)).isPresent();
    }

    @Test
    void aHandThatTakesTheLineEndsItsFade() {
        runs(Cue.plain("1", "", fade("/level", Optional.of(0.0), 1, 2, CueAction.FadeLine.Unknown.SKIP)));
        go();
        stage.pass(500);
        stage.touch(ADA, "level", Touch.Phase.PRESS, 0.5);
        stage.takeSent();
        stage.pass(3_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(outcomes()).containsExactly(Outcome.TAKEN);
        assertThat(reason(0)).hasValue(new Reason.TakenByAnother());
    }

    @Test
    void aFadeThatWasDoneStaysDoneWhenAnotherOneBeginsOnItsLine() {
        runs(
                Cue.plain("1", "", fade("/haze", Optional.of(0.0), 1, 0.5, CueAction.FadeLine.Unknown.SKIP)),
                Cue.plain("2", "", fade("/haze", Optional.of(1.0), 0, 0.5, CueAction.FadeLine.Unknown.SKIP)));
        go();
        stage.pass(1_000);
        go();
        stage.pass(1_000);
        assertThat(view().over())
                .hasSize(2)
                .allSatisfy(fired -> assertThat(fired.marks()).singleElement().satisfies(mark -> {
                    assertThat(mark.outcome()).isEqualTo(Outcome.DONE);
                    assertThat(mark.reason()).isEmpty();
                }));
    }

    @Test
    void aValueThatWaitedForItsPaceIsDoneAlthoughAnotherOneLeftInItsPlace() {
        runs(Shows.target("Desk").paced(1), Cue.plain("1", "", bring(LEVEL, 0.25, 0)));
        Asking.testFire(stage.live, OTHER, 0, stage.now);
        go();
        assertThat(outcomes()).containsExactly(Outcome.SAID);
        stage.touch(ADA, "level", Touch.Phase.PRESS, 0.5);
        stage.touch(ADA, "level", Touch.Phase.MOVE, 1);
        stage.pass(5_000);
        assertThat(outcomes()).containsExactly(Outcome.DONE);
    }

    // ---- what changed nothing

    /** A desk that tells of changes only says nothing of a value that it had already. */
    @Test
    void whatTheTargetHadAlreadyIsDoneAndThatNothingConfirmedItIsSaid() {
        PartId book = new PartId("book");
        runs(Cue.plain("1", "", say(0, "/level", fixed("0.5"))));
        follow(Shows.change(show, DESK, Shows.target("Desk").speaking(book)));
        stage.desk("/level", 0.5f);
        go();
        stage.pass(5_000);
        assertThat(outcomes()).containsExactly(Outcome.DONE);
        assertThat(reason(0)).containsInstanceOf(Reason.NoNews.class);
    }

    @Test
    void aStartListWithoutLinesIsDoneAtOnce() {
        runs(Shows.target("Desk").paced(10), Cue.plain("1", "", new CueAction.SayStartList(0, Optional.of(DESK))));
        go();
        assertThat(outcomes()).containsExactly(Outcome.DONE);
    }

    // ---- what is asked for

    @Test
    void onlyACueWhoseAnswersSomethingWaitsForAsksForThem() {
        Target asked = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES);
        runs(
                asked,
                Cue.plain("1", "", say(0, "/level", fixed("0.5"))),
                Cue.plain("2", "", say(0, "/level", fixed("0.25"))).followed(CueFollow.answered(1, true)),
                Cue.plain("3", "", say(0, "/level", fixed("0.125"))));
        Phrase phrase = (Phrase) show.part(new PartId("phrase")).orElseThrow().body();
        follow(Shows.change(
                show,
                new PartId("phrase"),
                Phrase.plain(
                        phrase.address(),
                        phrase.direction(),
                        phrase.arguments(),
                        phrase.answer().asked(),
                        "",
                        "")));
        go();
        stage.pass(2_000);
        assertThat(stage.takeSent()).containsExactly("/level 0.5");
        go();
        stage.pass(300);
        assertThat(stage.takeSent()).startsWith("/level 0.25").contains("/level");
    }

    @Test
    void whatIsAskedForInVainIsSaidAfterAFifthOfASecond() {
        Target asked = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES);
        runs(
                asked,
                Cue.plain(
                        "1",
                        "",
                        say(
                                0,
                                "/say",
                                new ArgumentSource.Said(
                                        ArgumentType.FLOAT32, Optional.of(DESK), "/number", 0, List.of()))));
        go();
        stage.pass(199);
        assertThat(view().running()).hasSize(1);
        stage.pass(1);
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(stage.takeSent()).containsExactly("/number");
        assertThat(view().over().get(0).firedAt()).isEqualTo(stage.now - 200 * MS);
    }

    // ---- who is told

    @Test
    void anEditOfAListIsToldAndWhoFiredACueThatRuns() {
        runs(Cue.plain("1", "", recall(2)));
        go();
        assertThat(view().running()).singleElement().satisfies(fired -> assertThat(fired.by())
                .isEqualTo("Ada"));
        assertThat(stage.live.cueList(LIST).orElseThrow().targets())
                .as("of the next one: there is none")
                .isEmpty();
        stage.events.clear();
        follow(put(TWO, LIST, Cue.plain("2", "", say(0, "/one"))));
        assertThat(stage.events)
                .anyMatch(event -> event instanceof LiveEvent.CuesChanged changed
                        && changed.list().equals(LIST));
        assertThat(view().targets()).containsExactly(DESK);
    }
}
