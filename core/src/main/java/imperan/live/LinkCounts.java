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
    private static final long SECOND = 1_000_000_000L;
    private static final int SECONDS = 10;

    /** How many left in each of the last seconds; which second it is, beside it. */
    private final int[] inSecond = new int[SECONDS];

    private final long[] second = new long[SECONDS];
    private final RoundTrips roundTrips = new RoundTrips();

    /** Takes note of something that happened with this target. */
    void happened(LiveEvent event) {
        if (event instanceof LiveEvent.PacketOut out) {
            left(out.reason().isEmpty() ? out.messages() : 0, out.at());
        } else if (event instanceof LiveEvent.PacketIn) {
            heard++;
        } else if (event instanceof LiveEvent.Stopped stopped) {
            repeats += stopped.reason() instanceof Reason.SameValue ? 1 : 0;
        } else if (event instanceof LiveEvent.NotQueued not) {
            merged += not.press() ? 0 : 1;
            dropped += not.press() ? 1 : 0;
        } else if (event instanceof LiveEvent.Ended ended) {
            unanswered += ended.result().isUnanswered() ? 1 : 0;
            if (ended.result() instanceof MessageResult.Agreed answered) {
                roundTrips.add(answered.afterNanos());
            }
        }
    }

    private void left(int messages, long at) {
        sent += messages;
        long now = at / SECOND;
        int slot = (int) Math.floorMod(now, (long) SECONDS);
        inSecond[slot] = second[slot] == now ? inSecond[slot] + messages : messages;
        second[slot] = now;
    }

    private int inSecond(long which) {
        int slot = (int) Math.floorMod(which, (long) SECONDS);
        return second[slot] == which ? inSecond[slot] : 0;
    }

    /** How many left within the last second, as nearly as whole seconds tell. */
    double rate(long at) {
        long now = at / SECOND;
        return inSecond(now) + inSecond(now - 1) * (1 - (double) (at % SECOND) / SECOND);
    }

    /** The busiest of the last seconds. */
    Observed.Busiest busiest(long at) {
        long now = at / SECOND;
        int most = 0;
        long when = now;
        for (int slot = 0; slot < SECONDS; slot++) {
            if (now - second[slot] < SECONDS && inSecond[slot] > most) {
                most = inSecond[slot];
                when = second[slot];
            }
        }
        return new Observed.Busiest(most, when * SECOND);
    }

    /** What was counted as sent was not. */
    void tookBack() {
        sent--;
    }

    /** Empty before the first answer. */
    Optional<LinkView.AnswerTimes> answers() {
        return roundTrips.isEmpty()
                ? Optional.empty()
                : Optional.of(new LinkView.AnswerTimes(
                        roundTrips.last(), roundTrips.percentile(0.5), roundTrips.percentile(0.99)));
    }

    /** How long an answer took at most, of the last 512, in nanoseconds; 0 where there was none. */
    long slowest() {
        return roundTrips.greatest();
    }
}
