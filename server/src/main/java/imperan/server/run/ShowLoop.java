package imperan.server.run;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LiveShow;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.live.WallTime;
import imperan.osc.Decoded;
import imperan.server.net.TargetListener;
import imperan.server.store.Keeper;
import imperan.server.store.Remembered;
import imperan.server.store.ValueSaver;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;

/**
 * The one loop on which the live show runs. Touches, packets, committed edits and time come to it in a queue and are handled in order, one turn at a time
 * ({@link Turns}, {@link Running}); it computes and hands packets and batches out, and never waits for a database, a socket or a browser.
 */
@Component
public class ShowLoop implements Keeper.Listener, TargetListener, AutoCloseable {

    private static final String TOO_MUCH = "Too much is asked for at once: this was not done";

    private final Inbox inbox = new Inbox();
    private final Running running;
    private final Turns turns;
    private volatile long dropped;

    ShowLoop(Keeper keeper, ValueSaver saver, StartLog startLog) {
        running = new Running(saver, startLog, this, this::missed);
        turns = new Turns(inbox, running);
        keeper.listen(this);
        turns.start();
    }

    // ---- inputs, from any thread

    /** This show owns the sockets from now on. */
    public void goLive(String showId, String name, Show shown, Remembered remembered) {
        put(new Input.GoLive(showId, name, shown, remembered));
    }

    /** The show that owns the sockets; empty before the first. */
    public String liveShowId() {
        return running.showId();
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
        Input order = new Input.Order(
                showId,
                (live, now) ->
                        live.carryOut(command, actor, now).map(Problem::message).ifPresent(feed::refuse),
                () -> feed.refuse("This show is not live: nothing is sent"));
        // a finger that leaves is never kept waiting
        if (!inbox.putHand(order)) {
            feed.refuse(TOO_MUCH);
        } else if (command instanceof Touch) {
            turns.takeOrWake();
        } else {
            inbox.wake();
        }
    }

    /** The same from elsewhere: why it cannot be done is the answer. Where another show runs, it fails with {@link NotLiveException}. */
    public CompletableFuture<Optional<Problem>> command(String showId, Command command, Actor actor) {
        return askLive(showId, (live, now) -> live.carryOut(command, actor, now));
    }

    /** Reads something off the running show; where another show runs, that is the answer. */
    public <T> CompletableFuture<T> ask(String showId, BiFunction<LiveShow, Long, T> reading, T otherwise) {
        return asked(showId, reading, answer -> answer.complete(otherwise));
    }

    /** Reads something off the running show, or does something with it; where another show runs, it fails with {@link NotLiveException}. */
    public <T> CompletableFuture<T> askLive(String showId, BiFunction<LiveShow, Long, T> reading) {
        return asked(showId, reading, answer -> answer.completeExceptionally(new NotLiveException()));
    }

    private <T> CompletableFuture<T> asked(
            String showId, BiFunction<LiveShow, Long, T> reading, Consumer<CompletableFuture<T>> otherwise) {
        CompletableFuture<T> answer = new CompletableFuture<>();
        put(new Input.Order(
                showId,
                (live, now) -> {
                    try {
                        answer.complete(reading.apply(live, now));
                    } catch (RuntimeException e) {
                        // who asked hears it; the loop goes on
                        answer.completeExceptionally(e);
                    }
                },
                () -> otherwise.accept(answer)));
        return answer;
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
        return running.answerPorts();
    }

    /** Packets that came faster than they could be handled, since the start. */
    public long missed() {
        return inbox.missed() + dropped;
    }

    /** From now on this plays by itself, too. */
    void plays(LoopActor actor) {
        running.actors().join(actor);
    }

    /** What was gathered from what happened; to be read on the loop only. */
    Changes changes() {
        return running.changes();
    }

    /** The show that is live has another name. */
    public void renamed(String showId, String name) {
        put(new Input.Renamed(showId, name));
    }

    /** How many browsers follow any show. */
    public int browsers() {
        return running.browsers();
    }

    /** @param browser whose feed it is, where it has said so */
    public void leave(Feed feed, Optional<String> browser) {
        put(new Input.Leave(feed, browser));
    }

    /** What the clock on the wall says. */
    void wall(WallTime wall) {
        put(new Input.Wall(wall));
    }

    /** @param traces the controls whose path the browser shows */
    public void watch(Feed feed, List<PartId> traces) {
        hand(new Input.Watch(feed, List.copyOf(traces)));
    }

    /** Is told of each value as it is handed to the next batch, on the loop's thread. For measuring: it delays the show. */
    public void tap(Consumer<PartId> handed) {
        running.changes().tap(handed);
    }

    @Override
    public void committed(String showId, Edit edit, Show committed, long bytes) {
        put(new Input.Committed(showId, edit, committed, bytes));
    }

    @Override
    public void packet(
            Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
        String source = mouthOf.isEmpty() ? "ear " + ourPort : peerHost + ":" + peerPort + " " + ourPort;
        inbox.putPacket(source, new Input.Packet(ourPort, peerHost, peerPort, bytes, decoded), size(bytes, decoded));
        turns.takeOrWake();
    }

    @Override
    public void streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
        inbox.putPacket(
                "stream " + target,
                new Input.Streamed(target, peerHost, peerPort, bytes, decoded),
                size(bytes, decoded));
        turns.takeOrWake();
    }

    private static int size(byte[] bytes, Decoded decoded) {
        return bytes.length
                + (decoded instanceof Decoded.Whole whole ? whole.packet().memory() : 0);
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

    @Override
    public void close() {
        turns.close();
        turns.within(running::save);
        running.close();
    }
}
