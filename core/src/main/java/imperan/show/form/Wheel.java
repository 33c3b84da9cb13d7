package imperan.show.form;

import imperan.show.PartRules;

/**
 * An endless wheel: it has no place, only steps to either side. Its position shows where it stands within its turn.
 *
 * @param steps of one whole turn
 */
public record Wheel(int steps) implements Form {
    @Override
    public String called() {
        return "wheel";
    }

    @Override
    public void check(PartRules rules) {
        if (steps < 1 || steps > 1000) {
            rules.problem("form/steps", "A turn of a wheel has 1 to 1000 steps");
        }
    }

    @Override
    public boolean restsOnDemand() {
        return false;
    }

    @Override
    public boolean givesSteps() {
        return true;
    }

    @Override
    public Position move(Position at, Finger finger, HandMemory memory) {
        return turned(
                at,
                finger.steps((finger.y() - finger.beforeY() + finger.x() - finger.beforeX()) * finger.share() * steps),
                memory);
    }

    @Override
    public Position step(Position at, double right, double up, HandMemory memory) {
        return turned(at, right + up > 0 ? 1 : -1, memory);
    }

    private Position turned(Position at, int by, HandMemory memory) {
        memory.turn(by);
        double place = (at.first() + (double) by / steps) % 1;
        return Position.of(place < 0 ? place + 1 : place);
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 4);
    }
}
