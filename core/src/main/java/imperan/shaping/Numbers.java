package imperan.shaping;

import java.math.BigDecimal;
import java.math.MathContext;

/** How numbers are written in sentences and in cells. */
final class Numbers {

    /** As many figures as anybody reads. */
    private static final MathContext FIGURES = new MathContext(6);

    private Numbers() {}

    /** With at most six figures, and no zeroes at its end. */
    static String plain(double number) {
        if (!Double.isFinite(number)) {
            return number > 0 ? "∞" : "−∞";
        }
        BigDecimal rounded = BigDecimal.valueOf(number).round(FIGURES).stripTrailingZeros();
        return rounded.signum() == 0 ? "0" : rounded.toPlainString();
    }
}
