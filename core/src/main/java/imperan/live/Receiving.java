package imperan.live;

import imperan.dialect.Osc;
import imperan.osc.AddressPattern;
import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.show.PartId;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;

/** From packets that arrive to controls that move, and to the sends that they answer. */
final class Receiving {

    /** Of one target, so that none takes the room of another. */
    static final int MAX_WAITING_BUNDLES = 256;
    /** About the memory that the waiting bundles of one target take. */
    static final int MAX_WAITING_BYTES = 4 << 20;
    /** Steps of matching for one packet: thousands of addresses with a sensible pattern, and about 10 ms with any. */
    static final long MATCHING_STEPS = 200_000;

    /** Characters of a text that a control shows. */
    static final int MOST_WORDS = 1_000;

    /** Addresses under which answers came that nobody listens to; more are not remembered. */
    static final int MOST_ELSEWHERE = 256;

    private record WaitingBundle(Link link, OscBundle bundle, int bytes, long due) {}

    /** What of one target waits for its time. */
    private static final class Waiting {
        private int bundles;
        private long bytes;
    }

    private final LiveState state;
    private final Sending sending;
    private final Forwards forwards;
    private final Playing playing;
    private final PriorityQueue<WaitingBundle> waiting = new PriorityQueue<>((a, b) -> Long.compare(a.due(), b.due()));
    private final Map<PartId, Waiting> waitingOf = new HashMap<>();
    private final Set<Listeners.Key> elsewhere = new HashSet<>();
    private AddressPattern.Budget matching = new AddressPattern.Budget(MATCHING_STEPS);
    /** From where the packet in hand came. */
    private Missed.CameFrom from = new Missed.CameFrom("", 0, 0, Optional.empty());
    /** For the packet in hand: why it steps no list, though one hears it. */
    private Optional<Reason> notCounted = Optional.empty();
    /** For the packet in hand: how long after our send it came, where it answers one. */
    private Optional<Long> answeredAfter = Optional.empty();

    Receiving(LiveState state, Sending sending, Forwards forwards, Playing playing) {
        this.state = state;
        this.sending = sending;
        this.forwards = forwards;
        this.playing = playing;
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
        received(
                Claims.claim(state.links, ourPort, peerHost, peerPort),
                ourPort,
                peerHost,
                peerPort,
                bytes,
                decoded,
                now);
    }

    /** A packet arrived from whom we know, because it came over a connection of its own. */
    void received(
            Optional<Link> link, int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded, long now) {
        if (link.isEmpty()) {
            state.strays.heard(peerHost, peerPort, ourPort, decoded, now);
        }
        Optional<WaitingBundle> late = link.flatMap(l -> due(l, decoded, now));
        Optional<Reason> reason = late.isPresent()
                ? Optional.of(hasRoom(late.get()) ? new Reason.WaitsForItsTime() : new Reason.TooManyWait())
                : link.isEmpty() ? Optional.of(new Reason.Unclaimed()) : Optional.empty();
        answeredAfter = Optional.empty();
        notCounted = Optional.empty();
        from = new Missed.CameFrom(
                peerHost, peerPort, ourPort, link.map(l -> l.target().name()));
        matching = new AddressPattern.Budget(MATCHING_STEPS);
        Optional<String> bare = link.flatMap(l -> bareAddress(l, decoded));
        if (bare.isPresent()) {
            reason = Optional.of(
                    new Reason.BareAddress(bare.get(), link.get().target().name()));
        }
        link.filter(l -> bare.isPresent()).ifPresent(l -> collect(l, ((Decoded.Whole) decoded).packet()));
        boolean nowAnswering = link.isPresent()
                && heard(link.get(), bare.isPresent() ? new Decoded.Malformed(0, "") : decoded, late, now);
        reason = matching.isSpent() ? Optional.of(new Reason.PatternsTooLong()) : reason.or(() -> notCounted);
        LiveEvent.PacketIn arrived = new LiveEvent.PacketIn(
                now,
                state.cause(),
                link.map(Link::id),
                link.map(Link::spoken).orElse(Osc.STRICT).id(),
                peerHost + ":" + peerPort,
                ourPort,
                bytes,
                decoded,
                answeredAfter,
                reason);
        if (link.isPresent() && decoded instanceof Decoded.Malformed) {
            link.get().heardMalformed(now);
        } else if (link.isPresent() && late.isPresent()) {
            link.get().heardForLater(now);
        } else if (link.isEmpty() && decoded instanceof Decoded.Whole whole) {
            cameFromElsewhere(whole.packet());
        }
        link.ifPresentOrElse(l -> state.happened(l, arrived), () -> state.happened(arrived));
        if (nowAnswering) {
            sending.askAll(link.get());
        }
    }

