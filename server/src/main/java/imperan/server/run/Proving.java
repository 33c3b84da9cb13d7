package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.proof.run.ProofRun;
import imperan.proof.run.ProofRun.Phase;
import java.util.Optional;
import java.util.function.LongSupplier;

/** The proof that runs on the loop, or that ran last in this show. */
final class Proving implements LoopActor {

    /** After a crash, what was put back within this time is offered once more. */
    private static final long ADVANCED_NANOS = 1_000_000_000L;

    private final LongSupplier missed;
    private Optional<ProofRun> run = Optional.empty();
    private Optional<ProofWatcher> watcher = Optional.empty();
    private Phase told = Phase.ENDED;
    private int done;
    private long advancedAt;

    /** @param missed packets that came too fast to be handled, since the start */
    Proving(LongSupplier missed) {
        this.missed = missed;
    }

    /** The one that runs, or that ran last in this show. */
    Optional<ProofRun> run() {
        return run;
    }

    boolean isRunning() {
        return run.filter(found -> found.phase() != Phase.ENDED).isPresent();
    }

    void start(ProofRun begun, ProofWatcher whom) {
        run = Optional.of(begun);
        watcher = Optional.of(whom);
        told = Phase.READING;
        done = 0;
    }

    @Override
    public void happened(LiveEvent event) {
        run.ifPresent(running -> running.happened(event, missed.getAsLong()));
    }

    /** What was moved stays, and is offered to be put back. */
    @Override
    public void abandon() {
        if (isRunning()) {
            watcher.ifPresent(whom -> whom.abandoned(run.orElseThrow()));
        }
        run = Optional.empty();
        watcher = Optional.empty();
    }

    @Override
    public void act(LiveShow live, long now) {
        if (isRunning()) {
            run.orElseThrow().act(live, missed.getAsLong(), now);
            tell(now);
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
        if (phase == Phase.RUNNING
                && now - advancedAt >= ADVANCED_NANOS
                && run.get().done() > done) {
            done = run.get().done();
            advancedAt = now;
            watcher.ifPresent(whom -> whom.advanced(run.get()));
        }
    }

    @Override
    public long nextDue() {
        return run.map(ProofRun::nextDue).orElse(Long.MAX_VALUE);
    }
}
