package imperan.shaping;

import java.util.Optional;

/** Always the same, whatever comes in: one axis stands still while another is tuned. */
public record Hold(double at) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(!Span.fits(at), "It holds at a number between -1e15 and 1e15");
    }

    @Override
    public Span span(Span in) {
        return new Span(at, at, false);
    }

    @Override
    public double there(double number, Span in) {
        return at;
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        return Optional.of("everything becomes the same");
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }
}
