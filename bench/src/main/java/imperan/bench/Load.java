package imperan.bench;

import imperan.server.net.UdpSockets;
import imperan.server.run.Readings;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicLongArray;
import java.util.concurrent.locks.LockSupport;

/** Much at once: 10 000 messages a second both ways, and fifty browsers. */
final class Load {

    private static final int SECONDS = 10;
    private static final int PER_SECOND = 10_000;
    private static final int TOUCHES = PER_SECOND / Stage.BURST_SENDS;
    /** Until what waits in queues and sockets is gone. */
    private static final long WARMED_UP_NANOS = 2_000_000_000L;

    private final Stage stage;

    Load(Stage stage) {
        this.stage = stage;
    }

    /** Ten thousand a second out (two hundred touches of fifty messages) and in, for ten seconds. */
    void flood() throws IOException {
        AtomicLong out = new AtomicLong();
        Thread reader = Latency.reader(stage.farEnd, packet -> out.incrementAndGet());
        try (Browser hand = new Browser(stage.socket("/api/live"), frame -> {}).hello("bench")) {
            // a server that still compiles itself does not hold this rate
            bothWays(hand, i -> {});
            LockSupport.parkNanos(WARMED_UP_NANOS);
            out.set(0);
            long dropsBefore = Machine.drops(stage.answerPort);
            AtomicLong heard = new AtomicLong();
            stage.bean(Readings.class).tapWire(record -> {
                if (!record.out()) {
                    heard.incrementAndGet();
                }
            });
            Machine.Steal steal = new Machine.Steal();
            long[] heaps = new long[2];
            bothWays(hand, i -> {
                if (i == TOUCHES * 2) {
                    heaps[0] = Machine.heap();
                } else if (i == TOUCHES * SECONDS - 1) {
                    heaps[1] = Machine.heap();
                }
            });
            long end = System.nanoTime() + 5_000_000_000L;
            while (System.nanoTime() < end
                    && (heard.get() < PER_SECOND * SECONDS || out.get() < PER_SECOND * SECONDS)) {
                LockSupport.parkNanos(10_000_000);
            }
            stage.bean(Readings.class).tapWire(record -> {});
            Main.print(
                    "10 000 messages a second out and in, for 10 s (stolen processor time %.1f %%)", steal.percent());
            Main.print(
                    "  out: %d of %d arrived at the far end (kernel drops there %d)",
                    out.get(), PER_SECOND * SECONDS, Machine.drops(stage.farEnd.getLocalPort()));
            Main.print(
                    "  in: %d of %d handled; kernel drops at our sockets %d; receive buffer granted %d bytes",
                    heard.get(),
                    PER_SECOND * SECONDS,
                    Machine.drops(stage.answerPort) - dropsBefore,
                    Machine.grantedReceiveBuffer(UdpSockets.RECEIVE_BUFFER_BYTES));
            Main.print(
                    "  heap after collection: %.1f MB at second 2, %.1f MB at second 10 (%+.1f %%)",
                    heaps[0] / 1e6, heaps[1] / 1e6, 100.0 * (heaps[1] - heaps[0]) / heaps[0]);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        reader.interrupt();
    }

    /** @param touched told of each touch */
    private void bothWays(Browser hand, Step touched) throws InterruptedException {
        Thread incoming = new Thread(
                () -> paced(
                        PER_SECOND * SECONDS,
                        PER_SECOND / 20,
                        20,
                        i -> Latency.send(stage.farEnd, Latency.answer(i), 24, stage.answerPort)),
                "flood");
        incoming.start();
        paced(TOUCHES * SECONDS, 1, TOUCHES, i -> {
            hand.touch(Stage.BURST.value(), i % 2 == 0 ? 0.2 : 0.8);
            touched.take(i);
        });
        incoming.join();
    }

    /** Where a frame tells the position of the fader. */
    private static final String POSITION = "\"control\":\"fader\",\"axes\":[{\"position\":";

    /** Fifty browsers that look at the same page while one of them moves a fader twenty times a second. */
    void browsers() {
        double alone = costWith(1, 100);
        double together = costWith(50, 100);
        Main.print(
                "  processor time of server and browsers' ends together: %.1f ms a second with 1, %.1f with 50: %.2f ms a second for each further one",
                alone, together, (together - alone) / 49);
    }

    private double costWith(int count, int touches) {
        AtomicLongArray last = new AtomicLongArray(touches);
        AtomicLongArray first = new AtomicLongArray(touches);
        AtomicLongArray reached = new AtomicLongArray(touches);
        List<Browser> browsers = new ArrayList<>();
        for (int b = 0; b < count; b++) {
            browsers.add(new Browser(stage.socket("/api/live"), frame -> {
                        long now = System.nanoTime();
                        int at = frame.indexOf(POSITION);
                        if (at >= 0) {
                            int number = at + POSITION.length();
                            int touch = (int) Math.round(
                                            Double.parseDouble(frame.substring(number, frame.indexOf(',', number)))
                                                    * 1000)
                                    - 1;
                            if (touch >= 0 && touch < touches) {
                                first.compareAndSet(touch, 0, now);
                                last.accumulateAndGet(touch, now, Math::max);
                                reached.incrementAndGet(touch);
                            }
                        }
                    })
                    .hello("b" + b));
        }
        // what the browsers are sent when they join is not to be counted
        LockSupport.parkNanos(500_000_000);
        Machine.Steal steal = new Machine.Steal();
        long before = Machine.processorTime();
        long start = System.nanoTime();
        paced(touches, 1, 20, i -> browsers.get(0).touch(Stage.FADER.value(), (i + 1) / 1000.0));
        long end = System.nanoTime() + 3_000_000_000L;
        while (System.nanoTime() < end && reached.get(touches - 1) < count) {
            LockSupport.parkNanos(1_000_000);
        }
        double cost = (Machine.processorTime() - before) / 1e6 / ((System.nanoTime() - start) / 1e9);
        if (count > 1) {
            long whole = 0;
            long[] spread = new long[touches];
            for (int i = 0; i < touches; i++) {
                whole += reached.get(i) == count ? 1 : 0;
                spread[i] = last.get(i) - first.get(i);
            }
            if (whole == 0) {
                throw new IllegalStateException(
                        "No value reached a browser: the frames are no longer as this bench reads them");
            }
            Main.print(
                    "%d browsers on one page, 20 touches a second (stolen processor time %.1f %%)",
                    count, steal.percent());
            Main.print(
                    "  %d of %d values reached all; from the first browser to the last: median %.1f ms, p99 %.1f ms",
                    whole, touches, Machine.percentile(spread, 0.5) / 1e6, Machine.percentile(spread, 0.99) / 1e6);
        }
        browsers.forEach(Browser::close);
        return cost;
    }

    /** What is done, again and again. */
    interface Step {
        void take(int i);
    }

    /** Takes steps in groups, so many groups a second, and catches up where it was late. */
    static void paced(int count, int group, int groupsPerSecond, Step step) {
        long start = System.nanoTime();
        for (int i = 0; i < count; i++) {
            if (i % group == 0) {
                long due = start + (long) (i / group) * 1_000_000_000L / groupsPerSecond;
                for (long wait = due - System.nanoTime(); wait > 0; wait = due - System.nanoTime()) {
                    LockSupport.parkNanos(wait);
                }
            }
            step.take(i);
        }
    }
}
