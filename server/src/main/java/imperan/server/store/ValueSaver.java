package imperan.server.store;

import imperan.live.Places;
import imperan.live.SavedValue;
import imperan.show.PartId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.NonTransientDataAccessException;
import org.springframework.dao.NonTransientDataAccessResourceException;
import org.springframework.dao.RecoverableDataAccessException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Keeps the last values beside the show. Newer values replace those that still wait, so a slow database delays them and
 * loses nothing that counts; what could not be written is tried again.
 */
@Component
public class ValueSaver implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ValueSaver.class);
    private static final long RETRY_MS = 1_000;

    /** Where values are kept. */
    interface Values {
        void saveValues(String showId, List<SavedValue> values);

        default void savePlaces(String showId, Places places) {
            // who only tries values keeps no places
        }
    }

    private final Values store;
    private final ScheduledExecutorService thread =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "values"));
    /** By show: a copy of a show has controls of the same ids. A show that is here is written soon. */
    private final Map<String, Map<PartId, SavedValue>> pending = new HashMap<>();

    private final Map<String, Places> placesOf = new ConcurrentHashMap<>();
    private boolean failing;

    @Autowired
    ValueSaver(ShowStore store) {
        this(new Values() {
            @Override
            public void saveValues(String showId, List<SavedValue> values) {
                store.saveValues(showId, values);
            }

            @Override
            public void savePlaces(String showId, Places places) {
                store.savePlaces(showId, places);
            }
        });
    }

    ValueSaver(Values store) {
        this.store = store;
    }

    /** Takes the values and returns at once. */
    public void save(String showId, List<SavedValue> values) {
        if (values.isEmpty()) {
            return;
        }
        synchronized (pending) {
            Map<PartId, SavedValue> ofShow = pending.get(showId);
            if (ofShow == null) {
                ofShow = new HashMap<>();
                pending.put(showId, ofShow);
                thread.execute(() -> write(showId));
            }
            for (SavedValue value : values) {
                ofShow.put(value.control(), value);
            }
        }
    }

    /** Takes where cue lists, tracks and set lists stand, and returns at once; of several times the latest is kept. */
    public void savePlaces(String showId, Places places) {
        if (!places.isEmpty() && placesOf.put(showId, places) == null && !thread.isShutdown()) {
            thread.execute(() -> writePlaces(showId));
        }
    }

    private void writePlaces(String showId) {
        Places places = placesOf.remove(showId);
        try {
            store.savePlaces(showId, places);
        } catch (NonTransientDataAccessResourceException
                | TransientDataAccessException
                | RecoverableDataAccessException
                | TransactionException e) {
            LOG.warn("Where cue lists and tracks stand waits until it can be kept: {}", e.getMessage());
            // where they stepped meanwhile is newer, and is written soon
            if (placesOf.putIfAbsent(showId, places) == null && !thread.isShutdown()) {
                thread.schedule(() -> writePlaces(showId), RETRY_MS, TimeUnit.MILLISECONDS);
            }
        } catch (RuntimeException e) {
            LOG.warn("Where cue lists and tracks stand cannot be kept: {}", e.getMessage());
        }
    }

    private void write(String showId) {
        List<SavedValue> values;
        synchronized (pending) {
            values = List.copyOf(pending.remove(showId).values());
        }
        try {
            store.saveValues(showId, values);
            failing = false;
        } catch (NonTransientDataAccessResourceException e) {
            again(showId, values, e);
        } catch (NonTransientDataAccessException e) {
            // one of them cannot be written, ever: the others can
            values.forEach(value -> writeAlone(showId, value));
        } catch (DataAccessException | TransactionException e) {
            again(showId, values, e);
        } catch (RuntimeException e) {
            LOG.error("The values of {} controls could not be written", values.size(), e);
        }
    }

    private void writeAlone(String showId, SavedValue value) {
        try {
            store.saveValues(showId, List.of(value));
        } catch (RuntimeException e) {
            LOG.warn("The value of {} cannot be kept: {}", value.control(), e.getMessage());
        }
    }

    /** They wait for the next time; what has come since is newer. */
    private void again(String showId, List<SavedValue> values, RuntimeException why) {
        if (!failing) {
            LOG.warn("The values of {} controls wait until they can be kept: {}", values.size(), why.getMessage());
        }
        failing = true;
        synchronized (pending) {
            Map<PartId, SavedValue> waiting = pending.get(showId);
            if (waiting == null) {
                waiting = new HashMap<>();
                pending.put(showId, waiting);
                if (!thread.isShutdown()) {
                    thread.schedule(() -> write(showId), RETRY_MS, TimeUnit.MILLISECONDS);
                }
            }
            for (SavedValue value : values) {
                waiting.putIfAbsent(value.control(), value);
            }
        }
    }

    @Override
    public void close() {
        thread.shutdown();
        try {
            thread.awaitTermination(5, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
