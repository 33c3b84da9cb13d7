package imperan.shaping;

import java.util.Optional;

/** What is beyond these two numbers stands at them. */
public record Clamp(double low, double high) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                !(Span.fits(low) && Span.fits(high) && low < high),
                "It needs a lower and a higher number between -1e15 and 1e15");
    }

    @Override
    public Span span(Span in) {
        return Span.between(there(in.low(), in), there(in.high(), in));
    }

    @Override
    public double there(double number, Span in) {
        return Math.max(low, Math.min(high, number));
    }

    @Override
    public double back(double out, Span in) {
        return there(out, in);
    }
}
