package imperan.show;

/** What lies on the cells of a page or of a tray. */
public interface Laid extends Body {

    /** Where it lies, in cells of what it lies in. */
    Cells cells();

    /** Whether it pops up above what lies on the same cells. */
    default boolean liesAbove() {
        return false;
    }

    /** The same in another place. */
    Laid at(Cells place);
}
