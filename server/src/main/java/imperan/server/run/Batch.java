package imperan.server.run;

import imperan.live.ControlValue;
import imperan.live.CueListView;
import imperan.live.LinkView;
import imperan.live.SetView;
import imperan.live.Trace;
import imperan.live.TrackView;
import imperan.show.Edit;
import imperan.wire.WireRecord;
import java.util.List;
import java.util.Optional;

/**
 * What changed between two moments; the same object goes to every browser.
 *
 * @param values  the latest of each control that changed
 * @param links   the latest of each link that changed
 * @param cues    the latest of each cue list that changed
 * @param tracks  likewise the {@code sets}
 * @param traces  the latest of each path that changed and that some browser watches
 * @param edits   committed edits, in order
 * @param editBytes about how many bytes the edits are
 * @param page    the page that a target, or a cue, wants shown, where one does
 * @param missed  packets so far that came faster than they could be handled, and were dropped, by us or by the system
 * @param notices what everybody has to know, each one sentence
 */
public record Batch(
        List<ControlValue> values,
        List<LinkView> links,
        List<CueListView> cues,
        List<TrackView> tracks,
        List<SetView> sets,
        List<Trace> traces,
        Optional<WireRecord> lastOut,
        Optional<WireRecord> lastIn,
        List<Edit> edits,
        long editBytes,
        Optional<PageWanted> page,
        long missed,
        List<String> notices) {

    /** An edit of a show that does not run. */
    static Batch of(Edit edit, long bytes) {
        return new Batch(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                List.of(edit),
                bytes,
                Optional.empty(),
                0,
                List.of());
    }
}
