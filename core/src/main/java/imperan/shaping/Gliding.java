package imperan.shaping;

import java.util.Optional;

/** A value that goes towards what came in last, and goes on by itself until it is there. What comes in first counts whole. */
abstract class Gliding implements Work {

    private double value = Double.NaN;
    private double towards = Double.NaN;
    private long at;
    /** When it is there. */
    private long arrivesAt;

    /** Where it is some nanoseconds later. */
    abstract double after(double from, double to, long passed);

    /** How many nanoseconds it takes until it is there. */
    abstract long arrives(double from, double to);

    @Override
    public Optional<Signal> next(Signal signal, long now, boolean event) {
        if (!signal.isNumber()) {
            return Optional.empty();
        }
        if (Double.isNaN(value)) {
            value = signal.number();
        } else {
            advance(now);
        }
        at = now;
        if (signal.number() != towards) {
            towards = signal.number();
            arrivesAt = now + arrives(value, towards);
            advance(now);
        }
        return Optional.of(Signal.of(value));
    }

    private void advance(long now) {
        value = value == towards || now >= arrivesAt ? towards : after(value, towards, now - at);
        at = now;
    }

    @Override
    public long due() {
        return value == towards || Double.isNaN(value) ? NEVER : Math.min(at + SAMPLE_NANOS, arrivesAt);
    }

    @Override
    public Optional<Signal> at(long now) {
        advance(now);
        return Optional.of(Signal.of(value));
    }

    @Override
    public Optional<Signal> finish(long now) {
        if (due() == NEVER) {
            return Optional.empty();
        }
        value = towards;
        at = now;
        return Optional.of(Signal.of(value));
    }

    /** It goes on from where the target says it is. */
    @Override
    public void reported(Signal signal, Signal out) {
        value = signal.number();
        towards = value;
    }
}
