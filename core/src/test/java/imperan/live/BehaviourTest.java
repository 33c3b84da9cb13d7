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
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Control;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Pad;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What is set of a control beside its form: what it takes hands for, what guards it, what it does by itself. */
class BehaviourTest {

    private static final Behaviour PLAIN = Behaviour.PLAIN;

    private static Stage button(Button.Action action, Behaviour behaviour, Send... sends) {
        return stage(control(Button.plain(action), List.of(sends)).behaving(behaviour));
    }

    private static final Send PRESSED =
            send(Send.Phase.CHANGE, "/go", new ArgumentSource.Value(ArgumentType.INT32, 0, 1));

    @Test
    void aOneShotSaysItEachTimeAndNothingAfterwards() {
        Stage stage = button(Button.Action.ONE_SHOT, PLAIN, PRESSED);
        for (int i = 0; i < 2; i++) {
            touch(stage, Phase.PRESS, 0.5, 0.5);
            touch(stage, Phase.RELEASE, 0.5, 0.5);
        }
        assertThat(stage.takeSent()).containsExactly("/go 1", "/go 1");
    }

    @Test
    void whatIsHeldIsRepeatedUntilItIsLetGo() {
        Behaviour every50 = new Behaviour(Behaviour.Guard.NONE, 0.05, PLAIN.whenLost(), Optional.empty(), "");
        Stage stage = button(Button.Action.MOMENTARY, every50, send(Send.Phase.HELD, "/more"));
        touch(stage, Phase.PRESS, 0.5, 0.5);
        stage.pass(220);
        assertThat(stage.takeSent()).containsExactly("/more", "/more", "/more", "/more");
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        stage.pass(200);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void whatHasToBeHeldStillCountsAfterAMoment() {
        Stage stage = button(
                Button.Action.LATCHING,
                new Behaviour(Behaviour.Guard.HOLD, 0.2, PLAIN.whenLost(), Optional.empty(), ""),
                PRESSED);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        stage.pass(300);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        assertThat(stage.takeSent()).as("let go too early").isEmpty();
        touch(stage, Phase.PRESS, 0.5, 0.5);
        stage.pass(700);
        assertThat(stage.takeSent()).containsExactly("/go 1");
    }

    @Test
    void theSecondOfTwoTouchesCountsAndOnlySoonAfterTheFirst() {
        Stage stage = button(
                Button.Action.LATCHING,
                new Behaviour(Behaviour.Guard.TWO_STEPS, 0.2, PLAIN.whenLost(), Optional.empty(), ""),
                PRESSED);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.value("it").open()).isTrue();
        stage.pass(3_100);
        assertThat(stage.value("it").open()).isFalse();
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertThat(stage.takeSent()).containsExactly("/go 1");
    }

