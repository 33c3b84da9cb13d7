package imperan.cue;

import imperan.show.cue.FadeCurve;

/**
 * The course of a fade in time.
 *
 * @param start when it begins, {@code nanos} how long it takes
 * @param step  how long its steps are apart at least
 */
record Fade(long start, long nanos, FadeCurve curve, long step) {

    /** How much of its way is gone, 0 to 1. */
    double at(long now) {
        return now >= end() ? 1 : now <= start ? 0 : curve.at((now - start) / (double) nanos);
    }

    long end() {
        return start + nanos;
    }

    /** When its next step after this moment is due: they lie evenly from its start, and the last is its end. */
    long after(long now) {
        return Math.min(end(), start + ((now - start) / step + 1) * step);
    }

    Fade later(long by) {
        return new Fade(start + by, nanos, curve, step);
    }
}
