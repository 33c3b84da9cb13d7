package imperan.shaping;

import java.util.Optional;

/** What the steps have in common that bend a range and leave its ends where they are. */
final class Bend {

    private Bend() {}

    static Optional<String> problem(Span in) {
        return NumberStep.when(
                !in.isBounded(), "Nothing is known of the range that comes in: put a scale or a clamp before it");
    }
}
