package imperan.phrasebook;

import imperan.address.SlotAddress;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.pcollections.HashPMap;
import org.pcollections.HashTreePMap;
import org.pcollections.PVector;
import org.pcollections.TreePVector;

/**
 * Things under addresses with slots, found by one of the addresses these stand for without looking at the others. Persistent: with one more it is another
 * index that shares the rest.
 *
 * <p>A slot lies within a segment between slashes. So the segments that have slots are masked, the others stand as they are, and an address is looked up
 * once for each way of masking that occurs: few, whatever the number of phrases.
 *
 * @param <T> what lies there
 */
final class AddressIndex<T> {

    /** Something whose address stands for the one that was looked up, and the numbers in its slots. */
    record Found<T>(T what, Map<String, Integer> numbers) {}

    private record Entry<T>(SlotAddress address, T what) {}

    /** Which of so many segments have slots. */
    private record Mask(int segments, BitSet slotted) {

        private static final char MASKED = '\0';

        static Mask of(SlotAddress address) {
            BitSet slotted = new BitSet();
            int segment = 0;
            for (SlotAddress.Piece piece : address.pieces()) {
                if (piece instanceof SlotAddress.Piece.Fixed fixed) {
                    segment += (int) fixed.text().chars().filter(c -> c == '/').count();
                } else {
                    slotted.set(segment);
                }
            }
            return new Mask(segment + 1, slotted);
        }

        /** @param segments of an address, as many as of this mask */
        String key(String[] parts) {
            StringBuilder key = new StringBuilder();
            for (int i = 0; i < parts.length; i++) {
                key.append(slotted.get(i) ? MASKED : parts[i]).append('/');
            }
            return key.toString();
        }
    }

    private final HashPMap<String, PVector<Entry<T>>> byKey;
    /** How many addresses there are of each mask, by their number of segments. */
    private final HashPMap<Integer, HashPMap<Mask, Integer>> masks;

    private AddressIndex(HashPMap<String, PVector<Entry<T>>> byKey, HashPMap<Integer, HashPMap<Mask, Integer>> masks) {
        this.byKey = byKey;
        this.masks = masks;
    }

    static <T> AddressIndex<T> empty() {
        return new AddressIndex<>(HashTreePMap.empty(), HashTreePMap.empty());
    }

    /** With something under an address; the same where that is no address. */
    AddressIndex<T> with(SlotAddress address, T what) {
        return address.problem().isPresent()
                ? this
                : changed(address, 1, entries -> entries.plus(new Entry<>(address, what)));
    }

    /** Without what was put under an address. */
    AddressIndex<T> without(SlotAddress address, T what) {
        return address.problem().isPresent()
                ? this
                : changed(address, -1, entries -> entries.minus(new Entry<>(address, what)));
    }

    private AddressIndex<T> changed(SlotAddress address, int by, UnaryOperator<PVector<Entry<T>>> change) {
        Mask mask = Mask.of(address);
        String key = mask.key(segments(address.first()));
        PVector<Entry<T>> entries = change.apply(byKey.getOrDefault(key, TreePVector.empty()));
        HashPMap<Mask, Integer> ofLength = masks.getOrDefault(mask.segments(), HashTreePMap.empty());
        int count = ofLength.getOrDefault(mask, 0) + by;
        return new AddressIndex<>(
                entries.isEmpty() ? byKey.minus(key) : byKey.plus(key, entries),
                masks.plus(mask.segments(), count == 0 ? ofLength.minus(mask) : ofLength.plus(mask, count)));
    }

    /** All whose address stands for this one, in no order that matters. */
    List<Found<T>> matching(String address) {
        String[] segments = segments(address);
        List<Found<T>> found = new ArrayList<>(1);
        for (Mask mask :
                masks.getOrDefault(segments.length, HashTreePMap.empty()).keySet()) {
            for (Entry<T> entry : byKey.getOrDefault(mask.key(segments), TreePVector.empty())) {
                Optional<Map<String, Integer>> numbers = entry.address.match(address);
                if (numbers.isPresent()) {
                    found.add(new Found<>(entry.what, numbers.get()));
                }
            }
        }
        return found;
    }

    private static String[] segments(String address) {
        return address.split("/", -1);
    }
}
