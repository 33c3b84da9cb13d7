package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.files.PageShape;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Grid;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Knob;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PageShapeTest {

    private static final PartId PHONE = new PartId("phone");

    /** 20 columns of 44 pixels with 19 gaps of 6 and two edges of 8; 10 rows of 44 with 9 gaps and one edge, and bars of 97. */
    private static Show page(int columns) {
        Page.Screen screen = new Page.Screen(Page.Screen.Kind.OWN, 1010, 599);
        return accepted(
                Shows.withPage(),
                ADA,
                put(PHONE, LAYOUT, new Page("Phone", columns, 10, screen, false, Optional.empty())));
    }

    @Test
    void aUsualScreenHasItsUsualSizeWhateverIsSaid() {
        assertThat(new Page.Screen(Page.Screen.Kind.PHONE, 5, 5)).isEqualTo(Page.Screen.of(Page.Screen.Kind.PHONE));
        assertThat(PageShape.of(page(20), new PartId("nobody"))).isEmpty();
    }

    @Test
    void aPageIsAsLargeAsWhatLiesOnIt() {
        Show show = accepted(
                page(20),
                ADA,
                put(
                        new PartId("a"),
                        PHONE,
                        Control.plain("", new Cells(2, 1, 3, 4), Knob.restingAt(0), List.of(), List.of())));
        assertThat(PageShape.of(show, PHONE)).hasValue(new PageShape(1010, 599 - 97, Optional.of(new Grid(5, 5))));
        assertThat(PageShape.of(page(20), PHONE).orElseThrow().used()).isEmpty();
    }
}
