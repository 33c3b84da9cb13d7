package imperan.server.api;

import imperan.osc.OscText;
import imperan.proof.Rank;
import imperan.proof.report.Comparison;
import imperan.proof.report.Extent;
import imperan.proof.report.LineResult;
import imperan.proof.report.Proved;
import imperan.proof.report.Report;
import imperan.proof.report.Ruling;
import imperan.proof.report.TargetFigures;
import imperan.proof.report.Verdict;
import imperan.proof.run.Outcome;
import imperan.proof.run.PlannedLine;
import imperan.proof.run.PlannedLine.Way;
import imperan.proof.run.PlannedListen;
import imperan.proof.run.ProofPlan;
import imperan.proof.run.ProofRun;
import imperan.server.proof.Leftovers;
import imperan.server.proof.Proofs;
import imperan.server.store.ProofStore;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.words.ProofWords;
import imperan.words.SuspectWords;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Proofs in words, as browsers show them. */
final class ProofViews {

    /** Of one line in a plan, so many of the values that it says. */
    private static final int MOST_VALUES = 6;

    private ProofViews() {}

    /**
     * A line of a plan.
     *
     * @param way     whether it is sent by itself
     * @param because why it is not, in words; empty where it is
     * @param says    the values that are sent, in words; at a venue that depends on the present value
     */
    public record PlanLine(
            String line,
            PartId control,
            String page,
            String label,
            String targetName,
            boolean standIn,
            String address,
            Way way,
            String because,
            String says) {
        static PlanLine of(PlannedLine line) {
            String values = line.says().stream()
                    .limit(MOST_VALUES)
                    .map(said -> OscText.brief(said.arguments()))
                    .filter(text -> !text.isEmpty())
                    .collect(Collectors.joining(" · "));
            return new PlanLine(
                    line.id(),
                    line.control(),
                    line.page(),
                    line.label(),
                    line.targetName(),
                    line.standIn(),
                    line.send().address(),
                    line.way(),
                    line.because().map(ProofWords::obstacle).orElse(""),
                    line.way() == Way.SKIPPED
                            ? ""
                            : line.standIn() || line.way() == Way.ATTENDED ? values : ProofWords.atVenue(line, values));
        }

        static PlanLine of(PlannedListen listen) {
            return new PlanLine(
                    listen.id(),
                    listen.control(),
                    listen.page(),
                    listen.label(),
                    listen.targetName(),
                    listen.standIn(),
                    listen.listen().address(),
                    Way.LISTENS,
                    "",
                    listen.asks() ? "asked for" : "whatever comes meanwhile");
        }
    }

    /** A target that is spoken to at the venue, and whether its name was typed. */
    public record Venue(PartId target, String name, boolean cleared) {}

    /**
     * What a proof would do.
     *
     * @param token    with which it is started
     * @param runs     how many lines are sent by themselves, {@code attended} how many while somebody attends, {@code skipped} how many not at all;
     *                 {@code listens} how many only listen
     * @param messages how many are sent at most
     * @param seconds  about how long it takes where everything is answered at once
     */
    public record PlanView(
            String token,
            int runs,
            int attended,
            int skipped,
            int listens,
            int messages,
            double seconds,
            List<Venue> venues,
            List<PlanLine> lines) {
        static PlanView of(Proofs.Planned planned) {
            ProofPlan plan = planned.plan();
            return new PlanView(
                    planned.token(),
                    plan.count(Way.RUNS),
                    plan.count(Way.ATTENDED),
                    plan.count(Way.SKIPPED),
                    plan.listens().size(),
                    plan.messages(),
                    plan.seconds(),
                    Proofs.venues(plan).stream().map(part -> venue(part, plan)).toList(),
                    Stream.concat(
                                    plan.lines().stream().map(PlanLine::of),
                                    plan.listens().stream().map(PlanLine::of))
                            .toList());
        }

        private static Venue venue(Part target, ProofPlan plan) {
            return new Venue(
                    target.id(),
                    target.body().called(),
                    plan.conditions().cleared().contains(target.id()));
        }
    }

    /** What may be the cause. */
    public record LikelyCause(String says, String mend, String look) {}

