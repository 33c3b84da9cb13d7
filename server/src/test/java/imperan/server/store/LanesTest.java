package imperan.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(60)
class LanesTest {

    private static final long LONG_MS = 600_000;

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void workOfOneLaneIsDoneInOrder() {
        List<Integer> done = Collections.synchronizedList(new ArrayList<>());
        try (Lanes lanes = new Lanes(3)) {
            List<CompletableFuture<Boolean>> all = IntStream.range(0, 500)
                    .mapToObj(i -> lanes.in("a", () -> done.add(i), LONG_MS, () -> false))
                    .toList();
            all.forEach(CompletableFuture::join);
        }
        assertThat(done).isEqualTo(IntStream.range(0, 500).boxed().toList());
    }

    @Test
    void aLaneThatTakesLongKeepsNoOtherWaiting() {
        CountDownLatch slow = new CountDownLatch(1);
        try (Lanes lanes = new Lanes(2)) {
            CompletableFuture<String> waiting = lanes.in(
                    "a",
                    () -> {
                        await(slow);
                        return "a";
                    },
                    LONG_MS,
                    () -> "late");
            assertThat(lanes.in("b", () -> "b", LONG_MS, () -> "late").join()).isEqualTo("b");
            slow.countDown();
            assertThat(waiting.join()).isEqualTo("a");
        }
    }

    @Test
    void whatHasNotBegunInTimeIsNeverDoneAndWhatHasIsWaitedFor() {
        CountDownLatch slow = new CountDownLatch(1);
        List<String> done = Collections.synchronizedList(new ArrayList<>());
        try (Lanes lanes = new Lanes(1)) {
            CompletableFuture<String> first = begun(lanes, slow, done);
            CompletableFuture<String> second = lanes.in(
                    "a",
                    () -> {
                        done.add("second");
                        return "done";
                    },
                    1,
                    () -> "late");
            // the clock calls in order: when it has called for the second, the first's time is over, too
            assertThat(second.join()).isEqualTo("late");
            assertThat(first).isNotDone();
            slow.countDown();
            assertThat(first.join()).isEqualTo("done");
            lanes.in("a", () -> true, LONG_MS, () -> false).join();
            assertThat(done).containsExactly("first");
        }
    }

    /** Work that holds its lane until it is let go, begun within its millisecond: on a busy machine not at the first try. */
    private static CompletableFuture<String> begun(Lanes lanes, CountDownLatch letGo, List<String> done) {
        while (true) {
            CompletableFuture<Void> began = new CompletableFuture<>();
            CompletableFuture<String> work = lanes.in(
                    "a",
                    () -> {
                        began.complete(null);
                        await(letGo);
                        done.add("first");
                        return "done";
                    },
                    1,
                    () -> "late");
            CompletableFuture.anyOf(began, work).join();
            if (began.isDone()) {
                return work;
            }
        }
    }

    @Test
    void aLaneTakesNoMoreThanThereIsRoomForAndAFaultEndsNothing() {
        CountDownLatch slow = new CountDownLatch(1);
        try (Lanes lanes = new Lanes(1)) {
            lanes.in(
                    "a",
                    () -> {
                        await(slow);
                        return "";
                    },
                    LONG_MS,
                    () -> "late");
            List<CompletableFuture<String>> all = IntStream.range(0, Lanes.MOST_WAITING + 5)
                    .mapToObj(i -> lanes.in(
                            "a",
                            () -> {
                                if (i == 3) {
                                    throw new StackOverflowError("in the work");
                                }
                                return "done";
                            },
                            LONG_MS,
                            () -> "late"))
                    .toList();
            assertThat(all.get(all.size() - 1).join()).isEqualTo("late");
            slow.countDown();
            assertThat(all.get(4).join()).isEqualTo("done");
            assertThatThrownBy(all.get(3)::join)
                    .isInstanceOf(CompletionException.class)
                    .hasCauseInstanceOf(StackOverflowError.class);
        }
    }
}
