package imperan.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What speaks for a suspect and against it. What speaks against it outweighs all else; else the surest of what speaks for it counts. */
final class Case {

    private final Suspect suspect;
    private Optional<Evidence> against = Optional.empty();
    private final List<List<Optional<Evidence>>> evidence = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());

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
        evidence.get(rank.ordinal()).add(seen.map(each -> each));
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
        for (Rank rank : Rank.values()) {
            List<Evidence> seen = evidence.get(rank.ordinal()).stream().flatMap(Optional::stream).toList();
            if (!seen.isEmpty()) {
                return Optional.of(new Judgement(suspect, rank, seen));
            }
        }
        return Optional.empty();
    }
}
