package imperan.proof.run;

import imperan.show.PartId;
import java.util.Set;

/**
 * How a proof is run.
 *
 * @param times    how often each line is said at least; what a line can say, all of it
 * @param attended whether somebody is there: what is not said by itself is asked for, one line after the other
 * @param cleared  the targets whose venue end may be spoken to, because a person said that the stage is clear
 */
public record Conditions(int times, boolean attended, Set<PartId> cleared) {

    /** So many without a loss exclude, with a confidence of 99 %, that one in three is lost. */
    public static final int USUAL_TIMES = 12;
    /** So many without a loss exclude, with a confidence of 95 %, that one in a hundred is lost. */
    public static final int MOST_TIMES = 299;

    public Conditions {
        cleared = Set.copyOf(cleared);
    }
}
