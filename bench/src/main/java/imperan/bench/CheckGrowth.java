package imperan.bench;

import imperan.check.Checks;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.Person;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** What it costs to check shows of 1 000, 5 000 and 20 000 controls with as many phrases, and to check them again after an edit of one control. */
final class CheckGrowth {

    private static final int[] SIZES = {1_000, 5_000, 20_000};
    private static final int ROUNDS = 7;
    private static final int EDITS = 300;
    /** So many controls to one whose address has a letter too few. */
    private static final int MISSPELT = 50;

    private static final Person ADA = new Person("bench", "Ada");

    void print() {
        measure(SIZES[0], false);
        Main.print("Checks, as many phrases as controls, every %d. control misspelt: medians (p99)", MISSPELT);
        for (int size : SIZES) {
            measure(size, true);
        }
    }

    private static void measure(int size, boolean told) {
        Show show = misspelt(LargeShow.of(size, size), size);
        long[] whole = new long[ROUNDS];
        Checks checks = new Checks(show);
        for (int i = 0; i < ROUNDS; i++) {
            // read back as after a start, so that nothing is there from the round before
            Show fresh = Show.of(show.version(), show.parts());
            long before = System.nanoTime();
            checks = new Checks(fresh);
            whole[i] = System.nanoTime() - before;
        }
        long[] followed = new long[EDITS];
        for (int i = 0; i < EDITS; i++) {
            int at = i * 37 % size;
            Held held = show.held(LargeShow.control(at)).orElseThrow();
            Control body = LargeShow.body(at + i % 3, size, "Changed " + i)
                    .at(((Control) held.part().body()).cells());
            Outcome.Accepted accepted = (Outcome.Accepted) show.apply(
                    new EditRequest(
                            "Change",
                            List.of(new EditRequest.Put(
                                    new Part(
                                            held.part().id(),
                                            held.part().parent(),
                                            held.part().order(),
                                            body),
                                    held.version()))),
                    ADA);
            show = accepted.show();
            long before = System.nanoTime();
            checks.follow(accepted.edit(), show);
            followed[i] = System.nanoTime() - before;
        }
        Arrays.sort(whole);
        Arrays.sort(followed);
        if (told) {
            double all = whole[ROUNDS / 2];
            double one = followed[EDITS / 2];
            Main.print(
                    "  %,d controls: all of it %.0f ms (%.1f µs for each), after an edit of one control %.3f ms (%.3f): 1/%.0f; %,d findings",
                    size,
                    all / 1e6,
                    all / 1e3 / size,
                    one / 1e6,
                    followed[EDITS * 99 / 100] / 1e6,
                    all / one,
                    checks.all().size());
        }
    }

    private static Show misspelt(Show show, int size) {
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < size; i += MISSPELT) {
            Held held = show.held(LargeShow.control(i)).orElseThrow();
            Control control = (Control) held.part().body();
            Control wrong = control.withLines(
                    control.sends().stream()
                            .map(send -> send.at(send.address().replace("level", "lvel")))
                            .toList(),
                    control.listens());
            steps.add(new EditRequest.Put(
                    new Part(held.part().id(), held.part().parent(), held.part().order(), wrong), held.version()));
        }
        return ((Outcome.Accepted) show.apply(new EditRequest("Misspell", steps), ADA)).show();
    }
}
