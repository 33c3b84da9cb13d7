package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** From a control's position to packets that leave, and to the answers that are then expected. */
final class Sending {

    private static final int MAX_OPEN = 256;

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
                send(control, send, phase != Send.Phase.CHANGE, now);
            }
        }
        if (!any && phase == Send.Phase.CHANGE && control.sends.isEmpty()) {
            stop(control, Trace.Cell.MESSAGE, "This control has no send yet");
        }
    }

    /** @param always whether to send what was sent before, too */
    void send(LiveControl control, CompiledSend compiled, boolean always, long now) {
        Send send = compiled.send();
        Optional<Link> link = send.target().map(state.links::get);
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
            state.sink.traceChanged(control.id);
            return;
        }
        link.get().take(new Outgoing(control, send, control.position, packet, message))
                .ifPresentOrElse(outgoing -> leave(link.get(), outgoing, now), () -> drain(link.get(), now));
    }

    /** Sends what waited for its turn, as far as the target's pace allows. */
    void drain(Link link, long now) {
        for (Optional<Outgoing> next = link.next(now); next.isPresent(); next = link.next(now)) {
            leave(link, next.get(), now);
        }
    }

    private void leave(Link link, Outgoing outgoing, long now) {
        emit(link, outgoing.packet(), now);
        // an edit may have replaced the control while the message waited
        LiveControl control = state.controls.get(outgoing.control().id);
        if (control == null) {
            return;
        }
        control.sentAt = now;
        believeSent(control, link);
        control.trace = new Trace(control.id, outgoing.position(), Optional.of(outgoing.message()),
                Optional.of(wire(link, outgoing.packet(), now)), Optional.empty(), Optional.empty());
        state.sink.traceChanged(control.id);
        expectAnswer(control, link, outgoing.position(), now);
    }

    /** A packet leaves now. */
    void emit(Link link, byte[] packet, long now) {
        link.sent();
        state.sink.datagram(link.id(), packet);
        state.wireOut(link, packet, now);
        state.sink.linkChanged(link.id());
    }

    private void believeSent(LiveControl control, Link link) {
        if (control.belief != Belief.KNOWN) {
            control.belief = link.isReachable() ? Belief.ASSUMED : Belief.STALE;
        }
        state.sink.valueChanged(control.id);
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
                .forEach(l -> state.listeners.channel(target, l.address()).ifPresent(found::add));
        return found;
    }

    private static Trace.Wire wire(Link link, byte[] packet, long now) {
        Target target = link.target();
        return new Trace.Wire(now, packet.length,
                target.answerPort() + " → " + target.host() + ":" + target.port());
    }

    /** The path of a touch ends before anything was made of it. */
    void stop(LiveControl control, Trace.Cell cell, String why) {
        control.trace = new Trace(control.id, control.position, Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(new Trace.Stop(cell, why)));
        state.sink.traceChanged(control.id);
    }

    private void stop(LiveControl control, Trace.Message message, Trace.Cell cell, String why) {
        control.trace = new Trace(control.id, control.position, Optional.of(message), Optional.empty(), Optional.empty(),
                Optional.of(new Trace.Stop(cell, why)));
        state.sink.traceChanged(control.id);
    }

    /** Says in the last cell of the path why nothing came back. */
    void answerCell(LiveControl control, String why) {
        control.trace = control.trace.stoppedAt(Trace.Cell.ANSWER, why);
        state.sink.traceChanged(control.id);
    }

    /** Asks for everything the show listens to, so that nothing stays stale that could be known. */
    void askAll(Link link, long now) {
        if (link.target().answering() != Target.Answering.QUERIES) {
            return;
        }
        TreeSet<String> addresses = new TreeSet<>();
        state.listeners.all().stream().filter(c -> c.key.target().equals(link.id())).forEach(c -> addresses.add(c.key.address()));
        for (String address : addresses) {
            link.asked(address, now);
            emit(link, OscEncoder.encode(new OscMessage(address, List.of())), now);
        }
    }
}
