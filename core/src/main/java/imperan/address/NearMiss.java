package imperan.address;

import imperan.address.SlotAddress.Piece.Slot;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.text.similarity.LevenshteinDistance;

/**
 * Finds the address that was probably meant by one that is not known. Addresses that differ only in their numbers and in the case of their letters have one shape; shapes are compared, and
 * within one the numbers, so that asking does not read all addresses of a large phrasebook.
 */
public final class NearMiss {

    private static final int FARTHEST = 3;
    private static final LevenshteinDistance DISTANCE = new LevenshteinDistance(FARTHEST);
    private static final Pattern DIGITS = Pattern.compile("\\d+");
    private static final int MOST_DIGITS = 6;
    private static final Comparator<List<Integer>> BY_NUMBERS =
            (a, b) -> IntStream.range(0, Math.min(a.size(), b.size()))
                    .map(i -> Integer.compare(a.get(i), b.get(i)))
                    .filter(order -> order != 0)
                    .findFirst()
                    .orElse(Integer.compare(a.size(), b.size()));

    /** In what an address differs from the one that was meant. */
    public enum How {
        /** Only in capitals and small letters. */
        LETTER_CASE,
        /** In a number that the slot does not have. */
        OUT_OF_RANGE,
        /** In a number that is one beside the end of the slot, as if it were counted from the other one of 0 and 1. */
        COUNTING_BASE,
        /** In some letters. */
        SPELLING
    }

    /**
     * @param address that was meant
     * @param range   the slot that has no such number, and the number
     */
    public record Meant(String address, How how, Optional<Beside> range) {}

    /** @param given a number that is not from {@code first} to {@code last} */
    public record Beside(String slot, int given, int first, int last) {}

    /** @param letters a bit for each character that it has, some of them sharing one */
    private record Shape(String text, long letters) {

        private Shape(String text) {
            this(text, text.chars().mapToLong(c -> 1L << c).reduce(0, (a, b) -> a | b));
        }

        /** Whether it can be within a distance: an edit takes away one character at most, and brings one. */
        private boolean canBeWithin(int distance, Shape other) {
            return Long.bitCount(letters ^ other.letters) <= 2 * distance;
        }
    }

    /** Addresses of one shape. */
    private static final class Alike {
        private final List<SlotAddress> slotted = new ArrayList<>();
        private final NavigableMap<List<Integer>, String> plain = new TreeMap<>(BY_NUMBERS);

        private Stream<Meant> nearest(String address) {
            List<Integer> numbers = numbers(address);
            Optional<String> beside = Stream.of(plain.floorEntry(numbers), plain.ceilingEntry(numbers))
                    .filter(Objects::nonNull)
                    .min(Comparator.comparingLong(entry -> apart(entry.getKey(), numbers)))
                    .map(Map.Entry::getValue);
            return Stream.concat(
                    slotted.stream().map(slots -> filled(address, slots, numbers)),
                    beside
                            .map(other -> new Meant(
                                    other,
                                    other.equalsIgnoreCase(address) ? How.LETTER_CASE : How.SPELLING,
                                    Optional.empty()))
                            .stream());
        }

        private static long apart(List<Integer> numbers, List<Integer> others) {
            return IntStream.range(0, Math.min(numbers.size(), others.size()))
                    .mapToLong(i -> Math.abs((long) numbers.get(i) - others.get(i)))
                    .sum();
        }
    }

    private final Map<String, Alike> byShape = new HashMap<>();
    private final Map<Integer, List<Shape>> byLength = new HashMap<>();

    /** @param known with slots; those that are none are left out */
    public NearMiss(Collection<SlotAddress> known) {
        known.stream().filter(slots -> slots.problem().isEmpty()).forEach(slots -> {
            String shape = shape(slots);
            Alike alike = byShape.get(shape);
            if (alike == null) {
                alike = new Alike();
                byShape.put(shape, alike);
                byLength.computeIfAbsent(shape.length(), length -> new ArrayList<>())
                        .add(new Shape(shape));
            }
            if (slots.slots().isEmpty()) {
                alike.plain.putIfAbsent(numbers(slots.first()), slots.first());
            } else {
                alike.slotted.add(slots);
            }
        });
    }

