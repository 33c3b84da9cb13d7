package imperan.shaping;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A chain as people look at it: each step with its curve and with the number after it.
 *
 * @param steps up to the first that does not work, and that one
 * @param scale what stands beside the way of a control, where every step works
 */
public record Sketch(List<OfStep> steps, List<Mark> scale) {

    /** Enough for a curve as wide as a hand. */
    private static final int POINTS = 48;

    private static final int MARKS = 5;
    /** How long a curve over time is, in what the step itself takes. */
    private static final int TIME_CONSTANTS = 5;

    private static final MathContext READABLE = new MathContext(3);

    /**
     * One step.
     *
     * @param problem   what is wrong with it; then nothing else is known
     * @param low       of what comes in, {@code high} likewise
     * @param outLow    of what comes out, {@code outHigh} likewise
     * @param texts     whether texts come out
     * @param across    of the points of its curve: what comes in; or seconds, where {@code overTime}
     * @param up        of the points of its curve: what comes out
     * @param noWayBack why what is heard cannot go back through it
     * @param after     what comes out of it where the control stands
     * @param at        the same as a number; empty where it is none
     */
    public record OfStep(
            Optional<String> problem,
            double low,
            double high,
            double outLow,
            double outHigh,
            boolean texts,
            List<Double> across,
            List<Double> up,
            boolean overTime,
            Optional<String> noWayBack,
            String after,
            Optional<Double> at) {

        private static OfStep wrong(String problem) {
            return new OfStep(
                    Optional.of(problem),
                    0,
                    1,
                    0,
                    1,
                    false,
                    List.of(),
                    List.of(),
                    false,
                    Optional.empty(),
                    "",
                    Optional.empty());
        }
    }

    /** @param place on the way of the control, 0 to 1 */
    public record Mark(double place, String text) {}

    /** A number that has a name of its own, in the terms of what comes out. */
    public record Named(double value, String text) {}

    /**
     * @param position where the control stands
     * @param whole    whether whole numbers are sent
     * @param named    the marks that the control has of its own; without them there are five at even distances
     */
    public static Sketch of(List<ShapingStep> steps, double position, boolean whole, List<Named> named) {
        List<OfStep> sketched = new ArrayList<>();
        Optional<Chain.About> problem = Chain.problem(Span.UNIT, steps);
        int works = problem.map(Chain.About::step).orElse(steps.size());
        Chain chain = new Chain(steps.subList(0, works));
        Optional<Signal> signal = Optional.of(Signal.of(position));
        for (int i = 0; i < works; i++) {
            ShapingStep step = steps.get(i);
            Span in = chain.spans().get(i);
            signal = signal.flatMap(s -> step.settled(s, in));
            boolean last = i == steps.size() - 1;
            sketched.add(sketch(step, in, chain.spans().get(i + 1), signal, whole && last));
        }
        problem.filter(about -> about.step() < steps.size())
                .ifPresent(about -> sketched.add(OfStep.wrong(about.words())));
        return new Sketch(sketched, problem.isPresent() ? List.of() : marks(chain, whole, named));
    }

    private static OfStep sketch(ShapingStep step, Span in, Span out, Optional<Signal> signal, boolean whole) {
        List<Double> across = new ArrayList<>();
        List<Double> up = new ArrayList<>();
        double seconds = seconds(step, in);
        if (seconds > 0) {
            overTime(step, in, seconds, across, up);
        } else if (!(step instanceof Table) && in.isBounded()) {
            for (int i = 0; i <= POINTS; i++) {
                double number = in.at((double) i / POINTS);
                step.settled(Signal.of(number), in).ifPresent(there -> {
                    across.add(number);
                    up.add(there.number());
                });
            }
        }
        return new OfStep(
                Optional.empty(),
                in.low(),
                in.high(),
                out.low(),
                out.high(),
                out.texts(),
                across,
                up,
                seconds > 0,
                step.noWayBack(in),
                signal.map(s -> Chain.figures(s, whole)).orElse(""),
                signal.filter(Signal::isNumber).map(Signal::number));
    }

    /** How long it takes to show what a step does in time; 0 for one that does nothing there. */
    private static double seconds(ShapingStep step, Span in) {
        if (step instanceof Smooth smooth) {
            return TIME_CONSTANTS * smooth.seconds();
        }
        return step instanceof RateLimit limit ? in.width() / limit.perSecond() : 0;
    }

    /** What becomes of a jump from the lowest to the highest. */
    private static void overTime(ShapingStep step, Span in, double seconds, List<Double> across, List<Double> up) {
        Work work = step.work(in);
        work.next(Signal.of(in.low()), 0, false);
        for (int i = 0; i <= POINTS; i++) {
            double at = seconds * i / POINTS;
            across.add(at);
            up.add(work.next(Signal.of(in.high()), (long) (at * 1e9), false)
                    .orElseThrow()
                    .number());
        }
    }

    private static List<Mark> marks(Chain chain, boolean whole, List<Named> named) {
        List<Mark> own = named.stream()
                .flatMap(name -> chain
                        .back(name.value())
                        .filter(at -> name.value() >= chain.out().low()
                                && name.value() <= chain.out().high())
                        .map(at -> new Mark(at, name.text()))
                        .stream())
                .toList();
        if (!own.isEmpty()) {
            return own;
        }
        List<Mark> even = new ArrayList<>();
        for (int i = 0; i < MARKS; i++) {
            double place = i / (MARKS - 1.0);
            chain.settled(place).ifPresent(signal -> even.add(new Mark(place, text(signal, whole))));
        }
        return even;
    }

    private static String text(Signal signal, boolean whole) {
        if (!signal.text().isEmpty()) {
            return signal.text();
        }
        BigDecimal number = BigDecimal.valueOf(whole ? Math.round(signal.number()) : signal.number());
        BigDecimal rounded = (whole ? number : number.round(READABLE)).stripTrailingZeros();
        return rounded.signum() == 0 ? "0" : rounded.toPlainString();
    }
}
