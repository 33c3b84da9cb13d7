package imperan.shaping;

import java.util.Optional;

/**
 * 1 from a level upwards, else 0. What is on goes off only once it is below the level by more than the margin, so that what trembles about the level does not flicker.
 *
 * @param margin 0 or more
 */
public record Threshold(double level, double margin) implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(
                        !(Span.fits(level) && margin >= 0 && Span.fits(margin)),
                        "It needs a level, and a margin of 0 or more")
                .or(() -> NumberStep.when(
                        in.isBounded() && (level > in.high() || level <= in.low()),
                        "Only " + Numbers.plain(in.low()) + " to " + Numbers.plain(in.high())
                                + " comes in: it would always be " + (level > in.high() ? 0 : 1)))
                .or(() -> NumberStep.when(
                        in.isBounded() && level - margin <= in.low(),
                        "It would never go off again: nothing below " + Numbers.plain(level - margin) + " comes in"));
    }

    @Override
    public Span span(Span in) {
        return Span.UNIT;
    }

    @Override
    public double there(double number, Span in) {
        return number >= level ? 1 : 0;
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        return Optional.of("on and off do not tell how far");
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }

    @Override
    public Work work(Span in) {
        return new Comparing();
    }

    private final class Comparing implements Work {

        private boolean on;

        @Override
        public Optional<Signal> next(Signal signal, long now, boolean event) {
            if (!signal.isNumber()) {
                return Optional.empty();
            }
            starts(signal);
            return Optional.of(Signal.of(on ? 1 : 0));
        }

        @Override
        public void starts(Signal signal) {
            on = on ? signal.number() >= level - margin : signal.number() >= level;
        }
    }
}
