package imperan.standins;

import imperan.live.Actor;
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
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * A device with a fault against the running show, on a clock of their own and without a socket: two controls on two of its lines, which answers as the phrasebook of the show
 * says.
 */
final class OneDevice {

    /** One line of a device, and how it is reached. */
    enum Device {
        BELLOWS(
                "/bellows/in/%d/level",
                ArgumentType.FLOAT32, 1, AnswerRule.Kind.SAME, Optional.of(KeepAlive.of("/bellows/stay", 3, 7)), false),
        WICK("/wick/lantern/%d/level", ArgumentType.INT32, 255, AnswerRule.Kind.QUERY, Optional.empty(), false),
        SLUICE("/sluice/sheet/%d/blend", ArgumentType.FLOAT32, 30, AnswerRule.Kind.SAME, Optional.empty(), false),
        EDDY("/eddy/turbulence", ArgumentType.FLOAT32, 1, AnswerRule.Kind.QUERY, Optional.empty(), false),
        KEEL(
                "/keel/out/%d/delay",
                ArgumentType.FLOAT32, 500, AnswerRule.Kind.SAME, Optional.of(KeepAlive.of("/keel/sleep", 4, 9)), true);

        private final String address;
        private final ArgumentType type;
        private final double high;
        final AnswerRule.Kind answer;
        private final Optional<KeepAlive> keepAlive;
        final boolean connected;

        Device(
                String address,
                ArgumentType type,
                double high,
                AnswerRule.Kind answer,
                Optional<KeepAlive> keepAlive,
                boolean connected) {
            this.address = address;
            this.type = type;
            this.high = high;
            this.answer = answer;
            this.keepAlive = keepAlive;
            this.connected = connected;
        }

        StandIn open() {
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

    static final long MS = 1_000_000L;
    static final String HERE = "127.0.0.1";
    private static final int DEVICE_PORT = 7101;
    private static final int ANSWER_PORT = 9201;
    static final StandIn.Peer US = StandIn.Peer.datagrams(HERE, ANSWER_PORT);
    static final PartId TARGET = new PartId("target");
    private static final PartId BOOK = new PartId("book");
    private static final PartId PAGE = new PartId("page");
    static final List<PartId> CONTROLS = List.of(new PartId("a"), new PartId("b"));
    static final Actor ADA = Actor.of(new Person("ada", "Ada"));

    private record Way(int ourPort, OscMessage message) {}

    private final List<Way> under = new ArrayList<>();
    /** Is told of all that happens in the running show. */
    Consumer<LiveEvent> told = event -> {};
    /** Whether the host has just said that nobody has the port open. */
    private boolean closed;
    /** Whether the show takes it for a stand-in, and not for the device itself. */
    boolean isStandIn;

    FaultyStandIn device;
    Device kind;
    Show show;
    long now = 1_000_000_000_000_000_000L;
    final LiveShow live = new LiveShow(new LiveSink() {
        @Override
        public boolean datagram(PartId to, byte[] packet) {
            if (device.faults().contains(Fault.PORT_CLOSED)) {
                closed = true;
            } else {
                hear(((Decoded.Whole) new OscDecoder().decode(packet)).packet(), false);
            }
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            told.accept(event);
        }
    });

    private void hear(OscPacket packet, boolean bundled) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> hear(element, true));
        } else {
            device.receive(
                    new StandIn.Heard(
                            kind.connected ? new StandIn.Peer(HERE, ANSWER_PORT, 1) : US, (OscMessage) packet, bundled),
                    now,
                    this::say);
        }
    }

    void say(StandIn.Peer to, OscMessage message) {
        under.add(new Way(to.port(), message));
    }

    void deliver() {
        if (closed) {
            closed = false;
            live.portClosed(TARGET, now);
        }
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

    void stage(Device which, Fault fault) {
        kind = which;
        device = new FaultyStandIn(which.open());
        boolean asked = which.answer == AnswerRule.Kind.QUERY;
        Target plain = Target.plain(
                "Device", HERE, DEVICE_PORT, ANSWER_PORT, asked ? Target.Answering.QUERIES : Target.Answering.REPORTS);
        Target target = which.keepAlive.map(plain::kept).orElse(plain).speaking(BOOK);
        target = isStandIn ? target.simulatedAt(new StandInEnd(HERE, DEVICE_PORT, true)) : target;
        target = fault == Fault.NO_BUNDLES ? target.bundling() : target;
        Phrase phrase = Phrase.plain(
                        phraseAddress(which),
                        Phrase.Direction.BOTH,
                        List.of(Phrase.PhraseArgument.plain(
                                which.type,
                                Optional.of(0.0),
                                Optional.of(which.high),
                                "",
                                List.of(),
                                Optional.empty())),
                        AnswerRule.usual(which.answer).near(0.05).within(which == Device.KEEL ? KEEL_SECONDS : 0.5),
                        "",
                        "")
                .doing(Phrase.Effect.VALUE);
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                put(BOOK, null, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), BOOK, phrase),
                put(TARGET, null, target),
                put(new PartId("layout"), null, Layout.plain("Layout")),
                put(PAGE, new PartId("layout"), Page.plain("Page", 8, 8))));
        for (int i = 0; i < CONTROLS.size(); i++) {
            steps.add(put(
                    CONTROLS.get(i),
                    PAGE,
                    Control.plain(
                            "Control " + i,
                            new Cells(i, 0, 1, 4),
                            Fader.plain(Form.Direction.UP, Form.Grab.JUMP),
                            List.of(new Send(
                                    Send.Phase.CHANGE,
                                    Optional.of(TARGET),
                                    line(which, i + 1),
                                    List.of(new ArgumentSource.Value(which.type, 0, which.high)))),
                            List.of(Listen.value(Optional.of(TARGET), line(which, i + 1), 0, 0, which.high)))));
        }
        show = ((Outcome.Accepted) Show.empty().apply(new EditRequest("Put", steps), new Person("ada", "Ada"))).show();
        live.load(show, now);
        live.socket(TARGET, SocketState.open(HERE), now);
    }

    static String line(Device which, int number) {
        return which == Device.EDDY && number == 2 ? "/eddy/tilt/x" : String.format(which.address, number);
    }

    private static String phraseAddress(Device which) {
        return which.address.replace("%d", "<n:1..2>");
    }

    private static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 0, body), 0);
    }

    void pass(long millis) {
        for (long end = now + millis * MS; now < end; ) {
            now += 5 * MS;
            while (live.nextDue() <= now) {
                live.takeDue(now);
            }
            if (!device.faults().contains(Fault.PORT_CLOSED)) {
                device.pass(now, this::say);
            }
            deliver();
        }
    }

    void touch(PartId control, double to) {
        live.carryOut(new Touch(control, "1", Touch.Phase.SET, 0.5, to, false, ""), ADA, now);
        deliver();
    }
}
