package imperan.live;

import static imperan.live.Stage.MS;
import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.Checks;
import imperan.check.Finding;
import imperan.check.FindingKind;
import imperan.dialect.Codec;
import imperan.dialect.Dialects;
import imperan.dialect.Lamps;
import imperan.layout.Arrangement;
import imperan.layout.arranging.Arranger;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.ShowFile;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.wire.WireLog;
import imperan.wire.WireRecord;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A dialect that is nothing like OSC goes the whole way: phrasebook, page, wire, exchange, check, file. */
class OtherDialectTest {

    private static final PartId BOOK = new PartId("book");
    private static final PartId LEVEL = new PartId("level");

    private final List<String> packets = new ArrayList<>();
    private final List<LiveEvent> events = new ArrayList<>();
    private final LiveShow live = new LiveShow(new LiveSink() {
        @Override
        public boolean datagram(PartId target, byte[] packet) {
            return packets.add(HexFormat.of().formatHex(packet));
        }

        @Override
        public void happened(LiveEvent event) {
            events.add(event);
        }
    });
    private final Codec device = Dialects.of("lamps").orElseThrow().codec();
    private Show show;
    private long now = 1_000_000 * MS;

    private static Control fader(String address) {
        return Control.plain(
                "Lamp",
                new Cells(0, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(DESK),
                        address,
                        List.of(new ArgumentSource.Value(ArgumentType.INT32, 0, 255)))),
                List.of(Listen.value(Optional.of(DESK), address, 0, 0, 255)));
    }

    private static Phrase lamp() {
        return Phrase.plain(
                "lamp #<n:1..24>",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.INT32, Optional.of(0.0), Optional.of(255.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
    }

    @BeforeEach
    void aDeskThatSpeaksIt() {
        Show base = Shows.withPage();
        show = Shows.accepted(
                base,
                ADA,
                put(
                        BOOK,
                        null,
                        new Phrasebook("Lamps", Phrasebook.LinkSheet.unknown().in(new Lamps()))),
                put(new PartId("phrase"), BOOK, lamp()));
        show = Shows.accepted(
                show,
                ADA,
                Shows.change(
                        show,
                        DESK,
                        Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS)
                                .speaking(BOOK)));
        show = Shows.accepted(show, ADA, put(LEVEL, PAGE, fader("lamp #3")));
        live.load(show, now);
        live.socket(DESK, SocketState.open("127.0.0.1"), now);
    }

    private void move(double to) {
        Asking.touch(live, new Touch(LEVEL, "1", Touch.Phase.SET, 0.5, to, false, ""), ADA, now);
    }

    private void says(String address, int level) {
        // the reading of packets has a state: it is that of the socket
        for (byte[] packet : Dialects.of("lamps")
                .orElseThrow()
                .codec()
                .write(OscMessage.of(address, new OscArgument.Int32(level)))) {
            live.received(9201, "127.0.0.1", 7101, packet, device.read(packet), now);
        }
    }

    private void pass(long millis) {
        long end = now + millis * MS;
        while (live.nextDue() <= end) {
            now = Math.max(now, live.nextDue());
            live.takeDue(now);
        }
        now = end;
    }

    @Test
    void aTouchIsTwoPacketsAndTheirAnswerIsVerified() {
        move(1);
        assertThat(packets).containsExactly("0103", "02ff");
        now += 4 * MS;
        says("lamp #3", 255);
        assertThat(live.trace(LEVEL).flatMap(Trace::answer)).hasValueSatisfying(answer -> {
            assertThat(answer.fit()).isEqualTo(Trace.Fit.AGREES);
            assertThat(answer.address()).isEqualTo("lamp #3");
            assertThat(answer.afterNanos()).isEqualTo(4 * MS);
        });
        assertThat(live.link(DESK).orElseThrow().state()).isEqualTo(LinkState.ANSWERING);
        move(0.5);
        says("lamp #3", 40);
        pass(600);
        assertThat(live.trace(LEVEL).flatMap(Trace::stopped)).contains(new Reason.WrongValue());
        says("lamp #3", 51);
        assertThat(live.value(LEVEL).orElseThrow().text()).isEqualTo("51");
    }

    @Test
    void theWireShowsEachPacketInItsDialect() {
        move(1);
        says("lamp #3", 255);
        WireLog log = new WireLog(100, Long.MAX_VALUE);
        events.forEach(log::happened);
        List<WireRecord> rows = log.packets();
        assertThat(rows).hasSize(4).allSatisfy(row -> assertThat(row.dialect()).isEqualTo("lamps"));
        assertThat(rows.stream().filter(row -> !row.out()))
                .extracting(WireRecord::answeredAfterNanos)
                .containsExactly(Optional.empty(), Optional.of(0L));
    }

    /** It is no touch and no message: it keeps to no pace, opens no exchange and is on no wire. */
    @Test
    void whatWasSaidIsSaidAgainWithoutAWord() {
        pass(2_000);
        assertThat(packets).as("nothing was said yet").isEmpty();
        move(1);
        events.clear();
        packets.clear();
        pass(1_100);
        assertThat(packets).containsExactly("0103", "02ff", "0103", "02ff");
        assertThat(events)
                .noneMatch(event -> event instanceof LiveEvent.PacketOut || event instanceof LiveEvent.LineLeft);
        Asking.gate(live, DESK, Gate.SILENT, now);
        packets.clear();
        pass(2_000);
        assertThat(packets).isEmpty();
    }

    @Test
    void messagesOfNoControlAreWrittenInIt() {
        assertThat(Asking.say(live, DESK, "\"lamp #7\" 128", now)).isEmpty();
        assertThat(packets).containsExactly("0107", "0280");
        assertThat(Asking.say(live, DESK, "/lamp/7 128", now))
                .hasValueSatisfying(why -> assertThat(why).contains("A lamp is written lamp #3"));
    }

    @Test
    void addressesAreCheckedByIt() {
        assertThat(Shows.refused(show, ADA, Shows.change(show, LEVEL, fader("/lamp/3"))))
                .hasSize(2)
                .allSatisfy(problem -> assertThat(problem.message()).isEqualTo("A lamp is written lamp #3"));
        Phrase wrong = Phrase.plain(
                "/lamp/<n:1..3>", Phrase.Direction.OUT, List.of(), AnswerRule.usual(AnswerRule.Kind.NONE), "", "");
        assertThat(Shows.refused(show, ADA, put(new PartId("wrong"), BOOK, wrong)))
                .singleElement()
                .satisfies(problem -> assertThat(problem.field()).isEqualTo("address"));
        assertThat(Shows.refused(Shows.withPage(), ADA, put(new PartId("wrong"), PAGE, fader("lamp #3"))))
                .as("in OSC there is no such address")
                .isNotEmpty();
    }

    @Test
    void pagesAndLinesAreMadeOfItsPhrases() {
        Show with = ((Outcome.Accepted) Arranger.carryOut(
                        show,
                        new Arrangement.PlacePhrases(
                                Optional.of(PAGE),
                                DESK,
                                List.of(new PartId("phrase")),
                                1,
                                3,
                                Optional.empty(),
                                Arrangement.PlacePhrases.Manner.LOOSE,
                                0),
                        ADA))
                .show();
        List<String> sent = with.all(Control.class).stream()
                .map(part -> (Control) part.body())
                .flatMap(control -> control.sends().stream())
                .map(Send::address)
                .toList();
        assertThat(sent).contains("lamp #1", "lamp #2", "lamp #3");
        assertThat(new Checks(with).all()).noneMatch(Finding::stopsShow);
        Show astray = Shows.accepted(show, ADA, Shows.change(show, LEVEL, fader("lamp #77")));
        assertThat(new Checks(astray).of(LEVEL))
                .as("no phrase has it")
                .extracting(Finding::kind)
                .contains(FindingKind.NUMBER_OUT_OF_RANGE);
    }

    @Test
    void itTravelsInShowFiles() {
        String file = ShowFile.write("Lamps", show, hash -> Optional.empty());
        ShowFile.Read.Good read = (ShowFile.Read.Good) ShowFile.read(file);
        Show again = ((Outcome.Accepted) Show.empty().become(read.parts(), ADA, "Import")).show();
        assertThat(Phrasebook.spokenWith(again, again.all(Target.class).get(0).id())
                        .id())
                .isEqualTo("lamps");

        ShowFile.Read.Good unknown = (ShowFile.Read.Good) ShowFile.read(file.replace("\"lamps\"", "\"bells\""));
        assertThat(Show.empty().become(unknown.parts(), ADA, "Import"))
                .isInstanceOfSatisfying(Outcome.Refused.class, refused -> assertThat(refused.problems())
                        .anySatisfy(problem ->
                                assertThat(problem.message()).isEqualTo("This Imperan does not speak “bells”")));
    }
}
