package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.osc.TimeTag;
import imperan.show.Control;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeSet;

/**
 * The show that owns the sockets, while it runs. See the package description for threads and time.
 *
 * <p>An incoming message never triggers a send of the control it moves, so two programs that mirror each other cannot
 * chase a value in circles through us.
 */
public final class LiveShow {

    /** How long a target has to answer before sent and answered count as different. */
    public static final long ANSWER_WINDOW_NANOS = 500_000_000L;

    /** A finger whose browser is silent for longer is lifted. */
    public static final long HEARTBEAT_NANOS = 2_000_000_000L;

    /** Positions nearer than this are the same: one step of a seven-bit value, the coarsest in common use. */
    static final double TOLERANCE = 1.0 / 127;

    private static final int MAX_OPEN = 256;
    private static final int MAX_WAITING_BUNDLES = 1000;

    private record WaitingBundle(Link link, OscBundle bundle, long due) {
    }

    private final LiveSink sink;
    private final Map<PartId, LiveControl> controls = new LinkedHashMap<>();
    private final Map<PartId, Link> links = new LinkedHashMap<>();
    private final Listeners listeners = new Listeners();
    private final Map<String, Long> heartbeats = new HashMap<>();
    private final PriorityQueue<WaitingBundle> waiting =
            new PriorityQueue<>((a, b) -> Long.compare(a.due(), b.due()));
    private long wireNumber;
    /** For the packet in hand: how long after our send it came, where it answers one. */
    private Optional<Long> answeredAfter = Optional.empty();

    public LiveShow(LiveSink sink) {
        this.sink = sink;
    }

    /** Follows the show to a new version. What is in use and did not change is not disturbed. */
    public void load(Show show, long now) {
        Map<PartId, LiveControl> before = new HashMap<>(controls);
        controls.clear();
        for (Part part : show.all(Control.class)) {
            Control body = (Control) part.body();
            LiveControl old = before.remove(part.id());
            LiveControl fresh = old == null ? new LiveControl(part.id(), body)
                    : old.control.equals(body) ? old : new LiveControl(old, body);
            controls.put(part.id(), fresh);
            if (fresh != old) {
                sink.valueChanged(part.id());
            }
        }
        Map<PartId, Link> linksBefore = new HashMap<>(links);
        links.clear();
        for (Part part : show.all(Target.class)) {
            Target body = (Target) part.body();
            Link link = linksBefore.get(part.id());
            if (link == null) {
                link = new Link(part.id(), body, now);
            } else if (!link.target().equals(body)) {
                LinkState state = link.state();
                link.describe(body, now);
                if (state == LinkState.ANSWERING && link.state() != state) {
                    doubtValuesOf(link);
                }
            }
            links.put(part.id(), link);
            sink.linkChanged(part.id());
        }
        listeners.index(controls.values());
    }

    /** Brings back the values of an earlier run. Nothing is sent because of them. */
    public void restore(Collection<SavedValue> values) {
        for (SavedValue value : values) {
            LiveControl control = controls.get(value.control());
            if (control != null) {
                control.restore(value);
                sink.valueChanged(control.id);
            }
        }
    }

    public Optional<ControlValue> value(PartId control) {
        return Optional.ofNullable(controls.get(control)).map(LiveControl::value);
    }

    public List<ControlValue> values() {
        return controls.values().stream().map(LiveControl::value).toList();
    }

    public List<SavedValue> savedValues() {
        return controls.values().stream().map(LiveControl::saved).toList();
    }

    public Optional<LinkView> link(PartId target) {
        return Optional.ofNullable(links.get(target)).map(Link::view);
    }

    public List<LinkView> links() {
        return links.values().stream().map(Link::view).toList();
    }

    public Optional<Trace> trace(PartId control) {
        return Optional.ofNullable(controls.get(control)).map(c -> c.trace);
    }

    // ---- touches

    /** A browser says that it is still there. */
    public void heartbeat(String browser, long now) {
        heartbeats.put(browser, now);
    }

