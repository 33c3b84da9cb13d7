package imperan.proof.run;

import imperan.live.Expectation;
import imperan.live.Spelling;
import imperan.osc.OscArgument;
import imperan.proof.report.Extent;
import imperan.proof.report.Verdict;
import imperan.show.ArgumentSource;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** What the probes of a line tell of its range: how much of it was sent, and in which steps its target keeps it. */
final class Extents {

    /** Into more parts nobody divides a range that a proof could tell. */
    private static final int MOST_PARTS = 128;
    /** Fewer different values make no regular step. */
    static final int ENOUGH_VALUES = 4;
    /** As a share of the range: numbers that are so near are the same, after their way as 32-bit numbers. */
    private static final double SAME = 1e-5;
    /** The least difference of what was told may be as many steps. */
    private static final int MOST_STEPS_APART = 4;

    private static final int LAST_OF_ASCII = 127;

    private Extents() {}

    /** Of a line that says a number that varies, or one of several choices; empty where it does neither. */
    static Optional<Extent> of(PlannedLine line, List<Sample> judged) {
        if (judged.isEmpty()) {
            return Optional.empty();
        }
        int options = line.isChosen() ? line.form().options().size() : 0;
        Optional<ArgumentSource.Value> value = number(line);
        List<Double> sent = value.stream()
                .flatMap(varies -> sent(line, judged).stream())
                .distinct()
                .sorted()
                .toList();
        List<OscArgument.Text> texts = texts(line, judged);
        List<Integer> numbers = numbers(line);
        if (options == 0 && numbers.isEmpty() && texts.isEmpty()) {
            return Optional.empty();
        }
        boolean whole = sent.isEmpty()
                || near(sent.get(0), value.get().chain().out().low(), value.get())
                        && near(
                                sent.get(sent.size() - 1),
                                value.get().chain().out().high(),
                                value.get());
        return Optional.of(new Extent(
                whole ? Optional.empty() : Optional.of(sent.get(0)),
                whole ? Optional.empty() : Optional.of(sent.get(sent.size() - 1)),
                numbers.stream().flatMap(i -> unseen(line, i, judged).stream()).max(Comparator.naturalOrder()),
                coarser(line, judged),
                options == 0
                        ? 0
                        : (int) judged.stream().map(Sample::sent).distinct().count(),
                options,
                texts.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Extent.Texts(
                                texts.stream()
                                        .mapToInt(text -> text.value().length())
                                        .max()
                                        .orElseThrow(),
                                texts.stream()
                                        .anyMatch(text -> text.value().chars().anyMatch(c -> c > LAST_OF_ASCII))))));
    }

    /** What was typed. */
    private static List<OscArgument.Text> texts(PlannedLine line, List<Sample> judged) {
        List<ArgumentSource> sources = line.send().arguments();
        return judged.stream()
                .flatMap(sample -> IntStream.range(
                                0, Math.min(sources.size(), sample.sent().size()))
                        .filter(i -> sources.get(i) instanceof ArgumentSource.Typed)
                        .mapToObj(i -> sample.sent().get(i)))
                .filter(OscArgument.Text.class::isInstance)
                .map(OscArgument.Text.class::cast)
                .toList();
    }

    /** The arguments that are numbers and vary, by their places. */
    private static List<Integer> numbers(PlannedLine line) {
        List<ArgumentSource> sources = line.send().arguments();
        return IntStream.range(0, sources.size())
                .filter(i -> sources.get(i) instanceof ArgumentSource.Value value
                        && value.chain().range() > 0
                        && Double.isFinite(value.chain().range()))
                .boxed()
                .toList();
    }

    /** The one argument that varies, where it is a number. */
    private static Optional<ArgumentSource.Value> number(PlannedLine line) {
        List<ArgumentSource> varying = line.send().arguments().stream()
                .filter(argument -> !(argument instanceof ArgumentSource.Fixed))
                .toList();
        return varying.size() == 1
                        && varying.get(0) instanceof ArgumentSource.Value value
                        && value.chain().range() > 0
                        && Double.isFinite(value.chain().range())
                ? Optional.of(value)
                : Optional.empty();
    }

    private static int index(PlannedLine line) {
        List<ArgumentSource> sources = line.send().arguments();
        return IntStream.range(0, sources.size())
                .filter(i -> !(sources.get(i) instanceof ArgumentSource.Fixed))
                .findFirst()
                .orElseThrow();
    }

    private static List<Double> sent(PlannedLine line, List<Sample> judged) {
        return sent(index(line), judged);
    }

    private static List<Double> sent(int index, List<Sample> judged) {
        return judged.stream()
                .flatMap(sample -> at(sample.sent(), index).stream())
                .toList();
    }

    private static Optional<Double> at(List<OscArgument> arguments, int index) {
        return index < arguments.size() ? Spelling.number(arguments.get(index)) : Optional.empty();
    }

    private static boolean near(double one, double other, ArgumentSource.Value value) {
        return Math.abs(one - other) <= SAME * value.chain().range();
    }

    /** The coarsest steps by which none of what was sent would have come back otherwise. */
    private static Optional<Double> unseen(PlannedLine line, int index, List<Sample> judged) {
        ArgumentSource.Value value =
                (ArgumentSource.Value) line.send().arguments().get(index);
        List<Double> sent = sent(index, judged);
        double low = Math.min(value.chain().out().low(), value.chain().out().high());
        double range = value.chain().range();
        double near = line.expected().nearEnough(index, line.send().arguments());
        for (int parts = 1; parts <= MOST_PARTS; parts++) {
            double step = range / parts;
            if (sent.stream().allMatch(number -> Math.abs(off(number - low, step)) <= near)) {
                return Optional.of(step);
            }
        }
        return Optional.empty();
    }

    /** How far a number is from the nearest multiple of a step. */
    private static double off(double number, double step) {
        return number - Math.rint(number / step) * step;
    }

    /**
     * The step that a target keeps, where all that it told lies on regular steps and less than one of them from what was sent; empty where
     * nothing was wrong, or something was in another way.
     */
    static Optional<Double> coarser(PlannedLine line, List<Sample> judged) {
        // two numbers within one step are one to it, so that the second is like one that it ignores
        boolean isWrong = judged.stream().anyMatch(sample -> sample.verdict() == Verdict.WRONG_VALUE);
        boolean isOnlyThat = judged.stream()
                .allMatch(sample -> sample.isGood()
                        || sample.verdict() == Verdict.WRONG_VALUE
                        || sample.verdict() == Verdict.IGNORED);
        Optional<ArgumentSource.Value> value = number(line);
        if (!isWrong || !isOnlyThat || value.isEmpty()) {
            return Optional.empty();
        }
        int index = index(line);
        List<double[]> pairs = new ArrayList<>();
        for (Sample sample : judged) {
            Optional<Double> sent = at(sample.sent(), index);
            Optional<Double> told = at(sample.said(), place(line, sample, index));
            if (sent.isEmpty() || told.isEmpty()) {
                return Optional.empty();
            }
            pairs.add(new double[] {sent.get(), told.get()});
        }
        if (pairs.stream().mapToDouble(pair -> pair[0]).distinct().count() < ENOUGH_VALUES) {
            return Optional.empty();
        }
        return step(pairs, value.get().chain().range());
    }

    /** The argument of what was told that says an argument of what was sent. */
    private static int place(PlannedLine line, Sample sample, int index) {
        Expectation expected = sample.isAsked() ? line.expected().asAsked() : line.expected();
        List<Integer> places = expected.rule().places();
        return index < places.size() ? places.get(index) : index;
    }

    private static Optional<Double> step(List<double[]> pairs, double range) {
        double[] told =
                pairs.stream().mapToDouble(pair -> pair[1]).sorted().distinct().toArray();
        double least = IntStream.range(1, told.length)
                .mapToDouble(i -> told[i] - told[i - 1])
                .filter(difference -> difference > SAME * range)
                .min()
                .orElse(0);
        for (int apart = 1; apart <= MOST_STEPS_APART && least > 0; apart++) {
            double step = least / apart;
            boolean regular = pairs.stream()
                    .allMatch(pair -> Math.abs(off(pair[1] - told[0], step)) <= 2 * SAME * range
                            && Math.abs(pair[1] - pair[0]) < step);
            if (regular && step < range) {
                return Optional.of(step);
            }
        }
        return Optional.empty();
    }
}