    /** What a phrasebook lacks can still be collected for it. */
    private static void collect(Link link, OscPacket packet) {
        if (packet instanceof OscMessage message) {
            link.collector().heard(message);
        } else {
            ((OscBundle) packet).elements().forEach(element -> collect(link, element));
        }
    }

    /** An address without a slash at its start that the target's phrasebook does not have. */
    private static Optional<String> bareAddress(Link link, Decoded decoded) {
        return decoded instanceof Decoded.Whole whole ? bareAddress(link, whole.packet()) : Optional.empty();
    }

    private static Optional<String> bareAddress(Link link, OscPacket packet) {
        if (packet instanceof OscMessage message) {
            return !link.spoken().isOrdinary(message.address())
                            && link.vocabulary().heard(message.address()).isEmpty()
                    ? Optional.of(message.address())
                    : Optional.empty();
        }
        return ((OscBundle) packet)
                .elements().stream()
                        .flatMap(element -> bareAddress(link, element).stream())
                        .findFirst();
    }

    /** What a packet of a target does; true where the target has just begun to answer. */
    private boolean heard(Link link, Decoded decoded, Optional<WaitingBundle> late, long now) {
        if (link.heard(now)) {
            state.turned(link);
        }
        if (late.isPresent()) {
            if (hasRoom(late.get())) {
                Waiting of = waitingOf.computeIfAbsent(link.id(), id -> new Waiting());
                of.bundles++;
                of.bytes += late.get().bytes();
                waiting.add(late.get());
                state.due.noLaterThan(Due.OfAll.BUNDLES, late.get().due());
            }
            return false;
        }
        return decoded instanceof Decoded.Whole whole && handle(link, whole.packet(), now);
    }

    private boolean hasRoom(WaitingBundle late) {
        Waiting of = waitingOf.get(late.link().id());
        return of == null || of.bundles < MAX_WAITING_BUNDLES && of.bytes + late.bytes() <= MAX_WAITING_BYTES;
    }

    private Optional<WaitingBundle> due(Link link, Decoded decoded, long now) {
        return decoded instanceof Decoded.Whole whole
                        && whole.packet() instanceof OscBundle bundle
                        && due(bundle.time()) > now
                ? Optional.of(new WaitingBundle(link, bundle, bundle.memory(), due(bundle.time())))
                : Optional.empty();
    }

    /** Its sender goes by the clock on the wall; OSC 1.0, "Temporal Semantics and OSC Time Tags", wants clocks that agree. */
    private long due(TimeTag time) {
        if (time.isImmediate()) {
            return Long.MIN_VALUE;
        }
        Instant at = time.toInstant();
        return at.getEpochSecond() * 1_000_000_000L + at.getNano() - state.wallAhead;
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
        boolean fresh = !link.collector().knows(message.address());
        link.collector().heard(message);
        boolean keptAlive = link.target()
                .keepAlive()
                .filter(keep -> keep.answeredAt().equals(message.address()))
                .isPresent();
        if (!keptAlive) {
            // nobody moved anything for it to come
            state.learners.heard(link.id(), message);
        }
        boolean nowAnswering = link.answered(message.address(), now);
        if (nowAnswering) {
            state.turned(link);
        }
        List<Listeners.Channel> listening = state.listeners.matching(link, message.address(), matching);
        List<String> awaited = state.exchanges.awaitedOn(link, message.address(), matching);
        if (listening.isEmpty()
                && awaited.isEmpty()
                && (fresh || elsewhere.contains(new Listeners.Key(link.id(), message.address())))) {
            compareWithWaiting(link, message);
        }
        if (awaited.isEmpty()) {
            link.answerLog().heard(message, now);
            if (listening.isEmpty()) {
                cameFromElsewhere(message);
            }
        }
        for (String address : awaited) {
            answeredAfter = state.exchanges
                    .heard(
                            link.id(),
                            address,
                            message.arguments(),
                            now,
                            (exchange, wrong) -> state.happened(new LiveEvent.Differed(
                                    now,
                                    state.cause(),
                                    exchange.number,
                                    exchange.control,
                                    wrong.address(),
                                    wrong.said(),
                                    wrong.after().orElseThrow(),
                                    exchange.finalNanos.isPresent())))
                    .or(() -> answeredAfter);
        }
        link.lastSaid().heard(message, !awaited.isEmpty(), now);
        for (Listeners.Channel channel : listening) {
            for (Listeners.Ear ear : channel.ears) {
                ear.reading().position(message.arguments()).ifPresent(p -> report(link, channel, ear, p, now));
                ear.reading().words(message.arguments()).ifPresent(words -> say(ear, words));
            }
            for (Listeners.Watcher watcher : channel.watchers) {
                watcher.holds(message.arguments()).ifPresent(holds -> watched(watcher.part(), holds));
            }
        }
        Asked.Heard as = state.asked.settle(link.id(), message.address(), now);
        if (as == Asked.Heard.NEWS && state.echoes.absorbs(link.id(), message, now)) {
            as = Asked.Heard.ECHO;
        }
        if (as != Asked.Heard.ANSWER && state.proved.test(link.id(), message.address())) {
            as = Asked.Heard.OF_PROOF;
        }
        if (!keptAlive) {
            forwards.heard(link, message, as);
            playing.heard(link, message, as).ifPresent(why -> notCounted = Optional.of(why));
        }
        return nowAnswering;
    }

