package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.PAGE;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.AddControl;
import imperan.layout.Arrangement.AlignControls;
import imperan.layout.Arrangement.Axis;
import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.Edge;
import imperan.layout.Arrangement.Extent;
import imperan.layout.Arrangement.MatchSizes;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.Arrangement.ResizeControls;
import imperan.layout.Arrangement.SpreadControls;
import imperan.layout.arranging.Arranger;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Grid;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Readout;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ArrangerTest {

    private static final PartId A = new PartId("a");
    private static final PartId B = new PartId("b");
    private static final PartId C = new PartId("c");

    /** On the page of 8 × 8 cells: a and b are 1 × 2, c is 2 × 1. */
    private Show show = with(
            with(with(Shows.withPage(), A, new Cells(0, 0, 1, 2)), B, new Cells(2, 1, 1, 2)), C, new Cells(5, 4, 2, 1));

    private static Show with(Show show, PartId id, Cells cells) {
        return Shows.accepted(
                show, ADA, Shows.put(id, PAGE, Control.plain(id.value(), cells, new Readout(), List.of(), List.of())));
    }

    private String title(Arrangement arrangement) {
        Outcome outcome = Arranger.carryOut(show, arrangement, ADA);
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
        show = ((Outcome.Accepted) outcome).show();
        return ((Outcome.Accepted) outcome).edit().title();
    }

    private String refusal(Arrangement arrangement) {
        Outcome outcome = Arranger.carryOut(show, arrangement, ADA);
        assertThat(outcome).isInstanceOf(Outcome.Refused.class);
        return ((Outcome.Refused) outcome).problems().get(0).message();
    }

    private Cells cells(PartId id) {
        return control(id).cells();
    }

    private Control control(PartId id) {
        return (Control) show.part(id).orElseThrow().body();
    }

    @Test
    void severalMoveAsOneAndStopTogetherAtTheEdge() {
        assertThat(title(new MoveControls(List.of(A, B), 1, 1))).isEqualTo("Move 2 controls");
        assertThat(cells(A)).isEqualTo(new Cells(1, 1, 1, 2));
        assertThat(cells(B)).isEqualTo(new Cells(3, 2, 1, 2));
        title(new MoveControls(List.of(A, B), 100, -100));
        assertThat(cells(B)).isEqualTo(new Cells(7, 1, 1, 2));
        assertThat(cells(A)).isEqualTo(new Cells(5, 0, 1, 2));
        assertThat(refusal(new MoveControls(List.of(A, B), 1, 0))).startsWith("There is nothing to do");
    }

    @Test
    void nothingIsPutOnAnotherControl() {
        assertThat(refusal(new MoveControls(List.of(A), 2, 1))).isEqualTo("“a” would lie on “b”");
        assertThat(cells(A)).isEqualTo(new Cells(0, 0, 1, 2));
    }

    @Test
    void eachIsResizedWithinThePage() {
        assertThat(title(new ResizeControls(List.of(B), 1, -5))).isEqualTo("Resize b");
        assertThat(cells(B)).isEqualTo(new Cells(2, 1, 2, 1));
        title(new ResizeControls(List.of(C), Integer.MAX_VALUE, Integer.MAX_VALUE));
        assertThat(cells(C)).isEqualTo(new Cells(5, 4, 3, 4));
    }

    @Test
    void edgesMeetTheOutermostOne() {
        title(new AlignControls(List.of(A, B, C), Edge.BOTTOM));
        assertThat(cells(A)).isEqualTo(new Cells(0, 3, 1, 2));
        assertThat(cells(B)).isEqualTo(new Cells(2, 3, 1, 2));
        assertThat(cells(C)).isEqualTo(new Cells(5, 4, 2, 1));
        title(new AlignControls(List.of(A, B, C), Edge.TOP));
        assertThat(cells(C)).isEqualTo(new Cells(5, 3, 2, 1));
        assertThat(refusal(new AlignControls(List.of(A, B), Edge.RIGHT))).contains("would lie on");
        title(new MoveControls(List.of(A), 0, 3));
        title(new AlignControls(List.of(A, B), Edge.RIGHT));
        assertThat(cells(A)).isEqualTo(new Cells(2, 6, 1, 2));
        title(new MoveControls(List.of(C), 0, -3));
        title(new AlignControls(List.of(A, C), Edge.LEFT));
        assertThat(cells(C)).isEqualTo(new Cells(2, 0, 2, 1));
    }

    @Test
    void gapsAreSharedOutBetweenTheFirstAndTheLast() {
        show = with(show, new PartId("d"), new Cells(7, 0, 1, 1));
        title(new SpreadControls(List.of(new PartId("d"), B, A), Axis.ACROSS));
        // 7 - 0 - 1 - 1 = 5 columns for two gaps: 3 and 2
        assertThat(cells(A).column()).isZero();
        assertThat(cells(B).column()).isEqualTo(4);
        assertThat(cells(new PartId("d")).column()).isEqualTo(7);
        assertThat(refusal(new SpreadControls(List.of(A), Axis.DOWN))).startsWith("There is nothing to do");
    }

    @Test
    void whereThereAreNoGapsToShareOutTheyAreNotMadeUp() {
        show = with(show, new PartId("d"), new Cells(0, 3, 4, 1));
        assertThat(refusal(new SpreadControls(List.of(A, new PartId("d"), B), Axis.ACROSS)))
                .contains("are together wider");
    }

    @Test
    void twoControlsNeverGetOneLabel() {
        PartId first = PartId.random();
        title(new AddControl(PAGE, first, ControlKind.BUTTON, Optional.empty()));
        assertThat(title(new AddControl(PAGE, PartId.random(), ControlKind.BUTTON, Optional.empty())))
                .isEqualTo("Add Button 2");
        title(new RemoveControls(List.of(first)));
        assertThat(title(new AddControl(PAGE, PartId.random(), ControlKind.BUTTON, Optional.empty())))
                .isEqualTo("Add Button 1");
    }

    @Test
    void sizesFollowTheFirstOfTheSelection() {
        title(new MatchSizes(List.of(C, A), Extent.WIDTH));
        assertThat(cells(A)).isEqualTo(new Cells(0, 0, 2, 2));
        title(new MatchSizes(List.of(C, A), Extent.HEIGHT));
        assertThat(cells(A)).isEqualTo(new Cells(0, 0, 2, 1));
    }

    @Test
    void aNewControlTakesTheRoomThereIs() {
        PartId first = PartId.random();
        assertThat(title(new AddControl(PAGE, first, ControlKind.FADER, Optional.of(new Cell(3, 0)))))
                .isEqualTo("Add Fader 1");
        assertThat(cells(first)).isEqualTo(new Cells(3, 0, 2, 8));
        PartId second = PartId.random();
        title(new AddControl(PAGE, second, ControlKind.FADER, Optional.of(new Cell(5, 1))));
        assertThat(control(second).label()).isEqualTo("Fader 2");
        assertThat(cells(second)).isEqualTo(new Cells(5, 1, 2, 3));
        PartId third = PartId.random();
        title(new AddControl(PAGE, third, ControlKind.BUTTON, Optional.empty()));
        assertThat(cells(third)).isEqualTo(new Cells(0, 2, 2, 2));
        assertThat(refusal(new AddControl(PAGE, PartId.random(), ControlKind.BUTTON, Optional.of(new Cell(0, 0)))))
                .startsWith("There is no free cell here");
        assertThat(refusal(new AddControl(
                        PAGE,
                        PartId.random(),
                        ControlKind.BUTTON,
                        Optional.of(new Cell(Integer.MAX_VALUE, Integer.MAX_VALUE)))))
                .startsWith("There is no free cell here");
    }

    @Test
    void copiesKeepTheirLinesAndTheirPlacesToEachOther() {
        show = Shows.accepted(show, ADA, Shows.put(new PartId("f"), PAGE, Shows.fader("Wheel", 4, "/in/1/level")));
        PartId x = PartId.random();
        PartId y = PartId.random();
        List<PasteControls.Copy> copies = List.of(
                new PasteControls.Copy(x, Optional.empty(), control(A)),
                new PasteControls.Copy(y, Optional.empty(), control(new PartId("f"))));
        assertThat(title(paste(PAGE, copies, Optional.of(new Cell(3, 4))))).isEqualTo("Paste 2 controls");
        assertThat(control(y).sends()).isEqualTo(control(new PartId("f")).sends());
        assertThat(control(y).listens()).isEqualTo(control(new PartId("f")).listens());
        assertThat(cells(y).column() - cells(x).column()).isEqualTo(4);
        assertThat(cells(y).row()).isEqualTo(cells(x).row());
    }

    @Test
    void aCopyWithoutRoomMakesThePageLarger() {
        List<PasteControls.Copy> copies = List.of(new PasteControls.Copy(
                PartId.random(),
                Optional.empty(),
                Control.plain("Wide", new Cells(0, 0, 8, 8), new Readout(), List.of(), List.of())));
        assertThat(title(paste(PAGE, copies, Optional.empty()))).isEqualTo("Paste Wide; the page has 15 × 8 cells now");
        assertThat(refusal(paste(PAGE, List.of(), Optional.empty()))).contains("Nothing was copied yet");
        assertThat(refusal(paste(C, copies, Optional.empty()))).isEqualTo("The page is no longer there");
    }

    @Test
    void aLineToATargetOfAnotherShowWaitsForATarget() {
        Control stranger = Shows.fader("Wheel", 0, "/in/1/level");
        show = Shows.accepted(show, ADA, Shows.remove(show, Shows.DESK));
        PartId copy = PartId.random();
        title(paste(PAGE, List.of(new PasteControls.Copy(copy, Optional.empty(), stranger)), Optional.empty()));
        assertThat(control(copy).sends().get(0).target()).isEmpty();
        assertThat(control(copy).listens().get(0).target()).isEmpty();
        assertThat(control(copy).sends().get(0).address()).isEqualTo("/in/1/level");
    }

    @Test
    void removingTakesAllOrSaysThatTheyAreGone() {
        assertThat(title(new RemoveControls(List.of(A, B)))).isEqualTo("Remove 2 controls");
        assertThat(show.part(A)).isEmpty();
        assertThat(refusal(new RemoveControls(List.of(A, B)))).isEqualTo("What you selected is no longer there");
        assertThat(refusal(new MoveControls(List.of(A), 1, 1))).isEqualTo("What you selected is no longer there");
    }

    /** Whatever is done, nothing overlaps, nothing leaves the page, and taking the edit back brings back what was. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void pagesStayWholeUnderRandomHands(long seed) {
        Random random = new Random(seed);
        int accepted = 0;
        for (int i = 0; i < 2_000; i++) {
            Arrangement arrangement = any(random);
            if (!(Arranger.carryOut(show, arrangement, ADA) instanceof Outcome.Accepted done)) {
                continue;
            }
            accepted++;
            List<Cells> all = new ArrayList<>(done.show().all(Control.class).stream()
                    .map(p -> ((Control) p.body()).cells())
                    .toList());
            Page page = (Page) done.show().part(PAGE).orElseThrow().body();
            assertThat(all).allMatch(Grid.of(page).orElseThrow()::holds);
            for (int a = 0; a < all.size(); a++) {
                for (int b = a + 1; b < all.size(); b++) {
                    assertThat(all.get(a).overlaps(all.get(b)))
                            .as("%s and %s", all.get(a), all.get(b))
                            .isFalse();
                }
            }
            Outcome back = done.show()
                    .revert(
                            done.edit(),
                            ADA,
                            new Edit.Role(Edit.Role.Kind.UNDO, done.edit().number()));
            assertThat(((Outcome.Accepted) back).show().sameContentAs(show)).isTrue();
            show = done.show();
        }
        assertThat(accepted).isGreaterThan(400);
    }

    private static PasteControls paste(PartId page, List<PasteControls.Copy> copies, Optional<Cell> at) {
        return new PasteControls(page, copies, at, PasteControls.Meaning.SAME, List.of());
    }

    private Arrangement any(Random random) {
        List<PartId> there =
                new ArrayList<>(show.all(Control.class).stream().map(Part::id).toList());
        Collections.shuffle(there, random);
        List<PartId> some = there.subList(0, Math.min(there.size(), 1 + random.nextInt(3)));
        int right = random.nextInt(-9, 10);
        int down = random.nextInt(-9, 10);
        return switch (random.nextInt(there.size() > 9 ? 7 : 9)) {
            case 0 -> new MoveControls(some, right, down);
            case 1 -> new ResizeControls(some, right, down);
            case 2 -> new AlignControls(some, Edge.values()[random.nextInt(4)]);
            case 3 -> new SpreadControls(some, Axis.values()[random.nextInt(2)]);
            case 4 -> new MatchSizes(some, Extent.values()[random.nextInt(2)]);
            case 5, 6 -> new RemoveControls(some.subList(0, Math.min(1, some.size())));
            case 7 -> new AddControl(
                    PAGE,
                    PartId.random(),
                    ControlKind.values()[random.nextInt(3)],
                    random.nextBoolean()
                            ? Optional.empty()
                            : Optional.of(new Cell(random.nextInt(9), random.nextInt(9))));
            default -> paste(
                    PAGE,
                    some.stream()
                            .map(id -> new PasteControls.Copy(PartId.random(), Optional.empty(), control(id)))
                            .toList(),
                    Optional.of(new Cell(random.nextInt(9), random.nextInt(9))));
        };
    }
}
