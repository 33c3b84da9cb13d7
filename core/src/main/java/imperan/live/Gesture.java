package imperan.live;

import imperan.shaping.Hsv;
import imperan.show.Form;

/**
 * Where a finger takes a control: the geometry of hands, without messages.
 *
 * <p>A control whose value is not known moves as far as the finger does, whatever its setting: landing on it never makes
 * it jump.
 */
final class Gesture {

    /** How far a cap goes for a finger that asks for fine movement. */
    static final double FINE = 0.1;
    /** A finger that goes no farther only taps. */
    private static final double TAP = 0.02;
    /** A position that differs by no more is the same: a target that answers in 32 bits rounds as much away. */
    private static final double ROUNDED = 1e-6;

    private final Form form;
    private final boolean free;
    private final double landedX;
    private final double landedY;
    private double lastX;
    private double lastY;
    private double wandered;
    private boolean pickedUp;
    /** Where the finger would have it without a detent, where it had it last, and whether the detent does not hold it now. */
    private double pulled;
    private double shown = Double.NaN;
    private boolean slips;
    private double turned;
    private int steps;

    /** @param known whether the control's value is one we may act on */
    Gesture(Form form, boolean known, Touch press) {
        this.form = form;
        this.free = known;
        this.landedX = press.x();
        this.landedY = press.y();
        this.lastX = press.x();
        this.lastY = press.y();
    }

    /** The position after the finger landed. */
    Position press(Position at) {
        if (form instanceof Form.Button button) {
            return Position.of(button.action() == Form.Button.Action.LATCHING && at.first() >= 0.5 ? 0 : 1);
        } else if (form instanceof Form.Choice choice) {
            return Position.of(choice.position(Math.min(choice.options().size() - 1, (int) (clamp(along(lastX, lastY)) * choice.options().size()))));
        } else if (form instanceof Form.Colour) {
            return colourAt(at);
        } else if (form instanceof Form.Pad pad) {
            return free && pad.grab() == Form.Grab.JUMP ? Position.of(clamp(lastX), clamp(lastY)) : at;
        }
        return free && grab() == Form.Grab.JUMP ? led(along(lastX, lastY)) : at;
    }

    /** The position after the finger moved. What is only pulled along goes on where the finger leaves the control: a way there is as good. */
    Position move(Position at, Touch touch) {
        wandered = Math.max(wandered, Math.max(Math.abs(touch.x() - landedX), Math.abs(touch.y() - landedY)));
        double beforeX = lastX;
        double beforeY = lastY;
        double share = touch.fine() ? FINE : 1;
        if (form instanceof Form.Button || form instanceof Form.Choice || form instanceof Form.Tap || form instanceof Form.TextLine
                || form instanceof Form.Tilt) {
            return at;
        }
        lastX = touch.x();
        lastY = touch.y();
        if (form instanceof Form.Wheel wheel) {
            return turn(at, wheel, (lastY - beforeY + lastX - beforeX) * share);
        } else if (form instanceof Form.Colour) {
            return colourAt(at);
        } else if (form instanceof Form.Pad pad) {
            return free && pad.grab() == Form.Grab.JUMP && !touch.fine() ? Position.of(clamp(lastX), clamp(lastY))
                    : Position.of(clamp(at.get(0) + (lastX - beforeX) * share), clamp(at.get(1) + (lastY - beforeY) * share));
        }
        double before = along(beforeX, beforeY);
        double place = along(lastX, lastY);
        if (free && !touch.fine()) {
            if (grab() == Form.Grab.JUMP) {
                return led(place);
            } else if (grab() == Form.Grab.PICK_UP) {
                pickedUp |= (before - at.first()) * (place - at.first()) <= 0;
                return pickedUp ? led(place) : at;
            }
        }
        return pulled(at.first(), (place - before) * share, touch.fine());
    }

    /** The position after the finger lifted or was lost. */
    Position release(Position at) {
        return form.springs() ? Position.rest(form) : at;
    }

    /** Whether the finger has only tapped so far. */
    boolean isTap() {
        return wandered <= TAP;
    }

    /** The whole steps that a wheel was turned since this was last asked; negative the other way. */
    int takeSteps() {
        int taken = steps;
        steps = 0;
        return taken;
    }

    /** A wheel shows where it stands within its turn. */
    private Position turn(Position at, Form.Wheel wheel, double way) {
        turned += way * wheel.steps();
        int whole = (int) turned;
        turned -= whole;
        steps += whole;
        return turnedBy(at, wheel, whole);
    }

    static Position turnedBy(Position at, Form.Wheel wheel, int steps) {
        double place = (at.first() + (double) steps / wheel.steps()) % 1;
        return Position.of(place < 0 ? place + 1 : place);
    }

    /** The colour under the finger, as bright as it was; out of the dark it comes at full brightness. */
    private Position colourAt(Position at) {
        double value = Hsv.ofRgb(at.get(0), at.get(1), at.get(2)).value();
        return Position.of(new Hsv(Math.min(clamp(lastX), Math.nextDown(1.0)), clamp(lastY), value > 0 ? value : 1).rgb());
    }

    /**
     * Where a cap stands that is pulled a way further. Its detent holds it until it was pulled out of it, however slowly; one that stood beside
     * it already, or is led there by a finger that asks for fine movement, is not caught.
     */
    private Position pulled(double at, double way, boolean fine) {
        if (at != shown) {
            pulled = settled(form, at);
            slips = form.led(pulled) != pulled;
        }
        pulled = clamp(pulled + way);
        slips = form.holds(pulled) && (slips || fine);
        shown = slips ? pulled : form.led(pulled);
        return Position.of(shown);
    }

    /** Where a key leads: a step from farther away, or across the detent, ends in it; smaller ones lead in it and out of it. */
    static Position stepped(Form form, double at, double to) {
        double from = settled(form, at);
        boolean caught = form.holds(to) && !form.holds(from) || form.holdsAt().filter(detent -> (from - detent) * (to - detent) < 0).isPresent();
        return Position.of(caught ? form.holdsAt().orElseThrow() : form.snapped(to));
    }

    /** Where a cap stands that its target's answer may have moved by a rounding out of its detent. */
    private static double settled(Form form, double at) {
        return form.holdsAt().filter(detent -> Math.abs(at - detent) < ROUNDED).orElse(at);
    }

    private Position led(double place) {
        return Position.of(form.led(place));
    }

    /** A place on the way; what is nearer to an end than a target can tell is the end. */
    static double clamp(double position) {
        return position < ROUNDED ? 0 : position > 1 - ROUNDED ? 1 : position;
    }

    private double along(double x, double y) {
        if (form instanceof Form.Choice choice) {
            // the first option of a column is on top
            return choice.direction() == Form.Direction.RIGHT ? x : 1 - y;
        }
        return form instanceof Form.Fader fader && fader.direction() == Form.Direction.RIGHT ? x : y;
    }

    private Form.Grab grab() {
        return form instanceof Form.Fader fader ? fader.grab() : Form.Grab.RELATIVE;
    }
}
