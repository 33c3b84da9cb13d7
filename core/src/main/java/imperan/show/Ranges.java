package imperan.show;

import imperan.shaping.Span;
import imperan.show.ArgumentSource.ArgumentType;
import java.util.Optional;

/** Which numbers a range may have: those that every step of the computation, and the type that leaves, can carry. */
public final class Ranges {

    private Ranges() {}

    /** Whether a number is one to reckon with: finite, and no farther from zero than {@link Span#MOST}. */
    public static boolean fits(double number) {
        return Span.fits(number);
    }

    /** Whether both ends of a range fit their type. */
    public static boolean fits(ArgumentType type, double low, double high) {
        return problem(type, low, high).isEmpty();
    }

    /** What is wrong with a range, in a sentence; empty where nothing is. */
    public static Optional<String> problem(ArgumentType type, double low, double high) {
        if (!fits(low) || !fits(high)) {
            return Optional.of("The range needs two numbers between -1e15 and 1e15");
        } else if (type == ArgumentType.INT32 && (isBeyondInt(low) || isBeyondInt(high))) {
            return Optional.of("An int goes from " + Integer.MIN_VALUE + " to " + Integer.MAX_VALUE);
        }
        return Optional.empty();
    }

    private static boolean isBeyondInt(double number) {
        return number < Integer.MIN_VALUE || number > Integer.MAX_VALUE;
    }
}
