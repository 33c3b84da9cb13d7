package imperan.live;

import imperan.address.MessageLine;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** From a control's position to packets that leave, and to the answers that are then expected. */
final class Sending {

    private static final int MAX_OPEN = 256;

    /** The links for which messages wait to leave together. */
    private final Set<Link> bundling = new LinkedHashSet<>();

    private final LiveState state;

    Sending(LiveState state) {
        this.state = state;
    }

    /** Sends what a control sends on a phase of a touch, in the order of its sends. */
    void sendAll(LiveControl control, Send.Phase phase, long now) {
        boolean any = false;
        for (CompiledSend send : control.sends) {
            if (send.send().on() == phase) {
                any = true;
                send(control, send, phase != Send.Phase.CHANGE || control.control.form().saysEachTime(), now);
            }
        }
        if (!any && phase == Send.Phase.CHANGE && control.sends.isEmpty()) {
            stop(control, new Reason.NoSend());
        }
    }

    /** @param always whether to send what was sent before, too */
    void send(LiveControl control, CompiledSend compiled, boolean always, long now) {
        Send send = compiled.send();
        Optional<Link> link = send.target().map(state.links::get);
        List<OscArgument> arguments = compiled.arguments(control.position, control.steps, control.typed);
        Trace.Message message = new Trace.Message(link.map(l -> l.target().name()).orElse(""), send.address(),
                OscText.typeTags(arguments), OscText.arguments(arguments));
        if (link.isEmpty()) {
            stop(control, message, send.target().isEmpty() ? new Reason.NoTarget() : new Reason.TargetGone());
            return;
        }
        if (!link.get().socket().works()) {
            stop(control, message, new Reason.SocketBroken(link.get().socket().trouble()));
            return;
        }
        byte[] packet = compiled.packet(arguments);
        if (link.get().gate() != Gate.OPEN) {
            state.wireOut(link.get(), packet, Optional.of(gated(link.get())), now);
            stop(control, message, gated(link.get()));
            return;
        }
        if (!compiled.differsFromLast(packet) && !always) {
            link.get().counts().repeats++;
            if (control.control.form().axes() == 1) {
                // of several axes mostly one moves, and then what matters is that one
                control.trace = control.trace.stopped(new Reason.SameValue());
                state.sink.traceChanged(control.id);
            }
            return;
        }
        link.get().lane().take(new Outgoing(control, compiled, control.position, packet, message))
                .ifPresentOrElse(outgoing -> leave(link.get(), outgoing, now), () -> drain(link.get(), now));
    }

    /** Sends what waited for its turn, as far as the target's pace allows. */
    void drain(Link link, long now) {
        for (Optional<Outgoing> next = link.lane().next(now); next.isPresent(); next = link.lane().next(now)) {
            leave(link, next.get(), now);
        }
    }

    /** What waits to be pressed or released leaves now, whatever the pace: there will be no other chance. */
    void hurry(Link link, long now) {
        link.lane().takePresses().forEach(outgoing -> leave(link, outgoing, now));
    }

    private void leave(Link link, Outgoing outgoing, long now) {
        boolean taken = emit(link, outgoing.packet(), now);
        // an edit may have replaced the control while the message waited
        LiveControl control = state.controls.get(outgoing.control().id);
        if (control == null) {
            return;
        }
        if (!taken) {
            outgoing.send().forgetLast();
            stop(control, outgoing.message(), new Reason.NotTaken());
            return;
        }
        control.sentAt = now;
        believeSent(control, link);
        control.trace = new Trace(control.id, outgoing.position().first(), Optional.of(outgoing.message()),
                Optional.of(wire(link, outgoing.packet(), now)), Optional.empty(), Optional.empty());
        state.sink.traceChanged(control.id);
        expectAnswer(control, link, outgoing, now);
    }

    /**
     * A message leaves now, or with the others of this moment where the target wants bundles.
     *
     * @return false where the system did not take it; of a bundle that is only known once it leaves
     */
    boolean emit(Link link, byte[] message, long now) {
        if (link.target().bundles()) {
            bundling.add(link);
            link.lane().together(message).ifPresent(full -> packet(link, full, now));
            return true;
        }
        return packet(link, new Lane.Departing(message, 1), now);
    }

    /** What was to leave together leaves: the moment is over. */
    void flush(long now) {
        if (!bundling.isEmpty()) {
            bundling.forEach(link -> link.lane().bundle().ifPresent(bundle -> packet(link, bundle, now)));
            bundling.clear();
        }
    }

    private boolean packet(Link link, Lane.Departing departing, long now) {
        boolean taken = state.sink.datagram(link.id(), departing.packet());
        if (taken) {
            link.sent(departing.messages(), now);
        }
        state.wireOut(link, departing.packet(), taken ? Optional.empty() : Optional.of(new Reason.NotTaken()), now);
        state.sink.linkChanged(link.id());
        return taken;
    }

    /** What had been handed to the system did not leave after all. */
    void notSent(Link link, byte[] packet, long now) {
        link.counts().sent--;
        state.wireOut(link, packet, Optional.of(new Reason.NotTaken()), now);
        state.sink.linkChanged(link.id());
    }

    private static Reason gated(Link link) {
        return new Reason.Gated(link.target().name(), link.gate());
    }

