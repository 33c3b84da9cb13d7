package imperan.proof;

import java.util.List;

/** One cause that may be, and what speaks for it. */
public record Judgement(Suspect suspect, Rank rank, List<Evidence> evidence) {
    public Judgement {
        evidence = List.copyOf(evidence);
    }
}
