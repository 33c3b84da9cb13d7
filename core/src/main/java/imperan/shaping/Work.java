package imperan.shaping;

import java.util.Optional;

/** One step at work: what it remembers from one value to the next. Time is in nanoseconds of one clock. */
@FunctionalInterface
interface Work {

    /** Nothing is due. */
    long NEVER = Long.MAX_VALUE;

    /** How far apart in time are the values of something that moves by itself: as many a second as a picture has, and more than most targets take. */
    long SAMPLE_NANOS = 20_000_000L;

    /**
     * What comes out when something comes in; empty where nothing does now.
     *
     * @param event whether what comes in counts for itself, as a press does, even where it is the same as before
     */
    Optional<Signal> next(Signal signal, long now, boolean event);

    /** When something comes out by itself. */
    default long due() {
        return NEVER;
    }

    /** What comes out by itself at this time. */
    default Optional<Signal> at(long now) {
        return Optional.empty();
    }

    /** What would come out in the end, now; afterwards nothing is due. Empty where nothing would. */
    default Optional<Signal> finish(long now) {
        return Optional.empty();
    }

    /** Its control stands somewhere, before anybody moved it. */
    default void starts(Signal signal) {}

    /** The target says where it stands: what comes in and what comes out there. */
    default void reported(Signal signal, Signal out) {}
}
