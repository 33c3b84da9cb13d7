package imperan.server.capture;

import imperan.capture.CaptureFile;
import imperan.capture.Captured;
import imperan.capture.JsonLines;
import imperan.capture.PcapNg;
import imperan.capture.Playback;
import imperan.live.Actor;
import imperan.rig.Adapter;
import imperan.rig.Ipv4;
import imperan.server.net.ThisMachine;
import imperan.server.run.Readings;
import imperan.server.run.ShowLoop;
import imperan.server.store.CaptureStore;
import imperan.server.store.CaptureStore.CaptureInfo;
import imperan.server.store.Keeper;
import imperan.show.Characters;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.Target;
import imperan.wire.WireRecord;
import imperan.words.ReasonWords;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Captures of shows: recorded, loaded, given out, and played back. One recording and one playback at a time. */
@Component
public class Captures implements AutoCloseable {

    private static final int PIECE_BYTES = 1 << 20;

    private final ShowLoop loop;
    private final Readings readings;
    private final Keeper keeper;
    private final CaptureStore store;
    private Optional<Running> running = Optional.empty();
    private Optional<Player> player = Optional.empty();

    private record Running(String showId, String id, String name, long since, Recording recording) {}

    /**
     * A recording that runs, or the last one.
     *
     * @param seconds since it began
     * @param lost    packets that came faster than they could be written
     * @param problem why it ended by itself; empty where it did not
     */
    public record RecordingState(
            String capture,
            String name,
            boolean runs,
            long seconds,
            long packets,
            long bytes,
            long lost,
            String problem) {}

    Captures(ShowLoop loop, Readings readings, Keeper keeper, CaptureStore store) {
        this.loop = loop;
        this.readings = readings;
        this.keeper = keeper;
        this.store = store;
    }

    // ---- recording

    /** Begins to record the live show, or says why not. */
    public synchronized Optional<Problem> start(String showId, String name) {
        if (!showId.equals(loop.liveShowId())) {
            return Optional.of(Problem.of("This show is not live: there is nothing to record"));
        } else if (running.filter(now -> now.recording().isRunning()).isPresent()) {
            return Optional.of(Problem.of("A recording runs already. Stop it first"));
        }
        Optional<Problem> problem = problem(showId, name);
        if (problem.isPresent()) {
            return problem;
        }
        String id = store.begin(showId, name.strip());
        Reading reading = Reading.of(keeper.show(showId).join());
        Recording recording = new Recording(
                reading::captured,
                (number, bytes, packets) -> store.append(id, number, bytes, packets),
                () -> showId.equals(loop.liveShowId()));
        running = Optional.of(new Running(showId, id, name.strip(), System.nanoTime(), recording));
        readings.tapWire(recording);
        return Optional.empty();
    }

    private Optional<Problem> problem(String showId, String name) {
        if (name.isBlank()
                || name.length() > Person.MOST_NAME
                || name.codePoints().anyMatch(Characters::isUnshowable)) {
            return Optional.of(new Problem(
                    Optional.empty(),
                    "name",
                    "A name is one line of 1 to " + Person.MOST_NAME + " characters",
                    Optional.empty()));
        } else if (store.all(showId).size() >= CaptureStore.MOST) {
            return Optional.of(Problem.of("A show has at most " + CaptureStore.MOST + " captures. Remove one first"));
        }
        return Optional.empty();
    }

    /** Ends the recording that runs in a show. */
    public synchronized void stop(String showId) {
        running.filter(now -> now.showId().equals(showId) && now.recording().isRunning())
                .ifPresent(now -> {
                    readings.tapWire(record -> {});
                    now.recording().stop();
                });
    }

    /** What of a packet is recorded, with what the show knew of its targets when the recording began. */
    private record Reading(Map<PartId, Reach> reaches, List<Adapter> adapters) {

        static Reading of(Show show) {
            return new Reading(
                    show.all(Target.class).stream()
                            .collect(Collectors.toMap(part -> part.id(), part -> ((Target) part.body()).transport())),
                    ThisMachine.adapters());
        }

