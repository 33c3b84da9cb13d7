package imperan.server.run;

import imperan.live.LiveShow;
import imperan.live.SavedValue;
import imperan.live.Touch;
import imperan.osc.Decoded;
import imperan.server.net.Endpoint;
import imperan.server.net.SocketState;
import imperan.server.net.UdpListener;
import imperan.server.net.UdpSockets;
import imperan.server.store.Keeper;
import imperan.server.store.ValueSaver;
import imperan.show.Edit;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Target;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The one thread on which the live show runs. Touches, packets, committed edits and time come to it in a queue and are
 * handled in order; it computes and hands packets and batches out, and never waits for a database, a socket or a browser.
 */
@Component
public class ShowLoop implements Keeper.Listener, UdpListener, AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ShowLoop.class);

    /** A batch leaves at once if none left within this time, else when it is over. */
    private static final long BATCH_NANOS = 16_000_000L;
    private static final long TICK_NANOS = 10_000_000L;
    private static final long SAVE_NANOS = 1_000_000_000L;

    /** What one browser looks at. */
    private record Viewer(String showId, Set<PartId> traces) {
    }

    private final Inbox inbox = new Inbox();
    private final ShowClock clock = new ShowClock();
    private final UdpSockets sockets = new UdpSockets(this);
    private final ValueSaver saver;
    private final Map<Feed, Viewer> feeds = new LinkedHashMap<>();
    private final Changes changes = new Changes(sockets::send);
    private final LiveShow live = new LiveShow(changes);
    private final Thread thread = new Thread(this::run, "show-loop");

    private volatile String liveShowId = "";
    private String liveShowName = "";
    private Show show = Show.empty();
    private Collection<Endpoint> endpoints = List.of();
    private long lastTick;
    private long lastBatch;
    private long lastSave;

    ShowLoop(Keeper keeper, ValueSaver saver) {
        this.saver = saver;
        keeper.listen(this);
        thread.start();
    }

    // ---- inputs, from any thread

    /** This show owns the sockets from now on. */
    public void goLive(String showId, String name, Show shown, List<SavedValue> values) {
        inbox.put(new Input.GoLive(showId, name, shown, values));
    }

    /** The show that owns the sockets; empty before the first. */
    public String liveShowId() {
        return liveShowId;
    }

    /** A hand touches a control of the show it looks at; only the live one is moved. */
    public void touch(String showId, Touch touch, Person person) {
        inbox.put(new Input.Touched(showId, touch, person));
    }

    /** The browser is still there. */
    public void beat(String browser) {
        inbox.put(new Input.Beat(browser));
    }

    /** Sends one send of a control once, whatever mode anybody is in. */
    public void testFire(String showId, PartId control, int send) {
        inbox.put(new Input.Fire(showId, control, send));
    }

    /** A browser looks at a show, which is as given if it is not the live one. */
    public void join(Feed feed, String showId, String name, Show shown) {
        inbox.put(new Input.Join(feed, showId, name, shown));
    }

    public void leave(Feed feed) {
        inbox.put(new Input.Leave(feed));
    }

    /** @param traces the controls whose path the browser shows */
    public void watch(Feed feed, boolean wire, List<PartId> traces) {
        inbox.put(new Input.Watch(feed, wire, List.copyOf(traces)));
    }

    @Override
    public void committed(String showId, Edit edit, Show committed) {
        inbox.put(new Input.Committed(showId, edit, committed));
    }

    @Override
    public void packet(Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes,
                       Decoded decoded) {
        String source = mouthOf.isEmpty() ? "ear " + ourPort : peerHost + ":" + peerPort + " " + ourPort;
        inbox.putPacket(source, new Input.Packet(ourPort, peerHost, peerPort, bytes, decoded));
    }

    @Override
    public void portClosed(Collection<PartId> targets) {
        inbox.put(new Input.PortClosed(targets));
    }

    @Override
    public void sockets(Map<PartId, SocketState> states) {
        inbox.put(new Input.Sockets(states));
    }

    // ---- the loop

    private void run() {
        while (!Thread.currentThread().isInterrupted()) {
            try {
                Input input = inbox.take(patience(clock.now()));
                long now = clock.now();
                if (input != null) {
                    handle(input, now);
                }
                timers(now);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } catch (RuntimeException e) {
                // a fault in one input must not silence the show
                LOG.error("An input could not be handled", e);
            }
        }
    }

    /** How long nothing needs to be done if nothing comes in. */
    private long patience(long now) {
        return changes.isEmpty() ? TICK_NANOS : Math.min(TICK_NANOS, lastBatch + BATCH_NANOS - now);
    }

    private void timers(long now) {
        if (now - lastTick >= TICK_NANOS) {
            lastTick = now;
            live.tick(now);
        }
        if (!changes.isEmpty() && now - lastBatch >= BATCH_NANOS) {
            lastBatch = now;
            Set<PartId> watched = feeds.values().stream().flatMap(v -> v.traces().stream()).collect(Collectors.toSet());
            Batch batch = changes.take(live, watched, inbox.missed());
            viewers(liveShowId).forEach(feed -> feed.offer(batch));
        }
        if (now - lastSave >= SAVE_NANOS) {
            lastSave = now;
            save();
        }
    }

    private void handle(Input input, long now) {
        if (input instanceof Input.Packet p) {
            live.received(p.ourPort(), p.peerHost(), p.peerPort(), p.bytes(), p.decoded(), now);
        } else if (input instanceof Input.Touched t) {
            if (t.showId().equals(liveShowId)) {
                live.touch(t.touch(), t.person(), now);
            }
        } else if (input instanceof Input.Beat b) {
            live.heartbeat(b.browser(), now);
        } else if (input instanceof Input.Fire f) {
            if (f.showId().equals(liveShowId)) {
                live.testFire(f.control(), f.send(), now);
            }
        } else if (input instanceof Input.Committed c) {
            committedNow(c, now);
        } else if (input instanceof Input.PortClosed p) {
            p.targets().forEach(target -> live.portClosed(target, now));
        } else if (input instanceof Input.Sockets s) {
            s.states().forEach((target, state) -> live.socket(target, state.trouble(), state.ourHost()));
        } else if (input instanceof Input.Join j) {
            feeds.put(j.feed(), new Viewer(j.showId(), Set.of()));
            j.feed().welcome(j.showId().equals(liveShowId) ? snapshot() : still(j.showId(), j.name(), j.show()));
        } else if (input instanceof Input.Leave l) {
            feeds.remove(l.feed());
        } else if (input instanceof Input.Watch w) {
            watchNow(w);
        } else if (input instanceof Input.GoLive g) {
            goLiveNow(g, now);
        }
    }

    private void goLiveNow(Input.GoLive going, long now) {
        save();
        viewers(liveShowId).forEach(feed -> feed.welcome(still(liveShowId, liveShowName, show)));
        liveShowId = going.showId();
        liveShowName = going.name();
        follow(going.show(), now);
        live.restore(going.values());
        viewers(liveShowId).forEach(feed -> feed.welcome(snapshot()));
    }

    private List<Feed> viewers(String showId) {
        return feeds.entrySet().stream().filter(e -> e.getValue().showId().equals(showId)).map(Map.Entry::getKey).toList();
    }

    /** A show that is looked at and does not run. */
    private static Snapshot still(String showId, String name, Show shown) {
        return new Snapshot(showId, name, false, shown, List.of(), List.of(), Optional.empty(), Optional.empty());
    }

    private void committedNow(Input.Committed committed, long now) {
        if (committed.showId().equals(liveShowId)) {
            changes.edit(committed.edit());
            follow(committed.show(), now);
        } else {
            Batch batch = Batch.of(committed.edit());
            viewers(committed.showId()).forEach(feed -> feed.offer(batch));
        }
    }

    private void follow(Show next, long now) {
        show = next;
        live.load(next, now);
        List<Endpoint> wanted = next.all(Target.class).stream().map(ShowLoop::endpoint).toList();
        if (!wanted.equals(endpoints)) {
            wanted.stream().filter(e -> !endpoints.contains(e))
                    .forEach(e -> live.socket(e.target(), "Its port is being opened", ""));
            endpoints = wanted;
            sockets.reconcile(wanted);
        }
    }

    private static Endpoint endpoint(Part part) {
        Target target = (Target) part.body();
        return new Endpoint(part.id(), target.host(), target.port(), target.answerPort());
    }

    private void watchNow(Input.Watch watch) {
        Viewer viewer = feeds.get(watch.feed());
        if (viewer == null || !viewer.showId().equals(liveShowId)) {
            return;
        }
        feeds.put(watch.feed(), new Viewer(viewer.showId(), Set.copyOf(watch.traces())));
        watch.traces().forEach(changes::traceChanged);
        if (watch.wire()) {
            watch.feed().wireSoFar(changes.wireSoFar());
        }
    }

    private Snapshot snapshot() {
        return new Snapshot(liveShowId, liveShowName, true, show, live.values(), live.links(), changes.lastOut(), changes.lastIn());
    }

    private void save() {
        if (!liveShowId.isEmpty()) {
            Set<PartId> unsaved = changes.takeUnsaved();
            saver.save(liveShowId, live.savedValues().stream().filter(v -> unsaved.contains(v.control())).toList());
        }
    }

    @Override
    public void close() {
        thread.interrupt();
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        save();
        sockets.close();
    }
}
