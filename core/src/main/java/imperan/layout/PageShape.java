package imperan.layout;

import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Form;
import imperan.show.Held;
import imperan.show.Laid;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Tray;
import imperan.show.Twin;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The room that a page has on the screen it is meant for, in CSS pixels, and what of it fingers hardly find there.
 *
 * @param tooSmall what hands take and what is smaller than a finger needs
 */
public record PageShape(int width, int height, List<TooSmall> tooSmall) {

    /** What the bars of a played page take of the height of a screen. */
    private static final int BARS = 84;

    /** WCAG 2.2, success criterion 2.5.5, "Target Size (Enhanced)". */
    private static final int LEAST = 44;

    public PageShape {
        tooSmall = List.copyOf(tooSmall);
    }

    /** @param part what lies on the page, {@code width} and {@code height} its size there */
    public record TooSmall(PartId part, int width, int height) {
    }

    /** Empty where there is no such page. */
    public static Optional<PageShape> of(Show show, PartId id) {
        return show.part(id).map(Part::body).filter(Page.class::isInstance).map(body -> of(new Grids(show), id, (Page) body));
    }

    private static PageShape of(Grids grids, PartId id, Page page) {
        int width = page.screen().width();
        int height = Math.max(1, page.screen().height() - BARS);
        List<TooSmall> small = new ArrayList<>();
        for (Held laid : grids.inside(id)) {
            add(grids, laid, page, width, height, small);
            // the cells of a tray are as large as those of its page
            grids.inside(laid.part().id()).forEach(inside -> add(grids, inside, page, width, height, small));
        }
        return new PageShape(width, height, small);
    }

    private static void add(Grids grids, Held held, Page page, int width, int height, List<TooSmall> small) {
        Laid laid = (Laid) held.part().body();
        if (control(grids, laid).filter(PageShape::isTouched).isPresent()) {
            Cells cells = laid.cells();
            int across = Math.round((float) cells.width() * width / page.columns());
            int down = Math.round((float) cells.height() * height / page.rows());
            if (across < LEAST || down < LEAST) {
                small.add(new TooSmall(held.part().id(), across, down));
            }
        }
    }

    private static Optional<Control> control(Grids grids, Laid laid) {
        return laid instanceof Twin twin ? grids.shown(twin) : laid instanceof Tray ? Optional.empty() : Optional.of((Control) laid);
    }

    private static boolean isTouched(Control control) {
        return control.form().takesHands() || control.form() instanceof Form.PageKey;
    }
}
