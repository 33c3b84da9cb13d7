package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.trial.Trial;
import java.util.Optional;

/** The trial of a cue list that runs on the loop, or that ran last in this show. */
final class Trying implements LoopActor {

    private Optional<Trial> trial = Optional.empty();

    boolean isRunning() {
        return trial.filter(running -> !running.isEnded()).isPresent();
    }

    void start(Trial begun) {
        trial = Optional.of(begun);
    }

    @Override
    public void happened(LiveEvent event) {
        trial.ifPresent(running -> running.happened(event));
    }

    @Override
    public void act(LiveShow live, long now) {
        trial.ifPresent(running -> running.act(live, now));
    }

    @Override
    public void abandon() {
        trial.ifPresent(Trial::abandon);
        trial = Optional.empty();
    }

    @Override
    public long nextDue() {
        return trial.map(Trial::nextDue).orElse(Long.MAX_VALUE);
    }
}
