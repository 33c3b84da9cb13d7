package imperan.live;

import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.TimeTag;
import imperan.phrasebook.Collector;
import imperan.phrasebook.Vocabulary;
import imperan.show.PartId;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The live side of one target: what was asked, what was heard, and what follows for its state. */
final class Link {

    /** For a target without keep-alive: how long an unanswered question may stand before the link counts as lost. */
    static final long SILENCE_NANOS = 3_000_000_000L;

    /** How long nothing more is sent before a target that answers only when asked is asked what it made of it. */
    static final long SETTLE_NANOS = 60_000_000L;

    /** A bundle is no larger, so that it travels in one piece over Ethernet (1500 bytes less the headers of IPv4 and UDP). */
    static final int MAX_BUNDLE_BYTES = 1472;

    private final PartId id;
    private final DueQueue<Due> due;
    private Target target;
    private LinkState state;
    private long since;
    private SocketState socket = SocketState.opening();
    private long sent;
    private long heard;
    private long unanswered;
    private long repeats;
    private long merged;
    private long dropped;
    private Pacer<Outgoing> pacer;
    private final Collector collector = new Collector();
    private final RoundTrips roundTrips = new RoundTrips();
    private Gate gate;
    private boolean silentHost;
    private String why = "";
    private long lastSentAt = Long.MIN_VALUE;
    private long lastHeardAt = Long.MIN_VALUE;
    private long unansweredSince = Long.MIN_VALUE;
    private long keepAliveDue = Long.MIN_VALUE;
    private final Map<String, Long> asked = new HashMap<>();
    private Vocabulary vocabulary = Vocabulary.NONE;
    /** What is to be asked once its value has settled, and when. */
    private final Map<String, Long> questions = new LinkedHashMap<>();
    private final List<byte[]> together = new ArrayList<>();
    private int togetherBytes;
    private boolean startWanted = true;

    /** @param due where it says when something of it is due */
    Link(PartId id, Target target, DueQueue<Due> due, long now) {
        this.id = id;
        this.due = due;
        this.target = target;
        this.state = initial();
        this.since = now;
        this.gate = target.startsHeld() ? Gate.HELD : Gate.OPEN;
        pace(target);
        plan();
    }

    /** When something is due, as it stands now; {@link DueQueue#NEVER} where nothing is. */
    long nextDue() {
        long next = pacer == null ? DueQueue.NEVER : pacer.nextAt();
        if (isKeptAlive()) {
            next = Math.min(next, keepAliveDue);
        }
        if (gate.isKeptAlive() && !questions.isEmpty()) {
            long question = Collections.min(questions.values());
            next = Math.min(next, pacer == null ? question : Math.max(question, pacer.spareAt()));
        }
        return Math.min(next, windowEnds());
    }

    /** Something may be due sooner than it was. */
    private void plan() {
        due.noLaterThan(new Due.OfLink(id), nextDue());
    }

    private boolean isKeptAlive() {
        return target.keepAlive().isPresent() && socket.works() && gate.isKeptAlive();
    }

    /** When it is lost if nothing comes from it; what is not asked cannot be lost. */
    private long windowEnds() {
        if (state != LinkState.ANSWERING || gate != Gate.OPEN && !(gate == Gate.HELD && target.keepAlive().isPresent())) {
            return DueQueue.NEVER;
        } else if (target.keepAlive().isPresent()) {
            return lastHeardAt + (long) (target.keepAlive().get().windowSeconds() * 1e9);
        }
        return unansweredSince == Long.MIN_VALUE ? DueQueue.NEVER : unansweredSince + SILENCE_NANOS;
    }

    PartId id() {
        return id;
    }

    Target target() {
        return target;
    }

    LinkState state() {
        return state;
    }

    SocketState socket() {
        return socket;
    }

    LinkView view() {
        return new LinkView(id, state, since, gate, socket, silentHost, sent, heard, ever(lastSentAt), ever(lastHeardAt),
                unanswered, repeats, merged, dropped, startOffered(), roundTrips.isEmpty() ? Optional.empty() : Optional.of(new LinkView.AnswerTimes(
                        roundTrips.last(), roundTrips.percentile(0.5), roundTrips.percentile(0.99))));
    }