    /** A finger, a mouse or a key does something. */
    public void touch(Touch touch, Person person, long now) {
        LiveControl control = controls.get(touch.control());
        if (control == null) {
            return;
        }
        heartbeat(person.id(), now);
        boolean mine = control.grip != null && control.grip.pointer().equals(touch.pointer());
        if (control.grip != null && !mine) {
            stop(control, Trace.Cell.TOUCH, control.grip.person().name() + " holds this control");
            return;
        }
        switch (touch.phase()) {
            case PRESS -> press(control, touch, person, now);
            case MOVE -> {
                if (mine) {
                    moveTo(control, control.grip.gesture().move(control.position, touch), person, now);
                }
            }
            case RELEASE, CANCEL -> {
                if (mine) {
                    lift(control, now);
                }
            }
            case STEP -> moveTo(control, Gesture.clamp(control.position
                    + touch.y() * (touch.fine() ? Gesture.FINE : 1)), person, now);
            case SET -> moveTo(control, Gesture.clamp(touch.y()), person, now);
        }
    }

    private void press(LiveControl control, Touch touch, Person person, long now) {
        Gesture gesture = new Gesture(control.control.form(), control.isKnown(), touch);
        control.grip = new LiveControl.Grip(touch.pointer(), person, gesture);
        control.presses++;
        sink.valueChanged(control.id);
        double position = gesture.press(control.position);
        boolean moves = position != control.position;
        control.position = position;
        sendAll(control, Send.Phase.PRESS, now);
        if (moves) {
            moved(control, person, now);
        }
    }

    private void lift(LiveControl control, long now) {
        LiveControl.Grip grip = control.grip;
        control.grip = null;
        moveTo(control, grip.gesture().release(control.position), grip.person(), now);
        sendAll(control, Send.Phase.RELEASE, now);
        settle(control);
        sink.valueChanged(control.id);
    }

    private void moveTo(LiveControl control, double position, Person person, long now) {
        if (position != control.position) {
            control.position = position;
            moved(control, person, now);
        }
    }

    private void moved(LiveControl control, Person person, long now) {
        control.movedBy = person.name();
        sink.valueChanged(control.id);
        sendAll(control, Send.Phase.CHANGE, now);
    }

    /** Once the finger is off, the answer counts, if it came after what we sent. */
    private void settle(LiveControl control) {
        if (control.grip == null && !Double.isNaN(control.echo) && control.echoAt >= control.sentAt
                && !isAwaited(control)) {
            control.position = control.echo;
            control.disputed = false;
        }
    }

    // ---- sending

    /** Sends one send of a control as it stands, whatever was sent before. */
    public void testFire(PartId id, int send, long now) {
        LiveControl control = controls.get(id);
        if (control != null && send >= 0 && send < control.sends.size()) {
            send(control, control.sends.get(send), true, now);
        }
    }

    private void sendAll(LiveControl control, Send.Phase phase, long now) {
        boolean any = false;
        for (CompiledSend send : control.sends) {
            if (send.send().on() == phase) {
                any = true;
                send(control, send, phase != Send.Phase.CHANGE, now);
            }
        }
        if (!any && phase == Send.Phase.CHANGE && control.sends.isEmpty()) {
            stop(control, Trace.Cell.MESSAGE, "This control has no send yet");
        }
    }

    private void send(LiveControl control, CompiledSend compiled, boolean always, long now) {
        Send send = compiled.send();
        Optional<Link> link = send.target().map(links::get);
        List<OscArgument> arguments = compiled.arguments(control.position);
        Trace.Message message = new Trace.Message(link.map(l -> l.target().name()).orElse(""), send.address(),
                OscText.typeTags(arguments), OscText.arguments(arguments));
        if (link.isEmpty()) {
            stop(control, message, Trace.Cell.MESSAGE,
                    send.target().isEmpty() ? "No target is chosen" : "Its target is no longer in the rig");
            return;
        }
        if (!link.get().trouble().isEmpty()) {
            stop(control, message, Trace.Cell.WIRE, link.get().trouble());
            return;
        }
        byte[] packet = compiled.packet(arguments);
        if (!compiled.differsFromLast(packet) && !always) {
            link.get().repeated();
            control.trace = control.trace.stoppedAt(Trace.Cell.WIRE, "The same value is not sent again");
            sink.traceChanged(control.id);
            return;
        }
        link.get().take(new Outgoing(control, send, control.position, packet, message))
                .ifPresentOrElse(outgoing -> leave(link.get(), outgoing, now), () -> drain(link.get(), now));
    }

