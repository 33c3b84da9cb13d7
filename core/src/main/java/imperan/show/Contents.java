package imperan.show;

import org.pcollections.HashPMap;
import org.pcollections.HashTreePMap;
import org.pcollections.PSortedSet;
import org.pcollections.TreePSet;

/** Some parts of a show in their order, such as all that lie in one part, and what was made of them. A value: with another part it is another one. */
final class Contents {

    static final Contents EMPTY = new Contents(TreePSet.empty(Part.IN_ORDER), HashTreePMap.empty());

    private final PSortedSet<Part> parts;
    /** What was made of the parts as they were before; to be followed from there, which is less than beginning anew. */
    private final HashPMap<Derivation<?>, Object> before;
    /** Made when it is first asked for; a race makes it twice, and the same. */
    private volatile HashPMap<Derivation<?>, Object> made = HashTreePMap.empty();

    private Contents(PSortedSet<Part> parts, HashPMap<Derivation<?>, Object> before) {
        this.parts = parts;
        this.before = before;
    }

    PSortedSet<Part> parts() {
        return parts;
    }

    boolean isEmpty() {
        return parts.isEmpty();
    }

    Contents with(Part part) {
        return new Contents(parts.plus(part), latest());
    }

    Contents without(Part part) {
        return new Contents(parts.minus(part), latest());
    }

    private HashPMap<Derivation<?>, Object> latest() {
        return made.isEmpty() ? before : made;
    }

    @SuppressWarnings("unchecked")
    <T> T derived(Derivation<T> how) {
        Object known = made.get(how);
        if (known == null) {
            Object earlier = before.get(how);
            known = earlier == null ? how.of(parts) : how.following((T) earlier, parts);
            made = made.plus(how, known);
        }
        return (T) known;
    }
}
