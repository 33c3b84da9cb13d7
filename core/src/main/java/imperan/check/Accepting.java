package imperan.check;

import imperan.show.Acceptance;
import imperan.show.Held;
import imperan.show.Show;

/** Findings that somebody accepted as meant: they stay quiet while their facts are those that were accepted. */
final class Accepting {

    private Accepting() {}

    static Finding marked(Show show, Finding finding) {
        return show.referringTo(finding.about())
                .filter(part -> part.body() instanceof Acceptance acceptance && fits(acceptance, finding))
                .findFirst()
                .map(part -> finding.with(new Finding.Accepted(
                        part.id(),
                        show.held(part.id()).map(Held::author).orElseThrow().name(),
                        ((Acceptance) part.body()).note())))
                .orElse(finding);
    }

    private static boolean fits(Acceptance acceptance, Finding finding) {
        return acceptance.finding().equals(finding.kind().name())
                && acceptance.about().equals(finding.about())
                && acceptance.facts().equals(finding.facts());
    }
}
