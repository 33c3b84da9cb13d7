package imperan.cue;

/** Why an order to a cue list does nothing. */
public enum Refusal {
    /** The next cue is not the one that was seen when somebody said go. */
    MOVED_SINCE,
    /** The last go was just now. */
    TOO_SOON,
    /** There is no next cue. */
    AT_END,
    /** There is none before. */
    AT_START,
    /** The cue is not in the list. */
    NO_SUCH_CUE,
    /** The list is paused. */
    PAUSED,
    /** Nothing runs. */
    NOTHING_RUNS,
    /** As many of its cues run as may. */
    TOO_MANY
}
