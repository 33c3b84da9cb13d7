package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.BEN;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.AddControl;
import imperan.layout.Arrangement.CopyLayout;
import imperan.layout.Arrangement.DuplicatePage;
import imperan.layout.Arrangement.GatherControls;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.Arrangement.ScatterTray;
import imperan.layout.Arrangement.SwapLayout;
import imperan.layout.arranging.Arranger;
import imperan.layout.drafts.Drafts;
import imperan.layout.files.LayoutFile;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.picture.Pictures;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Held;
import imperan.show.Laid;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Tray;
import imperan.show.Twin;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Copies of layouts on which somebody works while the layout is played. */
class DraftsTest {

    private static final PartId DRAFT = new PartId("draft");
    private static final PartId A = new PartId("a");
    private static final PartId B = new PartId("b");

    private Show show = accepted(
            Shows.withPage(), ADA, put(A, PAGE, fader("Main", 0, "/main")), put(B, PAGE, fader("Side", 2, "/side")));

    private void done(Arrangement arrangement) {
        Outcome outcome = Arranger.carryOut(show, arrangement, ADA);
        assertThat(outcome).as(String.valueOf(outcome)).isInstanceOf(Outcome.Accepted.class);
        show = ((Outcome.Accepted) outcome).show();
    }

    private PartId copyOf(PartId original) {
        return ((Layout) show.part(DRAFT).orElseThrow().body())
                .draft().orElseThrow().origins().stream()
                        .filter(origin -> origin.original().equals(original))
                        .findFirst()
                        .orElseThrow()
                        .copy();
    }

    @Test
    void aCopyIsBuiltAndNotPlayed() {
        done(new CopyLayout(LAYOUT, DRAFT));
        assertThat(show.all(Control.class)).hasSize(4);
        assertThat(show.all(Control.class).stream().filter(show::inDraft))
                .extracting(Part::id)
                .containsExactlyInAnyOrder(copyOf(A), copyOf(B));
        assertThat(LineTable.of(show)).extracting(TableLine::page).contains("Page", "Page of the copy");
        assertThat(((Outcome.Refused) Arranger.carryOut(show, new CopyLayout(DRAFT, new PartId("again")), ADA))
                        .problems()
                        .get(0)
                        .message())
                .contains("a copy already");
    }

    @Test
    void whatIsSwappedInKeepsTheIdsOfWhatItWasCopiedFrom() {
        done(new CopyLayout(LAYOUT, DRAFT));
        show = accepted(show, ADA, change(show, copyOf(A), fader("Main, new", 0, "/main/level")));
        done(new RemoveControls(List.of(copyOf(B))));
        done(new AddControl(copyOf(PAGE), new PartId("fresh"), ControlKind.BUTTON, Optional.empty()));
        assertThat(Drafts.look(show, DRAFT, ADA).changes())
                .extracting(line -> line.part() + " " + line.field() + ": " + line.before() + " > " + line.after())
                .contains("Main, new label: Main > Main, new", "Side : fader /side > ", "Button 1 :  > button")
                .as("that the copies go is no change")
                .noneMatch(line -> line.contains("layout"));
        done(new SwapLayout(DRAFT));
        assertThat(show.part(DRAFT)).isEmpty();
        assertThat(show.part(A).orElseThrow().body().called()).isEqualTo("Main, new");
        assertThat(show.children(PAGE)).extracting(Part::id).containsExactlyInAnyOrder(A, new PartId("fresh"));
        assertThat(show.all(Layout.class)).extracting(Part::id).containsExactly(LAYOUT);
    }

    @Test
    void whatSomebodyChangedInTheLayoutSinceIsSaidBefore() {
        done(new CopyLayout(LAYOUT, DRAFT));
        assertThat(Drafts.look(show, DRAFT, ADA).since()).isEmpty();
        show = accepted(show, BEN, change(show, B, fader("Side, by Ben", 2, "/side")));
        assertThat(Drafts.look(show, DRAFT, ADA).since())
                .containsExactly("“Side, by Ben” was changed by Ben since the copy was made");
    }

