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
    private final Standstills standstills = new Standstills();
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

    void start(ProofRun begun, ProofWatcher whom, long now) {
        standstills.begin(now);
        run = Optional.of(begun);
        watcher = Optional.of(whom);
        told = Phase.READING;
        done = 0;
    }

    @Override
    public void happened(LiveEvent event) {
        if (isRunning()) {
            standstills.looks(event.at());
        }
        run.ifPresent(running -> running.happened(event, lostHere()));
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
            standstills.looks(now);
            run.orElseThrow().act(live, lostHere(), now);
            tell(now);
        }
    }

    /** Whatever makes that what was not heard in time was perhaps not late, but not heard by us. */
    private long lostHere() {
        return missed.getAsLong() + standstills.count();
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
        return isRunning() ? Math.min(standstills.nextDue(), run.orElseThrow().nextDue()) : Long.MAX_VALUE;
    }
}
