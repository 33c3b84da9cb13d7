package imperan.check;

import imperan.show.Acceptance;
import imperan.show.Held;
import imperan.show.PartId;
import imperan.show.Show;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The findings of a rig, the worst first; those that were accepted as meant are marked and come last. */
public final class RigCheck {

    private RigCheck() {
    }

    public static List<Finding> findings(Show show, NetworkFacts facts) {
        List<Finding> found = new ArrayList<>(new HostChecks(show).findings());
        found.addAll(new TargetChecks(show, facts).findings());
        return found.stream().map(finding -> marked(finding, show))
                .sorted(Comparator.<Finding, Boolean>comparing(f -> f.accepted().isPresent()).thenComparing(Finding::kind)
                        .thenComparing(Finding::about)).toList();
    }

    private static Finding marked(Finding finding, Show show) {
        return show.all(Acceptance.class).stream().filter(part -> fits((Acceptance) part.body(), finding)).findFirst()
                .map(part -> finding.with(new Finding.Accepted(part.id(), author(show, part.id()),
                        ((Acceptance) part.body()).note()))).orElse(finding);
    }

    private static String author(Show show, PartId acceptance) {
        return show.held(acceptance).map(Held::author).orElseThrow().name();
    }

    private static boolean fits(Acceptance acceptance, Finding finding) {
        return acceptance.finding().equals(finding.kind().name()) && acceptance.about().equals(finding.about())
                && acceptance.facts().equals(finding.facts());
    }
}
