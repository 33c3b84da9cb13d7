package imperan.show;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.core.JacksonException;

/** How large an edit and what is in it may be, and in which words it is refused. */
class LimitsOfEditsTest {

    private static final Show SHOW = Shows.withPage();

    private static Problem refused(Body body) {
        return Shows.refused(SHOW, ADA, put(new PartId("new"), body instanceof Control ? PAGE : null, body))
                .get(0);
    }

    private static Control sending(ArgumentSource source) {
        Control plain = Shows.fader("Level", 0, "/level");
        return plain.withLines(
                List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/level", List.of(source))), List.of());
    }

    @ParameterizedTest
    @ValueSource(strings = {"\0", "De\0sk", "\u0007bell", "es\u001bcape", "\u007f", "stop\u202egnp.exe", "\u2066a"})
    void charactersThatCannotBeShownAreRefusedAtTheirField(String name) {
        Problem problem = refused(Shows.target(name));
        assertThat(problem.field()).isEqualTo("name");
        assertThat(problem.message()).contains("cannot be shown");
        Problem deep = refused(sending(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.TEXT, "a\u0001b")));
        assertThat(deep.field()).isEqualTo("sends/0/arguments/0/text");
    }

    /** What is one of several words is none by its place among them: that place may change. */
    @Test
    void aNumberIsNoWord() {
        assertThat(ShowJson.mapper().readValue("\"REPORTS\"", Target.Answering.class))
                .isEqualTo(Target.Answering.REPORTS);
        assertThatThrownBy(() -> ShowJson.mapper().readValue("0", Target.Answering.class))
                .isInstanceOf(JacksonException.class);
    }

    @Test
    void scriptsFromRightToLeftAndDashesAreTextAsAnyOther() {
        for (String name : new String[] {"\u05d0\u05d1\u200f 1", "Horn \u2014 left \u2018a\u2019", "10 \u2030"}) {
            assertThat(Shows.apply(SHOW, ADA, put(new PartId("new"), null, Shows.target(name))))
                    .as(name)
                    .isInstanceOf(Outcome.Accepted.class);
        }
    }

    @Test
    void halfACharacterIsRefusedInWords() {
        assertThat(refused(Shows.target("Desk \ud83d")).message()).contains("half a character");
    }

    @Test
    void notesMayHaveLinesAndNamesMayNot() {
        Host noted = new Host(
                "Mill",
                "192.0.2.9",
                24,
                Host.Addressing.FIXED,
                Host.Role.COMPUTER,
                Optional.empty(),
                "",
                "",
                "first\n\tsecond");
        assertThat(Shows.apply(SHOW, ADA, put(new PartId("mill"), null, noted))).isInstanceOf(Outcome.Accepted.class);
        assertThat(refused(Shows.target("two\nlines")).message()).isEqualTo("A name is one line of text");
    }

