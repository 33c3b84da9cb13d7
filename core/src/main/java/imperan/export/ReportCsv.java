package imperan.export;

import imperan.proof.report.LineResult;
import imperan.proof.report.Report;
import imperan.proof.report.TargetFigures;
import imperan.table.SheetText;
import imperan.words.ProofWords;
import imperan.words.SuspectWords;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.StringJoiner;

/** A report as a table (RFC 4180), a row for each line, then one for each target as a whole; times in milliseconds. */
public final class ReportCsv {

    private static final int NANOS_OF_MILLI_DIGITS = 6;

    private ReportCsv() {}

    public static String write(Report report) {
        StringJoiner text = new StringJoiner("\r\n", "", "\r\n");
        text.add(SheetText.row(
                "line",
                "page",
                "label",
                "target",
                "end",
                "address",
                "verdict",
                "probes",
                "answered",
                "median ms",
                "worst ms",
                "sent",
                "answer",
                "says",
                "likely cause",
                "put back",
                "extent"));
        for (LineResult line : report.lines()) {
            text.add(SheetText.row(
                    line.line(),
                    line.page(),
                    line.label(),
                    line.targetName(),
                    line.standIn() ? "stand-in" : "venue",
                    line.address(),
                    ProofWords.verdict(line.verdict()),
                    String.valueOf(line.probes()),
                    String.valueOf(line.answered()),
                    millis(line.median()),
                    millis(line.worst()),
                    line.sent(),
                    line.said(),
                    ProofWords.says(line),
                    line.suspects().isEmpty()
                            ? ""
                            : SuspectWords.of(line.suspects().get(0), line.targetName())
                                    .says(),
                    ProofWords.restored(line.restored()),
                    line.extent().map(ProofWords::extent).orElse("")));
        }
        for (TargetFigures target : report.targets()) {
            text.add(SheetText.row(
                    "",
                    "",
                    "target as a whole",
                    target.name(),
                    target.standIn() ? "stand-in" : "venue",
                    "",
                    target.state().map(ProofWords::target).orElse(""),
                    String.valueOf(target.loss().of()),
                    String.valueOf(target.loss().of() - target.loss().lost()),
                    millis(target.median()),
                    millis(target.worst()),
                    "",
                    "",
                    ProofWords.says(target),
                    "",
                    "",
                    ""));
        }
        return text.toString();
    }

    private static String millis(Optional<Long> nanos) {
        return nanos.map(n -> BigDecimal.valueOf(n, NANOS_OF_MILLI_DIGITS)
                        .stripTrailingZeros()
                        .toPlainString())
                .orElse("");
    }
}
