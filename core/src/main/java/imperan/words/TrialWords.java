package imperan.words;

import imperan.trial.TrialReport;

/** How a trial of a cue list ended, in words. */
public final class TrialWords {

    private TrialWords() {}

    /** How a trial ended, in one sentence without its full stop. */
    public static String end(TrialReport.End end) {
        return switch (end) {
            case LAST -> "It went on to the last cue";
            case STOPPED -> "It was stopped";
            case ROUND -> "Its cues go round in a ring, or more than 100 would have begun at once: it was ended there";
            case ENDLESS -> "It would take more than 48 hours, or send more than a million messages: the rehearsal was ended there. Play it at the targets to see the rest";
            case GONE -> "It ended before its time: another show went live, or the list was deleted";
        };
    }
}
