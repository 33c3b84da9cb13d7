package imperan.server.run;

import imperan.live.LinkTurn;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.WireRecord;
import imperan.show.Edit;
import imperan.show.PartId;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/** Gathers what the live show puts out until the next batch leaves; packets leave at once. */
final class Changes implements LiveSink {

    /** Packets kept for the Wire. */
    static final int WIRE_ROWS = 5000;

    /** Turns of links that are kept. */
    static final int TURNS = 200;

    private final BiConsumer<PartId, byte[]> sender;
    private final Set<PartId> values = new LinkedHashSet<>();
    private final Set<PartId> links = new LinkedHashSet<>();
    private final Set<PartId> traces = new LinkedHashSet<>();
    private final Set<PartId> unsaved = new LinkedHashSet<>();
    private final Deque<LinkTurn> turns = new ArrayDeque<>();
    private final Deque<WireRecord> wire = new ArrayDeque<>();
    private List<WireRecord> newWire = new ArrayList<>();
    private List<Edit> edits = new ArrayList<>();
    private Optional<PartId> page = Optional.empty();
    private volatile Consumer<PartId> handed = control -> { };
    private Optional<WireRecord> lastOut = Optional.empty();
    private Optional<WireRecord> lastIn = Optional.empty();

    Changes(BiConsumer<PartId, byte[]> sender) {
        this.sender = sender;
    }

    /** Is told, on the loop's thread, of each value as it is handed to the next batch: for measuring, as it delays the show. */
    void tap(Consumer<PartId> listener) {
        handed = listener;
    }

    @Override
    public void datagram(PartId target, byte[] packet) {
        sender.accept(target, packet);
    }

    @Override
    public void valueChanged(PartId control) {
        values.add(control);
        unsaved.add(control);
        handed.accept(control);
    }

    @Override
    public void linkChanged(PartId target) {
        links.add(target);
    }

    @Override
    public void traceChanged(PartId control) {
        traces.add(control);
    }

    @Override
    public void pageWanted(PartId wanted) {
        page = Optional.of(wanted);
    }

    @Override
    public void turned(LinkTurn turn) {
        turns.addLast(turn);
        if (turns.size() > TURNS) {
            turns.removeFirst();
        }
    }

    /** The newest turns of the links, oldest first. */
    List<LinkTurn> turns() {
        return List.copyOf(turns);
    }

    @Override
    public void wire(WireRecord record) {
        wire.addLast(record);
        newWire.add(record);
        if (wire.size() > WIRE_ROWS) {
            wire.removeFirst();
        }
        if (record.out()) {
            lastOut = Optional.of(record);
        } else {
            lastIn = Optional.of(record);
        }
    }

    void edit(Edit edit) {
        edits.add(edit);
    }

    boolean isEmpty() {
        return values.isEmpty() && links.isEmpty() && traces.isEmpty() && newWire.isEmpty() && edits.isEmpty() && page.isEmpty();
    }

    Optional<WireRecord> lastOut() {
        return lastOut;
    }

    Optional<WireRecord> lastIn() {
        return lastIn;
    }

    List<WireRecord> wireSoFar() {
        return List.copyOf(wire);
    }

    /** The controls whose values changed since this was last asked. */
    Set<PartId> takeUnsaved() {
        Set<PartId> taken = Set.copyOf(unsaved);
        unsaved.clear();
        return taken;
    }

    /** Everything gathered, with the values as they are now; afterwards nothing is gathered. */
    Batch take(LiveShow live, Collection<PartId> watchedTraces, long missed) {
        Batch batch = new Batch(values.stream().flatMap(id -> live.value(id).stream()).toList(),
                links.stream().flatMap(id -> live.link(id).stream()).toList(),
                traces.stream().filter(watchedTraces::contains).flatMap(id -> live.trace(id).stream()).toList(),
                newWire, lastOut, lastIn, edits, page, missed);
        values.clear();
        links.clear();
        traces.clear();
        newWire = new ArrayList<>();
        edits = new ArrayList<>();
        page = Optional.empty();
        return batch;
    }
}
