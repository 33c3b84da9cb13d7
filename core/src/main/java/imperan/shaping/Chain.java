package imperan.shaping;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The steps between a control's position, or anything else that comes in, and an argument, in order. It knows its way back where each of its steps has one. */
public final class Chain {

    /** No chain is longer. */
    public static final int MOST_STEPS = 16;

    /** Of a range; what is not farther apart was rounded away on its way. */
    private static final double ROUNDED = 1e-9;

    /** Positions as they are. */
    public static final Chain UNIT = new Chain(List.of());

    private final List<ShapingStep> steps;
    /** What comes in, and what comes out of each step. */
    private final List<Span> spans;
    /** Whether each of its steps makes a number of every number. */
    private final boolean isPlain;

    /** Of positions. */
    public Chain(List<ShapingStep> steps) {
        this(Span.UNIT, steps);
    }

    /** @param in what comes in */
    public Chain(Span in, List<ShapingStep> steps) {
        this.steps = List.copyOf(steps);
        List<Span> all = new ArrayList<>(steps.size() + 1);
        all.add(in);
        steps.forEach(step -> all.add(step.span(all.get(all.size() - 1))));
        this.spans = List.copyOf(all);
        this.isPlain = steps.stream().allMatch(step -> step instanceof NumberStep && !(step instanceof Edge));
    }

    /** From position 0 and 1 to the ends of a range. */
    public static Chain scale(double low, double high) {
        return new Chain(List.of(new Scale(low, high)));
    }

    public List<ShapingStep> steps() {
        return steps;
    }

    /** What comes in, and what can come out of each step; one more than there are steps. */
    public List<Span> spans() {
        return spans;
    }

    /** What can come out in the end. */
    public Span out() {
        return spans.get(steps.size());
    }

    /**
     * Something about one of its steps.
     *
     * @param step from 0
     */
    public record About(int step, String words) {}

    /** What is wrong with the first step with which something is; empty where it works. What comes out of a step that does not work is not asked. */
    public static Optional<About> problem(Span in, List<ShapingStep> steps) {
        if (steps.size() > MOST_STEPS) {
            return Optional.of(new About(MOST_STEPS, "At most " + MOST_STEPS + " steps are gone"));
        }
        Span span = in;
        for (int i = 0; i < steps.size(); i++) {
            ShapingStep step = steps.get(i);
            Optional<String> problem = step.problem(span);
            if (problem.isEmpty() && span.texts() && !(step instanceof Table)) {
                problem = Optional.of("It takes numbers, and texts come in: put it before the table");
            }
            Span out = problem.isPresent() ? span : step.span(span);
            if (problem.isEmpty() && span.isBounded() && !(Span.fits(out.low()) && Span.fits(out.high()))) {
                problem = Optional.of("Numbers beyond -1e15 to 1e15 come out of it: let it make less of what comes in");
            }
            if (problem.isPresent()) {
                return Optional.of(new About(i, problem.get()));
            }
            span = out;
        }
        return Optional.empty();
    }

    /** The step that does not lead back, and why; empty where all of them do. */
    public Optional<About> noWayBack() {
        for (int i = 0; i < steps.size(); i++) {
            Optional<String> why = steps.get(i).noWayBack(spans.get(i));
            if (why.isPresent()) {
                return Optional.of(new About(i, why.get()));
            }
        }
        return Optional.empty();
    }

    /** Whether any of its steps goes on by itself. */
    public boolean takesTime() {
        return steps.stream().anyMatch(ShapingStep::takesTime);
    }

    /** Whether it makes something of a text: only a table does, other steps reckon. */
    public boolean takesTexts() {
        return !steps.isEmpty() && steps.get(0) instanceof Table;
    }

    /** What comes out of a position once everything has settled; empty where nothing does. */
    public Optional<Signal> settled(double position) {
        return out(Signal.of(position));
    }

    /** What comes out of anything, likewise. */
    public Optional<Signal> out(Signal in) {
        Optional<Signal> signal = Optional.of(in);
        for (int i = 0; i < steps.size() && signal.isPresent(); i++) {
            signal = steps.get(i).settled(signal.get(), spans.get(i));
        }
        return signal;
    }

