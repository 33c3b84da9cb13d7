package imperan.show;

import java.util.List;
import java.util.Optional;

/**
 * Pages that belong together.
 *
 * @param draft present where it is a copy on which somebody works: it is built, and neither played nor heard, until it is swapped in
 */
public record Layout(String name, Optional<Draft> draft) implements Body {

    /** A layout that is played. */
    public static Layout plain(String name) {
        return new Layout(name, Optional.empty());
    }

    /**
     * @param of      the layout that it is to take the place of
     * @param origins what each part of the copy was copied from; what was added to the copy since has none
     */
    public record Draft(PartId of, List<Origin> origins) {
        public Draft {
            origins = List.copyOf(origins);
        }
    }

    /** @param copy a page or what lies on it, {@code original} the same in the layout that is played */
    public record Origin(PartId copy, PartId original) {}

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
    }
}
