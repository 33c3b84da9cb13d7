package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.AddControl;
import imperan.layout.Arrangement.DuplicatePage;
import imperan.layout.Arrangement.GatherControls;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.OrderPage;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.PasteControls.Copy;
import imperan.layout.Arrangement.PasteControls.Meaning;
import imperan.layout.Arrangement.PlacePhrases;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.Arrangement.ScatterTray;
import imperan.layout.arranging.Arranger;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Grid;
import imperan.show.Laid;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase.Direction;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Tray;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Trays, banks and pages. */
class PagesTest extends FourFaders {

    @Test
    void aTrayMovesWithWhatLiesInItAndIsTakenApartWhereItLies() {
        PartId tray = new PartId("tray");
        done(new GatherControls(faders().subList(0, 2), tray, "Pair"));
        assertThat(control("f2").cells()).isEqualTo(new Cells(1, 0, 1, 4));
        assertThat(show.part(new PartId("f2")).orElseThrow().parent()).hasValue(tray);
        done(new MoveControls(List.of(tray), 4, 2));
        assertThat(control("f2").cells()).as("within its tray").isEqualTo(new Cells(1, 0, 1, 4));
        assertThat(refused(new GatherControls(List.of(tray), new PartId("t2"), "Nested")))
                .contains("does not lie in a tray");
        done(new ScatterTray(tray));
        assertThat(control("f2").cells()).isEqualTo(new Cells(5, 2, 1, 4));
        assertThat(show.part(tray)).isEmpty();
        done(new GatherControls(faders().subList(0, 2), tray, "Pair"));
        done(new RemoveControls(List.of(tray)));
        assertThat(show.part(new PartId("f2"))).isEmpty();
    }

    @Test
    void aTrayIsCopiedWithWhatLiesInItToTheNextNumbers() {
        PartId tray = new PartId("tray");
        done(new GatherControls(faders().subList(0, 2), tray, "Pair"));
        PartId copy = PartId.random();
        List<Copy> copies = List.of(
                new Copy(copy, Optional.empty(), show.part(tray).orElseThrow().body()),
                new Copy(PartId.random(), Optional.of(copy), control("f1")),
                new Copy(PartId.random(), Optional.of(copy), control("f2")));
        done(new PasteControls(PAGE, copies, Optional.empty(), Meaning.NEXT_NUMBERS, List.of()));
        assertThat(show.children(copy)
                        .map(part -> ((Control) part.body()).sends().get(0).address()))
                .containsExactly("/in/3/level", "/in/4/level");
    }

    @Test
    void whatPopsUpMayLieAboveOthersAndNothingElseMay() {
        Tray above = new Tray("Above", new Cells(0, 0, 4, 4), 4, 1, true);
        show = accepted(show, ADA, put(new PartId("above"), PAGE, above));
        assertThat(Shows.refused(
                                show,
                                ADA,
                                change(show, new PartId("above"), new Tray("Above", above.cells(), 4, 1, false)))
                        .get(0)
                        .message())
                .contains("would lie on");
        assertThat(Shows.refused(
                                show,
                                ADA,
                                change(show, new PartId("above"), new Tray("Above", above.cells(), 3, 1, true)))
                        .get(0)
                        .message())
                .contains("inside at least as wide");
    }

    @Test
    void stripsLieInTraysOrInABankThatShowsSomeOfThem() {
        List<PartId> phrases = List.of(new PartId("level"), new PartId("mute"), new PartId("name"));
        done(new PlacePhrases(Optional.empty(), DESK, phrases, 1, 3, Optional.empty(), PlacePhrases.Manner.TRAYS, 0));
        assertThat(show.all(Tray.class))
                .extracting(part -> part.body().called())
                .containsExactly("ch 1", "ch 2", "ch 3");
        done(new PlacePhrases(Optional.empty(), DESK, phrases, 1, 12, Optional.empty(), PlacePhrases.Manner.BANK, 4));
        Part bank = show.all(Tray.class).stream()
                .filter(part -> ((Tray) part.body()).movesWindow())
                .findFirst()
                .orElseThrow();
        Tray tray = (Tray) bank.body();
        assertThat(tray.columns()).isEqualTo(3 * tray.cells().width());
        assertThat(show.children(bank.id())).hasSize(36);
    }

