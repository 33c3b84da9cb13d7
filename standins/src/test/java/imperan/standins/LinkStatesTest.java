package imperan.standins;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.Finding;
import imperan.check.FindingKind;
import imperan.check.NetworkFacts;
import imperan.check.RigCheck;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.rig.Adapter;
import imperan.rig.Prefix;
import imperan.show.EditRequest;
import imperan.show.KeepAlive;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Target;
import imperan.wire.WireLog;
import imperan.wire.WireRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The running show against each device and each fault, on a clock of their own and without a socket: a datagram of ours reaches the
 * device at once where it is meant for its port, and the other way round.
 */
class LinkStatesTest {

    private static final long MS = 1_000_000L;
    private static final PartId TARGET = new PartId("target");
    private static final String HERE = "127.0.0.1";

    private final WireLog log = new WireLog(100_000, Long.MAX_VALUE);
    private final List<WireRecord> wire = new ArrayList<>();
    private final List<OscMessage> inbox = new ArrayList<>();
    private final List<Integer> inboxPorts = new ArrayList<>();
    private FaultyStandIn device;
    private Target target;
    private Show show;
    private int devicePort;
    private long now = 5_000 * MS;
    private final LiveShow live = new LiveShow(new LiveSink() {
        @Override
        public boolean datagram(PartId to, byte[] packet) {
            if (target.port() != devicePort) {
                live().portClosed(TARGET, now);
            } else if (!device.faults().contains(Fault.PORT_CLOSED)) {
                OscMessage message = (OscMessage) ((Decoded.Whole) new OscDecoder().decode(packet)).packet();
                device.receive(
                        new StandIn.Heard(StandIn.Peer.datagrams(HERE, target.answerPort()), message, false),
                        now,
                        LinkStatesTest.this::answered);
            } else {
                live().portClosed(TARGET, now);
            }
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            log.happened(event).ifPresent(wire::add);
        }
    });

    private LiveShow live() {
        return live;
    }

    private void answered(StandIn.Peer to, OscMessage message) {
        inbox.add(message);
        inboxPorts.add(to.port());
    }

    /** What the device sent arrives, as far as it was meant for a port of ours. */
    private void deliver() {
        List<OscMessage> messages = List.copyOf(inbox);
        List<Integer> ports = List.copyOf(inboxPorts);
        inbox.clear();
        inboxPorts.clear();
        int from = device.faults().contains(Fault.FROM_OTHER_PORT) ? devicePort + 1000 : devicePort;
        for (int i = 0; i < messages.size(); i++) {
            if (ports.get(i) == target.answerPort()) {
                byte[] bytes = OscEncoder.encode(messages.get(i));
                live.received(target.answerPort(), HERE, from, bytes, new OscDecoder().decode(bytes), now);
            }
        }
    }

    private void stage(String name, int port, int answerPort, Fault... faults) {
        devicePort = 7101;
        StandIn.Peer us = StandIn.Peer.datagrams(HERE, 9201);
        StandIn plain =
                switch (name) {
                    case "Bellows" -> new Bellows();
                    case "Wick" -> new Wick(us);
                    case "Sluice" -> new Sluice(us, true);
                    case "Eddy" -> new Eddy();
                    default -> new Keel();
                };
        device = new FaultyStandIn(plain);
        device.faults().addAll(List.of(faults));
        Target bare = Target.plain(name, HERE, port, answerPort, Target.Answering.QUERIES);
        target = name.equals("Bellows")
                ? bare.kept(KeepAlive.of("/bellows/stay", 3, 7))
                : name.equals("Keel") ? bare.kept(KeepAlive.of("/keel/sleep", 3, 7)) : bare;
        show = ((Outcome.Accepted) Show.empty()
                        .apply(
                                new EditRequest(
                                        "Put",
                                        List.of(new EditRequest.Put(new Part(TARGET, Optional.empty(), 0, target), 0))),
                                new Person("ada", "Ada")))
                .show();
        live.load(show, now);
        live.socket(TARGET, SocketState.open(HERE), now);
    }

    /** Time passes for both; every second a throw-away question is asked, as somebody does who looks whether it works. */
    private LinkView pass(int seconds, String question) {
        for (int i = 0; i < seconds * 50; i++) {
            now += 20 * MS;
            live.takeDue(now);
            if (i % 50 == 0) {
                live.carryOut(new Command.Say(TARGET, question), Actor.of(new Person("ada", "Ada")), now);
            }
            device.pass(now, this::answered);
            deliver();
        }
        return live.link(TARGET).orElseThrow();
    }

