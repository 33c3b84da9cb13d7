package imperan.check;

import imperan.cue.ListRun;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Part;
import imperan.show.Show;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import java.util.List;
import java.util.Optional;

/** Checks of a cue list as a whole: cues that would begin without any time between, more than a list fires at once. */
final class ChainChecks {

    private ChainChecks() {}

    /** None of what is no list. What was accepted is not marked as such. */
    static List<Finding> of(Show show, Part part) {
        if (!(part.body() instanceof CueList list)) {
            return List.of();
        }
        int chain = 0;
        boolean sinceStart = true;
        List<Cue> cues = CueList.cues(show, part.id()).stream()
                .map(cue -> (Cue) cue.body())
                .toList();
        for (int i = 0; i < cues.size(); i++) {
            chain = i > 0 && followsAtOnce(cues.get(i - 1)) ? chain + 1 : 1;
            sinceStart &= chain == i + 1;
            if (chain > ListRun.MOST_AT_ONCE) {
                return found(
                        part,
                        "In “" + list.name() + "” more than " + ListRun.MOST_AT_ONCE + " cues begin at once, up to cue "
                                + cues.get(i).number()
                                + ": the list stops there. Let one of them be followed by hand, or after a wait",
                        cues.get(i).number());
            } else if (sinceStart && cues.get(0).decimal().signum() == 0 && resets(cues.get(i), part)) {
                return found(
                        part,
                        "“" + list.name() + "” goes round in a ring: its cue 0 is followed at once by cue "
                                + cues.get(i).number()
                                + ", which resets the list. Let one of them be followed by hand, or after a wait",
                        "ring " + cues.get(i).number());
            }
        }
        return List.of();
    }

    private static List<Finding> found(Part list, String text, String facts) {
        return List.of(Finding.of(FindingKind.CUE_CHAIN, list.id(), "", text, facts));
    }

    private static boolean followsAtOnce(Cue cue) {
        return cue.follow().how() == CueFollow.How.TOGETHER
                || cue.follow().how() == CueFollow.How.AFTER && cue.follow().seconds() == 0;
    }

    /** A list that is reset fires its cue 0. */
    private static boolean resets(Cue cue, Part list) {
        return cue.actions().stream()
                .anyMatch(action -> action instanceof CueAction.SteerList steer
                        && steer.deed() == CueAction.SteerList.Deed.RESET
                        && steer.delay() == 0
                        && steer.list().equals(Optional.of(list.id())));
    }
}
