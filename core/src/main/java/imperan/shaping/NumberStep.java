package imperan.shaping;

import java.util.Optional;

/** A step that takes numbers and gives numbers. */
public sealed interface NumberStep extends ShapingStep
        permits Scale,
                Clamp,
                Flip,
                Power,
                SCurve,
                Breakpoints,
                Decibels,
                Round,
                Cut,
                DeadZone,
                Add,
                Multiply,
                Wrap,
                Hold,
                StepInTime,
                Threshold,
                Edge,
                Toggle {

    double there(double number, Span in);

    double back(double out, Span in);

    @Override
    default Optional<Signal> settled(Signal signal, Span in) {
        return signal.isNumber() ? Optional.of(Signal.of(there(signal.number(), in))) : Optional.empty();
    }

    @Override
    default Optional<Signal> back(Signal out, Span in) {
        return out.isNumber() && noWayBack(in).isEmpty()
                ? Optional.of(Signal.of(back(out.number(), in)))
                : Optional.empty();
    }

    /** A sentence where something is so. */
    static Optional<String> when(boolean wrong, String sentence) {
        return wrong ? Optional.of(sentence) : Optional.empty();
    }
}
