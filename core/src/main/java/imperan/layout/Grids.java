package imperan.layout;

import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Grid;
import imperan.show.Held;
import imperan.show.Laid;
import imperan.show.Layout;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Tray;
import imperan.show.Twin;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The pages and trays of a show, and what lies on them. */
public record Grids(Show show) {

    /** The cells of a new page, of a size that fingers find on a desk. */
    public static final Grid USUAL = new Grid(16, 10);

    public Optional<Grid> of(PartId id) {
        return show.part(id).map(Part::body).flatMap(Grid::of);
    }

    /** What lies on a grid, in order. */
    public List<Laid> laid(PartId grid) {
        return inside(grid).stream().map(held -> (Laid) held.part().body()).toList();
    }

    public List<Held> inside(PartId grid) {
        return show.children(grid)
                .filter(part -> part.body() instanceof Laid)
                .map(part -> show.held(part.id()).orElseThrow())
                .toList();
    }

    /** Where there is room on a grid that is there. What pops up takes none. */
    public FreeCells free(PartId grid) {
        return new FreeCells(
                of(grid).orElseThrow(),
                laid(grid).stream()
                        .filter(laid -> !(laid instanceof Tray tray && tray.popUp()))
                        .map(Laid::cells)
                        .toList());
    }

    public int nextOrder(PartId grid) {
        return show.children(grid).mapToInt(Part::order).max().orElse(0) + 1;
    }

    /**
     * A page that comes behind the others, and a layout for it to lie in where there is none.
     *
     * @param beside a page of the layout that it comes to; empty for the first layout that is played
     */
    public List<EditRequest.Step> newPage(PartId id, Optional<PartId> beside, Grid cells) {
        List<EditRequest.Step> steps = new ArrayList<>();
        PartId layout = beside.flatMap(show::part)
                .flatMap(Part::parent)
                .or(() -> show.all(Layout.class).stream()
                        .filter(part -> !show.inDraft(part))
                        .findFirst()
                        .map(Part::id))
                .orElseGet(() -> {
                    PartId fresh = PartId.random();
                    steps.add(new EditRequest.Put(new Part(fresh, Optional.empty(), 0, Layout.plain("Layout")), 0));
                    return fresh;
                });
        List<Part> pages = show.all(Page.class);
        steps.add(new EditRequest.Put(
                new Part(
                        id,
                        Optional.of(layout),
                        pages.stream().mapToInt(Part::order).max().orElse(0) + 1,
                        Page.plain("Page " + (pages.size() + 1), cells.columns(), cells.rows())),
                0));
        return steps;
    }

    /** The control that is shown again; empty where it is gone. */
    public Optional<Control> shown(Twin twin) {
        return show.part(twin.of())
                .map(Part::body)
                .filter(Control.class::isInstance)
                .map(Control.class::cast);
    }

    /** These controls and what lies in these trays. */
    public List<Held> controls(List<PartId> ids) {
        return ids.stream()
                .distinct()
                .map(show::held)
                .flatMap(Optional::stream)
                .flatMap(held ->
                        held.part().body() instanceof Tray ? inside(held.part().id()).stream() : Stream.of(held))
                .filter(held -> held.part().body() instanceof Control)
                .distinct()
                .toList();
    }

    /** By rows, each from left to right; what lies in a tray where the tray lies. */
    public List<Held> inReadingOrder(List<Held> controls) {
        return controls.stream()
                .sorted(Comparator.comparingInt((Held held) -> place(held).row())
                        .thenComparingInt(held -> place(held).column())
                        .thenComparing(held -> held.part().id()))
                .toList();
    }

    /** These controls and what lies in these trays, in reading order. */
    public List<Held> row(List<PartId> ids) {
        return inReadingOrder(controls(ids));
    }

    private Cells place(Held held) {
        Cells cells = ((Laid) held.part().body()).cells();
        return held.part()
                .parent()
                .flatMap(show::part)
                .map(Part::body)
                .filter(Tray.class::isInstance)
                .map(tray -> ((Tray) tray).cells())
                .map(around -> cells.moved(around.column(), around.row()))
                .orElse(cells);
    }
}
