package imperan.show.form;

import imperan.show.PartRules;
import java.util.Optional;

/**
 * The tilt of the device that shows it: sideways is its first axis, forwards its second; level is the middle.
 *
 * @param degrees from level to the end of each axis
 */
public record Tilt(double degrees) implements Form {
    @Override
    public String called() {
        return "tilt";
    }

    @Override
    public void check(PartRules rules) {
        if (!(degrees > 0 && degrees <= 180)) {
            rules.problem("form/degrees", "A tilt goes to more than 0 and at most 180 degrees");
        }
    }

    @Override
    public int axes() {
        return 2;
    }

    @Override
    public double rest() {
        return 0.5;
    }

    @Override
    public Optional<Position> tilted(double sideways, double forwards, HandMemory memory) {
        return Optional.of(Position.of(at(sideways - memory.flatSideways), at(forwards - memory.flatForwards)));
    }

    private double at(double fromLevel) {
        // the way round that is the shorter one
        return Position.clamp(0.5 + Math.IEEEremainder(fromLevel, 360) / degrees / 2);
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 4);
    }
}