    @Test
    void phrasesThatHaveNothingToDoWithEachOtherLieOneAfterTheOther() {
        List<PartId> phrases = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            phrases.add(new PartId("x" + i));
            show = accepted(
                    show,
                    ADA,
                    put(
                            new PartId("x" + i),
                            BOOK,
                            phrase(
                                    "/thing/" + i,
                                    Direction.BOTH,
                                    i % 3 == 0 ? ArgumentType.INT32 : ArgumentType.FLOAT32,
                                    Optional.of(1.0))));
        }
        done(new PlacePhrases(Optional.empty(), DESK, phrases, 1, 1, Optional.empty(), PlacePhrases.Manner.LOOSE, 0));
        Part page = show.all(Page.class).stream()
                .filter(part -> part.body().called().equals("Page 2"))
                .findFirst()
                .orElseThrow();
        assertThat(show.children(page.id())).hasSize(40);
        done(new PlacePhrases(Optional.of(PAGE), DESK, phrases, 1, 1, Optional.empty(), PlacePhrases.Manner.LOOSE, 0));
        assertThat(show.children(PAGE)).as("the page grew").hasSizeGreaterThanOrEqualTo(40);
    }

    @Test
    void aControlThatStandsAloneBearsTheNameThatItsTargetGives() {
        done(new PlacePhrases(
                Optional.of(PAGE),
                DESK,
                List.of(new PartId("mute")),
                5,
                1,
                Optional.empty(),
                PlacePhrases.Manner.LOOSE,
                0));
        Control placed = show.all(Control.class).stream()
                .map(part -> (Control) part.body())
                .filter(c -> c.label().startsWith("mute"))
                .findFirst()
                .orElseThrow();
        assertThat(placed.listens()).contains(Listen.label(Optional.of(DESK), "/in/5/name", 0));
    }

    @ParameterizedTest
    @EnumSource(ControlKind.class)
    void everyKindComesFromTheShelfWithoutLyingOnItself(ControlKind kind) {
        Show wide = accepted(Shows.withPage(), ADA, change(Shows.withPage(), PAGE, Page.plain("Page", 16, 10)));
        Outcome outcome = Arranger.carryOut(wide, new AddControl(PAGE, new PartId("it"), kind, Optional.empty()), ADA);
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
        Show now = ((Outcome.Accepted) outcome).show();
        Grid grid = new Grid(16, 10);
        assertThat(grid.holds(((Laid) now.part(new PartId("it")).orElseThrow().body()).cells()))
                .isTrue();
        List<Part> inside = now.children(new PartId("it")).toList();
        assertThat(inside.isEmpty())
                .isEqualTo(now.part(new PartId("it")).orElseThrow().body() instanceof Control);
    }

    @Test
    void pagesAreCopiedWithAllThatLiesThereAndPutInOrder() {
        done(new GatherControls(faders().subList(0, 2), new PartId("tray"), "Pair"));
        PartId copy = new PartId("copy");
        done(new DuplicatePage(PAGE, copy, Optional.of(Page.Screen.Kind.PHONE), false));
        assertThat(((Page) show.part(copy).orElseThrow().body()).screen())
                .isEqualTo(Page.Screen.of(Page.Screen.Kind.PHONE));
        assertThat(show.children(copy).map(part -> part.body().called()))
                .containsExactlyInAnyOrder("Pair", "level 3", "level 4");
        assertThat(show.all(Page.class)).extracting(Part::id).containsExactly(PAGE, copy);
        done(new OrderPage(copy, -1));
        assertThat(show.all(Page.class)).extracting(Part::id).containsExactly(copy, PAGE);
        assertThat(refused(new OrderPage(copy, -1))).contains("there already");
    }
}
