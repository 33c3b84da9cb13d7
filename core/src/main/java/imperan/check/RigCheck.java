package imperan.check;

import imperan.show.Show;
import java.util.ArrayList;
import java.util.List;

/** The findings of a rig: its machines and targets, and what the network shows of them. Those that were accepted as meant are marked. */
public final class RigCheck {

    private RigCheck() {}

    /** The worst first, and accepted ones last. */
    public static List<Finding> findings(Show show, NetworkFacts facts) {
        List<Finding> found = new ArrayList<>(new HostChecks(show).findings());
        found.addAll(new TargetChecks(show, facts).findings());
        return found.stream()
                .map(finding -> Accepting.marked(show, finding))
                .sorted(Checks.WORST_FIRST)
                .toList();
    }
}
