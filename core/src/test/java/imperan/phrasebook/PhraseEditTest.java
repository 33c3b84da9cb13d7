package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.ProofRule;
import imperan.show.Show;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PhraseEditTest {

    private static final Person ADA = new Person("ada", "Ada");
    private static final PartId ID = new PartId("phrase");
    private static final PhraseArgument FIXED = PhraseArgument.plain(
            ArgumentType.INT32, Optional.empty(), Optional.empty(), "", List.of(), Optional.of("3"));
    private static final PhraseArgument VALUE = PhraseArgument.plain(
            ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(9.0), "V", List.of(), Optional.empty());

    private static Show show(PhraseArgument... arguments) {
        Phrase phrase = Phrase.plain(
                "/a", Phrase.Direction.BOTH, List.of(arguments), AnswerRule.usual(AnswerRule.Kind.SAME), "", "");
        return ((Outcome.Accepted) Show.empty()
                        .apply(
                                new EditRequest(
                                        "Put",
                                        List.of(
                                                new EditRequest.Put(
                                                        new Part(
                                                                new PartId("book"),
                                                                Optional.empty(),
                                                                0,
                                                                new Phrasebook("B", Phrasebook.LinkSheet.unknown())),
                                                        0),
                                                new EditRequest.Put(
                                                        new Part(ID, Optional.of(new PartId("book")), 0, phrase), 0))),
                                ADA))
                .show();
    }

    private static PhraseArgument last(String written) {
        Show show = ((Outcome.Accepted) PhraseEdit.values(show(FIXED, VALUE), ID, 1, written, ADA)).show();
        List<PhraseArgument> arguments = ((Phrase) show.part(ID).orElseThrow().body()).arguments();
        assertThat(arguments.get(0)).isEqualTo(FIXED);
        return arguments.get(1);
    }

    private static String refused(Outcome outcome) {
        return ((Outcome.Refused) outcome).problems().get(0).message();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {"0 to 1 dB; 0; 1; dB", "-45..45 °; -45; 45; °", "[0, 255]; 0; 255; ''", "0.5 – 2; 0.5; 2; ''"})
    void aRangeIsReadAsPeopleWriteIt(String written, double low, double high, String unit) {
        assertThat(last(written))
                .isEqualTo(PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(low), Optional.of(high), unit, List.of(), Optional.empty()));
    }

    @Test
    void choicesHaveBarsBetweenAndKeepTheirOtherSigns() {
        assertThat(last("Low water, still | Flood").choices()).containsExactly("Low water, still", "Flood");
        assertThat(last("in | out").low()).isEmpty();
        assertThat(last(" "))
                .isEqualTo(PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.empty(), Optional.empty(), "", List.of(), Optional.empty()));
    }

    @Test
    void aSlipIsRefusedAndDoesNotBecomeAChoice() {
        for (String slip : List.of("0 to", "1.2.3 to 4", "loud", "0 to 1 to 2")) {
            assertThat(refused(PhraseEdit.values(show(VALUE), ID, 0, slip, ADA)))
                    .contains("no range");
        }
        assertThat(refused(PhraseEdit.values(show(VALUE), ID, 0, "5 to 1", ADA)))
                .contains("a lower and a higher");
        assertThat(refused(PhraseEdit.values(show(), ID, 0, "0 to 1", ADA))).contains("no argument");
        assertThat(refused(PhraseEdit.values(show(VALUE), ID, 1, "0 to 1", ADA)))
                .contains("no argument number 2");
        assertThat(refused(PhraseEdit.values(show(VALUE), new PartId("book"), 0, "0 to 1", ADA)))
                .contains("no longer there");
    }

    private static ProofRule proved(Show show, String written) {
        Show after = ((Outcome.Accepted) PhraseEdit.proofValues(show, ID, written, ADA)).show();
        return ((Phrase) after.part(ID).orElseThrow().body()).proof();
    }

    @Test
    void betweenWhichValuesAProofStaysIsWrittenAsARange() {
        assertThat(proved(show(VALUE), "0.2 to 0.4")).isEqualTo(ProofRule.USUAL.within(0.2, 0.4));
        Show careful = ((Outcome.Accepted) show(VALUE)
                        .apply(
                                new EditRequest(
                                        "Careful",
                                        List.of(new EditRequest.Put(
                                                new Part(
                                                        ID,
                                                        Optional.of(new PartId("book")),
                                                        0,
                                                        ((Phrase) show(VALUE)
                                                                        .part(ID)
                                                                        .orElseThrow()
                                                                        .body())
                                                                .proved(ProofRule.USUAL
                                                                        .within(1, 2)
                                                                        .spaced(3)
                                                                        .pressed(2)
                                                                        .atMost(4))),
                                                show(VALUE)
                                                        .held(ID)
                                                        .orElseThrow()
                                                        .version()))),
                                ADA))
                .show();
        assertThat(proved(careful, " "))
                .as("near the present value; what else was said stays")
                .isEqualTo(ProofRule.USUAL.spaced(3).pressed(2).atMost(4));
        assertThat(refused(PhraseEdit.proofValues(careful, ID, "0.4 to 0.2", ADA)))
                .contains("a lower and a higher");
    }

    @Test
    void whatIsNoRangeOfAProofIsRefusedWithAnExample() {
        for (String slip : List.of("loud", "0.2", "in | out", "0.2 to")) {
            assertThat(refused(PhraseEdit.proofValues(show(VALUE), ID, slip, ADA)))
                    .isEqualTo("“" + slip + "” is no range. Write two numbers, such as 0.2 to 0.4");
        }
        assertThat(refused(PhraseEdit.proofValues(show(VALUE), new PartId("book"), "0 to 1", ADA)))
                .contains("no longer there");
    }

    @Test
    void aStepThatAProofFoundIsWrittenIntoThePhraseOfItsAddress() {
        PartId desk = new PartId("desk");
        Target target = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS)
                .speaking(new PartId("book"));
        Show show = ((Outcome.Accepted) show(VALUE)
                        .apply(
                                new EditRequest(
                                        "Put",
                                        List.of(new EditRequest.Put(new Part(desk, Optional.empty(), 0, target), 0))),
                                ADA))
                .show();
        Show after = ((Outcome.Accepted) PhraseEdit.step(show, desk, "/a", 0.125, ADA)).show();
        assertThat(((Phrase) after.part(ID).orElseThrow().body()).answer().tolerance())
                .contains(new AnswerRule.Tolerance(AnswerRule.Tolerance.Unit.STEP, 0.125));
        assertThat(refused(PhraseEdit.step(show, desk, "/b", 0.125, ADA))).contains("No phrase has /b any more");
        assertThat(refused(PhraseEdit.step(show, new PartId("gone"), "/a", 0.125, ADA)))
                .contains("No phrase has /a any more");
        assertThat(refused(PhraseEdit.step(show, desk, "/a", 0, ADA))).contains("a step is more than nothing");
    }
}
