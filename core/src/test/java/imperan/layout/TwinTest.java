package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.DuplicatePage;
import imperan.layout.Arrangement.GatherControls;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.OwnLines;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.arranging.Arranger;
import imperan.layout.drafts.ChangeLine;
import imperan.layout.files.LayoutFile;
import imperan.picture.Pictures;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.Tray;
import imperan.show.Twin;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Controls that are shown again in another place. */
class TwinTest {

    private static final PartId PHONE = new PartId("phone");
    private static final PartId A = new PartId("a");
    private static final PartId B = new PartId("b");

    private Show show = accepted(
            Shows.withPage(), ADA, put(A, PAGE, fader("Main", 0, "/main")), put(B, PAGE, fader("Side", 2, "/side")));

    private void done(Arrangement arrangement) {
        show = ((Outcome.Accepted) Arranger.carryOut(show, arrangement, ADA)).show();
    }

    private String refused(Arrangement arrangement) {
        return ((Outcome.Refused) Arranger.carryOut(show, arrangement, ADA))
                .problems()
                .get(0)
                .message();
    }

    private void shownAgain() {
        done(new DuplicatePage(PAGE, PHONE, Optional.of(Page.Screen.Kind.PHONE), true));
    }

    private Part twinOf(PartId control) {
        return show.all(Twin.class).stream()
                .filter(part -> ((Twin) part.body()).of().equals(control))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aPageForAnotherScreenSharesItsControls() {
        done(new GatherControls(List.of(A), new PartId("tray"), "Pair"));
        shownAgain();
        assertThat(show.all(Control.class)).as("no control comes to be").hasSize(2);
        assertThat(show.all(Twin.class))
                .extracting(part -> ((Twin) part.body()).of())
                .containsExactlyInAnyOrder(A, B);
        Part again = show.children(PHONE)
                .filter(part -> part.body() instanceof Tray)
                .findFirst()
                .orElseThrow();
        assertThat(twinOf(A).parent()).contains(again.id());
        assertThat(((Page) show.part(PHONE).orElseThrow().body()).screen().kind())
                .isEqualTo(Page.Screen.Kind.PHONE);
    }

    @Test
    void aTwinIsLaidLikeAnyOtherAndTheControlStaysWhereItIs() {
        shownAgain();
        done(new MoveControls(List.of(twinOf(A).id()), 4, 1));
        assertThat(((Twin) twinOf(A).body()).cells()).isEqualTo(new Cells(4, 1, 1, 4));
        assertThat(((Control) show.part(A).orElseThrow().body()).cells()).isEqualTo(new Cells(0, 0, 1, 4));
        assertThat(refused(new MoveControls(List.of(twinOf(A).id()), -2, -1))).contains("would lie on");
    }

    @Test
    void aPageThatIsShownAgainCanBeShownAgain() {
        shownAgain();
        done(new DuplicatePage(PHONE, new PartId("tablet"), Optional.of(Page.Screen.Kind.TABLET), true));
        assertThat(show.all(Twin.class))
                .as("of the controls, not of twins")
                .hasSize(4)
                .allMatch(part ->
                        show.part(((Twin) part.body()).of()).orElseThrow().body() instanceof Control);
    }

    @Test
    void withTheControlGoesWhereItIsShownAgainAndUndoBringsBothBack() {
        shownAgain();
        Show before = show;
        Outcome.Accepted gone = (Outcome.Accepted) Arranger.carryOut(show, new RemoveControls(List.of(A)), ADA);
        assertThat(gone.show().all(Twin.class)).hasSize(1);
        assertThat(ChangeLine.of(gone.edit(), gone.show()))
                .extracting(ChangeLine::part)
                .containsExactlyInAnyOrder("Main", "Main, shown again");
        Outcome.Accepted back = (Outcome.Accepted) gone.show()
                .revert(
                        gone.edit(),
                        ADA,
                        new Edit.Role(Edit.Role.Kind.UNDO, gone.edit().number()));
        assertThat(back.show().sameContentAs(before)).isTrue();
    }

    @Test
    void aTwinCanGetLinesOfItsOwn() {
        shownAgain();
        PartId place = twinOf(A).id();
        done(new OwnLines(place, new PartId("own")));
        Control own = (Control) show.part(new PartId("own")).orElseThrow().body();
        assertThat(own.sends()).isEqualTo(((Control) show.part(A).orElseThrow().body()).sends());
        assertThat(show.part(place)).isEmpty();
        assertThat(refused(new OwnLines(A, new PartId("x")))).contains("no longer there");
    }

    @Test
    void aTwinIsPastedWhereItsControlIs() {
        PasteControls paste = new PasteControls(
                PAGE,
                List.of(new PasteControls.Copy(new PartId("c"), Optional.empty(), new Twin(A, new Cells(0, 0, 1, 2)))),
                Optional.empty(),
                PasteControls.Meaning.NEXT_NUMBERS,
                List.of());
        done(paste);
        assertThat(((Twin) show.part(new PartId("c")).orElseThrow().body()).of())
                .isEqualTo(A);
        show = Shows.withPage();
        assertThat(refused(paste)).contains("not in this show");
    }

    @Test
    void aPageGoesOutWithTheControlsThatItOnlyShowsAgain() {
        shownAgain();
        String file = LayoutFile.write(show, PHONE, Pictures.NONE).orElseThrow();
        Show other =
                ((Outcome.Accepted) LayoutFile.take(Show.empty(), file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(other.all(Twin.class)).isEmpty();
        assertThat(other.all(Control.class))
                .extracting(part -> part.body().called())
                .containsExactlyInAnyOrder("Main", "Side");
        assertThat(other.all(Target.class))
                .as("what their lines need comes along")
                .hasSize(1);
        String whole = LayoutFile.write(show, Shows.LAYOUT, Pictures.NONE).orElseThrow();
        Show both =
                ((Outcome.Accepted) LayoutFile.take(Show.empty(), whole, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(both.all(Twin.class)).hasSize(2);
        assertThat(LayoutFile.write(both, both.all(Layout.class).get(0).id(), Pictures.NONE))
                .contains(whole);
    }
}
