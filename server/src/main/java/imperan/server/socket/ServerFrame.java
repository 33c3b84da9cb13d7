package imperan.server.socket;

import imperan.live.ControlValue;
import imperan.live.LinkView;
import imperan.live.Trace;
import imperan.show.Edit;
import imperan.show.Held;

import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * What the server says: everything once, then what changed.
 *
 * @param welcome the whole show; what the browser knew before is void
 * @param lastOut the newest packet from us, {@code lastIn} the newest to us
 * @param missed  packets so far that came faster than the server could handle them
 * @param wire    packets, oldest first; only for a browser that shows the Wire
 */
public record ServerFrame(Optional<Welcome> welcome, List<ControlValue> values, List<LinkView> links, List<Trace> traces,
                          List<WireRow> wire, Optional<WireRow> lastOut, Optional<WireRow> lastIn, List<Edit> edits,
                          long missed) {

    public record Welcome(String showId, String showName, boolean live, long version, Collection<Held> parts) {
    }
}
