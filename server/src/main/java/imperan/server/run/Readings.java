package imperan.server.run;

import imperan.wire.Addresses;
import imperan.wire.WireFilter;
import imperan.wire.WireRecord;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;

/** What was gathered from all that happened in the live show: its Wire, the last message of each address, the watch, its network. */
@Component
public final class Readings {

    private final ShowLoop loop;
    private final Changes changes;

    Readings(ShowLoop loop) {
        this.loop = loop;
        this.changes = loop.changes();
    }

    /** What is known of a show's network now; nothing of a show that does not run. */
    public CompletableFuture<LiveFacts> facts(String showId) {
        return loop.ask(
                showId,
                (running, now) -> new LiveFacts(running.links(), running.strays(), changes.turns()),
                LiveFacts.NONE);
    }

    /** The packets of the live show as they are kept now; none of a show that does not run. */
    public CompletableFuture<WireNow> wire(String showId) {
        return loop.ask(
                showId,
                (running, now) ->
                        new WireNow(changes.wire().packets(), changes.wire().changes(), now),
                WireNow.NONE);
    }

    /**
     * What was said in the live show, by its address; what moved last comes first.
     *
     * @param since only what was said after it, in nanoseconds since 1970
     */
    public CompletableFuture<Addresses> addresses(String showId, WireFilter filter, long since, int most) {
        return loop.ask(showId, (running, now) -> changes.addresses().rows(filter, since, most, now), Addresses.NONE);
    }

    /** What went wrong in the live show since the watch began; where another show runs, it fails with {@link NotLiveException}. */
    public CompletableFuture<WatchNow> watch(String showId) {
        return loop.askLive(
                showId,
                (running, now) -> new WatchNow(
                        changes.watch().since(),
                        changes.watch().incidents(),
                        running.links().size(),
                        (int) running.links().stream()
                                .filter(link -> link.state().isThere())
                                .count()));
    }

    /** What happened before is forgotten. */
    public CompletableFuture<Void> beginWatch(String showId) {
        return loop.askLive(showId, (running, now) -> {
            changes.watch().begin(now);
            return null;
        });
    }

    /** Is told of each packet of the Wire, on the loop's thread: whoever listens must not wait there. */
    public void tapWire(Consumer<WireRecord> listener) {
        changes.tapWire(listener);
    }
}
