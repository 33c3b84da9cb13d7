package imperan.shaping;

import java.util.Optional;

/** So many times as much. */
public record Multiply(double factor) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                !(Span.fits(factor) && factor != 0), "It multiplies by a number other than 0, between -1e15 and 1e15");
    }

    @Override
    public Span span(Span in) {
        return Span.between(in.low() * factor, in.high() * factor);
    }

    @Override
    public double there(double number, Span in) {
        return number * factor;
    }

    @Override
    public double back(double out, Span in) {
        return out / factor;
    }
}
