package imperan.live;

import java.util.Optional;

/**
 * How often answers came.
 *
 * @param judged       messages whose answer came or did not; those that a later one overtook are left out
 * @param answered     of these
 * @param latest       the last few of them, at most {@value #LATEST}
 * @param latestAnswered of these
 * @param lastAnsweredAt when the last answer came, in nanoseconds since 1970; empty where none did
 */
public record AnswerTally(int judged, int answered, int latest, int latestAnswered, Optional<Long> lastAnsweredAt) {

    /** As many as are remembered one by one. */
    public static final int LATEST = 12;

    /** Of what was never said. */
    public static final AnswerTally NONE = new AnswerTally(0, 0, 0, 0, Optional.empty());

    /** Whether of the last few some were answered, and some were not. */
    public boolean isIntermittent() {
        return latestAnswered > 0 && latestAnswered < latest;
    }
}
