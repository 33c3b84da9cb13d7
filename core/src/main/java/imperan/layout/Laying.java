package imperan.layout;

import imperan.layout.Arrangement.AlignControls;
import imperan.layout.Arrangement.Axis;
import imperan.layout.Arrangement.Extent;
import imperan.layout.Arrangement.MatchSizes;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.ResizeControls;
import imperan.layout.Arrangement.SpreadControls;
import imperan.show.Cells;
import imperan.show.Grid;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToIntFunction;
import java.util.function.UnaryOperator;

/** Where rectangles of cells come to lie that are moved, resized, aligned or spread together; in the order in which they were given. */
public final class Laying {

    private Laying() {}

    public static List<Cells> moved(List<Cells> all, MoveControls move, Grid grid) {
        Cells around = Cells.around(all);
        int right = within(move.right(), -around.column(), grid.columns() - around.column() - around.width());
        int down = within(move.down(), -around.row(), grid.rows() - around.row() - around.height());
        return each(all, c -> c.moved(right, down));
    }

    public static List<Cells> resized(List<Cells> all, ResizeControls resize, Grid grid) {
        return each(
                all,
                c -> new Cells(
                        c.column(),
                        c.row(),
                        c.width() + within(resize.wider(), 1 - c.width(), grid.columns() - c.column() - c.width()),
                        c.height() + within(resize.taller(), 1 - c.height(), grid.rows() - c.row() - c.height())));
    }

    public static List<Cells> aligned(List<Cells> all, AlignControls align) {
        Cells around = Cells.around(all);
        return each(all, c -> switch (align.edge()) {
            case LEFT -> new Cells(around.column(), c.row(), c.width(), c.height());
            case RIGHT -> new Cells(around.column() + around.width() - c.width(), c.row(), c.width(), c.height());
            case TOP -> new Cells(c.column(), around.row(), c.width(), c.height());
            case BOTTOM -> new Cells(c.column(), around.row() + around.height() - c.height(), c.width(), c.height());
        });
    }

    public static List<Cells> matched(List<Cells> all, MatchSizes match) {
        Cells first = all.get(0);
        return each(
                all,
                c -> match.extent() == Extent.WIDTH
                        ? new Cells(c.column(), c.row(), first.width(), c.height())
                        : new Cells(c.column(), c.row(), c.width(), first.height()));
    }

    /** The cells between the first and the last that none of the row takes; negative where they overlap along it. */
    public static int roomBetween(List<Cells> all, SpreadControls spread) {
        if (all.size() < 2) {
            return 0;
        }
        List<Cells> row = inOrder(all, spread);
        ToIntFunction<Cells> start = start(spread);
        ToIntFunction<Cells> size = size(spread);
        return start.applyAsInt(row.get(row.size() - 1))
                - start.applyAsInt(row.get(0))
                - row.stream().limit(row.size() - 1L).mapToInt(size).sum();
    }

    public static List<Cells> spread(List<Cells> all, SpreadControls spread) {
        if (all.size() < 2) {
            return all;
        }
        List<Cells> row = inOrder(all, spread);
        int gaps = row.size() - 1;
        int room = roomBetween(all, spread);
        List<Cells> done = new ArrayList<>(all);
        int next = start(spread).applyAsInt(row.get(0));
        for (int i = 0; i < row.size(); i++) {
            Cells c = row.get(i);
            done.set(
                    all.indexOf(c),
                    spread.axis() == Axis.ACROSS
                            ? new Cells(next, c.row(), c.width(), c.height())
                            : new Cells(c.column(), next, c.width(), c.height()));
            next += size(spread).applyAsInt(c) + room / gaps + (i < room % gaps ? 1 : 0);
        }
        return done;
    }

    private static List<Cells> inOrder(List<Cells> all, SpreadControls spread) {
        return all.stream().sorted(Comparator.comparingInt(start(spread))).toList();
    }

    private static ToIntFunction<Cells> start(SpreadControls spread) {
        return spread.axis() == Axis.ACROSS ? Cells::column : Cells::row;
    }

    private static ToIntFunction<Cells> size(SpreadControls spread) {
        return spread.axis() == Axis.ACROSS ? Cells::width : Cells::height;
    }

    private static List<Cells> each(List<Cells> all, UnaryOperator<Cells> place) {
        return all.stream().map(place).toList();
    }

    private static int within(int value, int low, int high) {
        return Math.max(low, Math.min(high, value));
    }
}
