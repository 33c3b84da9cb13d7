package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.shaping.Breakpoints.Breakpoint;
import imperan.shaping.Table.Entry;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Each step by itself: what comes out, what leads back, and what is refused. */
class StepsTest {

    private static final Span DEGREES = new Span(-90, 90, false);

    private static double there(ShapingStep step, Span in, double number) {
        return step.settled(Signal.of(number), in).orElseThrow().number();
    }

    private static Table table(String... pairs) {
        return new Table(
                Stream.of(pairs)
                        .map(pair -> pair.split("="))
                        .map(pair -> new Entry(pair[0], pair[1]))
                        .toList(),
                Optional.empty());
    }

    // ---- against their closed forms

    static Stream<Arguments> closed() {
        Breakpoints taper = new Breakpoints(
                List.of(
                        new Breakpoint(0, -90),
                        new Breakpoint(0.25, -30),
                        new Breakpoint(0.75, 0),
                        new Breakpoint(1, 10)),
                "−∞");
        return Stream.of(
                Arguments.of(new Scale(0, 127, -1, 1), Span.ANY, 0, -1),
                Arguments.of(new Scale(0, 127, -1, 1), Span.ANY, 127, 1),
                Arguments.of(new Scale(0, 127, -1, 1), Span.ANY, 63.5, 0),
                Arguments.of(new Scale(4, 1), Span.UNIT, 0, 4),
                Arguments.of(new Scale(4, 1), Span.UNIT, 1, 1),
                Arguments.of(new Scale(0, 10), Span.ANY, 2, 20),
                Arguments.of(new Clamp(-30, 30), DEGREES, -45, -30),
                Arguments.of(new Clamp(-30, 30), DEGREES, 45, 30),
                Arguments.of(new Clamp(-30, 30), DEGREES, 12, 12),
                Arguments.of(new Flip(), Span.UNIT, 0.2, 0.8),
                Arguments.of(new Flip(), DEGREES, 30, -30),
                // x² and √x
                Arguments.of(new Power(2), Span.UNIT, 0.5, 0.25),
                Arguments.of(new Power(0.5), Span.UNIT, 0.25, 0.5),
                Arguments.of(new Power(2), DEGREES, 0, -45),
                // t² / (t² + (1 − t)²) at a quarter: (1/16) / (1/16 + 9/16)
                Arguments.of(new SCurve(2), Span.UNIT, 0.25, 0.1),
                Arguments.of(new SCurve(2), Span.UNIT, 0.5, 0.5),
                Arguments.of(new SCurve(1), Span.UNIT, 0.3, 0.3),
                // exact at its points, straight between them, level beyond
                Arguments.of(taper, Span.UNIT, 0, -90),
                Arguments.of(taper, Span.UNIT, 0.25, -30),
                Arguments.of(taper, Span.UNIT, 0.75, 0),
                Arguments.of(taper, Span.UNIT, 1, 10),
                Arguments.of(taper, Span.UNIT, 0.5, -15),
                Arguments.of(taper, Span.ANY, 2, 10),
                Arguments.of(taper, Span.ANY, -1, -90),
                Arguments.of(new Round(1), Span.ANY, 6.999999, 7),
                Arguments.of(new Round(1), Span.ANY, 2.5, 3),
                Arguments.of(new Round(0.01), Span.ANY, 0.0749, 0.07),
                Arguments.of(new Round(0.1), Span.ANY, 0.29, 0.3),
                Arguments.of(new Round(5), Span.ANY, -12, -10),
                Arguments.of(new Round(1), Span.ANY, -0.4, 0),
                Arguments.of(new Cut(), Span.ANY, 6.99, 6),
                Arguments.of(new Cut(), Span.ANY, -6.99, -6),
                Arguments.of(new Cut(), Span.ANY, -0.5, 0),
                Arguments.of(new DeadZone(0, 10), DEGREES, 9, 0),
                Arguments.of(new DeadZone(0, 10), DEGREES, 90, 90),
                Arguments.of(new DeadZone(0, 10), DEGREES, -50, -45),
                Arguments.of(new DeadZone(0, 10), Span.ANY, 50, 40),
                Arguments.of(new DeadZone(0, 0.1), Span.UNIT, 0.05, 0),
                Arguments.of(new Add(-5), Span.ANY, 10, 5),
                Arguments.of(new Multiply(-1), Span.ANY, 0.25, -0.25),
                Arguments.of(new Multiply(100), Span.ANY, 0.07, 7),
                Arguments.of(new Wrap(0, 360), Span.ANY, 370, 10),
                Arguments.of(new Wrap(0, 360), Span.ANY, -10, 350),
                Arguments.of(new Wrap(0, 360), Span.ANY, 360, 0),
                Arguments.of(new Wrap(-180, 180), Span.ANY, 190, -170),
                Arguments.of(new Hold(0.5), Span.UNIT, 0.9, 0.5),
                Arguments.of(new Threshold(0.5, 0.1), Span.UNIT, 0.5, 1),
                Arguments.of(new Threshold(0.5, 0.1), Span.UNIT, 0.49, 0),
                Arguments.of(new Toggle(), Span.UNIT, 1, 1),
                Arguments.of(new Edge(Edge.Way.BOTH), Span.UNIT, 0, 0));
    }

