package imperan.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Belief;
import imperan.live.ControlValue;
import imperan.live.CueListView;
import imperan.live.Places;
import imperan.live.SavedValue;
import imperan.show.PartId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.DataIntegrityViolationException;

@Timeout(60)
class ValueSaverTest {

    private final Map<String, Double> written = new ConcurrentHashMap<>();
    private final BlockingQueue<String> tries = new LinkedBlockingQueue<>();
    private final AtomicBoolean away = new AtomicBoolean();

    private void write(String showId, List<SavedValue> values) {
        try {
            if (away.get()) {
                throw new DataAccessResourceFailureException("away");
            } else if (values.stream().anyMatch(value -> value.movedBy().indexOf('\0') >= 0)) {
                throw new DataIntegrityViolationException("a NUL");
            }
            values.forEach(value ->
                    written.put(value.control().value(), value.axes().get(0).position()));
        } finally {
            tries.add(values.size() + " of " + showId);
        }
    }

    private static SavedValue value(String control, double position, String by) {
        return new SavedValue(
                new PartId(control), List.of(new ControlValue.Axis(position, Optional.empty())), Belief.KNOWN, by);
    }

    @Test
    void whatCouldNotBeWrittenIsTriedAgainUnlessSomethingNewerCame() throws InterruptedException {
        away.set(true);
        try (ValueSaver saver = new ValueSaver(this::write)) {
            saver.save("show", List.of(value("a", 0.1, "Ada"), value("b", 0.2, "Ada")));
            tries.take();
            tries.take();
            saver.save("show", List.of(value("b", 0.9, "Ben")));
            away.set(false);
            while (written.size() < 2) {
                tries.take();
            }
        }
        assertThat(written).isEqualTo(Map.of("a", 0.1, "b", 0.9));
    }

    @Test
    void oneThatCannotBeWrittenSpoilsNoOther() {
        try (ValueSaver saver = new ValueSaver(this::write)) {
            saver.save("show", List.of(value("a", 0.1, "Ada"), value("bad", 0.2, "A\0da"), value("c", 0.3, "Ada")));
        }
        assertThat(written).isEqualTo(Map.of("a", 0.1, "c", 0.3));
    }

    /** Somebody may have to go on from where a list stands. */
    private static Places at(CueListView.Place place) {
        return new Places(List.of(place), List.of(), List.of(), List.of());
    }

    @Test
    void whereListsStandIsTriedAgainAndTheLatestIsKept() throws InterruptedException {
        PartId list = new PartId("list");
        BlockingQueue<CueListView.Place> kept = new LinkedBlockingQueue<>();
        away.set(true);
        try (ValueSaver saver = new ValueSaver(new ValueSaver.Values() {
            @Override
            public void saveValues(String showId, List<SavedValue> values) {
                write(showId, values);
            }

            @Override
            public void savePlaces(String showId, Places places) {
                tries.add(showId);
                if (away.get()) {
                    throw new DataAccessResourceFailureException("away");
                }
                kept.addAll(places.lists());
            }
        })) {
            saver.savePlaces("show", at(new CueListView.Place(list, Optional.of(new PartId("one")), Optional.empty())));
            tries.take();
            tries.take();
            saver.savePlaces(
                    "show",
                    at(new CueListView.Place(list, Optional.of(new PartId("two")), Optional.of(new PartId("one")))));
            away.set(false);
        }
        // the older one may have been on its way when the database came back
        assertThat(kept)
                .isNotEmpty()
                .last()
                .extracting(CueListView.Place::next)
                .isEqualTo(Optional.of(new PartId("two")));
    }
}
