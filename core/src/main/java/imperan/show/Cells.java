package imperan.show;

/** A rectangle of cells: column and row of its top left cell, counted from 0, and its width and height in cells. */
public record Cells(int column, int row, int width, int height) {

    public boolean overlaps(Cells other) {
        return column < other.column + other.width && other.column < column + width
                && row < other.row + other.height && other.row < row + height;
    }

    /** As large, so many columns to the right and rows down. */
    public Cells moved(int right, int down) {
        return new Cells(column + right, row + down, width, height);
    }

    public boolean fits(Page page) {
        return column >= 0 && row >= 0 && width >= 1 && height >= 1
                && column <= page.columns() - width && row <= page.rows() - height;
    }
}
