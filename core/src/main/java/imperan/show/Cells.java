package imperan.show;

import java.util.Collection;

/** A rectangle of cells: column and row of its top left cell, counted from 0, and its width and height in cells. */
public record Cells(int column, int row, int width, int height) {

    public boolean overlaps(Cells other) {
        return column < other.column + other.width
                && other.column < column + width
                && row < other.row + other.height
                && other.row < row + height;
    }

    /** As large, so many columns to the right and rows down. */
    public Cells moved(int right, int down) {
        return new Cells(column + right, row + down, width, height);
    }

    /** The smallest rectangle around all of these; there is at least one. */
    public static Cells around(Collection<Cells> all) {
        int column = all.stream().mapToInt(Cells::column).min().orElseThrow();
        int row = all.stream().mapToInt(Cells::row).min().orElseThrow();
        return new Cells(
                column,
                row,
                all.stream().mapToInt(c -> c.column + c.width).max().orElseThrow() - column,
                all.stream().mapToInt(c -> c.row + c.height).max().orElseThrow() - row);
    }
}
