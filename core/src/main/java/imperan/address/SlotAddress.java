package imperan.address;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An address that stands for many: {@code /bellows/in/<ch:1..12>/level}. A slot has a name and two ends, both included; a number
 * is written with as many digits as the first end is, so {@code <n:01..16>} gives {@code 01}. A literal {@code <} is written
 * {@code <<}.
 *
 * @param problem empty where the text is such an address
 */
public record SlotAddress(String text, List<Piece> pieces, Optional<String> problem) {

    /** More addresses than a phrase may stand for, so that a slip does not fill the memory. */
    public static final int MAX_COUNT = 100_000;
    /** Characters of an address, with its slots as they are written. */
    public static final int MOST_CHARACTERS = 1_000;

    private static final Pattern SLOT = Pattern.compile("([A-Za-z][A-Za-z0-9_]{0,30}):(\\d{1,6})\\.\\.(\\d{1,6})");

    /** A part of the address: fixed text, or a slot. */
    public sealed interface Piece {
        /** Text that stays as it is. */
        record Fixed(String text) implements Piece {}

        /** @param digits how many digits a number has at least */
        record Slot(String name, int first, int last, int digits) implements Piece {
            String write(int number) {
                return String.format("%0" + digits + "d", number);
            }
        }
    }

    public SlotAddress {
        pieces = List.copyOf(pieces);
    }

    /** Reads an address as OSC wants it. */
    public static SlotAddress parse(String text) {
        return parse(text, address -> AddressText.parse(address).problem());
    }

    /** @param fault what is wrong with an address that it stands for; empty where that is one */
    public static SlotAddress parse(String text, Function<String, Optional<AddressText.Fault>> fault) {
        SlotAddress address = parseFreely(text);
        return address.problem.isPresent()
                ? address
                : fault.apply(address.first())
                        .map(found -> bad(text, found.message()))
                        .orElse(address);
    }

    /** Reads an address of any dialect: only its slots are looked at. */
    public static SlotAddress parseFreely(String text) {
        List<Piece> pieces = new ArrayList<>();
        StringBuilder fixed = new StringBuilder();
        int at = 0;
        while (at < text.length()) {
            if (text.charAt(at) != '<') {
                fixed.append(text.charAt(at++));
            } else if (text.startsWith("<<", at)) {
                fixed.append('<');
                at += 2;
            } else {
                int end = text.indexOf('>', at);
                Matcher slot = end < 0 ? null : SLOT.matcher(text.substring(at + 1, end));
                if (slot == null || !slot.matches()) {
                    return bad(text, "A slot is written <name:1..12>; a literal < is written <<");
                }
                int first = Integer.parseInt(slot.group(2));
                int last = Integer.parseInt(slot.group(3));
                if (first > last) {
                    return bad(text, "The slot " + slot.group(1) + " ends before it begins");
                }
                if (!fixed.isEmpty()) {
                    pieces.add(new Piece.Fixed(fixed.toString()));
                    fixed.setLength(0);
                }
                pieces.add(new Piece.Slot(
                        slot.group(1),
                        first,
                        last,
                        slot.group(2).startsWith("0") ? slot.group(2).length() : 1));
                at = end + 1;
            }
        }
        if (!fixed.isEmpty()) {
            pieces.add(new Piece.Fixed(fixed.toString()));
        }
        return judged(new SlotAddress(text, pieces, Optional.empty()));
    }

    private static SlotAddress judged(SlotAddress address) {
        if (address.slots().stream().map(Piece.Slot::name).distinct().count()
                < address.slots().size()) {
            return bad(address.text, "A slot's name stands twice");
        }
        long count = 1;
        for (Piece.Slot slot : address.slots()) {
            count *= (long) slot.last() - slot.first() + 1;
            if (count > MAX_COUNT) {
                // at once: the product of several could come round to a small number again
                return bad(
                        address.text,
                        "It stands for " + count + " addresses"
                                + (address.slots().size() > 1 ? " or more" : "") + "; at most " + MAX_COUNT
                                + " are taken");
            }
        }
        return address;
    }

    private static SlotAddress bad(String text, String problem) {
        return new SlotAddress(text, List.of(), Optional.of(problem));
    }

    public List<Piece.Slot> slots() {
        return pieces.stream()
                .filter(Piece.Slot.class::isInstance)
                .map(Piece.Slot.class::cast)
                .toList();
    }

    /** How many addresses it stands for. */
    public int count() {
        return slots().stream().mapToInt(slot -> slot.last() - slot.first() + 1).reduce(1, (a, b) -> a * b);
    }

    /** The first address it stands for. */
    public String first() {
        return fill(Map.of());
    }

    /** The address with these numbers in its slots; a slot without a number keeps its first. */
    public String fill(Map<String, Integer> numbers) {
        StringBuilder filled = new StringBuilder();
        pieces.forEach(piece -> filled.append(
                piece instanceof Piece.Fixed fixed
                        ? fixed.text()
                        : ((Piece.Slot) piece)
                                .write(numbers.getOrDefault(
                                        ((Piece.Slot) piece).name(), ((Piece.Slot) piece).first()))));
        return filled.toString();
    }

    /** All addresses it stands for; the last slot runs fastest. */
    public List<String> expand() {
        List<String> addresses = List.of("");
        for (Piece piece : pieces) {
            List<String> longer = new ArrayList<>();
            for (String start : addresses) {
                if (piece instanceof Piece.Fixed fixed) {
                    longer.add(start + fixed.text());
                } else {
                    Piece.Slot slot = (Piece.Slot) piece;
                    for (int number = slot.first(); number <= slot.last(); number++) {
                        longer.add(start + slot.write(number));
                    }
                }
            }
            addresses = longer;
        }
        return addresses;
    }

    /** The numbers of the slots in an address that this one stands for; empty where it does not stand for it. */
    public Optional<Map<String, Integer>> match(String address) {
        Map<String, Integer> numbers = new LinkedHashMap<>();
        int at = 0;
        for (Piece piece : pieces) {
            if (piece instanceof Piece.Fixed fixed) {
                if (!address.startsWith(fixed.text(), at)) {
                    return Optional.empty();
                }
                at += fixed.text().length();
            } else {
                Piece.Slot slot = (Piece.Slot) piece;
                int end = at;
                while (end < address.length() && end - at < 9 && Character.isDigit(address.charAt(end))) {
                    end++;
                }
                String digits = address.substring(at, end);
                if (digits.isEmpty()
                        || !slot.write(Integer.parseInt(digits)).equals(digits)
                        || Integer.parseInt(digits) < slot.first()
                        || Integer.parseInt(digits) > slot.last()) {
                    return Optional.empty();
                }
                numbers.put(slot.name(), Integer.parseInt(digits));
                at = end;
            }
        }
        return at == address.length() ? Optional.of(numbers) : Optional.empty();
    }
}
