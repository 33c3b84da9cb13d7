package imperan.shaping;

import java.util.DoubleSummaryStatistics;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * One thing for another: a number or a text becomes a number or a text.
 *
 * @param entries   1 to {@value #MOST}, none of them twice
 * @param otherwise what everything else becomes; empty where nothing comes out then
 */
public record Table(List<Entry> entries, Optional<String> otherwise) implements ShapingStep {

    static final int MOST = 100;
    static final int MOST_TEXT = 200;

    /** What comes in, and what comes out for it; what reads as a number is one. */
    public record Entry(String in, String out) {}

    public Table {
        entries = List.copyOf(entries);
    }

    @Override
    public Optional<String> problem(Span in) {
        if (entries.isEmpty() || entries.size() > MOST) {
            return Optional.of("A table has 1 to 100 entries");
        }
        Set<Signal> keys = new HashSet<>();
        for (Entry entry : entries) {
            if (entry.in().isEmpty()
                    || entry.in().length() > MOST_TEXT
                    || entry.out().length() > MOST_TEXT) {
                return Optional.of(
                        "An entry says what comes in and what becomes of it, each in at most 200 characters");
            } else if (!keys.add(Signal.read(entry.in()))) {
                return Optional.of("“" + entry.in() + "” stands in the table twice: remove one of them");
            }
        }
        return NumberStep.when(
                otherwise.filter(text -> text.length() > MOST_TEXT).isPresent(),
                "What everything else becomes has at most 200 characters");
    }

    private List<Signal> outs() {
        return Stream.concat(entries.stream().map(Entry::out), otherwise.stream())
                .map(Signal::read)
                .toList();
    }

    @Override
    public Span span(Span in) {
        List<Signal> outs = outs();
        boolean texts = outs.stream().anyMatch(out -> !out.isNumber());
        DoubleSummaryStatistics numbers = outs.stream()
                .filter(Signal::isNumber)
                .mapToDouble(Signal::number)
                .summaryStatistics();
        return numbers.getCount() == 0 ? new Span(0, 0, texts) : new Span(numbers.getMin(), numbers.getMax(), texts);
    }

    @Override
    public Optional<Signal> settled(Signal signal, Span in) {
        return entries.stream()
                .filter(entry -> signal.means(Signal.read(entry.in())))
                .map(Entry::out)
                .findFirst()
                .or(() -> otherwise)
                .map(Signal::read);
    }

    @Override
    public Optional<String> noWayBack(Span in) {
        Set<Signal> outs = new HashSet<>();
        for (Signal out : outs()) {
            if (!outs.add(out)) {
                return Optional.of("several entries become the same");
            }
        }
        return Optional.empty();
    }

    @Override
    public Optional<Signal> back(Signal out, Span in) {
        return noWayBack(in).isPresent()
                ? Optional.empty()
                : entries.stream()
                        .filter(entry -> out.means(Signal.read(entry.out())))
                        .map(entry -> Signal.read(entry.in()))
                        .findFirst();
    }
}
