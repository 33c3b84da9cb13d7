package imperan.live;

import imperan.address.MessageLine;
import imperan.live.Cause.Origin;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.ArgumentSource;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Target;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** From a control's position to packets that leave. */
final class Sending {

    /** Enough that one lost packet tells nothing, and few enough for any target. */
    private static final int PROBES = 3;

    /** The links for which messages wait to leave together. */
    private final Set<Link> bundling = new LinkedHashSet<>();

    private final LiveState state;
    private final Awaiting awaiting;
    private boolean onTheWay;

    Sending(LiveState state) {
        this.state = state;
        this.awaiting = new Awaiting(state);
    }

    /** Sends what a control sends on a phase of a touch, in the order of its sends. */
    void sendAll(LiveControl control, Send.Phase phase) {
        boolean any = false;
        if (phase == Send.Phase.RELEASE && control.says(phase)) {
            finish(control);
        }
        for (CompiledSend send : control.sends) {
            if (send.send().on() == phase) {
                any = true;
                send(
                        control,
                        send,
                        phase != Send.Phase.CHANGE || control.control.form().saysEachTime());
            }
        }
        if (!any && phase == Send.Phase.CHANGE && control.sends.isEmpty()) {
            stop(control, new Reason.NoSend());
        }
    }

    /** @param always whether to send what was sent before, too */
    void send(LiveControl control, CompiledSend compiled, boolean always) {
        Optional<Reason> missing = lookUp(compiled);
        if (missing.isPresent()) {
            stop(control, missing.get());
            return;
        }
        Optional<List<OscArgument>> made =
                compiled.moved(control.position, control.steps, control.typed, state.now(), state.cause(), always);
        if (made.isPresent()) {
            send(control, compiled, made.get(), always || compiled.saysMoments());
        } else {
            stop(control, new Reason.KeptByStep(compiled.keptBy()));
        }
        planShaping(control, compiled);
    }

    /** Looks up what a send does not have itself; where its target could say it and has not, that is asked, for the next time. */
    private Optional<Reason> lookUp(CompiledSend compiled) {
        Optional<Reason> missing = compiled.lookUp(state.lookUp);
        missing.filter(Reason.NotSaidYet.class::isInstance).ifPresent(reason -> compiled.send().arguments().stream()
                .filter(ArgumentSource.Said.class::isInstance)
                .map(ArgumentSource.Said.class::cast)
                .forEach(said ->
                        said.target().map(state.links::get).ifPresent(link -> ask(link, List.of(said.address())))));
        return missing;
    }

    private void planShaping(LiveControl control, CompiledSend compiled) {
        state.gliding(control, compiled.isUnderWay());
        state.due.noLaterThan(new Due.OfControl(control.id), compiled.due());
    }

    /** What the shaping of a control gives by itself leaves, for whoever moved it. */
    void goOn(LiveControl control) {
        Cause inHand = state.cause();
        for (CompiledSend compiled : control.sends) {
            if (compiled.due() <= state.now()) {
                state.because(compiled.cause(), state.now());
                lookUp(compiled);
                compiled.goesOn(state.now(), control.steps, control.typed)
                        .ifPresent(made -> send(control, compiled, made, false));
                planShaping(control, compiled);
            }
        }
        state.because(inHand, state.now());
    }

    /** What shaping has still to give leaves now: what a release says comes after it. */
    private void finish(LiveControl control) {
        for (CompiledSend compiled : control.sends) {
            if (compiled.send().on() == Send.Phase.CHANGE) {
                lookUp(compiled);
                compiled.finished(state.now(), control.steps, control.typed)
                        .ifPresent(made -> send(control, compiled, made, false));
            }
        }
    }

