package imperan.live;

import imperan.show.PartId;

/**
 * One event of a finger, a mouse or a key on a control.
 *
 * @param control what is touched
 * @param pointer which finger of which browser
 * @param phase   what the finger does
 * @param x       0 at the left edge of the control, 1 at the right
 * @param y       0 at the lower edge of the control, 1 at the upper
 * @param fine    whether the hand asks for a tenth of the way
 * @param words   what was typed, for {@link Phase#TYPE}; else empty
 */
public record Touch(PartId control, Pointer pointer, Phase phase, double x, double y, boolean fine, String words) {

    public enum Phase {
        PRESS, MOVE, RELEASE,
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
        /** A line was typed. */
        TYPE
    }

    /** @param browser the id of the browser, {@code finger} an id within it */
    public record Pointer(String browser, String finger) {
    }
}
