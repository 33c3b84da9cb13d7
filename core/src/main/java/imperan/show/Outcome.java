package imperan.show;

import java.util.List;

/** What came of a request to change a show. */
public sealed interface Outcome {

    /** The show as it is then, and the edit that leads there. */
    record Accepted(Show show, Edit edit) implements Outcome {}

    /** Nothing changed; why. */
    record Refused(List<Problem> problems) implements Outcome {
        public Refused {
            problems = List.copyOf(problems);
        }

        /** Refused for one reason, which concerns no single field. */
        public static Refused because(String why) {
            return new Refused(List.of(Problem.of(why)));
        }
    }
}
