package imperan.cue;

/** What became of an action of a cue. */
public enum Outcome {
    /** Its time has not come. */
    WAITS,
    /** It goes on: a fade, or what is looked up first. */
    GOES_ON,
    /** It was said, and its answer is awaited. */
    SAID,
    /** It was done, and nothing is to be answered. */
    DONE,
    /** It was done, and answered. */
    ANSWERED,
    /** It was not done, or its answer is missing or another one. */
    FELL_SHORT,
    /** It was left out, as the action says. */
    SKIPPED,
    /** Somebody who stands before a cue took what it moved. */
    TAKEN,
    /** It was stopped. */
    STOPPED;

    /** Whether nothing more comes of it. */
    public boolean isFinal() {
        return this != WAITS && this != GOES_ON && this != SAID;
    }

    /** Whether all went as it was meant. */
    public boolean isWell() {
        return this == DONE || this == ANSWERED;
    }
}
