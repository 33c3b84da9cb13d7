package imperan.proof.run;

import imperan.proof.run.PlannedLine.Way;
import imperan.show.Show;
import java.util.List;

/**
 * What a proof is going to do, to be looked at before it does it.
 *
 * @param show     as it is planned for
 * @param lines    in the order of the line table
 * @param listens  what is only listened to
 * @param messages how many are said by themselves at most, questions and what is put back included
 * @param seconds  about how long that takes where everything is answered at once
 */
public record ProofPlan(
        Show show,
        Conditions conditions,
        List<PlannedLine> lines,
        List<PlannedGroup> groups,
        List<PlannedListen> listens,
        int messages,
        double seconds) {

    public ProofPlan {
        lines = List.copyOf(lines);
        groups = List.copyOf(groups);
        listens = List.copyOf(listens);
    }

    /** How many lines go this way. */
    public int count(Way way) {
        return (int) lines.stream().filter(line -> line.way() == way).count();
    }
}
