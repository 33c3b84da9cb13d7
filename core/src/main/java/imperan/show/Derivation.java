package imperan.show;

import java.util.SortedSet;

/**
 * Something that is made of the parts that lie in one part and kept with them, so that it is made once for as long as none of them changes. Pure: it hangs
 * on nothing but the parts.
 *
 * @param <T> what is made; a value
 */
public interface Derivation<T> {

    /** @param parts in their order */
    T of(SortedSet<Part> parts);

    /** The same, from what was made of these parts as they were some edits before. */
    T following(T before, SortedSet<Part> parts);
}