        /** What did not leave is not on the wire. */
        Optional<Captured> captured(WireRecord record) {
            if (record.out() && record.reason().isPresent()) {
                return Optional.empty();
            }
            int colon = record.peer().lastIndexOf(':');
            String host = record.peer().substring(0, Math.max(0, colon));
            String note = record.out()
                    ? record.cause().actor().name()
                    : record.reason()
                            .map(reason -> ReasonWords.of(reason).brief())
                            .orElse("");
            return Optional.of(new Captured(
                    record.at(),
                    record.out(),
                    ours(host),
                    record.ourPort(),
                    host,
                    Integer.parseInt(record.peer().substring(colon + 1)),
                    record.target()
                            .map(target -> reaches.getOrDefault(target, Reach.UDP))
                            .orElse(Reach.UDP),
                    record.bytes(),
                    note));
        }

        /** The address of ours in the network of the other end; unknown where we have none there. */
        private String ours(String peer) {
            return Ipv4.parse(peer)
                    .flatMap(address -> adapters.stream()
                            .flatMap(adapter -> adapter.reaching(address).stream())
                            .findFirst())
                    .map(prefix -> prefix.address().toString())
                    .orElse("0.0.0.0");
        }
    }

    /** The recording of a show; empty where there was none since the start. */
    public synchronized Optional<RecordingState> recording(String showId) {
        return running.filter(now -> now.showId().equals(showId))
                .map(now -> new RecordingState(
                        now.id(),
                        now.name(),
                        now.recording().isRunning(),
                        (System.nanoTime() - now.since()) / 1_000_000_000L,
                        now.recording().packets(),
                        now.recording().bytes(),
                        now.recording().lost(),
                        now.recording().problem()));
    }

    // ---- keeping

    /** The newest first. */
    public List<CaptureInfo> all(String showId) {
        return store.all(showId);
    }

    public boolean rename(String showId, String id, String name) {
        return problem(showId, name)
                        .filter(problem -> problem.field().equals("name"))
                        .isEmpty()
                && store.rename(showId, id, name.strip());
    }

    public boolean remove(String showId, String id) {
        return store.remove(showId, id);
    }

    public Optional<CaptureInfo> one(String showId, String id) {
        return store.one(showId, id);
    }

    /** Writes a capture as a network analyser reads it. */
    public void writePcap(String id, OutputStream to) throws IOException {
        store.write(id, to);
    }

    /** Writes a capture with a line of JSON for each packet. */
    public void writeJsonLines(String id, OutputStream to) throws IOException {
        for (Captured captured : packets(id)) {
            to.write(JsonLines.line(captured).getBytes(StandardCharsets.UTF_8));
        }
    }

