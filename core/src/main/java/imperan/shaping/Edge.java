package imperan.shaping;

import java.util.Optional;

/** Something comes out only at the moment when what comes in passes the middle of its range: 1 where it rises, 0 where it falls. */
public record Edge(Way way) implements NumberStep {

    /** Which moments count. */
    public enum Way {
        RISING,
        FALLING,
        BOTH
    }

    @Override
    public Optional<String> problem(Span in) {
        return Optional.empty();
    }

    @Override
    public Span span(Span in) {
        return switch (way) {
            case RISING -> new Span(1, 1, false);
            case FALLING -> new Span(0, 0, false);
            case BOTH -> Span.UNIT;
        };
    }

    /** What comes out where the middle is passed to here. */
    @Override
    public Optional<Signal> settled(Signal signal, Span in) {
        return signal.isNumber() && counts(signal.number() >= in.middle())
                ? Optional.of(Signal.of(there(signal.number(), in)))
                : Optional.empty();
    }

    private boolean counts(boolean rises) {
        return way == Way.BOTH || rises == (way == Way.RISING);
    }

    @Override
    public double there(double number, Span in) {
        return number >= in.middle() ? 1 : 0;
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        return Optional.of("a moment does not tell how far");
    }

    @Override
    public double back(double out, Span in) {
        return out;
    }

    @Override
    public Work work(Span in) {
        return new Watching(in);
    }

    private final class Watching implements Work {

        private final Span in;
        private Optional<Boolean> above = Optional.empty();

        private Watching(Span in) {
            this.in = in;
        }

        @Override
        public Optional<Signal> next(Signal signal, long now, boolean event) {
            Optional<Boolean> before = above;
            starts(signal);
            boolean passes = event || before.isPresent() && !before.equals(above);
            return passes ? settled(signal, in) : Optional.empty();
        }

        @Override
        public void starts(Signal signal) {
            above = Optional.of(signal.number() >= in.middle());
        }
    }
}
