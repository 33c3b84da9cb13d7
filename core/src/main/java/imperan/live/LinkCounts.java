package imperan.live;

import java.util.Optional;

/** What is counted of one target since the start, as {@link LinkView} says it. */
final class LinkCounts {

    long sent;
    long heard;
    long unanswered;
    long repeats;
    long merged;
    long dropped;
    private final RoundTrips roundTrips = new RoundTrips();

    void roundTrip(long nanos) {
        roundTrips.add(nanos);
    }

    /** Empty before the first answer. */
    Optional<LinkView.AnswerTimes> answers() {
        return roundTrips.isEmpty() ? Optional.empty()
                : Optional.of(new LinkView.AnswerTimes(roundTrips.last(), roundTrips.percentile(0.5), roundTrips.percentile(0.99)));
    }
}
