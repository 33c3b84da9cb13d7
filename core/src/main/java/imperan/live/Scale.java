package imperan.live;

import java.util.Locale;

/**
 * Between a control's position, 0 to 1, and an argument.
 *
 * @param low  the argument at position 0
 * @param high the argument at position 1, may be below {@code low}
 */
record Scale(double low, double high) {

    static final Scale UNIT = new Scale(0, 1);

    double value(double position) {
        return low + (high - low) * position;
    }

    /** The position of a value; values beyond the range stand at its end. */
    double position(double value) {
        return Math.max(0, Math.min(1, (value - low) / (high - low)));
    }

    /** The value with as many decimals as make a two-hundredth of the range visible. */
    String text(double position, boolean whole) {
        double step = Math.abs(high - low) / 200;
        int decimals = whole ? 0 : (int) Math.max(0, Math.min(6, Math.ceil(-Math.log10(step))));
        String text = String.format(Locale.ROOT, "%." + decimals + "f", value(position));
        return text.startsWith("-") && Double.parseDouble(text) == 0 ? text.substring(1) : text;
    }
}
