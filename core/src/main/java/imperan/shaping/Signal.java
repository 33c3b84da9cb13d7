package imperan.shaping;

import java.math.BigDecimal;

/**
 * What goes through a {@link Chain}: a number, a text, or a number that is also called by a text, such as −∞.
 *
 * @param number NaN where it is only a text
 * @param text   empty where it is only a number
 */
public record Signal(double number, String text) {

    /** Two numbers that differ by no more, of their own size, are the same: a target that answers in 32 bits rounds as much away. */
    private static final double ROUNDED = 1e-6;

    public static Signal of(double number) {
        return new Signal(number, "");
    }

    public static Signal text(String text) {
        return new Signal(Double.NaN, text);
    }

    /** What somebody wrote: a number where it reads as one, else a text. */
    public static Signal read(String written) {
        return switch (written.strip()) {
            case "true" -> of(1);
            case "false" -> of(0);
            default -> {
                try {
                    double number = new BigDecimal(written.strip()).doubleValue();
                    yield Double.isFinite(number) ? of(number) : text(written);
                } catch (NumberFormatException e) {
                    yield text(written);
                }
            }
        };
    }

    public boolean isNumber() {
        return !Double.isNaN(number);
    }

    /** Whether both are the same number, or both the same text. */
    public boolean means(Signal other) {
        if (isNumber() && other.isNumber()) {
            return Math.abs(number - other.number) <= ROUNDED * Math.max(1, Math.abs(number));
        }
        return !text.isEmpty() && text.equals(other.text);
    }
}