    @Test
    void aControlIsPossibleOnlyWhileItsTargetSaysSo() {
        Stage stage = button(
                Button.Action.ONE_SHOT,
                PLAIN.enabledOnly(new Behaviour.Condition(Optional.of(DESK), "/state", 0, "ready")),
                PRESSED);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        assertThat(stage.takeSent()).as("nothing is known yet").containsExactly("/go 1");
        stage.desk("/state", new OscArgument.Text("busy"));
        touch(stage, Phase.PRESS, 0.5, 0.5);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(Stage.why(stage.trace("it"))).contains("/state ready");
        stage.desk("/state", new OscArgument.Text("ready"));
        assertThat(stage.value("it").enabled()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"NOWHERE, 0.75", "REST, 0.25", "VALUE, 0.1"})
    void aControlThatLosesItsTargetGoesWhereItIsToGoAndSendsNothing(Behaviour.WhenLost.Goes goes, double position) {
        Control fader = Shows.fader("It", 0, "/it")
                .behaving(new Behaviour(
                        Behaviour.Guard.NONE, 0.2, new Behaviour.WhenLost(goes, 0.1), Optional.empty(), ""));
        Stage stage = stage(fader);
        touch(stage, Phase.STEP, 0, 0.5);
        stage.desk("/it", 0.75f);
        stage.takeSent();
        touch(stage, Phase.STEP, 0, 0.0001);
        stage.live.portClosed(DESK, stage.now);
        assertThat(stage.value("it").belief()).isEqualTo(Belief.STALE);
        assertThat(stage.value("it").position()).isEqualTo(position, within(0.001));
        stage.takeSent();
        stage.pass(100);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void twoTapsMeanTheRestValueAndTwoDragsDoNot() {
        Stage stage = stage(Shows.fader("It", 0, "/it"));
        stage.desk("/it", 0.75f);
        for (int i = 0; i < 2; i++) {
            touch(stage, Phase.PRESS, 0.5, 0.5);
            touch(stage, Phase.MOVE, 0.5, 0.55);
            touch(stage, Phase.RELEASE, 0.5, 0.55);
            stage.pass(100);
        }
        assertThat(stage.value("it").position()).isEqualTo(0.85, within(1e-9));
        stage.pass(1_000);
        for (int i = 0; i < 2; i++) {
            touch(stage, Phase.PRESS, 0.5, 0.5);
            touch(stage, Phase.RELEASE, 0.5, 0.5);
            stage.pass(100);
        }
        assertThat(stage.value("it").position()).isEqualTo(0.25);
    }

    private static Stream<Form> detents() {
        return Stream.of(
                new Fader(Form.Direction.UP, Form.Grab.RELATIVE, Optional.of(0.5), false, 0, List.of()),
                Knob.holdingAt(0.5));
    }

    @ParameterizedTest
    @MethodSource("detents")
    void aDetentHoldsWhatComesNearAndSmallStepsLeadOutOfIt(Form form) {
        Stage stage = stage(control(form, List.of()));
        touch(stage, Phase.SET, 0, 0.4);
        touch(stage, Phase.PRESS, 0.5, 0.4);
        touch(stage, Phase.MOVE, 0.5, 0.49);
        assertThat(positions(stage)).containsExactly(0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.49);
        for (double at : List.of(0.51, 0.52, 0.53)) {
            touch(stage, Phase.STEP, 0, 0.01);
            assertThat(positions(stage).get(0)).isEqualTo(at, within(1e-9));
        }
        touch(stage, Phase.STEP, 0, -0.1);
        assertThat(positions(stage)).containsExactly(0.5);
    }

    @Test
    void aDetentLiesWhereItIsWanted() {
        Form unity = new Fader(Form.Direction.UP, Form.Grab.JUMP, Optional.of(0.75), false, 0, List.of());
        Stage stage = stage(control(unity, List.of(send(Send.Phase.CHANGE, "/it", value(0, 0, 1)))));
        touch(stage, Phase.SET, 0, 0.5);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.5, 0.735);
        assertThat(positions(stage)).containsExactly(0.75);
        touch(stage, Phase.MOVE, 0.5, 0.72);
        assertThat(positions(stage)).containsExactly(0.72);
        touch(stage, Phase.MOVE, 0.5, 0.765);
        assertThat(positions(stage)).containsExactly(0.75);
    }

