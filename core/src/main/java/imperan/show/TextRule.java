package imperan.show;

import java.util.Optional;

/**
 * Which texts an argument takes.
 *
 * @param longest    how many characters it takes at most; empty where nobody has said it yet
 * @param characters which it takes
 */
public record TextRule(Optional<Integer> longest, Characters characters) {

    /** Nobody has said it yet. */
    public static final TextRule UNKNOWN = new TextRule(Optional.empty(), Characters.UNKNOWN);

    /** Longer, no message travels in one piece. */
    public static final int MOST_CHARACTERS = 1_000;

    /** Which characters a text may have. */
    public enum Characters {
        /** Nobody has said it yet. */
        UNKNOWN,
        /** Letters without accents, digits, spaces and signs: those of ASCII. */
        PLAIN,
        /** Any, accents and other scripts too, in UTF-8. */
        ANY
    }

    void check(PartRules rules, String field) {
        if (longest.filter(most -> most < 1 || most > MOST_CHARACTERS).isPresent()) {
            rules.problem(field + "/longest", "A text has 1 to " + MOST_CHARACTERS + " characters");
        }
    }
}
