package imperan.server.run;

import java.util.concurrent.locks.ReentrantLock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Takes one turn at a time. The loop has a thread for it, but while it is calm that thread sleeps, and waking it would take longer than the
 * turn: so who brings a touch or a packet then takes the turn for it. Once inputs come close together, all of them are left to the loop's
 * own thread.
 */
final class Turns implements AutoCloseable {

    /** What is done in a turn. A fault in one step does not keep the others from being done. */
    interface Work {

        void handle(Input input, long now);

        /**
         * One thing that is due by now, by time alone.
         *
         * @return whether there was one
         */
        boolean due(long now);

        /** What was put together by that leaves. */
        void dueDone();

        /** Who plays by itself gets a turn. */
        void act(long now);

        /** What changed is told to those who look, as often as they want to hear of it. */
        void tell(long now);

        /** What is to be remembered is handed on, once a second. */
        void save(long now);

        /** When something is to be done if nothing comes in. */
        long next();

        /** A step could not be done. */
        void failed(Throwable why);
    }

    private static final Logger LOG = LoggerFactory.getLogger(Turns.class);
    /** The loop is calm when nothing was handled for as long: at more than a thousand inputs a second it never is. */
    private static final long CALM_NANOS = 1_000_000L;
    /** Due things in one turn. */
    private static final int MOST_DUE = 64;

    private final Inbox inbox;
    private final Work work;
    private final Thread thread = new Thread(this::run, "show-loop");
    /** Held by the one who takes the turn; guards all that the work touches. */
    private final ReentrantLock turn = new ReentrantLock();

    private volatile long lastHandled;
    /** When the loop's thread looks again if nothing comes in. */
    private volatile long wakesAt;

    Turns(Inbox inbox, Work work) {
        this.inbox = inbox;
        this.work = work;
    }

    void start() {
        thread.start();
    }

    private void run() {
        while (!Thread.currentThread().isInterrupted()) {
            try {
                inbox.await(wakesAt - ShowClock.now());
                turn.lock();
                try {
                    take();
                    due();
                    guarded(() -> work.act(ShowClock.now()));
                    guarded(() -> work.tell(ShowClock.now()));
                    guarded(() -> work.save(ShowClock.now()));
                    wakesAt = work.next();
                } finally {
                    turn.unlock();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Handles one input, where there is one. */
    private void take() {
        inbox.poll().ifPresent(this::handle);
    }

    private void handle(Input input) {
        guarded(() -> {
            long now = ShowClock.now();
            work.handle(input, now);
            lastHandled = now;
        });
    }

    /** What is due, one after the other, and no more than packets should wait for; after each of them a hand that waits has its turn. */
    private void due() {
        boolean[] done = {true};
        for (int i = 0; i < MOST_DUE && done[0]; i++) {
            done[0] = false;
            guarded(() -> done[0] = work.due(ShowClock.now()));
            if (done[0]) {
                inbox.pollHand().ifPresent(this::handle);
            }
        }
        guarded(work::dueDone);
    }

    /** A fault in one thing must not silence the show, not even one of the machine such as a full stack or memory. */
    private void guarded(Runnable step) {
        try {
            step.run();
        } catch (Throwable e) {
            LOG.error("An input could not be handled", e);
            work.failed(e);
        }
    }

    /**
     * On the thread that has just brought an input: takes the turn for it where the loop is calm, else wakes the loop. What is due is left
     * to the loop.
     */
    void takeOrWake() {
        boolean done = false;
        if (ShowClock.now() - lastHandled > CALM_NANOS && turn.tryLock()) {
            try {
                take();
                guarded(() -> work.act(ShowClock.now()));
                guarded(() -> work.tell(ShowClock.now()));
                done = work.next() >= wakesAt;
            } finally {
                turn.unlock();
            }
        }
        if (!done) {
            inbox.wake();
        }
    }

    /** Ends the loop's thread; no turn is taken by it afterwards. */
    @Override
    public void close() {
        thread.interrupt();
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Does something as if it were a turn. */
    void within(Runnable doing) {
        turn.lock();
        try {
            doing.run();
        } finally {
            turn.unlock();
        }
    }
}
