package imperan.show.form;

import imperan.show.PartRules;
import java.util.Optional;

/**
 * How the device that shows it is moved: its acceleration without gravity, on the axes of the W3C's "Device Orientation and Motion" (to the right, upwards along the screen, out of the
 * screen). At rest each axis stands in the middle.
 *
 * @param most metres per second squared from rest to the end of each axis
 */
public record Motion(double most) implements Form {
    @Override
    public String called() {
        return "motion";
    }

    @Override
    public void check(PartRules rules) {
        if (!(most > 0 && most <= 200)) {
            rules.problem("form/most", "A motion goes to more than 0 and at most 200 m/s²");
        }
    }

    @Override
    public int axes() {
        return 3;
    }

    @Override
    public double rest() {
        return 0.5;
    }

    @Override
    public Optional<Position> moved(double right, double up, double out) {
        return Optional.of(Position.of(at(right), at(up), at(out)));
    }

    @Override
    public Position step(Position at, double right, double up, HandMemory memory) {
        return Position.of(Position.clamp(at.get(0) + right), Position.clamp(at.get(1) + up), at.get(2));
    }

    private double at(double acceleration) {
        return Position.clamp(0.5 + acceleration / most / 2);
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 4);
    }
}
