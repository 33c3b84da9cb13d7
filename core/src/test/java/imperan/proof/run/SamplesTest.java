package imperan.proof.run;

import static imperan.proof.run.Lines.f;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Came;
import imperan.live.MessageResult;
import imperan.live.MessageResult.Differed.How;
import imperan.live.MessageResult.ProvesNothing.Why;
import imperan.live.Reason;
import imperan.live.Strength;
import imperan.osc.OscArgument;
import imperan.proof.report.Verdict;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is made of what came of a line each time: the verdict, and how strongly it is known. */
class SamplesTest {

    private static final List<OscArgument> LOW = List.of(f(0.25));
    private static final List<OscArgument> HIGH = List.of(f(0.75));

    /** Results by one letter each; the digit behind some is the value that was sent. */
    private static final Map<String, MessageResult> RESULTS = Map.ofEntries(
            Map.entry("readback", Came.asked("/a", LOW, 5)),
            Map.entry("reported", Came.elsewhere("/a", "/b", LOW, 5)),
            Map.entry("returned", Came.back("/a", LOW, 5)),
            Map.entry("acknowledged", Came.back("/a", List.of(), 5)),
            Map.entry("late", new MessageResult.Late(Came.back("/a", LOW, 5).evidence(), 900)),
            Map.entry(
                    "stood",
                    new MessageResult.ProvesNothing(
                            Why.STOOD_THERE, Came.back("/a", LOW, 5).evidence(), 5)),
            Map.entry("wrong", new MessageResult.Differed(How.VALUE, "/a", HIGH, Optional.of(5L), true)),
            Map.entry("type", new MessageResult.Differed(How.TYPE, "/a", HIGH, Optional.of(5L), false)),
            Map.entry("more", new MessageResult.Differed(How.ARGUMENTS, "/a", HIGH, Optional.of(5L), false)),
            Map.entry("ignored", new MessageResult.Differed(How.AS_BEFORE, "/a", HIGH, Optional.empty(), true)),
            Map.entry("none", new MessageResult.NoAnswer(500, Optional.empty())),
            Map.entry("elsewhere", new MessageResult.NoAnswer(500, Optional.of("/b"))),
            Map.entry("closed", new MessageResult.PortClosed()),
            Map.entry("released", new MessageResult.ReleasedEarly(LOW, Optional.of(5L))),
            Map.entry("oneway", new MessageResult.NotExpected(new Reason.NoListen())),
            Map.entry("news", new MessageResult.NoNews(500)),
            Map.entry("overtaken", new MessageResult.Overtaken()),
            Map.entry("unjudged", new MessageResult.NotJudged()),
            Map.entry("unsent", new MessageResult.NotSent(new Reason.SameValue())));

    private static Samples of(String... results) {
        Samples samples = new Samples();
        Arrays.stream(results).map(SamplesTest::sample).forEach(samples::add);
        return samples;
    }

    /** Of the low value, or of the high one where an exclamation mark follows. */
    private static Sample sample(String result) {
        boolean high = result.endsWith("!");
        return new Sample(high ? HIGH : LOW, RESULTS.get(high ? result.substring(0, result.length() - 1) : result));
    }

    @ParameterizedTest
    @CsvSource({
        "readback, CONFIRMED, true, true, true",
        "reported, CONFIRMED, true, true, false",
        "late, LATE, true, false, false",
        "stood, NOT_JUDGED, false, false, false",
        "wrong, WRONG_VALUE, true, false, true",
        "type, WRONG_TYPE, true, false, false",
        "more, DIFFERENT_ARGUMENTS, true, false, false",
        "ignored, IGNORED, true, false, true",
        "none, NO_ANSWER, true, false, false",
        "elsewhere, OTHER_ADDRESS, true, false, false",
        "closed, PORT_CLOSED, true, false, false",
        "released, RELEASED_EARLY, true, false, false",
        "oneway, ONE_WAY, false, false, false",
        "news, NOT_JUDGED, false, false, false",
        "overtaken, NOT_JUDGED, false, false, false",
        "unjudged, NOT_JUDGED, false, false, false",
        "unsent, NOT_JUDGED, false, false, false",
    })
    void oneSampleIsAViewOfItsResult(String result, Verdict verdict, boolean judged, boolean good, boolean asked) {
        Sample sample = sample(result);
        assertThat(sample.verdict()).isEqualTo(verdict);
        assertThat(sample.isJudged()).isEqualTo(judged);
        assertThat(sample.isGood()).isEqualTo(good);
        assertThat(sample.isAsked()).isEqualTo(asked);
        assertThat(sample.strength().isPresent()).isEqualTo(good);
        assertThat(sample.after()).isEqualTo(RESULTS.get(result).after());
        assertThat(sample.said()).isEqualTo(RESULTS.get(result).said());
    }

