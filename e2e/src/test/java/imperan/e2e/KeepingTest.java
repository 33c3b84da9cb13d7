package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static imperan.show.Page.plain;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.layout.Arrangement;
import imperan.layout.ControlKind;
import imperan.layout.arranging.Arranger;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What is kept, and what happens to edits and touches when the database is slow, full or gone. */
@OwnServer
class KeepingTest extends InstalledTest {

    private static final int SEEDS = 50;
    private static final int EDITS = 30;
    private static final List<Person> PEOPLE =
            List.of(new Person("a", "Ada"), new Person("b", "Ben"), new Person("c", "Cleo"));

    /** Three people edit, take back and bring back at random; the log alone leads to the same tables. */
    @Test
    void theTablesRebuiltFromTheLogEqualTheTables() {
        Shows shows = imperan.bean(Shows.class);
        Keeper keeper = imperan.bean(Keeper.class);
        ShowStore store = imperan.bean(ShowStore.class);
        for (int seed = 1; seed <= SEEDS; seed++) {
            Random random = new Random(seed);
            String show = shows.create("Seed " + seed).show().orElseThrow();
            PartId page = new PartId("page");
            keeper.edit(
                            show,
                            new EditRequest(
                                    "Begin",
                                    List.of(
                                            new EditRequest.Put(
                                                    new Part(
                                                            new PartId("layout"),
                                                            Optional.empty(),
                                                            0,
                                                            Layout.plain("Layout")),
                                                    0),
                                            new EditRequest.Put(
                                                    new Part(
                                                            page,
                                                            Optional.of(new PartId("layout")),
                                                            0,
                                                            plain("Page", 12, 12)),
                                                    0))),
                            new Person("d", "Dora"))
                    .join();
            int accepted = 0;
            for (int i = 0; i < EDITS; i++) {
                accepted += step(keeper, show, page, new PartId("c" + i), random) instanceof Outcome.Accepted ? 1 : 0;
            }
            assertThat(accepted).as("seed %d", seed).isGreaterThan(EDITS / 6);

            Show tables = store.load(show);
            Show rebuilt = Show.empty();
            for (Edit edit : store.edits(show, 1, Long.MAX_VALUE)) {
                rebuilt = rebuilt.replay(edit);
            }
            assertThat(rebuilt.version()).isEqualTo(tables.version()).isEqualTo(accepted + 1L);
            assertThat(tables.parts()).as("seed %d", seed).containsExactlyElementsOf(rebuilt.parts());
            assertThat(keeper.show(show).join().parts()).containsExactlyElementsOf(tables.parts());
        }
    }

    private static Outcome step(Keeper keeper, String show, PartId page, PartId fresh, Random random) {
        Person person = PEOPLE.get(random.nextInt(PEOPLE.size()));
        List<PartId> controls = keeper.show(show).join().all(Control.class).stream()
                .map(Part::id)
                .toList();
        List<PartId> one = controls.isEmpty() ? List.of() : List.of(controls.get(random.nextInt(controls.size())));
        return switch (random.nextInt(7)) {
            case 0, 1, 2 -> keeper.change(
                            show,
                            now -> Arranger.carryOut(
                                    now,
                                    new Arrangement.AddControl(
                                            page, fresh, ControlKind.values()[random.nextInt(3)], Optional.empty()),
                                    person))
                    .join();
            case 3 -> keeper.change(
                            show,
                            now -> Arranger.carryOut(
                                    now,
                                    new Arrangement.MoveControls(one, random.nextInt(-3, 4), random.nextInt(-3, 4)),
                                    person))
                    .join();
            case 4 -> keeper.change(show, now -> Arranger.carryOut(now, new Arrangement.RemoveControls(one), person))
                    .join();
            case 5 -> keeper.undo(show, person).join();
            default -> keeper.redo(show, person).join();
        };
    }

    /** The database takes its time: edits wait and are kept, touches do not wait. */
    @Test
    void aSlowDatabaseDelaysEditsAndNoTouch() throws SQLException {
        try (Page build = build();
                Page run = run();
                Connection holder = imperan.database()) {
            holder.setAutoCommit(false);
            try (Statement statement = holder.createStatement()) {
                statement.execute("lock table edit in access exclusive mode");
            }
            rename(build, "Slow tide");
            Hands.drag(run, "level-1", 0, 0.5);
            desk.waitForLevel("in/1", 0.5);
            assertThat(tab(build, "Slow tide")).hasCount(0);
            holder.rollback();
            assertThat(tab(build, "Slow tide")).isVisible();
        }
    }

