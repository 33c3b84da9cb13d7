package imperan.show.form;

import imperan.show.PartRules;

/**
 * A key.
 *
 * @param group of the buttons of one group in the same tray, or on the same page outside of trays, one at most is on; empty for a
 *              button that minds no other
 */
public record Button(Action action, String group) implements Form {
    /** A key that minds no other. */
    public static Button plain(Action action) {
        return new Button(action, "");
    }

    /** What a press does. */
    public enum Action {
        /** On while it is held. */
        MOMENTARY,
        /** Toggle: each press changes between on and off. */
        LATCHING,
        /** Trigger: each press sends the same, its release sends nothing. */
        ONE_SHOT
    }

    @Override
    public String called() {
        return "button";
    }

    @Override
    public void check(PartRules rules) {
        if (group.length() > PartRules.MAX_LABEL) {
            rules.problem("form/group", "The name of a group has at most " + PartRules.MAX_LABEL + " characters");
        }
    }

    @Override
    public boolean springs() {
        return action == Action.MOMENTARY;
    }

    @Override
    public boolean triggers() {
        return action == Action.ONE_SHOT;
    }

    @Override
    public boolean eachCounts() {
        return true;
    }

    @Override
    public boolean turnsOnAndOff() {
        return true;
    }

    @Override
    public Position press(Position at, Finger finger, HandMemory memory, long now) {
        return Position.of(action == Action.LATCHING && at.first() >= 0.5 ? 0 : 1);
    }

    @Override
    public Size inStrip() {
        return new Size(2, 2);
    }

    @Override
    public Size onPhone() {
        return new Size(2, 1);
    }
}
