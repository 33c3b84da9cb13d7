package imperan.show;

/**
 * A group of controls on a page that moves, copies, pops up and hides as one. Its controls lie on cells of its own, as large as those
 * of the page; where it is wider inside than outside it is a bank: it shows a window of them, which hands move.
 *
 * @param cells   where it lies on its page
 * @param columns how wide it is inside; its height is that of its cells
 * @param step    by how many columns the window moves at once
 * @param popUp   whether it is hidden until a key shows it, above whatever lies there
 */
public record Tray(String name, Cells cells, int columns, int step, boolean popUp) implements Laid {

    /** More columns than anybody moves a window over. */
    public static final int MAX_COLUMNS = 512;

    /** A tray that shows all that lies in it. */
    public static Tray plain(String name, Cells cells) {
        return new Tray(name, cells, cells.width(), 1, false);
    }

    @Override
    public Tray at(Cells place) {
        // a tray that shows all goes on doing so
        return new Tray(name, place, columns == cells.width() ? place.width() : columns, step, popUp);
    }

    public Tray named(String other) {
        return new Tray(other, cells, columns, step, popUp);
    }

    /** Whether it is a bank. */
    public boolean movesWindow() {
        return columns > cells.width();
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public boolean liesAbove() {
        return popUp;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.place(this);
        if (columns < cells.width() || columns > MAX_COLUMNS) {
            rules.problem(
                    "columns",
                    "A tray is inside at least as wide as outside, and has at most " + MAX_COLUMNS + " columns");
        }
        if (step < 1 || step > columns) {
            rules.problem("step", "The window of a bank moves by 1 to " + columns + " columns");
        }
    }
}
