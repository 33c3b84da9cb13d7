package imperan.live;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * Between a control's position, 0 to 1, and an argument.
 *
 * @param low  the argument at position 0
 * @param high the argument at position 1, may be below {@code low}
 */
record Scale(double low, double high) {

    static final Scale UNIT = new Scale(0, 1);

    /** At both ends exactly what they say; never NaN or infinite, as wide as the range may be. */
    double value(double position) {
        double width = high - low;
        return Double.isInfinite(width) ? low * (1 - position) + high * position : low + width * position;
    }

    /** The position of a value; values beyond the range stand at its end. */
    double position(double value) {
        double width = high - low;
        double share = Double.isInfinite(width) ? (value / 2 - low / 2) / (high / 2 - low / 2) : (value - low) / width;
        // nothing can be told of a place in a range without width
        return Double.isNaN(share) ? 0 : Math.max(0, Math.min(1, share));
    }

    /** The value with as many decimals as make a two-hundredth of the range visible. */
    String text(double position, boolean whole) {
        double step = Math.abs(high - low) / 200;
        int decimals = whole ? 0 : (int) Math.max(0, Math.min(6, Math.ceil(-Math.log10(step))));
        // a formatter takes several times as long, and every value that is shown comes by here
        return BigDecimal.valueOf(Math.max(-Double.MAX_VALUE, Math.min(Double.MAX_VALUE, value(position)))).setScale(decimals, RoundingMode.HALF_UP).toPlainString();
    }
}
