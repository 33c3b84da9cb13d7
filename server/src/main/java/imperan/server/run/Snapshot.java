package imperan.server.run;

import imperan.live.ControlValue;
import imperan.live.LinkView;
import imperan.live.WireRecord;
import imperan.show.Show;

import java.util.List;
import java.util.Optional;

/** The whole live show at one moment. */
public record Snapshot(String showId, String showName, Show show, List<ControlValue> values, List<LinkView> links,
                       Optional<WireRecord> lastOut, Optional<WireRecord> lastIn) {
}
