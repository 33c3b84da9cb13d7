package imperan.bench;

import com.sun.management.ThreadMXBean;
import imperan.line.LineTable;
import imperan.live.Actor;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;

import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What an edit, a touch and an idle minute cost in shows of 1 000, 5 000 and 20 000 controls, with 20 targets that speak a phrasebook of 5 000: of the core alone. */
final class Growth {

    private static final int[] SIZES = {1_000, 5_000, 20_000};
    private static final int TARGETS = 20;
    private static final int PHRASES = 5_000;
    private static final int ON_A_PAGE = 96;
    private static final int EDITS = 300;
    private static final int TOUCHES = 100_000;
    /** Steps of one edit, as many as one may have. */
    private static final int AT_ONCE = 4_000;
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
        Main.print("The core alone, %d targets, a phrasebook of %d phrases: medians (p99)", TARGETS, PHRASES);
        for (int size : SIZES) {
            measure(size, true);
        }
    }

    private void measure(int size, boolean told) {
        Show show = show(size);
        LiveShow live = new LiveShow(nowhere);
        long now = 1_000_000_000_000L;
        live.load(show, now);
        for (int i = 0; i < TARGETS; i++) {
            live.socket(target(i), SocketState.open("192.0.2.1"), now);
        }
        long[] judged = new long[EDITS];
        long[] stalled = new long[EDITS];
        for (int i = 0; i < EDITS; i++) {
            int at = i * 37 % size;
            Held held = show.held(control(at)).orElseThrow();
            EditRequest rename = new EditRequest("Rename", List.of(new EditRequest.Put(new Part(held.part().id(), held.part().parent(), held.part().order(),
                    body(at, "Renamed " + i)), held.version())));
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
            live.carryOut(new Touch(control(i % 50), "1", Touch.Phase.SET, 0.5, i % 1_000 / 1_000.0, false, ""), ACTOR, now);
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
            Main.print("  %,d controls: an edit stalls the loop %.2f ms (%.1f), is judged in %.2f ms; lines of a page %.1f ms; a touch %.1f µs (%.1f), %d B;"
                    + " an idle minute %.2f ms of processor time", size, at(stalled, 0.5) / 1e6, at(stalled, 0.99) / 1e6, at(judged, 0.5) / 1e6, at(lines, 0.5) / 1e6,
                    at(touched, 0.5) / 1e3, at(touched, 0.99) / 1e3, bytes, idle / 1e6);
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

    // ---- the show

    private static Show show(int size) {
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put("book", null, 0, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())));
        for (int i = 0; i < PHRASES; i++) {
            steps.add(put("phrase" + i, "book", i, Phrase.plain(address(i), Phrase.Direction.BOTH, List.of(Phrase.PhraseArgument.plain(ArgumentType.FLOAT32, Optional.of(0.0),
                    Optional.of(1.0), "", List.of(), Optional.empty())), AnswerRule.usual(AnswerRule.Kind.SAME), "", "")));
        }
        for (int i = 0; i < TARGETS; i++) {
            steps.add(put(target(i).value(), null, i, Target.plain("Target " + i, "192.0.2." + (10 + i), 7_001 + i, 9_001 + i, Target.Answering.REPORTS).speaking(new PartId("book"))));
        }
        steps.add(put("layout", null, 0, Layout.plain("Layout")));
        for (int page = 0; page * ON_A_PAGE < size; page++) {
            steps.add(put("page" + page, "layout", page, Page.plain("Page " + page, 12, 8)));
        }
        for (int i = 0; i < size; i++) {
            steps.add(put(control(i).value(), "page" + i / ON_A_PAGE, i % ON_A_PAGE, body(i, "Control " + i)));
        }
        Show show = Show.empty();
        for (int from = 0; from < steps.size(); from += AT_ONCE) {
            show = ((Outcome.Accepted) show.apply(new EditRequest("Build", steps.subList(from, Math.min(steps.size(), from + AT_ONCE))), ADA)).show();
        }
        return show;
    }

    private static EditRequest.Step put(String id, String parent, int order, Body body) {
        return new EditRequest.Put(new Part(new PartId(id), Optional.ofNullable(parent).map(PartId::new), order, body), 0);
    }

    private static PartId target(int i) {
        return new PartId("target" + i % TARGETS);
    }

    private static PartId control(int i) {
        return new PartId("control" + i);
    }

    /** Phrases that differ in letters. */
    private static String address(int i) {
        return "/" + (char) ('a' + i % 26) + (char) ('a' + i / 26 % 26) + (char) ('a' + i / 676) + "/level";
    }

    private static Control body(int i, String label) {
        String address = address(i % PHRASES);
        return Control.plain(label, new Cells(i % ON_A_PAGE % 12, i % ON_A_PAGE / 12, 1, 1), Fader.plain(Form.Direction.UP, Form.Grab.JUMP),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(target(i)), address, List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                List.of(Listen.value(Optional.of(target(i)), address, 0, 0, 1)));
    }
}
