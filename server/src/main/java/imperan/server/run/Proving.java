package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.proof.run.ProofRun;
import imperan.proof.run.ProofRun.Phase;
import imperan.show.PartId;

import java.util.Optional;
import java.util.function.LongSupplier;

/** The proof that runs on the loop, if one does. It gets a turn after everything else, and is told of all that happens. */
final class Proving implements LiveSink {

    private final LiveSink next;
    private final LongSupplier missed;
    private Optional<ProofRun> run = Optional.empty();
    private Optional<ProofWatcher> watcher = Optional.empty();
    private Phase told = Phase.ENDED;

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
    }

    /** The one that runs, or that ran last in this show. */
    Optional<ProofRun> run() {
        return run;
    }

    void start(ProofRun begun, ProofWatcher whom) {
        run = Optional.of(begun);
        watcher = Optional.of(whom);
        told = Phase.READING;
    }

    /** Another show gets the sockets: what was moved stays, and is offered to be put back. */
    void abandon() {
        run.filter(running -> running.phase() != Phase.ENDED).ifPresent(running -> watcher.ifPresent(whom -> whom.abandoned(running)));
        run = Optional.empty();
        watcher = Optional.empty();
    }

    void act(LiveShow live, long now) {
        if (run.isPresent() && run.get().phase() != Phase.ENDED) {
            run.get().act(live, missed.getAsLong(), now);
            tell();
        }
    }

    private void tell() {
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
    }

    long nextDue() {
        return run.map(ProofRun::nextDue).orElse(Long.MAX_VALUE);
    }
}
