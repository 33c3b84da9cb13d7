package imperan.bench;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntConsumer;

/** When each of a row of things left and arrived; they arrive in the order in which they left. */
final class Times {

    private final long[] left;
    private final long[] arrived;
    private final AtomicInteger arrivals = new AtomicInteger();
    /** How many may arrive so far; what comes beyond is an echo of one that is there already. */
    private volatile int awaited = Integer.MAX_VALUE;

    Times(int count) {
        left = new long[count];
        arrived = new long[count];
    }

    /** Lets each leave at its time; waits for none of those before it, so a slow answer delays no question. */
    void run(int perSecond, IntConsumer leave) {
        long start = System.nanoTime();
        for (int i = 0; i < left.length; i++) {
            long due = start + i * 1_000_000_000L / perSecond;
            for (long wait = due - System.nanoTime(); wait > 0; wait = due - System.nanoTime()) {
                LockSupport.parkNanos(wait);
            }
            left[i] = System.nanoTime();
            leave.accept(i);
        }
        awaitArrivals(left.length);
    }

    /** Lets each leave at its time, but never before the one ahead of it is there: two at once would arrive as one. */
    void runInTurn(int perSecond, IntConsumer leave) {
        awaited = 0;
        run(perSecond, i -> {
            awaitArrivals(i);
            awaited = i + 1;
            left[i] = System.nanoTime();
            leave.accept(i);
        });
    }

    private void awaitArrivals(int count) {
        long end = System.nanoTime() + 5_000_000_000L;
        while (arrivals.get() < count && System.nanoTime() < end) {
            LockSupport.parkNanos(200_000);
        }
    }

    /** The next one is there. */
    void arrived() {
        long now = System.nanoTime();
        if (arrivals.get() >= awaited) {
            return;
        }
        int index = arrivals.getAndIncrement();
        if (index < arrived.length) {
            arrived[index] = now;
        }
    }

    /** The way of each, in nanoseconds, without the first tenth, in which the machine warms up. */
    long[] ways() {
        if (arrivals.get() != left.length) {
            throw new IllegalStateException(arrivals.get() + " of " + left.length + " arrived");
        }
        long[] ways = new long[left.length - left.length / 10];
        for (int i = 0; i < ways.length; i++) {
            ways[i] = arrived[left.length / 10 + i] - left[left.length / 10 + i];
        }
        return ways;
    }
}
