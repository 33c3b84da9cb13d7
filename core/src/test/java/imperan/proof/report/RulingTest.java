package imperan.proof.report;

import static imperan.proof.report.Reports.line;
import static imperan.proof.report.Reports.target;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.proof.report.Verdict.Standing;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a script ends with. */
class RulingTest {

    private static final List<String> TARGETS = List.of("Bellows", "Wick");

    private static Allowed allowed(String text) {
        Allowed.Read read = Allowed.read(text, TARGETS);
        assertThat(read.problem()).as(text).isEmpty();
        return read.allowed();
    }

    private static int code(Report report, String allow) {
        return Ruling.of(report, allowed(allow)).code(false);
    }

    /** The rule, verdict by verdict, beside a line that is confirmed. */
    @ParameterizedTest
    @EnumSource(Verdict.class)
    void aLineAloneDecides(Verdict verdict) {
        Report report = Reports.of(
                List.of(target("Bellows", TargetState.ANSWERED)), line("1", Verdict.CONFIRMED), line("2", verdict));
        int wanted = verdict.standing() == Standing.GOOD ? 0 : verdict.fallsShort() ? 1 : 3;
        assertThat(code(report, "")).isEqualTo(wanted);
        assertThat(Ruling.of(report, Allowed.NOTHING).code(true)).isEqualTo(wanted == 3 ? 1 : wanted);
        if (wanted != 0) {
            assertThat(code(report, Allowed.word(verdict) + ":Bellows")).isZero();
            assertThat(code(report, Allowed.word(verdict) + ":Wick")).isEqualTo(wanted);
        }
        if (wanted == 3) {
            assertThat(code(report, "masked, " + Allowed.word(verdict))).isZero();
        }
    }

    @Test
    void aTargetOfWhichNothingIsConfirmedIsNamed() {
        Report report = Reports.of(List.of(target("Bellows", TargetState.SENT_ONLY)), line("1", Verdict.ONE_WAY));
        assertThat(code(report, "one-way"))
                .as("allowed everywhere, and nothing of it is known")
                .isEqualTo(3);
        assertThat(code(report, "one-way:Bellows")).isZero();
        Report received = Reports.of(List.of(target("Bellows", TargetState.ANSWERED)), line("1", Verdict.HEARD));
        assertThat(code(received, "")).as("what is received confirms no target").isEqualTo(3);
        Report seen = Reports.of(List.of(target("Bellows", TargetState.SENT_ONLY)), line("1", Verdict.WITNESSED));
        assertThat(code(seen, "")).isZero();
    }

    /** A dead desk whose lines were all skipped ended with 0 once. */
    @ParameterizedTest
    @CsvSource({"SILENT", "PORT_CLOSED"})
    void aDeadTargetFailsThoughNoLineOfItDoes(TargetState dead) {
        Report report = Reports.of(
                List.of(target("Bellows", TargetState.ANSWERED), target("Wick", dead)),
                line("1", Verdict.CONFIRMED),
                line("2", Verdict.SKIPPED));
        assertThat(code(report, "skipped,skipped:Wick")).isEqualTo(1);
        assertThat(code(report, "skipped,silent:Wick")).isZero();
        assertThat(code(report, "skipped,silent:Bellows")).isEqualTo(1);
        assertThat(code(report, "skipped,port-closed:Wick")).isEqualTo(dead == TargetState.PORT_CLOSED ? 0 : 1);
    }

    @Test
    void failedComesBeforeUndecided() {
        Report report = Reports.of(
                List.of(target("Bellows", TargetState.ANSWERED)),
                line("1", Verdict.NO_ANSWER),
                line("2", Verdict.RETURNED));
        assertThat(code(report, "")).isEqualTo(1);
        assertThat(code(report, "no-answer:Bellows")).isEqualTo(3);
        assertThat(code(report, "no-answer:Bellows,returned")).isZero();
    }

    // ---- what may be written

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            no-answer        | “no-answer” is a failure: it is allowed for one target only, such as no-answer:Bellows
            silent           | “silent” is a failure: it is allowed for one target only, such as silent:Bellows
            returned:Keel    | There is no target “Keel” in this show
            returned,silent: | There is no target “” in this show
            """)
    void whatCannotBeAllowedIsSaid(String text, String says) {
        assertThat(Allowed.read(text, TARGETS).problem().orElseThrow().message())
                .isEqualTo(says);
    }

    @ParameterizedTest
    @CsvSource({"confirmed", "reurned", "RETURNED", "received", "one way", ":Wick", "silnt:Wick"})
    void anUnknownWordIsSaidWithThoseThatThereAre(String text) {
        assertThat(Allowed.read(text, TARGETS).problem().orElseThrow().message())
                .contains("cannot be allowed")
                .contains("returned", "one-way", "not-received", "silent:NAME")
                .doesNotContain("witnessed");
    }

    @Test
    void everyVerdictThatProvesNothingHasAWordWithoutBlanks() {
        assertThat(Arrays.stream(Verdict.values()).map(Allowed::word))
                .doesNotHaveDuplicates()
                .allMatch(word -> word.matches("[a-z]+(-[a-z]+)*"));
        assertThat(Allowed.read(" , ,", TARGETS).problem()).isEmpty();
    }

    @Test
    void aNameMayHaveCommasAndColons() {
        List<String> targets = List.of("Wick", "Wick, spare", "Desk: left");
        for (String text : List.of(
                "returned:Wick, spare",
                "masked:Wick, returned:Wick, spare",
                "returned: Wick, spare ,masked:Wick",
                "silent:Desk: left,returned:Wick, spare")) {
            Allowed.Read read = Allowed.read(text, targets);
            assertThat(read.problem()).as(text).isEmpty();
            assertThat(read.allowed().names("Wick, spare")).as(text).isTrue();
            assertThat(read.allowed().names("Wick")).as(text).isEqualTo(text.contains("masked:Wick"));
        }
        assertThat(Allowed.read("returned:Wick, spares", targets)
                        .problem()
                        .orElseThrow()
                        .message())
                .contains("“spares” cannot be allowed");
        assertThat(Allowed.read("x".repeat(10_001), targets)
                        .problem()
                        .orElseThrow()
                        .message())
                .contains("at most 10000 characters");
    }
}
