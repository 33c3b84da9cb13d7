package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.BEN;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** From hands to messages. */
class TouchTest {

    private static Stage stage(Control... controls) {
        Show show = Shows.withPage();
        for (int i = 0; i < controls.length; i++) {
            show = Shows.accepted(show, Shows.ADA, put(new PartId("c" + i), PAGE, controls[i]));
        }
        return new Stage(show);
    }

    private static Control fader(Form.Grab grab) {
        Control plain = Shows.fader("Level", 0, "/level");
        return Control.plain(
                plain.label(),
                plain.cells(),
                Fader.restingAt(Form.Direction.UP, grab, 0.25),
                plain.sends(),
                plain.listens());
    }

    private static Control sending(ArgumentType type, double low, double high) {
        return Control.plain(
                "Level",
                new Cells(0, 0, 1, 1),
                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(Stage.DESK),
                        "/level",
                        List.of(new ArgumentSource.Value(type, low, high)))),
                List.of());
    }

    @ParameterizedTest
    @CsvSource({"RELATIVE", "PICK_UP", "JUMP"})
    void aFaderOfUnknownValueNeverJumpsAndMovesFromItsRest(Form.Grab grab) {
        Stage stage = stage(fader(grab));
        stage.touch(ADA, "c0", Phase.PRESS, 0.9);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.value("c0").position()).isEqualTo(0.25);

        stage.touch(ADA, "c0", Phase.MOVE, 1.0);
        assertThat(stage.value("c0").position()).isCloseTo(0.35, within(1e-9));
        assertThat(stage.takeSent()).singleElement().asString().startsWith("/level 0.35");
    }

    /** A target answers in 32 bits, so a way back from what it said misses the end by a few billionths. */
    @Test
    void aDragToAnEndEndsThere() {
        Stage stage = stage(fader(Form.Grab.RELATIVE));
        stage.desk("/level", 0.35f);
        stage.touch(ADA, "c0", Phase.PRESS, 0.8);
        stage.touch(ADA, "c0", Phase.MOVE, 0.8 - 0.35);
        assertThat(stage.value("c0").position()).isZero();
        assertThat(stage.takeSent()).endsWith("/level 0.0");
        stage.touch(ADA, "c0", Phase.MOVE, 0.8 - 0.35 + 1);
        assertThat(stage.value("c0").position()).isEqualTo(1);
    }

    @Test
    void aKnownFaderTakesAFingerAsItIsSet() {
        Stage relative = stage(fader(Form.Grab.RELATIVE));
        Stage pickUp = stage(fader(Form.Grab.PICK_UP));
        Stage jump = stage(fader(Form.Grab.JUMP));
        for (Stage stage : List.of(relative, pickUp, jump)) {
            stage.desk("/level", 0.5f);
            stage.touch(ADA, "c0", Phase.PRESS, 0.8);
            stage.touch(ADA, "c0", Phase.MOVE, 0.7);
        }
        assertThat(relative.value("c0").position()).isCloseTo(0.4, within(1e-9));
        assertThat(pickUp.value("c0").position()).isEqualTo(0.5);
        assertThat(jump.value("c0").position()).isEqualTo(0.7);

        pickUp.touch(ADA, "c0", Phase.MOVE, 0.45);
        assertThat(pickUp.value("c0").position()).isEqualTo(0.45);
    }

    @Test
    void fineMovementIsATenth() {
        Stage stage = stage(fader(Form.Grab.RELATIVE));
        stage.touch(ADA, "c0", Phase.PRESS, 0.2);
        stage.touch(ADA, "c0", Phase.MOVE, 0.7, true);
        assertThat(stage.value("c0").position()).isCloseTo(0.3, within(1e-9));
    }

    @Test
    void keysStepAndSet() {
        Stage stage = stage(fader(Form.Grab.RELATIVE));
        stage.touch(ADA, "c0", Phase.STEP, 0.01);
        stage.touch(ADA, "c0", Phase.STEP, 0.01, true);
        assertThat(stage.value("c0").position()).isCloseTo(0.261, within(1e-9));
        stage.touch(ADA, "c0", Phase.SET, 1);
        stage.touch(ADA, "c0", Phase.STEP, 0.1);
        assertThat(stage.value("c0").position()).isEqualTo(1);
        assertThat(stage.takeSent()).last().isEqualTo("/level 1.0");
    }

    @Test
    void theSameValueIsNotSentAgain() {
        Stage stage = stage(sending(ArgumentType.INT32, 0, 10));
        stage.touch(ADA, "c0", Phase.SET, 0.50);
        stage.touch(ADA, "c0", Phase.SET, 0.51);
        stage.touch(ADA, "c0", Phase.SET, 0.60);
        assertThat(stage.takeSent()).containsExactly("/level 5", "/level 6");
    }

    /** What was said last stands there no longer, so it is no repeat; but what the target only echoes does not make one of it. */
    @Test
    void whatWasSaidLastIsSaidAgainOnceTheTargetMovedItAway() {
        Control level = Shows.fader("Level", 0, "/level");
        Stage stage = stage(level);
        stage.touch(ADA, "c0", Phase.SET, 0.75);
        stage.desk("/level", 0.75f);
        stage.touch(ADA, "c0", Phase.SET, 0.75);
        assertThat(stage.takeSent()).containsExactly("/level 0.75");
        stage.desk("/level", 0.25f);
        stage.touch(ADA, "c0", Phase.SET, 0.75);
        assertThat(stage.takeSent()).containsExactly("/level 0.75");
    }

    /** Whole numbers are rounded, not cut: 0.07 of 100 is 7, although the product in binary is 7.000000000000001 or less. */
    @ParameterizedTest
    @CsvSource({
        "INT32, 0, 100, 0.07, 7",
        "INT32, 0, 127, 0.5, 64",
        "INT32, 100, 0, 0.25, 75",
        "INT64, 0, 1000, 0.9996, 1000",
        "FLOAT32, -45, 45, 0.5, 0.0",
        "FLOAT64, 2, 1, 1, 1.0",
        "TEXT, 0, 1, 0.5, “0.500”",
        "BOOLEAN, 0, 1, 0.5, true",
        "BOOLEAN, 0, 1, 0.49, false",
    })
    void positionsBecomeArguments(ArgumentType type, double low, double high, double position, String argument) {
        Stage stage = stage(sending(type, low, high));
        stage.touch(ADA, "c0", Phase.SET, position);
        assertThat(stage.takeSent()).containsExactly("/level " + argument);
    }

    @Test
    void fixedArgumentsKeepTheirPlace() {
        Stage stage = stage(Control.plain(
                "Level",
                new Cells(0, 0, 1, 1),
                Button.plain(Button.Action.MOMENTARY),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(Stage.DESK),
                        "/set",
                        List.of(
                                new ArgumentSource.Fixed(ArgumentType.INT32, "3"),
                                new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1),
                                new ArgumentSource.Fixed(ArgumentType.TEXT, "now")))),
                List.of()));
        stage.touch(ADA, "c0", Phase.PRESS, 0);
        assertThat(stage.takeSent()).containsExactly("/set 3  1.0  “now”");
    }

    @Test
    void aMomentaryButtonIsOnWhileHeld() {
        Stage stage = stage(Shows.button("Go", 0, false, "/go"));
        stage.touch(ADA, "c0", Phase.PRESS, 0);
        stage.touch(ADA, "c0", Phase.RELEASE, 0);
        assertThat(stage.takeSent()).containsExactly("/go 1", "/go 0");
        assertThat(stage.value("c0").presses()).isEqualTo(1);
    }

    @Test
    void aLatchingButtonTurnsOverWithEachPress() {
        Stage stage = stage(Shows.button("Mute", 0, true, "/mute"));
        for (int i = 0; i < 2; i++) {
            stage.touch(ADA, "c0", Phase.PRESS, 0);
            stage.touch(ADA, "c0", Phase.RELEASE, 0);
        }
        assertThat(stage.takeSent()).containsExactly("/mute 1", "/mute 0");
    }

    @Test
    void sendsGoOutOnTheirPhaseInTheirOrder() {
        Control button = Control.plain(
                "Go",
                new Cells(0, 0, 1, 1),
                Button.plain(Button.Action.MOMENTARY),
                List.of(
                        new Send(Send.Phase.PRESS, Optional.of(Stage.DESK), "/down", List.of()),
                        new Send(Send.Phase.RELEASE, Optional.of(Stage.DESK), "/up", List.of()),
                        new Send(Send.Phase.PRESS, Optional.of(Stage.DESK), "/then", List.of())),
                List.of());
        Stage stage = stage(button);
        for (int i = 0; i < 2; i++) {
            stage.touch(ADA, "c0", Phase.PRESS, 0);
            stage.touch(ADA, "c0", Phase.RELEASE, 0);
        }
        // the same press is sent again: only changes are suppressed
        assertThat(stage.takeSent()).containsExactly("/down", "/then", "/up", "/down", "/then", "/up");
    }

    @Test
    void theFirstFingerHasItAndTheSecondIsToldWho() {
        Stage stage = stage(fader(Form.Grab.RELATIVE));
        stage.touch(ADA, "c0", Phase.PRESS, 0.5);
        stage.touch(BEN, "c0", Phase.PRESS, 0.5);
        stage.touch(BEN, "c0", Phase.MOVE, 0.9);
        stage.touch(BEN, "c0", Phase.STEP, 0.1);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.value("c0").holderName()).isEqualTo("Ada");
        assertThat(stage.trace("c0").stopped()).hasValue(new Reason.HeldByAnother("Ada"));
        stage.touch(ADA, "c0", Phase.RELEASE, 0.5);
        stage.touch(BEN, "c0", Phase.PRESS, 0.5);
        stage.touch(BEN, "c0", Phase.MOVE, 0.6);
        assertThat(stage.value("c0").movedBy()).isEqualTo("Ben");
    }

    @Test
    void aDeviceThatVanishesLetsGoTwoSecondsAfterItsLastHeartbeat() {
        Stage stage = stage(Shows.button("Go", 0, false, "/go"));
        stage.touch(ADA, "c0", Phase.PRESS, 0);
        stage.pass(1500);
        stage.live.heartbeat(ADA.id(), stage.now);
        stage.pass(1990);
        assertThat(stage.takeSent()).containsExactly("/go 1");
        stage.pass(20);
        assertThat(stage.takeSent()).containsExactly("/go 0");
        assertThat(stage.value("c0").holder()).isEmpty();
    }

    @Test
    void anEditOfOneControlLeavesTheOthersInTheHand() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("c0"), PAGE, fader(Form.Grab.RELATIVE)),
                put(new PartId("c1"), PAGE, Shows.button("Mute", 1, true, "/mute")));
        Stage stage = new Stage(show);
        stage.touch(ADA, "c0", Phase.PRESS, 0.5);
        stage.touch(ADA, "c0", Phase.MOVE, 0.6);
        Show edited = Shows.accepted(
                show, Shows.BEN, Shows.change(show, new PartId("c1"), Shows.button("Silence", 1, true, "/mute")));
        stage.live.load(edited, stage.now);
        stage.touch(ADA, "c0", Phase.MOVE, 0.7);
        assertThat(stage.value("c0").position()).isCloseTo(0.45, within(1e-9));
        assertThat(stage.takeSent()).hasSize(2);
    }

    @Test
    void anEditOfTheControlInTheHandKeepsItsValue() {
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(new PartId("c0"), PAGE, fader(Form.Grab.RELATIVE)));
        Stage stage = new Stage(show);
        stage.desk("/level", 0.5f);
        Control renamed = Shows.fader("New name", 0, "/level");
        stage.live.load(Shows.accepted(show, Shows.BEN, Shows.change(show, new PartId("c0"), renamed)), stage.now);
        assertThat(stage.value("c0").position()).isEqualTo(0.5);
        assertThat(stage.value("c0").belief()).isEqualTo(Belief.KNOWN);
    }

    @Test
    void aTouchThatEndsNowhereSaysWhere() {
        Listen listen = Listen.value(Optional.of(Stage.DESK), "/x", 0, 0, 1);
        Control mute = Control.plain(
                "No target",
                new Cells(0, 0, 1, 1),
                Button.plain(Button.Action.LATCHING),
                List.of(new Send(Send.Phase.CHANGE, Optional.empty(), "/x", List.of())),
                List.of(listen));
        Control bare = Control.plain(
                "No send", new Cells(1, 0, 1, 1), Button.plain(Button.Action.LATCHING), List.of(), List.of());
        Stage stage = stage(mute, bare, Shows.fader("F", 2, "/f"));
        stage.touch(ADA, "c0", Phase.PRESS, 0);
        assertThat(Stage.why(stage.trace("c0"))).isEqualTo("No target is set");
        stage.touch(ADA, "c1", Phase.PRESS, 0);
        assertThat(Stage.why(stage.trace("c1"))).isEqualTo("This control has no send yet");
        stage.live.socket(
                Stage.DESK, SocketState.taken("Port 9201 on this machine is taken by another program"), stage.now);
        stage.touch(ADA, "c2", Phase.SET, 1);
        assertThat(stage.trace("c2").stopped())
                .hasValue(new Reason.SocketBroken("Port 9201 on this machine is taken by another program"));
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void aTestFireSendsWhateverWasSentBefore() {
        Stage stage = stage(fader(Form.Grab.RELATIVE));
        Asking.testFire(stage.live, new PartId("c0"), 0, stage.now);
        Asking.testFire(stage.live, new PartId("c0"), 0, stage.now);
        Asking.testFire(stage.live, new PartId("c0"), 7, stage.now);
        assertThat(stage.takeSent()).containsExactly("/level 0.25", "/level 0.25");
    }
}