    @Test
    void whatIsAskedAfterwardsMakesASampleStrongerOrContradictsIt() {
        MessageResult.Answered told = Came.asked("/q", LOW, 9);
        Sample stronger = sample("returned").readBack(told.evidence());
        assertThat(stronger.strength()).hasValue(Strength.READ_BACK);
        assertThat(stronger.after()).as("as long as the first answer took").hasValue(5L);
        Sample stood = sample("returned").standingThere();
        assertThat(stood.isJudged()).isFalse();
        assertThat(stood.readBack(told.evidence()).isJudged())
                .as("it stood there all the same")
                .isFalse();
        assertThat(stood.readBack(told.evidence()).isAsked()).isTrue();
        assertThat(sample("none").standingThere()).isEqualTo(sample("none"));
        assertThat(sample("none").readBack(told.evidence())).isEqualTo(sample("none"));
        Sample against = sample("returned").contradicted(How.AS_BEFORE, "/q", HIGH);
        assertThat(against.verdict()).isEqualTo(Verdict.IGNORED);
        assertThat(against.said()).isEqualTo(HIGH);
        assertThat(against.after()).hasValue(5L);
        assertThat(sample("wrong").settled(false, 800, told.evidence()).strength())
                .hasValue(Strength.READ_BACK);
        assertThat(sample("wrong").settled(true, 800, told.evidence()).verdict())
                .isEqualTo(Verdict.LATE);
        assertThat(sample("wrong").settled(true, 800, told.evidence()).after()).hasValue(800L);
    }

    /** Each value counts as strongly as it was known best, and the line as the value that is known least. */
    @ParameterizedTest
    @CsvSource({
        "readback, READ_BACK",
        "returned, RETURNED",
        "acknowledged, ACKNOWLEDGED",
        "returned readback, READ_BACK",
        "readback returned, READ_BACK",
        "readback returned!, RETURNED",
        "readback! returned, RETURNED",
        "readback reported!, REPORTED",
        // who answers in steps of its own answers one of them as it was sent
        "reported returned!, REPORTED",
        "reported acknowledged!, ACKNOWLEDGED",
        "stood! readback, READ_BACK",
        "oneway readback, READ_BACK",
        "returned none,",
        "stood,",
        "none,",
    })
    void theLineIsKnownAsTheValueThatIsKnownLeast(String results, Strength strength) {
        assertThat(of(results.split(" ")).strength()).isEqualTo(Optional.ofNullable(strength));
    }

    @ParameterizedTest
    @CsvSource({
        "readback reported!, CONFIRMED",
        "readback returned!, RETURNED",
        "acknowledged, ACKNOWLEDGED",
        "stood, NOT_JUDGED",
        "stood oneway, ONE_WAY",
        "readback wrong, WRONG_VALUE",
        "wrong type, WRONG_TYPE",
        "ignored wrong, WRONG_VALUE",
        "late readback, LATE",
        "late none, LATE",
        "ignored ignored, IGNORED",
        "ignored readback, INTERMITTENT",
        "none none, NO_ANSWER",
        "none readback, LOST",
        "none more, LOST",
        "none released, LOST",
        "none stood, NO_ANSWER",
        "closed closed, PORT_CLOSED",
        "closed readback, INTERMITTENT",
        "closed none, PORT_CLOSED",
        "elsewhere none, OTHER_ADDRESS",
        "elsewhere readback, INTERMITTENT",
        "more readback, DIFFERENT_ARGUMENTS",
        "released readback, RELEASED_EARLY",
    })
    void theVerdictIsWhatTellsMost(String results, Verdict verdict) {
        assertThat(of(results.split(" ")).verdict(false)).isEqualTo(verdict);
    }

    @Test
    void whatStandsInTheWayMasksOnlyWhatIsAllGood() {
        assertThat(of("readback", "readback!").verdict(true)).isEqualTo(Verdict.MASKED);
        assertThat(of("readback", "wrong!").verdict(true)).isEqualTo(Verdict.WRONG_VALUE);
        assertThat(of("stood").verdict(true)).isEqualTo(Verdict.NOT_JUDGED);
    }

    @Test
    void samplesAreCounted() {
        Samples samples = of("readback", "returned!", "none", "ignored", "late!", "stood", "oneway");
        assertThat(samples.size()).isEqualTo(7);
        assertThat(samples.isEmpty()).isFalse();
        assertThat(new Samples().isEmpty()).isTrue();
        assertThat(samples.probes()).isEqualTo(5);
        assertThat(samples.judgedOnes()).hasSize(5);
        assertThat(samples.answered()).isEqualTo(2);
        assertThat(samples.lost()).as("to which nothing came").isEqualTo(2);
        assertThat(samples.values()).isEqualTo(2);
        assertThat(samples.nanos()).containsExactly(5L, 5L, 900L);
        assertThat(of("wrong", "wrong!", "stood").isOnlyWrong()).isTrue();
        assertThat(of("wrong", "none").isOnlyWrong()).isFalse();
    }

    @Test
    void aValueIsReadBackOnceItWasAskedFor() {
        Samples samples = of("readback", "returned!");
        assertThat(samples.isReadBack(LOW)).isTrue();
        assertThat(samples.isReadBack(HIGH)).isFalse();
        assertThat(of("stood").isReadBack(LOW)).isFalse();
    }

    @Test
    void theFirstThatFellShortTellsElseTheLast() {
        assertThat(new Samples().telling()).isEmpty();
        assertThat(of("readback", "none", "wrong").telling()).hasValue(sample("none"));
        assertThat(of("readback", "returned!").telling()).hasValue(sample("returned!"));
        assertThat(of("readback", "stood!").telling()).hasValue(sample("stood!"));
    }
}
