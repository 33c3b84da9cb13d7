package imperan.show;

/** A grid of cells that fills a screen. */
public record Page(String name, int columns, int rows) implements Body {

    /** More cells than a finger could tell apart on the largest wall panel. */
    public static final int MAX_CELLS = 64;

    @Override
    public String called() {
        return name;
    }
}
