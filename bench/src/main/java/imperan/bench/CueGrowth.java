package imperan.bench;

import imperan.check.Checks;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.cue.CueAction;
import imperan.track.Marker;
import imperan.track.MidiMarkers;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;

/** What many cues in one edit, and markers under many tempo changes, cost: ten times as many may cost at most twenty times as much. */
final class CueGrowth {

    private static final int[] SIZES = {1_000, 4_000, 10_000};
    private static final int ROUNDS = 5;
    private static final Person ADA = new Person("bench", "Ada");
    private static final PartId LIST = new PartId("list");

    private record Cost(String what, LongSupplier nanos) {}

    void print() {
        List<List<Cost>> bySize =
                Arrays.stream(SIZES).mapToObj(CueGrowth::costs).toList();
        Main.print("Cues in one edit, and markers of a MIDI file: medians of %d", ROUNDS);
        for (int i = 0; i < bySize.get(0).size(); i++) {
            long[] medians = new long[SIZES.length];
            for (int size = 0; size < SIZES.length; size++) {
                LongSupplier cost = bySize.get(size).get(i).nanos;
                // once without looking, for the compiler
                cost.getAsLong();
                medians[size] = median(cost);
            }
            Main.print(
                    "  %-34s %,d: %.1f ms   %,d: %.1f ms   %,d: %.1f ms   ratio %.1f (at most 20)",
                    bySize.get(0).get(i).what,
                    SIZES[0],
                    medians[0] / 1e6,
                    SIZES[1],
                    medians[1] / 1e6,
                    SIZES[2],
                    medians[2] / 1e6,
                    (double) medians[2] / medians[0]);
        }
    }

    private static long median(LongSupplier cost) {
        long[] took = new long[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            took[i] = cost.getAsLong();
        }
        Arrays.sort(took);
        return took[ROUNDS / 2];
    }

    private static long timed(Runnable work) {
        long before = System.nanoTime();
        work.run();
        return System.nanoTime() - before;
    }

    private static Outcome.Accepted accepted(Outcome outcome) {
        return (Outcome.Accepted) outcome;
    }

    /** A show with a list, and an edit that adds so many cues to it, each saying one message. */
    private static EditRequest cues(int count) {
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            Cue cue = Cue.plain(
                    String.valueOf(i),
                    "Cue",
                    new CueAction.SayLine(0, Optional.of(LargeShow.target(i % 20)), "/large/" + i, List.of()));
            steps.add(new EditRequest.Put(new Part(new PartId("cue-" + i), Optional.of(LIST), i, cue), 0));
        }
        return new EditRequest("Add", steps);
    }

    private static List<Cost> costs(int count) {
        Show empty = accepted(LargeShow.of(100, 100)
                        .apply(
                                new EditRequest(
                                        "List",
                                        List.of(new EditRequest.Put(
                                                new Part(LIST, Optional.empty(), 1, CueList.plain("List")), 0))),
                                ADA))
                .show();
        EditRequest request = cues(count);
        Outcome.Accepted full = accepted(empty.apply(request, ADA));
        byte[] midi = midi(count);
        return List.of(
                new Cost("judged", () -> timed(() -> empty.apply(request, ADA))),
                new Cost("taken back", () -> timed(() -> full.show().revert(full.edit(), ADA, Edit.Role.FRESH))),
                new Cost("followed by what runs", () -> {
                    LiveShow live = new LiveShow(NOWHERE);
                    live.load(empty, 1_000_000_000L);
                    return timed(() -> live.follow(full.show(), full.edit(), 2_000_000_000L));
                }),
                new Cost("checked", () -> {
                    Checks checks = new Checks(empty);
                    return timed(() -> checks.follow(full.edit(), full.show()));
                }),
                new Cost("markers, as many tempos", () -> timed(() -> markers(midi))));
    }

    private static void markers(byte[] midi) {
        if (!(MidiMarkers.read(midi) instanceof Marker.Read.Good)) {
            throw new IllegalStateException("The file is not read");
        }
    }

    private static final LiveSink NOWHERE = new LiveSink() {
        @Override
        public boolean datagram(PartId target, byte[] packet) {
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            // what browsers make of it is measured elsewhere
        }
    };

    /** A file of format 0 with a tempo change and a marker at each tick. */
    private static byte[] midi(int count) {
        ByteArrayOutputStream track = new ByteArrayOutputStream();
        for (int i = 0; i < count; i++) {
            track.writeBytes(new byte[] {1, (byte) 0xFF, 0x51, 3, 7, (byte) (i >> 8), (byte) i});
            track.writeBytes(new byte[] {0, (byte) 0xFF, 6, 1, 'm'});
        }
        return ByteBuffer.allocate(22 + track.size())
                .put("MThd".getBytes(StandardCharsets.US_ASCII))
                .putInt(6)
                .putShort((short) 0)
                .putShort((short) 1)
                .putShort((short) 96)
                .put("MTrk".getBytes(StandardCharsets.US_ASCII))
                .putInt(track.size())
                .put(track.toByteArray())
                .array();
    }
}