    /** The nearest of the known addresses that differs by {@value FARTHEST} letters at most; numbers count as they are written. */
    public Optional<Meant> of(String address) {
        String shape = shape(address);
        Alike same = byShape.get(shape);
        if (same != null) {
            return best(address, same.nearest(address));
        }
        Shape asked = new Shape(shape);
        List<String> nearest = new ArrayList<>();
        int least = FARTHEST;
        for (int length = Math.max(0, shape.length() - FARTHEST); length <= shape.length() + FARTHEST; length++) {
            for (Shape other : byLength.getOrDefault(length, List.of())) {
                int distance = asked.canBeWithin(least, other) ? DISTANCE.apply(shape, other.text()) : -1;
                if (distance >= 0 && distance < least) {
                    nearest.clear();
                    least = distance;
                }
                if (distance == least) {
                    nearest.add(other.text());
                }
            }
        }
        return best(
                address,
                nearest.stream()
                        .flatMap(other -> byShape.get(other).nearest(address))
                        .map(meant -> new Meant(meant.address(), How.SPELLING, Optional.empty())));
    }

    private static Optional<Meant> best(String address, Stream<Meant> candidates) {
        return candidates
                .filter(meant -> distance(address, meant.address()) >= 0)
                .min(Comparator.comparingInt((Meant meant) -> distance(address, meant.address()))
                        .thenComparing(Meant::address));
    }

    /** The numbers that the address has, in the slots of the known one, as far as they fit. */
    private static Meant filled(String address, SlotAddress slots, List<Integer> numbers) {
        Map<String, Integer> fitting = new HashMap<>();
        Optional<Beside> beside = Optional.empty();
        Iterator<Integer> given = numbers.iterator();
        for (SlotAddress.Piece piece : slots.pieces()) {
            if (piece instanceof SlotAddress.Piece.Fixed fixed) {
                // numbers of the fixed text are passed by
                DIGITS.matcher(fixed.text())
                        .results()
                        .filter(digits -> given.hasNext())
                        .forEach(digits -> given.next());
            } else if (given.hasNext()) {
                Slot slot = (Slot) piece;
                int number = given.next();
                fitting.put(slot.name(), Math.max(slot.first(), Math.min(slot.last(), number)));
                if (beside.isEmpty() && (number < slot.first() || number > slot.last())) {
                    beside = Optional.of(new Beside(slot.name(), number, slot.first(), slot.last()));
                }
            }
        }
        String meant = slots.fill(fitting);
        How how = meant.equalsIgnoreCase(address)
                ? How.LETTER_CASE
                : beside.map(NearMiss::how).orElse(How.SPELLING);
        return new Meant(meant, how, beside.filter(found -> how != How.LETTER_CASE));
    }

    private static How how(Beside beside) {
        boolean fromOtherBase = beside.first() == 1 && beside.given() == 0
                || beside.first() == 0 && beside.given() == beside.last() + 1;
        return fromOtherBase ? How.COUNTING_BASE : How.OUT_OF_RANGE;
    }

    private static List<Integer> numbers(String address) {
        return DIGITS.matcher(address)
                .results()
                .map(digits ->
                        digits.group().length() > MOST_DIGITS ? Integer.MAX_VALUE : Integer.valueOf(digits.group()))
                .toList();
    }

    private static String shape(SlotAddress slots) {
        StringBuilder shape = new StringBuilder();
        slots.pieces()
                .forEach(piece -> shape.append(piece instanceof SlotAddress.Piece.Fixed fixed ? fixed.text() : "0"));
        return shape(shape.toString());
    }

    private static String shape(String address) {
        Matcher digits = DIGITS.matcher(plain(address));
        return digits.replaceAll("#");
    }

    private static String plain(String address) {
        return address.toLowerCase(Locale.ROOT).replace('\\', '/');
    }

    private static int distance(String address, String meant) {
        return DISTANCE.apply(plain(address), plain(meant));
    }
}
