package imperan.trial;

/** How fast a trial goes. */
public enum TrialSpeed {
    /** As the show does; after each cue, go is said as soon as it is at its end. */
    OWN(1),
    FOUR_TIMES(4),
    /** A thousand times: what is left is what targets need, and the limits of answers. */
    FASTEST(1000);

    private final double times;

    TrialSpeed(double times) {
        this.times = times;
    }

    /** How many times as fast as the show. */
    public double times() {
        return times;
    }
}
