package imperan.e2e;

/** A program that does nothing, for a while: somebody else's, as far as Imperan is concerned. */
final class Sleeper {

    private Sleeper() {}

    public static void main(String[] arguments) throws InterruptedException {
        Thread.sleep(300_000);
    }
}
