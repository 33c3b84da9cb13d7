package imperan.server.api;

import imperan.proof.Diagnosis;
import imperan.proof.Rank;
import imperan.proof.Stage;
import imperan.proof.Suspect;
import imperan.words.EvidenceWords;
import imperan.words.SuspectWords;
import java.util.List;
import java.util.Optional;

/**
 * Why an answer is missing, in words.
 *
 * @param target    whom it is asked about; empty where nobody is sent anything
 * @param targetName for people
 * @param line      what was said last, in words; empty where it is asked about a target, or nothing was said yet
 * @param missing   whether an answer is missing
 * @param failed    the first stage that fails if the first group is right; empty where nothing is suspected
 * @param groups    what may be the cause, the surest first
 * @param excluded  what cannot be
 * @param searchable whether finding out makes sense: something can be said to it now
 */
public record WhyView(
        String target,
        String targetName,
        String line,
        boolean missing,
        Optional<Stage> failed,
        List<Group> groups,
        List<Excluded> excluded,
        boolean searchable) {

    /** Causes that cannot be told apart from here; at least one. */
    public record Group(Rank rank, List<Cause> causes, List<String> evidence) {}

    /** @param says what would be so, {@code mend} what to do about it, {@code look} where it can be seen whether it is so */
    public record Cause(Suspect suspect, String says, String mend, String look) {
        static Cause of(Suspect suspect, String target) {
            SuspectWords words = SuspectWords.of(suspect, target);
            return new Cause(suspect, words.says(), words.mend(), words.look());
        }
    }

    public record Excluded(String says, String because) {}

    /** Of a control that says nothing to anybody. */
    static final WhyView NOTHING_SAID = new WhyView("", "", "", false, Optional.empty(), List.of(), List.of(), false);

    static WhyView of(Diagnosis diagnosis, String target, String name, String line, boolean searchable) {
        return new WhyView(
                target,
                name,
                line,
                diagnosis.missing(),
                diagnosis.failed(),
                diagnosis.groups().stream()
                        .map(group -> new Group(
                                group.rank(),
                                group.suspects().stream()
                                        .map(suspect -> Cause.of(suspect, name))
                                        .toList(),
                                group.evidence().stream().map(EvidenceWords::of).toList()))
                        .toList(),
                diagnosis.excluded().stream()
                        .map(out -> new Excluded(
                                SuspectWords.of(out.suspect(), name).says(), EvidenceWords.of(out.because())))
                        .toList(),
                searchable);
    }
}
