package imperan.layout;

import imperan.layout.Arrangement.Cell;
import imperan.show.Cells;
import imperan.show.EditRequest;
import imperan.show.Grid;
import imperan.show.Held;
import imperan.show.Page;
import imperan.show.Part;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Room for what comes to a grid: free cells, and where there are none a page that becomes larger, as far as a page can. */
public final class Room {

    private static final Grid LARGEST = new Grid(Page.MAX_CELLS, Page.MAX_CELLS);

    private final Optional<Held> page;
    private FreeCells free;

    private Room(Optional<Held> page, FreeCells free) {
        this.page = page;
        this.free = free;
    }

    /** On a page or in a tray that is there; a tray stays as large as it is. */
    public static Room on(Grids grids, Held grid) {
        return new Room(
                Optional.of(grid).filter(held -> held.part().body() instanceof Page),
                grids.free(grid.part().id()));
    }

    /** On an empty page that takes this size for what comes to it. */
    public static Room toBe(Held page, Grid grid) {
        return new Room(Optional.of(page), new FreeCells(grid, List.of()));
    }

    /** On a page that will be there, as large as this; it does not grow. */
    public static Room onNew(Grid grid) {
        return new Room(Optional.empty(), new FreeCells(grid, List.of()));
    }

    /**
     * Takes the room for a group, making the page larger where there is none.
     *
     * @return the way from where its parts are, in columns and rows; empty where the grid has no room and cannot grow
     */
    public Optional<Cell> take(List<Cells> group, Optional<Cell> at) {
        Optional<Cell> way = free.wayFor(group, at);
        if (way.isEmpty()) {
            larger(group).ifPresent(grid -> free = new FreeCells(grid, free.taken()));
            way = free.wayFor(group, at);
        }
        way.ifPresent(found -> {
            List<Cells> taken = new ArrayList<>(free.taken());
            group.forEach(cells -> taken.add(cells.moved(found.column(), found.row())));
            free = new FreeCells(free.grid(), taken);
        });
        return way;
    }

    /** Wider or taller, whichever leaves the cells larger on the screen that the page is meant for; both where one does not do. */
    private Optional<Grid> larger(List<Cells> group) {
        // what comes from outside may say anything, and what no page holds need not be looked for
        if (page.isEmpty() || !group.stream().allMatch(LARGEST::holds)) {
            return Optional.empty();
        }
        Grid now = free.grid();
        Cells around = Cells.around(group);
        int columns = Math.max(now.columns(), around.width());
        int rows = Math.max(now.rows(), around.height());
        Stream<Grid> wider = IntStream.rangeClosed(columns, Page.MAX_CELLS)
                .mapToObj(wide -> new Grid(wide, rows))
                .filter(grid -> fits(grid, group))
                .limit(1);
        Stream<Grid> taller = IntStream.rangeClosed(rows, Page.MAX_CELLS)
                .mapToObj(tall -> new Grid(columns, tall))
                .filter(grid -> fits(grid, group))
                .limit(1);
        return Stream.concat(wider, taller).max(Comparator.comparingDouble(this::leastSide));
    }

    private boolean fits(Grid grid, List<Cells> group) {
        return new FreeCells(grid, free.taken()).wayFor(group, Optional.empty()).isPresent();
    }

    private double leastSide(Grid grid) {
        Page.Screen screen = ((Page) page.orElseThrow().part().body()).screen();
        return Math.min((double) screen.width() / grid.columns(), (double) screen.height() / grid.rows());
    }

    /** What makes the page as large as it has become; empty where it stays as it is. */
    public Optional<EditRequest.Step> growth() {
        return page.filter(this::grew).map(held -> {
            Part part = held.part();
            return new EditRequest.Put(
                    new Part(part.id(), part.parent(), part.order(), ((Page) part.body()).sized(free.grid())),
                    held.version());
        });
    }

    private boolean grew(Held held) {
        return !Grid.of(held.part().body()).equals(Optional.of(free.grid()));
    }

    /** How a title of an edit goes on: how large the page became; empty where it stays as it is. */
    public String words() {
        return page.filter(this::grew).isPresent()
                ? "; the page has " + free.grid().columns() + " × "
                        + free.grid().rows() + " cells now"
                : "";
    }
}