    @ParameterizedTest
    @MethodSource("closed")
    void comesToItsClosedForm(ShapingStep step, Span in, double number, double out) {
        assertThat(there(step, in, number)).isEqualTo(out, within(1e-12));
    }

    /** Source: dB = 20 · log10(factor) (IEC 60027-3). A factor of 2 is 6.02 dB, 10 is 20 dB; common practice, no source: silence is called −∞ and counts as −144. */
    @ParameterizedTest
    @CsvSource({"1, 0", "10, 20", "0.1, -20", "2, 6.020599913279624", "0.5, -6.020599913279624", "0, -144", "1e-9, -144"
    })
    void decibelsAreTwentyTimesTheLogarithmOfTheFactor(double factor, double decibels) {
        Signal said = new Decibels(false).settled(Signal.of(factor), Span.ANY).orElseThrow();
        assertThat(said.number()).isEqualTo(decibels, within(1e-12));
        assertThat(said.text()).isEqualTo(decibels <= -144 ? "−∞" : "");
        assertThat(there(new Decibels(true), Span.ANY, decibels))
                .isEqualTo(decibels <= -144 ? 0 : factor, within(1e-12));
        assertThat(new Decibels(true).settled(Signal.text("−∞"), Span.ANY)).contains(Signal.of(0));
        assertThat(new Decibels(false).back(Signal.text("−∞"), Span.UNIT)).contains(Signal.of(0));
    }

    @Test
    void theLowestPointOfACurveMayHaveAName() {
        Breakpoints taper = new Breakpoints(List.of(new Breakpoint(0, -90), new Breakpoint(1, 10)), "−∞");
        Chain chain = new Chain(List.of(taper));
        assertThat(chain.text(0, false)).isEqualTo("−∞");
        assertThat(chain.text(0.9, false)).isEqualTo("0.0");
        assertThat(chain.back(Signal.text("−∞"))).contains(0.0);
        assertThat(chain.back(0))
                .hasValueSatisfying(position -> assertThat(position).isEqualTo(0.9, within(1e-12)));
        assertThat(chain.back(Signal.text("loud"))).isEmpty();
    }

    @Test
    void aTableGivesOneThingForAnother() {
        Table table =
                new Table(List.of(new Entry("0", "4"), new Entry("1", "1"), new Entry("fog", "7")), Optional.empty());
        assertThat(table.settled(Signal.of(0.0000001), Span.UNIT)).contains(Signal.of(4));
        assertThat(table.settled(Signal.of(1), Span.UNIT)).contains(Signal.of(1));
        assertThat(table.settled(Signal.text("fog"), Span.UNIT)).contains(Signal.of(7));
        assertThat(table.settled(Signal.of(0.5), Span.UNIT)).isEmpty();
        assertThat(table.back(Signal.of(4), Span.UNIT)).contains(Signal.of(0));
        assertThat(table.back(Signal.of(7), Span.UNIT)).contains(Signal.text("fog"));
        assertThat(table.back(Signal.of(9), Span.UNIT)).isEmpty();
        assertThat(new Table(table.entries(), Optional.of("9")).settled(Signal.of(0.5), Span.UNIT))
                .contains(Signal.of(9));
        assertThat(table("0=off", "1=on").span(Span.UNIT)).isEqualTo(new Span(0, 0, true));
        assertThat(table("0=4", "1=-1").span(Span.UNIT)).isEqualTo(new Span(-1, 4, false));
    }

