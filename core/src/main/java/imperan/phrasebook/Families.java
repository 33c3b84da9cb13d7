package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.show.Phrase;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What rows of a list are to each other: rows that differ by a number only are one phrase with a slot, and what is there twice is said. A number counts where
 * it fills a part of the address, as {@code 3} does in {@code /lamp/3/level}, and where at least three rows count on by one.
 */
final class Families {

    private static final int FEWEST = 3;
    private static final Pattern NUMBER = Pattern.compile("(?<=/)(?:0|[1-9]\\d{0,5})(?=/|$)");

    private Families() {}

    /** The rows with families joined, in their order. */
    static List<ReadRow> joined(List<ReadRow> rows) {
        List<ReadRow> all = new ArrayList<>();
        int at = 0;
        while (at < rows.size()) {
            Optional<Run> run = longest(rows, at);
            all.add(run.isPresent() ? run.get().row : rows.get(at));
            at += run.map(found -> found.length).orElse(1);
        }
        return all;
    }

    /** Rows that begin at one, and the row that stands for all of them. */
    private record Run(int length, ReadRow row) {}

    private static Optional<Run> longest(List<ReadRow> rows, int at) {
        if (rows.get(at).phrase().isEmpty()) {
            return Optional.empty();
        }
        Phrase first = rows.get(at).phrase().get();
        return numbers(first.address()).stream()
                .map(number -> run(rows, at, first, number))
                .flatMap(Optional::stream)
                .max((a, b) -> Integer.compare(a.length, b.length));
    }

    private static List<MatchResult> numbers(String address) {
        return NUMBER.matcher(address).results().toList();
    }

    private static Optional<Run> run(List<ReadRow> rows, int at, Phrase first, MatchResult number) {
        int from = Integer.parseInt(number.group());
        String before = first.address().substring(0, number.start());
        String behind = first.address().substring(number.end());
        int length = 1;
        while (at + length < rows.size()
                && rows.get(at + length)
                        .phrase()
                        .filter(isNext(first, before, from, from + length, behind))
                        .isPresent()) {
            length++;
        }
        if (length < FEWEST) {
            return Optional.empty();
        }
        int to = from + length - 1;
        String family = before + "<n:" + from + ".." + to + ">" + behind;
        if (SlotAddress.parseFreely(family).problem().isPresent()) {
            return Optional.empty();
        }
        ReadRow row = rows.get(at);
        String note = length + " rows that count on from " + from + " to " + to + " taken as one phrase"
                + (row.note().isEmpty() ? "" : "; " + row.note());
        return Optional.of(new Run(
                length,
                new ReadRow(
                        row.place() + " to " + rows.get(at + length - 1).place().replace("line ", ""),
                        ReadRow.Verdict.GUESSED,
                        Optional.of(first.at(family, counting(first.meaning(), from))),
                        note)));
    }

    /** The same phrase with another number, which may also stand in its meaning. */
    private static Predicate<Phrase> isNext(Phrase first, String before, int from, int number, String behind) {
        return next -> next.address().equals(before + number + behind)
                && next.direction() == first.direction()
                && next.arguments().equals(first.arguments())
                && next.answer().equals(first.answer())
                && next.effect() == first.effect()
                && next.maskedBy().equals(first.maskedBy())
                && next.masks().equals(first.masks())
                && next.proof().equals(first.proof())
                && counting(next.meaning(), number).equals(counting(first.meaning(), from));
    }

    private static String counting(String meaning, int number) {
        return meaning.replaceAll("\\b" + number + "\\b", Matcher.quoteReplacement("n"));
    }

    /** Rows that say what a row before them says are refused; those that give an address other arguments are kept, and say so. */
    static List<ReadRow> toldOnce(List<ReadRow> rows) {
        Map<String, ReadRow> known = new HashMap<>();
        return rows.stream()
                .map(row -> {
                    if (row.phrase().isEmpty()) {
                        return row;
                    }
                    Phrase phrase = row.phrase().get();
                    ReadRow before = known.putIfAbsent(phrase.address(), row);
                    if (before == null) {
                        return row;
                    }
                    Phrase other = before.phrase().orElseThrow();
                    return other.arguments().equals(phrase.arguments()) && other.direction() == phrase.direction()
                            ? ReadRow.refused(
                                    row.place() + ": " + phrase.address(),
                                    "This address is there already, in " + before.place() + ": remove one of the two")
                            : new ReadRow(
                                    row.place(),
                                    ReadRow.Verdict.GUESSED,
                                    row.phrase(),
                                    "the address is in " + before.place() + ", too"
                                            + (row.note().isEmpty() ? "" : "; " + row.note()));
                })
                .toList();
    }
}
