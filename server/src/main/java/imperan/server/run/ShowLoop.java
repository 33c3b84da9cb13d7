package imperan.server.run;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LiveShow;
import imperan.live.Places;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.osc.Decoded;
import imperan.proof.run.ProofRun;
import imperan.proof.run.PutBack;
import imperan.server.net.Endpoint;
import imperan.server.net.TargetListener;
import imperan.server.net.TargetSockets;
import imperan.server.store.Keeper;
import imperan.server.store.Remembered;
import imperan.server.store.ValueSaver;
import imperan.show.Edit;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrasebook;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.Target;
import imperan.trial.Trial;
import imperan.wire.Addresses;
import imperan.wire.WireFilter;
import imperan.wire.WireRecord;
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
import java.util.function.Function;
import java.util.stream.Collectors;

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

    private static final long SAVE_NANOS = 1_000_000_000L;
    /** The loop is calm when nothing was handled for as long: at more than a thousand inputs a second it never is. */
    private static final long CALM_NANOS = 1_000_000L;
    private static final String TOO_MUCH = "Too much is asked for at once: this was not done";

    private final Inbox inbox = new Inbox();
    private final TargetSockets sockets = new TargetSockets(this);
    private final ValueSaver saver;
    private final StartLog startLog;
    private final Audience audience = new Audience();
    private final Changes changes = new Changes(sockets::send);
    private final Proving proving = new Proving(changes, this::missed);
    private final Trying trying = new Trying(proving);
    private final LiveShow live = new LiveShow(trying);
    private final Thread thread = new Thread(this::run, "show-loop");
    /** Held by the one who takes the turn; guards everything below and the live show. */
    private final ReentrantLock turn = new ReentrantLock();

    private volatile String liveShowId = "";
    private String liveShowName = "";
    private Show show = Show.empty();
    private volatile Collection<Endpoint> endpoints = List.of();
    private volatile long dropped;
    private final BatchTokens tokens = new BatchTokens();
    private long lastSave;
    private volatile long lastHandled;
    /** When the loop's thread looks again if nothing comes in. */
    private volatile long wakesAt;

    ShowLoop(Keeper keeper, ValueSaver saver, StartLog startLog) {
        this.saver = saver;
        this.startLog = startLog;
        keeper.listen(this);
        thread.start();
    }

    // ---- inputs, from any thread

    /** This show owns the sockets from now on. */
    public void goLive(String showId, String name, Show shown, Remembered remembered) {
        put(new Input.GoLive(showId, name, shown, remembered));
    }

    /** The show that owns the sockets; empty before the first. */
    public String liveShowId() {
        return liveShowId;
    }

    /** The browser is still there. */
    public void beat(String browser) {
        hand(new Input.Beat(browser));
    }

    /** What is dropped where there is no room will be said again. */
    private void hand(Input input) {
        if (inbox.putHand(input)) {
            inbox.wake();
        }
    }

    /**
     * Something that a browser wants done with the show it looks at: a copy has the same controls, and must not move the live ones. What cannot be done is told
     * to the browser.
     */
    public void command(Feed feed, String showId, Command command, Actor actor) {
        Input order = new Input.Order(showId, (running, now) -> running.carryOut(command, actor, now).map(Problem::message).ifPresent(feed::refuse),
                () -> feed.refuse("This show is not live: nothing is sent"));
        // a finger that leaves is never kept waiting
        if (!inbox.putHand(order)) {
            feed.refuse(TOO_MUCH);
        } else if (command instanceof Touch) {
            takeTurnOrWake();
        } else {
            inbox.wake();
        }
    }

    /** The same from elsewhere: why it cannot be done is the answer. Where another show runs, it fails with {@link NotLiveException}. */
    public CompletableFuture<Optional<Problem>> command(String showId, Command command, Actor actor) {
        return askLive(showId, (running, now) -> running.carryOut(command, actor, now));
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

    /** Does something with the proof that runs, or ran last, in a show; where another show runs, it fails with {@link NotLiveException}. */
    public <T> CompletableFuture<T> proof(String showId, Function<Optional<ProofRun>, T> doing) {
        return askLive(showId, (running, now) -> doing.apply(proving.run()));
    }

    /** Begins a proof, unless one runs; then it says why not. */
    public CompletableFuture<Optional<Problem>> prove(String showId, ProofRun run, ProofWatcher watcher) {
        return askLive(showId, (running, now) -> {
            if (proving.run().filter(other -> other.phase() != ProofRun.Phase.ENDED).isPresent()) {
                return Optional.of(Problem.of("A proof runs already. Wait for its end, or stop it"));
            } else if (trying.isRunning()) {
                return Optional.of(Problem.of("A trial of a cue list is running. Wait for its end, or stop it"));
            } else if (running.cueLists().stream().anyMatch(list -> !list.running().isEmpty())) {
                return Optional.of(Problem.of("A cue list is running. Wait until nothing of it runs, or stop it in Cues"));
            } else if (running.isAnyTrackFiring()) {
                return Optional.of(Problem.of("A track is armed and goes on. Pause it, or disarm it, in Cues"));
            }
            proving.start(run, watcher);
            return Optional.<Problem>empty();
        });
    }

    /** Begins a trial, unless something runs that it would disturb; then it says what. */
    public CompletableFuture<Optional<Problem>> tryOut(String showId, Trial trial) {
        return askLive(showId, (running, now) -> {
            if (trying.isRunning()) {
                return Optional.of(Problem.of("A trial of a cue list is running. Wait for its end, or stop it"));
            } else if (proving.run().filter(other -> other.phase() != ProofRun.Phase.ENDED).isPresent()) {
                return Optional.of(Problem.of("A proof is running. Wait for its end, or stop it"));
            } else if (trial.scope().lists().stream().flatMap(list -> running.cueList(list).stream()).anyMatch(view -> !view.running().isEmpty())) {
                return Optional.of(Problem.of("Something of this list is running. Wait for its end, or stop it"));
            }
            trying.start(trial);
            return Optional.<Problem>empty();
        });
    }

    /**
     * Begins to put back what an earlier proof left.
     *
     * @param ended is told on the loop's thread once all of it was sent; it must not wait for anything
     */
    public CompletableFuture<Void> putBack(String showId, PutBack back, Runnable ended) {
        return askLive(showId, (running, now) -> {
            proving.putBack(back, ended);
            return null;
        });
    }

    /** Whoever looks at a show hears that its findings are others now. */
    public void findings(String showId, long number) {
        put(new Input.Found(showId, number));
    }

    /** What somebody has selected while building. */
    public void selecting(Feed feed, Presence presence) {
        hand(new Input.Selecting(feed, presence));
    }

    /** The hosts on our wires that do not answer for their address. */
    void silentHosts(Set<String> hosts) {
        put(new Input.Silent(hosts));
    }

    /** A browser looks at a show, which is as given if it is not the live one. */
    public void join(Feed feed, String showId, String name, Show shown) {
        put(new Input.Join(feed, showId, name, shown));
    }

    /**
     * A browser looks at the live show. It gets it as it runs, whether or not the database answers.
     *
     * @param otherwise what happens where another show is live by then
     */
    public void joinLive(Feed feed, String showId, Runnable otherwise) {
        put(new Input.JoinLive(feed, showId, otherwise));
    }

    /** The system has dropped that many packets so far because we did not read them in time. */
    void droppedBySystem(long packets) {
        dropped = packets;
        inbox.wake();
    }

    /** The ports that answers arrive on. */
    Set<Integer> answerPorts() {
        return endpoints.stream().map(Endpoint::answerPort).collect(Collectors.toSet());
    }

    /** The packets of the live show as they are kept now; none of a show that does not run. */
    public CompletableFuture<WireNow> wire(String showId) {
        return ask(showId, (running, now) -> new WireNow(changes.wire().packets(), changes.wire().changes(), now), WireNow.NONE);
    }

    /** What went wrong in the live show since the watch began; where another show runs, it fails with {@link NotLiveException}. */
    public CompletableFuture<WatchNow> watch(String showId) {
        return askLive(showId, (running, now) -> new WatchNow(changes.watch().since(), changes.watch().incidents(), running.links().size(),
                (int) running.links().stream().filter(link -> link.state().isThere()).count()));
    }

    /** What happened before is forgotten. */
    public CompletableFuture<Void> beginWatch(String showId) {
        return askLive(showId, (running, now) -> {
            changes.watch().begin(now);
            return null;
        });
    }

    /**
     * What was said in the live show, by its address; what moved last comes first.
     *
     * @param since only what was said after it, in nanoseconds since 1970
     */
    public CompletableFuture<Addresses> addresses(String showId, WireFilter filter, long since, int most) {
        return ask(showId, (running, now) -> changes.addresses().rows(filter, since, most, now), Addresses.NONE);
    }

    /** Is told of each packet of the Wire, on the loop's thread: whoever listens must not wait there. */
    public void tapWire(Consumer<WireRecord> listener) {
        changes.tapWire(listener);
    }

    /** The show that is live has another name. */
    public void renamed(String showId, String name) {
        put(new Input.Renamed(showId, name));
    }

    /** How many browsers follow any show. */
    public int browsers() {
        return audience.size();
    }

    /** @param browser whose feed it is, where it has said so */
    public void leave(Feed feed, Optional<String> browser) {
        put(new Input.Leave(feed, browser));
    }

    /** What the clock on the wall says, in seconds since midnight. */
    void wall(double secondsOfDay) {
        put(new Input.Wall(secondsOfDay));
    }

    /** @param traces the controls whose path the browser shows */
    public void watch(Feed feed, List<PartId> traces) {
        hand(new Input.Watch(feed, List.copyOf(traces)));
    }

    /** Is told of each value as it is handed to the next batch, on the loop's thread. For measuring: it delays the show. */
    public void tap(Consumer<PartId> handed) {
        changes.tap(handed);
    }

    @Override
    public void committed(String showId, Edit edit, Show committed, long bytes) {
        put(new Input.Committed(showId, edit, committed, bytes));
    }

    @Override
    public void packet(Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes,
                       Decoded decoded) {
        String source = mouthOf.isEmpty() ? "ear " + ourPort : peerHost + ":" + peerPort + " " + ourPort;
        inbox.putPacket(source, new Input.Packet(ourPort, peerHost, peerPort, bytes, decoded), size(bytes, decoded));
        takeTurnOrWake();
    }

    @Override
    public void streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
        inbox.putPacket("stream " + target, new Input.Streamed(target, peerHost, peerPort, bytes, decoded), size(bytes, decoded));
        takeTurnOrWake();
    }

    private static int size(byte[] bytes, Decoded decoded) {
        return bytes.length + (decoded instanceof Decoded.Whole whole ? whole.packet().memory() : 0);
    }

    @Override
    public void notSent(PartId target, byte[] packet) {
        put(new Input.NotSent(target, packet));
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

    // ---- the loop

    private void run() {
        while (!Thread.currentThread().isInterrupted()) {
            try {
                inbox.await(wakesAt - ShowClock.now());
                turn.lock();
                try {
                    takeTurn();
                    guarded(() -> live.takeDue(ShowClock.now()));
                    guarded(this::actors);
                    guarded(this::tell);
                    guarded(this::saveInTime);
                    wakesAt = next();
                } finally {
                    turn.unlock();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Who plays by itself gets a turn. */
    private void actors() {
        proving.act(live, ShowClock.now());
        trying.act(live, ShowClock.now());
    }

    /** Handles one input, where there is one. */
    private void takeTurn() {
        guarded(() -> {
            long now = ShowClock.now();
            Optional<Input> input = inbox.poll();
            if (input.isPresent()) {
                handle(input.get(), now);
                lastHandled = now;
            }
        });
    }

    /** A fault in one thing must not silence the show, not even one of the machine such as a full stack or memory. */
    private void guarded(Runnable step) {
        try {
            step.run();
        } catch (Throwable e) {
            LOG.error("An input could not be handled", e);
            changes.notice("Something could not be handled and was left out (" + e.getClass().getSimpleName() + "); the server's log has it. The show goes on");
        }
    }

    /** On the thread that has just brought an input: takes the turn for it where the loop is calm, else wakes the loop. What is due is left to the loop. */
    private void takeTurnOrWake() {
        boolean done = false;
        if (ShowClock.now() - lastHandled > CALM_NANOS && turn.tryLock()) {
            try {
                takeTurn();
                guarded(this::actors);
                guarded(this::tell);
                done = next() >= wakesAt;
            } finally {
                turn.unlock();
            }
        }
        if (!done) {
            inbox.wake();
        }
    }

    /** When something is to be done if nothing comes in. */
    private long next() {
        long next = Math.min(Math.min(live.nextDue(), proving.nextDue()), trying.nextDue());
        if (changes.isUntold(missed())) {
            next = Math.min(next, tokens.nextAt());
        }
        // never negative: the time until then must not overflow
        return Math.max(0, changes.isUnsaved() ? Math.min(next, lastSave + SAVE_NANOS) : next);
    }

    /** What changed leaves for the browsers, as often as they want to hear of it. */
    private void tell() {
        if (changes.isUntold(missed()) && tokens.take(ShowClock.now())) {
            Batch batch = changes.take(live, audience.traces(), missed());
            audience.of(liveShowId).forEach(feed -> feed.offer(batch));
        }
    }

    private void saveInTime() {
        long now = ShowClock.now();
        savePlaces();
        if (changes.isUnsaved() && now - lastSave >= SAVE_NANOS) {
            lastSave = now;
            save();
        }
    }

    /** Packets that came faster than they could be handled, since the start. */
    public long missed() {
        return inbox.missed() + dropped;
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
            s.states().forEach((target, state) -> {
                live.socket(target, state, now);
                startLog.socket(show, target, state);
            });
        } else if (input instanceof Input.Join j) {
            if (audience.join(j.feed(), j.showId())) {
                j.feed().welcome(j.showId().equals(liveShowId) ? snapshot() : still(j.showId(), j.name(), j.show()));
            }
        } else if (input instanceof Input.JoinLive j) {
            if (!j.showId().equals(liveShowId)) {
                j.otherwise().run();
            } else if (audience.join(j.feed(), j.showId())) {
                j.feed().welcome(snapshot());
            }
        } else if (input instanceof Input.Renamed r) {
            liveShowName = r.showId().equals(liveShowId) ? r.name() : liveShowName;
        } else if (input instanceof Input.NotSent n) {
            live.notSent(n.target(), n.packet(), now);
        } else if (input instanceof Input.Leave l) {
            audience.leave(l.feed());
            l.browser().ifPresent(browser -> live.left(browser, now));
        } else if (input instanceof Input.Wall w) {
            live.wall(w.secondsOfDay(), now);
        } else if (input instanceof Input.Watch w) {
            watchNow(w);
        } else if (input instanceof Input.Selecting s) {
            audience.selecting(s.feed(), s.presence());
        } else if (input instanceof Input.Found f) {
            audience.of(f.showId()).forEach(feed -> feed.findings(f.number()));
        } else if (input instanceof Input.Silent s) {
            endpoints.forEach(e -> live.silentHost(e.target(), s.hosts().contains(e.host())));
        } else if (input instanceof Input.GoLive g) {
            goLiveNow(g, now);
        }
    }

    private void goLiveNow(Input.GoLive going, long now) {
        if (going.showId().equals(liveShowId)) {
            // it runs already: nothing may jump to what was saved of it
            return;
        }
        live.letGoOfAll(now);
        proving.abandon();
        trying.abandon();
        live.arrivalsTrigger(true);
        save();
        changes.another(now);
        audience.of(liveShowId).forEach(feed -> feed.welcome(still(liveShowId, liveShowName, show)));
        liveShowId = going.showId();
        liveShowName = going.name();
        live.load(going.show(), now);
        shows(going.show(), now);
        live.restore(going.remembered().values());
        live.restoreCues(going.remembered().places().lists());
        live.restorePlaying(going.remembered().places().tracks(), going.remembered().places().sets(), now);
        startLog.live(going.name());
        audience.of(liveShowId).forEach(feed -> feed.welcome(snapshot()));
    }

    /** A show that is looked at and does not run. */
    private static Snapshot still(String showId, String name, Show shown) {
        return new Snapshot(showId, name, false, shown, List.of(), List.of(), List.of(), List.of(), List.of(), Optional.empty(), Optional.empty(), 0);
    }

    private void committedNow(Input.Committed committed, long now) {
        if (committed.showId().equals(liveShowId)) {
            changes.edit(committed.edit(), committed.bytes());
            live.follow(committed.show(), committed.edit(), now);
            shows(committed.show(), now);
        } else {
            Batch batch = Batch.of(committed.edit(), committed.bytes());
            audience.of(committed.showId()).forEach(feed -> feed.offer(batch));
        }
    }

    /** The sockets follow the show that runs now. */
    private void shows(Show next, long now) {
        show = next;
        List<Endpoint> wanted = next.all(Target.class).stream().map(part -> endpoint(next, part)).toList();
        if (!wanted.equals(endpoints)) {
            wanted.stream().filter(e -> !endpoints.contains(e))
                    .forEach(e -> live.socket(e.target(), SocketState.opening(), now));
            endpoints = wanted;
            sockets.reconcile(wanted);
        }
    }

    private static Endpoint endpoint(Show show, Part part) {
        Target target = ((Target) part.body()).asReached();
        return new Endpoint(part.id(), target.host(), target.port(), target.answerPort(), target.transport(), Phrasebook.spokenWith(show, target),
                target.adapterAddress().orElse(""));
    }

    private void watchNow(Input.Watch watch) {
        if (audience.isOf(watch.feed(), liveShowId)) {
            audience.watch(watch.feed(), watch.traces());
            watch.traces().forEach(changes::lookedAt);
        }
    }

    private Snapshot snapshot() {
        return new Snapshot(liveShowId, liveShowName, true, show, changes.values(live), live.links(), live.cueLists(), live.tracks(), live.sets(), changes.lastOut(), changes.lastIn(), missed());
    }

    /** Where lists, tracks and set lists stand is kept at once: somebody may have to go on from there. */
    private void savePlaces() {
        if (!liveShowId.isEmpty() && changes.takePlacesMoved()) {
            saver.savePlaces(liveShowId, new Places(live.cuePlaces(), live.trackPlaces(ShowClock.now()), live.sets()));
        }
    }

    private void save() {
        if (!liveShowId.isEmpty()) {
            saver.save(liveShowId, live.savedValues(changes.takeUnsaved()));
            savePlaces();
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
