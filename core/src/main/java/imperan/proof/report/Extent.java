package imperan.proof.report;

import java.util.Optional;

/**
 * How far a verdict goes: what was sent, and what would not have shown.
 *
 * @param low       the least number that was sent, {@code high} the greatest; empty where the ends of the range were sent, or no number
 *                  varies
 * @param unseen    steps of so much, in the argument's own unit, or finer ones, would not have shown, of the axis that is known least;
 *                  empty where no number varies
 * @param coarser   the step that the target keeps, where that is more than its phrase allows
 * @param choices   how many choices were sent, of {@code ofChoices}; both 0 where it has none
 * @param texts     which were sent; empty where none vary
 */
public record Extent(
        Optional<Double> low,
        Optional<Double> high,
        Optional<Double> unseen,
        Optional<Double> coarser,
        int choices,
        int ofChoices,
        Optional<Texts> texts) {

    /**
     * Texts that were sent.
     *
     * @param longest characters of the longest
     * @param accents whether there were others than those of ASCII among them
     */
    public record Texts(int longest, boolean accents) {}
}
