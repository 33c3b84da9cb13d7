package imperan.track;

/** How many frames there are to a second, and how they are counted (SMPTE ST 12-1). */
public enum FrameRate {
    FPS_24("24", 24, 24, 1, false),
    FPS_25("25", 25, 25, 1, false),
    /** 30 000 / 1 001 a second; so that the count keeps up with the clock, numbers are left out of it. */
    FPS_29_97_DROP("29.97 drop-frame", 30, 30_000, 1_001, true),
    /** As many a second, each with the next number: an hour of the count takes 3.6 s longer than one of the clock. */
    FPS_29_97("29.97 non-drop", 30, 30_000, 1_001, false),
    FPS_30("30", 30, 30, 1, false);

    private final String called;
    private final int counted;
    private final int framesOf;
    private final int secondsOf;
    private final boolean drop;

    FrameRate(String called, int counted, int framesOf, int secondsOf, boolean drop) {
        this.called = called;
        this.counted = counted;
        this.framesOf = framesOf;
        this.secondsOf = secondsOf;
        this.drop = drop;
    }

    public String called() {
        return called;
    }

    /** The numbers that are counted to a second: 30 means 00 to 29. */
    public int counted() {
        return counted;
    }

    /** Whether numbers are left out: 00 and 01 at the start of every minute but each tenth. */
    public boolean isDrop() {
        return drop;
    }

    /** When a frame begins, in seconds; {@code frame} counts those that went before. */
    public double seconds(long frame) {
        return (double) frame * secondsOf / framesOf;
    }

    /** The frame that is shown at a time, counted from 0. */
    public long frame(double seconds) {
        // a time that was reckoned from a frame is that frame's
        return (long) Math.floor(seconds * framesOf / secondsOf + 1e-6);
    }

    /** How long a frame is shown, in seconds. */
    public double frameSeconds() {
        return (double) secondsOf / framesOf;
    }
}
