package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.show.PartId;
import imperan.trial.Trial;

import java.util.Optional;

/** The trial of a cue list that runs on the loop, if one does. It gets a turn after everything else, and is told of all that happens. */
final class Trying implements LiveSink {

    private final LiveSink next;
    private Optional<Trial> trial = Optional.empty();

    /** @param next where packets and events go from here */
    Trying(LiveSink next) {
        this.next = next;
    }

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        return next.datagram(target, packet);
    }

    @Override
    public void happened(LiveEvent event) {
        next.happened(event);
        trial.ifPresent(running -> running.happened(event));
    }

    boolean isRunning() {
        return trial.filter(running -> !running.isEnded()).isPresent();
    }

    void start(Trial begun) {
        trial = Optional.of(begun);
    }

    /** Another show gets the sockets. */
    void abandon() {
        trial.ifPresent(Trial::abandon);
        trial = Optional.empty();
    }

    void act(LiveShow live, long now) {
        trial.ifPresent(running -> running.act(live, now));
    }

    long nextDue() {
        return trial.map(Trial::nextDue).orElse(Long.MAX_VALUE);
    }
}
