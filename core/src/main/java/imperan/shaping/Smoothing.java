package imperan.shaping;

/**
 * First-order smoothing with the input held between samples: after one time constant 63.2 % of a step are reached (1 − 1/e, any
 * handbook of control engineering).
 */
public final class Smoothing {

    private final double seconds;
    private double value = Double.NaN;
    private long at;

    /** @param seconds the time constant; 0 lets everything through */
    public Smoothing(double seconds) {
        this.seconds = seconds;
    }

    /** The smoothed value once this input has come at this time; the first one counts whole. */
    public double next(double input, long nanos) {
        double share = Double.isNaN(value) || seconds <= 0 ? 1 : 1 - Math.exp(-(nanos - at) / 1e9 / seconds);
        value = Double.isNaN(value) ? input : value + share * (input - value);
        at = nanos;
        return value;
    }
}
