package imperan.layout.files;

import imperan.check.TouchArea;
import imperan.layout.Grids;
import imperan.show.Cells;
import imperan.show.Grid;
import imperan.show.Laid;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.List;
import java.util.Optional;

/**
 * The room that a page has on the screen it is meant for, in CSS pixels.
 *
 * @param used     the columns and rows up to the last one that something lies on: with no more than these all is as large as it can be; empty for a bare page
 */
public record PageShape(int width, int height, Optional<Grid> used) {

    /** Empty where there is no such page. */
    public static Optional<PageShape> of(Show show, PartId id) {
        return show.part(id)
                .map(Part::body)
                .filter(Page.class::isInstance)
                .map(body -> of(new Grids(show), id, (Page) body));
    }

    private static PageShape of(Grids grids, PartId id, Page page) {
        List<Cells> cells = grids.laid(id).stream().map(Laid::cells).toList();
        Optional<Grid> used = Optional.of(cells)
                .filter(all -> !all.isEmpty())
                .map(Cells::around)
                .map(around -> new Grid(around.column() + around.width(), around.row() + around.height()));
        return new PageShape(page.screen().width(), Math.max(1, page.screen().height() - TouchArea.BARS), used);
    }
}
