package imperan.server.store;

import imperan.live.SavedValue;
import imperan.show.PartId;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;

/**
 * Keeps the last values beside the show. Newer values replace those that still wait, so a slow database delays them and
 * loses nothing that counts.
 */
@Component
public class ValueSaver implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(ValueSaver.class);

    private final ShowStore store;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> new Thread(r, "values"));
    /** By show: a copy of a show has controls of the same ids. */
    private final Map<String, Map<PartId, SavedValue>> pending = new HashMap<>();

    ValueSaver(ShowStore store) {
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

    private void write(String showId) {
        List<SavedValue> values;
        synchronized (pending) {
            values = List.copyOf(pending.remove(showId).values());
        }
        try {
            store.saveValues(showId, values);
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("The values of {} controls were not kept: {}", values.size(), e.getMessage());
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