    /** Sends a target's start list, message by message, or shows what would be sent. */
    void start(Link link, long now) {
        link.settleStart();
        link.target().startList().forEach(line -> MessageLine.parseFreely(line).message().ifPresent(message -> say(link, message, now)));
    }

    /** Sends a message that belongs to no control. Where it is a question that the target answers, the answer is awaited. */
    void say(Link link, OscMessage message, long now) {
        byte[] packet = OscEncoder.encode(message);
        if (link.gate() == Gate.OPEN && link.socket().works()) {
            if (message.arguments().isEmpty() && link.target().answering() == Target.Answering.QUERIES) {
                link.asked(message.address(), now);
            }
            emit(link, packet, now);
        } else {
            state.wireOut(link, packet, Optional.of(link.gate() == Gate.OPEN ? new Reason.SocketBroken(link.socket().trouble()) : gated(link)), now);
        }
    }

    private void believeSent(LiveControl control, Link link) {
        if (control.belief != Belief.KNOWN) {
            control.belief = link.isReachable() ? Belief.ASSUMED : Belief.STALE;
        }
        state.changed(control);
    }

    private void expectAnswer(LiveControl control, Link link, Outgoing outgoing, long now) {
        Expectation expected = outgoing.send().expectation();
        boolean expects = false;
        boolean answers = link.target().answering() != Target.Answering.NONE && expected.isComing();
        for (Listeners.Channel channel : answers ? channelsOf(control, link.id()) : Set.<Listeners.Channel>of()) {
            List<Listeners.Ear> ears = channel.ears.stream().filter(ear -> ear.control() == control
                    && ear.listen().role() == Listen.Role.VALUE && outgoing.send().carries(ear.listen().axis())).toList();
            if (ears.isEmpty() || !expected.comesOn(channel.key.address())) {
                continue;
            }
            if (channel.open.size() == MAX_OPEN) {
                channel.open.removeFirst();
            }
            Listeners.OpenSend open = Listeners.OpenSend.of(ears, outgoing.position(), expected, now);
            state.listeners.await(channel, open);
            state.due.noLaterThan(Due.OfAll.ANSWERS, open.due());
            if (expected.isAsked()) {
                link.lane().askOnceSettled(expected.question(), now);
            } else {
                link.asked(channel.key.address(), now);
            }
            expects = true;
        }
        if (!expects) {
            control.disputed = false;
            answerCell(control, whyNone(control, link, expected));
        }
    }

    private static Reason whyNone(LiveControl control, Link link, Expectation expected) {
        if (link.target().answering() == Target.Answering.NONE) {
            return new Reason.NeverAnswers();
        } else if (!expected.isComing()) {
            return new Reason.NothingComesBack();
        }
        return control.control.listens().isEmpty() || expected.address().isEmpty() ? new Reason.NoListen() : new Reason.ListensElsewhere(expected.address().get());
    }

    /** Asks what came of values that have settled, where the target tells only when it is asked. */
    void askSettled(Link link, long now) {
        if (!link.gate().isKeptAlive()) {
            return;
        }
        for (String address : link.lane().questions(now)) {
            link.asked(address, now);
            state.listeners.channel(link.id(), address).ifPresent(channel -> channel.asked(now));
            emit(link, OscEncoder.encode(new OscMessage(address, List.of())), now);
        }
    }

    private Set<Listeners.Channel> channelsOf(LiveControl control, PartId target) {
        Set<Listeners.Channel> found = new LinkedHashSet<>();
        control.control.listens().stream().filter(l -> l.target().filter(target::equals).isPresent())
                .forEach(l -> state.listeners.channel(target, l.address()).ifPresent(found::add));
        return found;
    }

    private static Trace.Wire wire(Link link, byte[] packet, long now) {
        Target target = link.target();
        return new Trace.Wire(now, packet.length,
                target.answerPort() + " → " + target.host() + ":" + target.port());
    }

    /** The path of a touch ends before anything was made of it. */
    void stop(LiveControl control, Reason reason) {
        stop(control, Optional.empty(), reason);
    }

    private void stop(LiveControl control, Trace.Message message, Reason reason) {
        stop(control, Optional.of(message), reason);
    }

    private void stop(LiveControl control, Optional<Trace.Message> message, Reason reason) {
        control.trace = new Trace(control.id, control.position.first(), message, Optional.empty(), Optional.empty(), Optional.of(reason));
        state.sink.traceChanged(control.id);
    }

    /** Says in the last cell of the path why nothing came back. */
    void answerCell(LiveControl control, Reason reason) {
        control.trace = control.trace.stopped(reason);
        state.sink.traceChanged(control.id);
    }

    /** Asks for everything the show listens to, so that nothing stays stale that could be known. */
    void askAll(Link link, long now) {
        ask(link, state.listeners.addresses(link.id()), now);
    }

    /** Asks on some addresses, where the target answers questions. */
    void ask(Link link, Collection<String> addresses, long now) {
        if (link.target().answering() != Target.Answering.QUERIES || !link.gate().isKeptAlive()) {
            return;
        }
        for (String address : new TreeSet<>(addresses)) {
            link.asked(address, now);
            emit(link, OscEncoder.encode(new OscMessage(address, List.of())), now);
        }
    }
}
