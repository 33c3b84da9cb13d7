package imperan.live;

/** Whether what is meant for a target leaves. */
public enum Gate {
    /** It leaves. */
    OPEN,
    /** Nothing that a hand does leaves; the link is kept alive. Only where all targets are held, the keep-alives stop too. */
    HELD,
    /** Everything is computed and shown, and nothing at all leaves. */
    REHEARSING
}
