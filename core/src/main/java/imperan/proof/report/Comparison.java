package imperan.proof.report;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is otherwise between two reports. */
public final class Comparison {

    /**
     * A line whose verdict is otherwise.
     *
     * @param before empty where it was not there, {@code after} where it is there no more
     */
    public record Difference(Optional<LineResult> before, Optional<LineResult> after) {

        /** The one that is there. */
        public LineResult line() {
            return after.or(() -> before).orElseThrow();
        }

        /** Whether it fell from good, or came falling short. */
        public boolean isWorse() {
            return after.filter(line -> line.verdict()
                                    .standing()
                                    .compareTo(before.map(old -> old.verdict().standing())
                                            .orElse(Verdict.Standing.GOOD))
                            > 0)
                    .isPresent();
        }
    }

    private Comparison() {}

    /** What got worse first, then the rest in the order of the later report; what is gone comes last. */
    public static List<Difference> of(Report before, Report after) {
        Map<String, LineResult> old = new HashMap<>();
        before.lines().forEach(line -> old.put(line.line(), line));
        List<Difference> differences = new ArrayList<>();
        for (LineResult line : after.lines()) {
            Optional<LineResult> was = Optional.ofNullable(old.remove(line.line()));
            if (was.map(LineResult::verdict).filter(line.verdict()::equals).isEmpty()) {
                differences.add(new Difference(was, Optional.of(line)));
            }
        }
        before.lines().stream()
                .filter(line -> old.containsKey(line.line()))
                .forEach(line -> differences.add(new Difference(Optional.of(line), Optional.empty())));
        differences.sort((a, b) -> Boolean.compare(b.isWorse(), a.isWorse()));
        return differences;
    }
}
