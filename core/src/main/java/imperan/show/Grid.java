package imperan.show;

import java.util.Optional;

/** Cells on which something lies: those of a page, or those within a tray. */
public record Grid(int columns, int rows) {

    /** The cells of a part; empty where it has none. */
    public static Optional<Grid> of(Body body) {
        if (body instanceof Page page) {
            return Optional.of(new Grid(page.columns(), page.rows()));
        } else if (body instanceof Tray tray) {
            return Optional.of(new Grid(tray.columns(), tray.cells().height()));
        }
        return Optional.empty();
    }

    public boolean holds(Cells cells) {
        return cells.column() >= 0
                && cells.row() >= 0
                && cells.width() >= 1
                && cells.height() >= 1
                && cells.column() <= columns - cells.width()
                && cells.row() <= rows - cells.height();
    }
}
