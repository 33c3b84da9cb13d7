package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.PartId;

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
public record Line(Optional<PartId> control, double position, Optional<PartId> target, String targetName, String address, List<OscArgument> arguments) {

    public Line {
        arguments = List.copyOf(arguments);
    }

    OscMessage message() {
        return new OscMessage(address, arguments);
    }
}
