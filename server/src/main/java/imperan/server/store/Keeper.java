package imperan.server.store;

import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.History;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.Person;
import imperan.show.Show;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * Changes shows, one edit after the other on one thread: judge, commit, tell. An edit is told only when the database has
 * it, and the next one is judged only then, so nothing is ever built on an edit that could not be kept. A slow database
 * makes edits wait, and nothing else.
 */
@Component
public class Keeper implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Keeper.class);

    /** Hears of every committed edit, on the keeper's thread, in order. */
    public interface Listener {
        void committed(String showId, Edit edit, Show show);
    }

    private static final class Head {
        private Show show;
        private final History history = new History();

        Head(Show show, List<Edit> edits) {
            this.show = show;
            edits.forEach(history::add);
        }
    }

    private final ShowStore store;
    private final Map<String, Head> heads = new HashMap<>();
    private final Map<String, Long> told = new HashMap<>();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> new Thread(r, "keeper"));
    private volatile Listener listener = (showId, edit, show) -> { };

    Keeper(ShowStore store) {
        this.store = store;
    }

    /** One listener; set before the first edit. */
    public void listen(Listener heard) {
        listener = heard;
    }

    /** The show as committed. */
    public CompletableFuture<Show> show(String showId) {
        return CompletableFuture.supplyAsync(() -> head(showId).show, thread);
    }

    /** Hands over a show's name and its state as committed, before any later edit is told. */
    public CompletableFuture<Void> withShow(String showId, BiConsumer<String, Show> use) {
        return CompletableFuture.runAsync(() -> use.accept(store.show(showId).name(), head(showId).show), thread);
    }

    public CompletableFuture<Outcome> edit(String showId, EditRequest request, Person author) {
        return change(showId, (show, history) -> show.apply(request, author));
    }

    public CompletableFuture<Outcome> undo(String showId, Person author) {
        return change(showId, (show, history) -> history.undo(show, author));
    }

    public CompletableFuture<Outcome> redo(String showId, Person author) {
        return change(showId, (show, history) -> history.redo(show, author));
    }

    /** Makes the show hold exactly these parts, as one edit. */
    public CompletableFuture<Outcome> become(String showId, Collection<Part> parts, Person author, String title) {
        return change(showId, (show, history) -> show.become(parts, author, title));
    }

    /** Makes the show what it was after an earlier edit, as one new edit. */
    public CompletableFuture<Outcome> restore(String showId, long version, Person author, String title) {
        return change(showId, (show, history) -> version < 0 || version > history.edits().size()
                ? Outcome.Refused.because("There is no version " + version)
                : show.become(history.at(version).parts().stream().map(Held::part).toList(), author, title));
    }

    /** Makes an edit out of the show as it is when its turn comes. */
    public CompletableFuture<Outcome> change(String showId, Function<Show, Outcome> judge) {
        return change(showId, (show, history) -> judge.apply(show));
    }

    private CompletableFuture<Outcome> change(String showId, BiFunction<Show, History, Outcome> judge) {
        return CompletableFuture.supplyAsync(() -> {
            Head head = head(showId);
            Outcome outcome = judge.apply(head.show, head.history);
            return outcome instanceof Outcome.Accepted accepted ? keep(showId, head, accepted) : outcome;
        }, thread);
    }

    private Outcome keep(String showId, Head head, Outcome.Accepted accepted) {
        try {
            store.commit(showId, accepted.edit());
        } catch (RuntimeException e) {
            LOG.error("Edit {} of show {} was not kept", accepted.edit().number(), showId, e);
            return afterFailure(showId, accepted.edit(), e);
        }
        head.show = accepted.show();
        head.history.add(accepted.edit());
        tell(showId, accepted.edit(), accepted.show());
        return accepted;
    }

    /** The commit may have reached the database although we did not hear of it, so what is there is read again. */
    private Outcome afterFailure(String showId, Edit edit, RuntimeException failure) {
        heads.remove(showId);
        try {
            Head read = head(showId);
            boolean kept = read.history.edits().stream().anyMatch(e -> e.number() == edit.number()
                    && e.author().equals(edit.author()) && e.title().equals(edit.title()));
            return kept ? new Outcome.Accepted(read.show, edit) : Outcome.Refused.because("“" + edit.title() + "” could not be kept: "
                    + reason(failure) + ". Nothing was changed; try again in a moment");
        } catch (DataAccessException | TransactionException e) {
            return Outcome.Refused.because("The database does not answer, so it is not known whether “" + edit.title()
                    + "” was kept. What you see is without it; look again in a moment");
        }
    }

    /** SQLSTATE class 53, "insufficient resources" (PostgreSQL, appendix A), has its own words. */
    private static String reason(RuntimeException failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && String.valueOf(sql.getSQLState()).startsWith("53")) {
                return "the database has no room left (" + sql.getMessage() + ")";
            }
        }
        return "the database did not take it";
    }

    private void tell(String showId, Edit edit, Show show) {
        told.put(showId, edit.number());
        listener.committed(showId, edit, show);
    }

    private Head head(String showId) {
        Head known = heads.get(showId);
        if (known != null) {
            return known;
        }
        Head read = new Head(store.load(showId), store.edits(showId));
        heads.put(showId, read);
        // after a commit whose answer was lost, the database may hold an edit that nobody has heard of yet
        long heard = told.computeIfAbsent(showId, id -> read.show.version());
        read.history.edits().stream().filter(edit -> edit.number() > heard)
                .forEach(edit -> tell(showId, edit, read.show));
        return read;
    }

    @Override
    public void close() {
        thread.shutdown();
    }
}