    private void send(LiveControl control, CompiledSend compiled, List<OscArgument> arguments, boolean always) {
        Send send = compiled.send();
        Optional<Link> link = send.target().map(state.links::get);
        Line line = new Line(
                Optional.of(control.id),
                control.position.first(),
                link.map(Link::id),
                link.map(l -> l.target().name()).orElse(""),
                send.address(),
                arguments);
        if (link.isEmpty()) {
            compiled.stop(state.now());
            stop(line, send.target().isEmpty() ? new Reason.NoTarget() : new Reason.TargetGone());
            return;
        }
        if (!link.get().socket().works()) {
            compiled.stop(state.now());
            stop(line, new Reason.SocketBroken(link.get().socket().trouble()));
            return;
        }
        if (link.get().gate() != Gate.OPEN) {
            withheld(link.get(), line, gated(link.get()));
            compiled.stop(state.now());
            stop(line, gated(link.get()));
            return;
        }
        if (!compiled.differsFromLast(arguments) && !always) {
            // of several axes mostly one moves, and then what matters is that one
            Optional<PartId> shown = control.control.form().axes() == 1 ? Optional.of(control.id) : Optional.empty();
            state.happened(
                    link.get(),
                    new LiveEvent.Stopped(
                            state.now(),
                            state.cause(),
                            shown,
                            control.position.first(),
                            Optional.of(line),
                            new Reason.SameValue()));
            return;
        }
        take(
                link.get(),
                Outgoing.of(
                        control,
                        compiled,
                        compiled.saidAt(control.position),
                        line,
                        onTheWay ? Outgoing.Awaits.NOTHING : Outgoing.Awaits.WHAT_IS_TOLD,
                        state.cause()));
    }

    /** Takes a message into the lane of its target. */
    private void take(Link link, Outgoing outgoing) {
        Lane.Taken taken = link.lane().take(outgoing);
        if (taken == Lane.Taken.LEAVES) {
            leave(link, outgoing);
        } else {
            if (taken == Lane.Taken.NO_ROOM && outgoing.moved().isEmpty()) {
                stop(outgoing.line(), new Reason.NoRoom());
            }
            if (taken != Lane.Taken.WAITS) {
                state.happened(
                        link,
                        new LiveEvent.NotQueued(state.now(), state.cause(), link.id(), taken == Lane.Taken.NO_ROOM));
            }
            drain(link);
        }
    }

    /** What controls send from now on is on the way to another value, or no longer. */
    void onTheWay(boolean now) {
        onTheWay = now;
    }

    /**
     * Says a line that belongs to no control in its turn.
     *
     * @param key of a step of a fade, of which the latest counts; empty where each line counts
     */
    void sayInTurn(Link link, Line line, Optional<Object> key, Outgoing.Awaits awaits) {
        if (!link.socket().works()) {
            stop(line, new Reason.SocketBroken(link.socket().trouble()));
        } else if (link.gate() != Gate.OPEN) {
            withheld(link, line, gated(link));
            stop(line, gated(link));
        } else {
            take(link, new Outgoing(Optional.empty(), key.orElse(line), key.isEmpty(), awaits, line, state.cause()));
        }
    }

    /** Sends what waited for its turn, as far as the target's pace allows. */
    void drain(Link link) {
        Cause inHand = state.cause();
        for (Optional<Outgoing> next = link.lane().next(state.now());
                next.isPresent();
                next = link.lane().next(state.now())) {
            state.because(next.get().cause(), state.now());
            leave(link, next.get());
        }
        state.because(inHand, state.now());
    }

    /** What waits to be pressed or released leaves now, whatever the pace: there will be no other chance. */
    void hurry(Link link) {
        link.lane().takePresses().forEach(outgoing -> leave(link, outgoing));
    }

    private void leave(Link link, Outgoing outgoing) {
        Optional<Integer> bytes = emit(link, outgoing.line().message());
        if (outgoing.moved().isEmpty()) {
            bytes.ifPresentOrElse(
                    size -> left(link, outgoing, size), () -> stop(outgoing.line(), new Reason.NotTaken()));
            return;
        }
        // an edit may have replaced the control while the message waited
        LiveControl control = state.controls.get(outgoing.moved().get().control().id);
        if (control == null) {
            return;
        }
        if (bytes.isEmpty()) {
            outgoing.moved().get().send().forgetLast();
            stop(outgoing.line(), new Reason.NotTaken());
            return;
        }
        control.sentAt = state.now();
        if (control.belief != Belief.KNOWN) {
            control.belief = link.isReachable() ? Belief.ASSUMED : Belief.STALE;
        }
        state.changed(control);
        left(link, outgoing.line(), bytes.get());
        if (outgoing.awaits() != Outgoing.Awaits.NOTHING) {
            awaiting.answerTo(control, link, outgoing);
        }
    }

