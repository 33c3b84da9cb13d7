package imperan.shaping;

import java.util.Optional;

/**
 * What is near a number counts as that number; what is farther off begins there, and the ends of the range stay where they are.
 *
 * @param around the number
 * @param near   how far on either side, more than 0
 */
public record DeadZone(double around, double near) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                        !(Span.fits(around) && near > 0 && Span.fits(near)),
                        "It needs a number, and how far from it still counts as it: more than 0")
                .or(() -> NumberStep.when(
                        in.isBounded() && around - near <= in.low() && around + near >= in.high(),
                        "Everything that comes in, " + Numbers.plain(in.low()) + " to " + Numbers.plain(in.high())
                                + ", lies within it: make it smaller"));
    }

    @Override
    public Span span(Span in) {
        return in.isBounded() ? Span.between(there(in.low(), in), there(in.high(), in)) : in;
    }

    @Override
    public double there(double number, Span in) {
        double off = Math.abs(number - around) - near;
        return off <= 0 ? around : around + Math.signum(number - around) * off * stretch(number > around, in);
    }

    /** What was near comes back as the number itself. */
    @Override
    public double back(double out, Span in) {
        double off = Math.abs(out - around);
        return off == 0 ? around : around + Math.signum(out - around) * (near + off / stretch(out > around, in));
    }

    /** How much farther everything goes, so that the end of the range is reached. */
    private double stretch(boolean above, Span in) {
        double way = above ? in.high() - around : around - in.low();
        return in.isBounded() && way > near ? way / (way - near) : 1;
    }
}
