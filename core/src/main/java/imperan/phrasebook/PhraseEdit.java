package imperan.phrasebook;

import imperan.show.AnswerRule;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Problem;
import imperan.show.ProofRule;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Gives a phrase the values that a person wrote. */
public final class PhraseEdit {

    private PhraseEdit() {}

    public static Outcome values(Show show, PartId id, int argument, String text, Person author) {
        if (!(show.part(id).map(Part::body).orElse(null) instanceof Phrase phrase)) {
            return Outcome.Refused.because("This phrase is no longer there");
        }
        if (argument < 0 || argument >= phrase.arguments().size()) {
            return refused(
                    id,
                    phrase.arguments().isEmpty()
                            ? "This phrase has no argument, so it takes no values"
                            : "This phrase has no argument number " + (argument + 1));
        }
        Optional<PhraseValues> values = PhraseValues.written(text);
        if (values.isEmpty()) {
            return refused(
                    id, "“" + text + "” is no range such as 0 to 1 dB; choices have bars between, such as in | out");
        }
        List<PhraseArgument> arguments = new ArrayList<>(phrase.arguments());
        PhraseArgument before = arguments.get(argument);
        arguments.set(
                argument,
                new PhraseArgument(
                        before.type(),
                        values.get().low(),
                        values.get().high(),
                        values.get().unit(),
                        values.get().choices(),
                        before.fixed(),
                        before.marks(),
                        before.reads(),
                        before.texts()));
        return changed(show, id, phrase, phrase.with(arguments), author);
    }

    /** Says between which values its lines stay in a proof at the venue; nothing written means near the present one. */
    public static Outcome proofValues(Show show, PartId id, String text, Person author) {
        if (!(show.part(id).map(Part::body).orElse(null) instanceof Phrase phrase)) {
            return Outcome.Refused.because("This phrase is no longer there");
        }
        Optional<PhraseValues> range = text.isBlank()
                ? Optional.of(PhraseValues.NONE)
                : PhraseValues.range(text)
                        .filter(values ->
                                values.low().isPresent() && values.high().isPresent());
        if (range.isEmpty()) {
            return refused(id, "“" + text + "” is no range. Write two numbers, such as 0.2 to 0.4");
        }
        ProofRule before = phrase.proof();
        return changed(
                show,
                id,
                phrase,
                phrase.proved(new ProofRule(
                        range.get().low(),
                        range.get().high(),
                        before.sweep(),
                        before.spacing(),
                        before.pressed(),
                        before.most())),
                author);
    }

    /**
     * A proof found the step that a target keeps: its phrase says so from now on.
     *
     * @param address on which it is said to
     * @param step    in the unit of its argument, more than nothing
     */
    public static Outcome step(Show show, PartId target, String address, double step, Person author) {
        Optional<PartId> id = Vocabulary.of(show, target).phraseSaid(address);
        if (id.isEmpty() || !(show.part(id.get()).map(Part::body).orElse(null) instanceof Phrase phrase)) {
            return Outcome.Refused.because("No phrase has " + address + " any more");
        }
        AnswerRule.Tolerance steps = new AnswerRule.Tolerance(AnswerRule.Tolerance.Unit.STEP, step);
        return changed(show, id.get(), phrase, phrase.answering(phrase.answer().near(steps)), author);
    }

    private static Outcome changed(Show show, PartId id, Phrase before, Phrase after, Person author) {
        Part part = show.part(id).orElseThrow();
        return show.apply(
                new EditRequest(
                        "Change the values of " + before.address(),
                        List.of(new EditRequest.Put(
                                new Part(id, part.parent(), part.order(), after),
                                show.held(id).orElseThrow().version()))),
                author);
    }

    private static Outcome refused(PartId id, String why) {
        return new Outcome.Refused(List.of(Problem.at(id, "values", why)));
    }
}
