package imperan.shaping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A chain at work: what takes time, what waits, and what is remembered. */
class ShaperTest {

    private static final long MS = 1_000_000L;

    private static Shaper shaper(ShapingStep... steps) {
        return new Shaper(new Chain(List.of(steps)));
    }

    private static double out(Shaper shaper) {
        return shaper.last().orElseThrow().number();
    }

    /** Everything that comes out by itself until a time. */
    private static List<Double> until(Shaper shaper, long end) {
        List<Double> all = new ArrayList<>();
        while (shaper.due() <= end) {
            shaper.at(shaper.due()).ifPresent(signal -> all.add(signal.number()));
        }
        return all;
    }

    /** Source: any handbook of control engineering: 1 − 1/e after one time constant, however the time is cut: by itself, at even and at uneven distances. */
    @ParameterizedTest
    @ValueSource(ints = {1, 7, 40, 200})
    void aStepReaches632ThousandthsAfterOneTimeConstant(int samples) {
        Shaper even = shaper(new Smooth(0.2));
        even.feed(0, 0, false);
        even.feed(1, 0, false);
        Shaper uneven = shaper(new Smooth(0.2));
        uneven.feed(0, 0, false);
        uneven.feed(1, 0, false);
        for (int i = 1; i <= samples; i++) {
            even.at(200 * MS * i / samples);
            uneven.feed(1, (long) (200 * MS * Math.pow((double) i / samples, 3)), false);
        }
        assertThat(out(even)).isEqualTo(1 - Math.exp(-1), within(1e-9));
        assertThat(out(uneven)).isEqualTo(1 - Math.exp(-1), within(1e-9));
    }

    @Test
    void whatIsSmoothedGoesOnByItselfAndArrives() {
        Shaper shaper = shaper(new Smooth(0.25), new Scale(-30, 30));
        assertThat(shaper.feed(0, 0, false)).contains(Signal.of(-30));
        assertThat(shaper.due()).isEqualTo(Shaper.NEVER);
        shaper.feed(1, 100 * MS, false);
        long began = 100 * MS;
        int count = 0;
        while (shaper.due() != Shaper.NEVER) {
            long now = shaper.due();
            double out = shaper.at(now).orElseThrow().number();
            double closed = -30 + 60 * (1 - Math.exp(-(now - began) / 0.25e9));
            assertThat(out).isEqualTo(closed, within(60 * 5e-5));
            count++;
        }
        assertThat(out(shaper)).isEqualTo(30);
        assertThat(count).as("fifty a second for ten time constants").isBetween(120, 130);
    }

    /** Source: any handbook of signal processing: the variance of white noise shrinks to α/(2−α), α = 1 − e^(−Δt/τ). */
    @Test
    void noiseShrinksByTheRatioOfTheHandbooks() {
        Random random = new Random(11);
        Shaper shaper = shaper(new Smooth(0.1));
        double share = 1 - Math.exp(-0.01 / 0.1);
        double sum = 0;
        int count = 200_000;
        shaper.feed(0, 0, false);
        for (int i = 1; i <= count; i++) {
            double value = shaper.feed(random.nextGaussian(), i * 10 * MS, false)
                    .orElseThrow()
                    .number();
            sum += value * value;
        }
        assertThat(sum / count).isEqualTo(share / (2 - share), within(0.002));
    }

    /** Common practice, no source: the trembling of a hand that holds a device is a few hertz and more; a quarter of a second leaves less than a fifth of 4 Hz: 1/√(1 + (2π·4·0.25)²) = 0.157. */
    @Test
    void aQuarterOfASecondQuietsAHand() {
        Shaper shaper = shaper(new Smooth(0.25));
        double most = 0;
        for (int i = 0; i < 1_000; i++) {
            double out = shaper.feed(Math.sin(2 * Math.PI * 4 * i * 0.01), i * 10 * MS, false)
                    .orElseThrow()
                    .number();
            most = i > 500 ? Math.max(most, Math.abs(out)) : 0;
        }
        assertThat(most).isEqualTo(0.157, within(0.005));
    }

    @Test
    void withoutATimeConstantEverythingCountsAtOnce() {
        Shaper shaper = shaper(new Smooth(0));
        shaper.feed(0.1, 0, false);
        shaper.feed(0.9, 1, false);
        assertThat(out(shaper)).isEqualTo(0.9);
        assertThat(shaper.due()).isEqualTo(Shaper.NEVER);
    }

    @Test
    void itChangesNoFasterThanItMayAndArrivesExactly() {
        Shaper shaper = shaper(new RateLimit(2));
        shaper.feed(0, 0, false);
        shaper.feed(1, 0, false);
        List<Double> all = until(shaper, 400 * MS);
        assertThat(out(shaper)).isEqualTo(0.8, within(1e-9));
        assertThat(all).hasSize(20).isSorted();
        until(shaper, 10_000 * MS);
        assertThat(out(shaper)).isEqualTo(1);
        shaper.feed(0.5, 20_000 * MS, false);
        assertThat(shaper.finish(20_000 * MS)).contains(Signal.of(0.5));
        assertThat(shaper.finish(20_000 * MS)).isEmpty();
    }