    /** 0.562 is no number of 32 bits: what the target answers stands a rounding beside it. */
    @Test
    void aDetentIsLeftByKeyAndHeldByFingerAfterTheTargetHasRoundedIt() {
        Form unity = new Fader(Form.Direction.UP, Form.Grab.RELATIVE, Optional.of(0.562), false, 0, List.of());
        Stage stage = stage(
                control(unity, List.of(send(Send.Phase.CHANGE, "/it", value(0, 0, 1))), hears("/it", 0, 0, 0, 1)));
        stage.desk("/it", 0.562f);
        touch(stage, Phase.STEP, 0, 0.01);
        assertThat(positions(stage).get(0)).isEqualTo(0.572, within(1e-6));
        touch(stage, Phase.RELEASE, 0, 0);
        stage.pass(2_000);
        stage.desk("/it", 0.562f);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.5, 0.51);
        assertThat(positions(stage)).containsExactly(0.562);
        touch(stage, Phase.MOVE, 0.5, 0.53);
        assertThat(positions(stage).get(0)).isEqualTo(0.592, within(1e-6));
    }

    @Test
    void aDetentBeyondTheWayIsRefused() {
        assertThat(Shows.refused(
                        Shows.withPage(),
                        Shows.ADA,
                        put(new PartId("it"), PAGE, control(Knob.holdingAt(1.5), List.of()))))
                .anySatisfy(problem -> assertThat(problem.field()).isEqualTo("form/holdsAt"));
    }

    @ParameterizedTest
    @MethodSource("detents")
    void aSlowFingerIsHeldAndThenLeadsOut(Form form) {
        Stage stage = stage(control(form, List.of()));
        touch(stage, Phase.SET, 0, 0.45);
        touch(stage, Phase.PRESS, 0.5, 0.2);
        List<Double> way = new ArrayList<>();
        for (int i = 1; i <= 100; i++) {
            touch(stage, Phase.MOVE, 0.5, 0.2 + i * 0.001);
            way.add(positions(stage).get(0));
        }
        assertThat(way).isSorted();
        assertThat(way.stream().filter(at -> at == 0.5).count()).isBetween(38L, 40L);
        assertThat(way.get(99)).isEqualTo(0.55, within(1e-9));
    }

    @ParameterizedTest
    @MethodSource("detents")
    void aFineFingerAndFineStepsAreNotCaught(Form form) {
        List<Send> sends = List.of(send(Send.Phase.CHANGE, "/it", value(0, 0, 1)));
        Stage stage = stage(control(form, sends));
        touch(stage, Phase.SET, 0, 0.5);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        Asking.touch(stage.live, new Touch(new PartId("it"), "1", Phase.MOVE, 0.5, 0.55, true, ""), ADA, stage.now);
        assertThat(positions(stage).get(0)).isEqualTo(0.505, within(1e-9));
        touch(stage, Phase.MOVE, 0.5, 0.553);
        touch(stage, Phase.RELEASE, 0.5, 0.553);
        assertThat(positions(stage).get(0)).isEqualTo(0.508, within(1e-9));
        for (int i = 0; i < 3; i++) {
            Asking.touch(stage.live, new Touch(new PartId("it"), "key", Phase.STEP, 0, 0.01, true, ""), ADA, stage.now);
        }
        assertThat(positions(stage).get(0)).isEqualTo(0.511, within(1e-9));
        // nobody's hand is on it while somebody edits the show
        Asking.touch(stage.live, new Touch(new PartId("it"), "key", Phase.RELEASE, 0, 0, false, ""), ADA, stage.now);
        stage.live.load(
                Shows.accepted(
                        Shows.withPage(),
                        Shows.ADA,
                        put(new PartId("it"), PAGE, control(form, sends).labelled("Other"))),
                stage.now);
        assertThat(positions(stage).get(0)).isEqualTo(0.511, within(1e-9));
    }

    @ParameterizedTest
    @EnumSource(Button.Action.class)
    void aButtonThatBecomesAPadWhileItIsHeldLetsGo(Button.Action action) {
        Stage stage = button(action, PLAIN, PRESSED);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        Show changed = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("it"), PAGE, control(new Pad(Form.Grab.JUMP, false), List.of())));
        stage.live.load(changed, stage.now);
        assertThat(stage.value("it").holder()).isEmpty();
        assertThat(stage.value("it").axes()).hasSize(2);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
        touch(stage, Phase.STEP, 0.1, 0.1);
        assertThat(positions(stage).get(1)).isEqualTo(0.6, within(1e-9));
    }

    // ---- springs

    private static Stream<Form> springing() {
        return Stream.of(
                new Fader(Form.Direction.UP, Form.Grab.JUMP, Optional.empty(), true, 0.5, List.of()),
                new Knob(Optional.empty(), true, 0.5));
    }

    @ParameterizedTest
    @MethodSource("springing")
    void whatSpringsGoesBackWhenTheFingerLifts(Form form) {
        Stage stage = stage(
                control(form, List.of(send(Send.Phase.CHANGE, "/bend", value(0, -2, 2))), hears("/bend", 0, 0, -2, 2)));
        stage.desk("/bend", 0f);
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.5, 1);
        assertThat(stage.takeSent()).containsExactly("/bend 2.0");
        touch(stage, Phase.RELEASE, 0.5, 1);
        assertThat(stage.takeSent()).containsExactly("/bend 0.0");
    }

    @Test
    void whatSpringsGoesBackWhenItsFingerIsLost() {
        Stage stage = stage(control(
                new Knob(Optional.empty(), true, 0.5), List.of(send(Send.Phase.CHANGE, "/bend", value(0, -2, 2)))));
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.MOVE, 0.5, 0.75);
        stage.takeSent();
        stage.pass(2_100);
        assertThat(stage.takeSent()).containsExactly("/bend 0.0");
    }

    @Test
    void aKeyHoldsWhatSpringsUntilItIsLetGo() {
        Stage stage = stage(control(
                new Knob(Optional.empty(), true, 0.5),
                List.of(
                        send(Send.Phase.PRESS, "/on"),
                        send(Send.Phase.CHANGE, "/bend", value(0, -2, 2)),
                        send(Send.Phase.RELEASE, "/off"))));
        touch(stage, Phase.STEP, 0, 0.25);
        touch(stage, Phase.STEP, 0, 0.25);
        assertThat(stage.takeSent()).containsExactly("/on", "/bend 1.0", "/bend 2.0");
        touch(stage, Phase.RELEASE, 0, 0);
        assertThat(stage.takeSent()).containsExactly("/bend 0.0", "/off");
        touch(stage, Phase.SET, 0, 0);
        touch(stage, Phase.RELEASE, 0, 0);
        assertThat(stage.takeSent()).containsExactly("/on", "/bend -2.0", "/bend 0.0", "/off");
    }
}
