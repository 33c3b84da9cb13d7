package imperan.check;

import static imperan.check.FindingKind.ADDRESS_UNKNOWN;
import static imperan.check.FindingKind.COUNTING_BASE;
import static imperan.check.FindingKind.INCOMPLETE;
import static imperan.check.FindingKind.LETTER_CASE;
import static imperan.check.FindingKind.LOOKS_LIKE_NUMBER;
import static imperan.check.FindingKind.NEVER_SAID_BY_TARGET;
import static imperan.check.FindingKind.NOT_ASCII;
import static imperan.check.FindingKind.NOT_A_CHOICE;
import static imperan.check.FindingKind.NO_LINES;
import static imperan.check.FindingKind.NO_TARGET;
import static imperan.check.FindingKind.NO_WAY_BACK;
import static imperan.check.FindingKind.NUMBER_OUT_OF_RANGE;
import static imperan.check.FindingKind.ONLY_SAID_BY_TARGET;
import static imperan.check.FindingKind.RANGE_BEYOND;
import static imperan.check.FindingKind.RANGE_SHORT;
import static imperan.check.FindingKind.WRONG_TYPES;
import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.shaping.Flip;
import imperan.shaping.Scale;
import imperan.shaping.Smooth;
import imperan.shaping.Toggle;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.NamedValue;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Clock;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.PageKey;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each kind of finding about a line has a case that has it, a near one that has not, and a remedy that makes it go away. */
class LineChecksTest {

    private static final PartId BOOK = new PartId("book");
    private static final PartId BARE = new PartId("bare");
    private static final PartId CONTROL = new PartId("control");

    /** A desk with a phrasebook, and one without. */
    private Show show;

    @BeforeEach
    void desk() {
        show = accepted(
                Shows.withPage(),
                ADA,
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(BARE, null, Shows.target("Bare")));
        show = accepted(show, ADA, change(show, DESK, Shows.target("Desk").speaking(BOOK)));
        understands("/in/<ch:1..12>/level", Direction.BOTH, ranged(ArgumentType.FLOAT32, 0, 1));
        understands(
                "/in/<ch:1..12>/name",
                Direction.IN,
                PhraseArgument.plain(
                        ArgumentType.TEXT, Optional.empty(), Optional.empty(), "", List.of(), Optional.empty()));
        understands("/lamp/<n:0..7>", Direction.OUT, ranged(ArgumentType.INT32, 0, 255));
        understands(
                "/scene",
                Direction.OUT,
                PhraseArgument.plain(
                        ArgumentType.TEXT,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        List.of("Dawn", "Dusk"),
                        Optional.empty()));
        understands(
                "/title",
                Direction.OUT,
                PhraseArgument.plain(
                        ArgumentType.TEXT, Optional.empty(), Optional.empty(), "", List.of(), Optional.empty()));
    }

    private static PhraseArgument ranged(ArgumentType type, double low, double high) {
        return PhraseArgument.plain(type, Optional.of(low), Optional.of(high), "", List.of(), Optional.empty());
    }

    private void understands(String address, Direction direction, PhraseArgument argument) {
        show = accepted(
                show,
                ADA,
                put(
                        PartId.random(),
                        BOOK,
                        Phrase.plain(
                                address,
                                direction,
                                List.of(argument),
                                AnswerRule.usual(AnswerRule.Kind.SAME),
                                "",
                                "")));
    }

    // ---- what a control says

    private static ArgumentSource fixed(String text) {
        return new ArgumentSource.Fixed(ArgumentType.TEXT, text);
    }

    private static ArgumentSource value(ArgumentType type, double low, double high) {
        return new ArgumentSource.Value(type, low, high);
    }

