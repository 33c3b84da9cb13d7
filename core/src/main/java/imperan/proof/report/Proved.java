package imperan.proof.report;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What the newest report says of a line that was sent then, and whether it still holds.
 *
 * @param stale the line, the end it is said to, or its phrase is another one since: a verdict from a stand-in says nothing of the venue
 * @param at    when its report ended, in milliseconds since 1970
 */
public record Proved(Verdict verdict, boolean stale, boolean standIn, long at) {

    /** Whether it stands proved now. */
    public boolean holds() {
        return !stale && (verdict.standing() == Verdict.Standing.GOOD || verdict == Verdict.MASKED);
    }

    /**
     * @param newestFirst reports of a show
     * @param prints      of its lines as they are now, by their names
     */
    public static Map<String, Proved> of(List<Report> newestFirst, Map<String, String> prints) {
        Map<String, Proved> proved = new HashMap<>();
        for (Report report : newestFirst) {
            for (LineResult line : report.lines()) {
                String now = prints.get(line.line());
                boolean tells = line.verdict() != Verdict.SKIPPED && line.verdict() != Verdict.NOT_JUDGED;
                if (now != null && tells) {
                    proved.putIfAbsent(
                            line.line(),
                            new Proved(line.verdict(), !now.equals(line.print()), line.standIn(), report.endedAt()));
                }
            }
        }
        return proved;
    }
}
