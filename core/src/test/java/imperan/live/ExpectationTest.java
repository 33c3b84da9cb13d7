package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.osc.OscArgument;
import imperan.osc.OscArgument.Float32;
import imperan.osc.OscArgument.Int32;
import imperan.osc.OscArgument.Text;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.AskRule;
import imperan.show.Phrase.PhraseArgument;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is waited for, how long, and how near it has to be. */
class ExpectationTest {

    private static final AnswerRule SAME = AnswerRule.usual(AnswerRule.Kind.SAME);
    private static final List<ArgumentSource> WAY = List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 100));

    private static Expectation of(AnswerRule rule, PhraseArgument... arguments) {
        return new Expectation(rule, Optional.of("/level"), List.of(arguments), Optional.empty());
    }

    private static PhraseArgument argument(ArgumentType type, double low, double high) {
        return PhraseArgument.plain(type, Optional.of(low), Optional.of(high), "", List.of(), Optional.empty());
    }

    private static PhraseArgument fixed(ArgumentType type, String value) {
        return PhraseArgument.plain(type, Optional.empty(), Optional.empty(), "", List.of(), Optional.of(value));
    }

    @Test
    void anAnswerIsComingUnlessThereIsNoneOrItIsToldToOthers() {
        assertThat(of(SAME).isComing()).isTrue();
        assertThat(of(AnswerRule.usual(AnswerRule.Kind.NONE)).isComing()).isFalse();
        assertThat(of(SAME.telling(AnswerRule.Told.OTHERS)).isComing()).isFalse();
        assertThat(of(SAME.telling(AnswerRule.Told.OTHERS)).askedFor().isComing())
                .isTrue();
        assertThat(of(SAME).isAsked()).isFalse();
        assertThat(of(SAME).askedFor().isAsked()).isTrue();
        assertThat(of(SAME).askedFor().address()).hasValue("/level");
    }

    @Test
    void comesOnItsAddressAndWhereNobodyTellsOnAny() {
        assertThat(of(SAME).comesOn("/level")).isTrue();
        assertThat(of(SAME).comesOn("/other")).isFalse();
        assertThat(Expectation.UNTOLD.comesOn("/other")).isTrue();
    }

    /** A proof waits for what is late: three limits long, and for that no longer than two seconds, but never shorter than the limit itself. */
    @ParameterizedTest
    @CsvSource({"0.1, 0.3", "0.5, 1.5", "1, 2", "1.5, 3", "2, 4", "5, 5"})
    void aProofWaitsLonger(double limit, double waits) {
        Expectation expected = of(SAME.within(limit));
        assertThat(expected.limitNanos()).isEqualTo((long) (limit * 1e9));
        assertThat(expected.proofNanos(0)).isCloseTo((long) (waits * 1e9), within(3L));
    }

    @Test
    void aTargetThatTookItsTimeIsWaitedForLonger() {
        Expectation expected = of(SAME.within(0.5));
        assertThat(expected.proofNanos(200_000_000L)).isEqualTo(1_500_000_000L);
        assertThat(expected.proofNanos(1_400_000_000L)).isEqualTo(2_600_000_000L);
        assertThat(expected.proofNanos(9_000_000_000L)).as("but not for ever").isEqualTo(4_000_000_000L);
    }

    @Test
    void theFinalValueHasATimeOfItsOwnWhereThereIsOne() {
        assertThat(of(SAME).finalNanos()).isEmpty();
        assertThat(of(SAME.settling(2)).finalNanos()).hasValue(2_000_000_000L);
    }

    // ---- how near

    private static boolean agrees(Expectation expected, OscArgument sent, OscArgument said) {
        return expected.wanted(List.of(sent), WAY).agrees(List.of(said));
    }

    @Test
    void isAsNearAsItsPhraseSays() {
        PhraseArgument range = argument(ArgumentType.FLOAT32, -60, 0);
        Expectation share = of(SAME.near(new Tolerance(Tolerance.Unit.SHARE, 0.1)), range);
        assertThat(agrees(share, new Float32(-20), new Float32(-26))).isTrue();
        assertThat(agrees(share, new Float32(-20), new Float32(-26.1f))).isFalse();
        Expectation amount = of(SAME.near(new Tolerance(Tolerance.Unit.AMOUNT, 0.5)), range);
        assertThat(agrees(amount, new Float32(-20), new Float32(-20.5f))).isTrue();
        assertThat(agrees(amount, new Float32(-20), new Float32(-20.6f))).isFalse();
        Expectation step = of(SAME.near(new Tolerance(Tolerance.Unit.STEP, 3)), range);
        assertThat(agrees(step, new Float32(-20), new Float32(-21.5f))).isTrue();
        assertThat(agrees(step, new Float32(-20), new Float32(-21.6f))).isFalse();
    }

    /** One of 127 steps of the range of the phrase, or else of the control; whole numbers to the half; what is fixed exactly. */
    @Test
    void isAsNearAsIsUsualWhereItsPhraseSaysNothing() {
        Expectation told = of(SAME, argument(ArgumentType.FLOAT32, 0, 254));
        assertThat(agrees(told, new Float32(100), new Float32(102))).isTrue();
        assertThat(agrees(told, new Float32(100), new Float32(102.1f))).isFalse();
        Expectation ofControl = of(SAME);
        assertThat(agrees(ofControl, new Float32(50), new Float32(50.78f))).isTrue();
        assertThat(agrees(ofControl, new Float32(50), new Float32(50.8f))).isFalse();
        assertThat(agrees(ofControl, new Int32(50), new Float32(50.5f))).isTrue();
        assertThat(agrees(ofControl, new Int32(50), new Int32(51))).isFalse();
        Expectation exactly = of(SAME, fixed(ArgumentType.FLOAT32, "50"));
        assertThat(agrees(exactly, new Float32(50), new Float32(50))).isTrue();
        assertThat(agrees(exactly, new Float32(50), new Float32(50.1f))).isFalse();
        assertThat(agrees(of(SAME), new Text("on"), new Text("on"))).isTrue();
        assertThat(agrees(of(SAME), new Text("on"), new Text("off"))).isFalse();
    }

    /** What is said as a 32-bit number loses some of it on its way: a millionth of what it is, or of one. */
    @Test
    void aNumberMayLoseWhatA32BitNumberLoses() {
        Expectation exactly = of(SAME.near(new Tolerance(Tolerance.Unit.AMOUNT, 0)));
        assertThat(agrees(exactly, new OscArgument.Float64(5000), new OscArgument.Float64(5000.004)))
                .isTrue();
        assertThat(agrees(exactly, new OscArgument.Float64(5000), new OscArgument.Float64(5000.006)))
                .isFalse();
        assertThat(agrees(exactly, new OscArgument.Float64(0.001), new OscArgument.Float64(0.0010009)))
                .isTrue();
        assertThat(agrees(exactly, new OscArgument.Float64(-5000), new OscArgument.Float64(-5000.004)))
                .isTrue();
        assertThat(agrees(exactly, new OscArgument.Float64(0.001), new OscArgument.Float64(0.0010011)))
                .isFalse();
    }

    @Test
    void theValueIsWhereTheAnswerHasIt() {
        Wanted second = of(SAME.at(List.of(1))).wanted(List.of(new Int32(4)), WAY);
        assertThat(second.agrees(List.of(new Int32(9), new Int32(4)))).isTrue();
        assertThat(second.agrees(List.of(new Int32(4), new Int32(9)))).isFalse();
        assertThat(second.agrees(List.of(new Int32(4)))).isFalse();
        Wanted given = of(SAME.saying("playing").at(List.of(1))).wanted(List.of(), WAY);
        assertThat(given.agrees(List.of(new Int32(1), new Text("playing")))).isTrue();
        assertThat(given.agrees(List.of(new Text("playing"), new Int32(1)))).isFalse();
        assertThat(of(SAME.sayingAnything()).wanted(List.of(new Int32(4)), WAY).agrees(List.of()))
                .isTrue();
        assertThat(of(SAME).wanted(List.of(), WAY).agrees(List.of(new Int32(3))))
                .as("nothing was sent that could come back")
                .isTrue();
    }

    /** Where no phrase tells, what varies has to come back, and what is always the same need not. */
    @Test
    void ofWhatNoPhraseKnowsTheFirstThatVariesComesBack() {
        List<ArgumentSource> sources = List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "7"), WAY.get(0));
        Wanted wanted = Expectation.UNTOLD.wantedAt(0, List.of(new Int32(7), new Float32(50)), sources);
        assertThat(wanted.agrees(List.of(new Float32(50)))).isTrue();
        assertThat(wanted.agrees(List.of(new Int32(7)))).isFalse();
        Wanted nothing = Expectation.UNTOLD.wantedAt(0, List.of(new Int32(7)), sources);
        assertThat(nothing.agrees(List.of(new Int32(1)))).isTrue();
        assertThat(Expectation.UNTOLD
                        .wantedAt(0, List.of(new Int32(7)), List.of())
                        .agrees(List.of(new Int32(1))))
                .isTrue();
    }

    // ---- told apart

    @Test
    void linesAreToldApartWhereTheirAnswersCannotBeTakenForEachOther() {
        Expectation expected =
                of(SAME.near(new Tolerance(Tolerance.Unit.AMOUNT, 1)), argument(ArgumentType.FLOAT32, 0, 100));
        assertThat(expected.tellsApart(List.of(new Float32(10)), List.of(new Float32(12)), WAY))
                .isTrue();
        assertThat(expected.tellsApart(List.of(new Float32(12)), List.of(new Float32(10)), WAY))
                .isTrue();
        assertThat(expected.tellsApart(List.of(new Float32(10)), List.of(new Float32(11.9f)), WAY))
                .isFalse();
        assertThat(expected.tellsApart(List.of(new Float32(10)), List.of(), WAY))
                .isTrue();
        assertThat(expected.tellsApart(List.of(), List.of(), WAY)).isFalse();
        assertThat(expected.tellsApart(List.of(new Text("a")), List.of(new Text("b")), WAY))
                .isTrue();
        assertThat(expected.tellsApart(List.of(new Text("a")), List.of(new Text("a")), WAY))
                .isFalse();
        assertThat(expected.tellsApart(List.of(new Text("a")), List.of(new Float32(1)), WAY))
                .isTrue();
        assertThat(expected.tellsApart(List.of(new Float32(1)), List.of(new Text("a")), WAY))
                .isTrue();
        assertThat(expected.tellsApart(
                        List.of(new Text("a"), new Float32(10)), List.of(new Text("a"), new Float32(90)), WAY))
                .as("by the second one")
                .isTrue();
    }

    // ---- where a control stands

    @Test
    void aControlIsAsNearAsAShareOfItsWay() {
        Optional<ArgumentSource.Value> decimals = Optional.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 200));
        Optional<ArgumentSource.Value> whole = Optional.of(new ArgumentSource.Value(ArgumentType.INT32, 0, 200));
        Optional<ArgumentSource.Value> longs = Optional.of(new ArgumentSource.Value(ArgumentType.INT64, 0, 100));
        assertThat(of(SAME).share(decimals)).isEqualTo(1.0 / 127);
        assertThat(of(SAME).share(Optional.empty())).isEqualTo(1.0 / 127);
        assertThat(of(SAME).share(whole)).isEqualTo(0.5 / 200);
        assertThat(of(SAME).share(longs)).isEqualTo(0.5 / 100);
        assertThat(of(SAME.near(0.25)).share(whole)).isEqualTo(0.25);
        assertThat(of(SAME.near(new Tolerance(Tolerance.Unit.AMOUNT, 5))).share(decimals))
                .isEqualTo(5.0 / 200);
        assertThat(of(SAME.near(new Tolerance(Tolerance.Unit.STEP, 4))).share(decimals))
                .isEqualTo(2.0 / 200);
        Optional<ArgumentSource.Value> standing = Optional.of(new ArgumentSource.Value(ArgumentType.INT32, 3, 3));
        assertThat(of(SAME).share(standing)).as("one that has no way").isEqualTo(0.5);
    }

    private static final ArgumentSource THREE = new ArgumentSource.Fixed(ArgumentType.INT32, "3");
    private static final ArgumentSource LEVEL = new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1);

    @Test
    void whatIsFixedBesideWhatVariesNamesAPlace() {
        Expectation untold = Expectation.UNTOLD;
        assertThat(untold.names(List.of(THREE, LEVEL), 2)).containsExactly(true, false);
        assertThat(untold.names(List.of(LEVEL), 1)).containsExactly(false);
        assertThat(untold.names(List.of(THREE, THREE), 2))
                .as("the last is the value")
                .containsExactly(true, false);
        PhraseArgument part = argument(ArgumentType.INT32, 0, 255);
        assertThat(of(SAME, part, part, part).names(List.of(THREE, THREE, THREE), 3))
                .as("three that are alike are one value")
                .containsExactly(false, false, false);
        assertThat(of(SAME, argument(ArgumentType.INT32, 1, 8), part).names(List.of(THREE, THREE), 2))
                .containsExactly(true, false);
        assertThat(of(SAME, part, fixed(ArgumentType.INT32, "3")).names(List.of(THREE, THREE), 2))
                .as("the phrase tells")
                .containsExactly(false, true);
    }

    private static Expectation asking(AskRule how) {
        return new Expectation(SAME.asking(how), Optional.of("/level"), List.of(), Optional.of(how));
    }

    @Test
    void aQuestionIsItsOwnAddressUnlessAPhraseTellsOtherwise() {
        List<OscArgument> sent = List.of(new Int32(3), new Float32(0.5f));
        List<ArgumentSource> sources = List.of(THREE, LEVEL);
        assertThat(of(SAME).question("/level", sent.subList(1, 2), List.of(LEVEL))
                        .orElseThrow()
                        .message())
                .isEqualTo(OscMessage.of("/level"));
        assertThat(of(SAME).question("/level", sent, sources))
                .as("it names no place")
                .isEmpty();
        assertThat(asking(AskRule.on("/get")).question("/level", sent, sources)).isEmpty();
        Question named = asking(AskRule.on("/get").named().answered("/is").at(List.of(1, 0)))
                .question("/level", sent, sources)
                .orElseThrow();
        assertThat(named.message()).isEqualTo(OscMessage.of("/get", new Int32(3)));
        assertThat(named.answeredOn()).isEqualTo("/is");
        assertThat(named.names()).isEqualTo(Map.of(1, new Int32(3)));
        Wanted.Told told = new Wanted.Told(named.names());
        assertThat(told.agrees(List.of(new Float32(0.5f), new Int32(3)))).isTrue();
        assertThat(told.agrees(List.of(new Float32(0.5f), new Int32(4))))
                .as("another place")
                .isFalse();
        assertThat(told.agrees(List.of(new Int32(3)))).as("the question itself").isFalse();
    }
}
