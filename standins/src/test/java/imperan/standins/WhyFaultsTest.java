package imperan.standins;

import imperan.check.NetworkFacts;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.proof.Diagnosis;
import imperan.proof.Facts;
import imperan.proof.Rank;
import imperan.proof.Suspect;
import imperan.proof.WhyNot;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.KeepAlive;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

import static org.assertj.core.api.Assertions.assertThat;

/**
 * Every fault of every device against the running show, on a clock of their own and without a socket: what is named first is what the fault does to the packets. The table is
 * made from both, so none can be left out.
 */
class WhyFaultsTest {

    /** One line of a device, and how it is reached. */
    private enum Device {
        BELLOWS("/bellows/in/%d/level", ArgumentType.FLOAT32, 1, AnswerRule.Kind.SAME, Optional.of(KeepAlive.of("/bellows/stay", 3, 7)), false, false),
        WICK("/wick/lantern/%d/level", ArgumentType.INT32, 255, AnswerRule.Kind.QUERY, Optional.empty(), false, false),
        // it says the time once a second, whoever listens
        SLUICE("/sluice/sheet/%d/blend", ArgumentType.FLOAT32, 30, AnswerRule.Kind.SAME, Optional.empty(), true, false),
        EDDY("/eddy/turbulence", ArgumentType.FLOAT32, 1, AnswerRule.Kind.QUERY, Optional.empty(), false, false),
        KEEL("/keel/out/%d/delay", ArgumentType.FLOAT32, 500, AnswerRule.Kind.SAME, Optional.of(KeepAlive.of("/keel/sleep", 4, 9)), false, true);

        private final String address;
        private final ArgumentType type;
        private final double high;
        private final AnswerRule.Kind answer;
        private final Optional<KeepAlive> keepAlive;
        private final boolean speaks;
        private final boolean connected;

        Device(String address, ArgumentType type, double high, AnswerRule.Kind answer, Optional<KeepAlive> keepAlive, boolean speaks, boolean connected) {
            this.address = address;
            this.type = type;
            this.high = high;
            this.answer = answer;
            this.keepAlive = keepAlive;
            this.speaks = speaks;
            this.connected = connected;
        }

        private StandIn open() {
            return switch (this) {
                case BELLOWS -> new Bellows();
                case WICK -> new Wick(US);
                case SLUICE -> new Sluice(US, true);
                case EDDY -> new Eddy();
                case KEEL -> new Keel();
            };
        }
    }

    /** It reports what changed once a second. */
    private static final double KEEL_SECONDS = 1.1;
    private static final long MS = 1_000_000L;
    private static final String HERE = "127.0.0.1";
    private static final int DEVICE_PORT = 7101;
    private static final int ANSWER_PORT = 9201;
    private static final StandIn.Peer US = StandIn.Peer.datagrams(HERE, ANSWER_PORT);
    private static final PartId TARGET = new PartId("target");
    private static final PartId BOOK = new PartId("book");
    private static final PartId PAGE = new PartId("page");
    private static final List<PartId> CONTROLS = List.of(new PartId("a"), new PartId("b"));
    private static final Actor ADA = Actor.of(new Person("ada", "Ada"));

    private record Way(int ourPort, OscMessage message) {
    }

    private final List<Way> under = new ArrayList<>();
    private FaultyStandIn device;
    private Device kind;
    private Show show;
    private long now = 1_000_000_000_000_000_000L;
    private final LiveShow live = new LiveShow(new LiveSink() {
        @Override
        public boolean datagram(PartId to, byte[] packet) {
            if (device.faults().contains(Fault.PORT_CLOSED)) {
                live().portClosed(TARGET, now);
            } else {
                hear(((Decoded.Whole) new OscDecoder().decode(packet)).packet(), false);
            }
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            // what was seen is asked for
        }
    });

    private LiveShow live() {
        return live;
    }

