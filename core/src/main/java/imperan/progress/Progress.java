package imperan.progress;

/** Hears how far a long piece of work is, and ends it once nobody waits for it any more. */
public interface Progress {

    /** Nobody asks how far it is, and nobody ends it. */
    Progress NONE = (stage, done, of) -> {};

    /** What is being done. */
    enum Stage {
        /** A file is taken apart. */
        READING,
        /** What it would change is held against the rules. */
        CHECKING,
        /** It is written into the database. */
        SAVING,
        /** What a proof would say is worked out. */
        PLANNING
    }

    /**
     * Called before each piece of a stage; costs nothing to speak of.
     *
     * @param done pieces that are done, 0 to {@code of}
     * @param of   pieces of this stage
     * @throws Cancelled where the work is to end here; nothing of it may have been kept by then
     */
    void at(Stage stage, int done, int of);

    /** Somebody cancelled the work. */
    final class Cancelled extends RuntimeException {

        private static final long serialVersionUID = 1;

        public Cancelled() {
            // how it came here says nothing: it was asked for
            super("Cancelled. No changes were made", null, false, false);
        }
    }
}