    private static Optional<Long> ever(long at) {
        return at == Long.MIN_VALUE ? Optional.empty() : Optional.of(at);
    }

    Vocabulary vocabulary() {
        return vocabulary;
    }

    void vocabulary(Vocabulary known) {
        vocabulary = known;
    }

    /** Asks on an address when nothing more was sent to it for a while. */
    void askOnceSettled(String address, long now) {
        questions.put(address, now + SETTLE_NANOS);
        plan();
    }

    /** The addresses to ask now, as far as the target's pace allows. */
    List<String> questions(long now) {
        List<String> due = new ArrayList<>();
        for (Iterator<Map.Entry<String, Long>> all = questions.entrySet().iterator(); all.hasNext(); ) {
            Map.Entry<String, Long> question = all.next();
            if (question.getValue() <= now && (pacer == null || pacer.spare(now))) {
                due.add(question.getKey());
                all.remove();
            }
        }
        return due;
    }

    /** A packet that is ready to leave, and how many messages it holds. */
    record Departing(byte[] packet, int messages) {
    }

    /** Takes a message that leaves with others; the bundle that is full without it leaves first. */
    Optional<Departing> together(byte[] message) {
        Optional<Departing> full = togetherBytes + Integer.BYTES + message.length > MAX_BUNDLE_BYTES ? bundle() : Optional.empty();
        togetherBytes += (together.isEmpty() ? OscEncoder.BUNDLE_HEAD_BYTES : 0) + Integer.BYTES + message.length;
        together.add(message);
        return full;
    }

    /** What leaves together: a bundle, or the one message that is alone; empty where nothing waits. */
    Optional<Departing> bundle() {
        if (together.isEmpty()) {
            return Optional.empty();
        }
        Departing departing = new Departing(together.size() == 1 ? together.get(0) : OscEncoder.bundle(TimeTag.IMMEDIATELY, together), together.size());
        together.clear();
        togetherBytes = 0;
        return Optional.of(departing);
    }

    /** The start list was sent, or nobody wants it. */
    void settleStart() {
        startWanted = false;
    }

    /** Whether its start list would make sense now: it is there, and nobody sent or declined the list since it came. */
    private boolean startOffered() {
        return startWanted && gate == Gate.OPEN && !target.startList().isEmpty()
                && (state == LinkState.HEARD || state == LinkState.ANSWERING);
    }

    Gate gate() {
        return gate;
    }

    void gate(Gate next, long now) {
        if (gate != next && next.isKeptAlive()) {
            // its window begins anew: it was not asked meanwhile, and may have forgotten us
            keepAliveDue = Long.MIN_VALUE;
            lastHeardAt = state == LinkState.ANSWERING ? now : lastHeardAt;
            unansweredSince = Long.MIN_VALUE;
        }
        gate = next;
        plan();
    }

    /** What the target was heard to say since we know it. */
    Collector collector() {
        return collector;
    }

    /** What was seen when the link last turned. */
    String why() {
        return why;
    }

    /** Whether the network says that nobody has the target's address; true where that is new. */
    boolean silentHost(boolean silent) {
        boolean changed = silent != silentHost;
        silentHost = silent;
        return changed;
    }

    /** Takes a new description; a target that moved starts from nothing. */
    void describe(Target changed, long now) {
        boolean moved = !changed.host().equals(target.host()) || changed.port() != target.port()
                || changed.answerPort() != target.answerPort() || changed.answering() != target.answering() || changed.transport() != target.transport();
        if (!changed.messagesPerSecond().equals(target.messagesPerSecond())) {
            pace(changed);
        }
        target = changed;
        keepAliveDue = Long.MIN_VALUE;
        if (moved) {
            asked.clear();
            questions.clear();
            unansweredSince = Long.MIN_VALUE;
            enter(initial(), now, "it was given another address, port or habit");
        }
        plan();
    }

    /** How it stands with our socket; true where that is new. */
    boolean socket(SocketState now) {
        boolean changed = !now.equals(socket);
        if (changed && now.works()) {
            // it may have forgotten us while there was no way to it
            keepAliveDue = Long.MIN_VALUE;
        }
        socket = now;
        plan();
        return changed;
    }

