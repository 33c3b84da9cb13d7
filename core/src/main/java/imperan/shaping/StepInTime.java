package imperan.shaping;

/** A step that changes no value and only when it comes: once everything has settled, what came in comes out. */
public sealed interface StepInTime extends NumberStep permits Smooth, RateLimit, AtMostEvery {

    @Override
    default Span span(Span in) {
        return in;
    }

    @Override
    default double there(double number, Span in) {
        return number;
    }

    @Override
    default double back(double out, Span in) {
        return out;
    }

    @Override
    default boolean takesTime() {
        return true;
    }
}
