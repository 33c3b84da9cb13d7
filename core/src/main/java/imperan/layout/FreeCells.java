package imperan.layout;

import imperan.layout.Arrangement.Cell;
import imperan.show.Cells;
import imperan.show.Grid;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/**
 * Where on a page or in a tray there is room. What is taken is marked cell by cell, so that looking for a place does not take longer where more lies there.
 */
public final class FreeCells {

    private final Grid grid;
    private final List<Cells> taken;
    /** For each row the columns that are taken. */
    private final BitSet[] rows;

    /** @param taken what lies there already */
    public FreeCells(Grid grid, List<Cells> taken) {
        this.grid = grid;
        this.taken = List.copyOf(taken);
        this.rows = new BitSet[Math.max(0, grid.rows())];
        for (int row = 0; row < rows.length; row++) {
            rows[row] = new BitSet();
        }
        for (Cells cells : taken) {
            for (int row = Math.max(0, cells.row()); row < Math.min(rows.length, cells.row() + cells.height()); row++) {
                rows[row].set(Math.max(0, cells.column()), Math.max(0, cells.column() + cells.width()));
            }
        }
    }

    Grid grid() {
        return grid;
    }

    List<Cells> taken() {
        return taken;
    }

    public boolean has(Cells cells) {
        if (!grid.holds(cells)) {
            return false;
        }
        for (int row = cells.row(); row < cells.row() + cells.height(); row++) {
            int next = rows[row].nextSetBit(cells.column());
            if (next >= 0 && next < cells.column() + cells.width()) {
                return false;
            }
        }
        return true;
    }

    /**
     * How far a group has to go to lie free: at a cell, or else at the first place in reading order.
     *
     * @param group at least one rectangle, in their places to each other
     * @return the way from where they are, in columns and rows
     */
    public Optional<Cell> wayFor(List<Cells> group, Optional<Cell> at) {
        int left = group.stream().mapToInt(Cells::column).min().orElseThrow();
        int top = group.stream().mapToInt(Cells::row).min().orElseThrow();
        return at.map(cell -> new Cell(cell.column() - left, cell.row() - top))
                .filter(way -> isFree(group, way))
                .or(() -> {
                    for (int row = 0; row < grid.rows(); row++) {
                        for (int column = 0; column < grid.columns(); column++) {
                            Cell way = new Cell(column - left, row - top);
                            if (isFree(group, way)) {
                                return Optional.of(way);
                            }
                        }
                    }
                    return Optional.empty();
                });
    }

    private boolean isFree(List<Cells> group, Cell way) {
        return group.stream().allMatch(cells -> has(cells.moved(way.column(), way.row())));
    }
}
