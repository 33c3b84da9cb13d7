package imperan.live;

import imperan.show.PartId;
import java.util.Optional;

/**
 * One event of a finger, a mouse or a key of an actor on a control.
 *
 * @param control what is touched
 * @param finger  an id of it, of the actor's own
 * @param phase   what the finger does
 * @param x       0 at the left edge of the control, 1 at the right
 * @param y       0 at the lower edge of the control, 1 at the upper
 * @param z       of a {@link Phase#MOTION} the third axis; else 0
 * @param fine    whether the hand asks for a tenth of the way
 * @param words   what was typed, for {@link Phase#TYPE}; for {@link Phase#PRESS} of a key that steps a cue list the cue that was next on the screen; else empty
 */
public record Touch(
        PartId control, String finger, Phase phase, double x, double y, double z, boolean fine, String words)
        implements Command {

    /** What has no third axis. */
    public Touch(PartId control, String finger, Phase phase, double x, double y, boolean fine, String words) {
        this(control, finger, phase, x, y, 0, fine, words);
    }

    public enum Phase {
        PRESS,
        MOVE,
        RELEASE,
        /** The finger is gone without lifting, such as a gesture taken over by the device. */
        CANCEL,
        /** One step of a key: {@code x} is how far sideways, {@code y} how far upwards. */
        STEP,
        /** A key that means a place: {@code y} is where. Of a colour it is the brightness. */
        SET,
        /** To the rest position. */
        REST,
        /** One of the saved colours: {@code y} is which, from 0. */
        PICK,
        /** The device is tilted by {@code x} degrees sideways and {@code y} degrees forwards. */
        TILT,
        /** The device is tilted likewise, and that is to count as level from now on. */
        FLAT,
        /** The device is moved with {@code x}, {@code y} and {@code z} metres per second squared to the right, upwards along the screen, and out of it. */
        MOTION,
        /** A line was typed. */
        TYPE
    }

    /** The farthest from a control that a hand can pull: in lengths of the control. */
    private static final double MOST_PULL = 1_000;

    private static final double MOST_DEGREES = 360;
    /** In metres per second squared. */
    private static final double MOST_ACCELERATION = 10_000;

    private static final String TOO_HARD = "Nobody moves a device as hard as that";
    private static final int MOST_SWATCHES = 64;
    /** As long as a text argument. */
    private static final int MOST_WORDS = 8 << 10;

    private static final int MOST_FINGER = 100;

    /** Why this is no touch that a hand can make; empty where it is one. A hand that goes away always may. */
    @Override
    public Optional<String> problem() {
        if (phase == Phase.RELEASE || phase == Phase.CANCEL) {
            return Optional.empty();
        } else if (!Double.isFinite(x) || !Double.isFinite(y) || !Double.isFinite(z)) {
            return Optional.of("A touch needs finite numbers");
        } else if (finger.length() > MOST_FINGER) {
            return Optional.of("A finger's name has at most " + MOST_FINGER + " characters");
        }
        return switch (phase) {
            case PRESS, MOVE -> outside(MOST_PULL, "The touch is too far from its control");
            case STEP -> outside(1, "A step is at most the whole length of the control");
            case SET -> y >= 0 && y <= 1 ? Optional.empty() : Optional.of("A position lies between 0 and 1");
            case PICK -> y >= 0 && y < MOST_SWATCHES
                    ? Optional.empty()
                    : Optional.of("There is no saved colour of that number");
            case TILT, FLAT -> outside(MOST_DEGREES, "A tilt is at most a whole turn");
            case MOTION -> Math.abs(z) > MOST_ACCELERATION
                    ? Optional.of(TOO_HARD)
                    : outside(MOST_ACCELERATION, TOO_HARD);
            case TYPE -> words.length() > MOST_WORDS
                    ? Optional.of("A text has at most " + MOST_WORDS + " characters")
                    : words.indexOf('\0') >= 0
                            ? Optional.of("A text of OSC ends at NUL, so it cannot hold one")
                            : Optional.empty();
            case REST, RELEASE, CANCEL -> Optional.empty();
        };
    }

    private Optional<String> outside(double most, String why) {
        return Math.abs(x) <= most && Math.abs(y) <= most ? Optional.empty() : Optional.of(why);
    }
}
