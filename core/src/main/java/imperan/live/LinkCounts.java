package imperan.live;

import java.util.Optional;

/** What is counted of one target since the start, as {@link LinkView} says it: gathered from what happened. */
final class LinkCounts {

    long sent;
    long heard;
    long unanswered;
    long repeats;
    long merged;
    long dropped;
    private final RoundTrips roundTrips = new RoundTrips();

    /** Takes note of something that happened with this target. */
    void happened(LiveEvent event) {
        if (event instanceof LiveEvent.PacketOut out) {
            sent += out.reason().isEmpty() ? out.messages() : 0;
        } else if (event instanceof LiveEvent.PacketIn) {
            heard++;
        } else if (event instanceof LiveEvent.Stopped stopped) {
            repeats += stopped.reason() instanceof Reason.SameValue ? 1 : 0;
        } else if (event instanceof LiveEvent.NotQueued not) {
            merged += not.press() ? 0 : 1;
            dropped += not.press() ? 1 : 0;
        } else if (event instanceof LiveEvent.Ended ended) {
            unanswered += ended.ending() instanceof Ending.NoAnswer || ended.ending() instanceof Ending.WrongValue ? 1 : 0;
            if (ended.ending() instanceof Ending.Answered answered) {
                roundTrips.add(answered.afterNanos());
            }
        }
    }

    /** What was counted as sent was not. */
    void tookBack() {
        sent--;
    }

    /** Empty before the first answer. */
    Optional<LinkView.AnswerTimes> answers() {
        return roundTrips.isEmpty() ? Optional.empty()
                : Optional.of(new LinkView.AnswerTimes(roundTrips.last(), roundTrips.percentile(0.5), roundTrips.percentile(0.99)));
    }
}