    private List<FindingKind> findings() {
        return RigCheck.findings(
                        show,
                        new NetworkFacts(
                                List.of(new Adapter("lo", List.of(Prefix.of("127.0.0.1/8")), true)),
                                live.links(),
                                live.strays()))
                .stream()
                .map(Finding::kind)
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        // without faults each answers in its own way; Sluice answers no question, and only pulses
        "Bellows, , ANSWERING",
        "Wick, , ANSWERING",
        "Sluice, , HEARD",
        "Eddy, , ANSWERING",
        "Keel, , ANSWERING",
        "Bellows, DEAF, UNHEARD",
        "Wick, DEAF, UNHEARD",
        "Sluice, DEAF, HEARD",
        "Eddy, DEAF, UNHEARD",
        "Keel, DEAF, UNHEARD",
        "Bellows, SWITCH_OFF, UNHEARD",
        "Sluice, SWITCH_OFF, HEARD",
        "Eddy, SWITCH_OFF, UNHEARD",
        "Bellows, PORT_CLOSED, PORT_CLOSED",
        "Wick, PORT_CLOSED, PORT_CLOSED",
        "Eddy, PORT_CLOSED, PORT_CLOSED",
        "Keel, PORT_CLOSED, PORT_CLOSED",
        // the only target of its host is believed from another port too
        "Bellows, FROM_OTHER_PORT, ANSWERING",
        "Wick, FROM_OTHER_PORT, ANSWERING",
        "Sluice, FROM_OTHER_PORT, HEARD",
        "Bellows, TO_OTHER_PORT, UNHEARD",
        "Wick, TO_OTHER_PORT, UNHEARD",
        "Sluice, TO_OTHER_PORT, UNHEARD",
        "Eddy, TO_OTHER_PORT, UNHEARD",
        "Bellows, OTHER_ADDRESS, HEARD",
        "Wick, OTHER_ADDRESS, HEARD",
        "Sluice, OTHER_ADDRESS, HEARD",
        "Eddy, OTHER_ADDRESS, HEARD",
        "Keel, OTHER_ADDRESS, HEARD",
        // what it says is wrong, but it answers: values show that, not the link
        "Bellows, OTHER_TYPE, ANSWERING",
        "Wick, CLAMPED, ANSWERING",
        "Eddy, LATE, ANSWERING",
        "Keel, LOSES, ANSWERING",
        "Bellows, CHOKES, ANSWERING",
        "Wick, NO_BUNDLES, ANSWERING",
        "Bellows, FORGETS, ANSWERING",
        "Eddy, FIRST_ONLY, ANSWERING",
    })
    void everyFaultOfEveryDeviceShowsInItsLink(String name, Fault fault, LinkState state) {
        stage(name, 7101, 9201, fault == null ? new Fault[0] : new Fault[] {fault});
        String question =
                switch (name) {
                    case "Bellows" -> "/bellows/main/level";
                    case "Wick" -> "/wick/master/1/level";
                    case "Sluice" -> "/sluice/scene";
                    case "Eddy" -> "/eddy/turbulence";
                    default -> "/keel/sleep";
                };
        assertThat(pass(5, question).state()).isEqualTo(state);
        assertThat(findings())
                .isEqualTo(state == LinkState.PORT_CLOSED ? List.of(FindingKind.LOOPBACK_CLOSED) : List.of());
    }

    @Test
    void aFaultThatComesLaterIsALoss() {
        stage("Bellows", 7101, 9201);
        assertThat(pass(2, "/bellows/main/level").state()).isEqualTo(LinkState.ANSWERING);
        device.faults().add(Fault.DEAF);
        assertThat(pass(10, "/bellows/main/level").state()).isEqualTo(LinkState.LOST);
        device.faults().clear();
        assertThat(pass(4, "/bellows/main/level").state()).isEqualTo(LinkState.ANSWERING);
        device.faults().add(Fault.PORT_CLOSED);
        assertThat(pass(2, "/bellows/main/level").state()).isEqualTo(LinkState.PORT_CLOSED);
    }

    @Test
    void aWrongPortIsClosed() {
        stage("Bellows", 7102, 9201);
        assertThat(pass(2, "/bellows/main/level").state()).isEqualTo(LinkState.PORT_CLOSED);
        assertThat(findings()).containsExactly(FindingKind.LOOPBACK_CLOSED);
    }

    @Test
    void swappedPortsAreSuspected() {
        // we send to 9201, where nobody is, and wait on 7101, from which the device speaks to us
        stage("Wick", 9201, 7101);
        pass(1, "/wick/master/1/level");
        byte[] pulse = OscEncoder.encode(OscMessage.of("/wick/look/1/state"));
        live.received(9999, HERE, 7101, pulse, new OscDecoder().decode(pulse), now);
        assertThat(findings()).contains(FindingKind.SWAPPED_PORTS);
    }

    @Test
    void aWrongHostIsSilentAndSaidSo() {
        stage("Bellows", 7101, 9201, Fault.DEAF);
        live.silentHost(TARGET, true);
        LinkView link = pass(5, "/bellows/main/level");
        assertThat(link.state()).isEqualTo(LinkState.UNHEARD);
        assertThat(link.silentHost()).isTrue();
    }
}
