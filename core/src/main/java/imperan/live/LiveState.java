package imperan.live;

import imperan.show.Behaviour;
import imperan.show.PartId;
import imperan.show.form.Form;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Consumer;

/** What the running show consists of at this moment, shared by those who send and those who receive, and where they tell what happens. */
final class LiveState {

    final Map<PartId, LiveControl> controls = new LinkedHashMap<>();
    final Map<PartId, Link> links = new LinkedHashMap<>();
    final Listeners listeners = new Listeners();
    final Groups groups = new Groups();
    final Strays strays = new Strays();
    final Learners learners = new Learners();
    final DueQueue<Due> due = new DueQueue<>();
    final Exchanges exchanges = new Exchanges(this::ended);
    final Paths paths = new Paths();
    final LookUp lookUp = new LookUp(this);
    /** Where an answer to something that we asked or proved is awaited. */
    final Asked asked = new Asked();
    /** What we said where targets step lists. */
    final Echoes echoes = new Echoes();
    /** The controls whose shaping gives something by itself. */
    private final Set<PartId> gliding = new LinkedHashSet<>();
    /** Whether what arrives goes through forwards and steps cue lists. */
    /** Where a proof moves or asks something now, by target and address. */
    BiPredicate<PartId, String> proved = (target, address) -> false;
    /** Until when targets step no list: everything was just stopped. */
    long stoppedUntil = Long.MIN_VALUE;
    /** By how much the clock on the wall, which others may share, is ahead of the time that we count by. */
    long wallAhead;

    private final LiveSink sink;
    private final List<Consumer<LiveEvent>> marks = new ArrayList<>();
    private Cause cause = Cause.NONE;
    private long inputs;
    private long now;

    LiveState(LiveSink sink) {
        this.sink = sink;
    }

    // ---- what happens

    /** Something comes in; all that happens from now on is because of it. */
    void because(Cause.Origin origin, Actor actor, long at) {
        cause = new Cause(++inputs, origin, actor, origin == Cause.Origin.ARRIVAL ? 1 : 0);
        now = at;
    }

    /** What waited goes on, because of what it waited for. */
    void because(Cause before, long at) {
        cause = before;
        now = at;
    }

    /** The same input leads to something of another kind. */
    void by(Cause.Origin origin) {
        cause = new Cause(cause.number(), origin, cause.actor(), cause.hops());
    }

    /** The same input leads to something that another actor does. */
    void by(Cause.Origin origin, Actor actor) {
        cause = new Cause(cause.number(), origin, actor, cause.hops());
    }

    Cause cause() {
        return cause;
    }

    long now() {
        return now;
    }

    /** Hands a packet out. */
    boolean datagram(Link link, byte[] packet) {
        return sink.datagram(link.id(), packet);
    }

    void happened(LiveEvent event) {
        paths.happened(event);
        sink.happened(event);
        marks.forEach(each -> each.accept(event));
    }

    /** Who else takes note of what happens. */
    void marks(Consumer<LiveEvent> whoElse) {
        marks.add(whoElse);
    }

    /** The same, of a target: it counts for its figures, too. */
    void happened(Link link, LiveEvent event) {
        link.counts().happened(event);
        happened(event);
    }

    /** Something about a control is otherwise: screens are told, and what it waits for may come sooner. */
    void changed(LiveControl control) {
        happened(new LiveEvent.ValueChanged(now, cause, control.id));
        long next = control.nextDue();
        if (next != DueQueue.NEVER) {
            due.noLaterThan(new Due.OfControl(control.id), next);
        }
    }

    /** Whether the shaping of a control gives something by itself. */
    void gliding(LiveControl control, boolean glides) {
        if (glides) {
            gliding.add(control.id);
        } else if (!control.isUnderWay()) {
            gliding.remove(control.id);
        }
    }

    /** What goes on by itself on the lines of a control ends, for that is moved now. */
    void stopGliding(LiveControl moved) {
        for (PartId id : gliding.isEmpty() ? List.<PartId>of() : List.copyOf(gliding)) {
            LiveControl other = controls.get(id);
            if (other == null || other != moved && !Collections.disjoint(other.lines, moved.lines)) {
                gliding.remove(id);
                Optional.ofNullable(other).ifPresent(o -> o.sends.forEach(send -> send.stop(now)));
            }
        }
    }

    void changed(Link link) {
        happened(new LiveEvent.LinkChanged(now, cause, link.id()));
    }

    /** Notes that a link turned. */
    void turned(Link link) {
        happened(new LiveEvent.LinkTurned(now, cause, link.id(), link.state(), link.why()));
        changed(link);
    }

    private void ended(Exchange exchange, MessageResult result) {
        Link link = links.get(exchange.target);
        LiveEvent.Ended event =
                new LiveEvent.Ended(now, cause, exchange.number, exchange.control, exchange.target, result);
        if (link == null) {
            happened(event);
        } else {
            link.answerLog().ended(exchange, result, now);
            happened(link, event);
            if (result instanceof MessageResult.NoAnswer) {
                exchange.cameFrom.ifPresent(from -> answeredElsewhere(link, from));
            }
        }
        exchange.control
                .map(controls::get)
                .filter(control -> control.sentAt <= exchange.since)
                .ifPresent(control -> ended(control, result));
    }

    /**
     * Nothing came from a target, and its answer from a machine that is none of the show's: what is known of the target may hold no longer.
     */
    private void answeredElsewhere(Link link, Missed.CameFrom from) {
        if (from.claimed().isEmpty() && !from.host().equals(link.target().host())) {
            link.wasAway(now);
            happened(new LiveEvent.AnsweredElsewhere(now, cause, link.id(), from.host()));
            changed(link);
        }
    }

    /** What a control said last was answered, or was not. */
    private void ended(LiveControl control, MessageResult result) {
        boolean missing = result instanceof MessageResult.NoAnswer;
        boolean unanswered = result.isUnanswered();
        boolean disputed = missing
                && control.echo.isUnknown()
                && !control.control.listens().isEmpty();
        if (unanswered != control.unanswered && (unanswered || result instanceof MessageResult.Agreed)
                || disputed && !control.disputed) {
            control.unanswered = unanswered;
            control.disputed |= disputed;
            changed(control);
        }
    }

    // ---- what is believed

    /** Does a send of this control wait for its answer, or for its turn? */
    boolean isAwaited(LiveControl control) {
        return control.isUnderWay()
                || links.values().stream().anyMatch(link -> link.lane().holds(control.id))
                || control.control.listens().stream().anyMatch(l -> l.target()
                        .filter(t -> exchanges.isAwaited(control.id, t, l.address()))
                        .isPresent());
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
            case VALUE -> control.position =
                    Position.of(Collections.nCopies(form.axes(), lost.value())).snapped(form);
        }
    }
}
