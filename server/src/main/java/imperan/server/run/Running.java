package imperan.server.run;

import imperan.live.LiveShow;
import imperan.live.Places;
import imperan.live.SocketState;
import imperan.server.net.Endpoint;
import imperan.server.net.TargetListener;
import imperan.server.net.TargetSockets;
import imperan.server.store.ValueSaver;
import imperan.show.Part;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;

/**
 * The show that runs, with its sockets and those who look at it, and what each input does to it. Belongs to the loop's turn; what any thread may ask is said.
 */
final class Running implements Turns.Work, AutoCloseable {

    private static final long SAVE_NANOS = 1_000_000_000L;

    private final ValueSaver saver;
    private final StartLog startLog;
    private final LongSupplier missed;
    private final TargetSockets sockets;
    private final Audience audience = new Audience();
    private final Changes changes;
    private final LoopActors actors;
    private final LiveShow live;
    private final BatchTokens tokens = new BatchTokens();

    private volatile String showId = "";
    private String name = "";
    private Show show = Show.empty();
    private volatile Collection<Endpoint> endpoints = List.of();
    private long lastSave;

    /**
     * @param listener hears what the sockets bring, on their threads
     * @param missed   packets that came too fast to be handled, since the start
     */
    Running(ValueSaver saver, StartLog startLog, TargetListener listener, LongSupplier missed) {
        this.saver = saver;
        this.startLog = startLog;
        this.missed = missed;
        sockets = new TargetSockets(listener);
        changes = new Changes(sockets::send);
        actors = new LoopActors(changes);
        live = new LiveShow(actors);
    }

    // ---- from any thread

    /** The show that owns the sockets; empty before the first. */
    String showId() {
        return showId;
    }

    /** The ports that answers arrive on. */
    Set<Integer> answerPorts() {
        return endpoints.stream().map(Endpoint::answerPort).collect(Collectors.toSet());
    }

    /** How many browsers follow any show. */
    int browsers() {
        return audience.size();
    }

    LoopActors actors() {
        return actors;
    }

    Changes changes() {
        return changes;
    }

    // ---- in a turn

    @Override
    public void handle(Input input, long now) {
        if (input instanceof Input.Packet p) {
            live.received(p.ourPort(), p.peerHost(), p.peerPort(), p.bytes(), p.decoded(), now);
        } else if (input instanceof Input.Streamed s) {
            live.received(s.target(), s.peerHost(), s.peerPort(), s.bytes(), s.decoded(), now);
        } else if (input instanceof Input.Order o) {
            if (o.showId().equals(showId)) {
                o.doing().with(live, now);
            } else {
                o.otherwise().run();
            }
        } else if (input instanceof Input.Beat b) {
            live.heartbeat(b.browser(), now);
        } else if (input instanceof Input.Committed c) {
            committed(c, now);
        } else if (input instanceof Input.PortClosed p) {
            p.targets().forEach(target -> live.portClosed(target, now));
        } else if (input instanceof Input.Sockets s) {
            s.states().forEach((target, state) -> {
                live.socket(target, state, now);
                startLog.socket(show, target, state);
            });
        } else if (input instanceof Input.Join j) {
            if (audience.join(j.feed(), j.showId())) {
                j.feed().welcome(j.showId().equals(showId) ? snapshot() : still(j.showId(), j.name(), j.show()));
            }
        } else if (input instanceof Input.JoinLive j) {
            if (!j.showId().equals(showId)) {
                j.otherwise().run();
            } else if (audience.join(j.feed(), j.showId())) {
                j.feed().welcome(snapshot());
            }
        } else if (input instanceof Input.Renamed r) {
            name = r.showId().equals(showId) ? r.name() : name;
        } else if (input instanceof Input.NotSent n) {
            live.notSent(n.target(), n.packet(), now);
        } else if (input instanceof Input.Leave l) {
            audience.leave(l.feed());
            l.browser().ifPresent(browser -> live.left(browser, now));
        } else if (input instanceof Input.Wall w) {
            live.wall(w.wall(), now);
        } else if (input instanceof Input.Watch w) {
            watch(w);
        } else if (input instanceof Input.Selecting s) {
            audience.selecting(s.feed(), s.presence());
        } else if (input instanceof Input.Found f) {
            audience.of(f.showId()).forEach(feed -> feed.findings(f.number()));
        } else if (input instanceof Input.Silent s) {
            endpoints.forEach(e -> live.silentHost(e.target(), s.hosts().contains(e.host())));
        } else if (input instanceof Input.GoLive g) {
            goLive(g, now);
        }
    }

