package imperan.show;

import org.pcollections.HashPMap;
import org.pcollections.HashTreePMap;

/**
 * The parts of a show by something that they have in common. Persistent: an edit makes another index that shares all that it did not change.
 *
 * @param <K> what they have in common
 */
final class PartIndex<K> {

    private final HashPMap<K, Contents> byKey;

    private PartIndex(HashPMap<K, Contents> byKey) {
        this.byKey = byKey;
    }

    static <K> PartIndex<K> empty() {
        return new PartIndex<>(HashTreePMap.empty());
    }

    Contents of(K key) {
        return byKey.getOrDefault(key, Contents.EMPTY);
    }

    PartIndex<K> with(K key, Part part) {
        return new PartIndex<>(byKey.plus(key, of(key).with(part)));
    }

    PartIndex<K> without(K key, Part part) {
        Contents rest = of(key).without(part);
        return new PartIndex<>(rest.isEmpty() ? byKey.minus(key) : byKey.plus(key, rest));
    }
}
