package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.form.Form;
import imperan.show.form.Position;
import java.util.List;
import java.util.Optional;

/**
 * One message, as it is meant for a target.
 *
 * @param control    whose it is; empty for one that belongs to no control
 * @param position   of the control on its first axis, 0 to 1
 * @param target     empty where none is chosen, or the chosen one is gone
 * @param targetName for people; empty likewise
 */
public record Line(
        Optional<PartId> control,
        double position,
        Optional<PartId> target,
        String targetName,
        String address,
        List<OscArgument> arguments) {

    public Line {
        arguments = List.copyOf(arguments);
    }

    /**
     * What a send of a control says where the control stands somewhere; the control itself is not moved.
     *
     * @param steps of a wheel
     * @param typed the line that is typed into it
     */
    public static Line of(
            PartId control, Send send, Form form, Position position, int steps, String typed, String targetName) {
        return new Line(
                Optional.of(control),
                position.first(),
                send.target(),
                targetName,
                send.address(),
                CompiledSend.says(send, form, position, steps, typed));
    }

    /** The same with other arguments. */
    public Line saying(List<OscArgument> others) {
        return new Line(control, position, target, targetName, address, others);
    }

    OscMessage message() {
        return new OscMessage(address, arguments);
    }
}
