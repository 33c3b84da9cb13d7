package imperan.proof.report;

/** What a proof found out of a target as a whole. */
public enum TargetState {
    /** Something came from it while the proof ran. */
    ANSWERED(false),
    /** By its settings it never answers. */
    SENT_ONLY(false),
    /** Nothing that wants an answer was sent to it, and nothing came. */
    NOT_TRIED(false),
    /** It left unanswered what it has to answer. */
    SILENT(true),
    /** Its machine says that nobody has the port open. */
    PORT_CLOSED(true);

    private final boolean failed;

    TargetState(boolean failed) {
        this.failed = failed;
    }

    public boolean isFailed() {
        return failed;
    }
}
