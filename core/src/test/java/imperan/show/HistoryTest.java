package imperan.show;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.BEN;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static imperan.show.Shows.target;
import static imperan.show.Shows.withPage;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class HistoryTest {

    private final List<Edit> log = new ArrayList<>();
    private final TreeMap<Long, Show> snapshots = new TreeMap<>();
    private final History history = new History(new History.Log() {
        @Override
        public List<Edit> edits(long from, long to) {
            edited += to - from + 1;
            return log.subList((int) from - 1, (int) to);
        }

        @Override
        public Optional<Show> snapshot(long version) {
            return Optional.ofNullable(snapshots.floorEntry(version)).map(Map.Entry::getValue);
        }
    });
    /** How many edits were read from the log. */
    private long edited;

    private Show show = Show.empty();

    private Outcome take(Outcome outcome) {
        if (outcome instanceof Outcome.Accepted accepted) {
            log.add(accepted.edit());
            history.add(accepted.edit());
            show = accepted.show();
        }
        return outcome;
    }

    private void rename(Person author, PartId target, String name) {
        assertThat(take(Shows.apply(show, author, change(show, target, target(name)))))
                .isInstanceOf(Outcome.Accepted.class);
    }

    private void add(Person author, PartId target, String name) {
        assertThat(take(Shows.apply(show, author, put(target, null, target(name)))))
                .isInstanceOf(Outcome.Accepted.class);
    }

    private String name(PartId id) {
        return show.part(id).orElseThrow().body().called();
    }

    @Test
    void eachAuthorTakesBackTheirOwn() {
        PartId other = new PartId("other");
        add(ADA, DESK, "Desk");
        add(BEN, other, "Lights");
        rename(ADA, DESK, "Console");

        take(history.undo(show, BEN));
        assertThat(show.part(other)).isEmpty();
        assertThat(name(DESK)).isEqualTo("Console");

        take(history.undo(show, ADA));
        assertThat(name(DESK)).isEqualTo("Desk");
        take(history.undo(show, ADA));
        assertThat(show.part(DESK)).isEmpty();
        assertThat(history.undo(show, ADA)).isInstanceOf(Outcome.Refused.class);

        take(history.redo(show, ADA));
        take(history.redo(show, ADA));
        assertThat(name(DESK)).isEqualTo("Console");
        assertThat(history.redo(show, ADA)).isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void whatSomebodyElseChangedSinceIsNotTakenBack() {
        add(ADA, DESK, "Desk");
        rename(ADA, DESK, "Console");
        rename(BEN, DESK, "Mixer");

        assertThat(history.undo(show, ADA)).isInstanceOfSatisfying(Outcome.Refused.class, refused -> assertThat(
                        refused.problems().get(0).message())
                .contains("“Console” was changed by Ben since"));
        take(history.undo(show, BEN));
        assertThat(take(history.undo(show, ADA))).isInstanceOf(Outcome.Accepted.class);
        assertThat(name(DESK)).isEqualTo("Desk");
    }

    @Test
    void aFreshEditEndsRedo() {
        add(ADA, DESK, "Desk");
        rename(ADA, DESK, "Console");
        take(history.undo(show, ADA));
        rename(ADA, DESK, "Mixer");
        assertThat(history.redo(show, ADA)).isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void numbersHaveNoGaps() {
        add(ADA, DESK, "Desk");
        rename(ADA, DESK, "Console");
        assertThat(history.latest()).extracting(Edit::number).containsExactly(1L, 2L);
    }

    /**
     * Property: random edits of three people, replayed by a reader who only hears of the edits, end in the same show; and
     * taken back in reverse order they lead to the start. Some edits are outdated or wrong on purpose.
     */
    @Test
    void randomEditsReplayAndLeadBack() {
        for (int seed = 0; seed < 2_000; seed++) {
            randomRun(seed);
        }
    }

    private void randomRun(int seed) {
        Random random = new Random(seed);
        Show start = withPage();
        Show now = start;
        Show seenByAnother = start;
        Show outdated = start;
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Show basis = random.nextInt(5) == 0 ? outdated : now;
            Person author = new Person("b" + random.nextInt(3), "Somebody");
            Outcome outcome = Shows.apply(now, author, randomStep(basis, random));
            if (outcome instanceof Outcome.Accepted accepted) {
                outdated = now;
                now = accepted.show();
                seenByAnother = seenByAnother.replay(accepted.edit());
                edits.add(accepted.edit());
            }
        }
        assertThat(seenByAnother.sameContentAs(now)).isTrue();
        assertThat(seenByAnother.parts()).containsExactlyElementsOf(now.parts());
        for (int i = edits.size() - 1; i >= 0; i--) {
            Outcome back = now.revert(
                    edits.get(i),
                    ADA,
                    new Edit.Role(Edit.Role.Kind.UNDO, edits.get(i).number()));
            assertThat(back).as("seed %d edit %d", seed, i).isInstanceOf(Outcome.Accepted.class);
            now = ((Outcome.Accepted) back).show();
        }
        assertThat(now.sameContentAs(start)).as("seed %d", seed).isTrue();
    }

    private static EditRequest.Step randomStep(Show basis, Random random) {
        PartId id = new PartId("c" + random.nextInt(5));
        Optional<Held> held = basis.held(id);
        Body body = fader("F" + random.nextInt(100), random.nextInt(9), "/f/" + random.nextInt(9));
        if (held.isPresent() && random.nextInt(3) == 0) {
            return new EditRequest.Remove(id, held.get().version());
        }
        return random.nextInt(6) == 0 && basis.held(PAGE).isPresent()
                ? change(basis, PAGE, Page.plain("P", 7 + random.nextInt(3), 8))
                : new EditRequest.Put(
                        new Part(id, Optional.of(PAGE), random.nextInt(9), body),
                        held.map(Held::version).orElse(0L));
    }

    @Test
    void aPageDoesNotGoWithWhatOthersPutOnIt() {
        PartId layout = new PartId("l");
        PartId page = new PartId("p");
        take(Shows.apply(
                show, ADA, put(layout, null, Layout.plain("Layout")), put(page, layout, Page.plain("Page", 8, 8))));
        PartId wheel = new PartId("wheel");
        take(Shows.apply(show, BEN, put(wheel, page, fader("Wheel", 0, "/in/1/level"))));

        Outcome refused = take(history.undo(show, ADA));
        assertThat(((Outcome.Refused) refused).problems())
                .extracting(Problem::message)
                .containsExactly("“Wheel” was put there by Ben since, so “Edit” cannot be taken back");
        assertThat(show.part(page)).isPresent();

        take(history.undo(show, BEN));
        assertThat(take(history.undo(show, ADA))).isInstanceOf(Outcome.Accepted.class);
        assertThat(show.parts()).isEmpty();
    }

    @Test
    void theLastEditsAreInMemoryAndOlderOnesComeFromTheLog() {
        add(ADA, DESK, "Desk");
        for (int i = 0; i < 2 * History.MOST_EDITS; i++) {
            rename(i % 2 == 0 ? ADA : BEN, DESK, "Desk " + i);
        }
        assertThat(history.latest()).hasSize(History.MOST_EDITS);
        assertThat(history.count()).isEqualTo(2 * History.MOST_EDITS + 1);
        assertThat(history.at(2).part(DESK).orElseThrow().body().called()).isEqualTo("Desk 0");
        assertThat(history.at(history.count()).sameContentAs(show)).isTrue();
    }

    @Test
    void anEditThatIsOnlyInTheLogIsTakenBack() {
        PartId other = new PartId("other");
        add(BEN, other, "Lights");
        add(ADA, DESK, "Desk");
        for (int i = 0; i < History.MOST_EDITS + 10; i++) {
            rename(ADA, DESK, "Desk " + i);
        }
        take(history.undo(show, BEN));
        assertThat(show.part(other)).isEmpty();
        take(history.redo(show, BEN));
        assertThat(name(other)).isEqualTo("Lights");
    }

    @Test
    void whatCanBeUndoneIsBounded() {
        for (int author = 0; author < History.MOST_AUTHORS + 50; author++) {
            history.past(author + 1, "author " + author, Edit.Role.FRESH);
        }
        assertThat(history.undo(show, new Person("author 3", "")))
                .isEqualTo(Outcome.Refused.because("There is nothing of yours to undo"));
        for (int i = 0; i < 3 * History.MOST_UNDOS; i++) {
            history.past(history.count() + 1, "b9", Edit.Role.FRESH);
        }
        assertThat(history.latest()).isEmpty();
    }

    @Test
    void whoRemovedWhatIsRememberedOfTheLastThousand() {
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < Show.MOST_REMOVED + 500; i++) {
            steps.add(put(new PartId("t" + i), null, target("Target " + i)));
        }
        Show full = Shows.accepted(Show.empty(), ADA, steps.toArray(EditRequest.Step[]::new));
        Show none = full;
        for (Held held : full.parts()) {
            none = none.replay(new Edit(
                    none.version() + 1,
                    BEN,
                    "Remove",
                    List.of(new Edit.Change(held.part().id(), Optional.of(held.part()), Optional.empty())),
                    Edit.Role.FRESH));
        }
        assertThat(none.removals()).isEqualTo(Show.MOST_REMOVED);
    }

    /** Every version is what the log leads to, and no more is read for it than was changed between two snapshots, however long the log. */
    @Test
    void anEarlierVersionIsFoundFromTheSnapshotBeforeIt() {
        RandomEdits edits = new RandomEdits(20261128);
        List<Show> versions = new ArrayList<>(List.of(Show.empty()));
        for (Edit edit : edits.all()) {
            take(edit, versions);
        }
        while (log.size() < 1_500) {
            take(edits.next(), versions);
        }
        assertThat(snapshots).hasSizeBetween(3, 1_500 / History.LEAST_CHANGES * 3);
        for (int version = 0; version <= 1_500; version += 37) {
            edited = 0;
            assertThat(history.at(version).sameContentAs(versions.get(version)))
                    .as("version " + version)
                    .isTrue();
            assertThat(history.at(version).version()).isEqualTo(version);
            assertThat(edited).isLessThan(2L * 3 * History.LEAST_CHANGES);
        }
    }

    private void take(Edit edit, List<Show> versions) {
        log.add(edit);
        history.add(edit);
        show = show.replay(edit);
        versions.add(show);
        if (history.wantsSnapshot(show)) {
            snapshots.put(show.version(), show);
            history.changedSinceSnapshot(0);
        }
    }
}
