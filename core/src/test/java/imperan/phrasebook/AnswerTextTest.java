package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.ProofRule;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Answers and proofs as a cell of a table says them. */
class AnswerTextTest {

    @ParameterizedTest
    @CsvSource({
        "0.02, SHARE, 0.02",
        "2 %, SHARE, 0.02",
        "0, SHARE, 0",
        "±0.5, AMOUNT, 0.5",
        "+-0.5, AMOUNT, 0.5",
        "+/- 0.5, AMOUNT, 0.5",
        "±0, AMOUNT, 0",
        "step 2, STEP, 2",
        "Steps of 0.25, STEP, 0.25"
    })
    void aToleranceIsAShareAnAmountOrAStep(String written, Tolerance.Unit unit, double of) {
        assertThat(AnswerText.readTolerance(written)).hasValue(new Tolerance(unit, of));
    }

    @ParameterizedTest
    @ValueSource(strings = {"-0.02", "±-1", "step 0", "step -1", "near", ""})
    void whatIsNoToleranceIsNone(String written) {
        assertThat(AnswerText.readTolerance(written)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "-3, -3", "0.25, 0.25", "1e14, 100000000000000", "1e15, 1000000000000000", "1e-7, 0.00000010"})
    void numbersAreWrittenOut(double number, String written) {
        assertThat(AnswerText.number(number)).isEqualTo(written);
    }

    /** What could be taken for another word stands in quotes, and comes back as it was. */
    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '`',
            value = {"playing, playing", "anything, \"anything\"", "same, \"same\"", "\"so\", \"\"so\"\"", "\", \"\"\""
            })
    void aGivenAnswerComesBackAsItWas(String given, String written) {
        AnswerRule rule = AnswerRule.usual(AnswerRule.Kind.SAME).saying(given);
        assertThat(AnswerText.says(rule)).isEqualTo(written);
        assertThat(AnswerText.readSays(written, AnswerRule.usual(AnswerRule.Kind.SAME)))
                .isEqualTo(rule);
    }

    @Test
    void oneQuoteAloneIsWhatIsSaid() {
        assertThat(AnswerText.readSays("\"", AnswerRule.usual(AnswerRule.Kind.SAME))
                        .given())
                .isEqualTo("\"");
        assertThat(AnswerText.readSays("any", AnswerRule.usual(AnswerRule.Kind.SAME))
                        .says())
                .isEqualTo(AnswerRule.Says.ANY);
    }

    @Test
    void theRulesOfAProofComeBackAsTheyWere() {
        ProofRule all = ProofRule.USUAL
                .within(-60, -20.5)
                .sweeping()
                .spaced(0.25)
                .pressed(0.5)
                .atMost(1);
        assertThat(ProofText.write(all))
                .isEqualTo("-60 to -20.5; full sweep; every 0.25 s; pressed for 0.5 s; at most 1");
        assertThat(ProofText.read(ProofText.write(all))).hasValue(all);
        assertThat(ProofText.read(" ")).hasValue(ProofRule.USUAL);
        assertThat(ProofText.read("every 600 s; at most 1000"))
                .hasValue(ProofRule.USUAL.spaced(ProofRule.MOST_SPACING).atMost(ProofRule.MOST_TIMES));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "every 0 s",
                "every 601 s",
                "at most 0",
                "pressed for 0.01 s",
                "pressed for 11 s",
                "at most 1001",
                "1 to 1",
                "2 to 1",
                "carefully",
                "full sweep; carefully"
            })
    void whatIsNoRuleOfAProofIsRefused(String written) {
        assertThat(ProofText.read(written)).isEqualTo(Optional.empty());
    }
}
