package imperan.words;

import imperan.cue.Outcome;

/** What became of an action of a cue, in words. */
public final class OutcomeWords {

    private OutcomeWords() {}

    /**
     * What became of an action, in a word or two.
     *
     * @param rehearsed whether nobody heard it
     */
    public static String of(Outcome outcome, boolean rehearsed) {
        return switch (outcome) {
            case WAITS -> "waits";
            case GOES_ON -> "goes on";
            case SAID -> "sent";
            case DONE -> rehearsed ? "rehearsed" : "done";
            case ANSWERED -> "answered";
            case FELL_SHORT -> "fell short";
            case SKIPPED -> "left out";
            case TAKEN -> "taken by hand";
            case STOPPED -> "stopped";
        };
    }
}