    private void left(Link link, Outgoing outgoing, int bytes) {
        left(link, outgoing.line(), bytes);
        if (outgoing.awaits() != Outgoing.Awaits.NOTHING) {
            awaiting.answerTo(link, outgoing.line().message(), outgoing.awaits() == Outgoing.Awaits.EVEN_IF_ASKED);
        }
    }

    private void left(Link link, Line line, int bytes) {
        state.happened(new LiveEvent.LineLeft(
                state.now(), state.cause(), line, bytes, link.target().answerPort(), link.peer()));
    }

    /**
     * A message leaves now, or with the others of this moment where the target wants bundles.
     *
     * @return how many bytes of it the system took; empty where it did not, which of a bundle is only known once it leaves
     */
    Optional<Integer> emit(Link link, OscMessage message) {
        int bytes = 0;
        for (byte[] packet : link.codec().write(message)) {
            bytes += packet.length;
            if (link.isBundling()) {
                bundling.add(link);
                link.lane().together(packet, link.codec()).ifPresent(full -> packet(link, full));
            } else if (!packet(link, new Lane.Departing(packet, 1))) {
                return Optional.empty();
            }
        }
        state.echoes.left(link, message, state.now());
        return Optional.of(bytes);
    }

    /** What was to leave together leaves: the moment is over. */
    void flush() {
        if (!bundling.isEmpty()) {
            bundling.forEach(link -> link.lane().bundle(link.codec()).ifPresent(bundle -> packet(link, bundle)));
            bundling.clear();
        }
    }

    private boolean packet(Link link, Lane.Departing departing) {
        boolean taken = state.datagram(link, departing.packet());
        if (taken) {
            link.sent(state.now());
        }
        // what the system did not take is not waited for either
        link.answerLog().left(departing.messages());
        out(
                link,
                departing.packet(),
                departing.messages(),
                taken ? Optional.empty() : Optional.of(new Reason.NotTaken()));
        return taken;
    }

    /** What had been handed to the system did not leave after all. */
    void notSent(Link link, byte[] packet) {
        link.counts().tookBack();
        out(link, packet, 1, Optional.of(new Reason.NotTaken()));
    }

    /** What would have left is shown as it would have been written. */
    private void withheld(Link link, Line line, Reason reason) {
        link.spoken().codec().write(line.message()).forEach(packet -> out(link, packet, 1, Optional.of(reason)));
    }

    private void out(Link link, byte[] packet, int messages, Optional<Reason> reason) {
        state.happened(
                link,
                new LiveEvent.PacketOut(
                        state.now(),
                        state.cause(),
                        link.id(),
                        link.spoken().id(),
                        link.peer(),
                        link.target().answerPort(),
                        packet,
                        link.spoken().codec().read(packet),
                        messages,
                        reason));
    }

    private static Reason gated(Link link) {
        return new Reason.Gated(link.target().name(), link.gate());
    }

    /** Sends a target's start list, message by message, or shows what would be sent. */
    void start(Link link) {
        link.settleStart();
        link.target().startList().forEach(line -> MessageLine.parseFreely(line)
                .message()
                .ifPresent(message -> sayInTurn(
                        link,
                        new Line(
                                Optional.empty(),
                                0,
                                Optional.of(link.id()),
                                link.target().name(),
                                message.address(),
                                message.arguments()),
                        Optional.empty(),
                        Outgoing.Awaits.WHAT_IS_TOLD)));
    }

    /** Sends a message that belongs to no control. Its answer is awaited as that of any other. */
    void say(Link link, OscMessage message) {
        Line line = new Line(
                Optional.empty(),
                0,
                Optional.of(link.id()),
                link.target().name(),
                message.address(),
                message.arguments());
        if (link.gate() != Gate.OPEN || !link.socket().works()) {
            withheld(
                    link,
                    line,
                    link.gate() == Gate.OPEN
                            ? new Reason.SocketBroken(link.socket().trouble())
                            : gated(link));
            return;
        }
        emit(link, message).ifPresent(bytes -> {
            left(link, line, bytes);
            awaiting.answerTo(link, message, false);
        });
    }

