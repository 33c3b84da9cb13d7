package imperan.show.form;

/**
 * A field with a spot: sideways is its first axis, upwards its second.
 *
 * @param grab    what happens where a finger lands beside the spot
 * @param springs whether the spot goes back to the middle when the finger lifts
 */
public record Pad(Form.Grab grab, boolean springs) implements Form {
    @Override
    public String called() {
        return "pad";
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
    public boolean restsOnDoubleTap() {
        return true;
    }

    @Override
    public Position press(Position at, Finger finger, HandMemory memory, long now) {
        return finger.isFree() && grab == Grab.JUMP ? under(finger) : at;
    }

    @Override
    public Position move(Position at, Finger finger, HandMemory memory) {
        return finger.isFree() && grab == Grab.JUMP && !finger.isFine()
                ? under(finger)
                : Position.of(
                        Position.clamp(at.get(0) + (finger.x() - finger.beforeX()) * finger.share()),
                        Position.clamp(at.get(1) + (finger.y() - finger.beforeY()) * finger.share()));
    }

    private static Position under(Finger finger) {
        return Position.of(Position.clamp(finger.x()), Position.clamp(finger.y()));
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS, 6);
    }
}
