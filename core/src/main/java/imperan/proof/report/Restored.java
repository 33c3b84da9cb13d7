package imperan.proof.report;

/** Whether what a probe moved stands again where it stood. */
public enum Restored {
    /** It was not moved. */
    NOT_MOVED,
    /** The old value was sent, and confirmed where the target confirms anything. */
    YES,
    /** The old value was sent, and not confirmed. */
    UNCONFIRMED,
    /** Nobody knows where it stood. */
    UNKNOWN,
    /** Somebody else moved it meanwhile, or the proof was frozen: it stays as it is. */
    LEFT
}
