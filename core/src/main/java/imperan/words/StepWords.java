package imperan.words;

import imperan.shaping.AtMostEvery;
import imperan.shaping.Edge;
import imperan.shaping.ShapingStep;
import imperan.shaping.Table;
import imperan.shaping.Toggle;

/** What a step of shaping says to people where it lets nothing through. */
final class StepWords {

    /**
     * @param why  it lets nothing through
     * @param mend what to do about it
     */
    record Kept(String why, String mend) {}

    private StepWords() {}

    static Kept kept(ShapingStep step) {
        if (step instanceof Edge edge) {
            return new Kept(
                    switch (edge.way()) {
                        case RISING -> "It is sent only when the value rises past the middle of its range";
                        case FALLING -> "It is sent only when the value falls past the middle of its range";
                        case BOTH -> "It is sent only when the value passes the middle of its range";
                    },
                    "Move it past the middle, or take the edge out of the shaping");
        } else if (step instanceof Toggle) {
            return new Kept(
                    "It switches only when the value rises past the middle of its range",
                    "Press it once more, or take the toggle out of the shaping");
        } else if (step instanceof AtMostEvery spaced) {
            return new Kept(
                    "It waits: at most one value in " + spaced.milliseconds() + " ms is sent",
                    "It is sent when that time has passed; change it in the shaping");
        } else if (step instanceof Table) {
            return new Kept(
                    "The table of its shaping has no entry for this value",
                    "Add an entry, or say what everything else becomes");
        }
        return new Kept(
                "Its shaping takes numbers, and a text came in",
                "Put a table into the shaping that makes a number of it");
    }
}
