package imperan.show.form;

/** A finger on a control, from where it landed to where it is, each 0 to 1 of the control: the geometry of hands, without messages. One landing, one of these. */
public final class Finger {
    /** How far a cap goes for a finger that asks for fine movement. */
    public static final double FINE = 0.1;
    /** A finger that goes no farther only taps. */
    private static final double TAP = 0.02;

    private final boolean free;
    private final double landedX;
    private final double landedY;
    private double beforeX;
    private double beforeY;
    private double x;
    private double y;
    private boolean fine;
    private double wandered;
    private boolean passed;
    /** Where the finger would have a cap without a detent, where it had it last, and whether the detent does not hold it now. */
    private double pulled;

    private double shown = Double.NaN;
    private boolean slips;
    private double turned;

    /** @param free whether the control may jump to it: its value is one that we may act on */
    public Finger(boolean free, double x, double y) {
        this.free = free;
        this.landedX = x;
        this.landedY = y;
        this.beforeX = x;
        this.beforeY = y;
        this.x = x;
        this.y = y;
    }

    /** The finger goes on, also past the edge of the control: a way there is as good. */
    public void moved(double toX, double toY, boolean nowFine) {
        wandered = Math.max(wandered, Math.max(Math.abs(toX - landedX), Math.abs(toY - landedY)));
        beforeX = x;
        beforeY = y;
        x = toX;
        y = toY;
        fine = nowFine;
    }

    /** Whether it has only tapped so far. */
    public boolean isTap() {
        return wandered <= TAP;
    }

    boolean isFree() {
        return free;
    }

    boolean isFine() {
        return fine;
    }

    /** How much of its way counts. */
    double share() {
        return fine ? FINE : 1;
    }

    double x() {
        return x;
    }

    double y() {
        return y;
    }

    double beforeX() {
        return beforeX;
    }

    double beforeY() {
        return beforeY;
    }

    /** Whether it has passed where a cap stands, now or before. */
    boolean passes(double at, double before, double place) {
        passed |= (before - at) * (place - at) <= 0;
        return passed;
    }

    /** The whole steps of a way, once the rest of the ways before is added. */
    int steps(double way) {
        turned += way;
        int whole = (int) turned;
        turned -= whole;
        return whole;
    }

    /**
     * Where a cap stands that is pulled a way further. Its detent holds it until it was pulled out of it, however slowly; one that stood beside
     * it already, or is led there by a finger that asks for fine movement, is not caught.
     */
    double pulls(Form form, double at, double way) {
        if (at != shown) {
            pulled = Slider.settled(form, at);
            slips = Slider.led(form, pulled) != pulled;
        }
        pulled = Position.clamp(pulled + way);
        slips = Slider.holds(form, pulled) && (slips || fine);
        shown = slips ? pulled : Slider.led(form, pulled);
        return shown;
    }
}
