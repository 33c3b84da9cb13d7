package imperan.words;

import imperan.cue.ListRun;
import imperan.watch.Incident;

/** What went wrong while a show plays, in words. */
public final class WatchWords {

    private WatchWords() {}

    /** One or two words. */
    public static String word(Incident.Kind kind) {
        return switch (kind) {
            case LINK_LOST -> "lost";
            case PORT_CLOSED -> "port closed";
            case NO_ANSWER -> "no answer";
            case WRONG_VALUE -> "wrong value";
            case NOT_SENT -> "not sent";
            case MALFORMED -> "malformed";
            case CUE_NOT_BEGUN -> "not begun";
        };
    }

    /** A sentence. */
    public static String says(Incident incident) {
        String detail = incident.detail();
        return switch (incident.kind()) {
            case LINK_LOST -> detail.isEmpty() ? "It answered before, and does not any more" : capital(detail);
            case PORT_CLOSED -> "No program is listening on its port";
            case NO_ANSWER -> detail.isEmpty() ? "Nothing came in time" : "The value came as " + detail;
            case WRONG_VALUE -> "Answered " + detail;
            case NOT_SENT -> detail.isEmpty()
                    ? "More was to be sent than there is room for, or the system did not take it"
                    : capital(detail);
            case MALFORMED -> capital(detail);
            case CUE_NOT_BEGUN -> ListRun.MOST_RUNNING + " cues of this list ran already, so “" + detail
                    + "” did not begin. Look what fires it so often";
        };
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