    private List<Captured> packets(String id) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try {
            store.write(id, file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        CaptureFile.Read read = CaptureFile.readKept(file.toByteArray());
        if (read instanceof CaptureFile.Read.Bad bad) {
            throw new IllegalStateException(
                    "Capture " + id + " is not what was kept: " + bad.reason() + ", " + bad.place());
        }
        return ((CaptureFile.Read.Good) read).packets();
    }

    /**
     * Takes a file in.
     *
     * @param passedOver packets in it that are none of UDP or TCP over IPv4
     */
    public record Loaded(Optional<Problem> problem, long packets, long passedOver) {
        static Loaded refused(Problem problem) {
            return new Loaded(Optional.of(problem), 0, 0);
        }
    }

    /** Takes a capture in, whoever wrote it. */
    public Loaded load(String showId, String name, byte[] file) {
        Optional<Problem> problem = problem(showId, name);
        if (problem.isPresent()) {
            return Loaded.refused(problem.get());
        }
        CaptureFile.Read read = CaptureFile.read(file);
        if (read instanceof CaptureFile.Read.Bad bad) {
            return Loaded.refused(Problem.of("This cannot be loaded: " + bad.reason()
                    + (bad.place().isEmpty() ? "" : " (" + bad.place() + ")")));
        }
        CaptureFile.Read.Good good = (CaptureFile.Read.Good) read;
        String id = store.begin(showId, name.strip());
        PcapNg format = new PcapNg();
        ByteArrayOutputStream piece = new ByteArrayOutputStream();
        piece.writeBytes(format.head());
        int number = 0;
        long packets = 0;
        for (Captured captured : good.packets()) {
            piece.writeBytes(format.packet(captured));
            packets++;
            if (piece.size() >= PIECE_BYTES) {
                store.append(id, number++, piece.toByteArray(), packets);
                piece.reset();
                packets = 0;
            }
        }
        store.append(id, number, piece.toByteArray(), packets);
        return new Loaded(Optional.empty(), good.packets().size(), good.passedOver());
    }

    // ---- playing

    /** Which packets are played. */
    public enum Which {
        ALL,
        OUT,
        IN;

        private boolean takes(Captured captured) {
            return this == ALL || captured.out() == (this == OUT);
        }
    }

    /**
     * Begins to play a capture to a target, or says why not. Its packets leave as they are.
     *
     * @param peer only what went to or came from this end, {@code host:port}; empty for all
     */
    public synchronized Optional<Problem> play(
            String showId,
            String id,
            PartId target,
            Which which,
            String peer,
            double speed,
            boolean byStep,
            Actor actor) {
        if (!(speed >= Playback.SLOWEST && speed <= Playback.FASTEST)) {
            return Optional.of(new Problem(
                    Optional.empty(),
                    "speed",
                    "A speed is " + Playback.SLOWEST + " to " + (int) Playback.FASTEST + " times",
                    Optional.empty()));
        } else if (!showId.equals(loop.liveShowId())) {
            return Optional.of(Problem.of("This show is not live: nothing is sent"));
        } else if (player.filter(Player::isRunning).isPresent()) {
            return Optional.of(Problem.of("A capture is being played. Stop it first"));
        }
        Optional<CaptureInfo> capture = store.one(showId, id);
        Optional<Target> to = keeper.show(showId)
                .join()
                .part(target)
                .map(part -> part.body())
                .filter(Target.class::isInstance)
                .map(Target.class::cast);
        if (capture.isEmpty() || to.isEmpty()) {
            return Optional.of(Problem.of(
                    capture.isEmpty() ? "This capture is no longer there" : "This target is no longer in the rig"));
        }
        List<Captured> packets = packets(id).stream()
                .filter(which::takes)
                .filter(packet -> peer.isEmpty() || peer.equals(packet.peerHost() + ":" + packet.peerPort()))
                .toList();
        if (packets.isEmpty()) {
            return Optional.of(Problem.of("There is nothing of that in this capture"));
        }
        player = Optional.of(
                new Player(loop, showId, capture.get(), target, to.get().name(), packets, speed, byStep, actor));
        return Optional.empty();
    }

    /** More are not looked at in one go: that takes some ten seconds. */
    public static final int MOST_REPLAYED = 200_000;

    /**
     * The packets that came in a capture.
     *
     * @param peer only what came from this end, {@code host:port}; empty for all
     */
    public List<Captured> incoming(String id, String peer) {
        return packets(id).stream()
                .filter(Which.IN::takes)
                .filter(packet -> peer.isEmpty() || peer.equals(packet.peerHost() + ":" + packet.peerPort()))
                .toList();
    }

    /** The ends that a capture speaks of, {@code host:port}. */
    public List<String> peers(String id) {
        return packets(id).stream()
                .map(packet -> packet.peerHost() + ":" + packet.peerPort())
                .distinct()
                .sorted()
                .limit(CaptureStore.MOST)
                .toList();
    }

    /** The playback in a show; empty where there was none since the start. */
    public synchronized Optional<Player> player(String showId) {
        return player.filter(now -> now.isOf(showId));
    }

    @Override
    public synchronized void close() {
        running.ifPresent(now -> stop(now.showId()));
        player.ifPresent(Player::stop);
    }
}
