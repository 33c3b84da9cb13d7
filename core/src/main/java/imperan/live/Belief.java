package imperan.live;

/** What we may believe of a control's value. */
public enum Belief {
    /** Nothing sent or heard yet. */
    UNSET,
    /** Reported by its target. */
    KNOWN,
    /** Sent, and not reported, because the target never does or has not yet. */
    ASSUMED,
    /** Reported once, but the link is lost or we restarted since. */
    STALE
}
