package imperan.server.run;

import imperan.live.ControlValue;
import imperan.live.CueListView;
import imperan.live.LinkView;
import imperan.live.SetView;
import imperan.live.TrackView;
import imperan.show.Show;
import imperan.wire.WireRecord;
import java.util.List;
import java.util.Optional;

/** A whole show at one moment; values and links only where it is the live one. */
public record Snapshot(
        String showId,
        String showName,
        boolean live,
        Show show,
        List<ControlValue> values,
        List<LinkView> links,
        List<CueListView> cues,
        List<TrackView> tracks,
        List<SetView> sets,
        Optional<WireRecord> lastOut,
        Optional<WireRecord> lastIn,
        long missed) {}
