package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DueQueueTest {

    private final DueQueue<String> queue = new DueQueue<>();

    @Test
    void nothingIsDueWhereNothingWaits() {
        queue.noLaterThan("never", DueQueue.NEVER);
        assertThat(queue.next()).isEqualTo(DueQueue.NEVER);
        assertThat(queue.poll(Long.MAX_VALUE - 1)).isEmpty();
    }

    @Test
    void theEarliestComesFirstAndNotBeforeItsTime() {
        queue.noLaterThan("late", 20);
        queue.noLaterThan("early", 10);
        assertThat(queue.poll(9)).isEmpty();
        assertThat(queue.poll(10)).contains("early");
        assertThat(queue.poll(10)).isEmpty();
        assertThat(queue.next()).isEqualTo(20);
    }

    @Test
    void itIsDueAtTheEarlierOfTwoTimesAndOnce() {
        queue.noLaterThan("it", 20);
        queue.noLaterThan("it", 10);
        queue.noLaterThan("it", 15);
        assertThat(queue.poll(100)).contains("it");
        assertThat(queue.poll(100)).isEmpty();
        assertThat(queue.next()).isEqualTo(DueQueue.NEVER);
    }

    @Test
    void whatIsDueAtTheSameMomentComesInTheOrderInWhichItWasPutIn() {
        List.of("c", "a", "b").forEach(what -> queue.noLaterThan(what, 5));
        List<String> order = new ArrayList<>();
        for (Optional<String> next = queue.poll(5); next.isPresent(); next = queue.poll(5)) {
            order.add(next.get());
        }
        assertThat(order).containsExactly("c", "a", "b");
    }

    /** Against a map that is searched each time. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void itHoldsWhatAMapHolds(long seed) {
        Random random = new Random(seed);
        Map<String, Long> plain = new HashMap<>();
        for (int i = 0; i < 5_000; i++) {
            if (random.nextInt(3) > 0) {
                String what = "k" + random.nextInt(40);
                long at = random.nextInt(1_000);
                queue.noLaterThan(what, at);
                plain.merge(what, at, Math::min);
            } else {
                long now = random.nextInt(1_000);
                long earliest =
                        plain.values().stream().mapToLong(Long::longValue).min().orElse(DueQueue.NEVER);
                assertThat(queue.next()).isEqualTo(earliest);
                Optional<String> taken = queue.poll(now);
                assertThat(taken.isPresent()).isEqualTo(earliest <= now);
                taken.ifPresent(what -> assertThat(plain.remove(what)).isEqualTo(earliest));
            }
        }
    }

    /** A link that is lost tomorrow, and has something to send now, again and again. */
    @Test
    void whatWasPutOffLeavesNothingBehind() {
        for (int now = 0; now < 10_000; now++) {
            queue.noLaterThan("link", 86_400_000_000_000L);
            queue.noLaterThan("link", now);
            assertThat(queue.poll(now)).contains("link");
        }
        queue.noLaterThan("link", 86_400_000_000_000L);
        assertThat(queue.size()).isOne();
    }
}
