package imperan.show;

/** Where a cap or a knob holds a little: in the middle of its way. */
public final class Detent {

    public static final double MIDDLE = 0.5;

    /** How far from the middle it is held there, as a share of the way. */
    private static final double HOLD = 0.02;

    private Detent() {
    }

    /** Whether what stands there is near enough to be held. */
    public static boolean reaches(double position) {
        return Math.abs(position - MIDDLE) < HOLD;
    }
}
