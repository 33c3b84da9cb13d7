package imperan.check;

import imperan.live.Expectation;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource;
import imperan.show.Behaviour;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Checks of what steps a cue list: a cue of its own that says it, or whose answer is it, may make the list step itself. */
final class StepChecks {

    private StepChecks() {}

    /** None of what is no list. What was accepted is not marked as such. */
    static List<Finding> of(Show show, Part part) {
        if (!(part.body() instanceof CueList list)) {
            return List.of();
        }
        List<Finding> found = new ArrayList<>();
        for (Behaviour.Condition when :
                Stream.of(list.go(), list.back()).flatMap(Optional::stream).toList()) {
            when.target()
                    .flatMap(target -> first(show, part.id(), target, when))
                    .ifPresent(cue -> found.add(Finding.of(
                            FindingKind.STEPS_ITSELF,
                            part.id(),
                            "",
                            "Cue " + cue.number() + " of “" + list.name() + "” sends something to which "
                                    + name(show, when.target().get()) + " may say " + when.address() + " "
                                    + when.text()
                                    + ", and that steps the list: it may go on by itself. Let another message step it",
                            cue.number() + " " + when.address())));
        }
        return found;
    }

    /** The first cue that may make the target say what steps the list. */
    private static Optional<Cue> first(Show show, PartId list, PartId target, Behaviour.Condition when) {
        Vocabulary known = Vocabulary.of(show, target);
        return CueList.cues(show, list).stream()
                .filter(cue -> Lined.of(cue.body()).stream()
                        .flatMap(lined -> lined.sends().stream())
                        .anyMatch(send -> send.target().equals(Optional.of(target)) && leadsTo(known, send, when)))
                .map(cue -> (Cue) cue.body())
                .findFirst();
    }

    private static boolean leadsTo(Vocabulary known, Send send, Behaviour.Condition when) {
        if (send.address().equals(when.address())) {
            return mayBe(send, when);
        }
        Expectation expected = Expectation.of(send.address(), known);
        return expected.isComing() && expected.address().equals(Optional.of(when.address()));
    }

    /** Whether the argument that counts may be the one that steps. */
    private static boolean mayBe(Send send, Behaviour.Condition when) {
        return when.argument() < send.arguments().size()
                && !(send.arguments().get(when.argument()) instanceof ArgumentSource.Fixed fixed
                        && isAnother(fixed.text().strip(), when.text().strip()));
    }

    private static boolean isAnother(String one, String other) {
        try {
            return Double.parseDouble(one) != Double.parseDouble(other);
        } catch (NumberFormatException e) {
            return !one.equals(other);
        }
    }

    private static String name(Show show, PartId target) {
        return show.part(target).map(part -> part.body().called()).orElse("its target");
    }
}
