package imperan.server.run;

import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.proof.run.PutBack;
import java.util.Optional;
import java.util.function.LongSupplier;

/** What an earlier proof left, while it is put back. */
final class PuttingBack implements LoopActor {

    private final LongSupplier missed;
    private Optional<PutBack> doing = Optional.empty();
    private Runnable ended = () -> {};

    /** @param missed packets that came too fast to be handled, since the start */
    PuttingBack(LongSupplier missed) {
        this.missed = missed;
    }

    /** @param whenEnded is told once all of it is sent; it must not wait for anything */
    void start(PutBack back, Runnable whenEnded) {
        doing = Optional.of(back);
        ended = whenEnded;
    }

    @Override
    public void happened(LiveEvent event) {
        doing.ifPresent(back -> back.happened(event, missed.getAsLong()));
    }

    @Override
    public void act(LiveShow live, long now) {
        if (doing.isPresent()) {
            doing.get().act(live, missed.getAsLong(), now);
            if (doing.get().isDone()) {
                abandon();
            }
        }
    }

    @Override
    public void abandon() {
        if (doing.isPresent()) {
            doing = Optional.empty();
            ended.run();
        }
    }

    @Override
    public long nextDue() {
        return doing.map(PutBack::nextDue).orElse(Long.MAX_VALUE);
    }
}
