package imperan.server.check;

import imperan.check.Checks;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** The findings of one show, and when those of each part changed last, so that a browser is told only what it does not know yet. */
final class Board {

    private final Checks checks;
    private final long first;
    private final Map<PartId, Long> changed = new HashMap<>();
    private long number;

    /** @param first larger than all numbers that were given before */
    Board(Show show, long first) {
        this.checks = new Checks(show);
        this.first = first;
        this.number = first;
    }

    Checks checks() {
        return checks;
    }

    long number() {
        return number;
    }

    /** An edit that is known already is passed by. */
    boolean follow(Edit edit, Show next) {
        return edit.number() > checks.show().version() && noted(checks.follow(edit, next));
    }

    /** Whether anything changed. */
    boolean noted(Collection<PartId> parts) {
        if (!parts.isEmpty()) {
            number++;
            parts.forEach(part -> changed.put(part, number));
        }
        return !parts.isEmpty();
    }

    /** Whether a browser that knows the findings of this number has all of them before it. */
    boolean knows(long known) {
        return known >= first && known <= number;
    }

    /** The parts of which a browser has to hear. */
    Set<PartId> since(long known) {
        return knows(known)
                ? changed.entrySet().stream()
                        .filter(entry -> entry.getValue() > known)
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toSet())
                : checks.found();
    }
}