    /** Without a way to it, a target that answered is lost at once; true where that is new. */
    boolean cutOff(long now) {
        boolean cut = !socket.works() && socket.kind() != SocketState.Kind.OPENING;
        return cut && state == LinkState.ANSWERING && enter(LinkState.LOST, now, socket.trouble());
    }

    /** A new pace lets go what waited for the old one; values that count are sent again with the next touch. */
    private void pace(Target paced) {
        pacer = paced.messagesPerSecond().map(perSecond -> new Pacer<Outgoing>(perSecond)).orElse(null);
    }

    /** Takes what is to be sent; it leaves at once where the target sets no pace. */
    Optional<Outgoing> take(Outgoing outgoing) {
        if (pacer == null) {
            return Optional.of(outgoing);
        }
        if (outgoing.isPress()) {
            dropped += pacer.press(outgoing) ? 0 : 1;
        } else {
            merged += pacer.change(outgoing.address(), outgoing) ? 1 : 0;
        }
        return Optional.empty();
    }

    /** What waited and may leave now. */
    Optional<Outgoing> next(long now) {
        Optional<Outgoing> next = pacer == null ? Optional.empty() : pacer.next(now);
        if (next.isEmpty()) {
            plan();
        }
        return next;
    }

    /** The presses and releases that waited; they no longer do, and neither do changes. */
    List<Outgoing> takePresses() {
        return pacer == null ? List.of() : pacer.takePresses();
    }

    /** Does something that a hand did to this control still wait for its turn? */
    boolean holds(PartId control) {
        return pacer != null && pacer.holdsAny(outgoing -> outgoing.control().id.equals(control));
    }

    void repeated() {
        repeats++;
    }

    void sent(int messages, long now) {
        sent += messages;
        lastSentAt = now;
    }

    /** What was counted as sent turns out not to have left. */
    void unsent() {
        sent--;
    }

    /** We sent something that is to be answered on an address. */
    void asked(String address, long now) {
        asked.putIfAbsent(address, now);
        if (unansweredSince == Long.MIN_VALUE) {
            unansweredSince = now;
            plan();
        }
    }

    boolean isReachable() {
        return state != LinkState.LOST && state != LinkState.PORT_CLOSED && socket.works();
    }

    /** A packet of the target arrived; true where the link's state changed. */
    boolean heard(long now) {
        heard++;
        lastHeardAt = now;
        unansweredSince = Long.MIN_VALUE;
        return state != LinkState.ANSWERING && state != LinkState.SENDS_ONLY
                && enter(LinkState.HEARD, now, "a packet came from it");
    }

    /** A message on an address arrived; true where it answers something of ours and that changed the link's state. */
    boolean answered(String address, long now) {
        Long askedAt = asked.remove(address);
        if (askedAt == null || state == LinkState.SENDS_ONLY) {
            return false;
        }
        return enter(LinkState.ANSWERING, now, "it answered " + address);
    }

    void roundTrip(long nanos) {
        roundTrips.add(nanos);
    }

    void unanswered() {
        unanswered++;
    }

    /** Its host says that the port is closed; true where that is new. */
    boolean portClosed(long now) {
        asked.clear();
        return enter(LinkState.PORT_CLOSED, now, target.host() + " says that port " + target.port() + " is closed");
    }

    /** The keep-alive, if it is due. */
    Optional<byte[]> keepAlive(long now) {
        if (!isKeptAlive() || now < keepAliveDue) {
            return Optional.empty();
        }
        keepAliveDue = now + (long) (target.keepAlive().get().everySeconds() * 1e9);
        asked(target.keepAlive().get().answeredAt(), now);
        return Optional.of(OscEncoder.encode(new OscMessage(target.keepAlive().get().address(), List.of())));
    }

    /** Lets time pass; true where the window closed. */
    boolean passes(long now) {
        return now >= windowEnds() && enter(LinkState.LOST, now, "nothing came from it in time");
    }

    private LinkState initial() {
        return target.answering() == Target.Answering.NONE ? LinkState.SENDS_ONLY : LinkState.UNHEARD;
    }

    private boolean enter(LinkState next, long now, String seen) {
        if (state == next) {
            return false;
        }
        // whoever was away may have been switched off and on
        startWanted |= next == LinkState.LOST || next == LinkState.PORT_CLOSED;
        state = next;
        since = now;
        why = seen;
        plan();
        return true;
    }
}
