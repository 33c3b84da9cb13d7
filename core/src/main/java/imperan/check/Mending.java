package imperan.check;

import imperan.show.EditRequest;
import imperan.show.Forward;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Presses the remedies of several findings as one edit: each in the show that the one before left, so that several of one part do not undo each other. */
public final class Mending {

    /**
     * Names a finding.
     *
     * @param facts what it rested on when it was read
     */
    public record FindingKey(FindingKind kind, PartId about, String facts) {}

    private Mending() {}

    /** What is no longer so, or has no remedy, is passed by; where nothing is left, that is said. */
    public static Outcome mend(Show show, NetworkFacts network, List<FindingKey> wanted, Person author) {
        Show now = show;
        Set<PartId> changed = new LinkedHashSet<>();
        int mended = 0;
        String title = "";
        for (FindingKey found : wanted) {
            Optional<Finding.Remedy> remedy = remedy(now, network, found);
            if (remedy.isPresent() && now.apply(remedy.get().edit(), author) instanceof Outcome.Accepted done) {
                now = done.show();
                done.edit().changes().forEach(change -> changed.add(change.id()));
                mended++;
                title = remedy.get().words();
            }
        }
        if (mended == 0) {
            return Outcome.Refused.because("This has changed in the meantime; you see it as it is now");
        }
        Show after = now;
        List<EditRequest.Step> steps = changed.stream()
                .<EditRequest.Step>map(id -> after.part(id)
                        .<EditRequest.Step>map(part -> new EditRequest.Put(part, version(show, id)))
                        .orElseGet(() -> new EditRequest.Remove(id, version(show, id))))
                .toList();
        return show.apply(new EditRequest(mended == 1 ? title : "Mend " + mended + " findings", steps), author);
    }

    private static long version(Show show, PartId id) {
        return show.held(id).map(Held::version).orElse(0L);
    }

    private static Optional<Finding.Remedy> remedy(Show show, NetworkFacts network, FindingKey wanted) {
        return findings(show, network, wanted.about()).stream()
                .filter(finding -> finding.kind() == wanted.kind()
                        && finding.about().equals(wanted.about())
                        && finding.facts().equals(wanted.facts()))
                .findFirst()
                .flatMap(Finding::remedy);
    }

    private static List<Finding> findings(Show show, NetworkFacts network, PartId about) {
        Optional<Part> part = show.part(about);
        if (part.filter(found -> Lined.of(found.body()).isPresent()).isPresent()) {
            return LineChecks.of(show, part.get());
        }
        return part.filter(found -> found.body() instanceof Forward)
                .map(found -> ForwardChecks.of(show, found))
                .orElseGet(() -> RigCheck.findings(show, network));
    }
}
