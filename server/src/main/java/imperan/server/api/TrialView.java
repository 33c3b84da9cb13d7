package imperan.server.api;

import imperan.cue.Outcome;
import imperan.line.ActionText;
import imperan.live.FiredCue;
import imperan.show.PartId;
import imperan.trial.TrialReport;
import imperan.trial.TrialReport.Fired;
import imperan.trial.TrialReport.Standing;
import imperan.trial.TrialSpeed;
import imperan.words.OutcomeWords;
import imperan.words.ReasonWords;
import imperan.words.TrialWords;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A trial of a cue list, in words.
 *
 * @param running  whether it goes on
 * @param end      how it ended, in a sentence; empty while it runs
 * @param whole    whether it went on to the last cue
 * @param seconds  that it took, so far
 * @param cues     that were fired, in that order; {@code left} the numbers of those that were not
 * @param well     actions that went as they were meant, {@code fellShort} that did not, {@code open} neither
 * @param code     the number with which a script ends, {@code strictCode} where what is undecided is a failure
 * @param medianMs of how late lines left, {@code worstMs}; empty where none left
 */
record TrialView(
        PartId list,
        String name,
        TrialSpeed speed,
        boolean rehearsed,
        String by,
        double startedAt,
        boolean running,
        Optional<String> end,
        boolean whole,
        double seconds,
        List<TrialCue> cues,
        List<String> left,
        int well,
        int fellShort,
        int open,
        int code,
        int strictCode,
        Optional<Double> medianMs,
        Optional<Double> worstMs) {

    private static final double NANOS_OF_SECOND = 1e9;
    private static final double NANOS_OF_MILLI = 1e6;

    /**
     * A cue that was fired.
     *
     * @param at       seconds from the beginning
     * @param standing the worst of its actions
     */
    record TrialCue(
            PartId cue,
            String list,
            String number,
            String name,
            double at,
            Standing standing,
            List<TrialAction> actions) {

        private static TrialCue of(TrialReport report, Fired fired) {
            FiredCue cue = fired.cue();
            List<TrialAction> actions = IntStream.range(0, cue.marks().size())
                    .mapToObj(i -> TrialAction.of(report, cue, i))
                    .toList();
            List<Standing> standings =
                    actions.stream().map(TrialAction::standing).toList();
            return new TrialCue(
                    cue.id(),
                    report.show()
                            .part(fired.list())
                            .map(part -> part.body().called())
                            .orElse(""),
                    cue.cue().number(),
                    cue.cue().name(),
                    (cue.firedAt() - report.startedAt()) / NANOS_OF_SECOND,
                    standings.contains(Standing.SHORT)
                            ? Standing.SHORT
                            : standings.contains(Standing.OPEN) ? Standing.OPEN : Standing.WELL,
                    actions);
        }
    }

    /** @param says what it does; {@code why} it did not go as meant, and the {@code mend} */
    record TrialAction(
            String says,
            Outcome outcome,
            String word,
            Standing standing,
            Optional<String> why,
            Optional<String> mend,
            Optional<Double> lateMs) {

        private static TrialAction of(TrialReport report, FiredCue cue, int index) {
            FiredCue.Mark mark = cue.marks().get(index);
            Optional<ReasonWords> words = mark.reason().map(ReasonWords::of);
            return new TrialAction(
                    ActionText.of(report.show(), cue.cue().actions().get(index)),
                    mark.outcome(),
                    OutcomeWords.of(mark.outcome(), report.rehearsed()),
                    TrialReport.standing(mark.outcome()),
                    words.map(ReasonWords::why),
                    words.map(ReasonWords::mend),
                    mark.lateNanos().map(late -> late / NANOS_OF_MILLI));
        }
    }

    static TrialView of(TrialReport report) {
        List<Long> late = report.late();
        return new TrialView(
                report.list(),
                report.show()
                        .part(report.list())
                        .map(part -> part.body().called())
                        .orElse(""),
                report.speed(),
                report.rehearsed(),
                report.by(),
                report.startedAt() / NANOS_OF_MILLI,
                report.end().isEmpty(),
                report.end().map(TrialWords::end),
                report.end().filter(TrialReport.End.LAST::equals).isPresent(),
                (report.endedAt() - report.startedAt()) / NANOS_OF_SECOND,
                report.fired().stream().map(fired -> TrialCue.of(report, fired)).toList(),
                report.left().stream()
                        .flatMap(cue -> report.show().part(cue).stream())
                        .map(part -> part.body().called())
                        .toList(),
                report.count(Standing.WELL),
                report.count(Standing.SHORT),
                report.count(Standing.OPEN),
                report.code(false),
                report.code(true),
                late.isEmpty() ? Optional.empty() : Optional.of(late.get(late.size() / 2) / NANOS_OF_MILLI),
                late.isEmpty() ? Optional.empty() : Optional.of(late.get(late.size() - 1) / NANOS_OF_MILLI));
    }
}