    /** Nothing can be written: the edit is refused in words and the field keeps what was typed; touches go on. */
    @Test
    void aFullDatabaseRefusesTheEditInWordsAndTouchesGoOn() throws SQLException {
        try (Page build = build();
                Page run = run();
                Connection owner = imperan.database();
                Statement statement = owner.createStatement()) {
            // SQLSTATE 53100 is disk_full: PostgreSQL, appendix A
            statement.execute(
                    """
                    create function full_disk() returns trigger language plpgsql as
                    $$ begin raise exception 'could not extend file: No space left on device' using errcode = '53100'; end $$""");
            statement.execute(
                    "create trigger full_disk before insert on edit for each row execute function full_disk()");
            String before = build.getByLabel("Page name").inputValue();
            rename(build, "Full tide");
            assertThat(build.getByRole(AriaRole.ALERT))
                    .containsText("could not be kept: the database has no room left");
            assertThat(build.getByRole(AriaRole.ALERT)).containsText("Still in use: " + before);
            assertThat(build.getByLabel("Page name")).hasValue("Full tide");
            Hands.drag(run, "level-2", 0, 0.5);
            desk.waitForLevel("in/2", 0.5);

            statement.execute("drop trigger full_disk on edit");
            build.getByLabel("Page name").press("Enter");
            assertThat(tab(build, "Full tide")).isVisible();
            assertThat(build.getByRole(AriaRole.ALERT)).hasCount(0);
        }
    }

    /** The database is gone and comes back: no restart of ours is needed. */
    @Test
    void aDatabaseThatIsGoneRefusesTheEditInWordsAndTouchesGoOn() throws SQLException {
        try (Page build = build();
                Page run = run()) {
            imperan.databaseGone(true);
            try {
                rename(build, "Ebb tide");
                // on a slow machine the page may say beside it that it is not connected for a moment
                assertThat(build.getByRole(AriaRole.ALERT)
                                .filter(new Locator.FilterOptions().setHasText("database does not answer")))
                        .isVisible();
                Hands.drag(run, "level-3", 0, 0.5);
                desk.waitForLevel("in/3", 0.5);
                assertThat(said("/bellows/in/5/level 0.25")).isEqualTo(200);
                desk.waitForLevel("in/5", 0.25);
            } finally {
                imperan.databaseGone(false);
            }
            // what is asked before the server has its connections back is refused in words once more
            Desk.waitUntil("the edit is kept", () -> {
                build.getByLabel("Page name").press("Enter");
                return tab(build, "Ebb tide").isVisible();
            });
        }
    }

    private static Page build() {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout/sound"));
        assertThat(page.getByLabel("Page name")).isVisible();
        return page;
    }

    private static Page run() {
        Page page = chromium.device("Ben");
        page.navigate(imperan.url("/#/run/sound"));
        assertThat(Hands.control(page, "level-1")).isVisible();
        return page;
    }

    private static Locator tab(Page build, String name) {
        return build.getByLabel("Pages")
                .getByRole(
                        AriaRole.LINK,
                        new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void rename(Page build, String name) {
        build.getByLabel("Page name").fill(name);
        build.getByLabel("Page name").press("Enter");
    }

    /**
     * A show that is edited for long is kept whole once in a while; what was before that is the same from there as from the log alone, also
     * after a restart.
     */
    @Test
    void earlierVersionsAreTheSameFromSnapshotsAsFromTheLog() {
        Keeper keeper = imperan.bean(Keeper.class);
        ShowStore store = imperan.bean(ShowStore.class);
        String show = imperan.bean(Shows.class).create("Long").show().orElseThrow();
        PartId layout = new PartId("layout");
        for (int i = 1; i <= 450; i++) {
            long before =
                    keeper.show(show).join().held(layout).map(Held::version).orElse(0L);
            assertThat(keeper.edit(
                                    show,
                                    new EditRequest(
                                            "Rename",
                                            List.of(new EditRequest.Put(
                                                    new Part(layout, Optional.empty(), 0, Layout.plain("Layout " + i)),
                                                    before))),
                                    PEOPLE.get(0))
                            .join())
                    .isInstanceOf(Outcome.Accepted.class);
            if (i == 300) {
                // as after a restart: it is read again
                keeper.forget(show);
            }
        }
        assertThat(store.snapshot(show, 199)).isEmpty();
        assertThat(store.snapshot(show, 399))
                .hasValueSatisfying(kept -> assertThat(kept.version()).isEqualTo(200));
        assertThat(store.snapshot(show, 450)).hasValueSatisfying(kept -> {
            assertThat(kept.version()).isEqualTo(400);
            assertThat(kept.part(layout).map(part -> part.body().called())).hasValue("Layout 400");
        });
        for (int version : List.of(399, 401, 17)) {
            assertThat(keeper.restore(show, version, PEOPLE.get(0), "Restore").join())
                    .isInstanceOf(Outcome.Accepted.class);
            assertThat(keeper.show(show).join().part(layout).map(part -> part.body()
                            .called()))
                    .hasValue("Layout " + version);
        }
    }

    /** A message that belongs to no control; the answer's status. */
    private int said(String line) {
        try {
            return HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(imperan.api("/commands")))
                                    .header("Imperan-Browser", "nobody")
                                    .header("Content-Type", "application/json")
                                    .POST(HttpRequest.BodyPublishers.ofString(
                                            "{\"kind\":\"say\",\"target\":\"bellows\",\"line\":\"" + line + "\"}"))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
