package imperan.server.proof;

import imperan.live.Actor;
import imperan.live.Gate;
import imperan.live.Line;
import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.proof.run.ProofRun;
import imperan.proof.run.PutBack;
import imperan.server.run.LoopRuns;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.ProofStore.Leftover;
import imperan.server.store.ProofStore.Old;
import imperan.server.store.ProofStore;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** What proofs moved and did not put back: offered, and sent only when somebody wants it. */
@Component
public class Leftovers implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Leftovers.class);

    /**
     * @param done how many are back already, while they are sent; empty while nobody does
     */
    public record Left(Leftover leftover, Optional<Integer> done) {
    }

    private record Sending(String showId, PutBack putBack) {
    }

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

    /** The form in which it is written down. */
    static Old written(ProofRun.Old old) {
        return new Old(old.target().value(), old.back().targetName(), OscEncoder.encode(new OscMessage(old.back().address(), old.back().arguments())));
    }

    /** The message of something that was left. */
    public static OscMessage message(Old old) {
        return (OscMessage) ((Decoded.Whole) new OscDecoder().decode(old.message())).packet();
    }

    private static ProofRun.Old read(Old old) {
        OscMessage message = message(old);
        return new ProofRun.Old(new PartId(old.target()), new Line(Optional.empty(), 0, Optional.of(new PartId(old.target())), old.name(), message.address(), message.arguments()));
    }

    /** Empty where nothing is left, and while a proof runs. */
    public Optional<Left> left(String showId) {
        boolean runs = proofs.running(showId).filter(run -> run.phase() != ProofRun.Phase.ENDED || run.number().isEmpty() && run.trouble().isEmpty()).isPresent();
        return runs ? Optional.empty() : store.leftover(showId).map(left -> new Left(left, done(showId)));
    }

    private Optional<Integer> done(String showId) {
        return sending.filter(now -> now.showId().equals(showId) && loop.liveShowId().equals(showId))
                .map(now -> loop.askLive(showId, (running, at) -> now.putBack().of() - now.putBack().open().size()).join());
    }

    /** Begins to send what was left back, or says why not: then all of it stays offered. */
    public synchronized Optional<Problem> putBack(String showId, Actor by) {
        List<Old> left = left(showId).filter(found -> found.done().isEmpty()).map(found -> found.leftover().old()).orElse(List.of());
        if (left.isEmpty()) {
            // nothing is left, or somebody else was quicker
            return Optional.empty();
        }
        Show show = keeper.show(showId).join();
        Optional<String> gone = left.stream().filter(old -> show.part(new PartId(old.target())).isEmpty()).map(Old::name).findFirst();
        Optional<String> closed = loop.askLive(showId, (running, now) -> left.stream()
                .filter(old -> running.link(new PartId(old.target())).filter(link -> link.gate() == Gate.OPEN && link.socket().works()).isEmpty()).map(Old::name).findFirst()).join();
        if (gone.isPresent()) {
            return Optional.of(Problem.of(gone.get() + " is no longer in the rig. Bring it back by undo, or leave all as it is"));
        } else if (closed.isPresent()) {
            return Optional.of(Problem.of(closed.get() + " is held, in rehearsal or cannot be reached now. Release it, then put it back"));
        }
        PutBack putBack = new PutBack(show, left.stream().map(Leftovers::read).toList(), by.name());
        sending = Optional.of(new Sending(showId, putBack));
        runs.putBack(showId, putBack, () -> writing.execute(() -> ended(showId, putBack))).join();
        return Optional.empty();
    }

    private void ended(String showId, PutBack putBack) {
        try {
            store.keepOld(showId, putBack.open().stream().map(Leftovers::written).toList());
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
