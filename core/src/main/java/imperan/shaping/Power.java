package imperan.shaping;

import java.util.Optional;

/**
 * A curve by an exponent, within the range that comes in: above 1 it starts gently and ends steeply, below 1 the other way round.
 *
 * @param exponent more than 0, at most {@value #MOST}
 */
public record Power(double exponent) implements NumberStep {

    static final double MOST = 20;

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(!(exponent > 0 && exponent <= MOST), "The exponent has to be more than 0 and at most 20")
                .or(() -> Bend.problem(in));
    }

    @Override
    public Span span(Span in) {
        return in;
    }

    @Override
    public double there(double number, Span in) {
        return in.at(Math.pow(in.share(number), exponent));
    }

    @Override
    public double back(double out, Span in) {
        return in.at(Math.pow(in.share(out), 1 / exponent));
    }
}
