package imperan.shaping;

import java.util.Optional;

/** Its decimals are cut off, towards zero. Nothing of ours does so; many a target does, and a phrase may say it of one. */
public record Cut() implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return Optional.empty();
    }

    @Override
    public Span span(Span in) {
        return in.isBounded() ? Span.between(there(in.low(), in), there(in.high(), in)) : in;
    }

    @Override
    public double there(double number, Span in) {
        double cut = number < 0 ? Math.ceil(number) : Math.floor(number);
        return cut == 0 ? 0 : cut;
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }
}
