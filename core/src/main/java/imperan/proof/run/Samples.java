package imperan.proof.run;

import imperan.proof.report.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What came of saying one line several times. */
final class Samples {

    /** What tells most of what is wrong comes first: a value that is wrong once is wrong, whatever else was lost. */
    private static final List<Verdict> BY_WEIGHT = List.of(
            Verdict.WRONG_TYPE,
            Verdict.WRONG_VALUE,
            Verdict.OTHER_ADDRESS,
            Verdict.LATE,
            Verdict.PORT_CLOSED,
            Verdict.NO_ANSWER);

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

    /** @param masked whether something stood in the way of its effect */
    Verdict verdict(boolean masked) {
        if (probes() == 0) {
            return all.stream()
                    .map(Sample::verdict)
                    .filter(verdict -> verdict == Verdict.ONE_WAY)
                    .findFirst()
                    .orElse(Verdict.NOT_JUDGED);
        } else if (answered() == probes()) {
            return masked ? Verdict.MASKED : Verdict.CONFIRMED;
        }
        Verdict worst = BY_WEIGHT.stream()
                .filter(verdict -> judged().anyMatch(sample -> sample.verdict() == verdict))
                .findFirst()
                .orElseThrow();
        boolean isMissing =
                worst == Verdict.NO_ANSWER || worst == Verdict.PORT_CLOSED || worst == Verdict.OTHER_ADDRESS;
        return isMissing && answered() > 0 ? Verdict.INTERMITTENT : worst;
    }

    /** The first that fell short, else the last. */
    Optional<Sample> telling() {
        return judged().filter(sample -> !sample.isGood())
                .findFirst()
                .or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)));
    }
}
