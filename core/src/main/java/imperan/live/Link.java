package imperan.live;

import imperan.dialect.Codec;
import imperan.dialect.Dialect;
import imperan.dialect.Osc;
import imperan.osc.OscMessage;
import imperan.phrasebook.Collector;
import imperan.phrasebook.Vocabulary;
import imperan.show.PartId;
import imperan.show.Target;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The live side of one target: what was asked, what was heard, and what follows for its state. How messages get out is its {@link Lane}'s affair. */
final class Link {

    /** For a target without keep-alive: how long an unanswered question may stand before the link counts as lost. */
    static final long SILENCE_NANOS = 3_000_000_000L;

    private final PartId id;
    private final DueQueue<Due> due;
    private Target target;
    private LinkState state;
    private long since;
    private SocketState socket = SocketState.opening();
    private final Collector collector = new Collector();
    private final LinkCounts counts = new LinkCounts();
    private final LastSaid lastSaid = new LastSaid();
    private AnswerLog answerLog = new AnswerLog();
    private long keptAliveAt = Long.MIN_VALUE;
    private long malformedAt = Long.MIN_VALUE;
    private long forLaterAt = Long.MIN_VALUE;
    private final Lane lane = new Lane(this::plan);
    private Gate gate;
    private boolean silentHost;
    private String why = "";
    private long lastSentAt = Long.MIN_VALUE;
    private long lastHeardAt = Long.MIN_VALUE;
    /** When it was lost last, or its port closed. */
    private long awayAt = Long.MIN_VALUE;

    private long unansweredSince = Long.MIN_VALUE;
    private long keepAliveDue = Long.MIN_VALUE;
    private final Map<String, Long> asked = new HashMap<>();
    private Vocabulary vocabulary = Vocabulary.NONE;
    private Dialect spoken = Osc.STRICT;
    private Codec codec = spoken.codec();
    private long refreshDue = DueQueue.NEVER;
    private boolean startWanted = true;

    /** @param due where it says when something of it is due */
    Link(PartId id, Target target, DueQueue<Due> due, long now) {
        this.id = id;
        this.due = due;
        this.target = target;
        this.state = initial();
        this.since = now;
        this.gate = target.startsHeld() ? Gate.HELD : Gate.OPEN;
        lane.pace(target.messagesPerSecond());
        plan();
    }

    /** When something is due, as it stands now; {@link DueQueue#NEVER} where nothing is. */
    long nextDue() {
        long next = lane.nextAt();
        if (isKeptAlive()) {
            next = Math.min(next, keepAliveDue);
        }
        if (gate.isKeptAlive()) {
            next = Math.min(next, lane.nextQuestionAt());
        }
        if (isSpokenTo()) {
            next = Math.min(next, refreshDue);
        }
        return Math.min(next, windowEnds());
    }

    /** Something may be due sooner than it was. */
    private void plan() {
        due.noLaterThan(new Due.OfLink(id), nextDue());
    }

    /** Whether it says what it is asked, and may be asked now. */
    boolean answersQuestions() {
        return target.answering() == Target.Answering.QUERIES && gate.isKeptAlive();
    }

    private boolean isKeptAlive() {
        return target.keepAlive().isPresent() && isSpokenTo();
    }

