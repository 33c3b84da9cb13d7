package imperan.line;

import imperan.shaping.ShapingText;
import imperan.show.EditRequest;
import imperan.show.Forward;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.Show;
import java.util.List;
import java.util.Optional;

/** Edits of forwards from what a person wrote. */
public final class ForwardEdit {

    private ForwardEdit() {}

    /** @param text steps such as {@code scale 0 30 to 0 1 | smooth 0.25}; empty for none */
    public static Outcome shaping(Show show, PartId id, String text, Person author) {
        Optional<Part> part = show.part(id).filter(found -> found.body() instanceof Forward);
        ShapingText.Read read = ShapingText.read(text);
        if (part.isEmpty()) {
            return Outcome.Refused.because("This forward is no longer there");
        } else if (read.problem().isPresent()) {
            return new Outcome.Refused(
                    List.of(Problem.at(id, "shaping", read.problem().get())));
        }
        Forward shaped = ((Forward) part.get().body()).shaped(read.steps());
        return show.apply(
                new EditRequest(
                        "Change the steps of " + shaped.name(),
                        List.of(new EditRequest.Put(
                                new Part(id, part.get().parent(), part.get().order(), shaped),
                                show.held(id).orElseThrow().version()))),
                author);
    }
}