    /**
     * What came of a line.
     *
     * @param word   its verdict, in one or two words
     * @param says   what came of it, one sentence; empty where the word says all
     * @param median how long answers took, in milliseconds, and {@code worst} the longest
     * @param causes what may be the cause, where it fell short; {@code rank} how sure that is
     * @param left   what became of the value that stood there; empty where there is nothing to do
     * @param extent how far the verdict goes; empty where nothing is to be said of it
     * @param step   that the target keeps, in the unit of the argument, where that is coarser than its phrase allows
     */
    public record LineView(
            String line,
            PartId control,
            String page,
            String label,
            Optional<PartId> target,
            String targetName,
            boolean standIn,
            String address,
            Verdict verdict,
            Verdict.Standing standing,
            String word,
            String says,
            int probes,
            int answered,
            Optional<Double> median,
            Optional<Double> worst,
            String sent,
            String said,
            Optional<Rank> rank,
            List<LikelyCause> causes,
            String left,
            String extent,
            Optional<Double> step) {
        static LineView of(LineResult line) {
            return new LineView(
                    line.line(),
                    line.control(),
                    line.page(),
                    line.label(),
                    line.target(),
                    line.targetName(),
                    line.standIn(),
                    line.address(),
                    line.verdict(),
                    line.verdict().standing(),
                    ProofWords.verdict(line.verdict()),
                    ProofWords.says(line),
                    line.probes(),
                    line.answered(),
                    line.median().map(ProofViews::millis),
                    line.worst().map(ProofViews::millis),
                    line.sent(),
                    line.said(),
                    line.rank(),
                    line.suspects().stream()
                            .map(suspect -> SuspectWords.of(suspect, line.targetName()))
                            .map(words -> new LikelyCause(words.says(), words.mend(), words.look()))
                            .toList(),
                    ProofWords.restored(line.restored()),
                    line.extent().map(ProofWords::extent).orElse(""),
                    line.extent().flatMap(Extent::coarser));
        }
    }

    /**
     * What a person is asked.
     *
     * @param says  what is sent, in words
     * @param again whether it may be sent once more in this proof
     */
    public record AskView(
            ProofRun.Question question,
            PartId control,
            String page,
            String label,
            String targetName,
            String address,
            String says,
            String because,
            boolean again) {
        static AskView of(ProofRun.Asking asking) {
            PlanLine line = PlanLine.of(asking.line());
            return new AskView(
                    asking.question(),
                    line.control(),
                    line.page(),
                    line.label(),
                    line.targetName(),
                    line.address(),
                    line.says(),
                    line.because(),
                    asking.again());
        }
    }

    /** How many of the lines failed, are undecided, were not tried, are proved. */
    public record Counts(int failed, int undecided, int notTried, int proved) {
        static Counts of(List<LineResult> lines) {
            return new Counts(
                    count(lines, Verdict.Standing.SHORT),
                    count(lines, Verdict.Standing.UNDECIDED),
                    count(lines, Verdict.Standing.NOT_TRIED),
                    count(lines, Verdict.Standing.GOOD));
        }

        private static int count(List<LineResult> lines, Verdict.Standing standing) {
            return (int) lines.stream()
                    .filter(line -> line.verdict().standing() == standing)
                    .count();
        }
    }

    /**
     * A proof that runs, or the last one.
     *
     * @param total   lines, of which {@code lines} are done
     * @param said    messages that were sent, of at most {@code messages}
     * @param number  of its report, once it is kept
     * @param trouble what went wrong with it; empty where nothing did
     */
    public record ProofView(
            ProofRun.Phase phase,
            String by,
            String chosen,
            double startedAt,
            int total,
            int said,
            int messages,
            double seconds,
            Counts counts,
            List<LineView> lines,
            Optional<AskView> asking,
            Optional<Double> number,
            String trouble) {
        static ProofView of(Proofs.Running running) {
            ProofPlan plan = running.run().plan();
            // whether anything comes on what is only listened to is known in the end
            List<LineResult> heard = running.phase() == ProofRun.Phase.ENDED ? running.heard() : List.of();
            List<LineResult> results = Stream.concat(running.outcomes().stream().map(Outcome::result), heard.stream())
                    .toList();
            return new ProofView(
                    running.phase(),
                    running.by(),
                    running.chosen(),
                    running.startedAt(),
                    plan.lines().size() + plan.listens().size(),
                    running.said(),
                    plan.messages(),
                    plan.seconds(),
                    Counts.of(results),
                    results.stream().map(LineView::of).toList(),
                    running.asking().map(AskView::of),
                    running.number().map(Long::doubleValue),
                    running.trouble().orElse(""));
        }
    }

    /**
     * Of one target; times in milliseconds.
     *
     * @param word how it came out as a whole; empty in reports of before
     */
    public record FiguresView(
            String name,
            boolean standIn,
            boolean failed,
            String word,
            String loss,
            Optional<Double> median,
            Optional<Double> p95,
            Optional<Double> p99,
            Optional<Double> worst) {
        static FiguresView of(TargetFigures figures) {
            return new FiguresView(
                    figures.name(),
                    figures.standIn(),
                    figures.fails(),
                    figures.state().map(ProofWords::target).orElse(""),
                    ProofWords.says(figures),
                    figures.median().map(ProofViews::millis),
                    figures.p95().map(ProofViews::millis),
                    figures.p99().map(ProofViews::millis),
                    figures.worst().map(ProofViews::millis));
        }
    }

