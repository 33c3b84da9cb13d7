package imperan.server.run;

import imperan.live.Gate;
import imperan.live.LiveShow;
import imperan.live.SavedValue;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import imperan.server.net.Endpoint;
import imperan.server.net.TargetListener;
import imperan.server.net.TargetSockets;
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
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BiFunction;
import java.util.function.Consumer;

/**
 * The one loop on which the live show runs. Touches, packets, committed edits and time come to it in a queue and are
 * handled in order; it computes and hands packets and batches out, and never waits for a database, a socket or a browser.
 *
 * <p>One turn is taken at a time. The loop has a thread for it, but while it is calm that thread sleeps, and waking it would take
 * longer than the turn: so who brings a touch or a packet then takes the turn for it. Once inputs come close together, all of them
 * are left to the loop's own thread.
 */
@Component
public class ShowLoop implements Keeper.Listener, TargetListener, AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ShowLoop.class);

    /** A batch leaves at once if none left within this time, else when it is over. */
    private static final long BATCH_NANOS = 16_000_000L;
    private static final long TICK_NANOS = 10_000_000L;
    private static final long SAVE_NANOS = 1_000_000_000L;
    /** The loop is calm when nothing was handled for as long: at more than a thousand inputs a second it never is. */
    private static final long CALM_NANOS = 1_000_000L;

    private final Inbox inbox = new Inbox();
    private final ShowClock clock = new ShowClock();
    private final TargetSockets sockets = new TargetSockets(this);
    private final ValueSaver saver;
    private final Audience audience = new Audience();
    private final Changes changes = new Changes(sockets::send);
    private final LiveShow live = new LiveShow(changes);
    private final Thread thread = new Thread(this::run, "show-loop");
    /** Held by the one who takes the turn; guards everything below and the live show. */
    private final ReentrantLock turn = new ReentrantLock();

    private volatile String liveShowId = "";
    private String liveShowName = "";
    private Show show = Show.empty();
    private Collection<Endpoint> endpoints = List.of();
    private long lastTick;
    private long lastBatch;
    private long lastSave;
    private volatile long lastHandled;
    private volatile long patience = TICK_NANOS;

    ShowLoop(Keeper keeper, ValueSaver saver) {
        this.saver = saver;
        keeper.listen(this);
        thread.start();
    }

    // ---- inputs, from any thread

    /** This show owns the sockets from now on. */
    public void goLive(String showId, String name, Show shown, List<SavedValue> values) {
        put(new Input.GoLive(showId, name, shown, values));
    }

    /** The show that owns the sockets; empty before the first. */
    public String liveShowId() {
        return liveShowId;
    }

    /** A hand touches a control of the show it looks at: a copy has the same controls, and must not move the live ones. */
    public void touch(String showId, Touch touch, Person person) {
        inbox.put(order(showId, (running, now) -> running.touch(touch, person, now)));
        takeTurnOrWake();
    }

    /** The browser is still there. */
    public void beat(String browser) {
        put(new Input.Beat(browser));
    }

    /** Sends one send of a control once, whatever mode anybody is in. */
    public void testFire(String showId, PartId control, int send) {
        put(order(showId, (running, now) -> running.testFire(control, send, now)));
    }

    /** Holds a target, rehearses with it or lets it go; all of them where none is named. */
    public void gate(String showId, Optional<PartId> target, Gate gate) {
        put(order(showId, (running, now) -> target.ifPresentOrElse(one -> running.gate(one, gate), () -> running.gateAll(gate))));
    }

    /** Sends a target's start list. */
    public void start(String showId, PartId target) {
        put(order(showId, (running, now) -> running.start(target, now)));
    }

    /** Nobody wants the start list of a target that came back. */
    public void leaveAsItIs(String showId, PartId target) {
        put(order(showId, (running, now) -> running.leaveAsItIs(target)));
    }

    /** Sends one message that belongs to no control. */
    public void say(String showId, PartId target, OscMessage message) {
        put(order(showId, (running, now) -> running.say(target, message, now)));
    }

    /** Asks a target for everything that the show listens to. */
    public void refresh(String showId, PartId target) {
        put(order(showId, (running, now) -> running.refresh(target, now)));
    }

    /** What is known of a show's network now; nothing of a show that does not run. */
    public CompletableFuture<LiveFacts> facts(String showId) {
        return ask(showId, (running, now) -> new LiveFacts(running.links(), running.strays(), changes.turns()), LiveFacts.NONE);
    }

    /** Reads something off the running show; where another show runs, that is the answer. */
    public <T> CompletableFuture<T> ask(String showId, BiFunction<LiveShow, Long, T> reading, T otherwise) {
        return asked(showId, reading, answer -> answer.complete(otherwise));
    }

    /** Reads something off the running show, or does something with it; where another show runs, it fails with {@link NotLiveException}. */
    public <T> CompletableFuture<T> askLive(String showId, BiFunction<LiveShow, Long, T> reading) {
        return asked(showId, reading, answer -> answer.completeExceptionally(new NotLiveException()));
    }

    private <T> CompletableFuture<T> asked(String showId, BiFunction<LiveShow, Long, T> reading, Consumer<CompletableFuture<T>> otherwise) {
        CompletableFuture<T> answer = new CompletableFuture<>();
        put(new Input.Order(showId, (running, now) -> {
            try {
                answer.complete(reading.apply(running, now));
            } catch (RuntimeException e) {
                // who asked hears it; the loop goes on
                answer.completeExceptionally(e);
            }
        }, () -> otherwise.accept(answer)));
        return answer;
    }

    /** Brings controls to their rest values. */
    public void rest(String showId, List<PartId> controls, Person person) {
        put(order(showId, (running, now) -> running.rest(controls, person, now)));
    }

    /** What somebody has selected while building. */
    public void selecting(Feed feed, Presence presence) {
        put(new Input.Selecting(feed, presence));
    }

    /** The hosts on our wires that do not answer for their address. */
    void silentHosts(Set<String> hosts) {
        put(new Input.Silent(hosts));
    }

    /** A browser looks at a show, which is as given if it is not the live one. */
    public void join(Feed feed, String showId, String name, Show shown) {
        put(new Input.Join(feed, showId, name, shown));
    }

    public void leave(Feed feed) {
        put(new Input.Leave(feed));
    }

    /** @param traces the controls whose path the browser shows */
    public void watch(Feed feed, boolean wire, List<PartId> traces) {
        put(new Input.Watch(feed, wire, List.copyOf(traces)));
    }

    /** Is told of each value as it is handed to the next batch, on the loop's thread. For measuring: it delays the show. */
    public void tap(Consumer<PartId> handed) {
        changes.tap(handed);
    }

    @Override
    public void committed(String showId, Edit edit, Show committed) {
        put(new Input.Committed(showId, edit, committed));
    }

    @Override
    public void packet(Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes,
                       Decoded decoded) {
        String source = mouthOf.isEmpty() ? "ear " + ourPort : peerHost + ":" + peerPort + " " + ourPort;
        inbox.putPacket(source, new Input.Packet(ourPort, peerHost, peerPort, bytes, decoded));
        takeTurnOrWake();
    }

    @Override
    public void streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
        inbox.putPacket("stream " + target, new Input.Streamed(target, peerHost, peerPort, bytes, decoded));
        takeTurnOrWake();
    }

    @Override
    public void portClosed(Collection<PartId> targets) {
        put(new Input.PortClosed(targets));
    }

    @Override
    public void sockets(Map<PartId, SocketState> states) {
        put(new Input.Sockets(states));
    }

    private void put(Input input) {
        inbox.put(input);
        inbox.wake();
    }

    private static Input order(String showId, Input.Doing doing) {
        return new Input.Order(showId, doing, () -> {
        });
    }

    // ---- the loop

    private void run() {
        while (!Thread.currentThread().isInterrupted()) {
            try {
                inbox.await(patience);
                turn.lock();
                try {
                    takeTurn();
                } finally {
                    turn.unlock();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Handles one input, where there is one, and what has become due. */
    private void takeTurn() {
        try {
            long now = clock.now();
            Optional<Input> input = inbox.poll();
            if (input.isPresent()) {
                handle(input.get(), now);
                lastHandled = now;
            }
            timers(now);
            patience = patience(now);
        } catch (RuntimeException e) {
            // a fault in one input must not silence the show
            LOG.error("An input could not be handled", e);
        }
    }

    /** On the thread that has just brought an input: takes the turn for it where the loop is calm, else wakes the loop. */
    private void takeTurnOrWake() {
        boolean done = false;
        if (clock.now() - lastHandled > CALM_NANOS && turn.tryLock()) {
            try {
                takeTurn();
                done = changes.isEmpty();
            } finally {
                turn.unlock();
            }
        }
        if (!done) {
            inbox.wake();
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
            Batch batch = changes.take(live, audience.traces(), inbox.missed());
            audience.of(liveShowId).forEach(feed -> feed.offer(batch));
        }
        if (now - lastSave >= SAVE_NANOS) {
            lastSave = now;
            save();
        }
    }

    private void handle(Input input, long now) {
        if (input instanceof Input.Packet p) {
            live.received(p.ourPort(), p.peerHost(), p.peerPort(), p.bytes(), p.decoded(), now);
        } else if (input instanceof Input.Streamed s) {
            live.received(s.target(), s.peerHost(), s.peerPort(), s.bytes(), s.decoded(), now);
        } else if (input instanceof Input.Order o) {
            if (o.showId().equals(liveShowId)) {
                o.doing().with(live, now);
            } else {
                o.otherwise().run();
            }
        } else if (input instanceof Input.Beat b) {
            live.heartbeat(b.browser(), now);
        } else if (input instanceof Input.Committed c) {
            committedNow(c, now);
        } else if (input instanceof Input.PortClosed p) {
            p.targets().forEach(target -> live.portClosed(target, now));
        } else if (input instanceof Input.Sockets s) {
            s.states().forEach((target, state) -> live.socket(target, state, now));
        } else if (input instanceof Input.Join j) {
            audience.join(j.feed(), j.showId());
            j.feed().welcome(j.showId().equals(liveShowId) ? snapshot() : still(j.showId(), j.name(), j.show()));
        } else if (input instanceof Input.Leave l) {
            audience.leave(l.feed());
        } else if (input instanceof Input.Watch w) {
            watchNow(w);
        } else if (input instanceof Input.Selecting s) {
            audience.selecting(s.feed(), s.presence());
        } else if (input instanceof Input.Silent s) {
            endpoints.forEach(e -> live.silentHost(e.target(), s.hosts().contains(e.host())));
        } else if (input instanceof Input.GoLive g) {
            goLiveNow(g, now);
        }
    }

    private void goLiveNow(Input.GoLive going, long now) {
        save();
        audience.of(liveShowId).forEach(feed -> feed.welcome(still(liveShowId, liveShowName, show)));
        liveShowId = going.showId();
        liveShowName = going.name();
        follow(going.show(), now);
        live.restore(going.values());
        audience.of(liveShowId).forEach(feed -> feed.welcome(snapshot()));
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
            audience.of(committed.showId()).forEach(feed -> feed.offer(batch));
        }
    }

    private void follow(Show next, long now) {
        show = next;
        live.load(next, now);
        List<Endpoint> wanted = next.all(Target.class).stream().map(ShowLoop::endpoint).toList();
        if (!wanted.equals(endpoints)) {
            wanted.stream().filter(e -> !endpoints.contains(e))
                    .forEach(e -> live.socket(e.target(), SocketState.opening(), now));
            endpoints = wanted;
            sockets.reconcile(wanted);
        }
    }

    private static Endpoint endpoint(Part part) {
        Target target = ((Target) part.body()).asReached();
        return new Endpoint(part.id(), target.host(), target.port(), target.answerPort(), target.transport(),
                target.adapterAddress().orElse(""));
    }

    private void watchNow(Input.Watch watch) {
        if (audience.isOf(watch.feed(), liveShowId)) {
            audience.watch(watch.feed(), watch.traces());
            watch.traces().forEach(changes::traceChanged);
            if (watch.wire()) {
                watch.feed().wireSoFar(changes.wireSoFar());
            }
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
        turn.lock();
        try {
            save();
        } finally {
            turn.unlock();
        }
        sockets.close();
    }
}
