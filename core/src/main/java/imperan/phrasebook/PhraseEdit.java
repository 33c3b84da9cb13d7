package imperan.phrasebook;

import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Problem;
import imperan.show.Show;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Gives an argument of a phrase the values that a person wrote. */
public final class PhraseEdit {

    private PhraseEdit() {
    }

    public static Outcome values(Show show, PartId id, int argument, String text, Person author) {
        if (!(show.part(id).map(Part::body).orElse(null) instanceof Phrase phrase)) {
            return Outcome.Refused.because("This phrase is no longer there");
        }
        if (argument < 0 || argument >= phrase.arguments().size()) {
            return refused(id, phrase.arguments().isEmpty() ? "This phrase has no argument, so it takes no values"
                    : "This phrase has no argument number " + (argument + 1));
        }
        Optional<PhraseValues> values = PhraseValues.written(text);
        if (values.isEmpty()) {
            return refused(id, "“" + text + "” is no range such as 0 to 1 dB; choices have bars between, such as in | out");
        }
        List<PhraseArgument> arguments = new ArrayList<>(phrase.arguments());
        PhraseArgument before = arguments.get(argument);
        arguments.set(argument, new PhraseArgument(before.type(), values.get().low(), values.get().high(), values.get().unit(),
                values.get().choices(), before.fixed(), before.marks()));
        Part part = show.part(id).orElseThrow();
        return show.apply(new EditRequest("Change the values of " + phrase.address(), List.of(new EditRequest.Put(new Part(id, part.parent(),
                part.order(), phrase.with(arguments)), show.held(id).orElseThrow().version()))), author);
    }

    private static Outcome refused(PartId id, String why) {
        return new Outcome.Refused(List.of(Problem.at(id, "values", why)));
    }
}
