package imperan.line;

import imperan.address.SlotAddress;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.Fixed;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Problem;
import imperan.show.Send;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Lines to the next numbers. The number of a line is that of the last slot of its phrase; of an address that no phrasebook knows, it
 * is the last number in it. A group of copies goes on behind its own highest number.
 */
public final class Renumbering {

    private static final Pattern NUMBER = Pattern.compile("\\d{1,9}");

    private final Function<Optional<PartId>, Vocabulary> vocabulary;
    private final List<Problem> problems = new ArrayList<>();

    public Renumbering(Function<Optional<PartId>, Vocabulary> vocabulary) {
        this.vocabulary = vocabulary;
    }

    /** Why some of it cannot be; empty where it can. */
    public List<Problem> problems() {
        return problems;
    }

    /** How far copies of these have to go to come behind them: from 1 to 4 it is 4. */
    public int span(List<Control> group) {
        IntStream numbers = group.stream().flatMapToInt(control -> Stream.concat(
                        control.sends().stream().map(s -> number(s.address(), s.target())),
                        control.listens().stream().map(l -> number(l.address(), l.target())))
                .filter(OptionalInt::isPresent)
                .mapToInt(OptionalInt::getAsInt));
        return span(numbers);
    }

    /** The same of the fixed values. */
    public static int valueSpan(List<Control> group) {
        return span(group.stream()
                .flatMap(control -> control.sends().stream())
                .flatMap(send -> send.arguments().stream())
                .flatMapToInt(source -> fixedNumber(source).stream()));
    }

    private static int span(IntStream numbers) {
        var statistics = numbers.summaryStatistics();
        return statistics.getCount() == 0 ? 0 : statistics.getMax() - statistics.getMin() + 1;
    }

    static OptionalInt fixedNumber(ArgumentSource source) {
        return source instanceof Fixed fixed
                        && NUMBER.matcher(fixed.text().strip()).matches()
                ? OptionalInt.of(Integer.parseInt(fixed.text().strip()))
                : OptionalInt.empty();
    }

    /** A control whose lines are so much further on. Its label goes along where it ends with the number of a line. */
    public Control further(Control control, int by) {
        List<Send> sends = control.sends().stream()
                .map(send -> send.at(further(send.address(), send.target(), by)))
                .toList();
        List<Listen> listens = control.listens().stream()
                .map(listen -> listen.on(further(listen.address(), listen.target(), by)))
                .toList();
        return control.withLines(sends, listens).labelled(furtherLabel(control, by));
    }

    /** A control whose fixed values are so much further on. */
    public Control furtherValues(Control control, int by) {
        return control.withLines(
                        control.sends().stream()
                                .map(send -> send.saying(send.arguments().stream()
                                        .map(source -> fixedNumber(source).isPresent()
                                                ? (ArgumentSource) new Fixed(
                                                        source.type(),
                                                        String.valueOf(fixedNumber(source)
                                                                        .getAsInt()
                                                                + by))
                                                : source)
                                        .toList()))
                                .toList(),
                        control.listens())
                .labelled(lastNumber(control.label()).stream()
                        .mapToObj(n -> replaceLast(control.label(), n + by))
                        .findFirst()
                        .orElse(control.label()));
    }

    /** A name whose last number is so much further on; as it is where there is none. */
    public static String furtherName(String name, int by) {
        OptionalInt last = lastNumber(name);
        return last.isPresent() ? replaceLast(name, last.getAsInt() + by) : name;
    }

    private String furtherLabel(Control control, int by) {
        OptionalInt last = lastNumber(control.label());
        boolean same = last.isPresent()
                && Stream.concat(
                                control.sends().stream().map(s -> number(s.address(), s.target())),
                                control.listens().stream().map(l -> number(l.address(), l.target())))
                        .anyMatch(last::equals);
        return same ? replaceLast(control.label(), last.getAsInt() + by) : control.label();
    }

    /** An address so much further on; as it is where it has no number. */
    String further(String address, Optional<PartId> target, int by) {
        Optional<Slotted> slotted = slotted(address, target);
        if (slotted.isPresent()) {
            SlotAddress.Piece.Slot slot = slotted.get().slot();
            int next = slotted.get().numbers().get(slot.name()) + by;
            if (next > slot.last()) {
                problems.add(Problem.of(
                        slotted.get().address().text() + " ends at " + slot.last() + ": there is no " + next));
                return address;
            }
            Map<String, Integer> numbers = new LinkedHashMap<>(slotted.get().numbers());
            numbers.put(slot.name(), next);
            return slotted.get().address().fill(numbers);
        }
        OptionalInt number = lastNumber(address);
        return number.isPresent() ? replaceLast(address, number.getAsInt() + by) : address;
    }

    /** The number of a line by its address; empty where it has none. */
    OptionalInt number(String address, Optional<PartId> target) {
        return slotted(address, target)
                .map(s -> OptionalInt.of(s.numbers().get(s.slot().name())))
                .orElseGet(() -> lastNumber(address));
    }

    private record Slotted(SlotAddress address, SlotAddress.Piece.Slot slot, Map<String, Integer> numbers) {}

    /** The address as its phrase has it, where that has a slot. */
    private Optional<Slotted> slotted(String address, Optional<PartId> target) {
        Vocabulary known = vocabulary.apply(target);
        Optional<Vocabulary.Known> found = known.said(address).or(() -> known.heard(address));
        return found.map(Vocabulary.Known::phrase)
                .map(Phrase::address)
                .map(SlotAddress::parseFreely)
                .filter(slots -> !slots.slots().isEmpty())
                .map(slots -> new Slotted(
                        slots,
                        slots.slots().get(slots.slots().size() - 1),
                        found.orElseThrow().numbers()));
    }

    private static OptionalInt lastNumber(String text) {
        OptionalInt last = OptionalInt.empty();
        for (Matcher number = NUMBER.matcher(text); number.find(); ) {
            last = OptionalInt.of(Integer.parseInt(number.group()));
        }
        return last;
    }

    /** Another number in the place of the last one, with at least as many digits where it had leading zeros. */
    static String replaceLast(String text, int number) {
        int start = -1;
        int end = -1;
        for (Matcher found = NUMBER.matcher(text); found.find(); ) {
            start = found.start();
            end = found.end();
        }
        int digits = text.charAt(start) == '0' ? end - start : 1;
        return text.substring(0, start) + String.format("%0" + digits + "d", number) + text.substring(end);
    }
}
