package imperan.proof;

import java.util.List;
import java.util.Optional;

/**
 * Why an answer did not come, as far as it is known.
 *
 * @param missing  whether it is missing at all
 * @param failed   the first stage that fails if the first group is right; empty where nothing is suspected
 * @param groups   what may be the cause, the surest first
 * @param excluded what cannot be, and what speaks against it
 */
public record Diagnosis(boolean missing, Optional<Stage> failed, List<Group> groups, List<Exclusion> excluded) {

    public Diagnosis {
        groups = List.copyOf(groups);
        excluded = List.copyOf(excluded);
    }

    /** Causes for which the same speaks, so that they cannot be told apart from here; at least one. */
    public record Group(Rank rank, List<Suspect> suspects, List<Evidence> evidence) {
        public Group {
            suspects = List.copyOf(suspects);
            evidence = List.copyOf(evidence);
        }
    }

    public record Exclusion(Suspect suspect, Evidence because) {}
}
