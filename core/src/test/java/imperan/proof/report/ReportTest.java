package imperan.proof.report;

import static imperan.proof.report.Reports.line;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.proof.report.Verdict.Standing;
import imperan.show.PartId;
import imperan.show.ShowJson;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class ReportTest {

    private static final Report TODAY = Reports.of(
            line("1", Verdict.CONFIRMED),
            line("2", Verdict.ONE_WAY),
            line("3", Verdict.NO_ANSWER),
            line("4", Verdict.LATE));

    @Test
    void whatFellShortComesFirst() {
        assertThat(TODAY.lines()).extracting(LineResult::line).containsExactly("3", "4", "2", "1");
        assertThat(TODAY.count(Standing.SHORT)).isEqualTo(2);
        assertThat(TODAY.count(Standing.NOT_TRIED)).isEqualTo(1);
        assertThat(TODAY.count(Standing.GOOD)).isEqualTo(1);
    }

    @Test
    void ofTwoWhatGotWorseComesFirstAndWhatIsGoneLast() {
        Report before = Reports.of(
                line("1", Verdict.LATE),
                line("2", Verdict.ONE_WAY),
                line("3", Verdict.CONFIRMED),
                line("9", Verdict.CONFIRMED));
        List<Comparison.Difference> differences = Comparison.of(before, TODAY);
        assertThat(differences)
                .extracting(difference -> difference.line().line())
                .containsExactly("3", "4", "1", "9");
        assertThat(differences).extracting(Comparison.Difference::isWorse).containsExactly(true, true, false, false);
        assertThat(Comparison.of(TODAY, TODAY)).isEmpty();
    }

    /** The newest counts, whatever came of it; another print means that the line is another one. */
    @Test
    void aVerdictHoldsAsLongAsItsLineIsTheSame() {
        Report older = Reports.of(
                line("1", Verdict.NO_ANSWER),
                line("2", Verdict.CONFIRMED),
                line("3", Verdict.CONFIRMED),
                line("gone", Verdict.CONFIRMED));
        Report newer = Reports.of(line("1", Verdict.CONFIRMED), line("2", Verdict.SKIPPED));
        Map<String, Proved> proved = Proved.of(
                List.of(newer, older), Map.of("1", "print of 1", "2", "print of 2", "3", "another"), Map.of());
        assertThat(proved).containsOnlyKeys("1", "2", "3");
        assertThat(proved.get("1").holds()).isTrue();
        assertThat(proved.get("1").earlier()).isFalse();
        assertThat(proved.get("2").verdict()).isEqualTo(Verdict.SKIPPED);
        assertThat(proved.get("2").holds()).isFalse();
        assertThat(proved.get("2").earlier()).isTrue();
        assertThat(proved.get("3").stale()).isTrue();
        assertThat(proved.get("3").holds()).isFalse();
        for (Verdict verdict : Verdict.values()) {
            assertThat(new Proved(verdict, false, true, 0, Optional.empty(), false).holds())
                    .as("%s", verdict)
                    .isEqualTo(verdict.standing() == Verdict.Standing.GOOD);
        }
    }

    /** Who was away may have been switched off and on, or be another one since. */
    @Test
    void aVerdictIsGreyOnceItsTargetWasAwayUntilItIsProvedAgain() {
        Report report = Reports.of(line("1", Verdict.CONFIRMED), line("2", Verdict.NO_ANSWER));
        Map<String, String> prints = Map.of("1", "print of 1", "2", "print of 2");
        long ended = report.endedAt();
        Map<PartId, Long> away = Map.of(new PartId("desk"), ended + 1);
        Map<String, Proved> proved = Proved.of(List.of(report), prints, away);
        assertThat(proved.get("1").holds()).isFalse();
        assertThat(proved.get("1").away()).hasValue(ended + 1);
        assertThat(proved.values()).allMatch(Proved::isGrey);
        // while it ran, or before; another target
        for (Map<PartId, Long> other : List.of(
                Map.of(new PartId("desk"), ended), Map.of(new PartId("other"), ended + 1), Map.<PartId, Long>of())) {
            assertThat(Proved.of(List.of(report), prints, other).get("1").holds())
                    .isTrue();
        }
        assertThat(Which.OPEN.takes(Optional.of(proved.get("1")))).isTrue();
        assertThat(Which.CHANGED.takes(Optional.of(proved.get("1")))).isFalse();
    }

    @Test
    void aReportIsKeptAsItIs() {
        JsonMapper json = ShowJson.mapper();
        Report report = Reports.of(
                List.of(Reports.target("Bellows", TargetState.ANSWERED), Reports.target("Wick", TargetState.SILENT)),
                line("1", Verdict.CONFIRMED));
        assertThat(json.readValue(json.writeValueAsString(report), Report.class))
                .isEqualTo(report);
        ObjectNode old = (ObjectNode) json.readTree(json.writeValueAsString(report));
        old.withArray("targets").forEach(target -> ((ObjectNode) target).remove("state"));
        assertThat(json.treeToValue(old, Report.class).targets())
                .as("of before it was written down")
                .noneMatch(TargetFigures::fails);
    }

    /** It was kept before it was written down how strongly a line is known: it is read, and confirms nothing. */
    @Test
    void aReportOfBeforeConfirmsNothing() {
        JsonMapper json = ShowJson.mapper();
        ObjectNode old = (ObjectNode) json.readTree(json.writeValueAsString(line("1", Verdict.CONFIRMED)));
        assertThat(json.treeToValue(old, LineResult.class).verdict()).isEqualTo(Verdict.CONFIRMED);
        old.remove("strength");
        assertThat(json.treeToValue(old, LineResult.class).verdict()).isEqualTo(Verdict.STRENGTH_UNKNOWN);
        old.put("strength", "RETURNED");
        assertThat(json.treeToValue(old, LineResult.class).verdict()).isEqualTo(Verdict.STRENGTH_UNKNOWN);
    }
}
