package imperan.live;

import imperan.osc.OscArgument;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * What a forward heard, and what became of it.
 *
 * @param heard   messages that came to it since the start
 * @param sent    messages that left, {@code merged} those that a later one overtook
 * @param heardAt when the last one came, in nanoseconds since 1970
 * @param said    what left last; empty before the first
 * @param stopped why nothing left because of what came last; empty where something did
 */
public record ForwardView(
        PartId forward,
        long heard,
        long sent,
        long merged,
        Optional<Long> heardAt,
        List<OscArgument> said,
        Optional<Reason> stopped) {

    public ForwardView {
        said = List.copyOf(said);
    }
}
