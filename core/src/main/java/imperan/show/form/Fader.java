package imperan.show.form;

import imperan.show.PartRules;
import imperan.show.ScaleMark;
import java.util.List;
import java.util.Optional;

/**
 * A slot with a cap.
 *
 * @param direction in which the value grows
 * @param grab      what happens where a finger lands beside the cap
 * @param holdsAt   where the cap is held a little, 0 to 1, such as in the middle or at the mark of no change
 * @param springs   whether the cap goes back to its rest value when the finger lifts
 * @param rest      0 to 1
 * @param marks     of its scale; empty for five at even distances
 */
public record Fader(
        Form.Direction direction,
        Form.Grab grab,
        Optional<Double> holdsAt,
        boolean springs,
        double rest,
        List<ScaleMark> marks)
        implements Slider {
    public Fader {
        marks = List.copyOf(marks);
    }

    /** Without a detent, resting at its low end. */
    public static Fader plain(Direction direction, Grab grab) {
        return restingAt(direction, grab, 0);
    }

    /** Without a detent. */
    public static Fader restingAt(Direction direction, Grab grab, double rest) {
        return new Fader(direction, grab, Optional.empty(), false, rest, List.of());
    }

    /** The same with a scale of its own. */
    public Fader marked(List<ScaleMark> others) {
        return new Fader(direction, grab, holdsAt, springs, rest, others);
    }

    @Override
    public String called() {
        return "fader";
    }

    @Override
    public void check(PartRules rules) {
        rules.marks("form/marks", marks);
    }

    @Override
    public Place place() {
        return Place.PUSHED;
    }

    @Override
    public Size inStrip() {
        return new Size(2, 8);
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS, 1);
    }

    @Override
    public boolean liesDown() {
        return direction == Direction.RIGHT;
    }

    @Override
    public Fader pointing(Direction other) {
        return new Fader(other, grab, holdsAt, springs, rest, marks);
    }
}