    /** When it is lost if nothing comes from it; what is not asked cannot be lost. */
    private long windowEnds() {
        if (state != LinkState.ANSWERING
                || gate != Gate.OPEN
                        && !(gate == Gate.HELD && target.keepAlive().isPresent())) {
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

    /** The way out to it. */
    Lane lane() {
        return lane;
    }

    /** What is counted of it. */
    LinkCounts counts() {
        return counts;
    }

    /** What it said last. */
    LastSaid lastSaid() {
        return lastSaid;
    }

    /** What became of what was said to it. */
    AnswerLog answerLog() {
        return answerLog;
    }

    /** A packet came that cannot be read. */
    void heardMalformed(long now) {
        malformedAt = now;
    }

    /** A bundle came that takes effect later. */
    void heardForLater(long now) {
        forLaterAt = now;
    }

    Observed.Arrivals arrivals() {
        return new Observed.Arrivals(ever(keptAliveAt), ever(malformedAt), ever(forLaterAt));
    }

    /** Its receiving end, as {@code host:port}. */
    String peer() {
        return target.host() + ":" + target.port();
    }

    LinkView view() {
        return new LinkView(
                id,
                state,
                since,
                gate,
                socket,
                silentHost,
                counts.sent,
                counts.heard,
                ever(lastSentAt),
                ever(lastHeardAt),
                counts.unanswered,
                counts.repeats,
                counts.merged,
                counts.dropped,
                ever(awayAt),
                startOffered(),
                counts.answers());
    }

    private static Optional<Long> ever(long at) {
        return at == Long.MIN_VALUE ? Optional.empty() : Optional.of(at);
    }

    Vocabulary vocabulary() {
        return vocabulary;
    }

    /** What is known of it, and how it is spoken to; where that is another dialect than before, nothing was written in it yet. */
    void speaks(Dialect dialect, Vocabulary known) {
        vocabulary = known;
        if (dialect != spoken) {
            spoken = dialect;
            codec = dialect.codec();
            refreshDue = DueQueue.NEVER;
        }
    }

    Dialect spoken() {
        return spoken;
    }

    /** What writes to it. */
    Codec codec() {
        return codec;
    }

    /** Whether messages of one moment leave in one packet. */
    boolean isBundling() {
        return target.bundles() && spoken.hasBundles();
    }

    /** What is to be said again now, where its dialect wants that; it belongs to nobody and is not told of. */
    List<byte[]> refresh(long now) {
        if (now < refreshDue || !isSpokenTo()) {
            return List.of();
        }
        refreshDue = now + codec.refreshNanos();
        return codec.refresh();
    }

    private boolean isSpokenTo() {
        return socket.works() && gate.isKeptAlive();
    }

    /** The start list was sent, or nobody wants it. */
    void settleStart() {
        startWanted = false;
    }

    /** Whether its start list would make sense now: it is there, and nobody sent or declined the list since it came. */
    private boolean startOffered() {
        return startWanted
                && gate == Gate.OPEN
                && !target.startList().isEmpty()
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
        boolean moved = !changed.host().equals(target.host())
                || changed.port() != target.port()
                || changed.answerPort() != target.answerPort()
                || changed.answering() != target.answering()
                || changed.transport() != target.transport();
        if (!changed.messagesPerSecond().equals(target.messagesPerSecond())) {
            lane.pace(changed.messagesPerSecond());
        }
        target = changed;
        keepAliveDue = Long.MIN_VALUE;
        if (moved) {
            asked.clear();
            lane.forgetQuestions();
            lastSaid.forget();
            answerLog = new AnswerLog();
            keptAliveAt = Long.MIN_VALUE;
            malformedAt = Long.MIN_VALUE;
            forLaterAt = Long.MIN_VALUE;
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

    /** Something left for it. */
    void sent(long now) {
        lastSentAt = now;
        if (codec.refreshNanos() > 0 && refreshDue == DueQueue.NEVER) {
            refreshDue = now + codec.refreshNanos();
            plan();
        }
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
        lastHeardAt = now;
        unansweredSince = Long.MIN_VALUE;
        return state != LinkState.ANSWERING
                && state != LinkState.SENDS_ONLY
                && enter(LinkState.HEARD, now, "a packet came from it");
    }

    /** A message on an address arrived; true where it answers something of ours and that changed the link's state. */
    boolean answered(String address, long now) {
        if (target.keepAlive().filter(keep -> keep.answeredAt().equals(address)).isPresent()) {
            keptAliveAt = now;
        }
        Long askedAt = asked.remove(address);
        if (askedAt == null || state == LinkState.SENDS_ONLY) {
            return false;
        }
        return enter(LinkState.ANSWERING, now, "it answered " + address);
    }

    /** Its host says that the port is closed; true where that is new. */
    boolean portClosed(long now) {
        asked.clear();
        return enter(LinkState.PORT_CLOSED, now, target.host() + " says that port " + target.port() + " is closed");
    }

    /** The keep-alive, if it is due. */
    Optional<OscMessage> keepAlive(long now) {
        if (!isKeptAlive() || now < keepAliveDue) {
            return Optional.empty();
        }
        keepAliveDue = now + (long) (target.keepAlive().get().everySeconds() * 1e9);
        asked(target.keepAlive().get().answeredAt(), now);
        answerLog.renewed();
        return Optional.of(new OscMessage(target.keepAlive().get().address(), List.of()));
    }

    /** The keep-alive, though it may not be due. */
    Optional<OscMessage> keepAliveNow(long now) {
        keepAliveDue = isKeptAlive() ? now : keepAliveDue;
        return keepAlive(now);
    }

    /** Lets time pass; true where the window closed. */
    boolean passes(long now) {
        return now >= windowEnds() && enter(LinkState.LOST, now, "nothing came from it in time");
    }

    /** It was away, or another machine answered for it. */
    void wasAway(long at) {
        awayAt = Math.max(awayAt, at);
    }

    private LinkState initial() {
        return target.answering() == Target.Answering.NONE ? LinkState.SENDS_ONLY : LinkState.UNHEARD;
    }

    private boolean enter(LinkState next, long now, String seen) {
        if (state == next) {
            return false;
        }
        // whoever was away may have been switched off and on
        boolean gone = next == LinkState.LOST || next == LinkState.PORT_CLOSED;
        startWanted |= gone;
        if (gone) {
            lastSaid.forget();
            awayAt = now;
        }
        state = next;
        since = now;
        why = seen;
        plan();
        return true;
    }
}
