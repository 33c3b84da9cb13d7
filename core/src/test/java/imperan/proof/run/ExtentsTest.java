package imperan.proof.run;

import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.f;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Came;
import imperan.live.MessageResult;
import imperan.live.MessageResult.Differed.How;
import imperan.osc.OscArgument;
import imperan.proof.report.Extent;
import imperan.proof.report.LineResult;
import imperan.proof.report.Verdict;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.words.ProofWords;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** How far a verdict goes, and what of a difference is a matter of steps. */
class ExtentsTest {

    private static final double[] POINTS = {0, 0.5, 1, 0.3271, 0.7353, 0.0467, 0.9547};

    private static PlannedLine line() {
        return hall(STAND_IN, List.of(level("/a")), fader("/a"))
                .plan(THRICE)
                .lines()
                .get(0);
    }

    private static List<Sample> samples(DoubleUnaryOperator takes, double... points) {
        return Arrays.stream(points)
                .mapToObj(sent -> {
                    double told = takes.applyAsDouble(sent);
                    boolean good = Math.abs(told - sent) <= 1 / 127.0;
                    return new Sample(
                            List.of(f(sent)),
                            good
                                    ? Came.asked("/a", List.of(f(told)), 1)
                                    : new MessageResult.Differed(
                                            How.VALUE, "/a", List.of(f(told)), Optional.of(1L), true));
                })
                .toList();
    }

    private static Optional<Double> coarser(DoubleUnaryOperator takes) {
        return Extents.coarser(line(), samples(takes, POINTS));
    }