    @Test
    void anEdgeCountsOnlyInItsDirection() {
        assertThat(new Edge(Edge.Way.RISING).settled(Signal.of(1), Span.UNIT)).contains(Signal.of(1));
        assertThat(new Edge(Edge.Way.RISING).settled(Signal.of(0), Span.UNIT)).isEmpty();
        assertThat(new Edge(Edge.Way.FALLING).settled(Signal.of(0), Span.UNIT)).contains(Signal.of(0));
    }

    // ---- back

    static Stream<Arguments> leadingBack() {
        return Stream.<List<ShapingStep>>of(
                        List.of(new Scale(-45, 45)),
                        List.of(new Scale(255, 0)),
                        List.of(new Flip(), new Scale(0, 127)),
                        List.of(new Power(3), new Scale(20, 20_000)),
                        List.of(new Power(0.4)),
                        List.of(new SCurve(2.5), new Scale(0, 1)),
                        List.of(new Breakpoints(
                                List.of(new Breakpoint(0, -90), new Breakpoint(0.25, -30), new Breakpoint(1, 10)), "")),
                        List.of(new Breakpoints(
                                List.of(new Breakpoint(0, 10), new Breakpoint(0.5, 2), new Breakpoint(1, 0)), "")),
                        List.of(new Scale(0.001, 1), new Decibels(false)),
                        List.of(new Scale(-60, 10), new Decibels(true)),
                        List.of(new Scale(-1, 1), new DeadZone(0.2, 0.1), new Multiply(100), new Add(-5)),
                        List.of(new Smooth(1), new RateLimit(2), new AtMostEvery(40)),
                        List.of(new Scale(0, 300), new Wrap(0, 360)))
                .map(steps -> Arguments.of(new Chain(steps)));
    }

    /** forward(inverse(y)) = y within a millionth of the range wherever the slope is above 0.01 of the range. */
    @ParameterizedTest
    @MethodSource("leadingBack")
    void whatLeadsBackComesToTheSameAgain(Chain chain) {
        assertThat(chain.noWayBack()).isEmpty();
        Random random = new Random(20);
        for (int i = 0; i < 2_000; i++) {
            double position = random.nextDouble();
            double slope = Math.abs(chain.there(Math.min(1, position + 1e-4)) - chain.there(position)) / 1e-4;
            double out = chain.there(position);
            if (slope > 0.01 * chain.range()) {
                assertThat(chain.there(chain.back(out).orElseThrow())).isEqualTo(out, within(1e-6 * chain.range()));
                assertThat(chain.back(out).orElseThrow()).as("back of %s", out).isEqualTo(position, within(1e-4));
            }
        }
        assertThat(chain.back(chain.there(0)).orElseThrow()).isEqualTo(0, within(1e-9));
        assertThat(chain.back(chain.there(1)).orElseThrow()).isEqualTo(1, within(1e-9));
    }

    /** Every whole number of a range is reached, and comes back as itself. */
    @RepeatedTest(10)
    void everyWholeNumberComesBackAsItself(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        int low = random.nextInt(200) - 100;
        int high = low + 1 + random.nextInt(255);
        Chain chain = new Chain(List.of(
                new Scale(random.nextBoolean() ? low : high, random.nextBoolean() ? low - 1 : high + 1), new Round(1)));
        for (double whole = chain.out().low(); whole <= chain.out().high(); whole++) {
            assertThat(chain.there(chain.back(whole).orElseThrow())).isEqualTo(whole);
        }
        Chain choices = new Chain(List.of(table("0=dawn", "1=noon")));
        for (String choice : List.of("dawn", "noon")) {
            assertThat(choices.settled(choices.back(Signal.text(choice)).orElseThrow()))
                    .contains(Signal.text(choice));
        }
    }

