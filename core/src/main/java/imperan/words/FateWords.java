package imperan.words;

import imperan.wire.Fate;
import java.util.Locale;

/** What became of the answer to a packet of ours, in a few words for its row in the Wire. */
public final class FateWords {

    private FateWords() {}

    /** Empty where none is expected. */
    public static String of(Fate fate) {
        return switch (fate.kind()) {
            case WAITING -> "waiting";
            case NONE_EXPECTED -> "";
            case ANSWERED -> millis(fate.nanos());
            case OVERTAKEN -> "overtaken";
            case NOT_JUDGED -> "not judged";
            case NO_NEWS -> "unchanged";
            case WRONG_VALUE -> "wrong value";
            case NO_ANSWER -> "no answer";
        };
    }

    /** A time as a row has room for it. */
    public static String millis(long nanos) {
        return String.format(Locale.ROOT, "%.1f ms", nanos / 1e6);
    }
}