    /** Sends bytes as they are, or shows what would be sent. */
    void say(Link link, byte[] packet) {
        if (link.gate() != Gate.OPEN || !link.socket().works()) {
            out(
                    link,
                    packet,
                    1,
                    Optional.of(
                            link.gate() == Gate.OPEN
                                    ? new Reason.SocketBroken(link.socket().trouble())
                                    : gated(link)));
        } else {
            packet(link, new Lane.Departing(packet, 1));
        }
    }

    /**
     * Says a line of a proof, or tells why it does not leave.
     *
     * @param question where it is one
     */
    void prove(Link link, Line line, Optional<Question> question) {
        if (!link.socket().works()) {
            stop(line, new Reason.SocketBroken(link.socket().trouble()));
        } else if (link.gate() != Gate.OPEN) {
            stop(line, gated(link));
        } else {
            link.lane().takesRoom(state.now());
            emit(link, line.message())
                    .ifPresentOrElse(
                            bytes -> {
                                left(link, line, bytes);
                                awaiting.proofOf(link, line, question);
                            },
                            () -> stop(line, new Reason.NotTaken()));
        }
    }

    /** Asks what came of values that have settled, where the target tells only when it is asked. */
    void askSettled(Link link) {
        if (link.gate().isKeptAlive()) {
            for (Question question : link.lane().questions(state.now())) {
                state.exchanges.asked(link.id(), question.answeredOn(), state.now());
                state.due.noLaterThan(Due.OfAll.ANSWERS, state.exchanges.nextDue());
                state.asked.note(link.id(), question.answeredOn(), state.now());
                ask(link, question.message(), question.answeredOn());
            }
        }
    }

    /** The path of a touch ends before anything was made of it. */
    void stop(LiveControl control, Reason reason) {
        state.happened(new LiveEvent.Stopped(
                state.now(),
                state.cause(),
                Optional.of(control.id),
                control.position.first(),
                Optional.empty(),
                reason));
    }

    void stop(Line line, Reason reason) {
        state.happened(new LiveEvent.Stopped(
                state.now(), state.cause(), line.control(), line.position(), Optional.of(line), reason));
    }

    /** Asks for everything the show listens to, so that nothing stays stale that could be known. */
    void askAll(Link link) {
        ask(link, state.listeners.addresses(link.id()));
    }

    /** Asks on some addresses, where the target answers questions. */
    void ask(Link link, Collection<String> addresses) {
        if (link.answersQuestions()) {
            new TreeSet<>(addresses).forEach(address -> question(link, address));
        }
    }

    /** Says what changes nothing and is answered by a target that is there. */
    void findOut(Link link) {
        if (!link.gate().isKeptAlive() || !link.socket().works()) {
            return;
        }
        Cause inHand = state.cause();
        state.by(Origin.KEEP_ALIVE);
        link.keepAliveNow(state.now()).ifPresent(message -> emit(link, message));
        state.because(inHand, state.now());
        state.listeners.addresses(link.id()).stream()
                .sorted()
                .filter(address -> isHarmless(link, address))
                .limit(PROBES)
                .forEach(address -> question(link, address));
    }

    /** Whether asking on an address changes nothing, as far as anybody wrote down. */
    private static boolean isHarmless(Link link, String address) {
        return link.target().answering() == Target.Answering.QUERIES
                && link.vocabulary()
                        .said(address)
                        .filter(known -> known.phrase().effect() != Phrase.Effect.VALUE)
                        .isEmpty();
    }

    /** Questions of ours are told as such, whoever moved what they ask for. */
    void question(Link link, String address) {
        state.asked.note(link.id(), address, state.now());
        ask(link, new OscMessage(address, List.of()), address);
    }

    /** The same, and a forward says on what is answered. */
    void questionForForward(Link link, String address) {
        state.asked.noteForForward(link.id(), address, state.now());
        ask(link, new OscMessage(address, List.of()), address);
    }

    private void ask(Link link, OscMessage question, String answeredOn) {
        Cause inHand = state.cause();
        state.by(Origin.QUESTION);
        link.asked(answeredOn, state.now());
        emit(link, question);
        state.because(inHand, state.now());
    }
}
