package imperan.proof.run;

import imperan.live.Strength;
import imperan.osc.OscArgument;
import imperan.proof.report.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** What came of saying one line several times. */
final class Samples {

    /** What tells most of what is wrong comes first: a value that is wrong once is wrong, whatever else was lost. */
    private static final List<Verdict> BY_WEIGHT = List.of(
            Verdict.WRONG_TYPE,
            Verdict.WRONG_VALUE,
            Verdict.OTHER_ADDRESS,
            Verdict.IGNORED,
            Verdict.LATE,
            Verdict.PORT_CLOSED,
            Verdict.NO_ANSWER,
            Verdict.DIFFERENT_ARGUMENTS,
            Verdict.RELEASED_EARLY);

    private final List<Sample> all = new ArrayList<>();

    void add(Sample sample) {
        all.add(sample);
    }

    boolean isEmpty() {
        return all.isEmpty();
    }

    int size() {
        return all.size();
    }

    private Stream<Sample> judged() {
        return all.stream().filter(Sample::isJudged);
    }

    /** Whether something came for each, and each time another value. */
    boolean isOnlyWrong() {
        return judged().allMatch(sample -> sample.verdict() == Verdict.WRONG_VALUE);
    }

    /** How many different values were judged. */
    int values() {
        return (int) judged().map(Sample::sent).distinct().count();
    }

    /** Those that tell something. */
    List<Sample> judgedOnes() {
        return judged().toList();
    }

    int probes() {
        return (int) judged().count();
    }

    int answered() {
        return (int) judged().filter(Sample::isGood).count();
    }

    /** Those to which nothing came. */
    int lost() {
        return (int) judged().filter(sample -> sample.after().isEmpty()).count();
    }

    List<Long> nanos() {
        return judged().flatMap(sample -> sample.after().stream()).sorted().toList();
    }

    /** How strongly the value is known that is known least; empty where some probe fell short, or none was judged. */
    Optional<Strength> strength() {
        if (probes() == 0 || answered() < probes()) {
            return Optional.empty();
        }
        Map<List<OscArgument>, Strength> values = new HashMap<>();
        judged().forEach(sample -> values.merge(
                sample.sent(),
                sample.strength().orElseThrow(),
                (one, other) -> one.compareTo(other) > 0 ? one : other));
        // who answers in steps of its own answers what it was told on one of them without a difference
        boolean inOwnForm = judged().anyMatch(sample ->
                sample.strength().filter(Strength.REPORTED::equals).isPresent());
        return values.values().stream()
                .map(strength -> inOwnForm && strength == Strength.RETURNED ? Strength.REPORTED : strength)
                .min(Comparator.naturalOrder());
    }

    /** Whether it is known of a value by asking that its target took it. */
    boolean isReadBack(List<OscArgument> sent) {
        return judged().anyMatch(sample -> sample.sent().equals(sent)
                && sample.strength().filter(Strength.READ_BACK::equals).isPresent());
    }

    /** @param masked whether something stood in the way of its effect */
    Verdict verdict(boolean masked) {
        if (probes() == 0) {
            return all.stream()
                    .map(Sample::verdict)
                    .filter(verdict -> verdict == Verdict.ONE_WAY)
                    .findFirst()
                    .orElse(Verdict.NOT_JUDGED);
        } else if (answered() == probes()) {
            return masked
                    ? Verdict.MASKED
                    : switch (strength().orElseThrow()) {
                        case READ_BACK, REPORTED -> Verdict.CONFIRMED;
                        case RETURNED -> Verdict.RETURNED;
                        case ACKNOWLEDGED -> Verdict.ACKNOWLEDGED;
                    };
        }
        Verdict worst = BY_WEIGHT.stream()
                .filter(verdict -> judged().anyMatch(sample -> sample.verdict() == verdict))
                .findFirst()
                .orElseThrow();
        boolean isMissing = worst == Verdict.NO_ANSWER
                || worst == Verdict.PORT_CLOSED
                || worst == Verdict.OTHER_ADDRESS
                || worst == Verdict.IGNORED;
        boolean came = judged().anyMatch(sample -> sample.isGood()
                || sample.verdict() == Verdict.DIFFERENT_ARGUMENTS
                || sample.verdict() == Verdict.RELEASED_EARLY);
        return isMissing && came ? worst == Verdict.NO_ANSWER ? Verdict.LOST : Verdict.INTERMITTENT : worst;
    }

    /** The first that fell short, else the last. */
    Optional<Sample> telling() {
        return judged().filter(sample -> !sample.isGood())
                .findFirst()
                .or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)));
    }
}
