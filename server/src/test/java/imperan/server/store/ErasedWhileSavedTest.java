package imperan.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Belief;
import imperan.live.SavedValue;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A show is deleted while its last values are saved: neither waits for the other for ever, and nothing is left of it. */
class ErasedWhileSavedTest {

    private static final int ROUNDS = 20;

    @Test
    void neitherWaitsForTheOther() throws Exception {
        List<SavedValue> values = new ArrayList<>(IntStream.range(0, 400)
                .mapToObj(i -> new SavedValue(new PartId("c" + i), List.of(), Belief.UNSET, ""))
                .toList());
        try (StoredShows stored = new StoredShows("select 1")) {
            ShowStore store = stored.bean(ShowStore.class);
            for (int round = 0; round < ROUNDS; round++) {
                String show = "evening" + round;
                store.create(show, show, false);
                store.saveValues(show, values);
                // in another order than that in which they are deleted
                Collections.reverse(values);
                CompletableFuture<Void> saved = CompletableFuture.runAsync(() -> store.saveValues(show, values));
                CompletableFuture<Void> erased = CompletableFuture.runAsync(() -> store.erase(show));
                CompletableFuture.allOf(saved, erased).join();
                store.saveValues(show, values);
                assertThat(store.values(show)).as("it is gone").isEmpty();
            }
        }
    }
}