    private LineChecksTest sends(String address, ArgumentSource... arguments) {
        return has(
                Knob.restingAt(0),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), address, List.of(arguments))),
                List.of());
    }

    private LineChecksTest listens(Listen listen) {
        return has(Knob.restingAt(0), List.of(), List.of(listen));
    }

    private LineChecksTest has(Form form, List<Send> sends, List<Listen> listens) {
        Control control = Control.plain("Knob", new Cells(0, 0, 2, 2), form, sends, listens);
        show = show.part(CONTROL).isPresent()
                ? accepted(show, ADA, change(show, CONTROL, control))
                : accepted(show, ADA, put(CONTROL, PAGE, control));
        return this;
    }

    private List<Finding> found() {
        return new Checks(show).of(CONTROL);
    }

    private Finding only(FindingKind kind) {
        assertThat(found())
                .as("%s", found())
                .singleElement()
                .extracting(Finding::kind)
                .isEqualTo(kind);
        return found().get(0);
    }

    private void nothing() {
        assertThat(found()).isEmpty();
    }

    /** Presses the remedy; then nothing is left. */
    private Control mend(Finding finding, String words) {
        Finding.Remedy remedy = finding.remedy().orElseThrow();
        assertThat(remedy.words()).isEqualTo(words);
        show = ((Outcome.Accepted) show.apply(remedy.edit(), ADA)).show();
        nothing();
        return (Control) show.part(CONTROL).orElseThrow().body();
    }

    // ---- addresses

    @ParameterizedTest
    @CsvSource({
        "/in/3/lvel, ADDRESS_UNKNOWN, /in/3/level",
        "/In/3/Level, LETTER_CASE, /in/3/level",
        "/in/14/level, NUMBER_OUT_OF_RANGE, /in/12/level",
        "/in/0/level, COUNTING_BASE, /in/1/level",
        "/in/<ch:1..12>/level, INCOMPLETE, /in/1/level"
    })
    void anAddressThatIsNearlyKnownIsMended(String typed, FindingKind kind, String meant) {
        Finding finding = sends(typed, value(ArgumentType.FLOAT32, 0, 1)).only(kind);
        assertThat(finding.field()).isEqualTo("sends/0/address");
        assertThat(finding.cause()).isEqualTo(DESK);
        assertThat(mend(finding, "Use " + meant).sends().get(0).address()).isEqualTo(meant);
        listens(Listen.value(Optional.of(DESK), typed, 0, 0, 1));
        assertThat(mend(only(kind), "Use " + meant).listens().get(0).address()).isEqualTo(meant);
    }

    @Test
    void theSentenceSaysInWhatItDiffers() {
        assertThat(sends("/in/14/level", value(ArgumentType.FLOAT32, 0, 1))
                        .only(NUMBER_OUT_OF_RANGE)
                        .text())
                .isEqualTo("Desk’s phrasebook has no /in/14/level: ch goes from 1 to 12");
        assertThat(sends("/lamp/8", value(ArgumentType.INT32, 0, 255))
                        .only(COUNTING_BASE)
                        .text())
                .isEqualTo("Desk’s phrasebook has no /lamp/8: n is counted from 0 and ends at 7");
        assertThat(sends("/LAMP/3", value(ArgumentType.INT32, 0, 255))
                        .only(LETTER_CASE)
                        .text())
                .contains("capitals")
                .contains("/lamp/3");
        assertThat(sends("/something/else").only(ADDRESS_UNKNOWN).remedy())
                .as("nothing is near")
                .isEmpty();
        assertThat(sends("/in/<ch:1..12>/level", value(ArgumentType.FLOAT32, 0, 1))
                        .only(INCOMPLETE)
                        .text())
                .isEqualTo("Still needs: which ch (1 to 12)");
        sends("/in/12/level", value(ArgumentType.FLOAT32, 0, 1)).nothing();
        has(
                        Knob.restingAt(0),
                        List.of(new Send(Send.Phase.CHANGE, Optional.of(BARE), "/whatever", List.of())),
                        List.of())
                .nothing();
    }

    @Test
    void aLineWithoutTargetAndAControlWithoutLines() {
        has(Knob.restingAt(0), List.of(new Send(Send.Phase.CHANGE, Optional.empty(), "/x", List.of())), List.of());
        assertThat(only(NO_TARGET).field()).isEqualTo("sends/0/target");
        listens(Listen.value(Optional.empty(), "/x", 0, 0, 1));
        assertThat(only(NO_TARGET).text()).startsWith("It listens to nobody");
        has(Knob.restingAt(0), List.of(), List.of()).only(NO_LINES);
        has(new Clock(), List.of(), List.of()).nothing();
        has(new PageKey(Optional.empty()), List.of(), List.of());
        assertThat(only(INCOMPLETE).text()).contains("which page");
        has(new PageKey(Optional.of(PAGE)), List.of(), List.of()).nothing();
    }

    @Test
    void whoSaysItCounts() {
        assertThat(sends("/in/3/name", fixed("Flute")).only(ONLY_SAID_BY_TARGET).text())
                .isEqualTo("Desk says /in/3/name and does not take it");
        listens(Listen.value(Optional.of(DESK), "/lamp/3", 0, 0, 255));
        assertThat(only(NEVER_SAID_BY_TARGET).text()).isEqualTo("Desk takes /lamp/3 and never says it");
        listens(Listen.label(Optional.of(DESK), "/in/3/name", 0)).nothing();
    }

    // ---- arguments

    @Test
    void typesAreThoseOfThePhrase() {
        Finding finding = sends("/in/3/level", value(ArgumentType.INT32, 1, 0)).only(WRONG_TYPES);
        assertThat(finding.text()).isEqualTo("It sends an int (i); Desk takes a float (f)");
        assertThat(mend(finding, "Send a float (f)").sends().get(0).arguments())
                .as("in the direction in which it went")
                .containsExactly(value(ArgumentType.FLOAT32, 1, 0));
        assertThat(mend(sends("/in/3/level", fixed("0.5")).only(WRONG_TYPES), "Send a float (f)")
                        .sends()
                        .get(0)
                        .arguments())
                .containsExactly(new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5"));
        assertThat(mend(sends("/in/3/level").only(WRONG_TYPES), "Send a float (f)")
                        .sends()
                        .get(0)
                        .arguments())
                .containsExactly(value(ArgumentType.FLOAT32, 0, 1));
        assertThat(mend(
                                sends(
                                                "/in/3/level",
                                                value(ArgumentType.FLOAT32, 0, 1),
                                                new ArgumentSource.Fixed(ArgumentType.INT32, "7"))
                                        .only(WRONG_TYPES),
                                "Send a float (f)")
                        .sends()
                        .get(0)
                        .arguments())
                .containsExactly(value(ArgumentType.FLOAT32, 0, 1));
    }

    @Test
    void rangesReachAllThatCountsAndNoMore() {
        Finding beyond =
                sends("/in/3/level", value(ArgumentType.FLOAT32, 100, 0)).only(RANGE_BEYOND);
        assertThat(beyond.text()).isEqualTo("It goes from 0 to 100; only 0 to 1 counts");
        assertThat(mend(beyond, "Use 0 to 1").sends().get(0).arguments())
                .containsExactly(value(ArgumentType.FLOAT32, 1, 0));
        Finding falls = sends("/lamp/3", value(ArgumentType.INT32, 0, 1)).only(RANGE_SHORT);
        assertThat(falls.text())
                .as("common practice, no source: 0 to 1 unless a target says otherwise, 8-bit levels 0 to 255")
                .isEqualTo("It reaches 0 to 1 of 0 to 255: the target only ever sees 0 and 1");
        assertThat(mend(falls, "Use 0 to 255").sends().get(0).arguments())
                .containsExactly(value(ArgumentType.INT32, 0, 255));
        assertThat(sends("/lamp/3", value(ArgumentType.INT32, 0, 127))
                        .only(RANGE_SHORT)
                        .text())
                .as("common practice, no source: 0 to 127 in MIDI")
                .isEqualTo("It reaches 0 to 127 of 0 to 255");
        sends("/lamp/3", value(ArgumentType.INT32, 255, 0)).nothing();
    }

    @Test
    void aRangeIsMarkedAtTheStepAfterWhichItStays() {
        ArgumentSource late = new ArgumentSource.Value(
                ArgumentType.INT32,
                List.of(new Scale(0, 255), new Flip(), new Scale(0, 255, 0, 100), new Smooth(0.2)),
                0);
        assertThat(sends("/lamp/3", late).only(RANGE_SHORT).field()).isEqualTo("sends/0/arguments/0/shaping/2");
        ArgumentSource early = new ArgumentSource.Value(
                ArgumentType.INT32, List.of(new Scale(0, 100), new Flip(), new Smooth(0.2)), 0);
        assertThat(sends("/lamp/3", early).only(RANGE_SHORT).field()).isEqualTo("sends/0/arguments/0/shaping/0");
        assertThat(sends("/lamp/3", new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0))
                        .only(RANGE_SHORT)
                        .field())
                .isEqualTo("sends/0/arguments/0/shaping");
    }

    @Test
    void wholeNumbersOfARangeForDecimalsAreCounted() {
        understands("/long", Direction.OUT, ranged(ArgumentType.INT64, 0, 255));
        assertThat(sends("/long", value(ArgumentType.INT64, 0, 1))
                        .only(RANGE_SHORT)
                        .text())
                .endsWith(": the target only ever sees 0 and 1");
        assertThat(sends("/lamp/3", value(ArgumentType.INT32, 7, 7.2))
                        .only(RANGE_SHORT)
                        .text())
                .endsWith(": the target only ever sees 7");
        assertThat(sends("/lamp/3", value(ArgumentType.INT32, 0, 2))
                        .only(RANGE_SHORT)
                        .text())
                .isEqualTo("It reaches 0 to 2 of 0 to 255");
        understands("/wide", Direction.OUT, ranged(ArgumentType.FLOAT32, 0, 255));
        assertThat(sends("/wide", value(ArgumentType.FLOAT32, 0, 1))
                        .only(RANGE_SHORT)
                        .text())
                .isEqualTo("It reaches 0 to 1 of 0 to 255");
    }

    // ---- what is looked up

    @Test
    void fromWhatAnArgumentIsLookedUpIsThere() {
        PartId gone = new PartId("gone");
        PartId name = new PartId("name");
        show = accepted(show, ADA, put(name, null, new NamedValue("Stage", "3", "")));
        for (Optional<PartId> nobody : List.of(Optional.of(gone), Optional.<PartId>empty(), Optional.of(PAGE))) {
            assertThat(sends("/whatever")
                            .has(
                                    Knob.restingAt(0),
                                    List.of(new Send(
                                            Send.Phase.CHANGE,
                                            Optional.of(BARE),
                                            "/whatever",
                                            List.of(
                                                    fixed("a"),
                                                    new ArgumentSource.OfNamedValue(ArgumentType.TEXT, nobody)))),
                                    List.of())
                            .only(INCOMPLETE)
                            .text())
                    .isEqualTo("Argument 2 still needs: which value it is looked up from");
            assertThat(bare(new ArgumentSource.OfControl(ArgumentType.FLOAT32, nobody, List.of(), 0))
                            .only(INCOMPLETE)
                            .text())
                    .isEqualTo("Argument 1 still needs: which control it is looked up from");
            assertThat(bare(new ArgumentSource.Said(ArgumentType.FLOAT32, nobody, "/a", 0, List.of()))
                            .only(INCOMPLETE)
                            .text())
                    .isEqualTo("Argument 1 still needs: which target it is looked up from");
        }
        bare(new ArgumentSource.OfNamedValue(ArgumentType.TEXT, Optional.of(name)))
                .nothing();
        bare(new ArgumentSource.OfControl(ArgumentType.FLOAT32, Optional.of(CONTROL), List.of(), 0))
                .nothing();
    }

    private LineChecksTest bare(ArgumentSource source) {
        return has(
                Knob.restingAt(0),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(BARE), "/whatever", List.of(source))),
                List.of());
    }

    @Test
    void whatIsLookedUpFromATargetIsWhatItSays() {
        Finding finding = bare(new ArgumentSource.Said(
                        ArgumentType.FLOAT32, Optional.of(DESK), "/lamp/3", 0, List.of()))
                .only(NEVER_SAID_BY_TARGET);
        assertThat(finding.text()).isEqualTo("Desk never says /lamp/3, from which argument 1 is looked up");
        assertThat(finding.field()).isEqualTo("sends/0/arguments/0/address");
        bare(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/in/3/level", 0, List.of()))
                .nothing();
        bare(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(BARE), "/lamp/3", 0, List.of()))
                .nothing();
        show = accepted(
                show,
                ADA,
                put(
                        PartId.random(),
                        BOOK,
                        Phrase.plain(
                                "/ask",
                                Direction.OUT,
                                List.of(ranged(ArgumentType.FLOAT32, 0, 1)),
                                AnswerRule.elsewhere("/told").near(0).within(1),
                                "",
                                "")));
        bare(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/told", 0, List.of()))
                .nothing();
    }

    @Test
    void aChoiceIsSpelledExactly() {
        Finding finding = sends("/scene", fixed("dusk")).only(NOT_A_CHOICE);
        assertThat(finding.text()).isEqualTo("“dusk” is none of Dawn, Dusk. It must be spelled “Dusk”");
        assertThat(mend(finding, "Use “Dusk”").sends().get(0).arguments()).containsExactly(fixed("Dusk"));
        assertThat(sends("/scene", fixed("Noon")).only(NOT_A_CHOICE).remedy()).isEmpty();
        assertThat(sends("/scene", fixed("")).only(INCOMPLETE).text()).isEqualTo("Still needs: which of Dawn, Dusk");
    }

    @Test
    void aTextThatLooksLikeANumberIsAskedForWhereNoPhraseTells() {
        Send bare = new Send(Send.Phase.PRESS, Optional.of(BARE), "/cue", List.of(fixed("12")));
        Finding finding = has(Knob.restingAt(0), List.of(bare), List.of()).only(LOOKS_LIKE_NUMBER);
        assertThat(mend(finding, "Send it as an int (i)").sends().get(0).arguments())
                .containsExactly(new ArgumentSource.Fixed(ArgumentType.INT32, "12"));
        assertThat(has(Knob.restingAt(0), List.of(bare.saying(List.of(fixed("1.5")))), List.of())
                        .only(LOOKS_LIKE_NUMBER)
                        .remedy()
                        .orElseThrow()
                        .words())
                .isEqualTo("Send it as a float (f)");
        has(Knob.restingAt(0), List.of(bare.saying(List.of(fixed("12 b")))), List.of())
                .nothing();
        sends("/title", fixed("12")).nothing();
    }

    @Test
    void lettersBeyondAsciiAreSaid() {
        assertThat(sends("/title", fixed("Flöte")).only(NOT_ASCII).kind().severity())
                .as("OSC 1.0, OSC-string: ASCII")
                .isEqualTo(Severity.NOTE);
        sends("/title", fixed("Flute ~")).nothing();
    }

    // ---- back

    @Test
    void whatIsHeardNeedsAWayBack() {
        Send toggled = new Send(
                Send.Phase.CHANGE,
                Optional.of(DESK),
                "/in/1/level",
                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(new Toggle()), 0)));
        has(Knob.restingAt(0), List.of(toggled), List.of(Listen.asSent(Optional.of(DESK), "/in/1/level", 0)));
        assertThat(only(NO_WAY_BACK).text())
                .contains("cannot go back through step 1")
                .contains("the same press");
        assertThat(only(NO_WAY_BACK).isOfListen(0)).isTrue();
        has(Knob.restingAt(0), List.of(toggled), List.of(Listen.value(Optional.of(DESK), "/in/1/level", 0, 0, 1)))
                .nothing();
    }

    @Test
    void aFindingIsOfOneLine() {
        Finding finding =
                sends("/in/0/level", value(ArgumentType.FLOAT32, 0, 1)).only(COUNTING_BASE);
        assertThat(finding.isOfSend(0)).isTrue();
        assertThat(finding.isOfSend(1)).isFalse();
        assertThat(finding.isOfListen(0)).isFalse();
        assertThat(Finding.of(NO_TARGET, CONTROL, "sends/1", "", "").isOfSend(1))
                .isTrue();
        assertThat(Finding.of(NO_TARGET, CONTROL, "sends/11/target", "", "").isOfSend(1))
                .isFalse();
    }
}
