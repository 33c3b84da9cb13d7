package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.show.KeepAlive;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Hold and rehearsal, the start list, the evidence of a link, and what nobody claims. */
class GateTest {

    private static final Target TARGET = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES)
            .kept(KeepAlive.of("/stay", 3, 7))
            .startingWith(List.of("/wake", "/set 3 quay"));

    private Stage stage;

    @BeforeEach
    void aDesk() {
        stage = new Stage(show(TARGET));
        stage.pass(10);
        stage.takeSent();
    }

    private static Show show(Target target) {
        Show base = Shows.withPage();
        return Shows.accepted(
                base,
                Shows.ADA,
                Shows.change(base, Shows.DESK, target),
                put(new PartId("level"), PAGE, Shows.fader("Level", 0, "/level")));
    }

    private void move(double to) {
        stage.touch(ADA, "level", Touch.Phase.SET, to);
    }

    @Test
    void whatIsHeldShowsWhatItWouldSayAndSaysNothing() {
        Asking.gate(stage.live, DESK, Gate.HELD, stage.now);
        move(0.5);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).isEqualTo("held, not sent");
        assertThat(Stage.why(stage.trace("level"))).contains("Desk is held");
        assertThat(stage.trace("level").line().orElseThrow().address()).isEqualTo("/level");
        assertThat(stage.link().gate()).isEqualTo(Gate.HELD);
    }

    @Test
    void afterItIsLetGoTheSameValueIsSent() {
        Asking.gate(stage.live, DESK, Gate.HELD, stage.now);
        move(0.5);
        Asking.gate(stage.live, DESK, Gate.OPEN, stage.now);
        assertThat(stage.takeSent()).as("nothing is sent because it was let go").isEmpty();
        Asking.testFire(stage.live, new PartId("level"), 0, stage.now);
        assertThat(stage.takeSent()).containsExactly("/level 0.5");
    }

    @Test
    void whatIsHeldIsKeptAliveAlsoWhereAllAreAndWhatIsSilentIsNot() {
        Show two = Shows.accepted(show(TARGET), Shows.ADA, put(new PartId("rack"), null, Shows.target("Rack")));
        stage = new Stage(two);
        Asking.gateAll(stage.live, Gate.HELD, stage.now);
        stage.pass(3010);
        assertThat(stage.takeSent()).contains("/stay");
        Asking.gateAll(stage.live, Gate.SILENT, stage.now);
        stage.pass(6000);
        move(0.5);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(Stage.note(stage.wire.get(stage.wire.size() - 1))).isEqualTo("silent, not sent");
    }

    @Test
    void aLinkThatIsSilentOnPurposeIsNotLostAndHasItsWindowAnewAfterwards() {
        stage.pass(20);
        stage.desk("/stay");
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        Asking.gate(stage.live, DESK, Gate.SILENT, stage.now);
        stage.pass(60_000);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        Asking.gate(stage.live, DESK, Gate.OPEN, stage.now);
        stage.pass(20);
        assertThat(stage.takeSent()).contains("/stay");
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        stage.pass(8_000);
        assertThat(stage.link().state())
                .as("it does not answer, though it is asked")
                .isEqualTo(LinkState.LOST);
    }

    @Test
    void inRehearsalNothingLeavesAtAll() {
        Asking.gate(stage.live, DESK, Gate.REHEARSING, stage.now);
        move(0.5);
        Asking.start(stage.live, DESK, stage.now);
        Asking.refresh(stage.live, DESK, stage.now);
        stage.pass(7000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.wire)
                .filteredOn(r -> Stage.note(r).equals("rehearsal, not sent"))
                .hasSize(3);
    }

    @Test
    void aTargetCanStartHeld() {
        Target held = new Target(
                "Desk",
                "127.0.0.1",
                7101,
                9201,
                TARGET.answering(),
                TARGET.keepAlive(),
                TARGET.messagesPerSecond(),
                false,
                TARGET.transport(),
                TARGET.adapterAddress(),
                TARGET.standIn(),
                true,
                TARGET.startList(),
                TARGET.phrasebook(),
                TARGET.ticks());
        stage = new Stage(show(held));
        move(0.5);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.link().gate()).isEqualTo(Gate.HELD);
    }

    @Test
    void theStartListIsSentInOrderAndARefreshAsksForWhatIsListenedTo() {
        Asking.start(stage.live, DESK, stage.now);
        assertThat(stage.takeSent()).containsExactly("/wake", "/set 3  “quay”");
        Asking.refresh(stage.live, DESK, stage.now);
        assertThat(stage.takeSent()).containsExactly("/level");
    }

    @Test
    void aThrowAwayMessageThatIsAnsweredProvesTheLink() {
        Asking.say(stage.live, DESK, "/anything", stage.now);
        assertThat(stage.takeSent()).containsExactly("/anything");
        stage.desk("/anything", 1);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        assertThat(stage.takeSent()).containsExactly("/level");
    }

    @Test
    void aStandInThatIsInUseIsSpokenToInsteadOfTheVenue() {
        stage = new Stage(show(TARGET.at("192.0.2.20", 7101).simulatedAt(new StandInEnd("127.0.0.1", 7999, true))));
        move(0.5);
        assertThat(stage.wire.get(stage.wire.size() - 1).peer()).isEqualTo("127.0.0.1:7999");
    }

    @Test
    void everyTurnOfALinkIsLoggedWithWhatWasSeen() {
        stage.desk("/other", 1);
        stage.pass(3010);
        stage.desk("/stay");
        stage.pass(8000);
        stage.live.portClosed(DESK, stage.now);
        stage.live.portClosed(DESK, stage.now);
        assertThat(stage.turns)
                .containsExactly(
                        "HEARD: a packet came from it",
                        "ANSWERING: it answered /stay",
                        "LOST: nothing came from it in time",
                        "PORT_CLOSED: 127.0.0.1 says that port 7101 is closed");
    }

    @Test
    void theEvidenceOfALinkIsItsTimes() {
        assertThat(stage.link().lastHeardAt()).isEmpty();
        move(0.5);
        assertThat(stage.link().lastSentAt()).contains(stage.now);
        stage.pass(20);
        stage.desk("/level", 0.5f);
        assertThat(stage.link().lastHeardAt()).contains(stage.now);
        assertThat(stage.link().answers().orElseThrow())
                .isEqualTo(new LinkView.AnswerTimes(20 * Stage.MS, 20 * Stage.MS, 20 * Stage.MS));
    }

    @Test
    void aTargetWithoutAWayToItIsLostAtOnceAndWhy() {
        Asking.say(stage.live, DESK, "/level", stage.now);
        stage.desk("/level", 0.5f);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.KNOWN);
        stage.live.socket(DESK, SocketState.noWay("No connection"), stage.now);
        assertThat(stage.link().state()).isEqualTo(LinkState.LOST);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.STALE);
        assertThat(stage.turns).endsWith("LOST: No connection");
    }

    @Test
    void aTargetThatNeedsNoKeepAliveIsAskedAsSoonAsThereIsAWayToIt() {
        Target plain = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES);
        stage = new Stage(show(plain));
        assertThat(stage.takeSent()).containsExactly("/level");
        stage.desk("/level", 0.5f);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        assertThat(stage.value("level").belief()).isEqualTo(Belief.KNOWN);
    }

    @Test
    void aSilentHostIsPartOfTheEvidence() {
        assertThat(stage.link().silentHost()).isFalse();
        stage.live.silentHost(DESK, true);
        assertThat(stage.link().silentHost()).isTrue();
    }

    @Test
    void whatNobodyClaimsIsCountedByItsSenderUntilTheRigChanges() {
        byte[] packet = OscEncoder.encode(OscMessage.of("/lost"));
        for (int i = 0; i < 3; i++) {
            stage.live.received(9201, "192.0.2.99", 5000, packet, new OscDecoder().decode(packet), stage.now);
        }
        assertThat(stage.live.strays()).containsExactly(new Stray("192.0.2.99", 5000, 9201, 3, stage.now, "/lost"));
        Show same = show(TARGET);
        stage.live.load(
                Shows.accepted(
                        same,
                        Shows.ADA,
                        Shows.change(same, new PartId("level"), Shows.fader("Level of the mill", 0, "/level"))),
                stage.now);
        assertThat(stage.live.strays())
                .as("a label says nothing about who sends")
                .hasSize(1);
        stage.live.load(show(TARGET.paced(50)), stage.now);
        assertThat(stage.live.strays()).isEmpty();
    }

    @Test
    void thoseHeardLongestAgoAreForgottenFirst() {
        byte[] packet = {1, 2, 3};
        for (int port = 1; port <= Strays.MAX_SENDERS + 1; port++) {
            stage.live.received(9201, "192.0.2.99", port, packet, new OscDecoder().decode(packet), stage.now);
        }
        assertThat(stage.live.strays())
                .hasSize(Strays.MAX_SENDERS)
                .noneMatch(stray -> stray.port() == 1)
                .allMatch(stray -> stray.address().isEmpty());
    }

    /** Source: exact order statistics of the sorted sample. */
    @Test
    void percentilesAreThoseOfTheSortedSample() {
        Random random = new Random(3);
        for (int size : new int[] {1, 2, 99, 100, 101, RoundTrips.KEPT}) {
            RoundTrips trips = new RoundTrips();
            TreeSet<Long> sorted = new TreeSet<>();
            while (sorted.size() < size) {
                long value = random.nextInt(1_000_000);
                if (sorted.add(value)) {
                    trips.add(value);
                }
            }
            List<Long> sample = List.copyOf(sorted);
            assertThat(trips.percentile(0.5)).isEqualTo(sample.get((size + 1) / 2 - 1));
            assertThat(trips.percentile(0.99)).isEqualTo(sample.get((99 * size + 99) / 100 - 1));
        }
    }
}
