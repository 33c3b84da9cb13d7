package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(60)
class TurnsTest {

    /** What was done, and by which thread. */
    private record Done(String what, String thread) {}

    private final Inbox inbox = new Inbox();
    private final BlockingQueue<Done> done = new LinkedBlockingQueue<>();
    private final AtomicInteger atOnce = new AtomicInteger();
    private volatile int mostAtOnce;
    private volatile long next = Long.MAX_VALUE;
    private volatile String failsAt = "";
    private final AtomicInteger dueStill = new AtomicInteger();

    private final Turns turns = new Turns(inbox, new Turns.Work() {

        private void does(String what) {
            mostAtOnce = Math.max(mostAtOnce, atOnce.incrementAndGet());
            done.add(new Done(what, Thread.currentThread().getName()));
            atOnce.decrementAndGet();
            if (what.equals(failsAt)) {
                throw new StackOverflowError();
            }
        }

        @Override
        public void handle(Input input, long now) {
            does(((Input.Beat) input).browser());
        }

        @Override
        public boolean due(long now) {
            next = Long.MAX_VALUE;
            does("due");
            return dueStill.getAndDecrement() > 0;
        }

        @Override
        public void dueDone() {
            does("due done");
        }

        @Override
        public void act(long now) {
            does("act");
        }

        @Override
        public void tell(long now) {
            does("tell");
        }

        @Override
        public void save(long now) {
            does("save");
        }

        @Override
        public long next() {
            return next;
        }

        @Override
        public void failed(Throwable why) {
            does("failed " + why.getClass().getSimpleName());
        }
    });

    @AfterEach
    void ends() {
        turns.close();
    }

    private List<Done> until(String what) throws InterruptedException {
        List<Done> seen = new ArrayList<>();
        do {
            seen.add(done.take());
        } while (!seen.get(seen.size() - 1).what().equals(what));
        return seen;
    }

    @Test
    void theLoopsThreadHandlesOneInputThenTimeThenActorsThenTellsAndSaves() throws InterruptedException {
        inbox.put(new Input.Beat("ada"));
        turns.start();
        assertThat(until("save"))
                .extracting(Done::what)
                .containsExactly("ada", "due", "due done", "act", "tell", "save");
        assertThat(done).isEmpty();
    }

    @Test
    void whoBringsAnInputToACalmLoopTakesTheTurnAndLeavesWhatIsDueToTheLoop() throws InterruptedException {
        inbox.put(new Input.Beat("ada"));
        turns.takeOrWake();
        assertThat(done).extracting(Done::what).containsExactly("ada", "act", "tell");
        assertThat(done)
                .extracting(Done::thread)
                .containsOnly(Thread.currentThread().getName());
    }

    @Test
    void theLoopSleepsUntilTheEarliestThatIsDueAndIsWokenWhereATurnMadeItEarlier() throws InterruptedException {
        turns.start();
        inbox.wake();
        assertThat(until("save")).extracting(Done::what).containsExactly("due", "due done", "act", "tell", "save");
        next = ShowClock.now() + 1_000_000L;
        turns.takeOrWake();
        assertThat(until("save")).contains(new Done("due", "show-loop"));
    }

    /** However much is due, a hand waits for one thing of it and no more; packets wait for all. */
    @Test
    void afterEachThingThatIsDueAHandHasItsTurn() throws InterruptedException {
        dueStill.set(3);
        for (String who : List.of("ada", "ben", "cyd")) {
            inbox.put(new Input.Beat(who));
        }
        turns.start();
        assertThat(until("save"))
                .extracting(Done::what)
                .containsExactly("ada", "due", "ben", "due", "cyd", "due", "due", "due done", "act", "tell", "save");
    }

    /** Hands between due things do not take a packet's turn for good. */
    @Test
    void aPacketWaitsForNoMoreHandsThanBefore() throws InterruptedException {
        dueStill.set(40);
        for (int i = 0; i < 30; i++) {
            inbox.put(new Input.Beat("hand"));
        }
        inbox.putPacket("desk", new Input.Beat("packet"), 10);
        turns.start();
        assertThat(until("save"))
                .extracting(Done::what)
                .filteredOn("hand"::equals)
                .hasSize(Inbox.HANDS_IN_A_ROW);
        assertThat(done.take().what()).isEqualTo("packet");
    }

    @Test
    void aFaultInOneStepIsToldAndKeepsNothingElseFromBeingDone() throws InterruptedException {
        failsAt = "ada";
        inbox.put(new Input.Beat("ada"));
        inbox.put(new Input.Beat("ben"));
        turns.start();
        assertThat(until("save"))
                .extracting(Done::what)
                .containsExactly("ada", "failed StackOverflowError", "due", "due done", "act", "tell", "save");
        assertThat(until("save"))
                .extracting(Done::what)
                .containsExactly("ben", "due", "due done", "act", "tell", "save");
    }

    @Test
    void whateverThreadsBringEachInputIsHandledOnceAndOneAtATime() throws InterruptedException {
        turns.start();
        int each = 2_000;
        CountDownLatch begin = new CountDownLatch(1);
        List<Thread> bringing = new ArrayList<>();
        for (String who : List.of("ada", "ben", "cyd")) {
            Thread thread = new Thread(() -> {
                try {
                    begin.await();
                    for (int i = 0; i < each; i++) {
                        inbox.put(new Input.Beat(who + i));
                        turns.takeOrWake();
                    }
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            });
            thread.start();
            bringing.add(thread);
        }
        begin.countDown();
        for (Thread thread : bringing) {
            thread.join();
        }
        inbox.put(new Input.Beat("last"));
        inbox.wake();
        List<String> handled = until("last").stream()
                .map(Done::what)
                .filter(what -> what.matches("(ada|ben|cyd)\\d+"))
                .toList();
        assertThat(handled).hasSize(3 * each).doesNotHaveDuplicates();
        for (String who : List.of("ada", "ben", "cyd")) {
            assertThat(handled.stream()
                            .filter(what -> what.startsWith(who))
                            .map(what -> Integer.parseInt(what.substring(3))))
                    .isSorted();
        }
        assertThat(mostAtOnce).isEqualTo(1);
    }

    @Test
    void onceItIsClosedTheLoopsThreadDoesNothingAndTheLastThingsCanStillBeDone() throws InterruptedException {
        turns.start();
        turns.close();
        done.clear();
        inbox.put(new Input.Beat("ada"));
        inbox.wake();
        turns.within(() -> done.add(new Done("saved", "")));
        assertThat(done).extracting(Done::what).containsExactly("saved");
    }
}
