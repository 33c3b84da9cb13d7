package imperan.proof.report;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A proof that has ended.
 *
 * @param show      its name, and {@code version} the version of it that was proved: its history has rig and layout as they were
 * @param startedAt in milliseconds since 1970, as {@code endedAt}
 * @param by        who started it
 * @param chosen    which lines it was about, in words
 * @param stopped   whether it was stopped before its end
 * @param targets   all that its lines go to
 * @param lines     what failed first, then what is undecided, then what was not tried, then the rest; each in the order of the line table
 */
public record Report(
        String show,
        long version,
        long startedAt,
        long endedAt,
        String by,
        String chosen,
        boolean stopped,
        List<LineResult> lines,
        List<TargetFigures> targets,
        Optional<SignOff> signed) {

    /** Who took a report as it is. */
    public record SignOff(String name, String note, long at) {}

    private static final Comparator<LineResult> WORST_FIRST =
            Comparator.comparing((LineResult line) -> line.verdict().standing()).reversed();

    public Report {
        lines = lines.stream().sorted(WORST_FIRST).toList();
        targets = List.copyOf(targets);
    }

    /** How many of its lines have a verdict of this standing. */
    public int count(Verdict.Standing standing) {
        return (int) lines.stream()
                .filter(line -> line.verdict().standing() == standing)
                .count();
    }

    public Report signed(SignOff by) {
        return new Report(show, version, startedAt, endedAt, this.by, chosen, stopped, lines, targets, Optional.of(by));
    }
}
