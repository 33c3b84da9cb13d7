package imperan.shaping;

/**
 * What can come out of a step: the numbers from {@code low} to {@code high}, or texts.
 *
 * @param low   at most {@code high}; minus infinity where nobody knows
 * @param high  infinity where nobody knows
 * @param texts whether texts come, too
 */
public record Span(double low, double high, boolean texts) {

    /** No number of a chain is farther from zero: a double tells whole numbers apart up to 2^53, about 9e15, and no sum or difference of such numbers comes near infinity. */
    public static final double MOST = 1e15;

    /** The positions of a control. */
    public static final Span UNIT = new Span(0, 1, false);
    /** Numbers of which nothing is known. */
    public static final Span ANY = new Span(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY, false);

    /** The numbers between these two, whichever is the smaller one. */
    public static Span between(double one, double other) {
        return new Span(Math.min(one, other), Math.max(one, other), false);
    }

    /** Whether a number is one to reckon with: finite, and no farther from zero than {@link #MOST}. */
    public static boolean fits(double number) {
        return Math.abs(number) <= MOST;
    }

    public boolean isBounded() {
        return Double.isFinite(low) && Double.isFinite(high);
    }

    public double width() {
        return high - low;
    }

    double middle() {
        return isBounded() ? (low + high) / 2 : 0.5;
    }

    double clamp(double number) {
        return Math.max(low, Math.min(high, number));
    }

    /** Where in it a number lies, 0 to 1; what is beyond its ends lies at them. */
    double share(double number) {
        return width() > 0 ? Math.max(0, Math.min(1, (number - low) / width())) : 0;
    }

    double at(double share) {
        return share >= 1 ? high : low + width() * share;
    }
}