    /**
     * An answer may come under an address on which none is awaited. One that comes all the while, such as a meter, is no answer: so only an
     * address that is new is compared with what is waited for, and one that was such an answer before.
     */
    private void compareWithWaiting(Link link, OscMessage message) {
        for (Exchange open : state.exchanges.of(link.id())) {
            boolean agrees = open.wanted instanceof Wanted.Anything
                    ? isUnderAnotherPrefix(message.address(), open.address)
                    : open.wanted.agrees(message.arguments());
            if (agrees && elsewhere.size() < MOST_ELSEWHERE) {
                open.arrivedAs = Optional.of(message.address());
                elsewhere.add(new Listeners.Key(link.id(), message.address()));
            }
        }
    }

    private static boolean isUnderAnotherPrefix(String came, String awaited) {
        return came.length() > awaited.length() ? came.endsWith(awaited) : awaited.endsWith(came) && came.length() > 1;
    }

    /** What a target is to answer may come from somewhere else, or be taken for what another one says. */
    private void cameFromElsewhere(OscPacket packet) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(this::cameFromElsewhere);
        } else if (packet instanceof OscMessage message) {
            for (Exchange open : state.exchanges.on(message.address())) {
                if (open.wanted.agrees(message.arguments())) {
                    open.cameFrom = Optional.of(from);
                }
            }
        }
    }

    /** A text is shown as it is; it moves nothing. No control has room for a very long one. */
    private void say(Listeners.Ear ear, String said) {
        LiveControl control = ear.control();
        String words = said.length() > MOST_WORDS ? said.substring(0, MOST_WORDS) + "…" : said;
        switch (ear.listen().role()) {
            case LABEL -> control.label = words;
            case WORDS -> control.words = words;
            case VALUE -> {
                control.echoWords = Optional.of(words);
                control.belief = Belief.KNOWN;
            }
        }
        state.changed(control);
    }

    /** A control becomes possible, or impossible; a page is to be shown. */
    private void watched(PartId part, boolean holds) {
        LiveControl control = state.controls.get(part);
        if (control == null && holds) {
            state.happened(new LiveEvent.PageWanted(state.now(), state.cause(), part, List.of()));
        } else if (control != null && control.enabled != holds) {
            control.enabled = holds;
            state.changed(control);
        }
    }

    private void report(Link link, Listeners.Channel channel, Listeners.Ear ear, double position, long now) {
        LiveControl control = ear.control();
        int axis = ear.listen().axis();
        control.echo = control.echo.with(axis, position);
        control.echoWords = Optional.empty();
        control.echoAt = now;
        control.belief = Belief.KNOWN;
        boolean awaited = link.lane().holds(control.id)
                || control.isUnderWay()
                || state.exchanges.isAwaited(control.id, link.id(), channel.key.address());
        if (control.grip == null && !awaited) {
            control.sends.forEach(send -> send.reported(axis, position));
            if (!control.agrees(control.echo)) {
                control.movedBy = link.target().name();
                // what was said last stands there no longer: saying it once more is no repeat
                control.sends.forEach(CompiledSend::forgetLast);
            }
            control.position = control.position.with(axis, position);
        }
        if (control.agrees(control.echo)) {
            control.disputed = false;
            control.unanswered = false;
        }
        state.changed(control);
    }

    /** Bundles whose time has come take effect. */
    void takeDueBundles(long now) {
        while (!waiting.isEmpty() && waiting.peek().due() <= now) {
            WaitingBundle due = waiting.poll();
            matching = new AddressPattern.Budget(MATCHING_STEPS);
            Waiting of = waitingOf.get(due.link().id());
            of.bytes -= due.bytes();
            if (--of.bundles == 0) {
                waitingOf.remove(due.link().id());
            }
            if (state.links.get(due.link().id()) == due.link() && handle(due.link(), due.bundle(), now)) {
                sending.askAll(due.link());
            }
        }
        if (!waiting.isEmpty()) {
            state.due.noLaterThan(Due.OfAll.BUNDLES, waiting.peek().due());
        }
    }
}
