package imperan.show;

import java.util.Comparator;
import java.util.Optional;

/**
 * One thing of a show.
 *
 * @param id     its name for life
 * @param parent the part it lies in: a page in a layout, a control on a page; targets and layouts lie in the show itself
 * @param order  its place among the parts of the same parent and kind, smallest first
 * @param body   what it is
 */
public record Part(PartId id, Optional<PartId> parent, int order, Body body) {

    /** As people see the parts that lie in the same one. */
    public static final Comparator<Part> IN_ORDER =
            Comparator.comparingInt(Part::order).thenComparing(Part::id);
}
