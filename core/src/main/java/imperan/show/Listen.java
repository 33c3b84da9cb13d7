package imperan.show;

import imperan.shaping.Chain;
import imperan.show.form.Form;

import java.util.Optional;

/**
 * One incoming message that moves or lights a control.
 *
 * @param target   from whom; empty while nobody is chosen
 * @param address  what it says
 * @param argument the position of the argument that counts, from 0
 * @param low      the argument at position 0 of the control
 * @param high     the argument at position 1 of the control; differs from {@code low}
 * @param role     what it does to the control
 * @param axis     the axis of the control that it moves, from 0
 */
public record Listen(Optional<PartId> target, String address, int argument, double low, double high, Role role, int axis) {

    /** What an incoming message does. */
    public enum Role {
        /** It says where the control stands, or what it shows. */
        VALUE,
        /** It says what the control is called. */
        LABEL,
        /** It says in words of the target's own where the control stands, such as −3.0 dB. */
        WORDS
    }

    /** One that says where the first axis of a control stands. */
    public static Listen value(Optional<PartId> target, String address, int argument, double low, double high) {
        return new Listen(target, address, argument, low, high, Role.VALUE, 0);
    }

    /** One that says what the control is called. */
    public static Listen label(Optional<PartId> target, String address, int argument) {
        return new Listen(target, address, argument, 0, 1, Role.LABEL, 0);
    }

    /** One that says in words where the control stands. */
    public static Listen words(Optional<PartId> target, String address, int argument) {
        return new Listen(target, address, argument, 0, 1, Role.WORDS, 0);
    }

    /** From the position of the axis to the argument; what is heard goes its way back. */
    public Chain chain() {
        return Chain.scale(low, high);
    }

    public Listen to(Optional<PartId> other) {
        return new Listen(other, address, argument, low, high, role, axis);
    }

    public Listen on(String otherAddress) {
        return new Listen(target, otherAddress, argument, low, high, role, axis);
    }

    void check(PartRules rules, String field, Form form) {
        rules.address(field + "/address", address, target);
        if (argument < 0) {
            rules.problem(field + "/argument", "Arguments are counted from 0");
        }
        rules.axis(field + "/axis", axis, form);
        if (!Ranges.fits(low) || !Ranges.fits(high) || low == high) {
            rules.problem(field + "/high", "The range needs two different numbers between -1e15 and 1e15");
        }
    }
}
