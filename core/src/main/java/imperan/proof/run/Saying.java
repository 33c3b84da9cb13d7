package imperan.proof.run;

import imperan.live.Line;
import imperan.live.Question;
import java.util.Optional;

/**
 * What a proof says next.
 *
 * @param question where the line is one that a phrase tells how to ask
 */
record Saying(Line line, Optional<Question> question) {

    static Saying of(Line line) {
        return new Saying(line, Optional.empty());
    }

    /** Whether it asks, and moves nothing. */
    boolean asks() {
        return question.isPresent() || line.arguments().isEmpty();
    }
}
