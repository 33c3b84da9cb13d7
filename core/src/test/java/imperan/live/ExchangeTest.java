package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.KeepAlive;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.wire.WireRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a line is answered by, whoever says it: what is awaited, what agrees, and how it ends. */
class ExchangeTest {

    private static final PartId BOOK = new PartId("book");
    private static final Target DESK = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS);

    private Stage stage;

    private static Phrase phrase(String address, AnswerRule answer, ArgumentType... types) {
        return Phrase.plain(
                address,
                Phrase.Direction.BOTH,
                Stream.of(types)
                        .map(type -> Phrase.PhraseArgument.plain(
                                type, Optional.empty(), Optional.empty(), "", List.of(), Optional.empty()))
                        .toList(),
                answer,
                "",
                "");
    }

    private void play(Target target, Phrase... phrases) {
        Show show = Shows.accepted(
                Shows.withPage(), Shows.ADA, put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())));
        for (Phrase phrase : phrases) {
            show = Shows.accepted(show, Shows.ADA, put(PartId.random(), BOOK, phrase));
        }
        show = Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, target.speaking(BOOK)));
        stage = new Stage(show);
    }

    private void say(String line) {
        assertThat(Asking.say(stage.live, Shows.DESK, line, stage.now)).isEmpty();
    }

    private List<MessageResult> endings() {
        return stage.events.stream()
                .filter(LiveEvent.Ended.class::isInstance)
                .map(event -> ((LiveEvent.Ended) event).result())
                .toList();
    }

    private static OscArgument text(String text) {
        return new OscArgument.Text(text);
    }

    private static OscArgument whole(int value) {
        return new OscArgument.Int32(value);
    }

    // ---- what is to come back

    @Test
    void whatAlwaysComesBackIsTheAnswerOfAMessageThatNoControlSent() {
        play(
                DESK,
                phrase(
                        "/sheet/<n:1..3>/play",
                        AnswerRule.elsewhere("/sheet/<n:1..3>/state").saying("playing")));
        say("/sheet/2/play");
        stage.now += 3 * MS;
        stage.desk("/sheet/1/state", text("playing"));
        stage.desk("/sheet/2/state", text("idle"));
        assertThat(endings()).isEmpty();
        stage.desk("/sheet/2/state", text("playing"));
        assertThat(endings()).singleElement().isInstanceOfSatisfying(MessageResult.Answered.class, answered -> {
            assertThat(answered.evidence().address()).isEqualTo("/sheet/2/state");
            assertThat(answered.said()).containsExactly(text("playing"));
            assertThat(answered.evidence().strength()).isEqualTo(Strength.REPORTED);
            assertThat(answered.afterNanos()).isEqualTo(3 * MS);
        });
        assertThat(stage.link().answers().orElseThrow().last()).isEqualTo(3 * MS);
    }

    @Test
    void anythingIsAnAnswerWhereThePhraseSaysSo() {
        play(DESK, phrase("/take", AnswerRule.elsewhere("/reel").sayingAnything()));
        say("/take");
        stage.desk("/reel", whole(7));
        assertThat(endings())
                .hasOnlyElementsOfType(MessageResult.Answered.class)
                .hasSize(1);
    }

    @Test
    void theArgumentsMayStandElsewhereInTheAnswer() {
        play(
                DESK,
                phrase(
                        "/pos",
                        AnswerRule.elsewhere("/pos/now").at(List.of(2, 1)),
                        ArgumentType.FLOAT32,
                        ArgumentType.FLOAT32));
        say("/pos 0.25 0.75");
        stage.desk("/pos/now", text("lantern"), new OscArgument.Float32(0.25f), new OscArgument.Float32(0.75f));
        assertThat(endings()).isEmpty();
        stage.desk("/pos/now", text("lantern"), new OscArgument.Float32(0.75f), new OscArgument.Float32(0.25f));
        assertThat(endings())
                .hasOnlyElementsOfType(MessageResult.Answered.class)
                .hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({
        // half of 1 for whole numbers; 7 is another one
        "i, , 100, 100, true", "i, , 100, 101, false",
        "i, STEP 5, 103, 105, true", "i, STEP 5, 103, 106, false",
        "i, AMOUNT 3, 100, 103, true", "i, AMOUNT 3, 100, 104, false",
        "f, , 0.5, 0.5, true", "f, , 0.5, 0.51, false",
        "f, AMOUNT 0.1, 0.5, 0.59, true", "f, AMOUNT 0.1, 0.5, 0.61, false",
    })
    void agreementIsJudgedInTheArgumentsOwnTerms(
            String type, String tolerance, String sent, float back, boolean agrees) {
        AnswerRule same = AnswerRule.usual(AnswerRule.Kind.SAME);
        AnswerRule rule = tolerance == null
                ? same
                : same.near(new Tolerance(
                        Tolerance.Unit.valueOf(tolerance.split(" ")[0]),
                        Double.parseDouble(tolerance.split(" ")[1])));
        play(DESK, phrase("/level", rule, type.equals("i") ? ArgumentType.INT32 : ArgumentType.FLOAT32));
        say("/level " + sent);
        stage.desk("/level", back);
        assertThat(endings()).hasSize(agrees ? 1 : 0);
        stage.pass(600);
        assertThat(endings())
                .singleElement()
                .isInstanceOf(agrees ? MessageResult.Answered.class : MessageResult.Differed.class);
    }

    @Test
    void textsAgreeLetterByLetterAndASharePertainsToTheRangeOfThePhrase() {
        play(
                DESK,
                phrase("/scene", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.TEXT),
                Phrase.plain(
                        "/level",
                        Phrase.Direction.BOTH,
                        List.of(Phrase.PhraseArgument.plain(
                                ArgumentType.FLOAT32,
                                Optional.of(-60.0),
                                Optional.of(10.0),
                                "dB",
                                List.of(),
                                Optional.empty())),
                        AnswerRule.usual(AnswerRule.Kind.SAME).near(0.01),
                        "",
                        ""));
        say("/scene Flood");
        stage.desk("/scene", text("flood"));
        assertThat(endings()).isEmpty();
        stage.desk("/scene", text("Flood"));
        assertThat(endings()).hasSize(1);
        say("/level -6.0");
        stage.desk("/level", -6.71f);
        assertThat(endings()).hasSize(1);
        stage.desk("/level", -6.69f);
        assertThat(endings()).hasSize(2);
    }

    // ---- values on the way

    @Test
    void valuesComeOnTheWayAndTheFinalOneHasATimeOfItsOwn() {
        play(
                DESK,
                phrase(
                        "/look/<n:1..12>/go",
                        AnswerRule.elsewhere("/look/<n:1..12>/state")
                                .saying("in")
                                .settling(4)));
        say("/look/3/go");
        stage.pass(100);
        stage.desk("/look/3/state", text("rising"));
        stage.pass(3_900);
        assertThat(endings()).isEmpty();
        stage.desk("/look/3/state", text("in"));
        assertThat(endings())
                .hasOnlyElementsOfType(MessageResult.Answered.class)
                .hasSize(1);
        say("/look/4/go");
        stage.pass(501);
        assertThat(endings()).last().isInstanceOf(MessageResult.NoAnswer.class);
        say("/look/5/go");
        stage.desk("/look/5/state", text("rising"));
        stage.pass(4_001);
        assertThat(endings()).last().isInstanceOf(MessageResult.Differed.class);
    }

    // ---- what proves nothing

    @Test
    void whatWasSaidBeforeProvesNothingOfATargetThatSaysThingsByItself() {
        play(DESK, phrase("/level", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.FLOAT32));
        stage.desk("/level", 0.5f);
        say("/level 0.5");
        stage.desk("/level", 0.5f);
        assertThat(endings()).singleElement().isInstanceOf(MessageResult.ProvesNothing.class);
        say("/level 0.7");
        stage.desk("/level", 0.7f);
        assertThat(endings()).last().isInstanceOf(MessageResult.Answered.class);
        // one that tells only what changes says nothing now
        say("/level 0.7");
        stage.pass(501);
        assertThat(endings()).last().isEqualTo(new MessageResult.NoNews(500 * MS));
        assertThat(stage.link().unanswered()).isZero();
    }

    /** What it said before it went away tells nothing of what stands there now: its answer is news, and its silence is no answer. */
    @Test
    void aTargetThatWasAwayHasSaidNothingYet() {
        play(DESK, phrase("/level", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.FLOAT32));
        stage.desk("/level", 0.5f);
        stage.live.portClosed(Shows.DESK, stage.now);
        say("/level 0.5");
        stage.pass(501);
        assertThat(endings()).last().isInstanceOf(MessageResult.NoAnswer.class);
        say("/level 0.5");
        stage.desk("/level", 0.5f);
        assertThat(endings()).last().isInstanceOf(MessageResult.Answered.class);
    }

    // ---- who is not waited for

    @Test
    void whereOnlyOthersAreToldNothingIsAwaited() {
        play(
                DESK,
                phrase(
                        "/level",
                        AnswerRule.usual(AnswerRule.Kind.SAME).telling(AnswerRule.Told.OTHERS),
                        ArgumentType.FLOAT32));
        say("/level 0.5");
        assertThat(endings()).containsExactly(new MessageResult.NotExpected(new Reason.OnlyOthersTold()));
        stage.pass(2_000);
        assertThat(stage.link().unanswered()).isZero();
    }

    @Test
    void keepAlivesAndRefreshesOpenNothing() {
        play(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES)
                .kept(KeepAlive.of("/stay", 3, 7)));
        stage.pass(10_000);
        Asking.refresh(stage.live, Shows.DESK, stage.now);
        stage.pass(2_000);
        assertThat(stage.events)
                .noneMatch(event -> event instanceof LiveEvent.Opened || event instanceof LiveEvent.Ended);
    }

    @Test
    void aQuestionThatSomebodyAsksIsAnsweredByWhateverStandsThere() {
        play(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES));
        say("/level");
        stage.desk("/level", 0.3f);
        assertThat(endings())
                .hasOnlyElementsOfType(MessageResult.Answered.class)
                .hasSize(1);
    }

    @Test
    void oneReportMaySettleAChangeAndAQuestion() {
        play(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES),
                phrase("/level", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.FLOAT32));
        say("/level 0.5");
        say("/level");
        stage.desk("/level", 0.5f);
        assertThat(endings())
                .hasOnlyElementsOfType(MessageResult.Answered.class)
                .hasSize(2);
    }

    // ---- controls that listen elsewhere, or not at all

    @Test
    void aControlThatListensToNothingIsAnsweredAllTheSame() {
        Control deaf = Control.plain(
                "Level",
                new Cells(0, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(Shows.DESK),
                        "/level",
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                List.<Listen>of());
        play(DESK, phrase("/level", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.FLOAT32));
        stage.live.load(
                Shows.accepted(
                        Shows.accepted(
                                Shows.withPage(),
                                Shows.ADA,
                                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                                put(
                                        new PartId("phrase"),
                                        BOOK,
                                        phrase(
                                                "/level",
                                                AnswerRule.usual(AnswerRule.Kind.SAME),
                                                ArgumentType.FLOAT32))),
                        Shows.ADA,
                        Shows.change(Shows.withPage(), Shows.DESK, DESK.speaking(BOOK)),
                        put(new PartId("level"), PAGE, deaf)),
                stage.now);
        stage.touch(ADA, "level", Touch.Phase.SET, 0.5);
        stage.now += 2 * MS;
        stage.desk("/level", 0.5f);
        assertThat(stage.trace("level").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
        assertThat(stage.value("level").echo()).as("it moves nothing").isEmpty();
        stage.touch(ADA, "level", Touch.Phase.SET, 0.9);
        stage.pass(501);
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.NoAnswer(500 * MS, Optional.empty()));
        assertThat(stage.value("level").disputed())
                .as("nothing it stands at was ever answered")
                .isFalse();
    }

    // ---- many

    @Test
    void onlySoManyAreOpenForAnAddress() {
        play(DESK, phrase("/level", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32));
        for (int i = 0; i <= Exchanges.MOST_OF_ADDRESS; i++) {
            say("/level " + i);
        }
        assertThat(endings()).containsExactly(new MessageResult.NotJudged());
        stage.desk("/level", whole(0));
        assertThat(endings()).as("the one that would agree is no longer judged").hasSize(1);
        stage.desk("/level", whole(Exchanges.MOST_OF_ADDRESS));
        assertThat(endings().stream().filter(MessageResult.Overtaken.class::isInstance))
                .hasSize(Exchanges.MOST_OF_ADDRESS - 1);
    }

    @Test
    void onlySoManyAreOpenForATarget() {
        List<MessageResult> ended = new ArrayList<>();
        Exchanges exchanges = new Exchanges((exchange, result) -> ended.add(result));
        for (int i = 0; i < Exchanges.MOST_OF_TARGET + 10; i++) {
            exchanges.open(exchange(exchanges, "/a/" + i, i), i);
        }
        assertThat(ended).hasSize(10).hasOnlyElementsOfType(MessageResult.NotJudged.class);
        assertThat(exchanges.of(Shows.DESK)).hasSize(Exchanges.MOST_OF_TARGET);
        exchanges.expire(Long.MAX_VALUE);
        assertThat(ended).hasSize(Exchanges.MOST_OF_TARGET + 10);
        assertThat(exchanges.nextDue()).isEqualTo(DueQueue.NEVER);
    }

    private static Exchange exchange(Exchanges exchanges, String address, long now) {
        return new Exchange(
                exchanges.nextNumber(),
                Shows.DESK,
                Optional.empty(),
                address,
                Wanted.Anything.INSTANCE,
                new OscMessage(address, List.of()),
                false,
                Expectation.UNTOLD,
                Expectation.UNTOLD.limitNanos(),
                0,
                false,
                now);
    }

    // ---- who it was

    @Test
    void whatHappensNamesWhoIsBehindIt() {
        play(
                DESK.paced(1).kept(KeepAlive.of("/stay", 3, 7)),
                phrase("/level", AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.FLOAT32));
        stage.pass(20);
        say("/level 0.5");
        List<Cause> causes = stage.wire.stream()
                .filter(WireRecord::out)
                .map(WireRecord::cause)
                .toList();
        assertThat(causes).extracting(Cause::origin).containsExactly(Cause.Origin.KEEP_ALIVE, Cause.Origin.SAY);
        assertThat(causes).extracting(cause -> cause.actor().name()).containsExactly("Imperan", "Ada");
        stage.desk("/level", 0.5f);
        LiveEvent.Ended ended = (LiveEvent.Ended) stage.events.stream()
                .filter(LiveEvent.Ended.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertThat(ended.cause().origin()).isEqualTo(Cause.Origin.ARRIVAL);
        assertThat(ended.cause().hops()).isOne();
    }

    /** A change that waits for the pace of its target leaves later, and is still that of the hand. */
    @Test
    void whatWaitsForItsTurnKeepsItsCause() {
        Show show = Shows.withPage();
        show = Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(show, Shows.DESK, DESK.paced(2)),
                put(new PartId("level"), PAGE, Shows.fader("Level", 0, "/level")));
        stage = new Stage(show);
        stage.touch(ADA, "level", Touch.Phase.SET, 0.5);
        stage.touch(ADA, "level", Touch.Phase.SET, 0.6);
        stage.touch(Stage.BEN, "level", Touch.Phase.REST, 0);
        stage.pass(2_000);
        assertThat(stage.takeSent()).hasSize(2);
        assertThat(stage.wire.stream()
                        .filter(WireRecord::out)
                        .map(row -> row.cause().actor().name()))
                .containsExactly("Ada", "Ben");
    }
}
