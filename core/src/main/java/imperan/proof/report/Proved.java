package imperan.proof.report;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What the newest report that tells of a line says of it, whatever came of it then, and whether it still holds.
 *
 * @param stale   the line, the end it is said to, or its phrase is another one since: a verdict from a stand-in says nothing of the venue
 * @param at      when its report ended, in milliseconds since 1970
 * @param earlier whether an older report proved it as it is, and this one does not
 */
public record Proved(Verdict verdict, boolean stale, boolean standIn, long at, boolean earlier) {

    /** Whether it stands proved now. */
    public boolean holds() {
        return !stale && verdict.standing() == Verdict.Standing.GOOD;
    }

    private Proved beside(Proved older) {
        return new Proved(verdict, stale, standIn, at, earlier || !holds() && older.holds());
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
                if (now != null) {
                    Proved told = new Proved(
                            line.verdict(), !now.equals(line.print()), line.standIn(), report.endedAt(), false);
                    proved.merge(line.line(), told, Proved::beside);
                }
            }
        }
        return proved;
    }
}