    static Stream<Arguments> notLeadingBack() {
        return Stream.of(
                Arguments.of(new Scale(5, 5), "both ends"),
                Arguments.of(new Hold(1), "the same"),
                Arguments.of(new Threshold(0.5, 0), "how far"),
                Arguments.of(new Toggle(), "same press"),
                Arguments.of(new Edge(Edge.Way.BOTH), "a moment"),
                Arguments.of(new Wrap(0, 0.5), "went round"),
                Arguments.of(table("0=1", "1=1"), "become the same"),
                Arguments.of(
                        new Breakpoints(
                                List.of(new Breakpoint(0, 0), new Breakpoint(0.5, 1), new Breakpoint(1, 0)), ""),
                        "several places"),
                Arguments.of(
                        new Breakpoints(
                                List.of(new Breakpoint(0, 0), new Breakpoint(0.5, 0), new Breakpoint(1, 1)), ""),
                        "several places"));
    }

    @ParameterizedTest
    @MethodSource("notLeadingBack")
    void whatDoesNotLeadBackSaysWhichStepAndWhy(ShapingStep step, String why) {
        Chain chain = new Chain(List.of(new Flip(), step));
        assertThat(chain.noWayBack()).hasValueSatisfying(about -> {
            assertThat(about.step()).isEqualTo(1);
            assertThat(about.words()).contains(why);
        });
        assertThat(chain.back(1)).isEmpty();
    }

    // ---- refused

    static Stream<Arguments> refused() {
        return Stream.of(
                Arguments.of(new Scale(3, 3, 0, 1), "range that comes in needs two different"),
                Arguments.of(new Scale(0, 1e16), "-1e15"),
                Arguments.of(new Scale(0, Double.NaN), "-1e15"),
                Arguments.of(new Clamp(1, 1), "lower and a higher"),
                Arguments.of(new Power(0), "more than 0"),
                Arguments.of(new Power(-1), "more than 0"),
                Arguments.of(new Power(21), "at most 20"),
                Arguments.of(new SCurve(0), "more than 0"),
                Arguments.of(new Breakpoints(List.of(new Breakpoint(0, 0)), ""), "2 to 64 points"),
                Arguments.of(
                        new Breakpoints(List.of(new Breakpoint(0.5, 0), new Breakpoint(0.2, 1)), ""),
                        "in order: 0.2 comes after 0.5"),
                Arguments.of(new Breakpoints(List.of(new Breakpoint(0, 0), new Breakpoint(0, 1)), ""), "in order"),
                Arguments.of(
                        new Breakpoints(List.of(new Breakpoint(0, 0), new Breakpoint(1, 1)), "x".repeat(21)),
                        "20 characters"),
                Arguments.of(new Round(0), "such as 1 or 0.01"),
                Arguments.of(table("1=a", "1.0=b"), "stands in the table twice"),
                Arguments.of(new Table(List.of(), Optional.empty()), "1 to 100"),
                Arguments.of(new DeadZone(0, 0), "more than 0"),
                Arguments.of(new DeadZone(0.5, 0.6), "0 to 1, lies within it"),
                Arguments.of(new Add(1e16), "-1e15"),
                Arguments.of(new Multiply(0), "other than 0"),
                Arguments.of(new Wrap(2, 1), "lower and a higher"),
                Arguments.of(new Hold(Double.NaN), "between"),
                Arguments.of(new Smooth(61), "0 to 60 s"),
                Arguments.of(new Smooth(-1), "0 to 60 s"),
                Arguments.of(new RateLimit(0), "more than 0"),
                Arguments.of(new AtMostEvery(0), "1 to 60 000 ms"),
                Arguments.of(new Threshold(2, 0), "always be 0"),
                Arguments.of(new Threshold(0, 0), "always be 1"),
                Arguments.of(new Threshold(0.5, 0.5), "never go off again"),
                Arguments.of(new Threshold(0.5, -1), "0 or more"));
    }

    @ParameterizedTest
    @MethodSource("refused")
    void whatCannotBeIsRefusedInWords(ShapingStep step, String words) {
        assertThat(Chain.problem(Span.UNIT, List.of(new Clamp(0, 1), step))).hasValueSatisfying(about -> {
            assertThat(about.step()).isEqualTo(1);
            assertThat(about.words()).contains(words);
        });
    }

