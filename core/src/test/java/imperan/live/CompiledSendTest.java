package imperan.live;

import static imperan.show.Shows.DESK;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.osc.OscArgument;
import imperan.shaping.Add;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.shaping.Smooth;
import imperan.shaping.Toggle;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Send;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Pad;
import imperan.show.form.Position;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A send as it is made ready: what it says, of which axis, and what it remembers over an edit. */
class CompiledSendTest {

    private static final long SECOND = 1_000_000_000L;
    private static final Form FADER = Fader.plain(Fader.Direction.UP, Form.Grab.RELATIVE);
    private static final Form PAD = new Pad(Form.Grab.RELATIVE, false);

    private static ArgumentSource value(ArgumentType type, int axis, ShapingStep... steps) {
        return new ArgumentSource.Value(type, List.of(steps), axis);
    }

    private static Send send(ArgumentSource... arguments) {
        return new Send(Send.Phase.CHANGE, Optional.of(DESK), "/a", List.of(arguments));
    }

    private static Position at(double... axes) {
        return Position.of(axes);
    }

    private static Optional<List<OscArgument>> moved(CompiledSend send, Position to, long now) {
        return send.moved(to, 0, "", now, Cause.NONE, false);
    }

    private static OscArgument.Float32 number(double value) {
        return new OscArgument.Float32((float) value);
    }

    // ---- which axes

    @Test
    void anAxisIsCarriedByItsValueAllByAColourAndAllWhereThereIsNone() {
        CompiledSend second = new CompiledSend(send(value(ArgumentType.FLOAT32, 1, new Scale(0, 1))), PAD);
        assertThat(second.carries(0)).isFalse();
        assertThat(second.carries(1)).isTrue();
        CompiledSend fixed = new CompiledSend(send(new ArgumentSource.Fixed(ArgumentType.INT32, "1")), PAD);
        assertThat(fixed.carries(0)).isTrue();
        assertThat(fixed.carries(1)).isTrue();
    }

    @Test
    void theToleranceOfAnAxisComesFromTheArgumentThatCarriesIt() {
        CompiledSend send = new CompiledSend(
                send(value(ArgumentType.FLOAT32, 0, new Scale(0, 1)), value(ArgumentType.INT32, 1, new Scale(0, 10))),
                PAD);
        send.expect(Expectation.UNTOLD);
        assertThat(send.tolerance(0)).isEqualTo(Expectation.USUAL_SHARE);
        assertThat(send.tolerance(1)).isEqualTo(0.05);
    }

    @Test
    void aStepWithoutAWayBackIsOneOfItsOwnAxis() {
        CompiledSend send = new CompiledSend(
                send(value(ArgumentType.FLOAT32, 0, new Scale(0, 1)), value(ArgumentType.FLOAT32, 1, new Toggle())),
                PAD);
        assertThat(send.leadsBack(0)).isTrue();
        assertThat(send.leadsBack(1)).isFalse();
    }

    // ---- when something comes

    @Test
    void aSendWithoutAnythingToShapeSaysItselfEachTime() {
        CompiledSend fixed = new CompiledSend(send(new ArgumentSource.Fixed(ArgumentType.INT32, "3")), FADER);
        assertThat(moved(fixed, at(0.5), 0)).contains(List.of(new OscArgument.Int32(3)));
        CompiledSend typed = new CompiledSend(send(new ArgumentSource.Typed(ArgumentType.TEXT)), FADER);
        assertThat(typed.moved(at(0), 0, "Lamp", 0, Cause.NONE, false)).contains(List.of(new OscArgument.Text("Lamp")));
    }

    @Test
    void whatIsTypedComesThoughTheNumberBesideItIsKeptBackFromChanging() {
        CompiledSend send = new CompiledSend(
                send(value(ArgumentType.FLOAT32, 0, new Toggle()), new ArgumentSource.Typed(ArgumentType.TEXT)), FADER);
        // a toggle says nothing while nothing goes over its threshold
        assertThat(send.moved(at(0), 0, "Lamp", 0, Cause.NONE, false))
                .isEqualTo(new CompiledSend(send.send(), FADER).moved(at(0), 0, "Lamp", 0, Cause.NONE, false));
        CompiledSend alone = new CompiledSend(
                send(value(ArgumentType.FLOAT32, 0, new Toggle()), new ArgumentSource.Fixed(ArgumentType.INT32, "1")),
                FADER);
        alone.moved(at(1), 0, "", 0, Cause.NONE, false);
        assertThat(alone.moved(at(0.9), 0, "", 1, Cause.NONE, false))
                .as("a fixed argument makes nothing come")
                .isEmpty();
    }

    // ---- in time, and over an edit