    /** Sends what waited for its turn, as far as the target's pace allows. */
    private void drain(Link link, long now) {
        for (Optional<Outgoing> next = link.next(now); next.isPresent(); next = link.next(now)) {
            leave(link, next.get(), now);
        }
    }

    private void leave(Link link, Outgoing outgoing, long now) {
        emit(link, outgoing.packet(), now);
        // an edit may have replaced the control while the message waited
        LiveControl control = controls.get(outgoing.control().id);
        if (control == null) {
            return;
        }
        control.sentAt = now;
        believeSent(control, link);
        control.trace = new Trace(control.id, outgoing.position(), Optional.of(outgoing.message()),
                Optional.of(wire(link, outgoing.packet(), now)), Optional.empty(), Optional.empty());
        sink.traceChanged(control.id);
        expectAnswer(control, link, outgoing.position(), now);
    }

    private void emit(Link link, byte[] packet, long now) {
        link.sent();
        sink.datagram(link.id(), packet);
        Target target = link.target();
        sink.wire(new WireRecord(++wireNumber, now, true, Optional.of(link.id()), target.host() + ":" + target.port(),
                target.answerPort(), packet, Optional.empty(), ""));
        sink.linkChanged(link.id());
    }

    private void believeSent(LiveControl control, Link link) {
        if (control.belief != Belief.KNOWN) {
            control.belief = link.isReachable() ? Belief.ASSUMED : Belief.STALE;
        }
        sink.valueChanged(control.id);
    }

    private void expectAnswer(LiveControl control, Link link, double position, long now) {
        boolean expects = false;
        boolean answers = link.target().answering() != Target.Answering.NONE;
        for (Listeners.Channel channel : answers ? channelsOf(control, link.id()) : List.<Listeners.Channel>of()) {
            if (channel.open.size() == MAX_OPEN) {
                channel.open.removeFirst();
            }
            channel.ears.stream().filter(ear -> ear.control() == control).findFirst()
                    .ifPresent(ear -> channel.open.addLast(new Listeners.OpenSend(ear, position, now)));
            link.asked(channel.key.address(), now);
            expects = true;
        }
        if (!expects) {
            control.disputed = false;
            answerCell(control, answers ? "No listen is set, so no answer can be compared"
                    : "This target never answers");
        }
    }

    private List<Listeners.Channel> channelsOf(LiveControl control, PartId target) {
        List<Listeners.Channel> found = new ArrayList<>();
        control.control.listens().stream().filter(l -> l.target().filter(target::equals).isPresent())
                .forEach(l -> listeners.channel(target, l.address()).ifPresent(found::add));
        return found;
    }

    private boolean isAwaited(LiveControl control) {
        return links.values().stream().anyMatch(link -> link.holds(control.id))
                || control.control.listens().stream().anyMatch(l -> l.target()
                .flatMap(t -> listeners.channel(t, l.address()))
                .filter(c -> c.open.stream().anyMatch(o -> o.ear().control() == control)).isPresent());
    }

    private static Trace.Wire wire(Link link, byte[] packet, long now) {
        Target target = link.target();
        return new Trace.Wire(now, packet.length,
                target.answerPort() + " → " + target.host() + ":" + target.port());
    }

    private void stop(LiveControl control, Trace.Cell cell, String why) {
        control.trace = new Trace(control.id, control.position, Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(new Trace.Stop(cell, why)));
        sink.traceChanged(control.id);
    }

    private void stop(LiveControl control, Trace.Message message, Trace.Cell cell, String why) {
        control.trace = new Trace(control.id, control.position, Optional.of(message), Optional.empty(), Optional.empty(),
                Optional.of(new Trace.Stop(cell, why)));
        sink.traceChanged(control.id);
    }

    private void answerCell(LiveControl control, String why) {
        control.trace = control.trace.stoppedAt(Trace.Cell.ANSWER, why);
        sink.traceChanged(control.id);
    }

    // ---- receiving

