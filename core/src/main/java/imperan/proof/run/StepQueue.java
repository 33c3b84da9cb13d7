package imperan.proof.run;

import imperan.proof.run.Steps.Step;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** What a group still says, in order. What releases something goes with what pressed it. */
final class StepQueue {

    private Deque<Step> steps = new ArrayDeque<>();
    /** How many times each line is said yet. */
    private final Map<String, Integer> left = new HashMap<>();

    void fill(Collection<Step> all) {
        steps = new ArrayDeque<>(all);
        all.forEach(step -> step.judged().ifPresent(line -> left.merge(line.id(), 1, Integer::sum)));
    }

    boolean isEmpty() {
        return steps.isEmpty();
    }

    /** Whether what is said next releases what was said last. */
    boolean releasesNext() {
        return !steps.isEmpty() && steps.peekFirst().release();
    }

    /** The line that is judged by what is said next; empty where that releases something, or nobody judges it. */
    Optional<PlannedLine> judgedNext() {
        return Optional.ofNullable(steps.peekFirst())
                .filter(step -> !step.release())
                .flatMap(Step::judged);
    }

    /** What is said now. */
    Step take() {
        Step step = steps.pollFirst();
        step.judged().ifPresent(line -> left.merge(line.id(), -1, Integer::sum));
        return step;
    }

    /** How many times a line is said yet. */
    int left(PlannedLine line) {
        return left.getOrDefault(line.id(), 0);
    }

    /** No more is said for a line, but for what releases. */
    void drop(PlannedLine line) {
        left.remove(line.id());
        Deque<Step> kept = new ArrayDeque<>();
        boolean dropped = false;
        boolean first = true;
        for (Step step : steps) {
            boolean ofLine = step.judged().filter(line::equals).isPresent();
            // what was pressed just now is released; the releases of presses that are dropped go with them
            boolean goes = step.release() ? dropped && !first : ofLine;
            dropped = goes;
            first = first && step.release();
            if (!goes) {
                kept.add(step);
            }
        }
        steps = kept;
    }

    /** No more is said but what releases what is pressed now, and nobody judges that. */
    void onlyRelease() {
        Deque<Step> kept = new ArrayDeque<>();
        for (Step step : steps) {
            if (!step.release()) {
                break;
            }
            kept.add(new Step(step.line(), Optional.empty(), true));
        }
        steps = kept;
    }
}
