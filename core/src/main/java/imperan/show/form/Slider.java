package imperan.show.form;

import java.util.Optional;

/**
 * A form whose cap is led along a way. A control whose value is not known moves as far as the finger does, whatever its setting: landing on it never makes it jump.
 */
interface Slider extends Form {
    /** How far from its detent a hand is held, as a share of the way. */
    double HOLD = 0.02;

    /** What happens where a finger lands beside the cap. */
    default Grab grab() {
        return Grab.RELATIVE;
    }

    @Override
    default boolean restsOnDoubleTap() {
        return true;
    }

    /** How far along the way the finger is. */
    private double along(double x, double y) {
        return liesDown() ? x : y;
    }

    @Override
    default Position press(Position at, Finger finger, HandMemory memory, long now) {
        return finger.isFree() && grab() == Grab.JUMP ? Position.of(led(this, along(finger.x(), finger.y()))) : at;
    }

    @Override
    default Position move(Position at, Finger finger, HandMemory memory) {
        double before = along(finger.beforeX(), finger.beforeY());
        double place = along(finger.x(), finger.y());
        if (finger.isFree() && !finger.isFine()) {
            if (grab() == Grab.JUMP) {
                return Position.of(led(this, place));
            } else if (grab() == Grab.PICK_UP) {
                return finger.passes(at.first(), before, place) ? Position.of(led(this, place)) : at;
            }
        }
        return Position.of(finger.pulls(this, at.first(), (place - before) * finger.share()));
    }

    /** Whether a position is near enough to the detent of a form to be held there. */
    static boolean holds(Form form, double position) {
        return form.holdsAt().filter(at -> Math.abs(position - at) < HOLD).isPresent();
    }

    /** Where a hand that leads it to a position leaves it: near its detent it is held there. */
    static double led(Form form, double position) {
        return holds(form, position) ? form.holdsAt().orElseThrow() : form.snapped(position);
    }

    /** Where a key leads: a step from farther away, or across the detent, ends in it; smaller ones lead in it and out of it. */
    static double stepped(Form form, double at, double to) {
        double from = settled(form, at);
        boolean caught = holds(form, to) && !holds(form, from)
                || form.holdsAt()
                        .filter(detent -> (from - detent) * (to - detent) < 0)
                        .isPresent();
        return caught ? form.holdsAt().orElseThrow() : form.snapped(to);
    }

    /** Where a cap stands that its target's answer may have moved by a rounding out of its detent. */
    static double settled(Form form, double at) {
        Optional<Double> holdsAt = form.holdsAt();
        return holdsAt.filter(detent -> Math.abs(at - detent) < Position.ROUNDED)
                .orElse(at);
    }
}
