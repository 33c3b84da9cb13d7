package imperan.show;

/** What lies on the cells of a page or of a tray. */
public sealed interface Laid extends Body permits Control, Tray, Twin {

    /** Where it lies, in cells of what it lies in. */
    Cells cells();

    /** The same in another place. */
    Laid at(Cells place);
}
