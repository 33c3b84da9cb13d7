package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.dialect.Osc;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What a phrasebook and a target's settings change in what is sent and awaited. */
class PhraseRulesTest {

    private static final PartId BOOK = new PartId("book");
    private static final Target DESK = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS);

    private Stage stage;
    private Show show;

    private static Phrase phrase(String address, AnswerRule answer) {
        return Phrase.plain(
                address,
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentSource.ArgumentType.FLOAT32,
                        Optional.of(0.0),
                        Optional.of(1.0),
                        "",
                        List.of(),
                        Optional.empty())),
                answer,
                "",
                "");
    }

    private static Phrasebook book(boolean bare) {
        Phrasebook.LinkSheet sheet = Phrasebook.LinkSheet.unknown();
        return new Phrasebook(
                "Desk",
                new Phrasebook.LinkSheet(
                        sheet.port(),
                        sheet.transport(),
                        sheet.answersTo(),
                        sheet.answering(),
                        sheet.keepAlive(),
                        sheet.messagesPerSecond(),
                        sheet.takesBundles(),
                        (bare ? Osc.BARE : Osc.STRICT).id(),
                        sheet.partners(),
                        sheet.steps(),
                        sheet.startList(),
                        sheet.versions()));
    }

    private void play(Target target, Control control, AnswerRule answer) {
        show = Shows.withPage();
        show = Shows.accepted(
                show,
                Shows.ADA,
                put(BOOK, null, book(false)),
                put(new PartId("phrase"), BOOK, phrase("/in/<ch:1..8>/level", answer)),
                Shows.change(show, Shows.DESK, target.speaking(BOOK)),
                put(new PartId("level"), PAGE, control));
        stage = new Stage(show);
    }

    private static Control fader(String send, String listen) {
        return Control.plain(
                "Level",
                new Cells(0, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0.25),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(Shows.DESK),
                        send,
                        List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1)))),
                List.of(Listen.value(Optional.of(Shows.DESK), listen, 0, 0, 1)));
    }

    @Test
    void whatTheTargetMakesOfANumberIsSaidBesideTheOneThatWasSent() {
        play(DESK, fader("/in/3/level", "/in/3/level"), AnswerRule.usual(AnswerRule.Kind.SAME));
        move(0.5);
        assertThat(stage.trace("level").reads()).as("it reads what is sent").isEmpty();
        Phrase cut = phrase("/in/<ch:1..8>/level", AnswerRule.usual(AnswerRule.Kind.SAME));
        show = Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(
                        show,
                        new PartId("phrase"),
                        cut.with(List.of(cut.arguments().get(0).readAs("multiply 7 | cut")))));
        stage.live.load(show, stage.now);
        move(0.9);
        assertThat(stage.takeSent()).last().isEqualTo("/in/3/level 0.9");
        assertThat(stage.trace("level").reads()).contains("6");
        assertThat(Shows.refused(
                        show,
                        Shows.ADA,
                        Shows.change(
                                show,
                                new PartId("phrase"),
                                cut.with(List.of(cut.arguments().get(0).readAs("multiply"))))))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.field()).isEqualTo("arguments/0/reads");
                    assertThat(problem.message()).contains("a number");
                });
    }

    private void move(double to) {
        stage.touch(ADA, "level", Touch.Phase.SET, to);
    }

    @Test
    void anAnswerOnAnotherAddressIsTheOneThatIsAwaited() {
        play(
                DESK,
                fader("/in/3/level", "/state/3/level"),
                AnswerRule.elsewhere("/state/<ch:1..8>/level").near(0.01));
        move(0.5);
        stage.pass(40);
        stage.desk("/state/3/level", 0.5f);
        assertThat(stage.trace("level").answer()).hasValueSatisfying(answer -> {
            assertThat(answer.fit()).isEqualTo(Trace.Fit.AGREES);
            assertThat(answer.afterNanos()).isEqualTo(40 * Stage.MS);
        });
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
    }

    @Test
    void aControlThatListensElsewhereIsToldWhereTheAnswerComes() {
        play(DESK, fader("/in/3/level", "/in/4/level"), AnswerRule.usual(AnswerRule.Kind.SAME));
        move(0.5);
        assertThat(stage.trace("level").stopped()).hasValue(new Reason.ListensElsewhere("/in/3/level"));
    }

    @Test
    void theToleranceIsThatOfThePhrase() {
        play(
                DESK,
                fader("/in/3/level", "/in/3/level"),
                AnswerRule.usual(AnswerRule.Kind.SAME).near(0.1));
        move(0.5);
        stage.desk("/in/3/level", 0.58f);
        stage.pass(1_000);
        assertThat(stage.trace("level").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.AGREES);
        assertThat(stage.value("level").disputed()).isFalse();
        move(0.2);
        stage.desk("/in/3/level", 0.31f);
        assertThat(stage.trace("level").answer().orElseThrow().fit()).isEqualTo(Trace.Fit.DIFFERS);
    }

    @Test
    void theTimeForAnAnswerIsThatOfThePhrase() {
        play(
                DESK,
                fader("/in/3/level", "/in/3/level"),
                AnswerRule.usual(AnswerRule.Kind.SAME).near(0.01).within(2));
        move(0.5);
        stage.pass(1_990);
        assertThat(stage.link().unanswered()).isZero();
        stage.pass(30);
        assertThat(stage.link().unanswered()).isOne();
        assertThat(Stage.why(stage.trace("level"))).isEqualTo("No answer within 2000 ms");
    }

    @Test
    void whereNothingComesBackNothingIsAwaited() {
        play(DESK, fader("/in/3/level", "/in/3/level"), AnswerRule.usual(AnswerRule.Kind.NONE));
        move(0.5);
        assertThat(Stage.why(stage.trace("level"))).isEqualTo("Nothing comes back for this, says its phrasebook");
        stage.pass(5_000);
        assertThat(stage.link().unanswered()).isZero();
        assertThat(stage.value("level").disputed()).isFalse();
    }

    @Test
    void aTargetThatTellsOnlyWhenAskedIsAskedOnceTheValueHasSettled() {
        play(DESK, fader("/in/3/level", "/in/3/level"), AnswerRule.usual(AnswerRule.Kind.QUERY));
        stage.takeSent();
        move(0.5);
        stage.pass(30);
        move(0.6);
        stage.pass(50);
        assertThat(stage.takeSent()).containsExactly("/in/3/level 0.5", "/in/3/level 0.6");
        stage.pass(10);
        assertThat(stage.takeSent()).containsExactly("/in/3/level");
        stage.pass(30);
        stage.desk("/in/3/level", 0.6f);
        assertThat(stage.trace("level").answer()).hasValueSatisfying(answer -> {
            assertThat(answer.fit()).isEqualTo(Trace.Fit.AGREES);
            assertThat(answer.afterNanos()).as("from the question on").isEqualTo(30 * Stage.MS);
        });
        stage.pass(2_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.link().unanswered()).isZero();
    }

    @Test
    void questionsKeepToThePaceOfTheTarget() {
        play(DESK.paced(10), fader("/in/3/level", "/in/3/level"), AnswerRule.usual(AnswerRule.Kind.QUERY));
        stage.takeSent();
        move(0.5);
        move(0.6);
        stage.pass(120);
        assertThat(stage.takeSent()).containsExactly("/in/3/level 0.5", "/in/3/level 0.6");
        stage.pass(120);
        assertThat(stage.takeSent()).containsExactly("/in/3/level");
    }

    @Test
    void aKeepAliveMayBeAnsweredUnderAnotherAddress() {
        play(
                DESK.kept(new KeepAlive("/stay", Optional.of("/here"), 3, 7)),
                fader("/in/3/level", "/in/3/level"),
                AnswerRule.usual(AnswerRule.Kind.SAME));
        stage.pass(20);
        assertThat(stage.takeSent()).containsExactly("/stay");
        stage.desk("/stay", 1);
        assertThat(stage.link().state()).isEqualTo(LinkState.HEARD);
        stage.desk("/here", 1);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
    }

    @Test
    void theStartListIsOfferedWhenATargetIsThereAndWhenItReturnsAndNotSentByItself() {
        play(
                DESK.kept(KeepAlive.of("/stay", 3, 7)).startingWith(List.of("/reset")),
                fader("/in/3/level", "/in/3/level"),
                AnswerRule.usual(AnswerRule.Kind.SAME));
        stage.pass(20);
        assertThat(stage.link().startOffered()).as("it is not there yet").isFalse();
        stage.desk("/stay", 1);
        assertThat(stage.link().startOffered()).isTrue();
        Asking.leaveAsItIs(stage.live, Shows.DESK);
        assertThat(stage.link().startOffered()).isFalse();
        stage.pass(8_000);
        assertThat(stage.link().state()).isEqualTo(LinkState.LOST);
        stage.takeSent();
        stage.desk("/stay", 1);
        assertThat(stage.link().startOffered()).isTrue();
        assertThat(stage.takeSent()).doesNotContain("/reset");
        Asking.start(stage.live, Shows.DESK, stage.now);
        assertThat(stage.takeSent()).contains("/reset");
        assertThat(stage.link().startOffered()).isFalse();
        stage.pass(8_000);
        stage.desk("/stay", 1);
        Asking.leaveAsItIs(stage.live, Shows.DESK);
        assertThat(stage.link().startOffered()).isFalse();
    }

    // ---- bundles

    private final List<byte[]> packets = new ArrayList<>();

    /** A control with as many sends as there are addresses. */
    private void bundling(Target target, int sends) {
        Send.Phase phase = Send.Phase.CHANGE;
        Control many = Control.plain(
                "Many",
                new Cells(0, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0),
                IntStream.range(0, sends)
                        .mapToObj(i -> new Send(
                                phase,
                                Optional.of(Shows.DESK),
                                "/out/" + i,
                                List.<ArgumentSource>of(
                                        new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1))))
                        .toList(),
                List.of());
        Show base = Shows.withPage();
        show = Shows.accepted(
                base, Shows.ADA, Shows.change(base, Shows.DESK, target), put(new PartId("level"), PAGE, many));
        LiveShow live = new LiveShow(new Packets(packets));
        live.load(show, 0);
        live.socket(Shows.DESK, SocketState.open("127.0.0.1"), 0);
        packets.clear();
        Asking.touch(live, new Touch(new PartId("level"), "1", Touch.Phase.SET, 0.5, 0.5, false, ""), ADA, 0);
        live.takeDue(20_000_000);
    }

    private static OscPacket read(byte[] packet) {
        return ((Decoded.Whole) new OscDecoder().decode(packet)).packet();
    }

    @Test
    void whatLeavesTogetherLeavesAsOneBundleWhereTheTargetTakesThem() {
        bundling(DESK.bundling(), 3);
        OscMessage[] messages = {
            OscMessage.of("/out/0", new OscArgument.Float32(0.5f)),
            OscMessage.of("/out/1", new OscArgument.Float32(0.5f)),
            OscMessage.of("/out/2", new OscArgument.Float32(0.5f))
        };
        assertThat(packets).hasSize(1);
        // OSC 1.0, "OSC Bundles": as the encoder writes the same bundle from its messages
        assertThat(packets.get(0)).isEqualTo(OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, List.of(messages))));
    }

    @Test
    void aMessageThatIsAloneNeedsNoBundle() {
        bundling(DESK.bundling(), 1);
        assertThat(packets).hasSize(1);
        assertThat(read(packets.get(0))).isInstanceOf(OscMessage.class);
    }

    @Test
    void withoutBundlesEachLeavesAlone() {
        bundling(DESK, 3);
        assertThat(packets).hasSize(3);
    }

    @Test
    void aBundleThatWouldNotTravelInOnePieceBecomesSeveral() {
        bundling(DESK.bundling(), 200);
        assertThat(packets).hasSizeGreaterThan(1).allSatisfy(packet -> assertThat(packet.length)
                .isLessThanOrEqualTo(1472));
        assertThat(packets.stream()
                        .mapToInt(
                                packet -> ((OscBundle) read(packet)).elements().size())
                        .sum())
                .isEqualTo(200);
    }

    // ---- addresses without a slash

    @Test
    void anAddressWithoutASlashIsSentAndHeardWhereThePhrasebookHasIt() {
        Show base = Shows.withPage();
        show = Shows.accepted(
                base,
                Shows.ADA,
                put(BOOK, null, book(true)),
                put(new PartId("phrase"), BOOK, phrase("set/<ch:1..8>/level", AnswerRule.usual(AnswerRule.Kind.SAME))));
        show = Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(show, Shows.DESK, DESK.speaking(BOOK).startingWith(List.of("begin 1"))));
        show = Shows.accepted(show, Shows.ADA, put(new PartId("level"), PAGE, fader("set/3/level", "set/3/level")));
        Control control = (Control) show.part(new PartId("level")).orElseThrow().body();
        List<String> sent = new ArrayList<>();
        LiveShow live = new LiveShow(new Packets(packets));
        live.load(show, 0);
        live.socket(Shows.DESK, SocketState.open("127.0.0.1"), 0);
        packets.clear();
        Asking.touch(live, new Touch(new PartId("level"), "1", Touch.Phase.SET, 0.5, 0.5, false, ""), ADA, 0);
        Asking.start(live, Shows.DESK, 0);
        packets.forEach(packet -> sent.add(
                ((OscMessage) ((Decoded.Whole) OscDecoder.takingBareAddresses().decode(packet)).packet()).address()));
        assertThat(sent).containsExactly(control.sends().get(0).address(), "begin");

        byte[] known = OscEncoder.encode(OscMessage.of("set/3/level", new OscArgument.Float32(0.75f)));
        live.received(
                9201, "127.0.0.1", 7101, known, OscDecoder.takingBareAddresses().decode(known), 20_000_000);
        assertThat(live.value(new PartId("level")).orElseThrow().echo()).hasValue(0.75);
    }

    @Test
    void anAddressWithoutASlashThatNoPhraseHasIsShownAndDoesNothing() {
        play(DESK, fader("/in/3/level", "/in/3/level"), AnswerRule.usual(AnswerRule.Kind.SAME));
        byte[] stranger = OscEncoder.encode(OscMessage.of("in/3/level", new OscArgument.Float32(0.75f)));
        stage.live.received(
                9201,
                "127.0.0.1",
                7101,
                stranger,
                OscDecoder.takingBareAddresses().decode(stranger),
                stage.now);
        assertThat(stage.value("level").echo()).isEmpty();
        assertThat(stage.wire).last().satisfies(row -> assertThat(Stage.note(row))
                .isEqualTo("“in/3/level” has no slash at its start, and no phrase of Desk is written so"));
    }

    @Test
    void withoutSuchAPhrasebookTheSlashIsAskedFor() {
        Show base = Shows.withPage();
        assertThat(Shows.refused(base, Shows.ADA, put(new PartId("level"), PAGE, fader("in/3/level", "/in/3/level"))))
                .singleElement()
                .satisfies(problem -> assertThat(problem.mend()).hasValue("/in/3/level"));
        assertThat(Shows.refused(
                        base,
                        Shows.ADA,
                        put(BOOK, null, book(false)),
                        put(
                                new PartId("phrase"),
                                BOOK,
                                phrase("in/<ch:1..8>", AnswerRule.usual(AnswerRule.Kind.SAME)))))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("begins with a slash"));
    }

    /** Notes the packets and nothing else. */
    private static final class Packets extends QuietSink {

        private final List<byte[]> packets;

        private Packets(List<byte[]> packets) {
            this.packets = packets;
        }

        @Override
        public boolean datagram(PartId target, byte[] packet) {
            return packets.add(packet);
        }
    }
}
