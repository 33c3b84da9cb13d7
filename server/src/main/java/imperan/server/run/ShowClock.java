package imperan.server.run;

/** Nanoseconds since 1970 that never run backwards, whatever happens to the system's clock meanwhile: all times of the running show. */
public final class ShowClock {

    private static final long BASE = System.currentTimeMillis() * 1_000_000L - System.nanoTime();

    private ShowClock() {}

    public static long now() {
        return BASE + System.nanoTime();
    }
}
