package imperan.words;

import imperan.live.LinkView;
import imperan.proof.ReadyCheck.Item;
import imperan.proof.ReadyCheck.Question;

/** The ready check, in words. */
public final class ReadyWords {

    private ReadyWords() {}

    /** What is so where all of it is ready. */
    public static String title(Question question) {
        return switch (question) {
            case ANSWERING -> "Every target answers";
            case OPEN -> "Nothing is held, silent or in rehearsal";
            case AT_VENUE -> "Every target is switched to the venue";
            case STARTED -> "Every start list was sent since its target came";
            case SOUNDING -> "Every track’s sound is on this server, and a device plays it";
            case FINDINGS -> "No finding stops the show";
            case PROVED -> "Every line is proved since its last change";
            case ANSWERED -> "What each control sent last was answered";
        };
    }

    /** What is so of one that is not ready. */
    public static String says(Question question, Item item) {
        return switch (question) {
            case ANSWERING -> item.link().map(ReadyWords::link).orElse("It does not answer");
            case OPEN -> item.link()
                    .map(link -> switch (link.gate()) {
                        case HELD -> "Held: nothing is sent by hand";
                        case SILENT -> "Silent: nothing is sent at all";
                        case REHEARSING, OPEN -> "Rehearsal: nothing leaves";
                    })
                    .orElse("");
            case AT_VENUE -> "Switched to its stand-in";
            case STARTED -> "Its start list was not sent since it came";
            case SOUNDING -> item.detail().isEmpty()
                    ? "No device plays its sound: press “Sound here” on the one that is to play it"
                    : "Its sound “" + item.detail() + "” is not on this server: load it again under Edit";
            case FINDINGS -> item.detail();
            case PROVED -> item.detail() + ": "
                    + item.proved()
                            .map(proved -> (proved.stale() ? "changed since it was " : "")
                                    + ProofWords.verdict(proved.verdict())
                                    + (!proved.stale() && proved.away().isPresent()
                                            ? ", before its target was away, or another machine answered for it"
                                            : ""))
                            .orElse("not proved yet");
            case ANSWERED -> "No answer, or a wrong one, to " + item.detail();
        };
    }

    private static String link(LinkView link) {
        if (!link.socket().works()) {
            return link.socket().trouble();
        }
        return switch (link.state()) {
            case UNHEARD -> link.silentHost() ? "No machine on the network has its address" : "No reply yet";
            case HEARD -> "It sends, and does not answer";
            case LOST -> "Lost: it answered before";
            case PORT_CLOSED -> "No program is listening on its port";
            case ANSWERING, SENDS_ONLY -> "It answers";
        };
    }
}
