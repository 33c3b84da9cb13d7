package imperan.shaping;

/**
 * From 0 to 1 into a range, in either direction.
 *
 * @param low  what 0 becomes
 * @param high what 1 becomes, may be below {@code low}
 */
public record Scale(double low, double high) implements Step {

    /** At both ends exactly what they say; never NaN or infinite, as wide as the range may be. */
    @Override
    public double there(double in) {
        double width = high - low;
        return Double.isInfinite(width) ? low * (1 - in) + high * in : low + width * in;
    }

    @Override
    public boolean leadsBack() {
        return true;
    }

    /** Values beyond the range stand at its end. */
    @Override
    public double back(double out) {
        double width = high - low;
        double share = Double.isInfinite(width) ? (out / 2 - low / 2) / (high / 2 - low / 2) : (out - low) / width;
        // nothing can be told of a place in a range without width
        return Double.isNaN(share) ? 0 : Math.max(0, Math.min(1, share));
    }

    @Override
    public double width(double way) {
        return Math.abs(high - low) * way;
    }
}
