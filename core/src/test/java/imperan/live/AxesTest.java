package imperan.live;

import static imperan.live.OneControl.control;
import static imperan.live.OneControl.hears;
import static imperan.live.OneControl.positions;
import static imperan.live.OneControl.send;
import static imperan.live.OneControl.stage;
import static imperan.live.OneControl.touch;
import static imperan.live.OneControl.value;
import static imperan.live.Stage.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Colour;
import imperan.show.form.Form;
import imperan.show.form.Lamp;
import imperan.show.form.Motion;
import imperan.show.form.Pad;
import imperan.show.form.Tap;
import imperan.show.form.TextLine;
import imperan.show.form.Tilt;
import imperan.show.form.Wheel;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Controls that move in several ways at once, or that have no place. */
class AxesTest {

    private static final Behaviour PLAIN = Behaviour.PLAIN;

    // ---- pads

    private static Stage pad(boolean springs) {
        return stage(control(
                new Pad(Form.Grab.JUMP, springs),
                List.of(
                        send(Send.Phase.CHANGE, "/x", value(0, -45, 45)),
                        send(Send.Phase.CHANGE, "/y", value(1, -45, 45))),
                hears("/x", 0, 0, -45, 45),
                hears("/y", 0, 1, -45, 45)));
    }

    @Test
    void aPadWhoseValueIsNotKnownDoesNotJumpToTheFinger() {
        Stage stage = pad(false);
        touch(stage, Phase.PRESS, 0.9, 0.9);
        assertThat(stage.takeSent()).isEmpty();
        touch(stage, Phase.MOVE, 1, 0.9);
        assertThat(positions(stage)).containsExactly(0.6, 0.5);
        assertThat(stage.takeSent()).containsExactly("/x 9.0", "/y 0.0");
    }

