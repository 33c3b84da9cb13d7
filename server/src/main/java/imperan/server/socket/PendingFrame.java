package imperan.server.socket;

import imperan.live.ControlValue;
import imperan.live.LinkView;
import imperan.live.Trace;
import imperan.live.WireRecord;
import imperan.server.run.Batch;
import imperan.server.run.Presence;
import imperan.server.run.Snapshot;
import imperan.show.Edit;
import imperan.show.PartId;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What one browser has yet to hear. A browser that is slow finds the latest value of each control here, however many there
 * were; edits are never dropped, and of packets the newest stay.
 */
final class PendingFrame {

    static final int MAX_WIRE = 5000;

    private Optional<Snapshot> welcome = Optional.empty();
    private final Map<PartId, ControlValue> values = new LinkedHashMap<>();
    private final Map<PartId, LinkView> links = new LinkedHashMap<>();
    private final Map<PartId, Trace> traces = new LinkedHashMap<>();
    private final Deque<WireRecord> wire = new ArrayDeque<>();
    private final List<Edit> edits = new ArrayList<>();
    private Optional<WireRecord> lastOut = Optional.empty();
    private Optional<WireRecord> lastIn = Optional.empty();
    private Optional<PartId> page = Optional.empty();
    private Optional<List<Presence>> presences = Optional.empty();
    private long missed;

    void welcome(Snapshot snapshot) {
        values.clear();
        links.clear();
        edits.clear();
        welcome = Optional.of(snapshot);
        snapshot.values().forEach(v -> values.put(v.control(), v));
        snapshot.links().forEach(l -> links.put(l.target(), l));
        lastOut = snapshot.lastOut();
        lastIn = snapshot.lastIn();
    }

    void add(Batch batch, boolean withWire) {
        batch.values().forEach(v -> values.put(v.control(), v));
        batch.links().forEach(l -> links.put(l.target(), l));
        batch.traces().forEach(t -> traces.put(t.control(), t));
        edits.addAll(batch.edits());
        page = batch.page().or(() -> page);
        missed = Math.max(missed, batch.missed());
        lastOut = batch.lastOut().or(() -> lastOut);
        lastIn = batch.lastIn().or(() -> lastIn);
        if (withWire) {
            wire(batch.wire());
        }
    }

    void presences(List<Presence> now) {
        presences = Optional.of(now);
    }

    void wire(List<WireRecord> records) {
        for (WireRecord record : records) {
            if (wire.isEmpty() || record.number() > wire.peekLast().number()) {
                wire.addLast(record);
            }
            if (wire.size() > MAX_WIRE) {
                wire.removeFirst();
            }
        }
    }

    ServerFrame frame() {
        return new ServerFrame(
                welcome.map(s -> new ServerFrame.Welcome(s.showId(), s.showName(), s.live(), s.show().version(), s.show().parts())),
                List.copyOf(values.values()), List.copyOf(links.values()), List.copyOf(traces.values()),
                wire.stream().map(WireRow::of).toList(), lastOut.map(WireRow::of), lastIn.map(WireRow::of),
                List.copyOf(edits), false, page, presences, missed);
    }
}
