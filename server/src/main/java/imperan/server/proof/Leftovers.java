package imperan.server.proof;

import imperan.live.Actor;
import imperan.live.Gate;
import imperan.proof.run.PutBack;
import imperan.server.run.LoopRuns;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.ProofStore;
import imperan.server.store.ProofStore.Leftover;
import imperan.server.store.ProofStore.Old;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/** What proofs moved and did not put back: offered, and sent only when somebody wants it. */
@Component
public class Leftovers implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Leftovers.class);

    /**
     * @param messages what would be sent, for people; of what cannot be read, what is known of it
     * @param done     how many are back already, while they are sent; empty while nobody does
     */
    public record Left(Leftover leftover, List<String> messages, Optional<Integer> done) {}

    /** @param unreadable what cannot be sent, and stays */
    private record Sending(String showId, PutBack putBack, List<Old> unreadable) {}

    private final Proofs proofs;
    private final Keeper keeper;
    private final ShowLoop loop;
    private final LoopRuns runs;
    private final ProofStore store;
    private final ExecutorService writing = Executors.newSingleThreadExecutor(r -> new Thread(r, "leftovers"));
    private volatile Optional<Sending> sending = Optional.empty();

    Leftovers(Proofs proofs, Keeper keeper, ShowLoop loop, LoopRuns runs, ProofStore store) {
        this.proofs = proofs;
        this.keeper = keeper;
        this.loop = loop;
        this.runs = runs;
        this.store = store;
    }

    /** Empty where nothing is left, and while a proof runs. */
    public Optional<Left> left(String showId) {
        return proofs.isUnderWay(showId)
                ? Optional.empty()
                : store.leftover(showId)
                        .map(left -> new Left(
                                left, left.old().stream().map(LeftMessage::told).toList(), done(showId)));
    }

    private Optional<Integer> done(String showId) {
        return sending.filter(
                        now -> now.showId().equals(showId) && loop.liveShowId().equals(showId))
                .map(now -> loop.askLive(
                                showId,
                                (running, at) -> now.putBack().of()
                                        - now.putBack().open().size())
                        .join());
    }

    /** Begins to send what was left back, or says why not: then all of it stays offered. */
    public synchronized Optional<Problem> putBack(String showId, Actor by) {
        List<Old> left = left(showId)
                .filter(found -> found.done().isEmpty())
                .map(found -> found.leftover().old())
                .orElse(List.of());
        if (left.isEmpty()) {
            // nothing is left, or somebody else was quicker
            return Optional.empty();
        }
        Show show = keeper.show(showId).join();
        Optional<String> gone = left.stream()
                .filter(old -> show.part(new PartId(old.target())).isEmpty())
                .map(Old::name)
                .findFirst();
        Optional<String> closed = loop.askLive(showId, (running, now) -> left.stream()
                        .filter(old -> running.link(new PartId(old.target()))
                                .filter(link -> link.gate() == Gate.OPEN
                                        && link.socket().works())
                                .isEmpty())
                        .map(Old::name)
                        .findFirst())
                .join();
        if (gone.isPresent()) {
            return Optional.of(
                    Problem.of(gone.get() + " is no longer in the rig. Bring it back by undo, or leave all as it is"));
        } else if (closed.isPresent()) {
            return Optional.of(Problem.of(
                    closed.get() + " is held, in rehearsal or cannot be reached now. Release it, then put it back"));
        }
        Map<Boolean, List<Old>> readable = left.stream()
                .collect(Collectors.partitioningBy(old -> LeftMessage.read(old).isPresent()));
        if (readable.get(true).isEmpty()) {
            return Optional.of(
                    Problem.of(
                            "None of these messages can be read. Set these values by hand at the targets, then choose “Leave it as it is”"));
        }
        PutBack putBack = new PutBack(
                show,
                readable.get(true).stream()
                        .flatMap(old -> LeftMessage.read(old).stream())
                        .toList(),
                by.name());
        Sending now = new Sending(showId, putBack, readable.get(false));
        sending = Optional.of(now);
        runs.putBack(showId, putBack, () -> writing.execute(() -> ended(now, show)))
                .join();
        return Optional.empty();
    }

    private void ended(Sending sent, Show show) {
        try {
            store.keepOld(
                    sent.showId(),
                    Stream.concat(LeftMessage.written(sent.putBack().open(), show).stream(), sent.unreadable().stream())
                            .toList());
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("What was put back could not be noted: {}. It is offered once more", e.getMessage());
        } finally {
            sending = Optional.empty();
        }
    }

    /** Leaves all as it is, or says why not. */
    public synchronized Optional<Problem> dismiss(String showId) {
        if (done(showId).isPresent()) {
            return Optional.of(Problem.of("It is being put back now. Wait until that has ended"));
        }
        store.forgetOld(showId);
        return Optional.empty();
    }

    @Override
    public void close() {
        writing.shutdown();
    }
}
