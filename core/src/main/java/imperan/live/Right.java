package imperan.live;

/** What a command needs its actor to be allowed. */
public enum Right {
    /** To play: to touch controls, bring them to rest, send their sends and start lists, and ask targets. */
    OPERATE,
    /** To hold targets, rehearse with them, and let them go. */
    GATE,
    /** To send messages that belong to no control. */
    RAW,
    /** To say lines by itself and compare what is answered. */
    PROVE
}
