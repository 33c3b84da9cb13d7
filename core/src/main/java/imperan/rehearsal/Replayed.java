package imperan.rehearsal;

import imperan.live.ControlValue;
import imperan.show.PartId;
import java.util.List;

/**
 * What a show made of the packets that came in a capture.
 *
 * @param packets    that came, {@code messages} in those that a target of the show claims
 * @param malformed  packets that are none in the dialect of their target
 * @param strangers  who spoke and is no target of the show, {@code host:port}
 * @param followed   controls that something came for, what came most first
 * @param unfollowed addresses that no control listens to, likewise
 * @param silent     controls that listen to one of the targets that spoke, and nothing came for them
 */
public record Replayed(
        int packets,
        int messages,
        int malformed,
        List<String> strangers,
        List<Followed> followed,
        List<Unfollowed> unfollowed,
        List<PartId> silent) {

    public Replayed {
        strangers = List.copyOf(strangers);
        followed = List.copyOf(followed);
        unfollowed = List.copyOf(unfollowed);
        silent = List.copyOf(silent);
    }

    /** @param value how the control stands in the end */
    public record Followed(PartId control, int messages, ControlValue value) {}

    /** What a target said on an address. */
    public record Unfollowed(PartId target, String address, int messages) {}
}
