package imperan.show.form;

import java.util.Optional;

/**
 * A knob, turned by a finger that moves up and down; it never jumps.
 *
 * @param holdsAt where it is held a little, 0 to 1
 * @param springs whether it goes back to its rest value when the finger lifts
 * @param rest    0 to 1
 */
public record Knob(Optional<Double> holdsAt, boolean springs, double rest) implements Slider {
    /** A knob that stays where it is left, without a detent. */
    public static Knob restingAt(double rest) {
        return new Knob(Optional.empty(), false, rest);
    }

    /** A knob for what goes both ways from there, such as a panorama: it rests there and is held there. */
    public static Knob holdingAt(double rest) {
        return new Knob(Optional.of(rest), false, rest);
    }

    @Override
    public String called() {
        return "knob";
    }

    @Override
    public Place place() {
        return Place.TURNED;
    }

    @Override
    public Size inStrip() {
        return new Size(2, 3);
    }

    @Override
    public Size onPhone() {
        return new Size(2, 2);
    }
}
