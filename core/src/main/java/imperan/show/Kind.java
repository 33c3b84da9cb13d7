package imperan.show;

import java.util.List;

/**
 * One kind of part.
 *
 * @param name   in files and tables, and in front of the number of a handle
 * @param type   its class; what it says of itself is in there
 * @param liesIn the kinds in one of which it lies; empty where it lies in the show itself
 * @param inFiles whether it travels in files
 */
public record Kind(String name, Class<? extends Body> type, List<Class<? extends Body>> liesIn, boolean inFiles) {

    static Kind inShow(String name, Class<? extends Body> type) {
        return new Kind(name, type, List.of(), true);
    }

    static Kind inside(String name, Class<? extends Body> type, List<Class<? extends Body>> liesIn) {
        return new Kind(name, type, liesIn, true);
    }

    /** The same kind, which stays out of files. */
    Kind notInFiles() {
        return new Kind(name, type, liesIn, false);
    }
}
