package imperan.shaping;

import java.util.Optional;

/**
 * First-order smoothing: after one time constant 63.2 % of a step are reached, 1 − 1/e (any handbook of control engineering). What came in last is held until something
 * else comes, so it is exact whatever the distances in time; after ten time constants the end is reached, of which four hundred-thousandths were missing.
 *
 * @param seconds the time constant, 0 to {@value #MOST}; 0 lets everything through
 */
public record Smooth(double seconds) implements StepInTime {

    static final double MOST = 60;
    private static final int ARRIVED_AFTER = 10;

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(!(seconds >= 0 && seconds <= MOST), "The time is from 0 to 60 s");
    }

    @Override
    public boolean takesTime() {
        return seconds > 0;
    }

    @Override
    public Work work(Span in) {
        return new Smoothing(seconds);
    }

    private static final class Smoothing extends Gliding {

        private final double nanos;

        private Smoothing(double seconds) {
            this.nanos = seconds * 1e9;
        }

        @Override
        double after(double value, double towards, long passed) {
            return value + (1 - Math.exp(-passed / nanos)) * (towards - value);
        }

        @Override
        long arrives(double value, double towards) {
            return (long) (ARRIVED_AFTER * nanos);
        }
    }
}
