package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.shaping.Breakpoints.Breakpoint;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class SketchTest {

    @Test
    void eachStepHasItsCurveAndTheNumberAfterIt() {
        Sketch sketch = Sketch.of(List.of(new Power(2), new Scale(0, 255)), 0.5, true, List.of());
        assertThat(sketch.steps()).extracting(Sketch.OfStep::after).containsExactly("0.25", "64");
        assertThat(sketch.steps().get(1).at()).contains(63.75);
        Sketch.OfStep power = sketch.steps().get(0);
        for (int i = 0; i < power.across().size(); i++) {
            assertThat(power.up().get(i))
                    .isEqualTo(power.across().get(i) * power.across().get(i), within(1e-12));
        }
        assertThat(sketch.steps().get(1).outHigh()).isEqualTo(255);
        assertThat(sketch.scale())
                .containsExactly(
                        new Sketch.Mark(0, "0"),
                        new Sketch.Mark(0.25, "16"),
                        new Sketch.Mark(0.5, "64"),
                        new Sketch.Mark(0.75, "143"),
                        new Sketch.Mark(1, "255"));
    }

    /** Source: any handbook of control engineering: 1 − e^(−t/τ). */
    @Test
    void whatTakesTimeIsDrawnOverTime() {
        Sketch.OfStep smooth = Sketch.of(List.of(new Scale(-30, 30), new Smooth(0.25)), 1, false, List.of())
                .steps()
                .get(1);
        assertThat(smooth.overTime()).isTrue();
        for (int i = 0; i < smooth.across().size(); i++) {
            assertThat(smooth.up().get(i))
                    .isEqualTo(-30 + 60 * (1 - Math.exp(-smooth.across().get(i) / 0.25)), within(1e-6));
        }
        Sketch.OfStep limited = Sketch.of(List.of(new RateLimit(0.5)), 1, false, List.of())
                .steps()
                .get(0);
        assertThat(limited.across()).last().isEqualTo(2.0);
        assertThat(limited.up()).last().isEqualTo(1.0);
        assertThat(limited.up().get(24)).isEqualTo(0.5, within(1e-9));
    }

    @Test
    void theStepThatDoesNotWorkSaysWhyAndWhatFollowsIsNotAsked() {
        Sketch sketch = Sketch.of(List.of(new Flip(), new Power(0), new Scale(0, 1)), 0.5, false, List.of());
        assertThat(sketch.steps()).hasSize(2);
        assertThat(sketch.steps().get(1).problem())
                .hasValueSatisfying(words -> assertThat(words).contains("more than 0"));
        assertThat(sketch.scale()).isEmpty();
    }

    @Test
    void aScaleHasTheNamesOfItsOwnNumbersWhereTheyLie() {
        Breakpoints taper = new Breakpoints(
                List.of(new Breakpoint(0, -90), new Breakpoint(0.25, -30), new Breakpoint(1, 10)), "−∞");
        List<Sketch.Named> named =
                List.of(new Sketch.Named(-30, "quiet"), new Sketch.Named(0, "0 dB"), new Sketch.Named(20, "beyond"));
        assertThat(Sketch.of(List.of(taper), 0, false, named).scale())
                .containsExactly(new Sketch.Mark(0.25, "quiet"), new Sketch.Mark(0.8125, "0 dB"));
        assertThat(Sketch.of(List.of(taper), 0, false, List.of()).scale())
                .extracting(Sketch.Mark::text)
                .containsExactly("−∞", "-30", "-16.7", "-3.33", "10");
        assertThat(Sketch.of(
                                List.of(new Table(
                                        List.of(new Table.Entry("0", "off"), new Table.Entry("1", "on")),
                                        Optional.empty())),
                                1,
                                false,
                                List.of())
                        .scale())
                .containsExactly(new Sketch.Mark(0, "off"), new Sketch.Mark(1, "on"));
    }

    @Test
    void noWayBackIsSaidAtItsStep() {
        assertThat(Sketch.of(List.of(new Toggle()), 0, false, List.of())
                        .steps()
                        .get(0)
                        .noWayBack())
                .isPresent();
        assertThat(Sketch.of(List.of(new Flip()), 0, false, List.of())
                        .steps()
                        .get(0)
                        .noWayBack())
                .isEmpty();
    }
}
