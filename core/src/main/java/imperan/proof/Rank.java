package imperan.proof;

/** How sure it is that something is the cause. */
public enum Rank {
    /** It was seen itself. */
    CERTAIN,
    /** What was seen speaks for it, and it would be strange without it. */
    LIKELY,
    /** Nothing that was seen speaks against it. */
    POSSIBLE
}
