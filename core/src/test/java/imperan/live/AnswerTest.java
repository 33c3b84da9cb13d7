package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Touch.Phase;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.TimeTag;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.KeepAlive;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Readout;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** From messages to controls and links. */
class AnswerTest {

    private static final PartId LEVEL = new PartId("level");

    private Show show;
    private Stage stage;

    @BeforeEach
    void aDeskWithALevelAndAMute() {
        stage = stageWith(Target.Answering.REPORTS, Optional.empty());
    }

    private Stage stageWith(Target.Answering answering, Optional<KeepAlive> keepAlive) {
        Show base = Shows.withPage();
        Target plain = Target.plain("Desk", "127.0.0.1", 7101, 9201, answering);
        Target target = keepAlive.map(plain::kept).orElse(plain);
        show = Shows.accepted(
                base,
                Shows.ADA,
                Shows.change(base, Shows.DESK, target),
                put(LEVEL, PAGE, Shows.fader("Level", 0, "/in/1/level")),
                put(new PartId("mute"), PAGE, Shows.button("Mute", 0, true, "/in/1/mute")));
        return new Stage(show);
    }

    private void move(double to) {
        stage.touch(ADA, "level", Phase.PRESS, 0.25);
        stage.touch(ADA, "level", Phase.MOVE, to);
    }

    // ---- values

