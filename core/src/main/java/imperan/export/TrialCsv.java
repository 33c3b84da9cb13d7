package imperan.export;

import imperan.line.ActionText;
import imperan.live.FiredCue;
import imperan.show.Cue;
import imperan.table.SheetText;
import imperan.trial.TrialReport;
import imperan.words.OutcomeWords;
import imperan.words.ReasonWords;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.StringJoiner;

/** A trial of a cue list as a table (RFC 4180), a row for each action, and one for a cue without any; seconds from its beginning, lateness in milliseconds. */
public final class TrialCsv {

    private TrialCsv() {}

    public static String write(TrialReport report) {
        StringJoiner text = new StringJoiner("\r\n", "", "\r\n");
        text.add(SheetText.row("at s", "list", "cue", "name", "action", "outcome", "says", "late ms"));
        for (TrialReport.Fired fired : report.fired()) {
            Cue cue = fired.cue().cue();
            String at = places(fired.cue().firedAt() - report.startedAt(), 9);
            String list = report.show()
                    .part(fired.list())
                    .map(part -> part.body().called())
                    .orElse("");
            if (cue.actions().isEmpty()) {
                text.add(SheetText.row(at, list, cue.number(), cue.name(), "", "", "", ""));
            }
            for (int i = 0; i < cue.actions().size(); i++) {
                FiredCue.Mark mark = fired.cue().marks().get(i);
                text.add(SheetText.row(
                        at,
                        list,
                        cue.number(),
                        cue.name(),
                        ActionText.of(report.show(), cue.actions().get(i)),
                        OutcomeWords.of(mark.outcome(), report.rehearsed()),
                        mark.reason()
                                .map(reason -> ReasonWords.of(reason).why())
                                .orElse(""),
                        mark.lateNanos().map(late -> places(late, 6)).orElse("")));
            }
        }
        return text.toString();
    }

    /** To three places behind the dot. */
    private static String places(long nanos, int digits) {
        return BigDecimal.valueOf(nanos, digits)
                .setScale(3, RoundingMode.HALF_UP)
                .toPlainString();
    }
}
