package imperan.bench;

import imperan.phrasebook.BookChange;
import imperan.phrasebook.TableImport;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.show.EditRequest;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/** How long a large edit takes, and how long edits of another show wait beside it. */
final class Beside {

    private static final int PHRASES = 10_000;
    private static final Person PERSON = new Person("bench", "Bench");

    private final Keeper keeper;
    private final Shows shows;

    Beside(Stage stage) {
        keeper = stage.bean(Keeper.class);
        shows = stage.bean(Shows.class);
    }

    void largeEditBesideSmallOnes() {
        StringBuilder table = new StringBuilder("address,types,low,high\n");
        for (int i = 0; i < PHRASES; i++) {
            table.append("/long/x").append(i).append(",f,0,1\n");
        }
        String small = shows.create("Small").show().orElseThrow();
        List<Double> alone = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            alone.add(edit(small, i));
        }
        Main.print("Edits: %d phrases in one, and edits of another show meanwhile", PHRASES);
        for (int round = 0; round < 5; round++) {
            String large = shows.create("Large " + round).show().orElseThrow();
            long begun = System.nanoTime();
            List<Phrase> phrases = TableImport.read(table.toString(), false).stream()
                    .flatMap(row -> row.phrase().stream())
                    .toList();
            CompletableFuture<Outcome> taking = keeper.change(
                    large,
                    show -> show.apply(
                            new BookChange(show, "Long", phrases).edit(BookChange.OnSameName.REPLACE), PERSON));
            List<Double> beside = new ArrayList<>();
            while (!taking.isDone()) {
                beside.add(edit(small, 1000 * (round + 1) + beside.size()));
            }
            double seconds = (System.nanoTime() - begun) / 1e9;
            if (!(taking.join() instanceof Outcome.Accepted)) {
                throw new IllegalStateException("The phrases were refused");
            }
            Main.print(
                    "  round %d: taken in within %.2f s; beside it %d edits, median %.1f ms, longest %.1f ms (alone: median %.1f, longest %.1f ms)",
                    round + 1,
                    seconds,
                    beside.size(),
                    median(beside),
                    Collections.max(beside),
                    median(alone),
                    Collections.max(alone));
        }
    }

    private double edit(String show, int number) {
        PartId id = new PartId("l" + number);
        long begun = System.nanoTime();
        Outcome outcome = keeper.edit(
                        show,
                        new EditRequest(
                                "Add",
                                List.of(new EditRequest.Put(new Part(id, Optional.empty(), 0, Layout.plain("L")), 0))),
                        PERSON)
                .join();
        if (!(outcome instanceof Outcome.Accepted)) {
            throw new IllegalStateException("A small edit was refused");
        }
        return (System.nanoTime() - begun) / 1e6;
    }

    private static double median(List<Double> values) {
        return values.stream().sorted().skip(values.size() / 2).findFirst().orElseThrow();
    }
}