    @Test
    void beliefFollowsWhatWasHeard() {
        assertThat(stage.value("level").belief()).isEqualTo(Belief.UNSET);
        assertThat(stage.value("level").position()).isEqualTo(0.25);
        move(0.5);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.ASSUMED);
        stage.desk("/in/1/level", 0.5f);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.KNOWN);
        assertThat(stage.value("level").echo()).contains(0.5);
    }

    @Test
    void numbersHaveTheUnitThatThePhrasebookTells() {
        assertThat(stage.value("level").unit()).isEmpty();
        Phrase phrase = Phrase.plain(
                "/in/<ch:1..12>/level",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "dB", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
        show = Shows.accepted(
                show,
                Shows.ADA,
                put(new PartId("book"), null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), new PartId("book"), phrase),
                Shows.change(show, Shows.DESK, Shows.target("Desk").speaking(new PartId("book"))));
        stage.live.load(show, stage.now);
        assertThat(stage.value("level").unit()).isEqualTo("dB");
        assertThat(stage.value("mute").unit()).as("a line that no phrase knows").isEmpty();
    }

    /** 63.8 on a scale of whole numbers is a number that its target never said. */
    @Test
    void aReadoutOfWholeNumbersShowsWholeNumbers() {
        Phrase phrase = Phrase.plain(
                "/in/<ch:1..12>/level",
                Phrase.Direction.IN,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.INT32, Optional.of(0.0), Optional.of(255.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.NONE),
                "",
                "");
        Control readout = Control.plain(
                "Level",
                new Cells(3, 0, 1, 1),
                new Readout(),
                List.of(),
                List.of(Listen.value(Optional.of(Shows.DESK), "/in/3/level", 0, 0, 255)));
        show = Shows.accepted(
                show,
                Shows.ADA,
                put(new PartId("book"), null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), new PartId("book"), phrase),
                put(new PartId("readout"), Shows.PAGE, readout),
                Shows.change(show, Shows.DESK, Shows.target("Desk").speaking(new PartId("book"))));
        stage.live.load(show, stage.now);
        stage.desk("/in/3/level", new OscArgument.Float32(63.8f));
        assertThat(stage.value("readout").text()).isEqualTo("64");
    }

    @Test
    void aChangeAtTheDeskMovesTheCapAndSendsNothing() {
        stage.desk("/in/1/level", 0.7f);
        assertThat(stage.value("level").position()).isCloseTo(0.7, within(1e-6));
        assertThat(stage.value("level").movedBy()).isEqualTo("Desk");
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void aFingerIsNotPulledByAnswersUntilItLifts() {
        move(0.6);
        stage.desk("/in/1/level", 0.1f);
        assertThat(stage.value("level").position()).isCloseTo(0.6, within(1e-6));
        assertThat(stage.value("level").echo().orElseThrow()).isCloseTo(0.1, within(1e-6));
        stage.touch(ADA, "level", Phase.RELEASE, 0.6);
        assertThat(stage.value("level").position()).isCloseTo(0.1, within(1e-6));
    }

    @Test
    void aLateAnswerToAnEarlierValueDoesNotPullTheCapBack() {
        move(0.4);
        stage.touch(ADA, "level", Phase.MOVE, 0.6);
        stage.touch(ADA, "level", Phase.RELEASE, 0.6);
        stage.desk("/in/1/level", 0.4f);
        assertThat(stage.value("level").position()).isCloseTo(0.6, within(1e-6));
        stage.desk("/in/1/level", 0.6f);
        assertThat(stage.value("level").position()).isCloseTo(0.6, within(1e-6));
        assertThat(stage.trace("level").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
    }

    @Test
    void theYoungestAgreeingSendIsAnsweredAndOlderOnesAreOvertaken() {
        move(0.4);
        stage.now += 3 * MS;
        stage.touch(ADA, "level", Phase.MOVE, 0.6);
        stage.now += 2 * MS;
        stage.desk("/in/1/level", 0.6f);
        assertThat(stage.link().answers().orElseThrow().last()).isEqualTo(2 * MS);
        assertThat(stage.wire).last().satisfies(row -> assertThat(row.answeredAfterNanos())
                .contains(2 * MS));
        stage.pass(600);
        assertThat(stage.link().unanswered()).isZero();
    }

    @Test
    void anAnswerThatAgreesWithNoneIsShownAndEndsNothingUntilTheLimit() {
        move(0.4);
        stage.now += 5 * MS;
        stage.desk("/in/1/level", 0.9f);
        Trace.Answer answer = stage.trace("level").answer().orElseThrow();
        assertThat(answer.fit()).isEqualTo(Trace.Fit.DIFFERS);
        assertThat(answer.afterNanos()).isEqualTo(5 * MS);
        assertThat(answer.said()).containsExactly(new OscArgument.Float32(0.9f));
        assertThat(stage.trace("level").stopped())
                .as("the right one may still come")
                .isEmpty();
        stage.desk("/in/1/level", 0.4f);
        assertThat(stage.trace("level").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
        move(0.7);
        stage.desk("/in/1/level", 0.1f);
        stage.live.heartbeat(ADA.id(), stage.now);
        stage.pass(501);
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.WrongValue());
        assertThat(stage.link().unanswered()).isOne();
    }

    @Test
    void anAnswerUnderAnotherAddressIsNamed() {
        move(0.6);
        stage.now += 5 * MS;
        stage.desk("/in/1/volume", 0.6f);
        stage.live.heartbeat(ADA.id(), stage.now);
        stage.pass(600);
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.NoAnswer(500 * MS, Optional.of("/in/1/volume")));
        assertThat(Stage.why(stage.trace("level")))
                .isEqualTo("No answer within 500 ms; the same value arrived as /in/1/volume");
        // and again, now that the address is known
        move(0.3);
        stage.desk("/in/1/volume", (float) stage.value("level").position());
        stage.pass(600);
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.NoAnswer(500 * MS, Optional.of("/in/1/volume")));
        // until the right one comes
        move(0.2);
        stage.desk("/in/1/level", (float) stage.value("level").position());
        assertThat(stage.trace("level").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
        move(0.1);
        stage.pass(600);
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.NoAnswer(500 * MS, Optional.empty()));
    }

    @Test
    void whatComesAllTheWhileIsNoAnswer() {
        stage.desk("/meter/1", 0.6f);
        move(0.6);
        stage.desk("/meter/1", 0.6f);
        stage.desk("/meter/2", 0.1f);
        stage.pass(600);
        assertThat(Stage.why(stage.trace("level"))).isEqualTo("No answer within 500 ms");
    }

    @Test
    void sentAndAnsweredThatDifferForLongAreDisputed() {
        stage.desk("/in/1/level", 0.25f);
        move(0.6);
        assertThat(stage.value("level").disputed()).isFalse();
        stage.live.heartbeat(ADA.id(), stage.now);
        stage.pass(520);
        assertThat(stage.value("level").disputed()).isTrue();
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.NoAnswer(500 * MS, Optional.empty()));
        stage.desk("/in/1/level", 0.6f);
        assertThat(stage.value("level").disputed()).isFalse();
    }

    @Test
    void aTargetThatNeverAnsweredLeavesTheCapWhereItWasPut() {
        move(0.6);
        stage.touch(ADA, "level", Phase.RELEASE, 0.6);
        stage.pass(600);
        assertThat(stage.value("level").disputed()).isTrue();
        assertThat(stage.value("level").position()).isCloseTo(0.6, within(1e-6));
        assertThat(stage.link().unanswered()).isEqualTo(1);
    }

    @Test
    void incomingPatternsReachEveryControlTheyMean() {
        stage.packet(OscMessage.of("/in/1/{level,mute}", new OscArgument.Int32(1)));
        assertThat(stage.value("level").position()).isEqualTo(1);
        assertThat(stage.value("mute").position()).isEqualTo(1);
        stage.packet(OscMessage.of("/in/[", new OscArgument.Int32(0)));
        assertThat(stage.value("mute").position()).isEqualTo(1);
    }

    @Test
    void aReadoutShowsTextsAndNumbersAndIsNotMovedByHands() {
        Control readout = Control.plain(
                "Name",
                new Cells(4, 0, 2, 1),
                new Readout(),
                List.of(),
                List.of(Listen.value(Optional.of(Stage.DESK), "/in/1/name", 0, 0, 100)));
        stage = new Stage(Shows.accepted(show, Shows.ADA, put(new PartId("name"), PAGE, readout)));
        stage.desk("/in/1/name", new OscArgument.Text("Tide bell"));
        assertThat(stage.value("name").echoText()).isEqualTo("Tide bell");
        assertThat(stage.value("name").belief()).isEqualTo(Belief.KNOWN);
        stage.touch(ADA, "name", Phase.SET, 1);
        assertThat(stage.value("name").position()).isZero();
        stage.desk("/in/1/name", new OscArgument.Int32(25));
        assertThat(stage.value("name").echoText()).isEqualTo("25.0");
    }

    @Test
    void textsAndMissingArgumentsMoveNothing() {
        stage.desk("/in/1/level");
        stage.desk("/in/1/level", Float.NaN);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.UNSET);
    }

    @Test
    void bundlesDueLaterWaitForTheirTime() {
        Instant due = Instant.ofEpochSecond(0, stage.now + 100 * MS);
        stage.packet(new OscBundle(TimeTag.at(due), List.of(OscMessage.of("/in/1/level", new OscArgument.Float32(1)))));
        assertThat(stage.wire).last().satisfies(row -> assertThat(Stage.note(row))
                .isEqualTo("waits for its time"));
        stage.pass(90);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.UNSET);
        stage.pass(20);
        assertThat(stage.value("level").position()).isEqualTo(1);
        stage.packet(
                new OscBundle(TimeTag.IMMEDIATELY, List.of(OscMessage.of("/in/1/level", new OscArgument.Float32(0)))));
        assertThat(stage.value("level").position()).isEqualTo(0);
    }

    @Test
    void afterARestartNothingIsKnownAndNothingIsSent() {
        stage.desk("/in/1/level", 0.7f);
        stage.touch(ADA, "mute", Phase.PRESS, 0);
        List<SavedValue> saved = stage.live.savedValues(stage.live.controls());
        Stage again = new Stage(show);
        again.live.restore(saved);
        again.pass(100);
        assertThat(again.value("level").belief()).isEqualTo(Belief.STALE);
        assertThat(again.value("level").position()).isCloseTo(0.7, within(1e-6));
        assertThat(again.value("mute").belief()).isEqualTo(Belief.ASSUMED);
        assertThat(again.takeSent()).isEmpty();
    }

    // ---- links

    @Test
    void aLinkIsUnheardThenHeardThenAnswering() {
        assertThat(stage.link().state()).isEqualTo(LinkState.UNHEARD);
        stage.desk("/pulse");
        assertThat(stage.link().state()).isEqualTo(LinkState.HEARD);
        move(0.5);
        stage.desk("/in/1/level", 0.5f);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
    }

    @Test
    void aClosedPortIsSaidAndValuesBecomeStale() {
        move(0.5);
        stage.desk("/in/1/level", 0.5f);
        stage.live.portClosed(Stage.DESK, stage.now);
        assertThat(stage.link().state()).isEqualTo(LinkState.PORT_CLOSED);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.STALE);
        stage.desk("/pulse");
        assertThat(stage.link().state()).isEqualTo(LinkState.HEARD);
    }

    @Test
    void withoutKeepAliveAnUnansweredQuestionLosesTheLink() {
        move(0.5);
        stage.desk("/in/1/level", 0.5f);
        stage.touch(ADA, "level", Phase.RELEASE, 0.5);
        stage.pass(10_000);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        move(0.6);
        stage.touch(ADA, "level", Phase.RELEASE, 0.6);
        stage.pass(3_020);
        assertThat(stage.link().state()).isEqualTo(LinkState.LOST);
    }

    @Test
    void theKeepAliveIsSentInItsPeriodAndItsWindowLosesTheLink() {
        stage = stageWith(Target.Answering.REPORTS, Optional.of(KeepAlive.of("/stay", 3, 7)));
        stage.pass(20);
        assertThat(stage.takeSent()).containsExactly("/stay");
        stage.desk("/stay", new OscArgument.Int32(7));
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        stage.desk("/in/1/level", 0.5f);
        stage.pass(6_900);
        assertThat(stage.takeSent()).containsExactly("/stay", "/stay");
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        stage.pass(200);
        assertThat(stage.link().state()).isEqualTo(LinkState.LOST);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.STALE);
    }

    @Test
    void aTargetThatAnswersQuestionsIsAskedForEverythingOnceItAnswers() {
        stage = stageWith(Target.Answering.QUERIES, Optional.of(KeepAlive.of("/stay", 3, 7)));
        stage.pass(20);
        stage.takeSent();
        stage.desk("/stay", new OscArgument.Int32(7));
        assertThat(stage.takeSent()).containsExactly("/in/1/level", "/in/1/mute");
        stage.desk("/stay", new OscArgument.Int32(7));
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void whatAnEditBeginsToListenToIsAskedForAtOnce() {
        stage = stageWith(Target.Answering.QUERIES, Optional.of(KeepAlive.of("/stay", 3, 7)));
        stage.pass(20);
        stage.desk("/stay", new OscArgument.Int32(7));
        stage.takeSent();
        stage.live.load(
                Shows.accepted(show, Shows.ADA, put(new PartId("more"), PAGE, Shows.fader("More", 3, "/in/2/level"))),
                stage.now);
        assertThat(stage.takeSent()).containsExactly("/in/2/level");
    }

    @Test
    void aOneWayTargetIsNeverAskedForAnything() {
        stage = stageWith(Target.Answering.NONE, Optional.empty());
        assertThat(stage.link().state()).isEqualTo(LinkState.SENDS_ONLY);
        move(0.6);
        stage.pass(2_000);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.ASSUMED);
        assertThat(stage.value("level").disputed()).isFalse();
        assertThat(stage.link().state()).isEqualTo(LinkState.SENDS_ONLY);
    }

    @Test
    void aTargetThatMovedStartsFromNothing() {
        move(0.5);
        stage.desk("/in/1/level", 0.5f);
        Target moved = Target.plain("Desk", "127.0.0.1", 7102, 9201, Target.Answering.REPORTS);
        stage.live.load(Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, moved)), stage.now);
        assertThat(stage.link().state()).isEqualTo(LinkState.UNHEARD);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.STALE);
    }

    // ---- claiming

    @Test
    void packetsOfStrangersAreShownAndMoveNothing() {
        byte[] bytes = OscEncoder.encode(OscMessage.of("/in/1/level", new OscArgument.Float32(1)));
        stage.live.received(9201, "192.0.2.9", 7101, bytes, new OscDecoder().decode(bytes), stage.now);
        assertThat(stage.wire).last().satisfies(row -> {
            assertThat(row.target()).isEmpty();
            assertThat(Stage.note(row)).contains("no target");
        });
        assertThat(stage.value("level").belief()).isEqualTo(Belief.UNSET);
    }

    @Test
    void theOnlyTargetOfAHostIsKnownByAnotherPortToo() {
        byte[] bytes = OscEncoder.encode(OscMessage.of("/in/1/level", new OscArgument.Float32(1)));
        stage.live.received(9201, "127.0.0.1", 50_000, bytes, new OscDecoder().decode(bytes), stage.now);
        assertThat(stage.value("level").position()).isEqualTo(1);
    }

    @Test
    void aMalformedPacketIsOnTheWireAndNothingElse() {
        byte[] bytes = {1, 2, 3};
        stage.live.received(9201, "127.0.0.1", 7101, bytes, new OscDecoder().decode(bytes), stage.now);
        assertThat(stage.wire).last().satisfies(row -> assertThat(row.bytes()).isEqualTo(bytes));
        assertThat(stage.link().heard()).isEqualTo(1);
    }
}
