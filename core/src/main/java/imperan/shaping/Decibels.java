package imperan.shaping;

import java.util.Optional;

/**
 * Between a factor of amplitude and decibels: dB = 20 · log10(factor) (IEC 60027-3, of field quantities).
 *
 * @param toFactor from decibels to the factor; else from the factor to decibels
 */
public record Decibels(boolean toFactor) implements NumberStep {

    /** What silence counts as: the step of 24 bits is 20 · log10(2^24), about 144 dB, below full scale (common practice, no source). */
    public static final double SILENCE = -144;
    /** What silence is called. */
    public static final String SILENT = "−∞";

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                !toFactor && in.low() < 0 && in.isBounded(), "A factor below 0 has no decibels: put a clamp before it");
    }

    @Override
    public Span span(Span in) {
        return Span.between(there(in.low(), in), there(in.high(), in));
    }

    @Override
    public Optional<Signal> settled(Signal signal, Span in) {
        if (!signal.isNumber()) {
            return signal.text().equals(SILENT) && toFactor ? Optional.of(Signal.of(0)) : Optional.empty();
        }
        double out = there(signal.number(), in);
        return Optional.of(new Signal(out, !toFactor && out <= SILENCE ? SILENT : ""));
    }

    @Override
    public double there(double number, Span in) {
        return toFactor ? factor(number) : decibels(number);
    }

    @Override
    public Optional<Signal> back(Signal out, Span in) {
        return out.text().equals(SILENT) && !toFactor ? Optional.of(Signal.of(0)) : NumberStep.super.back(out, in);
    }

    @Override
    public double back(double out, Span in) {
        return toFactor ? decibels(out) : factor(out);
    }

    private static double factor(double decibels) {
        return decibels <= SILENCE ? 0 : Math.pow(10, decibels / 20);
    }

    private static double decibels(double factor) {
        return factor <= 0 ? SILENCE : Math.max(SILENCE, 20 * Math.log10(factor));
    }
}
