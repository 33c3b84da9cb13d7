package imperan.server.store;

import imperan.progress.Progress;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.History;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.Person;
import imperan.show.Show;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Changes shows, the edits of each one after the other: judge, commit, tell. An edit is told only when the database has
 * it, and the next one is judged only then, so nothing is ever built on an edit that could not be kept. A slow database
 * makes edits wait, and nothing else; a show that takes long keeps no other waiting.
 */
@Component
public class Keeper implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Keeper.class);

    /** Shows that are changed at once; fewer than there are connections to the database. */
    private static final int WIDTH = 4;
    /** An edit that has not begun by then is told as refused and never is. One that has begun is waited for. */
    private static final long PATIENCE_MS = 20_000;

    /** Who reads waits no longer for edits that are being kept. */
    private static final long READ_PATIENCE_MS = 2_000;

    /** Hears of every committed edit, in order for each show. */
    public interface Listener {

        /** @param bytes about how large the edit is */
        void committed(String showId, Edit edit, Show show, long bytes);
    }

    private static final class Head {
        private volatile Show show;
        private volatile String name;
        private final History history;
        /** The database may hold an edit that we do not know of: it is read again before the next one is judged. */
        private volatile boolean doubtful;

        Head(Show show, String name, History history) {
            this.show = show;
            this.name = name;
            this.history = history;
        }
    }

    private final ShowStore store;
    private final Map<String, Head> heads = new ConcurrentHashMap<>();
    private final Map<String, Long> told = new ConcurrentHashMap<>();
    private final Lanes lanes = new Lanes(WIDTH);
    private final List<Listener> listeners = new CopyOnWriteArrayList<>();

    Keeper(ShowStore store) {
        this.store = store;
    }

    /** Set before the first edit. */
    public void listen(Listener heard) {
        listeners.add(heard);
    }

    /** The show as committed, after the edits that are being kept at this moment; where they take long, as it was before them. */
    public CompletableFuture<Show> show(String showId) {
        Head known = heads.get(showId);
        return known == null
                ? inLane(showId, () -> known(showId).show)
                : lanes.in(showId, () -> known(showId).show, READ_PATIENCE_MS, () -> known.show);
    }

    /** Hands over a show's name and its state as committed, before any later edit is told. */
    public CompletableFuture<Void> withShow(String showId, BiConsumer<String, Show> use) {
        return inLane(showId, () -> {
            Head head = known(showId);
            use.accept(head.name, head.show);
            return null;
        });
    }

    private <T> CompletableFuture<T> inLane(String showId, Supplier<T> reading) {
        return lanes.in(showId, reading, PATIENCE_MS, () -> {
            throw new DataAccessResourceFailureException("The edits of this show take too long");
        });
    }

    /** A show has another name. */
    public void renamed(String showId, String name) {
        Head known = heads.get(showId);
        if (known != null) {
            known.name = name;
        }
    }

    /** A show is no longer there, and nothing of it is remembered. */
    public void forget(String showId) {
        heads.remove(showId);
        told.remove(showId);
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
        return become(showId, parts, author, title, Progress.NONE);
    }

    /** The same; fails with {@link Progress.Cancelled} where it is ended, and nothing was changed then. */
    public CompletableFuture<Outcome> become(
            String showId, Collection<Part> parts, Person author, String title, Progress progress) {
        return change(showId, (show, history) -> show.become(parts, author, title, progress), progress);
    }

    /** Makes the show what it was after an earlier edit, as one new edit. */
    public CompletableFuture<Outcome> restore(String showId, long version, Person author, String title) {
        return change(
                showId,
                (show, history) -> version < 0 || version > history.count()
                        ? Outcome.Refused.because("There is no version " + version)
                        : show.become(
                                history.at(version).parts().stream()
                                        .map(Held::part)
                                        .toList(),
                                author,
                                title));
    }

    /** Makes an edit out of the show as it is when its turn comes. */
    public CompletableFuture<Outcome> change(String showId, Function<Show, Outcome> judge) {
        return change(showId, (show, history) -> judge.apply(show));
    }

    private CompletableFuture<Outcome> change(String showId, BiFunction<Show, History, Outcome> judge) {
        return change(showId, judge, Progress.NONE);
    }

    private CompletableFuture<Outcome> change(
            String showId, BiFunction<Show, History, Outcome> judge, Progress progress) {
        return lanes.in(
                showId,
                () -> {
                    Head head = certain(showId);
                    Outcome outcome = judge.apply(head.show, head.history);
                    return outcome instanceof Outcome.Accepted accepted
                            ? keep(showId, head, accepted, progress)
                            : outcome;
                },
                PATIENCE_MS,
                () -> Outcome.Refused.because(
                        "The edits before this one take too long, so it was not begun and nothing was changed. Try again in a moment"));
    }

    private Outcome keep(String showId, Head head, Outcome.Accepted accepted, Progress progress) {
        long bytes;
        try {
            bytes = store.commit(showId, accepted.edit(), progress);
        } catch (Progress.Cancelled e) {
            // thrown before the commit, so the database rolled it back
            throw e;
        } catch (RuntimeException e) {
            LOG.error("Edit {} of show {} was not kept: {}", accepted.edit().number(), showId, e.getMessage());
            LOG.debug("Why it was not kept", e);
            head.doubtful = true;
            return afterFailure(showId, accepted.edit(), e);
        }
        head.show = accepted.show();
        head.history.add(accepted.edit());
        tell(showId, accepted.edit(), accepted.show(), bytes);
        if (head.history.wantsSnapshot(head.show)) {
            keepWhole(showId, head);
        }
        return accepted;
    }

    /** Once in a while the show is kept whole, so that an earlier version is found without reading the log from its beginning. */
    private void keepWhole(String showId, Head head) {
        try {
            store.keepSnapshot(showId, head.show.version());
            head.history.changedSinceSnapshot(0);
        } catch (RuntimeException e) {
            // the log has it all; the next edit tries again
            LOG.warn("Show {} could not be kept whole at version {}: {}", showId, head.show.version(), e.getMessage());
        }
    }

    /** The commit may have reached the database although we did not hear of it, so what is there is read again. */
    private Outcome afterFailure(String showId, Edit edit, RuntimeException failure) {
        try {
            Head read = certain(showId);
            boolean kept = read.history.latest().stream()
                    .anyMatch(e -> e.number() == edit.number()
                            && e.author().equals(edit.author())
                            && e.title().equals(edit.title()));
            return kept
                    ? new Outcome.Accepted(read.show, edit)
                    : Outcome.Refused.because("“" + edit.title() + "” could not be kept: " + reason(failure)
                            + ". No changes were made; try again in a moment");
        } catch (DataAccessException | TransactionException e) {
            return Outcome.Refused.because("The database does not answer, so it is not known whether “" + edit.title()
                    + "” was kept. What you see is without it; look again in a moment");
        }
    }

    /** SQLSTATE class 53, "insufficient resources" (PostgreSQL, appendix A), has its own words. */
    private static String reason(RuntimeException failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql
                    && String.valueOf(sql.getSQLState()).startsWith("53")) {
                return "the database has no room left (" + sql.getMessage() + ")";
            }
        }
        return "the database did not take it";
    }

    private void tell(String showId, Edit edit, Show show, long bytes) {
        told.put(showId, edit.number());
        listeners.forEach(listener -> listener.committed(showId, edit, show, bytes));
    }

    /** The show as we know it, read where we do not. */
    private Head known(String showId) {
        Head known = heads.get(showId);
        return known != null ? known : read(showId);
    }

    /** The show as the database has it. */
    private Head certain(String showId) {
        Head known = heads.get(showId);
        return known != null && !known.doubtful ? known : read(showId);
    }

    private Head read(String showId) {
        History history = new History(log(showId));
        Show show = store.load(showId);
        long inMemory = Math.max(0, show.version() - History.MOST_EDITS);
        store.pastEdits(showId, inMemory).forEach(past -> history.past(past.number(), past.author(), past.role()));
        store.edits(showId, inMemory + 1, show.version()).forEach(history::add);
        history.changedSinceSnapshot(store.changesSinceSnapshot(showId));
        Head read = new Head(show, store.show(showId).name(), history);
        heads.put(showId, read);
        // after a commit whose answer was lost, the database may hold an edit that nobody has heard of yet
        long heard = told.computeIfAbsent(showId, id -> read.show.version());
        history.latest().stream()
                .filter(edit -> edit.number() > heard)
                .forEach(edit -> tell(showId, edit, read.show, 0));
        return read;
    }

    private History.Log log(String showId) {
        return new History.Log() {
            @Override
            public List<Edit> edits(long from, long to) {
                return store.edits(showId, from, to);
            }

            @Override
            public Optional<Show> snapshot(long version) {
                return store.snapshot(showId, version);
            }
        };
    }

    @Override
    public void close() {
        lanes.close();
    }
}
