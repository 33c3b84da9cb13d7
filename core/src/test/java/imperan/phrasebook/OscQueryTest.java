package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Trees as targets give them: the open OSCQuery proposal, from memory. */
class OscQueryTest {

    private static ReadRow only(String node) {
        List<ReadRow> rows = OscQuery.read("{\"FULL_PATH\": \"/tide/x\", \"ACCESS\": 3, " + node + "}");
        assertThat(rows).hasSize(1);
        return rows.get(0);
    }

    private static Phrase phrase(String node) {
        return only(node).phrase().orElseThrow();
    }

    @Test
    void severalValuesHaveARangeAndAUnitEach() {
        Phrase phrase = phrase(
                "\"TYPE\": \"fis\", \"RANGE\": [{\"MIN\": -90, \"MAX\": 10}, {\"MIN\": 0, \"MAX\": 127}, {\"VALS\": [\"ebb\", \"flood\"]}], \"UNIT\": [\"gain.db\", \"\", \"\"]");
        assertThat(phrase.arguments())
                .extracting(Phrase.PhraseArgument::type)
                .containsExactly(ArgumentType.FLOAT32, ArgumentType.INT32, ArgumentType.TEXT);
        assertThat(phrase.arguments().get(0).low()).hasValue(-90.0);
        assertThat(phrase.arguments().get(0).unit()).isEqualTo("dB");
        assertThat(phrase.arguments().get(1).high()).hasValue(127.0);
        assertThat(phrase.arguments().get(2).choices()).containsExactly("ebb", "flood");
    }

    @Test
    void anArrayIsTakenApartWithItsRangesAndThatIsSaid() {
        ReadRow row = only(
                "\"TYPE\": \"i[ff]\", \"RANGE\": [{\"MIN\": 0, \"MAX\": 7}, [{\"MIN\": -1, \"MAX\": 1}, {\"MIN\": -2, \"MAX\": 2}]], \"UNIT\": [\"\", [\"angle.degree\", \"time.second\"]]");
        assertThat(row.verdict()).isEqualTo(ReadRow.Verdict.GUESSED);
        assertThat(row.note()).contains("array is sent as arguments");
        assertThat(row.phrase().orElseThrow().arguments())
                .extracting(Phrase.PhraseArgument::high)
                .containsExactly(Optional.of(7.0), Optional.of(1.0), Optional.of(2.0));
        assertThat(row.phrase().orElseThrow().arguments())
                .extracting(Phrase.PhraseArgument::unit)
                .containsExactly("", "°", "s");
    }

    @Test
    void aContainerThatIsANodeItselfIsBoth() {
        List<ReadRow> rows = OscQuery.read(
                """
                {"FULL_PATH": "/", "CONTENTS": {"lamp": {"FULL_PATH": "/lamp", "TYPE": "f", "ACCESS": 3, "CONTENTS": {
                  "tint": {"FULL_PATH": "/lamp/tint", "ACCESS": 3, "TYPE": "fff", "CONTENTS": {"reset": {"FULL_PATH": "/lamp/tint/reset", "ACCESS": 2}}}}}}}""");
        assertThat(rows).extracting(ReadRow::place).containsExactly("/lamp", "/lamp/tint", "/lamp/tint/reset");
        assertThat(rows.get(2).phrase().orElseThrow().direction()).isEqualTo(Phrase.Direction.OUT);
    }

    @ParameterizedTest
    @CsvSource({
        "both, keeps to its range",
        "low, goes beyond its range at the top",
        "high, goes beyond its range at the bottom",
        "none, goes beyond its range",
        "other, ''"
    })
    void whatHappensBeyondTheRangeIsPartOfItsMeaning(String mode, String said) {
        assertThat(phrase("\"TYPE\": \"f\", \"CLIPMODE\": [\"" + mode + "\"]").meaning())
                .isEqualTo(said);
        assertThat(phrase("\"TYPE\": \"f\", \"CLIPMODE\": [\"" + mode + "\"], \"DESCRIPTION\": \"tide\"")
                        .meaning())
                .isEqualTo(said.isEmpty() ? "tide" : "tide; " + said);
    }

    @ParameterizedTest
    @CsvSource({"N, ''", "I, ''", "S, s", "c, s", "T, T", "r, r"})
    void otherTypesAreWhatTheyComeCloseTo(String tags, String meant) {
        assertThat(TypeTags.of(phrase("\"TYPE\": \"" + tags + "\"").arguments().stream()
                        .map(Phrase.PhraseArgument::type)
                        .toList()))
                .isEqualTo(meant);
    }

    @Test
    void whatNoControlCanSendIsRefused() {
        assertThat(only("\"TYPE\": \"b\"").note()).contains("“b”");
    }

    /** Whatever stands where a range, a unit or a mode should be, the node is read or refused in words. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"RANGE\": 5",
                "\"RANGE\": [5, null]",
                "\"RANGE\": {\"MIN\": 0, \"MAX\": 1}",
                "\"UNIT\": \"dB\"",
                "\"UNIT\": [null]",
                "\"CLIPMODE\": {}",
                "\"CLIPMODE\": \"both\"",
                "\"RANGE\": [[[{\"MIN\": 0, \"MAX\": 1}]]]"
            })
    void oddNodesAreRead(String odd) {
        assertThat(only("\"TYPE\": \"f\", " + odd).verdict()).isNotEqualTo(ReadRow.Verdict.REFUSED);
    }
}
