package imperan.live;

import imperan.show.Form;

/**
 * Where a finger takes a control: the geometry of hands, without messages.
 *
 * <p>A fader whose value is not known moves as far as the finger does, whatever its setting: landing on it never makes
 * it jump.
 */
final class Gesture {

    /** How far a cap goes for a finger that asks for fine movement. */
    static final double FINE = 0.1;

    private final Form form;
    private final boolean free;
    private double lastPlace;
    private boolean pickedUp;

    /** @param known whether the control's value is one we may act on */
    Gesture(Form form, boolean known, Touch press) {
        this.form = form;
        this.free = known;
        this.lastPlace = place(press);
    }

    /** The position after the finger landed. */
    double press(double position) {
        if (form instanceof Form.Button button) {
            return button.latching() ? (position >= 0.5 ? 0 : 1) : 1;
        }
        return free && grab() == Form.Grab.JUMP ? lastPlace : position;
    }

    /** The position after the finger moved. */
    double move(double position, Touch touch) {
        if (form instanceof Form.Button) {
            return position;
        }
        double place = place(touch);
        double before = lastPlace;
        lastPlace = place;
        if (free && !touch.fine()) {
            if (grab() == Form.Grab.JUMP) {
                return place;
            } else if (grab() == Form.Grab.PICK_UP) {
                pickedUp |= (before - position) * (place - position) <= 0;
                return pickedUp ? place : position;
            }
        }
        return clamp(position + (place - before) * (touch.fine() ? FINE : 1));
    }

    /** The position after the finger lifted or was lost. */
    double release(double position) {
        return form instanceof Form.Button button && !button.latching() ? 0 : position;
    }

    static double clamp(double position) {
        return Math.max(0, Math.min(1, position));
    }

    private double place(Touch touch) {
        boolean sideways = form instanceof Form.Fader fader && fader.direction() == Form.Direction.RIGHT;
        return clamp(sideways ? touch.x() : touch.y());
    }

    private Form.Grab grab() {
        return ((Form.Fader) form).grab();
    }
}
