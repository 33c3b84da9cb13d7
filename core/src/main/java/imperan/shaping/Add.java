package imperan.shaping;

import java.util.Optional;

/** So much more, or less where it is negative. */
public record Add(double amount) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(!Span.fits(amount), "It adds a number between -1e15 and 1e15");
    }

    @Override
    public Span span(Span in) {
        return new Span(in.low() + amount, in.high() + amount, false);
    }

    @Override
    public double there(double number, Span in) {
        return number + amount;
    }

    @Override
    public double back(double out, Span in) {
        return out - amount;
    }
}
