package imperan.server.run;

/** Nanoseconds since 1970 that never run backwards, whatever happens to the system's clock meanwhile. */
final class ShowClock {

    private final long base = System.currentTimeMillis() * 1_000_000L - System.nanoTime();

    long now() {
        return base + System.nanoTime();
    }
}