    /** The same, where it is a number; NaN where it is none. */
    public double there(double position) {
        if (!isPlain) {
            return settled(position).map(Signal::number).orElse(Double.NaN);
        }
        // asked for every touch and every answer, and mostly there is nothing but numbers
        double number = position;
        for (int i = 0; i < steps.size(); i++) {
            number = ((NumberStep) steps.get(i)).there(number, spans.get(i));
        }
        return number;
    }

    /** The argument at position 0; NaN where it is no number. */
    public double low() {
        return there(0);
    }

    /** The argument at position 1, which may be the smaller one; NaN where it is no number. */
    public double high() {
        return there(1);
    }

    /** The position of an argument; empty where a step has no way back. */
    public Optional<Double> back(double argument) {
        return back(Signal.of(argument));
    }

    /** The position of an argument, 0 to 1, where positions come in: what is beyond an end stands at it. */
    public Optional<Double> back(Signal argument) {
        Optional<Signal> signal = Optional.of(argument);
        for (int i = steps.size() - 1; i >= 0 && signal.isPresent(); i--) {
            Span in = spans.get(i);
            ShapingStep step = steps.get(i);
            signal = step.noWayBack(in).isPresent() ? Optional.empty() : step.back(signal.get(), in);
        }
        return signal.map(Signal::number)
                .filter(number -> !Double.isNaN(number))
                .map(spans.get(0)::clamp);
    }

    /** How far the arguments are apart at most, in the argument's own unit. */
    public double range() {
        return out().width();
    }

    /** Whether the arguments of two positions are no farther apart than this share of their range; of those that are no numbers, whether they are the same. */
    public boolean isNear(double position, double other, double share) {
        double here = there(position);
        double there = there(other);
        return Double.isNaN(here) || Double.isNaN(there)
                ? settled(position).equals(settled(other))
                : Math.abs(here - there) <= (share + ROUNDED) * range();
    }

    /** What came out of a step, with as many figures as it has, six at most. */
    public static String figures(Signal signal, boolean whole) {
        return !signal.text().isEmpty()
                ? signal.text()
                : Numbers.plain(whole ? Math.round(signal.number()) : signal.number());
    }

    /** The argument with as many decimals as make a two-hundredth of the range visible; a text where it has one, and empty where nothing comes out. */
    public String text(double position, boolean whole) {
        return settled(position).map(signal -> text(signal, whole)).orElse("");
    }

    /** What came out, as it is shown. */
    public String text(Signal signal, boolean whole) {
        if (!signal.text().isEmpty()) {
            return signal.text();
        }
        double range = out().isBounded() && range() > 0 ? range() : 1;
        int decimals = whole ? 0 : (int) Math.max(0, Math.min(6, Math.ceil(-Math.log10(range / 200))));
        // a formatter takes several times as long, and every value that is shown comes by here
        return BigDecimal.valueOf(signal.number())
                .setScale(decimals, RoundingMode.HALF_UP)
                .toPlainString();
    }

    /** The same with these ends: its last scale is given them; where there is none, or what follows it makes others of them, a scale comes last. */
    public static List<ShapingStep> withEnds(List<ShapingStep> steps, double low, double high) {
        for (int i = steps.size() - 1; i >= 0; i--) {
            if (steps.get(i) instanceof Scale scale) {
                List<ShapingStep> changed = new ArrayList<>(steps);
                changed.set(i, new Scale(scale.fromLow(), scale.fromHigh(), low, high));
                Chain chain = new Chain(changed);
                if (chain.low() == low && chain.high() == high) {
                    return List.copyOf(changed);
                }
            }
        }
        Chain chain = new Chain(steps);
        List<ShapingStep> longer = new ArrayList<>(steps);
        longer.add(
                chain.low() != chain.high() && Double.isFinite(chain.low()) && Double.isFinite(chain.high())
                        ? new Scale(chain.low(), chain.high(), low, high)
                        : new Scale(low, high));
        return List.copyOf(longer);
    }
}
