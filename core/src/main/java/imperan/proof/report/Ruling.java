package imperan.proof.report;

import imperan.show.PartId;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a report comes to, for a script that has to go on or to stop.
 *
 * @param failed         lines that failed and are not allowed to
 * @param failedTargets  targets that failed as a whole, likewise
 * @param left           lines that are undecided or not tried, likewise
 * @param unconfirmed    targets of which no line is confirmed, and that are not named in what is allowed
 */
public record Ruling(
        List<LineResult> failed,
        List<TargetFigures> failedTargets,
        List<LineResult> left,
        List<TargetFigures> unconfirmed) {

    /** Something failed. */
    public static final int FAILED = 1;
    /** Nothing failed, and not everything is proved. */
    public static final int NOT_ALL = 3;

    /** What only listens confirms no target: it may have come from anywhere. */
    private static final Set<Verdict> CONFIRMED = Set.of(Verdict.CONFIRMED, Verdict.WITNESSED);

    public static Ruling of(Report report, Allowed allowed) {
        Set<PartId> confirmed = report.lines().stream()
                .filter(line -> CONFIRMED.contains(line.verdict()))
                .flatMap(line -> line.target().stream())
                .collect(Collectors.toSet());
        return new Ruling(
                report.lines().stream()
                        .filter(line -> line.verdict().fallsShort() && !allowed.takes(line))
                        .toList(),
                report.targets().stream()
                        .filter(target -> target.fails() && !allowed.takes(target))
                        .toList(),
                report.lines().stream()
                        .filter(line -> line.verdict().standing() != Verdict.Standing.GOOD
                                && !line.verdict().fallsShort()
                                && !allowed.takes(line))
                        .toList(),
                report.targets().stream()
                        .filter(target -> !confirmed.contains(target.target()) && !allowed.names(target.name()))
                        .toList());
    }

    /**
     * The number that a script ends with: 0 where all is proved or allowed.
     *
     * @param strict whether what is not proved counts as failed
     */
    public int code(boolean strict) {
        if (!failed.isEmpty() || !failedTargets.isEmpty()) {
            return FAILED;
        }
        return left.isEmpty() && unconfirmed.isEmpty() ? 0 : strict ? FAILED : NOT_ALL;
    }
}