    @Test
    void aCopyOfWhatIsGoneIsNotSwappedIn() {
        done(new CopyLayout(LAYOUT, DRAFT));
        show = accepted(show, ADA, Shows.remove(show, LAYOUT));
        assertThat(Drafts.look(show, DRAFT, ADA).problems().get(0)).contains("no longer there", "as a file");
        assertThat(Drafts.look(show, A, ADA).problems().get(0)).contains("no longer there");
        String file = LayoutFile.write(show, DRAFT, Pictures.NONE).orElseThrow();
        Show taken = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(taken.all(Layout.class).stream().filter(part -> !taken.inDraft(part)))
                .hasSize(1);
    }

    /** Whatever is done to a copy, the layout then is as the copy was, with its own ids where there are such; and one undo leads back. */
    @Test
    void randomWorkOnACopyArrivesWhole() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            show = accepted(
                    Shows.withPage(),
                    ADA,
                    put(A, PAGE, fader("Main", 0, "/main")),
                    put(B, PAGE, fader("Side", 2, "/side")),
                    put(new PartId("c"), PAGE, fader("Third", 5, "/third")));
            if (random.nextBoolean()) {
                done(new GatherControls(List.of(A, B), new PartId("tray"), "Pair"));
            }
            if (random.nextBoolean()) {
                done(new DuplicatePage(
                        PAGE, new PartId("phone"), Optional.of(Page.Screen.Kind.PHONE), random.nextBoolean()));
            }
            done(new CopyLayout(LAYOUT, DRAFT));
            Show live = show;
            for (int step = 0; step < 6; step++) {
                work(random);
            }
            Set<String> wanted = drawn(DRAFT);
            Outcome outcome = Arranger.carryOut(show, new SwapLayout(DRAFT), ADA);
            assertThat(outcome).as("seed %d: %s", seed, outcome).isInstanceOf(Outcome.Accepted.class);
            Show before = show;
            show = ((Outcome.Accepted) outcome).show();
            assertThat(drawn(LAYOUT)).as("seed %d", seed).isEqualTo(wanted);
            assertThat(show.all(Layout.class)).hasSize(1);
            Edit swap = ((Outcome.Accepted) outcome).edit();
            assertThat(((Outcome.Accepted) show.revert(swap, ADA, new Edit.Role(Edit.Role.Kind.UNDO, swap.number())))
                            .show()
                            .sameContentAs(before))
                    .isTrue();
            assertThat(live.part(LAYOUT)).isEqualTo(show.part(LAYOUT));
        }
    }

    private void work(Random random) {
        List<Part> inside = show.parts().stream()
                .map(Held::part)
                .filter(part -> show.inDraft(part) && !part.id().equals(DRAFT))
                .toList();
        if (inside.isEmpty()) {
            return;
        }
        Part part = inside.get(random.nextInt(inside.size()));
        Arrangement arrangement =
                switch (random.nextInt(6)) {
                    case 0 -> new MoveControls(List.of(part.id()), random.nextInt(5) - 2, random.nextInt(5) - 2);
                    case 1 -> new RemoveControls(List.of(part.id()));
                    case 2 -> new AddControl(part.id(), PartId.random(), ControlKind.BUTTON, Optional.empty());
                    case 3 -> new GatherControls(List.of(part.id()), PartId.random(), "Group");
                    case 4 -> new ScatterTray(part.id());
                    default -> new DuplicatePage(part.id(), PartId.random(), Optional.empty(), random.nextBoolean());
                };
        if (Arranger.carryOut(show, arrangement, ADA) instanceof Outcome.Accepted done) {
            show = done.show();
        }
    }

    /** What is seen of a layout: every page, tray and place, and what is shown there. */
    private Set<String> drawn(PartId layout) {
        return show.children(layout)
                .flatMap(page -> show.children(page.id())
                        .flatMap(laid -> laid.body() instanceof Tray tray
                                ? show.children(laid.id())
                                        .map(inner -> page.body().called() + "/" + tray.name() + tray.cells() + "/"
                                                + shown(inner))
                                : Stream.of(page.body().called() + "/" + shown(laid))))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private String shown(Part part) {
        Laid laid = (Laid) part.body();
        Laid seen = laid instanceof Twin twin
                ? new Grids(show).shown(twin).map(Laid.class::cast).orElse(laid)
                : laid;
        return seen.called() + laid.cells() + laid.getClass().getSimpleName();
    }
}
