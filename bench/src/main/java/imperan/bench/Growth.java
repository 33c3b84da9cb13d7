package imperan.bench;

import com.sun.management.ThreadMXBean;
import imperan.line.LineTable;
import imperan.live.Actor;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import java.lang.management.ManagementFactory;
import java.util.Arrays;
import java.util.List;

/** What an edit, a touch and an idle minute cost in shows of 1 000, 5 000 and 20 000 controls, with 20 targets that speak a phrasebook of 5 000: of the core alone. */
final class Growth {

    private static final int[] SIZES = {1_000, 5_000, 20_000};
    private static final int PHRASES = 5_000;
    private static final int EDITS = 300;
    private static final int TOUCHES = 100_000;
    private static final Person ADA = new Person("bench", "Ada");
    private static final Actor ACTOR = Actor.of(ADA);

    private final ThreadMXBean thread = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    private final LiveSink nowhere = new LiveSink() {
        @Override
        public boolean datagram(PartId target, byte[] packet) {
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            // what browsers make of it is measured elsewhere
        }
    };

    void print() {
        measure(SIZES[0], false);
        Main.print("The core alone, %d targets, a phrasebook of %d phrases: medians (p99)", LargeShow.TARGETS, PHRASES);
        for (int size : SIZES) {
            measure(size, true);
        }
    }

    private void measure(int size, boolean told) {
        Show show = LargeShow.of(size, PHRASES);
        LiveShow live = new LiveShow(nowhere);
        long now = 1_000_000_000_000L;
        live.load(show, now);
        for (int i = 0; i < LargeShow.TARGETS; i++) {
            live.socket(LargeShow.target(i), SocketState.open("192.0.2.1"), now);
        }
        long[] judged = new long[EDITS];
        long[] stalled = new long[EDITS];
        for (int i = 0; i < EDITS; i++) {
            int at = i * 37 % size;
            Held held = show.held(LargeShow.control(at)).orElseThrow();
            EditRequest rename = new EditRequest(
                    "Rename",
                    List.of(new EditRequest.Put(
                            new Part(
                                    held.part().id(),
                                    held.part().parent(),
                                    held.part().order(),
                                    LargeShow.body(at, PHRASES, "Renamed " + i)),
                            held.version())));
            long before = System.nanoTime();
            Outcome.Accepted accepted = (Outcome.Accepted) show.apply(rename, ADA);
            judged[i] = System.nanoTime() - before;
            show = accepted.show();
            now += 1_000_000;
            before = System.nanoTime();
            live.follow(show, accepted.edit(), now);
            stalled[i] = System.nanoTime() - before;
        }
        long[] lines = new long[9];
        for (int i = 0; i < lines.length; i++) {
            long before = System.nanoTime();
            LineTable.of(show, new PartId("page0"));
            lines[i] = System.nanoTime() - before;
        }
        long[] touched = new long[TOUCHES];
        long bytes = thread.getCurrentThreadAllocatedBytes();
        for (int i = 0; i < TOUCHES; i++) {
            now += 100_000;
            long before = System.nanoTime();
            live.carryOut(
                    new Touch(LargeShow.control(i % 50), "1", Touch.Phase.SET, 0.5, i % 1_000 / 1_000.0, false, ""),
                    ACTOR,
                    now);
            touched[i] = System.nanoTime() - before;
            take(live, now);
        }
        bytes = (thread.getCurrentThreadAllocatedBytes() - bytes) / TOUCHES;
        now += 5_000_000_000L;
        take(live, now);
        long idle = thread.getCurrentThreadCpuTime();
        long end = now + 60_000_000_000L;
        while (live.nextDue() <= end) {
            live.takeDue(live.nextDue());
        }
        idle = thread.getCurrentThreadCpuTime() - idle;
        if (told) {
            Main.print(
                    "  %,d controls: an edit stalls the loop %.2f ms (%.1f), is judged in %.2f ms; lines of a page %.1f ms; a touch %.1f µs (%.1f), %d B;"
                            + " an idle minute %.2f ms of processor time",
                    size,
                    at(stalled, 0.5) / 1e6,
                    at(stalled, 0.99) / 1e6,
                    at(judged, 0.5) / 1e6,
                    at(lines, 0.5) / 1e6,
                    at(touched, 0.5) / 1e3,
                    at(touched, 0.99) / 1e3,
                    bytes,
                    idle / 1e6);
        }
    }

    private static void take(LiveShow live, long now) {
        while (live.nextDue() <= now) {
            live.takeDue(now);
        }
    }

    private static double at(long[] times, double share) {
        long[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[Math.min(sorted.length - 1, (int) (sorted.length * share))];
    }
}
