package imperan.live;

/** Whether what is meant for a target leaves. */
public enum Gate {
    /** It leaves. */
    OPEN,
    /** Nothing that a hand does leaves; the link is kept alive. */
    HELD,
    /** Nothing at all leaves, not even what keeps the link alive. */
    SILENT,
    /** Everything is computed and shown, and nothing at all leaves. */
    REHEARSING;

    /** Whether keep-alives and questions leave. */
    public boolean isKeptAlive() {
        return this == OPEN || this == HELD;
    }
}
