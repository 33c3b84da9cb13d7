package imperan.phrasebook;

import imperan.show.Phrase;
import java.util.Optional;

/**
 * What became of one row of an import.
 *
 * @param place   the line of a table, or the path of a node
 * @param verdict how sure we are
 * @param phrase  what was read; empty where it was refused
 * @param note    what was guessed, or why it was refused; empty where all was said
 */
public record ReadRow(String place, Verdict verdict, Optional<Phrase> phrase, String note) {

    /** How sure we are of a row. */
    public enum Verdict {
        UNDERSTOOD,
        GUESSED,
        REFUSED
    }

    public static ReadRow refused(String place, String why) {
        return new ReadRow(place, Verdict.REFUSED, Optional.empty(), why);
    }
}
