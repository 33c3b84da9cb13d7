package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.wire.WireLog;
import imperan.wire.WireRecord;
import imperan.words.ReasonWords;
import java.util.ArrayList;
import java.util.List;

/** A live show on a clock of its own, for tests: hands touch it, a desk answers it, and everything it sends is noted. */
final class Stage extends QuietSink {

    static final long MS = 1_000_000L;
    static final PartId DESK = new PartId("desk");
    static final Person ADA = new Person("b1", "Ada");
    static final Person BEN = new Person("b2", "Ben");

    final LiveShow live = new LiveShow(this);
    final List<String> sent = new ArrayList<>();
    private OscMessage last;
    final WireLog log = new WireLog(100_000, Long.MAX_VALUE);
    final List<WireRecord> wire = new ArrayList<>();
    final List<LiveEvent> events = new ArrayList<>();
    final List<String> pages = new ArrayList<>();
    final List<String> turns = new ArrayList<>();
    long now = 1_000_000 * MS;
    /** Whether the system takes what is to leave. */
    boolean takes = true;

    Stage(Show show) {
        live.load(show, now);
        live.socket(DESK, SocketState.open("127.0.0.1"), now);
    }

    void pass(long millis) {
        long end = now + millis * MS;
        while (live.nextDue() <= end) {
            now = Math.max(now, live.nextDue());
            live.takeDue(now);
        }
        now = end;
    }

    void touch(Person person, String control, Touch.Phase phase, double y) {
        touch(person, control, phase, y, false);
    }

    void touch(Person person, String control, Touch.Phase phase, double y, boolean fine) {
        Asking.touch(
                live,
                new Touch(new PartId(control), "1", phase, phase == Touch.Phase.STEP ? 0 : 0.5, y, fine, ""),
                person,
                now);
    }

    void desk(String address, OscArgument... arguments) {
        packet(OscMessage.of(address, arguments));
    }

    void packet(OscPacket packet) {
        byte[] bytes = OscEncoder.encode(packet);
        live.received(9201, "127.0.0.1", 7101, bytes, new OscDecoder().decode(bytes), now);
    }

    void desk(String address, float value) {
        desk(address, new OscArgument.Float32(value));
    }

    ControlValue value(String control) {
        return live.value(new PartId(control)).orElseThrow();
    }

    Trace trace(String control) {
        return live.trace(new PartId(control)).orElseThrow();
    }

    LinkView link() {
        return live.link(DESK).orElseThrow();
    }

    /** What was sent since this was last asked, as address and arguments. */
    /** The last message that left. */
    OscMessage last() {
        return last;
    }

    List<String> takeSent() {
        List<String> taken = List.copyOf(sent);
        sent.clear();
        return taken;
    }

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        OscMessage message = (OscMessage) ((Decoded.Whole) new OscDecoder().decode(packet)).packet();
        if (!takes) {
            return false;
        }
        last = message;
        sent.add((message.address() + " " + OscText.arguments(message.arguments())).strip());
        return true;
    }

    @Override
    public void happened(LiveEvent event) {
        events.add(event);
        log.happened(event).ifPresent(wire::add);
        if (event instanceof LiveEvent.PageWanted wanted) {
            pages.add(wanted.page().value());
        } else if (event instanceof LiveEvent.LinkTurned turned) {
            turns.add(turned.state() + ": " + turned.why());
        }
    }

    /** Why a path ended, in words. */
    static String why(Trace trace) {
        return ReasonWords.of(trace.stopped().orElseThrow()).why();
    }

    /** What the Wire says of a packet beside its content. */
    static String note(WireRecord record) {
        return record.reason().map(reason -> ReasonWords.of(reason).brief()).orElse("");
    }
}
