package imperan.shaping;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * Rounded, never cut: to the nearest multiple of a number, and halves upwards.
 *
 * @param to such as 1 for whole numbers, or 0.01 for two decimals; more than 0
 */
public record Round(double to) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                !(to >= 1e-9 && Span.fits(to)),
                "It rounds to multiples of a number of at least 0.000000001, such as 1 or 0.01");
    }

    @Override
    public Span span(Span in) {
        return in.isBounded() ? new Span(there(in.low(), in), there(in.high(), in), false) : in;
    }

    /** By decimals as they are written: seven hundredths are 0.07, and not the binary number beside it. */
    @Override
    public double there(double number, Span in) {
        double multiples = Math.floor(number / to + 0.5);
        return Span.fits(multiples)
                ? BigDecimal.valueOf(multiples).multiply(BigDecimal.valueOf(to)).doubleValue()
                : number;
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }
}
