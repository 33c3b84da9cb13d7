package imperan.check;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Tray;
import imperan.show.Twin;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Meter;
import imperan.show.form.PageKey;
import imperan.show.form.PictureFrame;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Source of the least size: WCAG 2.2, success criterion 2.5.5 (44 by 44 CSS pixels). */
class TouchAreaTest {

    private static final PartId PHONE = new PartId("phone");

    /** 20 columns of 44 pixels with 19 gaps of 6 and two edges of 8; 10 rows of 44 with 9 gaps and one edge, and bars of 97. */
    private static Show page(int columns) {
        Page.Screen screen = new Page.Screen(Page.Screen.Kind.OWN, 1010, 599);
        return accepted(
                Shows.withPage(),
                ADA,
                put(PHONE, LAYOUT, new Page("Phone", columns, 10, screen, false, Optional.empty())));
    }

    private static Control control(Form form, int column) {
        return Control.plain("", new Cells(column, 0, 1, 1), form, List.of(), List.of());
    }

    private static List<String> small(Show show) {
        return new Checks(show)
                .all().stream()
                        .filter(finding -> finding.kind() == FindingKind.TOO_SMALL
                                && finding.cause().equals(PHONE))
                        .map(finding -> finding.about() + " " + finding.facts())
                        .toList();
    }

    @Test
    void aCellOfTheLeastSizeIsEnoughAndALittleLessIsNot() {
        assertThat(small(accepted(page(20), ADA, put(new PartId("a"), PHONE, control(Knob.restingAt(0), 0)))))
                .isEmpty();
        assertThat(small(accepted(page(21), ADA, put(new PartId("a"), PHONE, control(Knob.restingAt(0), 0)))))
                .containsExactly("a 42 × 44");
    }

    @Test
    void onlyWhatHandsTakeHasToBeFound() {
        Show show = accepted(
                page(40),
                ADA,
                put(new PartId("meter"), PHONE, control(new Meter(), 0)),
                put(new PartId("key"), PHONE, control(new PageKey(Optional.empty()), 1)),
                put(new PartId("picture"), PHONE, control(new PictureFrame(), 2)),
                put(new PartId("tray"), PHONE, Tray.plain("Tray", new Cells(3, 0, 4, 4))),
                put(new PartId("knob"), new PartId("tray"), control(Knob.restingAt(0), 0)));
        assertThat(small(show)).containsExactly("key 19 × 44", "knob 19 × 44");
    }

    @Test
    void whatIsShownAgainIsMeasuredWhereItIsShown() {
        Show show = accepted(
                page(40),
                ADA,
                put(new PartId("wide"), Shows.PAGE, control(Knob.restingAt(0), 0)),
                put(new PartId("again"), PHONE, new Twin(new PartId("wide"), new Cells(0, 0, 1, 1))),
                put(new PartId("lost"), PHONE, new Twin(new PartId("nobody"), new Cells(1, 0, 1, 1))));
        assertThat(small(show)).containsExactly("again 19 × 44");
    }

    /** Reckoned by hand: 8 columns with 7 gaps of 6 and edges of 8, or of 4 and 4 on a phone, which is narrower than 640 pixels. */
    @Test
    void gapsBetweenItsCellsBelongToAControlAndAPhoneHasSmallerOnes() {
        assertThat(TouchArea.of(screen(640, 505), new Cells(0, 0, 1, 1))).isEqualTo(new TouchArea(73, 45));
        assertThat(TouchArea.of(screen(640, 505), new Cells(0, 0, 3, 2))).isEqualTo(new TouchArea(230, 96));
        assertThat(TouchArea.of(screen(639, 505), new Cells(0, 0, 1, 1))).isEqualTo(new TouchArea(75, 47));
        assertThat(TouchArea.of(screen(639, 100), new Cells(0, 0, 1, 3)))
                .as("no room: only the gaps are left")
                .isEqualTo(new TouchArea(75, 8));
    }

    private static Page screen(int width, int height) {
        return new Page("Page", 8, 8, new Page.Screen(Page.Screen.Kind.OWN, width, height), false, Optional.empty());
    }
}
