package imperan.proof.report;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.PartId;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class TargetFiguresTest {

    private static TargetFigures of(int answers) {
        return TargetFigures.of(
                new PartId("desk"),
                "Desk",
                true,
                TargetState.ANSWERED,
                0,
                answers,
                LongStream.rangeClosed(1, answers)
                        .mapToObj(n -> answers + 1 - n)
                        .toList());
    }

    @Test
    void sharesAreByNearestRank() {
        assertThat(of(20).median()).hasValue(10L);
        assertThat(of(20).p95()).hasValue(19L);
        assertThat(of(20).worst()).hasValue(20L);
        assertThat(of(100).p99()).hasValue(99L);
    }

    @Test
    void oneInAHundredIsSaidOnlyOfAHundred() {
        assertThat(of(99).p99()).isEmpty();
        assertThat(of(100).p99()).isPresent();
    }

    @Test
    void ofNoAnswersThereIsNothingToSay() {
        TargetFigures none = TargetFigures.of(new PartId("desk"), "Desk", true, TargetState.SILENT, 3, 3, List.of());
        assertThat(none.median()).isEmpty();
        assertThat(none.worst()).isEmpty();
        assertThat(none.loss().low()).isGreaterThan(0.2);
    }
}
