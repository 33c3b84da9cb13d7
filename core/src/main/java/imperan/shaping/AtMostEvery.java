package imperan.shaping;

import java.util.Optional;

/**
 * At most one value in so many milliseconds: the latest counts, and the last one always comes.
 *
 * @param milliseconds 1 to 60 000
 */
public record AtMostEvery(int milliseconds) implements StepInTime {

    @Override
    public Optional<String> problem(Span in) {
        return NumberStep.when(milliseconds < 1 || milliseconds > 60_000, "The time is from 1 to 60 000 ms");
    }

    @Override
    public Work work(Span in) {
        return new Spacing(milliseconds * 1_000_000L);
    }

    private static final class Spacing implements Work {

        private final long nanos;
        private long openAt = Long.MIN_VALUE;
        private Optional<Signal> waits = Optional.empty();

        private Spacing(long nanos) {
            this.nanos = nanos;
        }

        @Override
        public Optional<Signal> next(Signal signal, long now, boolean event) {
            waits = Optional.of(signal);
            return now >= openAt ? at(now) : Optional.empty();
        }

        @Override
        public long due() {
            return waits.isPresent() ? openAt : NEVER;
        }

        @Override
        public Optional<Signal> at(long now) {
            openAt = now + nanos;
            return finish(now);
        }

        @Override
        public Optional<Signal> finish(long now) {
            Optional<Signal> last = waits;
            waits = Optional.empty();
            return last;
        }
    }
}