    @Test
    void whatMovesOnOneAxisIsNotSentAgainOnTheOther() {
        Stage stage = pad(false);
        stage.desk("/x", 0f);
        stage.desk("/y", 0f);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.75, 0.5);
        stage.takeSent();
        touch(stage, Phase.MOVE, 1, 0.5);
        assertThat(stage.takeSent()).containsExactly("/x 45.0");
        assertThat(stage.trace("it").line().orElseThrow().address()).isEqualTo("/x");
    }

    @Test
    void eachAxisHasAnEchoOfItsOwnAndIsDisputedForItself() {
        Stage stage = pad(false);
        stage.desk("/x", 0f);
        stage.desk("/y", 0f);
        touch(stage, Phase.STEP, 0.5, 0);
        stage.desk("/x", 45f);
        stage.pass(700);
        assertThat(stage.value("it").disputed()).isFalse();
        assertThat(stage.value("it").axes())
                .extracting(axis -> axis.echo().orElseThrow())
                .containsExactly(1.0, 0.5);
        touch(stage, Phase.STEP, 0, 0.5);
        stage.pass(700);
        assertThat(stage.value("it").disputed())
                .as("nothing came back for the other one")
                .isTrue();
    }

    @Test
    void aPadThatSpringsGoesBackToTheMiddleAndSaysSo() {
        Stage stage = pad(true);
        stage.desk("/x", 0f);
        touch(stage, Phase.PRESS, 0, 1);
        touch(stage, Phase.MOVE, 0, 1);
        stage.takeSent();
        touch(stage, Phase.RELEASE, 0, 1);
        assertThat(stage.takeSent()).containsExactly("/x 0.0", "/y 0.0");
    }

    // ---- colours

    private static Stage colour() {
        return stage(control(
                new Colour(List.of("#ff8000")),
                List.of(send(Send.Phase.CHANGE, "/rgb", whole(0), whole(1), whole(2))),
                hears("/rgb", 0, 0, 0, 255),
                hears("/rgb", 1, 1, 0, 255),
                hears("/rgb", 2, 2, 0, 255)));
    }

    private static ArgumentSource whole(int axis) {
        return new ArgumentSource.Value(ArgumentType.INT32, 0, 255, axis);
    }

    @Test
    void aFingerInTheFieldGivesHueAndSaturationAndTheSliderTheBrightness() {
        Stage stage = colour();
        touch(stage, Phase.PRESS, 1 / 3.0, 1);
        assertThat(stage.takeSent()).containsExactly("/rgb 0  255  0");
        touch(stage, Phase.RELEASE, 1 / 3.0, 1);
        touch(stage, Phase.SET, 0, 0.5);
        assertThat(stage.takeSent()).containsExactly("/rgb 0  128  0");
        touch(stage, Phase.PICK, 0, 0);
        assertThat(stage.takeSent()).containsExactly("/rgb 255  128  0");
        touch(stage, Phase.PICK, 0, 7);
        assertThat(stage.takeSent()).as("there is no such colour").isEmpty();
    }

    @Test
    void anAnswerAgreesWhereAllThreeDo() {
        Stage stage = colour();
        touch(stage, Phase.PICK, 0, 0);
        stage.desk("/rgb", new OscArgument.Int32(255), new OscArgument.Int32(128), new OscArgument.Int32(0));
        assertThat(stage.trace("it").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
        touch(stage, Phase.SET, 0, 0.5);
        stage.desk("/rgb", new OscArgument.Int32(128), new OscArgument.Int32(64), new OscArgument.Int32(90));
        assertThat(stage.trace("it").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.DIFFERS);
    }

    /** OSC 1.0, type r: red, green, blue and opacity, a byte each. */
    @Test
    void aColourInOneArgumentHasAllThreeAxesBothWays() {
        Stage stage = stage(control(
                new Colour(List.of("#ff8000")),
                List.of(send(Send.Phase.CHANGE, "/tint", new ArgumentSource.Value(ArgumentType.COLOUR, 0, 1))),
                hears("/tint", 0, 0, 0, 1),
                hears("/tint", 0, 1, 0, 1),
                hears("/tint", 0, 2, 0, 1)));
        touch(stage, Phase.PICK, 0, 0);
        assertThat(stage.takeSent()).containsExactly("/tint #ff8000ff");
        stage.desk("/tint", new OscArgument.Rgba(0xff8000ff));
        assertThat(stage.trace("it").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
        touch(stage, Phase.SET, 0, 0.5);
        assertThat(stage.takeSent()).containsExactly("/tint #804000ff");
        stage.desk("/tint", new OscArgument.Rgba(0x80409900));
        assertThat(stage.trace("it").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.DIFFERS);
        assertThat(positions(stage)).hasSize(3);
    }

    // ---- wheels, taps, lines, tilts

    @Test
    void aWheelSaysItsStepsAndGoesRoundAndRound() {
        Stage stage = stage(control(
                new Wheel(10),
                List.of(send(Send.Phase.STEP, "/jog", new ArgumentSource.Steps(ArgumentType.INT32, 2)))));
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.5, 0.55);
        assertThat(stage.takeSent()).as("half a step is none yet").isEmpty();
        touch(stage, Phase.MOVE, 0.5, 0.85);
        assertThat(stage.takeSent()).containsExactly("/jog 6");
        touch(stage, Phase.MOVE, 0.5, -1);
        assertThat(stage.takeSent()).containsExactly("/jog -36");
        touch(stage, Phase.RELEASE, 0.5, -1);
        touch(stage, Phase.STEP, 0, 1);
        touch(stage, Phase.STEP, 0, 1);
        assertThat(stage.takeSent()).as("the same step twice is two").containsExactly("/jog 2", "/jog 2");
    }

    @Test
    void tapsBecomeATempo() {
        Stage stage = stage(control(new Tap(30, 240), List.of(send(Send.Phase.CHANGE, "/bpm", value(0, 30, 240)))));
        for (int i = 0; i < 4; i++) {
            touch(stage, Phase.PRESS, 0.5, 0.5);
            touch(stage, Phase.RELEASE, 0.5, 0.5);
            stage.pass(500);
        }
        assertThat(stage.takeSent()).as("120 a minute, said once").containsExactly("/bpm 120.0");
        assertThat(stage.value("it").text()).isEqualTo("120");
        touch(stage, Phase.STEP, 0, 1);
        assertThat(stage.takeSent()).as("twice the tempo").containsExactly("/bpm 240.0");
        touch(stage, Phase.STEP, 0, 1);
        assertThat(stage.takeSent()).as("480 is beyond the fastest").isEmpty();
        touch(stage, Phase.STEP, 0, -1);
        touch(stage, Phase.STEP, 0, -1);
        touch(stage, Phase.STEP, -1, 0);
        touch(stage, Phase.STEP, 0, -1);
        assertThat(stage.takeSent())
                .as("half, and no further than the slowest")
                .containsExactly("/bpm 120.0", "/bpm 60.0", "/bpm 30.0");
    }

    @Test
    void aTypedLineIsSentAsOftenAsItIsTypedAndOnlyWhereItFitsItsType() {
        Stage stage = stage(control(
                new TextLine(),
                List.of(send(Send.Phase.CHANGE, "/line", new ArgumentSource.Typed(ArgumentType.TEXT)))));
        touch(stage, Phase.TYPE, 0, 0, "lantern 3 = 50 %");
        touch(stage, Phase.TYPE, 0, 0, "lantern 3 = 50 %");
        assertThat(stage.takeSent()).containsExactly("/line “lantern 3 = 50 %”", "/line “lantern 3 = 50 %”");
        Stage number = stage(control(
                new TextLine(),
                List.of(send(Send.Phase.CHANGE, "/line", new ArgumentSource.Typed(ArgumentType.INT32)))));
        touch(number, Phase.TYPE, 0, 0, "fifty");
        assertThat(number.takeSent()).isEmpty();
        assertThat(Stage.why(number.trace("it"))).contains("“fifty” is not a number");
        touch(number, Phase.TYPE, 0, 0, "50");
        assertThat(number.takeSent()).containsExactly("/line 50");
    }

    @Test
    void aMotionGoesAsFarAsItsAccelerationAndRestIsTheMiddle() {
        Stage stage = stage(control(
                new Motion(20),
                List.of(send(Send.Phase.CHANGE, "/m", value(0, -20, 20), value(1, -20, 20), value(2, -20, 20)))));
        Asking.touch(
                stage.live,
                new Touch(new PartId("it"), "1", Touch.Phase.MOTION, 5, -10, 40, false, ""),
                Stage.ADA,
                stage.now);
        assertThat(positions(stage)).containsExactly(0.625, 0.25, 1.0);
        assertThat(stage.takeSent()).containsExactly("/m 5.0  -10.0  20.0");
        Asking.touch(
                stage.live,
                new Touch(new PartId("it"), "1", Touch.Phase.MOTION, 0, 0, 0, false, ""),
                Stage.ADA,
                stage.now);
        assertThat(stage.takeSent()).containsExactly("/m 0.0  0.0  0.0");
        assertThat(new Touch(new PartId("it"), "1", Touch.Phase.MOTION, 0, 0, Double.NaN, false, "").problem())
                .isPresent();
        assertThat(new Touch(new PartId("it"), "1", Touch.Phase.MOTION, 0, 0, 1e5, false, "").problem())
                .isPresent();
    }

    @Test
    void aTiltGoesAsFarAsItsDegreesAndLevelIsTheMiddle() {
        Stage stage = stage(control(new Tilt(45), List.of(send(Send.Phase.CHANGE, "/x", value(0, -45, 45)))));
        touch(stage, Phase.TILT, 0, 0);
        assertThat(positions(stage)).containsExactly(0.5, 0.5);
        touch(stage, Phase.TILT, 60, -22.5);
        assertThat(positions(stage)).containsExactly(1.0, 0.25);
        assertThat(stage.takeSent()).containsExactly("/x 45.0");
        touch(stage, Phase.FLAT, 30, -10);
        assertThat(positions(stage)).as("level is as it is held").containsExactly(0.5, 0.5);
        touch(stage, Phase.TILT, 7.5, -10);
        assertThat(stage.takeSent()).containsExactly("/x 0.0", "/x -22.5");
        touch(stage, Phase.FLAT, 0, 170);
        touch(stage, Phase.TILT, 0, -175);
        assertThat(positions(stage).get(1)).as("on over half a turn").isEqualTo(0.5 + 15 / 90.0, within(1e-9));
    }

    // ---- words

    @Test
    void aTargetNamesAControlAndLightsALampByItsState() {
        Lamp lamp = new Lamp(List.of(
                new Lamp.State("out", "", Lamp.Look.DARK),
                new Lamp.State("rising", "", Lamp.Look.BLINKING),
                new Lamp.State("in", "In", Lamp.Look.LIT)));
        Stage stage = stage(control(
                lamp,
                List.of(),
                hears("/look/1/state", 0, 0, 0, 1),
                Listen.label(Optional.of(DESK), "/look/1/name", 0)));
        stage.desk("/look/1/state", new OscArgument.Text("rising"));
        stage.desk("/look/1/name", new OscArgument.Text("Dusk"));
        assertThat(stage.value("it").echo()).hasValue(0.5);
        assertThat(stage.value("it").label()).isEqualTo("Dusk");
        assertThat(stage.value("it").echoText()).isEqualTo("rising");
    }

    @Test
    void aTargetAsksForAPage() {
        Page follows = new Page(
                "Storm",
                4,
                4,
                Page.Screen.DESK,
                false,
                Optional.of(new Behaviour.Condition(Optional.of(DESK), "/scene", 0, "storm")));
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(new PartId("storm"), Shows.LAYOUT, follows));
        Stage stage = new Stage(show);
        stage.desk("/scene", new OscArgument.Text("calm"));
        assertThat(stage.pages).isEmpty();
        stage.desk("/scene", new OscArgument.Text("storm"));
        assertThat(stage.pages).containsExactly("storm");
    }

    // ---- to rest, learning, memory

    @Test
    void whatGoesToRestIsShownBeforeAndSentAfterwards() {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        List<PartId> all = List.of(new PartId("it"));
        assertThat(stage.live.restPreview(all)).as("it rests already").isEmpty();
        touch(stage, Phase.STEP, 0, 0.5);
        stage.takeSent();
        assertThat(stage.live.restPreview(all))
                .extracting(RestLine::address, RestLine::arguments)
                .containsExactly(tuple("/it", "0.25"));
        Asking.rest(stage.live, all, ADA, stage.now);
        assertThat(stage.takeSent()).containsExactly("/it 0.25");
    }

    @Test
    void whatIsMovedWhileWeLearnIsListedTheBusiestFirst() {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        stage.desk("/before", 1f);
        Asking.learn(stage.live, "ada", true, stage.now);
        stage.desk("/b", 0.2f);
        stage.desk("/a", new OscArgument.Int32(7), new OscArgument.Float32(0.1f));
        stage.desk("/a", new OscArgument.Int32(7), new OscArgument.Float32(0.9f));
        Asking.learn(stage.live, "ada", false, stage.now);
        stage.desk("/after", 1f);
        List<Learning.Learned> learned = stage.live.learned("ada", stage.now);
        assertThat(learned).extracting(Learning.Learned::address).containsExactly("/a", "/b");
        assertThat(learned.get(0).argument()).isEqualTo(1);
        assertThat(learned.get(0).count()).isEqualTo(2);
        assertThat(learned.get(0).low().orElseThrow()).isEqualTo(0.1, within(1e-6));
        assertThat(learned.get(0).high().orElseThrow()).isEqualTo(0.9, within(1e-6));
        assertThat(learned).extracting(Learning.Learned::order).containsExactly(1, 0);
    }

    @Test
    void everybodyLearnsForThemselvesAndWhoStopsLookingLearnsNoMore() {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        Asking.learn(stage.live, "ada", true, stage.now);
        stage.desk("/a", 0.5f);
        Asking.learn(stage.live, "ben", true, stage.now);
        stage.desk("/b", 0.5f);
        assertThat(stage.live.learned("ada", stage.now))
                .extracting(Learning.Learned::address)
                .containsExactly("/a", "/b");
        assertThat(stage.live.learned("ben", stage.now))
                .extracting(Learning.Learned::address)
                .containsExactly("/b");
        stage.pass(5_000);
        stage.live.learned("ben", stage.now);
        stage.pass(7_500);
        stage.desk("/c", 0.5f);
        assertThat(stage.live.learned("ben", stage.now))
                .extracting(Learning.Learned::address)
                .containsExactly("/b", "/c");
        assertThat(stage.live.learned("ada", stage.now)).isEmpty();
    }

    @Test
    void everyAxisIsRememberedAndAFormThatChangedForgets() {
        Stage stage = pad(false);
        stage.desk("/x", 45f);
        touch(stage, Phase.STEP, 0, 0.25);
        List<SavedValue> saved = stage.live.savedValues(stage.live.controls());
        Stage again = pad(false);
        again.live.restore(saved);
        assertThat(positions(again)).containsExactly(1.0, 0.75);
        assertThat(again.value("it").belief()).isEqualTo(Belief.STALE);
        Stage other = stage(Shows.fader("It", 0, "/it"));
        other.live.restore(saved);
        assertThat(other.value("it").belief()).isEqualTo(Belief.UNSET);
    }
}
