package imperan.server.run;

import imperan.live.LiveShow;
import imperan.proof.run.ProofRun;
import imperan.proof.run.PutBack;
import imperan.show.Problem;
import imperan.trial.Trial;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/**
 * Begins what plays by itself on the loop: a proof, what an earlier one left, the trial of a cue list. One that would disturb another does not begin, and says
 * why. Where another show runs, all of it fails with {@link NotLiveException}.
 */
@Component
public final class LoopRuns {

    private final ShowLoop loop;
    private final Proving proving;
    private final PuttingBack puttingBack;
    private final Trying trying = new Trying();

    LoopRuns(ShowLoop loop) {
        this.loop = loop;
        proving = new Proving(loop::missed);
        puttingBack = new PuttingBack(loop::missed);
        loop.plays(proving);
        loop.plays(puttingBack);
        loop.plays(trying);
    }

    /** Does something with the proof that runs, or ran last, in a show. */
    public <T> CompletableFuture<T> proof(String showId, Function<Optional<ProofRun>, T> doing) {
        return loop.askLive(showId, (running, now) -> doing.apply(proving.run()));
    }

    /** Begins a proof, or says why not. */
    public CompletableFuture<Optional<Problem>> prove(String showId, ProofRun run, ProofWatcher watcher) {
        return loop.askLive(showId, (running, now) -> {
            Optional<Problem> disturbs = disturbsAProof(running);
            if (disturbs.isEmpty()) {
                proving.start(run, watcher, now);
            }
            return disturbs;
        });
    }

    /** Why no proof can begin in a show now; empty where one can. */
    public CompletableFuture<Optional<Problem>> disturbing(String showId) {
        return loop.askLive(showId, (running, now) -> disturbsAProof(running));
    }

    private Optional<Problem> disturbsAProof(LiveShow running) {
        if (proving.isRunning()) {
            return Optional.of(Problem.of("A proof runs already. Wait for its end, or stop it"));
        } else if (trying.isRunning()) {
            return Optional.of(Problem.of("A trial of a cue list is running. Wait for its end, or stop it"));
        } else if (running.cueLists().stream().anyMatch(list -> !list.running().isEmpty())) {
            return Optional.of(Problem.of("A cue list is running. Wait until nothing of it runs, or stop it in Cues"));
        } else if (running.isAnyTrackFiring()) {
            return Optional.of(Problem.of("A track is armed and goes on. Pause it, or disarm it, in Cues"));
        }
        return Optional.empty();
    }

    /**
     * Begins a trial, or says why not.
     *
     * @param watcher is told how it goes on
     */
    public CompletableFuture<Optional<Problem>> tryOut(String showId, Trial trial, TrialWatcher watcher) {
        return loop.askLive(showId, (running, now) -> {
            Optional<Problem> disturbs = disturbsATrial(running, trial);
            if (disturbs.isEmpty()) {
                trying.start(trial, watcher);
            }
            return disturbs;
        });
    }

    private Optional<Problem> disturbsATrial(LiveShow running, Trial trial) {
        if (trying.isRunning()) {
            return Optional.of(Problem.of("A trial of a cue list is running. Wait for its end, or stop it"));
        } else if (proving.isRunning()) {
            return Optional.of(Problem.of("A proof is running. Wait for its end, or stop it"));
        } else if (trial.scope().lists().stream()
                .flatMap(list -> running.cueList(list).stream())
                .anyMatch(view -> !view.running().isEmpty())) {
            return Optional.of(Problem.of("Something of this list is running. Wait for its end, or stop it"));
        }
        return Optional.empty();
    }

    /**
     * Begins to put back what an earlier proof left.
     *
     * @param ended is told on the loop's thread once all of it was sent; it must not wait for anything
     */
    public CompletableFuture<Void> putBack(String showId, PutBack back, Runnable ended) {
        return loop.askLive(showId, (running, now) -> {
            puttingBack.start(back, ended);
            return null;
        });
    }
}
