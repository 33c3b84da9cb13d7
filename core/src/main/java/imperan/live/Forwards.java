package imperan.live;

import imperan.live.Cause.Origin;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.Forward;
import imperan.show.PartId;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What one target says drives another one, as the forwards of the show say. An answer to a query, a keep-alive or a proof of ours drives nothing. What a target
 * says because of a forward drives others, but not one that is on its way already: so a ring of forwards stops after one round.
 */
final class Forwards {

    /** As long is what comes taken for an answer to what left, where it agrees with it. */
    private static final long ANSWER_NANOS = 2_000_000_000L;
    /** What remains of a number on its way as a 32-bit float, and a little more. */
    private static final double NEAR = 1e-5;
    /** Of what left; what is older is not looked for. */
    private static final int MOST_ECHOES = 1_000;

    /** @param passed the forwards that led to it */
    private record Echo(PartId target, String address, Wanted wanted, Set<PartId> passed, long until) {}

    private final LiveState state;
    private final Sending sending;
    private final Movement movement;
    private final Map<PartId, Forwarding> all = new LinkedHashMap<>();
    private final Deque<Echo> echoes = new ArrayDeque<>();

    Forwards(LiveState state, Sending sending, Movement movement) {
        this.state = state;
        this.sending = sending;
        this.movement = movement;
    }

    void put(PartId id, Forward forward) {
        Forwarding before = all.get(id);
        if (before == null || !before.forward.equals(forward)) {
            Forwarding now = before == null ? new Forwarding(id, forward) : new Forwarding(before, forward);
            all.put(id, now);
            state.due.noLaterThan(new Due.OfForward(id), forward.on() ? now.due() : DueQueue.NEVER);
        }
    }

    void remove(PartId id) {
        all.remove(id);
    }

    List<ForwardView> views() {
        return all.values().stream().map(Forwarding::view).toList();
    }

    /** A target said something. */
    void heard(Link from, OscMessage message, Asked.Heard as) {
        long now = state.now();
        if (all.isEmpty() || as == Asked.Heard.ANSWER) {
            return;
        }
        Set<PartId> passed = passed(from, message, now);
        for (Forwarding each : List.copyOf(all.values())) {
            Forward forward = each.forward;
            if (forward.on()
                    && forward.heard().equals(message.address())
                    && forward.from().filter(from.id()::equals).isPresent()) {
                Optional<Reason> stops = as == Asked.Heard.OF_PROOF
                        ? Optional.of(new Reason.ProofMovesIt())
                        : passed.contains(each.id)
                                ? Optional.of(new Reason.ForwardLoop(forward.name()))
                                : Optional.empty();
                if (stops.isPresent()) {
                    each.stopped(stops.get());
                    tell(each, Optional.empty(), stops.get());
                } else {
                    each.heard(message, passed, now);
                    goOn(each);
                }
            }
        }
    }

    /** The forwards that led to what a target says; none where it says it for another reason. */
    private Set<PartId> passed(Link from, OscMessage message, long now) {
        Set<PartId> found = new HashSet<>();
        for (Iterator<Echo> each = echoes.iterator(); each.hasNext(); ) {
            Echo echo = each.next();
            if (now > echo.until) {
                each.remove();
            } else if (echo.target.equals(from.id())
                    && echo.address.equals(message.address())
                    && echo.wanted.agrees(message.arguments())) {
                found.addAll(echo.passed);
            }
        }
        return found;
    }

    /** Its time has come: a step goes on, or what waited may leave. */
    void due(PartId id) {
        Forwarding forwarding = all.get(id);
        if (forwarding != null && forwarding.forward.on()) {
            forwarding.goOn(state.now());
            ask(forwarding);
            goOn(forwarding);
        }
    }

    /** A target that tells only when it is asked is asked, now and then; what it answers to that, it says to this forward. */
    private void ask(Forwarding each) {
        if (each.asks(state.now())) {
            each.forward
                    .from()
                    .map(state.links::get)
                    .filter(link -> link.gate().isKeptAlive() && link.socket().works())
                    .ifPresent(link -> {
                        sending.questionForForward(link, each.forward.heard());
                    });
        }
    }

    private void goOn(Forwarding each) {
        Optional<Link> to = each.forward.to().map(state.links::get);
        each.leaves(to.flatMap(link -> link.target().messagesPerSecond()), state.now())
                .ifPresent(says -> send(each, to, says));
        state.due.noLaterThan(new Due.OfForward(each.id), each.due());
    }

    private void send(Forwarding each, Optional<Link> to, List<OscArgument> says) {
        Cause inHand = state.cause();
        state.by(
                Origin.FORWARD,
                new Actor(Actor.Kind.RULE, each.id.value(), each.forward.name(), EnumSet.of(Right.OPERATE)));
        OscMessage message = new OscMessage(each.forward.address(), says);
        if (to.isEmpty()) {
            each.stopped(new Reason.NoTarget());
            tell(each, Optional.of(says), new Reason.NoTarget());
        } else if (movement.isHeldByHand(to.get().id(), message.address())) {
            each.stopped(new Reason.LineHeldByHand());
            tell(each, Optional.of(says), new Reason.LineHeldByHand());
        } else {
            Expectation expected = Expectation.of(message.address(), to.get().vocabulary());
            String answer = expected.address().orElse(message.address());
            echoes.addLast(new Echo(
                    to.get().id(),
                    answer,
                    expected.address().isPresent()
                            ? expected.wanted(says, List.of())
                            : Wanted.Arguments.same(says, NEAR),
                    each.passing(),
                    state.now() + ANSWER_NANOS));
            if (echoes.size() > MOST_ECHOES) {
                echoes.removeFirst();
            }
            sending.say(to.get(), message);
        }
        state.because(inHand, state.now());
    }

    private void tell(Forwarding each, Optional<List<OscArgument>> says, Reason reason) {
        Line line =
                new Line(Optional.empty(), 0, each.forward.to(), "", each.forward.address(), says.orElse(List.of()));
        state.happened(
                new LiveEvent.Stopped(state.now(), state.cause(), Optional.empty(), 0, Optional.of(line), reason));
    }
}