    @Test
    void atMostOneInSoManyMillisecondsAndTheLastAlwaysComes() {
        Shaper shaper = shaper(new AtMostEvery(100));
        assertThat(shaper.feed(0.1, 0, false)).contains(Signal.of(0.1));
        assertThat(shaper.feed(0.2, 10 * MS, false)).isEmpty();
        assertThat(shaper.keptBy()).contains(new AtMostEvery(100));
        assertThat(shaper.feed(0.3, 20 * MS, false)).isEmpty();
        assertThat(shaper.due()).isEqualTo(100 * MS);
        assertThat(shaper.at(100 * MS)).contains(Signal.of(0.3));
        assertThat(shaper.due()).isEqualTo(Shaper.NEVER);
        assertThat(shaper.feed(0.4, 150 * MS, false)).isEmpty();
        assertThat(shaper.feed(0.5, 200 * MS, false)).contains(Signal.of(0.5));
        assertThat(shaper.due()).isEqualTo(Shaper.NEVER);
    }

    @Test
    void whatTremblesAboutALevelDoesNotFlicker() {
        Shaper shaper = shaper(new Threshold(0.5, 0.1));
        List<Double> outs = new ArrayList<>();
        for (double in : new double[] {0.3, 0.49, 0.5, 0.45, 0.41, 0.39, 0.45, 0.51}) {
            outs.add(shaper.feed(in, 0, false).orElseThrow().number());
        }
        assertThat(outs).containsExactly(0.0, 0.0, 1.0, 1.0, 1.0, 0.0, 0.0, 1.0);
    }

    /** A limit acts once, and again only after what comes in was well below it: it re-arms itself. */
    @Test
    void aLimitActsOnceUntilItIsRearmed() {
        Shaper shaper = shaper(new Scale(0, 2), new Threshold(1.5, 0.5), new Edge(Edge.Way.RISING));
        shaper.starts(0);
        List<Boolean> acts = new ArrayList<>();
        for (double wave : new double[] {0.2, 1.6, 1.4, 1.6, 1.2, 1.7, 0.9, 1.55}) {
            acts.add(shaper.feed(wave / 2, 0, false).isPresent());
        }
        assertThat(acts).containsExactly(false, true, false, false, false, false, false, true);
    }

    @Test
    void whatIsThereAtTheBeginningIsNoEdge() {
        assertThat(shaper(new Edge(Edge.Way.RISING)).feed(1, 0, false)).isEmpty();
        Shaper shaper = shaper(new Edge(Edge.Way.BOTH));
        shaper.starts(0);
        assertThat(shaper.feed(1, 0, false)).contains(Signal.of(1));
        assertThat(shaper.feed(0.9, 0, false)).isEmpty();
        assertThat(shaper.feed(0, 0, false)).contains(Signal.of(0));
        assertThat(shaper.feed(0, 0, true)).as("a press counts for itself").contains(Signal.of(0));
    }

    @Test
    void aToggleBeginsWithWhatTheTargetSaidLast() {
        Shaper shaper = shaper(new Toggle());
        assertThat(shaper.feed(1, 0, false)).contains(Signal.of(1));
        assertThat(shaper.feed(0, 0, false)).isEmpty();
        assertThat(shaper.feed(1, 0, false)).contains(Signal.of(0));
        shaper.reported(1);
        assertThat(shaper.feed(1, 0, true))
                .as("a second press without a release in between")
                .contains(Signal.of(0));
    }

    @Test
    void whatGlidesGoesOnFromWhereTheTargetIs() {
        Shaper shaper = shaper(new Smooth(1), new Scale(0, 100));
        shaper.reported(0.5);
        shaper.feed(1, 0, false);
        assertThat(out(shaper)).isEqualTo(50);
        shaper.at(1_000 * MS);
        assertThat(out(shaper)).isEqualTo(100 - 50 * Math.exp(-1), within(1e-9));
    }

    /** An edit of one step leaves the others what they remember. */
    @Test
    void anEditKeepsWhatTheOtherStepsRemember() {
        Shaper before = shaper(new Smooth(1), new Scale(0, 1), new Toggle());
        before.feed(0, 0, false);
        before.feed(1, 0, false);
        before.at(1_000 * MS);
        double reached = before.stages().get(0).orElseThrow().number();
        Shaper scaled = new Shaper(new Chain(List.of(new Smooth(1), new Scale(0, 2), new Toggle())), before);
        assertThat(scaled.due()).isEqualTo(before.due());
        scaled.at(1_000 * MS);
        assertThat(scaled.stages().get(0).orElseThrow().number()).isEqualTo(reached, within(1e-12));
        Shaper inserted =
                new Shaper(new Chain(List.of(new Flip(), new Smooth(1), new Scale(0, 1), new Toggle())), before);
        assertThat(inserted.due()).as("what stands behind it goes on, too").isEqualTo(before.due());
        Shaper other = new Shaper(new Chain(List.of(new Smooth(2))), before);
        assertThat(other.due()).isEqualTo(Shaper.NEVER);
        assertThat(other.last()).isEmpty();
    }

    @Test
    void whatAStepKeepsIsSaidByThatStep() {
        Table table = new Table(List.of(new Table.Entry("0", "4")), Optional.empty());
        Shaper shaper = shaper(new Flip(), table);
        assertThat(shaper.feed(1, 0, false)).contains(Signal.of(4));
        assertThat(shaper.keptBy()).isEmpty();
        assertThat(shaper.feed(0, 0, false)).isEmpty();
        assertThat(shaper.keptBy()).contains(table);
        assertThat(shaper.stages())
                .extracting(stage -> stage.orElseThrow().number())
                .containsExactly(1.0, 4.0);
    }
}
