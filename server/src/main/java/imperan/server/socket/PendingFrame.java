package imperan.server.socket;

import imperan.live.ControlValue;
import imperan.live.CueListView;
import imperan.live.LinkView;
import imperan.live.SetView;
import imperan.live.Trace;
import imperan.live.TrackView;
import imperan.server.run.Batch;
import imperan.server.run.PageWanted;
import imperan.server.run.Presence;
import imperan.server.run.Snapshot;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.wire.WireRecord;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What one browser has yet to hear. A browser that is slow finds the latest value of each control here, however many there
 * were; edits are never dropped. A browser for which too many edits wait begins anew.
 */
final class PendingFrame {

    /** About the bytes of edits that may wait. */
    static final long MAX_EDIT_BYTES = 4L << 20;
    /** Sentences that may wait; nobody reads more. */
    static final int MAX_NOTICES = 20;

    private Optional<Snapshot> welcome = Optional.empty();
    private final Map<PartId, ControlValue> values = new LinkedHashMap<>();
    private final Map<PartId, LinkView> links = new LinkedHashMap<>();
    private final Map<PartId, Trace> traces = new LinkedHashMap<>();
    private final List<Edit> edits = new ArrayList<>();
    private final Set<String> notices = new LinkedHashSet<>();
    private long editBytes;
    private Optional<WireRecord> lastOut = Optional.empty();
    private Optional<WireRecord> lastIn = Optional.empty();
    private Optional<PageWanted> page = Optional.empty();
    private final Map<PartId, CueListView> cues = new LinkedHashMap<>();
    private final Map<PartId, TrackView> tracks = new LinkedHashMap<>();
    private final Map<PartId, SetView> sets = new LinkedHashMap<>();
    private Optional<List<Presence>> presences = Optional.empty();
    private Optional<Long> findings = Optional.empty();
    private long missed;

    void welcome(Snapshot snapshot) {
        values.clear();
        links.clear();
        cues.clear();
        tracks.clear();
        sets.clear();
        edits.clear();
        editBytes = 0;
        welcome = Optional.of(snapshot);
        snapshot.values().forEach(v -> values.put(v.control(), v));
        snapshot.links().forEach(l -> links.put(l.target(), l));
        snapshot.cues().forEach(c -> cues.put(c.list(), c));
        snapshot.tracks().forEach(t -> tracks.put(t.track(), t));
        snapshot.sets().forEach(s -> sets.put(s.set(), s));
        lastOut = snapshot.lastOut();
        lastIn = snapshot.lastIn();
        missed = snapshot.missed();
    }

    /** @return false where more edits wait than one had better catch up with; a single large one is waited for */
    boolean add(Batch batch) {
        batch.values().forEach(v -> values.put(v.control(), v));
        batch.links().forEach(l -> links.put(l.target(), l));
        batch.cues().forEach(c -> cues.put(c.list(), c));
        batch.tracks().forEach(t -> tracks.put(t.track(), t));
        batch.sets().forEach(s -> sets.put(s.set(), s));
        batch.traces().forEach(t -> traces.put(t.control(), t));
        edits.addAll(batch.edits());
        editBytes += batch.editBytes();
        page = batch.page().or(() -> page);
        missed = Math.max(missed, batch.missed());
        lastOut = batch.lastOut().or(() -> lastOut);
        lastIn = batch.lastIn().or(() -> lastIn);
        batch.notices().forEach(this::notice);
        return editBytes <= MAX_EDIT_BYTES || edits.size() == 1;
    }

    void presences(List<Presence> now) {
        presences = Optional.of(now);
    }

    void findings(long number) {
        findings = Optional.of(number);
    }

    void notice(String sentence) {
        if (notices.size() < MAX_NOTICES) {
            notices.add(sentence);
        }
    }

    ServerFrame frame() {
        return new ServerFrame(
                welcome.map(s -> new ServerFrame.Welcome(
                        s.showId(),
                        s.showName(),
                        s.live(),
                        s.show().version(),
                        s.show().parts())),
                List.copyOf(values.values()),
                List.copyOf(links.values()),
                cues.values().stream().map(CueListState::of).toList(),
                tracks.values().stream().map(TrackState::of).toList(),
                sets.values().stream().map(SetState::of).toList(),
                traces.values().stream().map(TraceView::of).toList(),
                lastOut.map(WireRow::of),
                lastIn.map(WireRow::of),
                List.copyOf(edits),
                false,
                page,
                presences,
                findings,
                missed,
                List.copyOf(notices));
    }
}