    private static CompiledSend gliding() {
        return new CompiledSend(send(value(ArgumentType.FLOAT32, 0, new Smooth(0.2), new Scale(0, 100))), FADER);
    }

    @Test
    void aGlideIsOnItsWayUntilItsEnd() {
        CompiledSend send = gliding();
        moved(send, at(0), 0);
        double first =
                ((OscArgument.Float32) moved(send, at(1), SECOND).orElseThrow().get(0)).value();
        assertThat(first).as("from 0 towards 100").isLessThan(50);
        assertThat(send.isUnderWay()).isTrue();
        assertThat(send.saidAt(at(1)).first())
                .as("where it stands by what was said")
                .isCloseTo(first / 100, within(1e-6));
        assertThat(send.finished(2 * SECOND, 0, "")).contains(List.of(number(100)));
        assertThat(send.isUnderWay()).isFalse();
        assertThat(send.saidAt(at(1)).first()).isEqualTo(1);
    }

    @Test
    void anEditKeepsWhatIsUnderWayWhereTheSendIsStillTheSameAndNotElse() {
        CompiledSend before = gliding();
        moved(before, at(0), 0);
        moved(before, at(1), SECOND);
        CompiledSend after = new CompiledSend(before.send().at("/b"), FADER, Optional.of(before));
        assertThat(after.isUnderWay()).isTrue();
        assertThat(after.finished(2 * SECOND, 0, "")).contains(List.of(number(100)));
        Send onPress = new Send(
                Send.Phase.PRESS, Optional.of(DESK), "/a", before.send().arguments());
        assertThat(new CompiledSend(onPress, FADER, Optional.of(before)).isUnderWay())
                .as("it says something else by it")
                .isFalse();
        CompiledSend pad =
                new CompiledSend(send(value(ArgumentType.FLOAT32, 1, new Scale(0, 1))), PAD, Optional.of(before));
        assertThat(pad.at(at(0.25, 0.75))).containsExactly(number(0.75));
    }

    @Test
    void aReportMovesOnlyTheStepsOfItsAxis() {
        Send both = send(
                value(ArgumentType.FLOAT32, 0, new Smooth(0.2), new Scale(0, 1)),
                value(ArgumentType.FLOAT32, 1, new Smooth(0.2), new Scale(0, 1)));
        CompiledSend send = new CompiledSend(both, PAD);
        moved(send, at(0, 0), SECOND);
        send.stop(SECOND);
        send.reported(1, 1);
        moved(send, at(0, 0), 2 * SECOND);
        List<OscArgument> said = send.goesOn(2 * SECOND + SECOND / 10, 0, "")
                .orElseGet(() -> moved(send, at(0, 0), 2 * SECOND + SECOND / 10).orElseThrow());
        assertThat(((OscArgument.Float32) said.get(0)).value()).isZero();
        assertThat(((OscArgument.Float32) said.get(1)).value())
                .as("it comes down from where it was reported")
                .isGreaterThan(0);
    }

    // ---- its stages

    @Test
    void theStagesOfAWholeNumberAreWholeOnlyAtTheEnd() {
        CompiledSend send = new CompiledSend(
                send(
                        new ArgumentSource.Fixed(ArgumentType.INT32, "3"),
                        value(ArgumentType.INT32, 0, new Scale(0, 10), new Add(0.25))),
                FADER);
        moved(send, at(0.33), 0);
        assertThat(send.stages(2)).singleElement().satisfies(stages -> {
            assertThat(stages.send()).isEqualTo(2);
            assertThat(stages.argument()).isEqualTo(1);
            assertThat(stages.after()).hasSize(2);
            assertThat(stages.after().get(0).text()).isEqualTo("3.3");
            assertThat(stages.after().get(1).text()).doesNotContain(".");
            assertThat(stages.after().get(1).number().orElseThrow()).isCloseTo(3.55, within(1e-9));
        });
        CompiledSend decimal = new CompiledSend(send(value(ArgumentType.FLOAT32, 0, new Scale(0, 10))), FADER);
        moved(decimal, at(0.25), 0);
        assertThat(decimal.stages(0).findFirst().orElseThrow().after().get(0).text())
                .isEqualTo("2.5");
    }

    // ---- types

    @ParameterizedTest
    @CsvSource({"0, false", "-1, false", "1, true"})
    void turnsOfAWheelAsTrueAndFalse(int steps, boolean said) {
        CompiledSend send = new CompiledSend(send(new ArgumentSource.Steps(ArgumentType.BOOLEAN, 1)), FADER);
        assertThat(send.moved(at(0), steps, "", 0, Cause.NONE, true))
                .contains(List.of(said ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE));
    }
}