    /**
     * A packet arrived.
     *
     * @param ourPort  the port it arrived on
     * @param peerHost where it came from, as a dotted address
     * @param bytes    the packet, for the wire
     * @param decoded  what it says
     */
    public void received(int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded, long now) {
        Optional<Link> link = Claims.claim(links, ourPort, peerHost, peerPort);
        Optional<WaitingBundle> late = link.flatMap(l -> due(l, decoded, now));
        String note = late.isEmpty() ? link.isEmpty() ? "no target of the rig sends from here" : ""
                : waiting.size() < MAX_WAITING_BUNDLES ? "waits for its time" : "dropped: too many bundles wait";
        answeredAfter = Optional.empty();
        boolean nowAnswering = link.isPresent() && heard(link.get(), decoded, late, now);
        sink.wire(new WireRecord(++wireNumber, now, false, link.map(Link::id), peerHost + ":" + peerPort, ourPort, bytes,
                answeredAfter, note));
        if (nowAnswering) {
            askAll(link.get(), now);
        }
        link.ifPresent(l -> sink.linkChanged(l.id()));
    }

    /** What a packet of a target does; true where the target has just begun to answer. */
    private boolean heard(Link link, Decoded decoded, Optional<WaitingBundle> late, long now) {
        link.heard(now);
        if (late.isPresent()) {
            if (waiting.size() < MAX_WAITING_BUNDLES) {
                waiting.add(late.get());
            }
            return false;
        }
        return decoded instanceof Decoded.Whole whole && handle(link, whole.packet(), now);
    }

    private static Optional<WaitingBundle> due(Link link, Decoded decoded, long now) {
        return decoded instanceof Decoded.Whole whole && whole.packet() instanceof OscBundle bundle
                && nanos(bundle.time()) > now
                ? Optional.of(new WaitingBundle(link, bundle, nanos(bundle.time()))) : Optional.empty();
    }

    private static long nanos(TimeTag time) {
        if (time.isImmediate()) {
            return Long.MIN_VALUE;
        }
        Instant at = time.toInstant();
        return at.getEpochSecond() * 1_000_000_000L + at.getNano();
    }

    private boolean handle(Link link, OscPacket packet, long now) {
        if (packet instanceof OscMessage message) {
            return handle(link, message, now);
        }
        boolean nowAnswering = false;
        for (OscPacket element : ((OscBundle) packet).elements()) {
            nowAnswering |= handle(link, element, now);
        }
        return nowAnswering;
    }

    private boolean handle(Link link, OscMessage message, long now) {
        boolean nowAnswering = link.answered(message.address(), now);
        for (Listeners.Channel channel : listeners.matching(link.id(), message.address())) {
            match(link, channel, message, now);
            for (Listeners.Ear ear : channel.ears) {
                ear.position(message.arguments()).ifPresent(p -> report(link, channel, ear.control(), p, now));
            }
        }
        return nowAnswering;
    }

    /**
     * An answer belongs to the youngest open send whose value agrees, and older ones are overtaken; if none agrees, to the
     * oldest, as a wrong value.
     */
    private void match(Link link, Listeners.Channel channel, OscMessage message, long now) {
        Listeners.OpenSend agreeing = null;
        for (Iterator<Listeners.OpenSend> young = channel.open.descendingIterator(); young.hasNext() && agreeing == null; ) {
            Listeners.OpenSend open = young.next();
            boolean agrees = open.ear().position(message.arguments())
                    .filter(p -> Math.abs(p - open.position()) <= TOLERANCE).isPresent();
            agreeing = agrees ? open : null;
        }
        Listeners.OpenSend answered = agreeing != null ? agreeing : channel.open.peekFirst();
        if (answered == null) {
            return;
        }
        while (channel.open.pollFirst() != answered) {
            // overtaken: their answer was merged into this one
        }
        long after = now - answered.sentAt();
        link.roundTrip(after);
        answeredAfter = Optional.of(after);
        LiveControl control = answered.ear().control();
        control.trace = new Trace(control.id, control.trace.position(), control.trace.message(), control.trace.wire(),
                Optional.of(new Trace.Answer(message.address(), OscText.arguments(message.arguments()), after,
                        agreeing != null)), Optional.empty());
        sink.traceChanged(control.id);
    }

