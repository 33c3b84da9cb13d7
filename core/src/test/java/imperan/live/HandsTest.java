package imperan.live;

import static imperan.live.OneControl.control;
import static imperan.live.OneControl.send;
import static imperan.live.OneControl.stage;
import static imperan.live.OneControl.touch;
import static imperan.live.Stage.ADA;
import static imperan.live.Stage.BEN;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.button;
import static imperan.show.Shows.put;
import static imperan.show.Shows.withPage;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Button;
import imperan.show.form.Knob;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whose hands hold what, until when, and what the devices are told of it. */
class HandsTest {

    private static final PartId IT = new PartId("it");
    private static final Behaviour PLAIN = Behaviour.PLAIN;

    private static Stage two() {
        Show show = accepted(
                withPage(),
                Shows.ADA,
                put(new PartId("a"), PAGE, button("A", 0, false, "/a")),
                put(new PartId("b"), PAGE, button("B", 1, false, "/b")));
        return new Stage(show);
    }

    private static Behaviour guarded(Behaviour.Guard guard) {
        return new Behaviour(guard, PLAIN.repeatSeconds(), PLAIN.whenLost(), Optional.empty(), "");
    }

    private static Stage guardedButton(Behaviour.Guard guard) {
        return stage(control(
                        Button.plain(Button.Action.LATCHING),
                        List.of(send(Send.Phase.CHANGE, "/go", new ArgumentSource.Value(ArgumentType.INT32, 0, 1))))
                .behaving(guarded(guard)));
    }

    /** The devices were told that a control changed, and by whose doing. */
    private static void assertTold(Stage stage, String control, String by) {
        assertThat(stage.events)
                .anySatisfy(event -> assertThat(event).isInstanceOfSatisfying(LiveEvent.ValueChanged.class, changed -> {
                    assertThat(changed.control().value()).isEqualTo(control);
                    assertThat(changed.cause().origin()).isEqualTo(Cause.Origin.HAND);
                    assertThat(changed.cause().actor().name()).isEqualTo(by);
                }));
        stage.events.clear();
    }

    @Test
    void whoeverLandsOnWhatIsGoneIsToldAndWhoeverLeavesItIsNot() {
        Stage stage = two();
        Actor ada = Actor.of(ADA);
        assertThat(stage.live.carryOut(
                        new Touch(new PartId("gone"), "1", Phase.PRESS, 0, 0, false, ""), ada, stage.now))
                .isPresent();
        for (Phase phase : List.of(Phase.MOVE, Phase.RELEASE, Phase.CANCEL)) {
            assertThat(stage.live.carryOut(new Touch(new PartId("gone"), "1", phase, 0, 0, false, ""), ada, stage.now))
                    .isEmpty();
        }
    }

    @Test
    void aFingerThatMovesIsHeardOf() {
        Stage stage = two();
        stage.touch(ADA, "a", Phase.PRESS, 0.5);
        for (int i = 0; i < 5; i++) {
            stage.pass(1_500);
            stage.touch(ADA, "a", Phase.MOVE, 0.5 + i / 100.0);
        }
        assertThat(stage.value("a").holder()).isEqualTo(ADA.id());
        assertThat(stage.takeSent()).containsExactly("/a 1");
    }

    @Test
    void aDeviceThatIsGoneLetsGoOfAllItsOwnAndOfNothingElse() {
        Stage stage = two();
        stage.touch(ADA, "a", Phase.PRESS, 0.5);
        stage.touch(BEN, "b", Phase.PRESS, 0.5);
        stage.pass(1_000);
        stage.live.heartbeat(BEN.id(), stage.now);
        stage.events.clear();
        stage.pass(1_001);
        assertTold(stage, "a", "Ada");
        assertThat(stage.value("a").holder()).isEmpty();
        assertThat(stage.value("b").holder()).isEqualTo(BEN.id());
        stage.pass(1_000);
        assertThat(stage.value("b").holder()).isEmpty();
        assertThat(stage.takeSent()).containsExactly("/a 1", "/b 1", "/a 0", "/b 0");
    }

    @Test
    void whoHoldsTwoAndLetsGoOfOneIsStillHeardOfForTheOther() {
        Stage stage = two();
        stage.touch(ADA, "a", Phase.PRESS, 0.5);
        stage.touch(ADA, "b", Phase.PRESS, 0.5);
        stage.touch(ADA, "a", Phase.RELEASE, 0.5);
        stage.takeSent();
        stage.pass(2_001);
        assertThat(stage.takeSent()).containsExactly("/b 0");
    }

