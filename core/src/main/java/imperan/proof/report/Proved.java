package imperan.proof.report;

import imperan.show.PartId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the newest report that tells of a line says of it, whatever came of it then, and whether it still holds.
 *
 * @param stale   the line, the end it is said to, or its phrase is another one since: a verdict from a stand-in says nothing of the venue
 * @param at      when its report ended, in milliseconds since 1970
 * @param away    when its target was lost after that, or had its port closed, likewise: who was away may have been switched off and on, and
 *                be another one since
 * @param earlier whether an older report proved it as it is, and this one does not
 */
public record Proved(Verdict verdict, boolean stale, boolean standIn, long at, Optional<Long> away, boolean earlier) {

    /** Whether it stands proved now. */
    public boolean holds() {
        return !isGrey() && verdict.standing() == Verdict.Standing.GOOD;
    }

    /** Whether it was so once, and nobody knows whether it still is. */
    public boolean isGrey() {
        return stale || away.isPresent();
    }

    /** Whether it was proved, and nobody knows whether that still holds. */
    public boolean wasGood() {
        return isGrey() && verdict.standing() == Verdict.Standing.GOOD;
    }

    private Proved beside(Proved older) {
        return new Proved(verdict, stale, standIn, at, away, earlier || !holds() && older.holds());
    }

    /**
     * @param newestFirst reports of a show
     * @param prints      of its lines as they are now, by their names
     * @param away        when targets were lost last, or had their port closed, in milliseconds since 1970
     */
    public static Map<String, Proved> of(List<Report> newestFirst, Map<String, String> prints, Map<PartId, Long> away) {
        Map<String, Proved> proved = new HashMap<>();
        for (Report report : newestFirst) {
            for (LineResult line : report.lines()) {
                String now = prints.get(line.line());
                if (now != null) {
                    Proved told = new Proved(
                            line.verdict(),
                            !now.equals(line.print()),
                            line.standIn(),
                            report.endedAt(),
                            line.target().map(away::get).filter(at -> at > report.endedAt()),
                            false);
                    proved.merge(line.line(), told, Proved::beside);
                }
            }
        }
        return proved;
    }
}