    private void report(Link link, Listeners.Channel channel, LiveControl control, double position, long now) {
        control.echo = position;
        control.echoAt = now;
        control.belief = Belief.KNOWN;
        boolean awaited = link.holds(control.id)
                || channel.open.stream().anyMatch(open -> open.ear().control() == control);
        if (control.grip == null && !awaited) {
            if (Math.abs(position - control.position) > TOLERANCE) {
                control.movedBy = link.target().name();
            }
            control.position = position;
        }
        if (Math.abs(position - control.position) <= TOLERANCE) {
            control.disputed = false;
        }
        sink.valueChanged(control.id);
    }

    /** Asks for everything the show listens to, so that nothing stays stale that could be known. */
    private void askAll(Link link, long now) {
        if (link.target().answering() != Target.Answering.QUERIES) {
            return;
        }
        TreeSet<String> addresses = new TreeSet<>();
        listeners.all().stream().filter(c -> c.key.target().equals(link.id())).forEach(c -> addresses.add(c.key.address()));
        for (String address : addresses) {
            link.asked(address, now);
            emit(link, OscEncoder.encode(new OscMessage(address, List.of())), now);
        }
    }

    // ---- sockets and time

    /** The host of a target says that nobody has its port open. */
    public void portClosed(PartId target, long now) {
        Link link = links.get(target);
        if (link != null && link.portClosed(now)) {
            doubtValuesOf(link);
            sink.linkChanged(target);
        }
    }

    /**
     * How it stands with our socket to a target.
     *
     * @param trouble why it cannot be used; empty where it can
     * @param ourHost our own address on it; empty while there is none
     */
    public void socket(PartId target, String trouble, String ourHost) {
        Link link = links.get(target);
        if (link != null && link.socket(trouble, ourHost)) {
            sink.linkChanged(target);
        }
    }

    /** Lets time pass: keep-alives, windows, heartbeats and bundles that became due. */
    public void tick(long now) {
        for (Link link : links.values()) {
            link.keepAlive(now).ifPresent(packet -> emit(link, packet, now));
            drain(link, now);
            if (link.passes(now)) {
                doubtValuesOf(link);
                sink.linkChanged(link.id());
            }
        }
        for (Listeners.Channel channel : listeners.all()) {
            while (!channel.open.isEmpty() && now - channel.open.peekFirst().sentAt() > ANSWER_WINDOW_NANOS) {
                expired(channel.key.target(), channel.open.removeFirst());
            }
        }
        for (LiveControl control : controls.values()) {
            tick(control, now);
        }
        while (!waiting.isEmpty() && waiting.peek().due() <= now) {
            WaitingBundle due = waiting.poll();
            if (links.get(due.link().id()) == due.link() && handle(due.link(), due.bundle(), now)) {
                askAll(due.link(), now);
            }
        }
    }

    private void tick(LiveControl control, long now) {
        if (control.grip != null && now - heartbeats.getOrDefault(control.grip.person().id(), now) > HEARTBEAT_NANOS) {
            lift(control, now);
        }
        boolean overdue = control.sentAt != Long.MIN_VALUE && now - control.sentAt > ANSWER_WINDOW_NANOS;
        if (overdue && !control.disputed && !Double.isNaN(control.echo) && !control.control.listens().isEmpty()
                && Math.abs(control.echo - control.position) > TOLERANCE) {
            control.disputed = true;
            sink.valueChanged(control.id);
        }
    }

    private void expired(PartId target, Listeners.OpenSend open) {
        Link link = links.get(target);
        if (link != null) {
            link.unanswered();
            sink.linkChanged(target);
        }
        LiveControl control = open.ear().control();
        if (control.sentAt == open.sentAt()) {
            answerCell(control, "No answer within " + ANSWER_WINDOW_NANOS / 1_000_000 + " ms");
            if (Double.isNaN(control.echo)) {
                control.disputed = true;
                sink.valueChanged(control.id);
            }
        }
    }

    private void doubtValuesOf(Link link) {
        for (Listeners.Channel channel : listeners.all()) {
            if (channel.key.target().equals(link.id())) {
                for (Listeners.Ear ear : channel.ears) {
                    if (ear.control().belief == Belief.KNOWN) {
                        ear.control().belief = Belief.STALE;
                        sink.valueChanged(ear.control().id);
                    }
                }
            }
        }
    }
}
