package imperan.layout.files;

import imperan.layout.Grids;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Grid;
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
 * @param used     the columns and rows up to the last one that something lies on: with no more than these all is as large as it can be; empty for a bare page
 */
public record PageShape(int width, int height, List<TooSmall> tooSmall, Optional<Grid> used) {

    /** What the bars of a played page take of the height of a screen: 52 px above with its keys, 45 px below. */
    private static final int BARS = 97;

    /** Narrower screens are phones, whose pages have smaller gaps (the web draws them so, by the same width). */
    private static final int PHONE_WIDTH = 640;

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
        Drawn room = Drawn.of(page);
        List<TooSmall> small = new ArrayList<>();
        for (Held laid : grids.inside(id)) {
            add(grids, laid, room, small);
            // the cells of a tray are as large as those of its page
            grids.inside(laid.part().id()).forEach(inside -> add(grids, inside, room, small));
        }
        List<Cells> cells = grids.laid(id).stream().map(Laid::cells).toList();
        Optional<Grid> used = Optional.of(cells).filter(all -> !all.isEmpty()).map(Cells::around)
                .map(around -> new Grid(around.column() + around.width(), around.row() + around.height()));
        return new PageShape(page.screen().width(), Math.max(1, page.screen().height() - BARS), small, used);
    }

    private static void add(Grids grids, Held held, Drawn room, List<TooSmall> small) {
        Laid laid = (Laid) held.part().body();
        if (control(grids, laid).filter(PageShape::isTouched).isPresent()) {
            Cells cells = laid.cells();
            int across = room.across(cells.width());
            int down = room.down(cells.height());
            if (across < LEAST || down < LEAST) {
                small.add(new TooSmall(held.part().id(), across, down));
            }
        }
    }

    /** The cells of a page as they are drawn: equal ones with gaps between them, and an edge around all but at the top. */
    private record Drawn(double width, double height, int gap) {

        static Drawn of(Page page) {
            boolean phone = page.screen().width() < PHONE_WIDTH;
            int gap = phone ? 4 : 6;
            int edge = phone ? 4 : 8;
            return new Drawn(share(page.screen().width() - 2 * edge, page.columns(), gap), share(page.screen().height() - BARS - edge, page.rows(), gap), gap);
        }

        private static double share(int room, int cells, int gap) {
            return Math.max(0, (double) (room - (cells - 1) * gap) / cells);
        }

        int across(int cells) {
            return (int) Math.round(cells * width + (cells - 1) * gap);
        }

        int down(int cells) {
            return (int) Math.round(cells * height + (cells - 1) * gap);
        }
    }

    private static Optional<Control> control(Grids grids, Laid laid) {
        return laid instanceof Twin twin ? grids.shown(twin) : laid instanceof Tray ? Optional.empty() : Optional.of((Control) laid);
    }

    private static boolean isTouched(Control control) {
        return control.form().takesFingers();
    }
}