    @Test
    void pressingAndLettingGoAreTold() {
        Stage stage = two();
        stage.events.clear();
        stage.touch(ADA, "a", Phase.PRESS, 0.5);
        assertTold(stage, "a", "Ada");
        stage.touch(ADA, "a", Phase.RELEASE, 0.5);
        assertTold(stage, "a", "Ada");
    }

    @Test
    void whatIsHeldStillLongEnoughCountsAndIsTold() {
        Stage stage = guardedButton(Behaviour.Guard.HOLD);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertThat(stage.trace("it").stopped()).hasValue(new Reason.NotHeldYet());
        stage.events.clear();
        stage.pass(599);
        assertThat(stage.takeSent()).isEmpty();
        stage.pass(1);
        assertThat(stage.takeSent()).containsExactly("/go 1");
        assertTold(stage, "it", "Ada");
    }

    @Test
    void theFirstOfTwoTouchesIsToldAndThatItsTimeIsOver() {
        Stage stage = guardedButton(Behaviour.Guard.TWO_STEPS);
        stage.events.clear();
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertTold(stage, "it", "Ada");
        assertThat(stage.trace("it").stopped())
                .hasValueSatisfying(why -> assertThat(why).isInstanceOf(Reason.FirstOfTwoTouches.class));
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        stage.pass(2_999);
        assertThat(stage.value("it").open()).isTrue();
        stage.events.clear();
        stage.pass(1);
        assertThat(stage.value("it").open()).isFalse();
        assertThat(stage.events)
                .anyMatch(event -> event instanceof LiveEvent.ValueChanged changed
                        && changed.control().equals(IT));
    }

    /** Each further touch opens it for as long again. */
    @Test
    void theSecondTouchKeepsItOpen() {
        Stage stage = guardedButton(Behaviour.Guard.TWO_STEPS);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        stage.pass(2_000);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        stage.pass(2_000);
        assertThat(stage.value("it").open()).isTrue();
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertThat(stage.takeSent()).containsExactly("/go 1", "/go 0");
    }

    /** Neither a tap nor the pause between two takes longer than a third of a second. */
    @ParameterizedTest
    @CsvSource({"0, 350, 0.25", "0, 351, 0.75", "350, 0, 0.25", "351, 0, 0.75"})
    void twoShortTapsSoonAfterEachOtherMeanTheRestValue(long held, long between, double position) {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        stage.desk("/it", 0.75f);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        stage.pass(held);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        stage.pass(between);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertThat(stage.value("it").position()).isEqualTo(position);
    }

    @Test
    void aKeyThatHoldsWhatSpringsRepeatsAndIsToldOf() {
        Behaviour every100 = new Behaviour(Behaviour.Guard.NONE, 0.1, PLAIN.whenLost(), Optional.empty(), "");
        Stage stage = stage(control(new Knob(Optional.empty(), true, 0.5), List.of(send(Send.Phase.HELD, "/more")))
                .behaving(every100));
        stage.events.clear();
        touch(stage, Phase.STEP, 0, 0.25);
        assertTold(stage, "it", "Ada");
        assertThat(stage.value("it").holder()).isEqualTo(ADA.id());
        stage.pass(99);
        assertThat(stage.takeSent()).isEmpty();
        stage.pass(201);
        assertThat(stage.takeSent()).containsExactly("/more", "/more", "/more");
    }

    /** A finger that steers finely is followed at a tenth, by a key as by hand. */
    @Test
    void aFineStepIsATenth() {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        stage.desk("/it", 0.5f);
        stage.live.carryOut(new Touch(IT, "1", Phase.STEP, 0, 0.1, true, ""), Actor.of(ADA), stage.now);
        assertThat(stage.value("it").position()).isEqualTo(0.51, within(1e-9));
    }

    @Test
    void anAnswerThatDoesNotComeIsTold() {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        stage.desk("/it", 0.5f);
        touch(stage, Phase.SET, 0.5, 0.75);
        stage.events.clear();
        stage.pass(3_000);
        assertThat(stage.events)
                .anyMatch(event -> event instanceof LiveEvent.ValueChanged changed
                        && changed.control().equals(IT));
    }
}
