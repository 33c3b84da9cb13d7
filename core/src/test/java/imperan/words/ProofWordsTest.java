package imperan.words;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Strength;
import imperan.proof.report.LineResult;
import imperan.proof.report.Loss;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.TargetState;
import imperan.proof.report.Verdict;
import imperan.proof.report.Verdict.Standing;
import imperan.show.PartId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ProofWordsTest {

    private static LineResult line(Verdict verdict) {
        return new LineResult(
                "a:send:1",
                "print",
                new PartId("a"),
                "Sound",
                "Wheel",
                Optional.of(new PartId("desk")),
                "Bellows",
                true,
                "/in/1/level",
                verdict,
                verdict == Verdict.CONFIRMED ? Optional.of(Strength.READ_BACK) : Optional.empty(),
                Optional.of(Obstacle.EVENT),
                12,
                8,
                Optional.of(1_500_000L),
                Optional.of(700_000_000L),
                "0.5",
                "1",
                Optional.empty(),
                List.of(),
                Restored.YES,
                Optional.empty());
    }

    @ParameterizedTest
    @EnumSource(Verdict.class)
    void aVerdictIsOneOrTwoWordsAndSaysWhatIsToBeDoneAbout(Verdict verdict) {
        assertThat(ProofWords.verdict(verdict).split(" ")).hasSizeBetween(1, 2);
        // what was heard is of interest though nothing is to be done
        assertThat(ProofWords.says(line(verdict)).isEmpty())
                .isEqualTo(verdict.standing() == Standing.GOOD && verdict != Verdict.HEARD);
        assertThat(ProofWords.says(line(verdict))).doesNotEndWith(".");
    }

    @Test
    void noTwoSayTheSame() {
        assertThat(Arrays.stream(Verdict.values()).map(ProofWords::verdict)).doesNotHaveDuplicates();
        assertThat(Arrays.stream(TargetState.values()).map(ProofWords::target)).doesNotHaveDuplicates();
        assertThat(Arrays.stream(Obstacle.values()).map(ProofWords::obstacle)).doesNotHaveDuplicates();
    }

    @Test
    void numbersHaveTheirUnits() {
        assertThat(ProofWords.says(line(Verdict.LATE))).isEqualTo("Answered after 700 ms, later than its limit");
        assertThat(ProofWords.says(line(Verdict.INTERMITTENT))).isEqualTo("8 of 12 taken");
        assertThat(ProofWords.says(line(Verdict.LOST))).isEqualTo("8 of 12 answered; for the others nothing came");
        assertThat(ProofWords.says(line(Verdict.HEARD))).isEqualTo("Bellows says 1");
        assertThat(ProofWords.millis(1_540_000)).isEqualTo("1.5 ms");
        assertThat(ProofWords.loss(Loss.of(0, 20))).isEqualTo("0 of 20 lost: 0 % to 17 % (95 %)");
        assertThat(ProofWords.loss(Loss.of(0, 0))).isEqualTo("nothing judged");
    }
}