    /** Whatever regular step is kept, rounded, cut or lifted: what is found explains all that was told. */
    @Test
    void aRegularStepIsFound() {
        Random random = new Random(20261201);
        int found = 0;
        int wrong = 0;
        for (int i = 0; i < 2_000; i++) {
            double step = 0.02 + 0.4 * random.nextDouble();
            double lift = random.nextInt(3) * 0.49;
            DoubleUnaryOperator keeps = sent -> Math.floor(sent / step + lift) * step;
            Optional<Double> told = coarser(keeps);
            boolean isWrong = samples(keeps, POINTS).stream().anyMatch(sample -> !sample.isGood());
            wrong += isWrong ? 1 : 0;
            if (isWrong && told.isPresent()) {
                found++;
                double steps = told.get() / step;
                assertThat(steps).as("%s of %s", told, step).isCloseTo(Math.rint(steps), within(1e-3));
            }
        }
        assertThat(found).as("of %s", wrong).isGreaterThan(wrong * 9 / 10);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 4, 5, 8, 10, 16, 20, 32, 40})
    void soManyPartsAreFound(int parts) {
        assertThat(coarser(sent -> Math.rint(sent * parts) / parts).orElseThrow())
                .isCloseTo(1.0 / parts, within(1e-4));
    }

    @Test
    void whatIsWrongInAnotherWayIsNoMatterOfSteps() {
        assertThat(coarser(sent -> 1 - sent)).isEmpty();
        assertThat(coarser(sent -> sent * sent)).isEmpty();
        assertThat(coarser(sent -> sent / 2)).isEmpty();
        assertThat(coarser(sent -> Math.min(sent, 0.8))).isEmpty();
        assertThat(coarser(sent -> Math.max(sent, 0.2))).isEmpty();
        assertThat(coarser(sent -> 1)).isEmpty();
        assertThat(coarser(Math::floor)).as("on or off").isEmpty();
        assertThat(coarser(sent -> sent)).as("nothing is wrong").isEmpty();
    }

    @Test
    void noiseIsNoMatterOfSteps() {
        Random random = new Random(20261202);
        int taken = 0;
        for (int i = 0; i < 2_000; i++) {
            double[] noise = random.doubles(POINTS.length, -0.1, 0.1).toArray();
            int[] next = {0};
            taken += coarser(sent -> sent + noise[next[0]++ % noise.length]).isPresent() ? 1 : 0;
        }
        assertThat(taken).as("of 2000 taken for steps").isLessThan(10);
    }

    @Test
    void threeValuesAreTooFew() {
        assertThat(Extents.coarser(line(), samples(sent -> Math.rint(sent * 8) / 8, 0.3271, 0.7353, 0.0467)))
                .isEmpty();
        assertThat(Extents.of(line(), List.of())).isEmpty();
    }

    // ---- said in a report

    private static ProofHall keeps(Tolerance tolerance) {
        ProofHall hall = hall(STAND_IN, List.of(tolerance == null ? level("/a") : near(tolerance)), fader("/a"))
                .stands("/a", f(0.25));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (!message.arguments().isEmpty()) {
                double sent = ((OscArgument.Float32) message.arguments().get(0)).value();
                hall.stands.put("/a", List.of(f(Math.rint(sent * 20) / 20)));
            }
            says.accept("/a", hall.stands.get("/a"));
        });
        return hall;
    }

    private static Phrase near(Tolerance tolerance) {
        Phrase phrase = level("/a");
        return Phrase.plain(
                        phrase.address(),
                        phrase.direction(),
                        phrase.arguments(),
                        phrase.answer().near(tolerance),
                        "",
                        "")
                .doing(phrase.effect());
    }

    @Test
    void aStepThatNoPhraseTellsIsUndecidedAndOnceItIsWrittenThereConfirmed() {
        LineResult coarse = keeps(null).prove(THRICE).get(0);
        assertThat(coarse.verdict()).isEqualTo(Verdict.COARSER);
        assertThat(ProofWords.says(coarse)).startsWith("Desk keeps steps of 0.05.");
        LineResult told =
                keeps(new Tolerance(Tolerance.Unit.STEP, 0.05)).prove(THRICE).get(0);
        assertThat(told.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(told.extent().orElseThrow().coarser()).isEmpty();
    }

    /** The one value that would agree is not judged, such as where this machine was too slow just then. */
    @Test
    void stepsAreFoundThoughNoneOfTheFirstValuesLiesOnOne() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a")).stands("/a", f(0.15));
        hall.hall.does((message, bundled, says) -> {
            hall.note(message);
            if (!message.arguments().isEmpty()) {
                double sent = ((OscArgument.Float32) message.arguments().get(0)).value();
                hall.stands.put("/a", List.of(f(0.15 + Math.floor(sent / 0.3) * 0.3)));
            }
            says.accept("/a", hall.stands.get("/a"));
        });
        LineResult line = hall.prove(THRICE).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.COARSER);
        assertThat(line.answered()).isZero();
        assertThat(line.extent().orElseThrow().coarser().orElseThrow()).isCloseTo(0.3, within(1e-4));
    }

    /** The step that is said not to show is judged by its own reckoning: no probe differs from it by more than the tolerance. */
    @Test
    void whatWouldNotHaveShownIsSaid() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a")).stands("/a", f(0.25));
        Extent extent = hall.prove(THRICE).get(0).extent().orElseThrow();
        assertThat(extent.low()).isEmpty();
        double step = extent.unseen().orElseThrow();
        assertThat(samples(sent -> Math.rint(sent / step) * step, POINTS)).allMatch(Sample::isGood);
        for (int parts = 1; parts < Math.rint(1 / step); parts++) {
            int all = parts;
            assertThat(samples(sent -> Math.rint(sent * all) / all, POINTS))
                    .as("1/%s shows", parts)
                    .anyMatch(sample -> !sample.isGood());
        }
    }

    @Test
    void atAVenueOnlyWhatWasSentIsKnown() {
        ProofHall hall = hall(Lines.DESK, List.of(level("/a")), fader("/a")).stands("/a", f(0.4));
        LineResult line = hall.prove(ProofHall.cleared(4)).get(0);
        assertThat(line.verdict()).isEqualTo(Verdict.CONFIRMED);
        assertThat(ProofWords.extent(line.extent().orElseThrow())).startsWith("0.363 … 0.445 only");
    }

    @Test
    void aSwitchHasNoExtent() {
        ProofHall hall = hall(
                        STAND_IN,
                        List.of(Lines.mute("/m")),
                        sending("/m", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1")))
                .stands("/m", new OscArgument.Int32(0));
        assertThat(hall.prove(THRICE).get(0).extent()).isEmpty();
    }
}
