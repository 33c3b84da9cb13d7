package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.show.PartId;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/** All that plays by itself on the loop, as one. */
final class LoopActors implements LiveSink {

    private final LiveSink next;
    /** They join as the server starts, while the loop runs already. */
    private final List<LoopActor> actors = new CopyOnWriteArrayList<>();

    /** @param next where packets and events go before the actors hear of them */
    LoopActors(LiveSink next) {
        this.next = next;
    }

    void join(LoopActor actor) {
        actors.add(actor);
    }

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        return next.datagram(target, packet);
    }

    @Override
    public void happened(LiveEvent event) {
        next.happened(event);
        actors.forEach(actor -> actor.happened(event));
    }

    void act(LiveShow live, long now) {
        actors.forEach(actor -> actor.act(live, now));
    }

    long nextDue() {
        return actors.stream().mapToLong(LoopActor::nextDue).min().orElse(Long.MAX_VALUE);
    }

    void abandon() {
        actors.forEach(LoopActor::abandon);
    }
}
