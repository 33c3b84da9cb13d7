package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.trial.Trial;
import java.util.Optional;

/** The trial of a cue list that runs on the loop, or that ran last in this show. */
final class Trying implements LoopActor {

    private Optional<Trial> trial = Optional.empty();
    private TrialWatcher watcher = TrialWatcher.NOBODY;
    private Optional<String> toldAt = Optional.empty();

    boolean isRunning() {
        return trial.filter(running -> !running.isEnded()).isPresent();
    }

    void start(Trial begun, TrialWatcher told) {
        trial = Optional.of(begun);
        watcher = told;
        toldAt = Optional.empty();
    }

    private void tellOfTheEnd() {
        if (!isRunning()) {
            watcher.ended();
            watcher = TrialWatcher.NOBODY;
        }
    }

    private void tellWhereItIs(LiveShow live) {
        Optional<String> at = trial.filter(running -> !running.isEnded()).flatMap(running -> running.at(live));
        if (at.isPresent() && !at.equals(toldAt)) {
            toldAt = at;
            watcher.at(at.get());
        }
    }

    @Override
    public void happened(LiveEvent event) {
        trial.ifPresent(running -> running.happened(event));
    }

    @Override
    public void act(LiveShow live, long now) {
        trial.ifPresent(running -> running.act(live, now));
        tellWhereItIs(live);
        tellOfTheEnd();
    }

    @Override
    public void abandon() {
        trial.ifPresent(Trial::abandon);
        trial = Optional.empty();
        tellOfTheEnd();
    }

    @Override
    public long nextDue() {
        return trial.map(Trial::nextDue).orElse(Long.MAX_VALUE);
    }
}
