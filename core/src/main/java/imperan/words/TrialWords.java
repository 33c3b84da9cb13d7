package imperan.words;

import imperan.cue.Outcome;
import imperan.trial.TrialReport;

/** What a trial of a cue list says, in words. */
public final class TrialWords {

    private TrialWords() {
    }

    /**
     * What became of an action, in a word or two.
     *
     * @param rehearsed whether nobody heard it
     */
    public static String outcome(Outcome outcome, boolean rehearsed) {
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

    /** How a trial ended, in one sentence without its full stop. */
    public static String end(TrialReport.End end) {
        return switch (end) {
            case LAST -> "It went on to the last cue";
            case STOPPED -> "It was stopped";
            case ROUND -> "Its cues go round in a ring, or more than 100 would have begun at once: it was ended there";
            case GONE -> "It ended before its time: another show went live, or the list was deleted";
        };
    }
}