    @Test
    void aStepIsJudgedByWhatComesIn() {
        assertThat(Chain.problem(Span.ANY, List.of(new Flip())))
                .hasValueSatisfying(about -> assertThat(about.words()).contains("put a scale or a clamp before it"));
        assertThat(Chain.problem(Span.ANY, List.of(new Clamp(0, 1), new Flip())))
                .isEmpty();
        assertThat(Chain.problem(Span.UNIT, List.of(new Scale(-1, 1), new Decibels(false))))
                .hasValueSatisfying(about -> assertThat(about.words()).contains("below 0"));
        assertThat(Chain.problem(Span.UNIT, List.of(table("0=a", "1=b"), new Add(1))))
                .hasValueSatisfying(about -> assertThat(about.words()).contains("before the table"));
        assertThat(Chain.problem(Span.UNIT, List.of(new Scale(0, 255), new Threshold(128, 5))))
                .isEmpty();
        for (ShapingStep tooMuch :
                List.of(new Scale(0, 1e-300, -1e15, 1e15), new Multiply(1e12), new Add(1e15), table("0=1e300"))) {
            assertThat(Chain.problem(Span.UNIT, List.of(new Scale(0, 10_000), tooMuch)))
                    .hasValueSatisfying(about -> {
                        assertThat(about.step()).isEqualTo(1);
                        assertThat(about.words()).contains("beyond -1e15 to 1e15");
                    });
        }
        assertThat(Chain.problem(Span.UNIT, List.of(new Scale(0, 1e6), new Decibels(true))))
                .as("ten to the fifty-thousandth")
                .isPresent();
        assertThat(Chain.problem(Span.UNIT, Collections.nCopies(17, new Flip())))
                .hasValueSatisfying(about -> assertThat(about.words()).contains("At most 16"));
    }

    /** What can come out is what does: the ranges that are carried along hold every value, and are reached at both ends. */
    @RepeatedTest(20)
    void theRangeThatIsCarriedAlongIsTheOneThatComesOut(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<ShapingStep> any = List.of(
                new Scale(-random.nextInt(50), random.nextInt(50) + 1.0),
                new Flip(),
                new Power(0.2 + random.nextDouble() * 4),
                new SCurve(0.5 + random.nextDouble()),
                new DeadZone(0, 0.3),
                new Clamp(-20, 21),
                new Multiply(random.nextGaussian() + 3),
                new Add(random.nextGaussian()),
                new Round(0.5),
                new Scale(-3, 7, 100, -100));
        Chain chain = new Chain(any.subList(0, 1 + random.nextInt(any.size())));
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (int i = 0; i <= 5_000; i++) {
            double out = chain.there(i / 5_000.0);
            low = Math.min(low, out);
            high = Math.max(high, out);
        }
        assertThat(chain.out().low()).isEqualTo(low, within(1e-9 + 1e-3 * chain.range()));
        assertThat(chain.out().high()).isEqualTo(high, within(1e-9 + 1e-3 * chain.range()));
        assertThat(low).isGreaterThanOrEqualTo(chain.out().low() - 1e-9);
        assertThat(high).isLessThanOrEqualTo(chain.out().high() + 1e-9);
    }

    @Test
    void otherEndsAreGivenToTheLastScaleOrAdded() {
        assertThat(Chain.withEnds(List.of(new Power(2), new Scale(0, 1)), 0, 255))
                .containsExactly(new Power(2), new Scale(0, 255));
        assertThat(Chain.withEnds(List.of(new Flip()), 0, 255)).containsExactly(new Flip(), new Scale(1, 0, 0, 255));
        assertThat(Chain.withEnds(List.of(new Scale(0, 100), new Multiply(2)), 0, 255))
                .containsExactly(new Scale(0, 100), new Multiply(2), new Scale(0, 200, 0, 255));
        assertThat(Chain.withEnds(List.of(new Scale(0, 1), new Round(1)), 255, 0))
                .containsExactly(new Scale(255, 0), new Round(1));
        assertThat(Chain.withEnds(List.of(new Hold(3)), 0, 255)).containsExactly(new Hold(3), new Scale(0, 255));
    }
}
