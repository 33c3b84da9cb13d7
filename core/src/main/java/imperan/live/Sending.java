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
    private static final String NOT_TAKEN = "not sent: this computer's network did not take it";

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
            stop(control, Trace.Cell.MESSAGE, "This control has no send yet");
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
            stop(control, message, Trace.Cell.MESSAGE,
                    send.target().isEmpty() ? "No target is set" : "Its target is no longer in the rig");
            return;
        }
        if (!link.get().socket().works()) {
            stop(control, message, Trace.Cell.WIRE, link.get().socket().trouble());
            return;
        }
        byte[] packet = compiled.packet(arguments);
        if (link.get().gate() != Gate.OPEN) {
            state.wireOut(link.get(), packet, notSent(link.get()), now);
            stop(control, message, Trace.Cell.WIRE, switch (link.get().gate()) {
                case HELD -> link.get().target().name() + " is held: nothing is sent by hand until it is released";
                case SILENT -> link.get().target().name() + " is silent: nothing is sent until it is released";
                default -> "Rehearsal: nothing leaves";
            });
            return;
        }
        if (!compiled.differsFromLast(packet) && !always) {
            link.get().repeated();
            if (control.control.form().axes() == 1) {
                // of several axes mostly one moves, and then what matters is that one
                control.trace = control.trace.stoppedAt(Trace.Cell.WIRE, "The same value is not sent again");
                state.sink.traceChanged(control.id);
            }
            return;
        }
        link.get().take(new Outgoing(control, compiled, control.position, packet, message))
                .ifPresentOrElse(outgoing -> leave(link.get(), outgoing, now), () -> drain(link.get(), now));
    }

    /** Sends what waited for its turn, as far as the target's pace allows. */
    void drain(Link link, long now) {
        for (Optional<Outgoing> next = link.next(now); next.isPresent(); next = link.next(now)) {
            leave(link, next.get(), now);
        }
    }

    /** What waits to be pressed or released leaves now, whatever the pace: there will be no other chance. */
    void hurry(Link link, long now) {
        link.takePresses().forEach(outgoing -> leave(link, outgoing, now));
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
            stop(control, outgoing.message(), Trace.Cell.WIRE, "This computer's network did not take it");
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
            link.together(message).ifPresent(full -> packet(link, full, now));
            return true;
        }
        return packet(link, new Link.Departing(message, 1), now);
    }

    /** What was to leave together leaves: the moment is over. */
    void flush(long now) {
        if (!bundling.isEmpty()) {
            bundling.forEach(link -> link.bundle().ifPresent(bundle -> packet(link, bundle, now)));
            bundling.clear();
        }
    }

    private boolean packet(Link link, Link.Departing departing, long now) {
        boolean taken = state.sink.datagram(link.id(), departing.packet());
        if (taken) {
            link.sent(departing.messages(), now);
        }
        state.wireOut(link, departing.packet(), taken ? "" : NOT_TAKEN, now);
        state.sink.linkChanged(link.id());
        return taken;
    }

    /** What had been handed to the system did not leave after all. */
    void notSent(Link link, byte[] packet, long now) {
        link.unsent();
        state.wireOut(link, packet, NOT_TAKEN, now);
        state.sink.linkChanged(link.id());
    }

    private static String notSent(Link link) {
        return switch (link.gate()) {
            case HELD -> "held, not sent";
            case SILENT -> "silent, not sent";
            default -> "rehearsal, not sent";
        };
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
            state.wireOut(link, packet, link.gate() == Gate.OPEN ? "not sent: " + link.socket().trouble() : notSent(link), now);
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
                link.askOnceSettled(expected.question(), now);
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

    private static String whyNone(LiveControl control, Link link, Expectation expected) {
        if (link.target().answering() == Target.Answering.NONE) {
            return "This target never answers";
        } else if (!expected.isComing()) {
            return "Nothing comes back for this, says its phrasebook";
        }
        return control.control.listens().isEmpty() || expected.address().isEmpty() ? "No listen is set, so no answer can be compared"
                : "Its answer comes on " + expected.address().get() + ", where this control does not listen";
    }

    /** Asks what came of values that have settled, where the target tells only when it is asked. */
    void askSettled(Link link, long now) {
        if (!link.gate().isKeptAlive()) {
            return;
        }
        for (String address : link.questions(now)) {
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
    void stop(LiveControl control, Trace.Cell cell, String why) {
        control.trace = new Trace(control.id, control.position.first(), Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.of(Trace.Stop.at(cell, why)));
        state.sink.traceChanged(control.id);
    }

    private void stop(LiveControl control, Trace.Message message, Trace.Cell cell, String why) {
        control.trace = new Trace(control.id, control.position.first(), Optional.of(message), Optional.empty(), Optional.empty(),
                Optional.of(Trace.Stop.at(cell, why)));
        state.sink.traceChanged(control.id);
    }

    /** Says in the last cell of the path why nothing came back. */
    void answerCell(LiveControl control, String why) {
        answerCell(control, Trace.Stop.at(Trace.Cell.ANSWER, why));
    }

    void answerCell(LiveControl control, Trace.Stop stop) {
        control.trace = control.trace.stopped(stop);
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
