package imperan.bench;

import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;

/**
 * One target is deaf, comes and goes, or floods us; the way of a touch to another target is measured beside it. All take turns in one
 * run, with quiet rounds between them.
 */
final class Trouble {

    private static final int ROUNDS = 5;
    private static final int TOUCHES_A_SECOND = 200;
    private static final int FLOOD_A_SECOND = 20_000;
    private static final int FLAP_MILLIS = 150;

    private final Stage stage;

    Trouble(Stage stage) {
        this.stage = stage;
    }

    private interface Making {
        /** Goes on until the thread is interrupted. */
        void trouble() throws IOException;
    }

    void beside() throws IOException {
        Map<String, Making> kinds = new LinkedHashMap<>();
        kinds.put("deaf", this::deaf);
        kinds.put("flapping", this::flapping);
        kinds.put("flooding", this::flooding);
        try (Browser hand = new Browser(stage.socket("/api/live"), frame -> {}).hello("bench")) {
            touches(hand, () -> LockSupport.park(this));
            Machine.Steal steal = new Machine.Steal();
            long heapBefore = Machine.heap();
            for (Map.Entry<String, Making> kind : kinds.entrySet()) {
                double[] median = new double[ROUNDS];
                double[] p99 = new double[ROUNDS];
                for (int round = 0; round < ROUNDS; round++) {
                    long[] quiet = touches(hand, () -> LockSupport.park(this));
                    long[] troubled = touches(hand, kind.getValue());
                    median[round] = (double) Machine.percentile(troubled, 0.5) / Machine.percentile(quiet, 0.5);
                    p99[round] = (double) Machine.percentile(troubled, 0.99) / Machine.percentile(quiet, 0.99);
                }
                Arrays.sort(median);
                Arrays.sort(p99);
                Main.print(
                        "Touch to one target while another is %s, over the quiet round before: median %.2f (%.2f to %.2f), p99 %.2f (stolen %.1f %%)",
                        kind.getKey(),
                        median[ROUNDS / 2],
                        median[0],
                        median[ROUNDS - 1],
                        p99[ROUNDS / 2],
                        steal.percent());
            }
            long heapAfter = Machine.heap();
            Main.print(
                    "  heap after collection: %.1f MB before, %.1f MB after all of it (%+.1f %%)",
                    heapBefore / 1e6, heapAfter / 1e6, 100.0 * (heapAfter - heapBefore) / heapBefore);
        }
    }

    private long[] touches(Browser hand, Making making) throws IOException {
        Latency.drain(stage.farEnd);
        Times times = new Times(TOUCHES_A_SECOND * 2);
        Thread reader = Latency.reader(stage.farEnd, packet -> times.arrived());
        Thread trouble = new Thread(
                () -> {
                    try {
                        making.trouble();
                    } catch (IOException e) {
                        throw new IllegalStateException(e);
                    }
                },
                "trouble");
        trouble.start();
        times.run(TOUCHES_A_SECOND, i -> {
            hand.touch(Stage.FADER.value(), i % 2 == 0 ? 0.25 : 0.75);
            hand.touch(Stage.TROUBLED.value(), i % 2 == 0 ? 0.25 : 0.75);
        });
        trouble.interrupt();
        reader.interrupt();
        try {
            trouble.join();
            reader.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return times.ways();
    }

    /** Its port is open and nobody reads. */
    private void deaf() throws IOException {
        try (DatagramSocket open = new DatagramSocket(stage.troublePort, InetAddress.getLoopbackAddress())) {
            while (!Thread.currentThread().isInterrupted() && open.isBound()) {
                LockSupport.parkNanos(20_000_000);
            }
        }
    }

    private void flapping() throws IOException {
        while (!Thread.currentThread().isInterrupted()) {
            try (DatagramSocket open = new DatagramSocket(stage.troublePort, InetAddress.getLoopbackAddress())) {
                LockSupport.parkNanos(FLAP_MILLIS * 1_000_000L);
                Latency.send(open, Latency.answer(1), 24, stage.troubleAnswerPort);
            }
            LockSupport.parkNanos(FLAP_MILLIS * 1_000_000L);
        }
    }

    private void flooding() throws IOException {
        try (DatagramSocket open = new DatagramSocket(stage.troublePort, InetAddress.getLoopbackAddress())) {
            long start = System.nanoTime();
            for (long i = 0; !Thread.currentThread().isInterrupted(); i++) {
                if (i % (FLOOD_A_SECOND / 100) == 0) {
                    long due = start + i / (FLOOD_A_SECOND / 100) * 10_000_000L;
                    for (long wait = due - System.nanoTime();
                            wait > 0 && !Thread.currentThread().isInterrupted();
                            wait = due - System.nanoTime()) {
                        LockSupport.parkNanos(wait);
                    }
                }
                Latency.send(open, Latency.answer((int) i), 24, stage.troubleAnswerPort);
            }
        }
    }
}
