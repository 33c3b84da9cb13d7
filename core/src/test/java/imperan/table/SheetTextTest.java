package imperan.table;

import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.line.LineCsv;
import imperan.phrasebook.ReadRow;
import imperan.phrasebook.TableExport;
import imperan.phrasebook.TableImport;
import imperan.plan.RigSheet;
import imperan.show.AnswerRule;
import imperan.show.Host;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Source of the characters: OWASP, "CSV Injection" (from memory). */
class SheetTextTest {

    @ParameterizedTest
    @ValueSource(strings = {"=HYPERLINK(\"x\")", "@SUM(1)", "+cmd", "-1+2", "\t=1", "\r=1", "-", "--5"})
    void whatASpreadsheetWouldReckonIsWrittenAsText(String cell) {
        assertThat(SheetText.written(cell)).isEqualTo("'" + cell);
        assertThat(SheetText.read(SheetText.written(cell))).isEqualTo(cell);
    }

    @ParameterizedTest
    @ValueSource(strings = {"-5", "+3.25", "-1e-3", ".5", "level", "", "a=b", "it's", "'quoted'"})
    void numbersAndPlainTextsStayAsTheyAre(String cell) {
        assertThat(SheetText.written(cell)).isEqualTo(cell);
        assertThat(SheetText.read(cell)).isEqualTo(cell);
    }

    /** Property: whatever the text, it comes back, and what is written never begins like a formula. */
    @Test
    void everyTextComesBackAsItWas() {
        Random random = new Random(5);
        String letters = "''=+-@\t\r 1.eA";
        for (int i = 0; i < 20_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(6); n > 0; n--) {
                text.append(letters.charAt(random.nextInt(letters.length())));
            }
            String written = SheetText.written(text.toString());
            assertThat(SheetText.read(written)).isEqualTo(text.toString());
            assertThat(written).matches("(?s)[^=+\\-@\\t\\r].*|[+-]?[0-9.].*|");
        }
    }

    @Test
    void theLineTableTheRigSheetAndPhrasesAreWrittenSoAndComeBack() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("a"), PAGE, Shows.fader("=HYPERLINK(\"x\")", 0, "/level")),
                put(
                        new PartId("mill"),
                        null,
                        new Host(
                                "Mill",
                                "192.0.2.9",
                                24,
                                Host.Addressing.FIXED,
                                Host.Role.COMPUTER,
                                Optional.empty(),
                                "@SUM(1)",
                                "-2+3",
                                "=1+1")));
        String lines = LineCsv.write(show);
        assertThat(lines).contains("\"'=HYPERLINK(\"\"x\"\")\"");
        assertThat(LineCsv.read(show, lines).request())
                .as("nothing changed on the way")
                .isEmpty();
        assertThat(LineCsv.read(show, lines).refusals()).isEmpty();

        assertThat(RigSheet.csv(show, Map.of()))
                .contains("'@SUM(1)")
                .contains("'-2+3")
                .contains("'=1+1");

        Phrase phrase = Phrase.plain(
                "/level", Phrase.Direction.BOTH, List.of(), AnswerRule.usual(AnswerRule.Kind.SAME), "=2+3", "@mask");
        List<ReadRow> rows = TableImport.read(TableExport.write(List.of(phrase)), false);
        assertThat(TableExport.write(List.of(phrase))).contains("'=2+3").contains("'@mask");
        assertThat(rows).extracting(row -> row.phrase().orElseThrow()).containsExactly(phrase);
    }
}
