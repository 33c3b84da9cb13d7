package imperan.proof;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What speaks for a suspect and against it. What speaks against it outweighs all else; else the surest of what speaks for it counts. */
final class Case {

    private final Suspect suspect;
    private Optional<Evidence> against = Optional.empty();
    private final Map<Rank, List<Evidence>> evidence = new EnumMap<>(Rank.class);

    private Case(Suspect suspect) {
        this.suspect = suspect;
    }

    static Case of(Suspect suspect) {
        return new Case(suspect);
    }

    Case certain(Optional<? extends Evidence> seen) {
        return add(Rank.CERTAIN, seen);
    }

    Case likely(Optional<? extends Evidence> seen) {
        return add(Rank.LIKELY, seen);
    }

    Case possible(Optional<? extends Evidence> seen) {
        return add(Rank.POSSIBLE, seen);
    }

    private Case add(Rank rank, Optional<? extends Evidence> seen) {
        seen.ifPresent(
                each -> evidence.computeIfAbsent(rank, of -> new ArrayList<>()).add(each));
        return this;
    }

    Case excludedBy(Optional<Evidence> seen) {
        against = against.or(() -> seen);
        return this;
    }

    Suspect suspect() {
        return suspect;
    }

    Optional<Diagnosis.Exclusion> exclusion() {
        return against.map(because -> new Diagnosis.Exclusion(suspect, because));
    }

    Optional<Judgement> judgement() {
        if (against.isPresent()) {
            return Optional.empty();
        }
        return evidence.entrySet().stream()
                .findFirst()
                .map(surest -> new Judgement(suspect, surest.getKey(), surest.getValue()));
    }
}
