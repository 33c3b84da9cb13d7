package imperan.watch;

import imperan.live.Actor;
import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.LiveEvent;
import imperan.live.MessageResult;
import imperan.live.Reason;
import imperan.osc.Decoded;
import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.watch.Incident.Kind;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Gathers from the events of the running show what went wrong in it. What a proof says is judged by the proof and does not count. */
public final class Watch {

    /** Different ones; the one that happened last the longest ago makes room. */
    static final int MOST = 500;
    /** Answers that are awaited at once, whose address is remembered. */
    private static final int MOST_AWAITED = 10_000;

    private record Key(Kind kind, Optional<PartId> target, Optional<PartId> control, String about) {}

    private final Map<Key, Incident> incidents = new LinkedHashMap<>();
    private final Map<Long, String> awaited = new HashMap<>();
    private long since;

    /** @param now in nanoseconds since 1970 */
    public Watch(long now) {
        since = now;
    }

    /** Begins anew: what happened before is forgotten, but for targets that are still not there. */
    public void begin(long now) {
        incidents
                .values()
                .removeIf(incident -> incident.over().isPresent()
                        || incident.kind() != Kind.LINK_LOST && incident.kind() != Kind.PORT_CLOSED);
        since = now;
    }

    /** Another show runs: nothing of this is of it. */
    public void forget(long now) {
        incidents.clear();
        awaited.clear();
        since = now;
    }

    /** Since when it watches. */
    public long since() {
        return since;
    }

    /** What happened last comes first. */
    public List<Incident> incidents() {
        List<Incident> newest = new ArrayList<>(incidents.values());
        Collections.reverse(newest);
        return newest;
    }

    /** Something happened in the running show. */
    public void happened(LiveEvent event) {
        if (event instanceof LiveEvent.LinkTurned turned) {
            turned(turned);
        } else if (event instanceof LiveEvent.Opened opened
                && opened.control().isPresent()
                && isWatched(event)
                && awaited.size() < MOST_AWAITED) {
            awaited.put(opened.exchange(), opened.address());
        } else if (event instanceof LiveEvent.Ended ended) {
            Optional.ofNullable(awaited.remove(ended.exchange())).ifPresent(address -> ended(ended, address));
        } else if (event instanceof LiveEvent.Stopped stopped && stopped.line().isPresent() && isWatched(event)) {
            notSent(stopped, stopped.line().get());
        } else if (event instanceof LiveEvent.PacketIn in && in.says() instanceof Decoded.Malformed malformed) {
            note(new Key(Kind.MALFORMED, in.target(), Optional.empty(), in.peer()), in.at(), malformed.reason());
        } else if (event instanceof LiveEvent.CueNotBegun not) {
            note(new Key(Kind.CUE_NOT_BEGUN, Optional.empty(), Optional.empty(), not.name()), not.at(), not.cue());
        }
    }

    private static boolean isWatched(LiveEvent event) {
        return event.cause().actor().kind() != Actor.Kind.PROOF;
    }

    private void turned(LiveEvent.LinkTurned turned) {
        Optional<PartId> target = Optional.of(turned.target());
        Key lost = new Key(Kind.LINK_LOST, target, Optional.empty(), "");
        Key closed = new Key(Kind.PORT_CLOSED, target, Optional.empty(), "");
        if (turned.state() == LinkState.LOST) {
            note(lost, turned.at(), turned.why());
        } else if (turned.state() == LinkState.PORT_CLOSED) {
            note(closed, turned.at(), turned.why());
        } else if (turned.state() == LinkState.ANSWERING || turned.state() == LinkState.HEARD) {
            over(lost, turned.at());
            over(closed, turned.at());
        }
    }

    private void ended(LiveEvent.Ended ended, String address) {
        Key none = new Key(Kind.NO_ANSWER, Optional.of(ended.target()), ended.control(), address);
        Key wrong = new Key(Kind.WRONG_VALUE, Optional.of(ended.target()), ended.control(), address);
        if (ended.result() instanceof MessageResult.NoAnswer missing) {
            note(none, ended.at(), missing.arrivedAs().orElse(""));
        } else if (ended.result() instanceof MessageResult.Differed other) {
            note(wrong, ended.at(), OscText.brief(other.said()));
        } else if (ended.result() instanceof MessageResult.Agreed) {
            over(none, ended.at());
            over(wrong, ended.at());
        }
    }

    private void notSent(LiveEvent.Stopped stopped, Line line) {
        boolean refused = stopped.reason() instanceof Reason.SocketBroken
                || stopped.reason() instanceof Reason.NotTaken
                || stopped.reason() instanceof Reason.TooManyWait;
        if (refused) {
            note(
                    new Key(Kind.NOT_SENT, line.target(), stopped.control(), line.address()),
                    stopped.at(),
                    stopped.reason() instanceof Reason.SocketBroken broken ? broken.trouble() : "");
        }
    }

    private void note(Key key, long at, String seen) {
        Incident before = incidents.remove(key);
        incidents.put(
                key,
                before == null
                        ? new Incident(
                                key.kind(), key.target(), key.control(), key.about(), seen, at, at, 1, Optional.empty())
                        : before.again(at, seen));
        if (incidents.size() > MOST) {
            incidents.remove(incidents.keySet().iterator().next());
        }
    }

    private void over(Key key, long at) {
        incidents.computeIfPresent(key, (same, incident) -> incident.over(at));
    }
}
