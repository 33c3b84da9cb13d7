package imperan.live;

import imperan.show.ArgumentSource;
import imperan.show.PartId;
import imperan.show.Send;
import java.util.List;
import java.util.Optional;

/**
 * What a control moves: a line with arguments that vary. Two controls with the same one move the same thing.
 *
 * @param fixed each argument that does not vary; empty in the place of one that does
 */
record MovedLine(PartId target, String address, List<Optional<ArgumentSource>> fixed) {

    /** Empty for a send without a target, or one whose arguments never change. */
    static Optional<MovedLine> of(Send send) {
        List<Optional<ArgumentSource>> fixed = send.arguments().stream()
                .map(argument -> argument instanceof ArgumentSource.Fixed
                        ? Optional.of(argument)
                        : Optional.<ArgumentSource>empty())
                .toList();
        return send.on() == Send.Phase.CHANGE && fixed.stream().anyMatch(Optional::isEmpty)
                ? send.target().map(target -> new MovedLine(target, send.address(), fixed))
                : Optional.empty();
    }
}
