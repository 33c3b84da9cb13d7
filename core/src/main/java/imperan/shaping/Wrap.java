package imperan.shaping;

import java.util.Optional;

/** Round and round: what goes beyond one end comes in again at the other, as with degrees of a circle. */
public record Wrap(double low, double high) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                !(Span.fits(low) && Span.fits(high) && low < high),
                "It needs a lower and a higher number between -1e15 and 1e15");
    }

    @Override
    public Span span(Span in) {
        return goesRound(in) ? new Span(low, high, false) : in;
    }

    private boolean goesRound(Span in) {
        return in.low() < low || in.high() >= high;
    }

    @Override
    public double there(double number, Span in) {
        double turns = Math.floor((number - low) / (high - low));
        return number >= low && number < high
                ? number
                : Math.min(Math.nextDown(high), Math.max(low, number - turns * (high - low)));
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        return NumberStep.when(goesRound(in), "it cannot be told how often it went round");
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }
}