    /**
     * What a report comes to, for a script.
     *
     * @param code    that it ends with
     * @param because what keeps it from 0, one sentence each
     */
    public record RulingView(int code, List<String> because) {
        static RulingView of(Ruling ruling, boolean strict) {
            return new RulingView(ruling.code(strict), ProofWords.because(ruling));
        }
    }

    /** @param at in milliseconds since 1970 */
    public record SignView(String name, String note, double at) {}

    /** A report in a list. */
    public record ReportLine(
            double number,
            double endedAt,
            String by,
            String chosen,
            boolean stopped,
            Counts counts,
            Optional<SignView> signed) {
        static ReportLine of(ProofStore.Kept kept) {
            Report report = kept.report();
            return new ReportLine(
                    kept.number(),
                    report.endedAt(),
                    report.by(),
                    report.chosen(),
                    report.stopped(),
                    Counts.of(report.lines()),
                    report.signed().map(ProofViews::sign));
        }
    }

    /** A line whose verdict is another one than in the report before; {@code before} empty where it was not there, {@code after} where it is no more. */
    public record ChangedLine(
            String page, String label, String targetName, String address, String before, String after, boolean worse) {
        static ChangedLine of(Comparison.Difference difference) {
            LineResult line = difference.line();
            return new ChangedLine(
                    line.page(),
                    line.label(),
                    line.targetName(),
                    line.address(),
                    word(difference.before()),
                    word(difference.after()),
                    difference.isWorse());
        }

        private static String word(Optional<LineResult> line) {
            return line.map(result -> ProofWords.verdict(result.verdict())).orElse("");
        }
    }

    /**
     * A report whole.
     *
     * @param before  the number of the report before it that is compared with; empty where there is none
     * @param changed what is otherwise than there, what got worse first
     */
    public record ReportView(
            double number,
            String show,
            double version,
            double startedAt,
            double endedAt,
            String by,
            String chosen,
            boolean stopped,
            Counts counts,
            List<LineView> lines,
            List<FiguresView> targets,
            Optional<SignView> signed,
            Optional<Double> before,
            List<ChangedLine> changed) {
        static ReportView of(ProofStore.Kept kept, Optional<ProofStore.Kept> before) {
            Report report = kept.report();
            return new ReportView(
                    kept.number(),
                    report.show(),
                    report.version(),
                    report.startedAt(),
                    report.endedAt(),
                    report.by(),
                    report.chosen(),
                    report.stopped(),
                    Counts.of(report.lines()),
                    report.lines().stream().map(LineView::of).toList(),
                    report.targets().stream().map(FiguresView::of).toList(),
                    report.signed().map(ProofViews::sign),
                    before.map(other -> (double) other.number()),
                    before.map(other -> Comparison.of(other.report(), report)).orElse(List.of()).stream()
                            .map(ChangedLine::of)
                            .toList());
        }
    }

    /**
     * What the newest report says of a line.
     *
     * @param away  when its target was lost since, or had its port closed, in milliseconds since 1970
     * @param holds whether it stands proved now
     */
    public record ProvedView(
            String line,
            Verdict verdict,
            Verdict.Standing standing,
            String word,
            boolean stale,
            Optional<Double> away,
            boolean holds,
            boolean standIn) {
        static ProvedView of(Map.Entry<String, Proved> entry) {
            Proved proved = entry.getValue();
            return new ProvedView(
                    entry.getKey(),
                    proved.verdict(),
                    proved.verdict().standing(),
                    ProofWords.verdict(proved.verdict()) + (proved.earlier() ? ", proved earlier" : ""),
                    proved.stale(),
                    proved.away().map(Long::doubleValue),
                    proved.holds(),
                    proved.standIn());
        }
    }

    /**
     * What a proof left, and can be sent back.
     *
     * @param done how many are back already, while they are sent
     */
    public record LeftoverView(double at, List<String> messages, Optional<Integer> done) {
        static LeftoverView of(Leftovers.Left left) {
            return new LeftoverView(left.leftover().at(), left.messages(), left.done());
        }
    }

    private static SignView sign(Report.SignOff signed) {
        return new SignView(signed.name(), signed.note(), signed.at());
    }

    private static double millis(long nanos) {
        return nanos / 1e6;
    }
}
