package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.osc.TimeTag;
import imperan.show.PartId;

import java.time.Instant;
import java.util.Iterator;
import java.util.Optional;
import java.util.PriorityQueue;

/** From packets that arrive to controls that move, and to the sends that they answer. */
final class Receiving {

    private static final int MAX_WAITING_BUNDLES = 1000;

    private record WaitingBundle(Link link, OscBundle bundle, long due) {
    }

    private final LiveState state;
    private final Sending sending;
    private final PriorityQueue<WaitingBundle> waiting =
            new PriorityQueue<>((a, b) -> Long.compare(a.due(), b.due()));
    /** For the packet in hand: how long after our send it came, where it answers one. */
    private Optional<Long> answeredAfter = Optional.empty();

    Receiving(LiveState state, Sending sending) {
        this.state = state;
        this.sending = sending;
    }

    /**
     * A packet arrived.
     *
     * @param ourPort  the port it arrived on
     * @param peerHost where it came from, as a dotted address
     * @param bytes    the packet, for the wire
     * @param decoded  what it says
     */
    void received(int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded, long now) {
        Optional<Link> link = Claims.claim(state.links, ourPort, peerHost, peerPort);
        Optional<WaitingBundle> late = link.flatMap(l -> due(l, decoded, now));
        String note = late.isEmpty() ? link.isEmpty() ? "no target of the rig sends from here" : ""
                : waiting.size() < MAX_WAITING_BUNDLES ? "waits for its time" : "dropped: too many bundles wait";
        answeredAfter = Optional.empty();
        boolean nowAnswering = link.isPresent() && heard(link.get(), decoded, late, now);
        state.wireIn(link, peerHost + ":" + peerPort, ourPort, bytes, answeredAfter, note, now);
        if (nowAnswering) {
            sending.askAll(link.get(), now);
        }
        link.ifPresent(l -> state.sink.linkChanged(l.id()));
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
        for (Listeners.Channel channel : state.listeners.matching(link.id(), message.address())) {
            match(link, channel, message, now);
            for (Listeners.Ear ear : channel.ears) {
                ear.position(message.arguments()).ifPresent(p -> report(link, channel, ear.control(), p, now));
                ear.words(message.arguments()).ifPresent(words -> say(ear.control(), words));
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
                    .filter(p -> LiveState.agree(p, open.position())).isPresent();
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
        state.sink.traceChanged(control.id);
    }

    /** A text is shown as it is; it moves nothing. */
    private void say(LiveControl control, String words) {
        control.echoWords = Optional.of(words);
        control.belief = Belief.KNOWN;
        state.sink.valueChanged(control.id);
    }

    private void report(Link link, Listeners.Channel channel, LiveControl control, double position, long now) {
        control.echo = position;
        control.echoWords = Optional.empty();
        control.echoAt = now;
        control.belief = Belief.KNOWN;
        boolean awaited = link.holds(control.id)
                || channel.open.stream().anyMatch(open -> open.ear().control() == control);
        if (control.grip == null && !awaited) {
            if (!LiveState.agree(position, control.position)) {
                control.movedBy = link.target().name();
            }
            control.position = position;
        }
        if (LiveState.agree(position, control.position)) {
            control.disputed = false;
        }
        state.sink.valueChanged(control.id);
    }

    /** Bundles whose time has come take effect. */
    void takeDueBundles(long now) {
        while (!waiting.isEmpty() && waiting.peek().due() <= now) {
            WaitingBundle due = waiting.poll();
            if (state.links.get(due.link().id()) == due.link() && handle(due.link(), due.bundle(), now)) {
                sending.askAll(due.link(), now);
            }
        }
    }

    /** Sends whose answer is overdue wait no longer. */
    void expireAnswers(long now) {
        for (Listeners.Channel channel : state.listeners.all()) {
            while (!channel.open.isEmpty() && now - channel.open.peekFirst().sentAt() > LiveShow.ANSWER_WINDOW_NANOS) {
                expired(channel.key.target(), channel.open.removeFirst());
            }
        }
    }

    private void expired(PartId target, Listeners.OpenSend open) {
        Link link = state.links.get(target);
        if (link != null) {
            link.unanswered();
            state.sink.linkChanged(target);
        }
        LiveControl control = open.ear().control();
        if (control.sentAt == open.sentAt()) {
            sending.answerCell(control, "No answer within " + LiveShow.ANSWER_WINDOW_NANOS / 1_000_000 + " ms");
            if (Double.isNaN(control.echo)) {
                control.disputed = true;
                state.sink.valueChanged(control.id);
            }
        }
    }
}