    private void hear(OscPacket packet, boolean bundled) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> hear(element, true));
        } else {
            device.receive(new StandIn.Heard(kind.connected ? new StandIn.Peer(HERE, ANSWER_PORT, 1) : US, (OscMessage) packet, bundled), now, this::say);
        }
    }

    private void say(StandIn.Peer to, OscMessage message) {
        under.add(new Way(to.port(), message));
    }

    private void deliver() {
        List<Way> ways = List.copyOf(under);
        under.clear();
        int from = device.faults().contains(Fault.FROM_OTHER_PORT) ? DEVICE_PORT + 1_000 : DEVICE_PORT;
        for (Way way : ways) {
            byte[] bytes = OscEncoder.encode(way.message());
            Decoded decoded = new OscDecoder().decode(bytes);
            if (kind.connected) {
                live.received(TARGET, HERE, DEVICE_PORT, bytes, decoded, now);
            } else {
                // the neighbour of our port is open as it is while somebody finds out
                live.received(way.ourPort(), HERE, from, bytes, decoded, now);
            }
        }
    }

    private void stage(Device which, Fault fault) {
        kind = which;
        device = new FaultyStandIn(which.open());
        boolean asked = which.answer == AnswerRule.Kind.QUERY;
        Target plain = Target.plain("Device", HERE, DEVICE_PORT, ANSWER_PORT, asked ? Target.Answering.QUERIES : Target.Answering.REPORTS);
        Target target = which.keepAlive.map(plain::kept).orElse(plain).speaking(BOOK);
        target = fault == Fault.NO_BUNDLES ? target.bundling() : target;
        Phrase phrase = Phrase.plain(phraseAddress(which), Phrase.Direction.BOTH, List.of(Phrase.PhraseArgument.plain(which.type, Optional.of(0.0), Optional.of(which.high), "", List.of(),
                Optional.empty())), AnswerRule.usual(which.answer).near(0.05).within(which == Device.KEEL ? KEEL_SECONDS : 0.5), "", "");
        List<EditRequest.Step> steps = new ArrayList<>(List.of(put(BOOK, null, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())), put(new PartId("phrase"), BOOK, phrase),
                put(TARGET, null, target), put(new PartId("layout"), null, Layout.plain("Layout")), put(PAGE, new PartId("layout"), Page.plain("Page", 8, 8))));
        for (int i = 0; i < CONTROLS.size(); i++) {
            steps.add(put(CONTROLS.get(i), PAGE, Control.plain("Control " + i, new Cells(i, 0, 1, 4), Fader.plain(Form.Direction.UP, Form.Grab.JUMP),
                    List.of(new Send(Send.Phase.CHANGE, Optional.of(TARGET), line(which, i + 1), List.of(new ArgumentSource.Value(which.type, 0, which.high)))),
                    List.of(Listen.value(Optional.of(TARGET), line(which, i + 1), 0, 0, which.high)))));
        }
        show = ((Outcome.Accepted) Show.empty().apply(new EditRequest("Put", steps), new Person("ada", "Ada"))).show();
        live.load(show, now);
        live.socket(TARGET, SocketState.open(HERE), now);
    }

    private static String line(Device which, int number) {
        return which == Device.EDDY && number == 2 ? "/eddy/tilt/x" : String.format(which.address, number);
    }

    private static String phraseAddress(Device which) {
        return which.address.replace("%d", "<n:1..2>");
    }

    private static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 0, body), 0);
    }

    private void pass(long millis) {
        for (long end = now + millis * MS; now < end; ) {
            now += 5 * MS;
            while (live.nextDue() <= now) {
                live.takeDue(now);
            }
            device.pass(now, this::say);
            deliver();
        }
    }

    private void touch(PartId control, double to) {
        live.carryOut(new Touch(control, "1", Touch.Phase.SET, 0.5, to, false, ""), ADA, now);
        deliver();
    }

    private void move(double to) {
        touch(CONTROLS.get(0), to);
        pass(patience());
    }

    private long patience() {
        return kind == Device.KEEL ? 2_000 : 900;
    }

    private Diagnosis play(Device which, Fault fault) {
        stage(which, fault);
        pass(500);
        move(0.2);
        // somebody else spoke to it last, which matters to one fault only
        device.receive(new StandIn.Heard(StandIn.Peer.datagrams(HERE, 5_555), OscMessage.of("/other"), false), now, this::say);
        device.faults().add(fault);
        if (fault == Fault.CHOKES) {
            choke();
        } else if (fault == Fault.NO_BUNDLES) {
            for (int i = 0; i < 4; i++) {
                move(0.3 + i / 10.0);
                touch(CONTROLS.get(1), 0.3 + i / 10.0);
                pass(patience());
                live.carryOut(new Command.Rest(CONTROLS), ADA, now);
                pass(patience());
            }
        } else {
            for (int i = 0; i < 24; i++) {
                if (i % 3 == 0) {
                    touch(CONTROLS.get(1), 0.2 + i / 50.0);
                }
                move(i % 2 == 0 ? 0.9 - i / 99.0 : 0.6 + i / 99.0);
            }
        }
        return WhyNot.of(Facts.of(show, live.observed(CONTROLS.get(0), now).orElseThrow(), new NetworkFacts(List.of(), live.links(), live.strays()), 0).orElseThrow());
    }

    /** Slowly, each is heard; in a hurry, only the first fifty of a second are. */
    private void choke() {
        for (int round = 0; round < 4; round++) {
            for (int i = 0; i < 3; i++) {
                move(0.1 + round / 10.0 + i / 50.0);
            }
            pass(2_000);
            for (int i = 0; i < 90; i++) {
                touch(CONTROLS.get(0), 0.2 + i / 200.0);
                pass(10);
            }
            pass(1_500);
        }
        for (int i = 0; i < 90; i++) {
            touch(CONTROLS.get(0), 0.9 - i / 200.0);
            pass(10);
        }
        pass(patience());
    }

    static Stream<Object[]> everyFaultOfEveryDevice() {
        return Arrays.stream(Device.values()).flatMap(each -> Arrays.stream(Fault.values()).map(fault -> new Object[] {each, fault}));
    }

    @ParameterizedTest
    @MethodSource("everyFaultOfEveryDevice")
    void isNamedAsWhatItDoesToThePackets(Device which, Fault fault) {
        Diagnosis diagnosis = play(which, fault);
        Optional<Suspect> cause = cause(which, fault);
        if (cause.isEmpty()) {
            assertThat(diagnosis.missing()).as("%s", diagnosis).isFalse();
            assertThat(diagnosis.groups()).as("%s", diagnosis).isEmpty();
        } else {
            assertThat(diagnosis.groups()).as("%s", diagnosis).isNotEmpty();
            assertThat(diagnosis.groups().get(0).suspects()).as("%s", diagnosis).contains(cause.get());
            assertThat(diagnosis.groups().get(0).rank()).as("%s", diagnosis).isEqualTo(rank(which, cause.get()));
        }
    }

    /** What a fault is on the wire; empty where nothing is missing because of it. */
    private static Optional<Suspect> cause(Device which, Fault fault) {
        return switch (fault) {
            case DEAF, SWITCH_OFF -> Optional.of(Suspect.DEAF);
            case FIRST_ONLY -> Optional.of(Suspect.TOO_MANY_PARTNERS);
            case PORT_CLOSED -> Optional.of(Suspect.PORT_CLOSED);
            // the only target of its host is believed from another port, too
            case FROM_OTHER_PORT -> Optional.empty();
            // a connection brings answers back along it
            case TO_OTHER_PORT -> which.connected ? Optional.empty() : Optional.of(Suspect.OTHER_PORT);
            case OTHER_ADDRESS -> Optional.of(Suspect.OTHER_ADDRESS);
            case OTHER_TYPE -> Optional.of(Suspect.OTHER_TYPE);
            // half of 30 s or of 500 ms is more than the half of 1 at which it clamps
            case CLAMPED -> Optional.of(Suspect.OTHER_VALUE);
            case LATE -> Optional.of(Suspect.LATE);
            // its reports come twenty at a time, and this one always stands where none is lost
            case LOSES -> which == Device.KEEL ? Optional.empty() : Optional.of(Suspect.LOSS);
            case CHOKES -> Optional.of(Suspect.OVER_PACE);
            // who is asked afterwards says what stands there still
            case NO_BUNDLES -> Optional.of(which == Device.EDDY ? Suspect.OTHER_VALUE : Suspect.BUNDLES);
            // who is asked, or answers to an address of its own, needs nobody to remember
            case FORGETS -> which == Device.BELLOWS || which == Device.KEEL ? Optional.of(Suspect.LAPSED) : Optional.empty();
        };
    }

    private static Rank rank(Device which, Suspect cause) {
        return switch (cause) {
            case DEAF, TOO_MANY_PARTNERS -> Rank.POSSIBLE;
            // it forgets between each change and its report, so no pattern is seen
            case LAPSED -> which == Device.KEEL ? Rank.POSSIBLE : Rank.LIKELY;
            case PORT_CLOSED, OTHER_PORT, OTHER_TYPE, OTHER_VALUE, LATE -> Rank.CERTAIN;
            default -> Rank.LIKELY;
        };
    }
}
