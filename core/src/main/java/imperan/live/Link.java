package imperan.live;

import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.show.PartId;
import imperan.show.Target;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The live side of one target: what was asked, what was heard, and what follows for its state. */
final class Link {

    /** For a target without keep-alive: how long an unanswered question may stand before the link counts as lost. */
    static final long SILENCE_NANOS = 3_000_000_000L;

    private final PartId id;
    private Target target;
    private LinkState state;
    private long since;
    private String trouble = "";
    private String ourHost = "";
    private long sent;
    private long heard;
    private long unanswered;
    private long repeats;
    private long merged;
    private long dropped;
    private Pacer<Outgoing> pacer;
    private Optional<Long> roundTrip = Optional.empty();
    private long lastHeardAt = Long.MIN_VALUE;
    private long unansweredSince = Long.MIN_VALUE;
    private long keepAliveDue = Long.MIN_VALUE;
    private final Map<String, Long> asked = new HashMap<>();

    Link(PartId id, Target target, long now) {
        this.id = id;
        this.target = target;
        this.state = initial();
        this.since = now;
        pace(target);
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

    String trouble() {
        return trouble;
    }

    LinkView view() {
        return new LinkView(id, state, since, trouble, ourHost, sent, heard, unanswered, repeats, merged, dropped, roundTrip);
    }

    /** Takes a new description; a target that moved starts from nothing. */
    void describe(Target changed, long now) {
        boolean moved = !changed.host().equals(target.host()) || changed.port() != target.port()
                || changed.answerPort() != target.answerPort() || changed.answering() != target.answering();
        if (!changed.messagesPerSecond().equals(target.messagesPerSecond())) {
            pace(changed);
        }
        target = changed;
        keepAliveDue = Long.MIN_VALUE;
        if (moved) {
            asked.clear();
            unansweredSince = Long.MIN_VALUE;
            enter(initial(), now);
        }
    }

    /** How it stands with our socket; true where that is new. */
    boolean socket(String reason, String ours) {
        boolean changed = !reason.equals(trouble) || !ours.equals(ourHost);
        trouble = reason;
        ourHost = ours;
        return changed;
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
        return pacer == null ? Optional.empty() : pacer.next(now);
    }

    /** Does something that a hand did to this control still wait for its turn? */
    boolean holds(PartId control) {
        return pacer != null && pacer.holdsAny(outgoing -> outgoing.control().id.equals(control));
    }

    void repeated() {
        repeats++;
    }

    void sent() {
        sent++;
    }

    /** We sent something that is to be answered on an address. */
    void asked(String address, long now) {
        asked.putIfAbsent(address, now);
        if (unansweredSince == Long.MIN_VALUE) {
            unansweredSince = now;
        }
    }

    boolean isReachable() {
        return state != LinkState.LOST && state != LinkState.PORT_CLOSED && trouble.isEmpty();
    }

    /** A packet of the target arrived; true where the link's state changed. */
    boolean heard(long now) {
        heard++;
        lastHeardAt = now;
        unansweredSince = Long.MIN_VALUE;
        return state != LinkState.ANSWERING && state != LinkState.SENDS_ONLY && enter(LinkState.HEARD, now);
    }

    /** A message on an address arrived; true where it answers something of ours and that changed the link's state. */
    boolean answered(String address, long now) {
        Long askedAt = asked.remove(address);
        if (askedAt == null || state == LinkState.SENDS_ONLY) {
            return false;
        }
        return enter(LinkState.ANSWERING, now);
    }

    void roundTrip(long nanos) {
        roundTrip = Optional.of(nanos);
    }

    void unanswered() {
        unanswered++;
    }

    /** Its host says that the port is closed; true where that is new. */
    boolean portClosed(long now) {
        asked.clear();
        return enter(LinkState.PORT_CLOSED, now);
    }

    /** The keep-alive, if it is due. */
    Optional<byte[]> keepAlive(long now) {
        if (target.keepAlive().isEmpty() || now < keepAliveDue || !trouble.isEmpty()) {
            return Optional.empty();
        }
        keepAliveDue = now + (long) (target.keepAlive().get().everySeconds() * 1e9);
        String address = target.keepAlive().get().address();
        asked(address, now);
        return Optional.of(OscEncoder.encode(new OscMessage(address, List.of())));
    }

    /** Lets time pass; true where the window closed. */
    boolean passes(long now) {
        if (state != LinkState.ANSWERING) {
            return false;
        }
        boolean quiet = target.keepAlive().isPresent()
                ? now - lastHeardAt > (long) (target.keepAlive().get().windowSeconds() * 1e9)
                : unansweredSince != Long.MIN_VALUE && now - unansweredSince > SILENCE_NANOS;
        return quiet && enter(LinkState.LOST, now);
    }

    private LinkState initial() {
        return target.answering() == Target.Answering.NONE ? LinkState.SENDS_ONLY : LinkState.UNHEARD;
    }

    private boolean enter(LinkState next, long now) {
        if (state == next) {
            return false;
        }
        state = next;
        since = now;
        return true;
    }
}
