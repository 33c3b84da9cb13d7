package imperan.shaping;

import java.util.Optional;

/**
 * From one range to another, in either direction, by a straight line that goes on beyond both ends.
 *
 * @param fromLow  becomes {@code low}
 * @param fromHigh becomes {@code high}; not the same as {@code fromLow}
 */
public record Scale(double fromLow, double fromHigh, double low, double high) implements NumberStep {

    /** From a control's position, 0 to 1. */
    public Scale(double low, double high) {
        this(0, 1, low, high);
    }

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                        !(Span.fits(fromLow) && Span.fits(fromHigh) && fromLow != fromHigh),
                        "The range that comes in needs two different numbers between -1e15 and 1e15")
                .or(() -> NumberStep.when(
                        !(Span.fits(low) && Span.fits(high)), "The range needs two numbers between -1e15 and 1e15"));
    }

    @Override
    public Span span(Span in) {
        return in.isBounded() ? Span.between(there(in.low(), in), there(in.high(), in)) : Span.ANY;
    }

    /** At both ends exactly what they say; and finite, however wide a range an old database may hold. */
    @Override
    public double there(double number, Span in) {
        return line(number, fromLow, fromHigh, low, high);
    }

    private static double line(double at, double from, double to, double low, double high) {
        double share =
                Double.isInfinite(to - from) ? (at / 2 - from / 2) / (to / 2 - from / 2) : (at - from) / (to - from);
        return at == to
                ? high
                : Double.isInfinite(high - low) ? low * (1 - share) + high * share : low + (high - low) * share;
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        return NumberStep.when(low == high, "both ends become the same");
    }

    @Override
    public double back(double out, Span in) {
        return line(out, low, high, fromLow, fromHigh);
    }
}