    @Test
    void longTextsAreRefusedWithTheirLimit() {
        assertThat(refused(Shows.fader("Level", 0, "/" + "a".repeat(70_000))).message())
                .isEqualTo("An address has at most 1000 characters");
        assertThat(refused(sending(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.TEXT, "x".repeat(8_193))))
                        .message())
                .isEqualTo("A text has at most 8192 characters");
        Problem heavy = refused(Shows.target("Desk").startingWith(Collections.nCopies(100, "/a " + "x".repeat(3_000))));
        assertThat(heavy.message()).contains("takes 293 KiB; a part has at most 256");
    }

    @Test
    void aNameHas200Characters() {
        assertThat(Shows.apply(SHOW, ADA, put(new PartId("new"), null, Shows.target("n".repeat(200)))))
                .isInstanceOf(Outcome.Accepted.class);
        Problem problem = refused(Shows.target("n".repeat(201)));
        assertThat(problem.field()).isEqualTo("name");
        assertThat(problem.message()).isEqualTo("A name has at most 200 characters");
    }

    @Test
    void aMessageThatNoDatagramHoldsIsRefusedWhereItIsWritten() {
        Control plain = Shows.fader("Level", 0, "/level");
        ArgumentSource text = new ArgumentSource.Fixed(ArgumentSource.ArgumentType.TEXT, "x".repeat(8_000));
        Problem problem = refused(plain.withLines(
                List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/level", Collections.nCopies(9, text))),
                List.of()));
        assertThat(problem.field()).isEqualTo("sends/0");
        assertThat(problem.message()).contains("a datagram holds at most 65507");
        assertThat(Shows.apply(
                        SHOW,
                        ADA,
                        put(
                                new PartId("new"),
                                PAGE,
                                plain.withLines(
                                        List.of(new Send(
                                                Send.Phase.CHANGE,
                                                Optional.of(DESK),
                                                "/level",
                                                Collections.nCopies(8, text))),
                                        List.of()))))
                .isInstanceOf(Outcome.Accepted.class);
    }

    @Test
    void anEditHasATitleAndASizeOfWhichItIsToldWhenTheyAreTooLarge() {
        EditRequest titled =
                new EditRequest("t".repeat(201), List.of(put(new PartId("new"), null, Shows.target("New"))));
        assertThat(((Outcome.Refused) SHOW.apply(titled, ADA)).problems())
                .extracting(Problem::message)
                .containsExactly("The title of an edit has at most 200 characters");
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i <= PartRules.MOST_CHANGES; i++) {
            steps.add(put(new PartId("t" + i), null, Shows.target("T")));
        }
        assertThat(((Outcome.Refused) SHOW.apply(new EditRequest("Much", steps), ADA)).problems())
                .extracting(Problem::message)
                .containsExactly(
                        "This would change 20001 parts at once; at most 20000 are taken. Do it in several steps");
    }

    @ParameterizedTest
    @CsvSource({
        "FLOAT32,0,1e300",
        "FLOAT64,-1.7976931348623157e308,1.7976931348623157e308",
        "INT32,0,3e9",
        "INT64,-1e19,0",
        "FLOAT32,NaN,1",
        "FLOAT64,0,Infinity"
    })
    void rangesThatCannotBeReckonedWithAreRefused(ArgumentSource.ArgumentType type, double low, double high) {
        assertThat(refused(sending(new ArgumentSource.Value(type, low, high))).field())
                .startsWith("sends/0/arguments/0/shaping");
        Control heard = Shows.fader("Level", 0, "/level")
                .withLines(List.of(), List.of(Listen.value(Optional.of(DESK), "/level", 0, low, high)));
        if (type != ArgumentSource.ArgumentType.INT32) {
            assertThat(refused(heard).field()).isEqualTo("listens/0/shaping/0");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"NaN", "Infinity", "-Infinity", "1e999", "1e39"})
    void aFixedNumberIsANumber(String text) {
        assertThat(refused(sending(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.FLOAT32, text))))
                .satisfies(problem -> assertThat(problem.field()).isEqualTo("sends/0/arguments/0"));
    }

    static List<Arguments> whatNoPhraseExpects() {
        AnswerRule same = AnswerRule.usual(AnswerRule.Kind.SAME);
        return List.of(
                Arguments.of("answer/places", same.at(List.of(-1))),
                Arguments.of("answer/places", same.at(Collections.nCopies(65, 0))),
                Arguments.of("answer/given", same.saying("")),
                Arguments.of("answer/seconds", same.within(Double.NaN)),
                Arguments.of("answer/seconds", same.within(0)),
                Arguments.of("answer/finalSeconds", same.settling(-1)),
                Arguments.of("answer/tolerance", same.near(Double.NaN)),
                Arguments.of("answer/ask/address", same.asking(AskRule.on(""))),
                Arguments.of("answer/ask/address", same.asking(AskRule.on("/a".repeat(600)))),
                Arguments.of(
                        "answer/ask/answeredOn", same.asking(AskRule.on("/a").answered("/<"))),
                Arguments.of("answer/ask/places", same.asking(AskRule.on("/a").at(List.of(-1)))),
                Arguments.of("answer/ask/places", same.asking(AskRule.on("/a").at(Collections.nCopies(65, 0)))),
                Arguments.of(
                        "answer/tolerance", same.near(new AnswerRule.Tolerance(AnswerRule.Tolerance.Unit.STEP, 0))),
                Arguments.of("answer/words", same.worded(Optional.of(-1))));
    }

    @ParameterizedTest
    @MethodSource("whatNoPhraseExpects")
    void whatCannotBeExpectedIsRefusedAtItsField(String field, AnswerRule answer) {
        assertThat(refusedPhrase(Phrase.plain("/a", Phrase.Direction.BOTH, List.of(), answer, "", "")))
                .extracting(Problem::field)
                .containsExactly(field);
    }

    /** Else the answer about one channel would be taken for that about another, and its value be put back there. */
    @ParameterizedTest
    @CsvSource({
        "/get/<x:1..4>, '', no slot <x>",
        "/get, '', has to have the slot <ch>",
        "/get/<ch:1..4>, /is, has to have the slot <ch>",
        "/get/<ch:1..4>, /is/<n:1..4>, no slot <n>",
        "/get/<ch:1..4>, /is/<ch:1..4>, ",
        "/get, /is/<ch:1..4>, ",
        "/get/<ch:1..4>, '', "
    })
    void aQuestionAndItsAnswerNameThePlace(String asked, String answered, String why) {
        AnswerRule rule =
                AnswerRule.usual(AnswerRule.Kind.SAME).asking(AskRule.on(asked).answered(answered));
        Phrase phrase = Phrase.plain("/in/<ch:1..4>/level", Phrase.Direction.BOTH, List.of(), rule, "", "");
        if (why == null) {
            PartId book = new PartId("book");
            Shows.accepted(
                    SHOW,
                    ADA,
                    put(book, null, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())),
                    put(new PartId("phrase"), book, phrase));
        } else {
            assertThat(refusedPhrase(phrase)).singleElement().satisfies(problem -> {
                assertThat(problem.field()).isEqualTo("answer/ask/address");
                assertThat(problem.message()).contains(why);
            });
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1_001})
    void aLengthOfTextsThatNoTextHasIsRefused(int longest) {
        Phrase.PhraseArgument text = Phrase.PhraseArgument.plain(
                        ArgumentSource.ArgumentType.TEXT,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        List.of(),
                        Optional.empty())
                .taking(new TextRule(Optional.of(longest), TextRule.Characters.ANY));
        assertThat(refusedPhrase(Phrase.plain(
                        "/a", Phrase.Direction.BOTH, List.of(text), AnswerRule.usual(AnswerRule.Kind.SAME), "", "")))
                .extracting(Problem::field)
                .containsExactly("arguments/0/texts/longest");
    }

    @Test
    void masksAreAddressesThatSaySomethingAndNotThousands() {
        Phrase phrase =
                Phrase.plain("/a", Phrase.Direction.BOTH, List.of(), AnswerRule.usual(AnswerRule.Kind.SAME), "", "");
        assertThat(refusedPhrase(phrase.masked(Collections.nCopies(Phrase.MOST_MASKS + 1, Mask.own("/mute", "1")))))
                .extracting(Problem::field)
                .containsExactly("masks");
        assertThat(refusedPhrase(phrase.masked(List.of(new Mask("mute", -1, " ", false)))))
                .extracting(Problem::field)
                .containsExactly("masks/0/address", "masks/0/argument", "masks/0/text");
    }

    private static List<Problem> refusedPhrase(Phrase phrase) {
        PartId book = new PartId("book");
        return Shows.refused(
                Shows.accepted(SHOW, ADA, put(book, null, new Phrasebook("Book", Phrasebook.LinkSheet.unknown()))),
                ADA,
                put(new PartId("phrase"), book, phrase));
    }

    /** 20 000 parts are judged in a time that grows with them and not with their square: this test would take minutes. */
    @Test
    void anEditOfTwentyThousandPartsIsJudged() {
        PartId book = new PartId("book");
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put(book, null, new Phrasebook("Long", Phrasebook.LinkSheet.unknown())));
        for (int i = 0; i < 19_000; i++) {
            steps.add(put(
                    new PartId("p" + i),
                    book,
                    Phrase.plain(
                            "/long/" + i,
                            Phrase.Direction.BOTH,
                            List.of(),
                            AnswerRule.usual(AnswerRule.Kind.SAME),
                            "",
                            "")));
        }
        Show full = Shows.accepted(SHOW, ADA, steps.toArray(EditRequest.Step[]::new));
        assertThat(full.children(book)).hasSize(19_000);
        assertThat(full.become(SHOW.parts().stream().map(Held::part).toList(), ADA, "Back"))
                .isInstanceOf(Outcome.Accepted.class);
    }

    // ---- JSON

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"title\": \"x\", \"steps\": [null]}",
                "{\"title\": \"x\", \"steps\": [{\"step\": \"remove\", \"id\": \"desk\", \"basedOn\": \"1\"}]}",
                "{\"title\": \"x\", \"steps\": [{\"step\": \"remove\", \"id\": \"desk\", \"basedOn\": 1.5}]}"
            })
    void jsonIsReadAsItIsWritten(String json) {
        assertThatThrownBy(() -> ShowJson.mapper().readValue(json, EditRequest.class))
                .isInstanceOf(JacksonException.class);
    }

    @Test
    void whatIsNestedTooDeepIsRefusedInWords() {
        String deep = "{\"format\": " + "[".repeat(5_000) + "]".repeat(5_000) + "}";
        assertThat(ShowFile.read(deep))
                .isEqualTo(new ShowFile.Read.Bad(
                        "the file",
                        "This cannot be read: It is nested deeper than 200 levels, or something in it is too long"));
        assertThat(ShowFile.read(" ".repeat(ShowFile.MOST_CHARACTERS + 1)))
                .isEqualTo(new ShowFile.Read.Bad("the file", "It has more than 32 MiB"));
    }
}
