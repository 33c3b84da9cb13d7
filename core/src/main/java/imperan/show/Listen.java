package imperan.show;

import imperan.shaping.Chain;
import imperan.shaping.Scale;
import imperan.shaping.ShapingStep;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One incoming message that moves or lights a control.
 *
 * @param target   from whom; empty while nobody is chosen
 * @param address  what it says
 * @param argument the position of the argument that counts, from 0
 * @param shaping  the steps between the position of the axis and the argument, which is gone the other way; empty where they are those by which the control sends
 * @param role     what it does to the control
 * @param axis     the axis of the control that it moves, from 0
 */
public record Listen(
        Optional<PartId> target,
        String address,
        int argument,
        Optional<List<ShapingStep>> shaping,
        Role role,
        int axis) {

    public Listen {
        shaping = shaping.map(List::copyOf);
    }

    /** What an incoming message does. */
    public enum Role {
        /** It says where the control stands, or what it shows. */
        VALUE,
        /** It says what the control is called. */
        LABEL,
        /** It says in words of the target's own where the control stands, such as −3.0 dB. */
        WORDS
    }

    /** One that says where the first axis of a control stands, on a scale of its own. */
    public static Listen value(Optional<PartId> target, String address, int argument, double low, double high) {
        return value(target, address, argument, low, high, 0);
    }

    /** One that says where an axis of a control stands, on a scale of its own. */
    public static Listen value(
            Optional<PartId> target, String address, int argument, double low, double high, int axis) {
        return new Listen(target, address, argument, Optional.of(List.of(new Scale(low, high))), Role.VALUE, axis);
    }

    /** One that says where the first axis of a control stands, as the control sends it. */
    public static Listen asSent(Optional<PartId> target, String address, int argument) {
        return asSent(target, address, argument, 0);
    }

    /** One that says where an axis of a control stands, as the control sends it. */
    public static Listen asSent(Optional<PartId> target, String address, int argument, int axis) {
        return new Listen(target, address, argument, Optional.empty(), Role.VALUE, axis);
    }

    /** One that says what the control is called. */
    public static Listen label(Optional<PartId> target, String address, int argument) {
        return new Listen(target, address, argument, Optional.empty(), Role.LABEL, 0);
    }

    /** One that says in words where the control stands. */
    public static Listen words(Optional<PartId> target, String address, int argument) {
        return new Listen(target, address, argument, Optional.empty(), Role.WORDS, 0);
    }

    /**
     * From the position of the axis to the argument; what is heard goes its way back.
     *
     * @param sends of its control
     */
    public Chain chain(List<Send> sends) {
        return shaping.map(Chain::new)
                .orElseGet(() -> sent(sends).map(ArgumentSource.Value::chain).orElse(Chain.UNIT));
    }

    /** The argument of the same axis that its control sends: on the same address, else on any. */
    private Optional<ArgumentSource.Value> sent(List<Send> sends) {
        return values(sends.stream()
                        .filter(send ->
                                send.target().equals(target) && send.address().equals(address)))
                .or(() -> values(sends.stream()));
    }

    private Optional<ArgumentSource.Value> values(Stream<Send> sends) {
        return sends.flatMap(send -> send.arguments().stream())
                .filter(ArgumentSource.Value.class::isInstance)
                .map(ArgumentSource.Value.class::cast)
                .filter(value -> value.axis() == axis)
                .findFirst();
    }

    /** The same with these ends of a scale of its own. */
    public Listen within(List<Send> sends, double low, double high) {
        return shaped(Optional.of(Chain.withEnds(chain(sends).steps(), low, high)));
    }

    public Listen shaped(Optional<List<ShapingStep>> steps) {
        return new Listen(target, address, argument, steps, role, axis);
    }

    public Listen to(Optional<PartId> other) {
        return new Listen(other, address, argument, shaping, role, axis);
    }

    public Listen on(String otherAddress) {
        return new Listen(target, otherAddress, argument, shaping, role, axis);
    }

    void check(PartRules rules, String field, Form form) {
        rules.address(field + "/address", address, target);
        if (argument < 0) {
            rules.problem(field + "/argument", "Arguments are counted from 0");
        }
        rules.axis(field + "/axis", axis, form);
        shaping.ifPresent(steps -> rules.wayBack(field + "/shaping", steps));
    }
}
