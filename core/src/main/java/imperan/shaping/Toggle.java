package imperan.shaping;

import java.util.Optional;

/** On and off by turns: each time what comes in rises past the middle of its range. It begins with what its target said last. */
public record Toggle() implements NumberStep {

    @Override
    public Optional<String> problem(Span in) {
        return Optional.empty();
    }

    @Override
    public Span span(Span in) {
        return Span.UNIT;
    }

    @Override
    public double there(double number, Span in) {
        return number >= in.middle() ? 1 : 0;
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        return Optional.of("the same press switches on and off");
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }

    @Override
    public Work work(Span in) {
        return new Turning(in);
    }

    private final class Turning implements Work {

        private final Span in;
        private boolean above;
        private boolean on;

        private Turning(Span in) {
            this.in = in;
        }

        @Override
        public Optional<Signal> next(Signal signal, long now, boolean event) {
            boolean before = above;
            starts(signal);
            if (!above || before && !event) {
                return Optional.empty();
            }
            on = !on;
            return Optional.of(Signal.of(on ? 1 : 0));
        }

        @Override
        public void starts(Signal signal) {
            above = signal.number() >= in.middle();
        }

        @Override
        public void reported(Signal signal, Signal out) {
            on = out.number() >= 0.5;
        }
    }
}
