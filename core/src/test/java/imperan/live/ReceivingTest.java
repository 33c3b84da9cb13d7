package imperan.live;

import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What a packet does, wherever it comes from and however it is packed. */
class ReceivingTest {

    private static final PartId RACK = new PartId("rack");
    private static final PartId OTHER_PAGE = new PartId("other-page");

    private Stage stage;

    @BeforeEach
    void twoTargets() {
        stage = new Stage(show(Target.Answering.QUERIES));
        stage.live.socket(RACK, SocketState.open("127.0.0.1"), stage.now);
        stage.takeSent();
        stage.events.clear();
        stage.wire.clear();
    }

    private static Show show(Target.Answering answering) {
        PartId book = new PartId("book");
        Phrase go = Phrase.plain(
                "/go",
                Phrase.Direction.OUT,
                List.of(),
                AnswerRule.elsewhere("/went").sayingAnything(),
                "",
                "");
        Show base = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), book, go));
        Behaviour.Condition on = new Behaviour.Condition(Optional.of(DESK), "/on", 0, "1");
        Control level = Control.plain(
                        "Level",
                        new Cells(0, 0, 1, 1),
                        Fader.plain(Fader.Direction.UP, Form.Grab.RELATIVE),
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(DESK),
                                "/level",
                                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                        List.of(
                                Listen.value(Optional.of(DESK), "/level", 0, 0, 1),
                                Listen.label(Optional.of(DESK), "/name", 0),
                                Listen.words(Optional.of(DESK), "/words", 0)))
                .behaving(new Behaviour(Behaviour.Guard.NONE, 0.2, Behaviour.PLAIN.whenLost(), Optional.of(on), ""));
        return Shows.accepted(
                base,
                Shows.ADA,
                Shows.change(
                        base,
                        DESK,
                        Target.plain("Desk", "127.0.0.1", 7101, 9201, answering).speaking(book)),
                put(RACK, null, Target.plain("Rack", "127.0.0.2", 7102, 9202, Target.Answering.REPORTS)),
                put(new PartId("level"), PAGE, level),
                put(
                        OTHER_PAGE,
                        LAYOUT,
                        new Page(
                                "Other",
                                4,
                                4,
                                Page.plain("", 1, 1).screen(),
                                false,
                                Optional.of(new Behaviour.Condition(Optional.of(DESK), "/page", 0, "2")))));
    }

    private void from(String host, int port, int ourPort, OscPacket packet) {
        byte[] bytes = OscEncoder.encode(packet);
        stage.live.received(ourPort, host, port, bytes, new OscDecoder().decode(bytes), stage.now);
    }

    private static OscArgument text(String text) {
        return new OscArgument.Text(text);
    }

    private List<String> told() {
        return stage.events.stream()
                .filter(event -> event instanceof LiveEvent.ValueChanged)
                .map(event -> ((LiveEvent.ValueChanged) event).control().value())
                .toList();
    }

    private Observed observed() {
        return stage.live.observedTarget(DESK, stage.now).orElseThrow();
    }

    // ---- what it moves

    @Test
    void namesAndWordsAreShownAndToldAndOneThatIsTooLongIsCut() {
        stage.desk("/name", text("x".repeat(Receiving.MOST_WORDS)));
        assertThat(stage.value("level").label()).hasSize(Receiving.MOST_WORDS);
        stage.desk("/name", text("x".repeat(Receiving.MOST_WORDS + 1)));
        assertThat(stage.value("level").label())
                .hasSize(Receiving.MOST_WORDS + 1)
                .endsWith("…");
        stage.desk("/words", text("minus six"));
        assertThat(stage.value("level").words()).isEqualTo("minus six");
        assertThat(told()).containsExactly("level", "level", "level");
    }

    @Test
    void whatMakesAControlPossibleIsToldWhereItChanges() {
        stage.desk("/on", 0f);
        assertThat(stage.value("level").enabled()).isFalse();
        stage.desk("/on", 0f);
        assertThat(told()).hasSize(1);
        stage.desk("/on", 1f);
        assertThat(stage.value("level").enabled()).isTrue();
        assertThat(told()).hasSize(2);
    }

    @Test
    void aPageIsWantedWhereItsTargetSaysSo() {
        stage.desk("/page", 1f);
        assertThat(stage.pages).isEmpty();
        stage.desk("/page", 2f);
        assertThat(stage.pages).containsExactly(OTHER_PAGE.value());
    }

    @Test
    void aReportMovesTheControlAndNamesWhoDidUnlessItIsWhereItStands() {
        stage.desk("/level", 0.5f);
        assertThat(stage.value("level").movedBy()).isEqualTo("Desk");
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.5);
        assertThat(told()).containsExactly("level");
    }

    // ---- how it is packed

    @Test
    void anAnswerWithinABundleBeginsAsOneAloneDoes() {
        stage.live.carryOut(new Command.Say(DESK, "/ping"), Actor.of(Stage.ADA), stage.now);
        stage.takeSent();
        stage.packet(new OscBundle(
                TimeTag.IMMEDIATELY,
                List.of(OscMessage.of("/ping", new OscArgument.Int32(1)), OscMessage.of("/other"))));
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        stage.pass(100);
        assertThat(stage.takeSent())
                .as("it is asked for all that is listened to")
                .contains("/level");
    }

    @Test
    void aBundleForLaterWaitsUntilItsTimeAndNoLongerAndThenTheNextOne() {
        long due = stage.now + 50 * MS;
        stage.packet(bundle(due, 0.25f));
        stage.packet(bundle(due + 10 * MS, 0.75f));
        assertThat(observed().arrivals().forLaterAt()).hasValue(stage.now);
        assertThat(stage.live.nextDue()).isEqualTo(due);
        stage.pass(49);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.UNSET);
        stage.pass(1);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.25);
        assertThat(stage.live.nextDue()).as("the next one").isEqualTo(due + 10 * MS);
        stage.pass(10);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.75);
        stage.packet(bundle(stage.now, 0.5f));
        assertThat(stage.value("level").axes().get(0).position())
                .as("one for now does not wait")
                .isEqualTo(0.5);
    }

    /** A laptop without its battery begins in 1970 until a time server or somebody sets it; others that share the clock go by it. */
    @Test
    void aBundleIsDueByTheClockOnTheWallHoweverThatWasSet() {
        Random random = new Random(11);
        for (int i = 0; i < 200; i++) {
            long years = random.nextInt(130);
            long wall = i == 0 ? 0 : years * 365 * 24 * 3600 * 1_000 * MS + random.nextInt(1_000_000_000);
            long ahead = wall - stage.now;
            stage.live.wall(new WallTime(stage.now + ahead, 0), stage.now);
            int inMs = 1 + random.nextInt(500);
            float level = random.nextInt(1_000) / 1_024f;
            double before = stage.value("level").axes().get(0).position();
            stage.packet(bundle(stage.now + ahead + inMs * MS, level));
            stage.pass(inMs - 1);
            assertThat(stage.value("level").axes().get(0).position())
                    .as("%d ms, clock ahead by %d ns, not yet", inMs, ahead)
                    .isEqualTo(before);
            stage.pass(1);
            assertThat(stage.value("level").axes().get(0).position()).isCloseTo(level, within(1e-6));
            stage.packet(bundle(stage.now + ahead - random.nextInt(1_000) * MS, 0.5f));
            assertThat(stage.value("level").axes().get(0).position())
                    .as("one that is late by that clock does not wait")
                    .isEqualTo(0.5);
        }
    }

    private static OscBundle bundle(long at, float level) {
        return new OscBundle(
                TimeTag.at(Instant.ofEpochSecond(at / 1_000_000_000L, at % 1_000_000_000L)),
                List.of(OscMessage.of("/level", new OscArgument.Float32(level))));
    }

    @Test
    void aLateBundleIsAnAnswerToo() {
        stage.live.carryOut(new Command.Say(DESK, "/ping"), Actor.of(Stage.ADA), stage.now);
        stage.takeSent();
        long due = stage.now + 10 * MS;
        stage.packet(new OscBundle(
                TimeTag.at(Instant.ofEpochSecond(due / 1_000_000_000L, due % 1_000_000_000L)),
                List.of(OscMessage.of("/ping", new OscArgument.Int32(1)))));
        stage.pass(100);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        assertThat(stage.takeSent()).contains("/level");
    }

    @Test
    void anAddressWithoutASlashMovesNothingAndIsCollectedAlsoOutOfABundle() {
        bare(OscMessage.of("level", new OscArgument.Float32(1)));
        bare(new OscBundle(
                TimeTag.IMMEDIATELY,
                List.of(OscMessage.of("/level", new OscArgument.Float32(1)), OscMessage.of("bare"))));
        assertThat(stage.value("level").belief()).isEqualTo(Belief.UNSET);
        assertThat(stage.live.collected(DESK)).extracting(Phrase::address).contains("level", "bare", "/level");
        assertThat(reasons())
                .containsExactly(new Reason.BareAddress("level", "Desk"), new Reason.BareAddress("bare", "Desk"));
    }

    private void bare(OscPacket packet) {
        byte[] bytes = OscEncoder.encode(packet);
        stage.live.received(
                9201, "127.0.0.1", 7101, bytes, OscDecoder.takingBareAddresses().decode(bytes), stage.now);
    }

    private List<Reason> reasons() {
        return stage.events.stream()
                .filter(LiveEvent.PacketIn.class::isInstance)
                .flatMap(event -> ((LiveEvent.PacketIn) event).reason().stream())
                .toList();
    }

    // ---- where it comes from

    @Test
    void theSameValueUnderAnotherPrefixOrFromElsewhereIsKeptWithWhatIsAwaited() {
        say("/go");
        stage.desk("/desk/went");
        stage.pass(2_000);
        assertThat(missed().arrivedAs()).hasValue("/desk/went");
        say("/go");
        stage.desk("/w");
        stage.desk("/unrelated");
        stage.pass(2_000);
        assertThat(missed().arrivedAs())
                .as("that is neither longer nor shorter of it")
                .isEmpty();
    }

    @Test
    void theAwaitedAddressWithoutItsPrefixCountsToo() {
        PartId book = new PartId("book");
        Show base = show(Target.Answering.QUERIES);
        stage = new Stage(Shows.accepted(
                base,
                Shows.ADA,
                put(
                        new PartId("long"),
                        book,
                        Phrase.plain(
                                "/start",
                                Phrase.Direction.OUT,
                                List.of(),
                                AnswerRule.elsewhere("/desk/started").sayingAnything(),
                                "",
                                ""))));
        say("/start");
        stage.desk("/");
        stage.desk("/started");
        stage.pass(2_000);
        assertThat(missed("/desk/started").arrivedAs()).hasValue("/started");
    }

    @Test
    void whatIsAwaitedMayComeFromAnotherPortOfOursOrAnotherHostOrWithinABundle() {
        say("/go");
        from("127.0.0.9", 5_000, 9_201, new OscBundle(TimeTag.IMMEDIATELY, List.of(OscMessage.of("/went"))));
        stage.pass(2_000);
        assertThat(missed().cameFrom()).contains(new Missed.CameFrom("127.0.0.9", 5_000, 9_201, Optional.empty()));
        say("/go");
        from("127.0.0.2", 7_102, 9_202, OscMessage.of("/went"));
        stage.pass(2_000);
        assertThat(missed().cameFrom()).contains(new Missed.CameFrom("127.0.0.2", 7_102, 9_202, Optional.of("Rack")));
    }

    /**
     * What is known of a target is of before, once another machine answers in its place; but another target that says the same does not
     * stand in for it.
     */
    @Test
    void whoIsAnsweredForByAnotherMachineWasAway() {
        assertThat(away()).isEmpty();
        say("/go");
        from("127.0.0.2", 7_102, 9_202, OscMessage.of("/went"));
        stage.pass(2_000);
        assertThat(away()).isEmpty();
        say("/go");
        from("127.0.0.9", 5_000, 9_201, OscMessage.of("/went"));
        stage.pass(2_000);
        assertThat(away()).extracting(Places.Away::target).containsExactly(Shows.DESK);
        long first = away().get(0).at();
        say("/go");
        from("127.0.0.9", 5_000, 9_201, OscMessage.of("/went"));
        stage.desk("/went");
        stage.pass(2_000);
        assertThat(away()).as("its own answer came").extracting(Places.Away::at).containsExactly(first);
    }

    private List<Places.Away> away() {
        return stage.live.away();
    }

    private void say(String line) {
        assertThat(Asking.say(stage.live, DESK, line, stage.now)).isEmpty();
    }

    private Missed missed() {
        return missed("/went");
    }

    private Missed missed(String address) {
        Line line = new Line(
                Optional.empty(), 0, Optional.of(DESK), "Desk", address.equals("/went") ? "/go" : "/start", List.of());
        return stage.live
                .observed(line, stage.now)
                .orElseThrow()
                .answers()
                .missed()
                .orElseThrow();
    }

    @Test
    void aPacketThatCannotBeReadIsNoted() {
        stage.live.received(
                9201,
                "127.0.0.1",
                7101,
                new byte[] {1, 2, 3},
                new OscDecoder().decode(new byte[] {1, 2, 3}),
                stage.now);
        assertThat(observed().arrivals().malformedAt()).hasValue(stage.now);
        assertThat(observed().arrivals().forLaterAt()).isEmpty();
    }

    @Test
    void overAConnectionOfItsOwnItIsKnownWithoutItsPort() {
        byte[] bytes = OscEncoder.encode(OscMessage.of("/level", new OscArgument.Float32(0.5f)));
        stage.live.received(DESK, "127.0.0.77", 1, bytes, new OscDecoder().decode(bytes), stage.now);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.5);
        stage.live.received(new PartId("gone"), "127.0.0.77", 1, bytes, new OscDecoder().decode(bytes), stage.now);
    }
}
