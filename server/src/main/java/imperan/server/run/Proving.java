package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.proof.run.ProofRun;
import imperan.proof.run.ProofRun.Phase;
import imperan.proof.run.PutBack;
import imperan.show.PartId;

import java.util.Optional;
import java.util.function.LongSupplier;

/** The proof that runs on the loop, if one does, and what an earlier one left while it is put back. They get a turn after everything else, and are told of all that happens. */
final class Proving implements LiveSink {

    /** After a crash, what was put back within this time is offered once more. */
    private static final long ADVANCED_NANOS = 1_000_000_000L;

    private final LiveSink next;
    private final LongSupplier missed;
    private Optional<ProofRun> run = Optional.empty();
    private Optional<ProofWatcher> watcher = Optional.empty();
    private Phase told = Phase.ENDED;
    private int done;
    private long advancedAt;
    private Optional<PuttingBack> puttingBack = Optional.empty();

    private record PuttingBack(PutBack doing, Runnable ended) {
    }

    /** @param next where packets and events go from here */
    Proving(LiveSink next, LongSupplier missed) {
        this.next = next;
        this.missed = missed;
    }

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        return next.datagram(target, packet);
    }

    @Override
    public void happened(LiveEvent event) {
        next.happened(event);
        run.ifPresent(running -> running.happened(event, missed.getAsLong()));
        puttingBack.ifPresent(back -> back.doing().happened(event, missed.getAsLong()));
    }

    /** The one that runs, or that ran last in this show. */
    Optional<ProofRun> run() {
        return run;
    }

    void start(ProofRun begun, ProofWatcher whom) {
        run = Optional.of(begun);
        watcher = Optional.of(whom);
        told = Phase.READING;
        done = 0;
    }

    /** @param ended is told once all of it is sent; it must not wait for anything */
    void putBack(PutBack back, Runnable ended) {
        puttingBack = Optional.of(new PuttingBack(back, ended));
    }

    /** Another show gets the sockets: what was moved stays, and is offered to be put back. */
    void abandon() {
        run.filter(running -> running.phase() != Phase.ENDED).ifPresent(running -> watcher.ifPresent(whom -> whom.abandoned(running)));
        run = Optional.empty();
        watcher = Optional.empty();
        endPuttingBack();
    }

    private void endPuttingBack() {
        Optional<PuttingBack> back = puttingBack;
        puttingBack = Optional.empty();
        back.ifPresent(ended -> ended.ended().run());
    }

    void act(LiveShow live, long now) {
        if (run.isPresent() && run.get().phase() != Phase.ENDED) {
            run.get().act(live, missed.getAsLong(), now);
            tell(now);
        }
        if (puttingBack.isPresent()) {
            puttingBack.get().doing().act(live, missed.getAsLong(), now);
            if (puttingBack.get().doing().isDone()) {
                endPuttingBack();
            }
        }
    }

    private void tell(long now) {
        Phase phase = run.orElseThrow().phase();
        if (phase != told) {
            told = phase;
            watcher.ifPresent(whom -> {
                if (phase == Phase.READ) {
                    whom.read(run.get());
                } else if (phase == Phase.ENDED) {
                    whom.ended(run.get());
                }
            });
        }
        if (phase == Phase.RUNNING && now - advancedAt >= ADVANCED_NANOS && run.get().done() > done) {
            done = run.get().done();
            advancedAt = now;
            watcher.ifPresent(whom -> whom.advanced(run.get()));
        }
    }

    long nextDue() {
        return Math.min(run.map(ProofRun::nextDue).orElse(Long.MAX_VALUE), puttingBack.map(back -> back.doing().nextDue()).orElse(Long.MAX_VALUE));
    }
}
