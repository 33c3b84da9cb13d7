package imperan.layout;

import imperan.layout.Arrangement.Cell;
import imperan.show.Cells;
import imperan.show.Grid;

import java.util.List;
import java.util.Optional;

/**
 * Where on a page or in a tray there is room.
 *
 * @param taken what lies there already
 */
record FreeCells(Grid grid, List<Cells> taken) {

    boolean has(Cells cells) {
        return grid.holds(cells) && taken.stream().noneMatch(cells::overlaps);
    }

    /**
     * How far a group has to go to lie free: at a cell, or else at the first place in reading order.
     *
     * @param group at least one rectangle, in their places to each other
     * @return the way from where they are, in columns and rows
     */
    Optional<Cell> wayFor(List<Cells> group, Optional<Cell> at) {
        int left = group.stream().mapToInt(Cells::column).min().orElseThrow();
        int top = group.stream().mapToInt(Cells::row).min().orElseThrow();
        return at.map(cell -> new Cell(cell.column() - left, cell.row() - top)).filter(way -> isFree(group, way)).or(() -> {
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
