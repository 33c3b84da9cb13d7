package imperan.live;

import imperan.show.Behaviour;
import imperan.show.PartId;
import imperan.show.Target;
import imperan.show.form.Form;
import imperan.show.form.Position;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** What the running show consists of at this moment, shared by those who send and those who receive. */
final class LiveState {

    final LiveSink sink;
    final Map<PartId, LiveControl> controls = new LinkedHashMap<>();
    final Map<PartId, Link> links = new LinkedHashMap<>();
    final Listeners listeners = new Listeners();
    final Groups groups = new Groups();
    final Strays strays = new Strays();
    final Learners learners = new Learners();
    final DueQueue<Due> due = new DueQueue<>();
    private long wireNumber;
    private long turnNumber;

    LiveState(LiveSink sink) {
        this.sink = sink;
    }

    /** Something about a control is otherwise: screens are told, and what it waits for may come sooner. */
    void changed(LiveControl control) {
        sink.valueChanged(control.id);
        due.noLaterThan(new Due.OfControl(control.id), control.nextDue());
    }

    /** Notes that a link turned. */
    void turned(Link link, long now) {
        sink.turned(new LinkTurn(++turnNumber, now, link.id(), link.state(), link.why()));
        sink.linkChanged(link.id());
    }

    /**
     * Notes a packet that leaves, or would.
     *
     * @param reason why it did not; empty where it did
     */
    void wireOut(Link link, byte[] packet, Optional<Reason> reason, long now) {
        Target target = link.target();
        sink.wire(new WireRecord(++wireNumber, now, true, Optional.of(link.id()), target.host() + ":" + target.port(),
                target.answerPort(), packet, Optional.empty(), reason));
    }

    /** Notes a packet that arrived. */
    void wireIn(Optional<Link> link, String peer, int ourPort, byte[] packet, Optional<Long> answeredAfter, Optional<Reason> reason,
                long now) {
        sink.wire(new WireRecord(++wireNumber, now, false, link.map(Link::id), peer, ourPort, packet, answeredAfter, reason));
    }

    /** Does a send of this control wait for its answer, or for its turn? */
    boolean isAwaited(LiveControl control) {
        return links.values().stream().anyMatch(link -> link.lane().holds(control.id))
                || control.control.listens().stream().anyMatch(l -> l.target()
                        .flatMap(t -> listeners.channel(t, l.address()))
                        .filter(c -> c.open.stream().anyMatch(o -> o.control() == control)).isPresent());
    }

    /** What a lost target said is what it said once. */
    void doubtValuesOf(Link link) {
        for (Listeners.Channel channel : listeners.of(link.id())) {
            for (Listeners.Ear ear : channel.ears) {
                if (ear.control().belief == Belief.KNOWN) {
                    ear.control().belief = Belief.STALE;
                    whenLost(ear.control());
                    changed(ear.control());
                }
            }
        }
    }

    /** Where a control goes that has lost its target. Nothing is sent because of it. */
    private static void whenLost(LiveControl control) {
        Form form = control.control.form();
        Behaviour.WhenLost lost = control.control.behaviour().whenLost();
        switch (lost.goes()) {
            case NOWHERE -> {
                // it stays where it was last
            }
            case REST -> control.position = Position.rest(form);
            case VALUE -> control.position = Position.of(Collections.nCopies(form.axes(), lost.value())).snapped(form);
        }
    }
}