    private void goLive(Input.GoLive going, long now) {
        if (going.showId().equals(showId)) {
            // it runs already: nothing may jump to what was saved of it
            return;
        }
        live.letGoOfAll(now);
        actors.abandon();
        live.provesNothing();
        save();
        changes.another(now);
        audience.of(showId).forEach(feed -> feed.welcome(still(showId, name, show)));
        showId = going.showId();
        name = going.name();
        live.load(going.show(), now);
        follow(going.show(), now);
        live.restore(going.remembered().values());
        live.restoreAway(going.remembered().places().away());
        live.restoreCues(going.remembered().places().lists());
        live.restorePlaying(
                going.remembered().places().tracks(),
                going.remembered().places().sets(),
                now);
        startLog.live(going.name());
        audience.of(showId).forEach(feed -> feed.welcome(snapshot()));
    }

    /** A show that is looked at and does not run. */
    private static Snapshot still(String showId, String name, Show shown) {
        return new Snapshot(
                showId,
                name,
                false,
                shown,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                0);
    }

    private Snapshot snapshot() {
        return new Snapshot(
                showId,
                name,
                true,
                show,
                changes.values(live),
                live.links(),
                live.cueLists(),
                live.tracks(),
                live.sets(),
                changes.lastOut(),
                changes.lastIn(),
                missed.getAsLong());
    }

    private void committed(Input.Committed committed, long now) {
        if (committed.showId().equals(showId)) {
            changes.edit(committed.edit(), committed.bytes());
            live.follow(committed.show(), committed.edit(), now);
            follow(committed.show(), now);
        } else {
            Batch batch = Batch.of(committed.edit(), committed.bytes());
            audience.of(committed.showId()).forEach(feed -> feed.offer(batch));
        }
    }

    /** The sockets follow the show as it is now. */
    private void follow(Show next, long now) {
        show = next;
        List<Endpoint> wanted = next.all(Target.class).stream()
                .map(part -> endpoint(next, part))
                .toList();
        if (!wanted.equals(endpoints)) {
            wanted.stream()
                    .filter(e -> !endpoints.contains(e))
                    .forEach(e -> live.socket(e.target(), SocketState.opening(), now));
            endpoints = wanted;
            sockets.reconcile(wanted);
        }
    }

    private static Endpoint endpoint(Show show, Part part) {
        Target target = ((Target) part.body()).asReached();
        return new Endpoint(
                part.id(),
                target.host(),
                target.port(),
                target.answerPort(),
                target.transport(),
                Phrasebook.spokenWith(show, target),
                target.adapterAddress().orElse(""));
    }

    private void watch(Input.Watch watch) {
        if (audience.isOf(watch.feed(), showId)) {
            audience.watch(watch.feed(), watch.traces());
            watch.traces().forEach(changes::lookedAt);
        }
    }

    @Override
    public boolean due(long now) {
        return live.takeOneDue(now);
    }

    @Override
    public void dueDone() {
        live.flush();
    }

    @Override
    public void act(long now) {
        actors.act(live, now);
    }

    @Override
    public void tell(long now) {
        if (changes.isUntold(missed.getAsLong()) && tokens.take(now)) {
            Batch batch = changes.take(live, audience.traces(), missed.getAsLong());
            audience.of(showId).forEach(feed -> feed.offer(batch));
        }
    }

    @Override
    public void save(long now) {
        savePlaces();
        if (changes.isUnsaved() && now - lastSave >= SAVE_NANOS) {
            lastSave = now;
            save();
        }
    }

    /** Where lists, tracks and set lists stand is kept at once: somebody may have to go on from there. */
    private void savePlaces() {
        if (!showId.isEmpty() && changes.takePlacesMoved()) {
            saver.savePlaces(
                    showId, new Places(live.cuePlaces(), live.trackPlaces(ShowClock.now()), live.sets(), live.away()));
        }
    }

    /** All that changed since the last time, at once. */
    void save() {
        if (!showId.isEmpty()) {
            saver.save(showId, live.savedValues(changes.takeUnsaved()));
            savePlaces();
        }
    }

    @Override
    public long next() {
        long next = Math.min(live.nextDue(), actors.nextDue());
        if (changes.isUntold(missed.getAsLong())) {
            next = Math.min(next, tokens.nextAt());
        }
        // never negative: the time until then must not overflow
        return Math.max(0, changes.isUnsaved() ? Math.min(next, lastSave + SAVE_NANOS) : next);
    }

    @Override
    public void failed(Throwable why) {
        changes.notice("Something could not be handled and was left out ("
                + why.getClass().getSimpleName() + "); the server's log has it. The show goes on");
    }

    @Override
    public void close() {
        sockets.close();
    }
}
