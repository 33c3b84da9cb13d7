package imperan.address;

import org.apache.commons.text.similarity.LevenshteinDistance;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** Finds the address that was probably meant by one that is not known. */
public final class NearMiss {

    private static final int FARTHEST = 3;
    private static final LevenshteinDistance DISTANCE = new LevenshteinDistance(FARTHEST);
    private static final Pattern DIGITS = Pattern.compile("\\d+");

    private NearMiss() {
    }

    /**
     * The nearest of the known addresses that differs by a few letters at most; numbers count as they are written.
     *
     * @param known with slots
     */
    public static Optional<String> of(String address, Collection<SlotAddress> known) {
        return known.stream().filter(slots -> slots.problem().isEmpty()).map(slots -> slots.fill(numbers(address, slots)))
                .filter(meant -> distance(address, meant) >= 0)
                .min(Comparator.comparingInt((String meant) -> distance(address, meant)).thenComparing(Comparator.naturalOrder()));
    }

    /** The numbers that stand in the address, in the slots of the known one, as far as they fit. */
    private static Map<String, Integer> numbers(String address, SlotAddress slots) {
        Map<String, Integer> numbers = new HashMap<>();
        var found = DIGITS.matcher(address);
        for (SlotAddress.Piece.Slot slot : slots.slots()) {
            if (found.find() && found.group().length() <= 6) {
                int number = Integer.parseInt(found.group());
                numbers.put(slot.name(), Math.max(slot.first(), Math.min(slot.last(), number)));
            }
        }
        return numbers;
    }

    private static int distance(String address, String meant) {
        String ours = address.toLowerCase(Locale.ROOT).replace('\\', '/');
        return DISTANCE.apply(ours, meant.toLowerCase(Locale.ROOT));
    }
}
