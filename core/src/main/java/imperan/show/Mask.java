package imperan.show;

import imperan.dialect.Dialect;

/**
 * Something in a target that stands in the way of what a phrase does, as long as the target says so: its mute, or another channel that plays alone.
 *
 * @param address   on which the target says it, with slots of the phrase
 * @param argument  that says it, from 0
 * @param text      what it says then: a number or a text
 * @param elsewhere whether it is said of another number of the slots, such as the solo of any other channel
 */
public record Mask(String address, int argument, String text, boolean elsewhere) {

    /** What stands in the way on the same numbers of the slots, by its first argument. */
    public static Mask own(String address, String text) {
        return new Mask(address, 0, text, false);
    }

    /** What stands in the way on any other number. */
    public static Mask other(String address, String text) {
        return new Mask(address, 0, text, true);
    }

    void check(PartRules rules, String field, Dialect spoken) {
        rules.slotAddress(field + "/address", address, spoken);
        if (argument < 0) {
            rules.problem(field + "/argument", "Arguments are counted from 0");
        }
        if (text.isBlank()) {
            rules.problem(field + "/text", "Write what the target says while it stands in the way, such as 1");
        }
        rules.note(field + "/text", text);
    }
}
