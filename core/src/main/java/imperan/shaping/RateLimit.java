package imperan.shaping;

import java.util.Optional;

/**
 * It changes no faster than this.
 *
 * @param perSecond how far it goes in a second at most, in the unit of what comes in; more than 0
 */
public record RateLimit(double perSecond) implements StepInTime {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(!(perSecond > 0 && Span.fits(perSecond)), "It changes by more than 0 a second");
    }

    @Override
    public Work work(Span in) {
        return new Limiting(perSecond);
    }

    private static final class Limiting extends Gliding {

        private final double perNano;

        private Limiting(double perSecond) {
            this.perNano = perSecond / 1e9;
        }

        @Override
        double after(double from, double to, long passed) {
            return from + Math.signum(to - from) * Math.min(Math.abs(to - from), perNano * passed);
        }

        @Override
        long arrives(double from, double to) {
            return (long) Math.min(Long.MAX_VALUE / 4.0, Math.ceil(Math.abs(to - from) / perNano));
        }
    }
}
