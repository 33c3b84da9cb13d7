package imperan.live;

import static imperan.live.OneControl.control;
import static imperan.live.OneControl.positions;
import static imperan.live.OneControl.send;
import static imperan.live.OneControl.stage;
import static imperan.live.OneControl.touch;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.osc.OscArgument;
import imperan.shaping.AtMostEvery;
import imperan.shaping.Breakpoints;
import imperan.shaping.Breakpoints.Breakpoint;
import imperan.shaping.Edge;
import imperan.shaping.Flip;
import imperan.shaping.Power;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.shaping.Table;
import imperan.shaping.Toggle;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Tilt;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What happens between a hand and an argument, in time. */
class ShapingTest {

    private static final Fader FADER = Fader.plain(Form.Direction.UP, Fader.Grab.JUMP);

    private static ArgumentSource.Value shaped(ArgumentType type, ShapingStep... steps) {
        return new ArgumentSource.Value(type, List.of(steps), 0);
    }

    private static Stage fader(ShapingStep... steps) {
        return stage(control(FADER, List.of(send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32, steps)))));
    }

    private static double number(String sent) {
        return Double.parseDouble(sent.substring(sent.lastIndexOf(' ') + 1));
    }

    /** Source: the closed form of first-order smoothing, −30 + 60 · e^(−t/τ) turned over: any handbook of control engineering. */
    @Test
    void aTiltIsTurnedOverSmoothedAndArrivesThoughItStopsMoving() {
        Stage stage = stage(control(
                new Tilt(45),
                List.of(send(
                        Send.Phase.CHANGE,
                        "/x",
                        shaped(ArgumentType.FLOAT32, new Smooth(0.25), new Flip(), new Scale(-30, 30))))));
        touch(stage, Phase.TILT, -45, 0);
        stage.takeSent();
        touch(stage, Phase.TILT, 45, 0);
        long began = stage.now;
        for (int i = 0; i < 50; i++) {
            stage.pass(20);
            List<String> sent = stage.takeSent();
            assertThat(sent).hasSize(1);
            assertThat(number(sent.get(0))).isEqualTo(-30 + 60 * Math.exp(-(stage.now - began) / 0.25e9), within(1e-4));
        }
        stage.pass(5_000);
        assertThat(stage.takeSent()).last().isEqualTo("/x -30.0");
        assertThat(stage.live.nextDue()).as("nothing is under way any more").isGreaterThan(stage.now + 10_000 * MS);
    }

    @Test
    void whatGlidesStaysWithinThePaceOfItsTarget() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(
                        new PartId("it"),
                        PAGE,
                        control(
                                FADER,
                                List.of(send(
                                        Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32, new Smooth(0.5)))))));
        Stage stage = new Stage(Shows.accepted(
                show, Shows.ADA, Shows.change(show, DESK, Shows.target("Desk").paced(10))));
        touch(stage, Phase.SET, 0, 0.1);
        stage.pass(1_000);
        stage.takeSent();
        touch(stage, Phase.SET, 0, 1);
        stage.pass(1_000);
        assertThat(stage.takeSent()).hasSizeBetween(9, 12);
        stage.pass(6_000);
        assertThat(stage.takeSent()).last().isEqualTo("/level 1.0");
    }

    @Test
    void theEndOfAGlideLeavesBeforeWhatTheReleaseSends() {
        Stage stage = stage(control(
                FADER,
                List.of(
                        send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32, new Smooth(1))),
                        send(Send.Phase.RELEASE, "/done"))));
        touch(stage, Phase.SET, 0, 0.2);
        touch(stage, Phase.PRESS, 0, 0.2);
        touch(stage, Phase.MOVE, 0, 0.9);
        stage.pass(100);
        stage.takeSent();
        touch(stage, Phase.RELEASE, 0, 0.9);
        assertThat(stage.takeSent()).containsExactly("/level 0.9", "/done");
        stage.pass(2_000);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void whatComesTooSoonWaitsAndSaysSo() {
        Stage stage = fader(new AtMostEvery(200));
        touch(stage, Phase.SET, 0, 0.1);
        touch(stage, Phase.SET, 0, 0.2);
        touch(stage, Phase.SET, 0, 0.3);
        assertThat(stage.takeSent()).containsExactly("/level 0.1");
        assertThat(Stage.why(stage.trace("it"))).isEqualTo("It waits: at most one value in 200 ms is sent");
        stage.pass(200);
        assertThat(stage.takeSent()).containsExactly("/level 0.3");
    }

    /** The actor of what comes later is the one whose hand led to it. */
    @Test
    void whatGoesOnByItselfIsStillTheWorkOfThatHand() {
        Stage stage = fader(new Smooth(0.1));
        touch(stage, Phase.SET, 0, 0.1);
        touch(stage, Phase.SET, 0, 0.9);
        stage.events.clear();
        stage.pass(40);
        assertThat(stage.events)
                .filteredOn(LiveEvent.LineLeft.class::isInstance)
                .hasSize(2)
                .allSatisfy(event -> assertThat(
                                ((LiveEvent.LineLeft) event).cause().actor().name())
                        .isEqualTo("Ada"));
    }

    @Test
    void whileItGlidesWhatIsReportedDoesNotPullItBack() {
        Stage stage = stage(control(
                FADER,
                List.of(send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32, new Smooth(0.25)))),
                Listen.asSent(Optional.of(DESK), "/level", 0)));
        stage.desk("/level", 0.2f);
        touch(stage, Phase.SET, 0, 1);
        stage.pass(100);
        String on = stage.takeSent().get(2);
        stage.desk("/level", (float) number(on));
        assertThat(positions(stage)).containsExactly(1.0);
        stage.pass(5_000);
        assertThat(stage.takeSent()).last().isEqualTo("/level 1.0");
        stage.desk("/level", 1f);
        assertThat(stage.value("it").disputed()).isFalse();
        assertThat(stage.value("it").unanswered()).isFalse();
        stage.desk("/level", 0.5f);
        touch(stage, Phase.SET, 0, 0.6);
        stage.pass(20);
        assertThat(stage.takeSent()).allSatisfy(sent -> assertThat(number(sent))
                .as("on from where the target is")
                .isBetween(0.5, 0.52));
    }

    @Test
    void anotherHandOnTheSameLineEndsTheGlide() {
        Control level =
                control(FADER, List.of(send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32, new Smooth(2)))));
        Stage stage = new Stage(Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("it"), PAGE, level),
                put(
                        new PartId("other"),
                        PAGE,
                        Control.plain(
                                "Other",
                                new Cells(1, 0, 1, 1),
                                FADER,
                                List.of(send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32))),
                                List.of()))));
        touch(stage, Phase.SET, 0, 0.1);
        touch(stage, Phase.SET, 0, 1);
        stage.pass(100);
        stage.takeSent();
        stage.touch(Stage.BEN, "other", Phase.SET, 0.3);
        stage.pass(3_000);
        assertThat(stage.takeSent()).containsExactly("/level 0.3");
    }

    @Test
    void aTargetThatIsHeldEndsTheGlide() {
        Stage stage = fader(new Smooth(2));
        touch(stage, Phase.SET, 0, 0.1);
        touch(stage, Phase.SET, 0, 1);
        stage.pass(100);
        stage.takeSent();
        Asking.gate(stage.live, DESK, Gate.HELD, stage.now);
        stage.pass(3_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.events.stream()
                        .filter(event ->
                                event instanceof LiveEvent.Stopped stopped && stopped.reason() instanceof Reason.Gated))
                .as("said once")
                .hasSize(1);
        Asking.gate(stage.live, DESK, Gate.OPEN, stage.now);
        stage.pass(3_000);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void anEditOfAnotherStepLetsAGlideGoOn() {
        Stage stage = fader(new Smooth(1), new Scale(0, 1));
        touch(stage, Phase.SET, 0, 0.1);
        touch(stage, Phase.SET, 0, 1);
        stage.pass(500);
        List<String> sent = stage.takeSent();
        double before = number(sent.get(sent.size() - 1));
        stage.live.load(
                Shows.accepted(
                        Shows.withPage(),
                        Shows.ADA,
                        put(
                                new PartId("it"),
                                PAGE,
                                control(
                                        FADER,
                                        List.of(send(
                                                Send.Phase.CHANGE,
                                                "/level",
                                                shaped(ArgumentType.FLOAT32, new Smooth(1), new Scale(0, 10))))))),
                stage.now);
        stage.pass(20);
        assertThat(number(stage.takeSent().get(0))).isEqualTo(10 * (1 - (1 - before) * Math.exp(-0.02)), within(1e-4));
    }

    // ---- what is sent only now and then

    @Test
    void anEdgeSendsOnceAndTheRestOfTheWayIsSaidToBeKept() {
        Stage stage = fader(new Edge(Edge.Way.RISING));
        for (double to : new double[] {0.2, 0.6, 0.8, 0.4, 0.7}) {
            touch(stage, Phase.SET, 0, to);
        }
        assertThat(stage.takeSent())
                .as("each moment counts, though it says the same")
                .containsExactly("/level 1.0", "/level 1.0");
        touch(stage, Phase.SET, 0, 0.9);
        assertThat(Stage.why(stage.trace("it"))).contains("only when the value rises past the middle");
    }

    @Test
    void aToggleBeginsWithWhatTheTargetSaidLast() {
        Stage stage = stage(control(
                Button.plain(Button.Action.MOMENTARY),
                List.of(send(Send.Phase.PRESS, "/mute", shaped(ArgumentType.INT32, new Toggle()))),
                Listen.value(Optional.of(DESK), "/mute", 0, 0, 1)));
        stage.desk("/mute", new OscArgument.Int32(1));
        press(stage);
        assertThat(stage.takeSent()).containsExactly("/mute 0");
        stage.desk("/mute", new OscArgument.Int32(0));
        assertThat(stage.value("it").unanswered()).isFalse();
        press(stage);
        assertThat(stage.takeSent()).containsExactly("/mute 1");
        stage.desk("/mute", new OscArgument.Int32(0));
        stage.pass(3_000);
        assertThat(stage.value("it").unanswered())
                .as("1 was sent, and 0 came back")
                .isTrue();
    }

    private static void press(Stage stage) {
        touch(stage, Phase.PRESS, 0.5, 0.5);
        touch(stage, Phase.RELEASE, 0.5, 0.5);
    }

    @Test
    void aSwitchSendsFourForOffAndOneForOn() {
        Stage stage = stage(control(
                Button.plain(Button.Action.LATCHING),
                List.of(send(
                        Send.Phase.CHANGE,
                        "/mode",
                        shaped(
                                ArgumentType.INT32,
                                new Table(
                                        List.of(new Table.Entry("0", "4"), new Table.Entry("1", "1")),
                                        Optional.empty())))),
                Listen.asSent(Optional.of(DESK), "/mode", 0)));
        press(stage);
        press(stage);
        assertThat(stage.takeSent()).containsExactly("/mode 1", "/mode 4");
        stage.desk("/mode", new OscArgument.Int32(1));
        stage.pass(3_000);
        stage.desk("/mode", new OscArgument.Int32(1));
        assertThat(positions(stage)).containsExactly(1.0);
    }

    /** Two sends, of which one is kept: what left is what the path shows. */
    @Test
    void whatOneSendKeepsDoesNotHideWhatAnotherSent() {
        Stage stage = stage(control(
                FADER,
                List.of(
                        send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.FLOAT32)),
                        send(Send.Phase.CHANGE, "/over", shaped(ArgumentType.FLOAT32, new Edge(Edge.Way.RISING))))));
        touch(stage, Phase.SET, 0, 0.3);
        assertThat(stage.takeSent()).containsExactly("/level 0.3");
        assertThat(stage.trace("it").line().orElseThrow().address()).isEqualTo("/level");
        assertThat(stage.trace("it").wire()).isPresent();
        Stage kept = fader(new Edge(Edge.Way.RISING));
        touch(kept, Phase.SET, 0, 0.3);
        assertThat(kept.trace("it").wire()).isEmpty();
        assertThat(kept.live.restPreview(List.of(new PartId("it"))))
                .as("at rest an edge says nothing")
                .isEmpty();
    }

    // ---- back

    @Test
    void decibelsByATaperAreHeardTheSameWay() {
        Breakpoints taper = new Breakpoints(
                List.of(new Breakpoint(0, -90), new Breakpoint(0.25, -30), new Breakpoint(1, 10)), "−∞");
        Stage stage = stage(control(
                FADER,
                List.of(send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.TEXT, taper))),
                Listen.asSent(Optional.of(DESK), "/level", 0)));
        touch(stage, Phase.SET, 0, 0.25);
        touch(stage, Phase.SET, 0, 0);
        assertThat(stage.takeSent()).containsExactly("/level “-30.0”", "/level “−∞”");
        assertThat(stage.value("it").text()).isEqualTo("−∞");
        stage.desk("/level", new OscArgument.Text("−∞"));
        assertThat(positions(stage)).containsExactly(0.0);
    }

    /** An 8-bit level is right within half a step, whatever the curve: at the flat end of the curve half a step is a long way of the fader. */
    @Test
    void agreementIsJudgedInTheArgumentsOwnTerms() {
        Stage stage = stage(control(
                FADER,
                List.of(send(Send.Phase.CHANGE, "/level", shaped(ArgumentType.INT32, new Power(3), new Scale(0, 255)))),
                Listen.asSent(Optional.of(DESK), "/level", 0)));
        touch(stage, Phase.SET, 0, 0.1);
        assertThat(stage.takeSent()).containsExactly("/level 0");
        stage.desk("/level", new OscArgument.Int32(0));
        stage.pass(3_000);
        assertThat(stage.value("it").unanswered()).isFalse();
        assertThat(stage.value("it").disputed()).isFalse();
        touch(stage, Phase.SET, 0, 0.9);
        stage.desk("/level", new OscArgument.Int32(185));
        stage.pass(3_000);
        assertThat(stage.value("it").unanswered()).as("186 was sent").isTrue();
    }

    // ---- refused

    @Test
    void whatTakesTimeGoesWithASendOnChange() {
        Control pressed =
                control(FADER, List.of(send(Send.Phase.PRESS, "/level", shaped(ArgumentType.FLOAT32, new Smooth(1)))));
        List<Problem> problems = Shows.refused(Shows.withPage(), Shows.ADA, put(new PartId("it"), PAGE, pressed));
        assertThat(problems).singleElement().satisfies(problem -> {
            assertThat(problem.field()).isEqualTo("sends/0/arguments/0/shaping");
            assertThat(problem.message()).contains("only where it is sent on change");
        });
    }

    @Test
    void textsAreNotSentAsNumbers() {
        Control wrong = control(
                FADER,
                List.of(send(
                        Send.Phase.CHANGE,
                        "/level",
                        shaped(ArgumentType.INT32, new Table(List.of(new Table.Entry("1", "on")), Optional.empty())))));
        assertThat(Shows.refused(Shows.withPage(), Shows.ADA, put(new PartId("it"), PAGE, wrong)))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("send them as a text"));
        Control unheard = control(
                FADER,
                List.of(),
                new Listen(Optional.of(DESK), "/level", 0, Optional.of(List.of(new Toggle())), Listen.Role.VALUE, 0));
        assertThat(Shows.refused(Shows.withPage(), Shows.ADA, put(new PartId("it"), PAGE, unheard)))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.field()).isEqualTo("listens/0/shaping/0");
                    assertThat(problem.message()).contains("cannot go back through this step: the same press");
                });
    }
}
