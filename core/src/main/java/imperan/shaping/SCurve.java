package imperan.shaping;

import java.util.Optional;

/**
 * A curve like an S, within the range that comes in: t^k / (t^k + (1 − t)^k), which is its own mirror image about the middle.
 *
 * @param steepness k: 1 is a straight line, more is gentle at both ends; more than 0, at most {@value Power#MOST}
 */
public record SCurve(double steepness) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                        !(steepness > 0 && steepness <= Power.MOST),
                        "The steepness has to be more than 0 and at most 20")
                .or(() -> Bend.problem(in));
    }

    @Override
    public Span span(Span in) {
        return in;
    }

    @Override
    public double there(double number, Span in) {
        return in.at(bent(in.share(number), steepness));
    }

    @Override
    public double back(double out, Span in) {
        return in.at(bent(in.share(out), 1 / steepness));
    }

    private static double bent(double share, double by) {
        double near = Math.pow(share, by);
        return near / (near + Math.pow(1 - share, by));
    }
}
