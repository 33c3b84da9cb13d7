package imperan.trial;

import imperan.cue.CueLoad;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.cue.CueAction;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * What a trial of a list reaches.
 *
 * @param lists   itself, and those that its cues step, and theirs
 * @param targets to which their cues say something, themselves or by the controls that they move
 */
public record TrialScope(Set<PartId> lists, Set<PartId> targets) {

    public static TrialScope of(Show show, PartId list) {
        Set<PartId> lists = new LinkedHashSet<>();
        Set<PartId> targets = new LinkedHashSet<>();
        CueLoad load = CueLoad.in(show);
        Deque<PartId> open = new ArrayDeque<>(Set.of(list));
        while (!open.isEmpty()) {
            PartId next = open.poll();
            if (lists.add(next)) {
                for (Part part : CueList.cues(show, next)) {
                    Cue cue = (Cue) part.body();
                    targets.addAll(load.messages(cue).keySet());
                    cue.actions().stream()
                            .filter(CueAction.SteerList.class::isInstance)
                            .forEach(action ->
                                    ((CueAction.SteerList) action).list().ifPresent(open::add));
                }
            }
        }
        return new TrialScope(lists, targets);
    }
}
