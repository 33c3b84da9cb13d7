package imperan.proof.run;

import imperan.live.Expectation;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.MessageResult;
import imperan.phrasebook.Vocabulary;
import imperan.proof.run.Flight.For;
import imperan.proof.run.ProofRun.Old;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Puts back what an earlier proof left: at each target one after the other, no faster than it takes them, each until it is confirmed or was sent three times. It belongs
 * to the loop of the show; time is an argument.
 */
public final class PutBack {

    private static final int MOST_TRIES = 3;

    private final Show show;
    private final Flights flights;
    private final Map<PartId, Lane> lanes = new LinkedHashMap<>();
    private final List<Old> open = new ArrayList<>();
    private final int of;

    /** What is sent to one target. */
    private static final class Lane {
        private final Deque<Old> waiting = new ArrayDeque<>();
        private Optional<Flight> flight = Optional.empty();
        private int tries;
        private long nextAt = Long.MIN_VALUE;
    }

    /**
     * @param left whose targets are in the show
     * @param by   who wants it
     */
    public PutBack(Show show, List<Old> left, String by) {
        this.show = show;
        this.flights = new Flights(by, (flight, now) -> {});
        this.of = left.size();
        open.addAll(left);
        left.forEach(old -> lanes.computeIfAbsent(old.target(), target -> new Lane())
                .waiting
                .add(old));
    }

    /** How many there were. */
    public int of() {
        return of;
    }

    /** Those that are not back yet; in the end, those that were not confirmed. */
    public List<Old> open() {
        return List.copyOf(open);
    }

    public boolean isDone() {
        return lanes.values().stream().allMatch(lane -> lane.waiting.isEmpty());
    }

    /** When it wants a turn though nothing happens; {@code Long.MAX_VALUE} where it waits for answers only. */
    public long nextDue() {
        return lanes.values().stream()
                .filter(lane -> lane.flight.isEmpty() && !lane.waiting.isEmpty())
                .mapToLong(lane -> lane.nextAt)
                .min()
                .orElse(Long.MAX_VALUE);
    }

    /**
     * Does what is to be done now.
     *
     * @param missed packets that this machine did not handle in time, so far
     */
    public void act(LiveShow live, long missed, long now) {
        lanes.forEach((target, lane) -> {
            lane.flight.flatMap(Flight::result).ifPresent(result -> landed(lane, result));
            // hands come first
            lane.nextAt = live.roomAt(target, now);
            if (lane.flight.isEmpty() && !lane.waiting.isEmpty() && now >= lane.nextAt) {
                Old old = lane.waiting.peekFirst();
                lane.flight = Optional.of(
                        flights.say(Saying.of(old.back()), For.PUTTING_BACK, limit(old), live, missed, now));
            }
        });
    }

    private long limit(Old old) {
        return Expectation.of(old.back().address(), Vocabulary.of(show, old.target()))
                .limitNanos();
    }

    private void landed(Lane lane, MessageResult result) {
        lane.flight = Optional.empty();
        lane.tries++;
        if (Flight.obstacle(result).isPresent()) {
            // the target is held, or out of reach: the rest stays offered
            lane.waiting.clear();
        } else if (Flight.isBack(result) || lane.tries >= MOST_TRIES) {
            Old old = lane.waiting.pollFirst();
            lane.tries = 0;
            if (Flight.isBack(result)) {
                open.remove(old);
            }
        }
    }

    /** Something happened in the running show. */
    public void happened(LiveEvent event, long missed) {
        flights.happened(event, missed);
    }
}
