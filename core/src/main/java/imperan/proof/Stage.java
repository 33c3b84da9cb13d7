package imperan.proof;

/** The way of a message, from what a hand wants to what its target says of it. */
public enum Stage {
    BUILT,
    SENT,
    ARRIVED,
    UNDERSTOOD,
    ACTED,
    ANSWERED
}
