package imperan.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.progress.Progress;
import imperan.progress.Progress.Stage;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** An edit of thousands of parts that is cancelled somewhere leaves the show as it was, in memory and in the database. */
class CancelledTest {

    private static final String SHOW = "evening";
    private static final Person ADA = new Person("b1", "Ada");
    private static final int PARTS = 1_100;

    /** Ends the work at one of its calls. */
    private static final class Until implements Progress {
        private int left;
        private Optional<Stage> ended = Optional.empty();

        private Until(int calls) {
            left = calls;
        }

        @Override
        public void at(Stage stage, int done, int of) {
            assertThat(done).isBetween(0, of);
            if (left-- == 0) {
                ended = Optional.of(stage);
                throw new Cancelled();
            }
        }
    }

    @Test
    void whereverItIsCancelledNothingOfItIsKept() throws Exception {
        try (StoredShows stored = new StoredShows("select 1")) {
            Keeper keeper = stored.bean(Keeper.class);
            ShowStore store = stored.bean(ShowStore.class);
            store.create(SHOW, "Evening", false);
            List<Part> first = layouts("first");
            assertThat(keeper.become(SHOW, first, ADA, "Import").join()).isInstanceOf(Outcome.Accepted.class);
            Show before = keeper.show(SHOW).join();

            Counted all = new Counted();
            List<Part> other = layouts("other");
            assertThat(before.become(other, ADA, "Import", all)).isInstanceOf(Outcome.Accepted.class);
            // removals and rows are saved a thousand at once: five calls behind those of checking
            Random random = new Random(7);
            Set<Stage> ended = EnumSet.noneOf(Stage.class);
            List<Integer> ends = new ArrayList<>(
                    IntStream.range(0, 5).map(i -> all.calls + i).boxed().toList());
            random.ints(2, 0, all.calls).forEach(ends::add);
            for (int end : ends) {
                Until until = new Until(end);
                assertThatThrownBy(() ->
                                keeper.become(SHOW, other, ADA, "Import", until).join())
                        .as("cancelled at call %d", end)
                        .hasCauseInstanceOf(Progress.Cancelled.class);
                ended.add(until.ended.orElseThrow());
                assertThat(keeper.show(SHOW).join()).isSameAs(before);
                Show kept = store.load(SHOW);
                assertThat(kept.version()).isEqualTo(before.version());
                assertThat(kept.parts()).containsExactlyInAnyOrderElementsOf(before.parts());
            }
            assertThat(ended).containsExactlyInAnyOrder(Stage.CHECKING, Stage.SAVING);

            assertThat(keeper.become(SHOW, other, ADA, "Import", Progress.NONE).join())
                    .as("the next one is kept as ever")
                    .isInstanceOfSatisfying(
                            Outcome.Accepted.class,
                            done -> assertThat(done.edit().number()).isEqualTo(before.version() + 1));
            assertThat(store.load(SHOW).parts().stream().map(Held::part)).containsExactlyInAnyOrderElementsOf(other);
        }
    }

    private static final class Counted implements Progress {
        private int calls;

        @Override
        public void at(Stage stage, int done, int of) {
            calls++;
        }
    }

    private static List<Part> layouts(String what) {
        return IntStream.range(0, PARTS)
                .mapToObj(i -> new Part(new PartId(what + i), Optional.empty(), i, Layout.plain(what + " " + i)))
                .toList();
    }
}
