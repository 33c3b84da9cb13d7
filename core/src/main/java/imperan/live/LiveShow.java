package imperan.live;

import imperan.osc.Decoded;
import imperan.show.Control;
import imperan.show.Form;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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

    private final LiveState state;
    private final Sending sending;
    private final Receiving receiving;
    private final Map<String, Long> heartbeats = new HashMap<>();

    public LiveShow(LiveSink sink) {
        state = new LiveState(sink);
        sending = new Sending(state);
        receiving = new Receiving(state, sending);
    }

    /** Follows the show to a new version. What is in use and did not change is not disturbed. */
    public void load(Show show, long now) {
        Map<PartId, LiveControl> before = new HashMap<>(state.controls);
        state.controls.clear();
        for (Part part : show.all(Control.class)) {
            Control body = (Control) part.body();
            LiveControl old = before.remove(part.id());
            LiveControl fresh = old == null ? new LiveControl(part.id(), body)
                    : old.control.equals(body) ? old : new LiveControl(old, body);
            state.controls.put(part.id(), fresh);
            if (fresh != old) {
                state.sink.valueChanged(part.id());
            }
        }
        Map<PartId, Link> linksBefore = new HashMap<>(state.links);
        state.links.clear();
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
            state.links.put(part.id(), link);
            state.sink.linkChanged(part.id());
        }
        state.listeners.index(state.controls.values());
    }

    /** Brings back the values of an earlier run. Nothing is sent because of them. */
    public void restore(Collection<SavedValue> values) {
        for (SavedValue value : values) {
            LiveControl control = state.controls.get(value.control());
            if (control != null) {
                control.restore(value);
                state.sink.valueChanged(control.id);
            }
        }
    }

    public Optional<ControlValue> value(PartId control) {
        return Optional.ofNullable(state.controls.get(control)).map(LiveControl::value);
    }

    public List<ControlValue> values() {
        return state.controls.values().stream().map(LiveControl::value).toList();
    }

    public List<SavedValue> savedValues() {
        return state.controls.values().stream().map(LiveControl::saved).toList();
    }

    public Optional<LinkView> link(PartId target) {
        return Optional.ofNullable(state.links.get(target)).map(Link::view);
    }

    public List<LinkView> links() {
        return state.links.values().stream().map(Link::view).toList();
    }

    public Optional<Trace> trace(PartId control) {
        return Optional.ofNullable(state.controls.get(control)).map(c -> c.trace);
    }

    // ---- touches

    /** A browser says that it is still there. */
    public void heartbeat(String browser, long now) {
        heartbeats.put(browser, now);
    }

    /** A finger, a mouse or a key does something. */
    public void touch(Touch touch, Person person, long now) {
        LiveControl control = state.controls.get(touch.control());
        if (control == null || control.control.form() instanceof Form.Readout) {
            return;
        }
        heartbeat(person.id(), now);
        boolean mine = control.grip != null && control.grip.pointer().equals(touch.pointer());
        if (control.grip != null && !mine) {
            sending.stop(control, Trace.Cell.TOUCH, control.grip.person().name() + " holds this control");
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
        state.sink.valueChanged(control.id);
        double position = gesture.press(control.position);
        boolean moves = position != control.position;
        control.position = position;
        sending.sendAll(control, Send.Phase.PRESS, now);
        if (moves) {
            moved(control, person, now);
        }
    }

    private void lift(LiveControl control, long now) {
        LiveControl.Grip grip = control.grip;
        control.grip = null;
        moveTo(control, grip.gesture().release(control.position), grip.person(), now);
        sending.sendAll(control, Send.Phase.RELEASE, now);
        settle(control);
        state.sink.valueChanged(control.id);
    }

    private void moveTo(LiveControl control, double position, Person person, long now) {
        if (position != control.position) {
            control.position = position;
            moved(control, person, now);
        }
    }

    private void moved(LiveControl control, Person person, long now) {
        control.movedBy = person.name();
        state.sink.valueChanged(control.id);
        sending.sendAll(control, Send.Phase.CHANGE, now);
    }

    /** Once the finger is off, the answer counts, if it came after what we sent. */
    private void settle(LiveControl control) {
        if (control.grip == null && !Double.isNaN(control.echo) && control.echoAt >= control.sentAt
                && !state.isAwaited(control)) {
            control.position = control.echo;
            control.disputed = false;
        }
    }

    // ---- sending

    /** Sends one send of a control as it stands, whatever was sent before. */
    public void testFire(PartId id, int send, long now) {
        LiveControl control = state.controls.get(id);
        if (control != null && send >= 0 && send < control.sends.size()) {
            sending.send(control, control.sends.get(send), true, now);
        }
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
        receiving.received(ourPort, peerHost, peerPort, bytes, decoded, now);
    }

    // ---- sockets and time

    /** The host of a target says that nobody has its port open. */
    public void portClosed(PartId target, long now) {
        Link link = state.links.get(target);
        if (link != null && link.portClosed(now)) {
            doubtValuesOf(link);
            state.sink.linkChanged(target);
        }
    }

    /**
     * How it stands with our socket to a target.
     *
     * @param trouble why it cannot be used; empty where it can
     * @param ourHost our own address on it; empty while there is none
     */
    public void socket(PartId target, String trouble, String ourHost) {
        Link link = state.links.get(target);
        if (link != null && link.socket(trouble, ourHost)) {
            state.sink.linkChanged(target);
        }
    }

    /** Lets time pass: keep-alives, windows, heartbeats and bundles that became due. */
    public void tick(long now) {
        for (Link link : state.links.values()) {
            link.keepAlive(now).ifPresent(packet -> sending.emit(link, packet, now));
            sending.drain(link, now);
            if (link.passes(now)) {
                doubtValuesOf(link);
                state.sink.linkChanged(link.id());
            }
        }
        receiving.expireAnswers(now);
        for (LiveControl control : state.controls.values()) {
            tick(control, now);
        }
        receiving.takeDueBundles(now);
    }

    private void tick(LiveControl control, long now) {
        if (control.grip != null && now - heartbeats.getOrDefault(control.grip.person().id(), now) > HEARTBEAT_NANOS) {
            lift(control, now);
        }
        boolean overdue = control.sentAt != Long.MIN_VALUE && now - control.sentAt > ANSWER_WINDOW_NANOS;
        if (overdue && !control.disputed && !Double.isNaN(control.echo) && !control.control.listens().isEmpty()
                && !LiveState.agree(control.echo, control.position)) {
            control.disputed = true;
            state.sink.valueChanged(control.id);
        }
    }

    private void doubtValuesOf(Link link) {
        for (Listeners.Channel channel : state.listeners.all()) {
            if (channel.key.target().equals(link.id())) {
                for (Listeners.Ear ear : channel.ears) {
                    if (ear.control().belief == Belief.KNOWN) {
                        ear.control().belief = Belief.STALE;
                        state.sink.valueChanged(ear.control().id);
                    }
                }
            }
        }
    }
}
