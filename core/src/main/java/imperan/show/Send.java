package imperan.show;

import imperan.shaping.ShapingStep;
import imperan.show.form.Form;
import imperan.show.form.Position;
import java.util.List;
import java.util.Optional;

/**
 * One outgoing message of a control.
 *
 * @param on        the phase of a touch that sends it
 * @param target    to whom; empty while nobody is chosen
 * @param address   where to, in the target
 * @param arguments in order
 */
public record Send(Phase on, Optional<PartId> target, String address, List<ArgumentSource> arguments) {

    public Send {
        arguments = List.copyOf(arguments);
    }

    public Send to(Optional<PartId> other) {
        return new Send(on, other, address, arguments);
    }

    public Send at(String otherAddress) {
        return new Send(on, target, otherAddress, arguments);
    }

    public Send saying(List<ArgumentSource> others) {
        return new Send(on, target, address, others);
    }

    /** Whether its shaping gives something where the control stands there, once that has settled: an edge, or a table, may keep it. */
    public boolean saysAt(Position position) {
        return arguments.stream()
                .filter(ArgumentSource.Value.class::isInstance)
                .map(ArgumentSource.Value.class::cast)
                .allMatch(value -> value.type() == ArgumentSource.ArgumentType.COLOUR
                        || value.chain().settled(position.get(value.axis())).isPresent());
    }

    /** When a send goes out. */
    public enum Phase {
        /** The finger lands, or the key goes down. */
        PRESS,
        /** The control's value changes. The same value is not sent again. */
        CHANGE,
        /** The finger lifts, or the key comes up. */
        RELEASE,
        /** Again and again while the finger is down. */
        HELD,
        /** An endless wheel turns by a step or more. */
        STEP
    }

    void check(PartRules rules, String field, Form form) {
        rules.address(field + "/address", address, target);
        for (int i = 0; i < arguments.size(); i++) {
            arguments.get(i).check(rules, field + "/arguments/" + i, form);
            if (on != Phase.CHANGE
                    && arguments.get(i) instanceof ArgumentSource.Value value
                    && value.shaping().stream().anyMatch(ShapingStep::takesTime)) {
                rules.problem(
                        field + "/arguments/" + i + "/shaping",
                        "A step that takes time works only where it is sent on change: choose that, or take the step out");
            }
        }
        long bytes = MessageSize.most(this, form);
        if (bytes > MessageSize.MOST) {
            rules.problem(
                    field, "This message may have " + bytes + " bytes; a datagram holds at most " + MessageSize.MOST);
        }
    }
}
