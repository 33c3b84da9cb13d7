package imperan.server.capture;

import imperan.capture.Captured;
import imperan.capture.Playback;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.server.run.ShowLoop;
import imperan.server.store.CaptureStore.CaptureInfo;
import imperan.show.PartId;
import imperan.show.Problem;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;

/** Plays a capture to a target of the live show, by the same door as everything else. It ends at its end, when it is stopped, or when a packet is refused. */
public final class Player {

    /** Packets that the loop has not sent yet: a capture played a hundred times as fast is sent as fast as the loop can, and fills no memory. */
    private static final int MOST_WAITING = 500;

    private final ShowLoop loop;
    private final String showId;
    private final CaptureInfo capture;
    private final PartId target;
    private final String targetName;
    private final Actor actor;
    private final Playback playback;
    /** What is planned after it was stopped is not done. */
    private final ScheduledExecutorService clock = new ScheduledThreadPoolExecutor(
            1,
            work -> {
                Thread thread = new Thread(work, "playback");
                thread.setDaemon(true);
                return thread;
            },
            new ThreadPoolExecutor.DiscardPolicy());

    private final Semaphore room = new Semaphore(MOST_WAITING);
    private volatile String problem = "";
    private Future<?> planned = CompletableFuture.completedFuture(null);

    /** How far a playback is. */
    public record PlaybackState(
            String capture,
            String name,
            String target,
            boolean runs,
            boolean paused,
            int played,
            int packets,
            String problem) {}

    Player(
            ShowLoop loop,
            String showId,
            CaptureInfo capture,
            PartId target,
            String targetName,
            List<Captured> packets,
            double speed,
            boolean byStep,
            Actor actor) {
        this.loop = loop;
        this.showId = showId;
        this.capture = capture;
        this.target = target;
        this.targetName = targetName;
        this.actor = actor;
        this.playback = new Playback(packets, speed, byStep, System.nanoTime());
        clock.execute(this::playDue);
    }

    boolean isOf(String show) {
        return showId.equals(show);
    }

    boolean isRunning() {
        return !clock.isShutdown();
    }

    public PlaybackState state() {
        synchronized (playback) {
            return new PlaybackState(
                    capture.id(),
                    capture.name(),
                    targetName,
                    isRunning(),
                    playback.isPaused(),
                    playback.played(),
                    playback.size(),
                    problem);
        }
    }

    private void playDue() {
        synchronized (playback) {
            playback.take(System.nanoTime()).forEach(this::send);
            next();
        }
    }

    private void next() {
        if (playback.isOver()) {
            clock.shutdown();
        } else if (playback.nextDue() != Playback.NEVER && isRunning()) {
            planned.cancel(false);
            planned = clock.schedule(
                    this::playDue, Math.max(0, playback.nextDue() - System.nanoTime()), TimeUnit.NANOSECONDS);
        }
    }

    private void send(Captured packet) {
        try {
            room.acquire();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (!isRunning()) {
            return;
        }
        loop.command(showId, new Command.SayBytes(target, HexFormat.of().formatHex(packet.bytes())), actor)
                .whenComplete((refused, failure) -> {
                    room.release();
                    Optional<String> why =
                            failure != null ? Optional.of("Another show is live now") : refused.map(Problem::message);
                    why.ifPresent(words -> {
                        problem = words;
                        clock.shutdownNow();
                    });
                });
    }

    public void pause() {
        doing(Playback::pause);
    }

    public void resume() {
        doing(Playback::resume);
    }

    /** The next packet leaves now. */
    public void step() {
        doing((now, at) -> now.step(at).ifPresent(this::send));
    }

    public void stop() {
        clock.shutdownNow();
    }

    private interface Doing {
        void with(Playback playback, long now);
    }

    private void doing(Doing what) {
        synchronized (playback) {
            if (isRunning()) {
                what.with(playback, System.nanoTime());
                next();
            }
        }
    }
}
