package imperan.show;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A list of cues that are stepped through; its cues lie in it, in the order of their numbers.
 *
 * @param guardSeconds after a go another one does nothing for so long, on whichever device
 * @param go           what a target says when somebody presses go there; empty where nobody does
 * @param back         likewise for back
 * @param track        the track on which its cues lie; empty where they are fired by hand
 */
public record CueList(
        String name,
        double guardSeconds,
        Optional<Behaviour.Condition> go,
        Optional<Behaviour.Condition> back,
        Optional<PartId> track,
        String note)
        implements Body {

    /** A second press that nobody meant comes sooner (common practice, no source). */
    public static final double USUAL_GUARD = 0.3;

    private static final double MOST_GUARD = 60;

    private static final Comparator<Part> BY_NUMBER = Comparator.<Part, BigDecimal>comparing(
                    part -> ((Cue) part.body()).decimal())
            .thenComparing(Part::id);

    public static CueList plain(String name) {
        return new CueList(name, USUAL_GUARD, Optional.empty(), Optional.empty(), Optional.empty(), "");
    }

    /** The same on a track. */
    public CueList on(PartId other) {
        return new CueList(name, guardSeconds, go, back, Optional.of(other), note);
    }

    /** The cues of a list, by their numbers. */
    public static List<Part> cues(Show show, PartId list) {
        return show.children(list)
                .filter(part -> part.body() instanceof Cue)
                .sorted(BY_NUMBER)
                .toList();
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.note("note", note);
        if (!(guardSeconds >= 0 && guardSeconds <= MOST_GUARD)) {
            rules.problem("guardSeconds", "A second go does nothing for 0 to 60 s");
        }
        go.ifPresent(when -> when.check(rules, "go"));
        back.ifPresent(when -> when.check(rules, "back"));
    }
}
