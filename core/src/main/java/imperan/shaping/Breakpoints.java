package imperan.shaping;

import java.util.List;
import java.util.Optional;

/**
 * A curve through points, straight between them and level beyond the outermost. So a fader is given the taper of a mixing desk, with a text such as −∞ at its lower end.
 *
 * @param points from the lowest that comes in to the highest, 2 to {@value #MOST}
 * @param lowest what the first point is called; empty where it is a number like the others
 */
public record Breakpoints(List<Breakpoint> points, String lowest) implements NumberStep {

    static final int MOST = 64;
    static final int MOST_TEXT = 20;

    /** What comes in here comes out there. */
    public record Breakpoint(double in, double out) {}

    public Breakpoints {
        points = List.copyOf(points);
    }

    @Override
    public Optional<String> problem(Span in) {
        if (points.size() < 2 || points.size() > MOST) {
            return Optional.of("A curve needs 2 to 64 points");
        }
        for (int i = 0; i < points.size(); i++) {
            if (!Span.fits(points.get(i).in()) || !Span.fits(points.get(i).out())) {
                return Optional.of("A point has two numbers between -1e15 and 1e15");
            } else if (i > 0 && points.get(i).in() <= points.get(i - 1).in()) {
                return Optional.of("The points have to be in order: "
                        + Numbers.plain(points.get(i).in()) + " comes after "
                        + Numbers.plain(points.get(i - 1).in()));
            }
        }
        return NumberStep.when(lowest.length() > MOST_TEXT, "The text of the lowest point has at most 20 characters");
    }

    @Override
    public Span span(Span in) {
        double from = there(in.low(), in);
        double to = there(in.high(), in);
        double low = Math.min(from, to);
        double high = Math.max(from, to);
        for (Breakpoint point : points) {
            if (point.in() > in.low() && point.in() < in.high()) {
                low = Math.min(low, point.out());
                high = Math.max(high, point.out());
            }
        }
        return new Span(low, high, false);
    }

    @Override
    public Optional<Signal> settled(Signal signal, Span in) {
        return signal.isNumber()
                ? Optional.of(new Signal(
                        there(signal.number(), in),
                        signal.number() <= points.get(0).in() ? lowest : ""))
                : Optional.empty();
    }

    @Override
    public double there(double number, Span in) {
        if (number <= points.get(0).in()) {
            return points.get(0).out();
        }
        for (int i = 1; i < points.size(); i++) {
            if (number <= points.get(i).in()) {
                return new Scale(
                                points.get(i - 1).in(),
                                points.get(i).in(),
                                points.get(i - 1).out(),
                                points.get(i).out())
                        .there(number, in);
            }
        }
        return points.get(points.size() - 1).out();
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        double way = Math.signum(points.get(1).out() - points.get(0).out());
        for (int i = 1; i < points.size(); i++) {
            if (way == 0 || Math.signum(points.get(i).out() - points.get(i - 1).out()) != way) {
                return Optional.of("the curve has the same value at several places");
            }
        }
        return Optional.empty();
    }

    @Override
    public Optional<Signal> back(Signal out, Span in) {
        if (noWayBack(in).isPresent()) {
            return Optional.empty();
        }
        boolean isLowest = !lowest.isEmpty() && out.text().equals(lowest);
        return isLowest
                ? Optional.of(Signal.of(points.get(0).in()))
                : out.isNumber() ? Optional.of(Signal.of(back(out.number(), in))) : Optional.empty();
    }

    @Override
    public double back(double out, Span in) {
        boolean falls = points.get(1).out() < points.get(0).out();
        for (int i = 0; i < points.size(); i++) {
            Breakpoint point = points.get(i);
            if (falls ? out >= point.out() : out <= point.out()) {
                return i == 0
                        ? point.in()
                        : new Scale(
                                        points.get(i - 1).in(),
                                        point.in(),
                                        points.get(i - 1).out(),
                                        point.out())
                                .back(out, in);
            }
        }
        return points.get(points.size() - 1).in();
    }
}
