package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is counted of a link, and how much is said to it by the second. */
class LinkCountsTest {

    private static final PartId DESK = new PartId("desk");
    private static final long SECOND = 1_000_000_000L;

    private final LinkCounts counts = new LinkCounts();

    private void left(int messages, long at, Reason... notSent) {
        counts.happened(new LiveEvent.PacketOut(
                at,
                Cause.NONE,
                DESK,
                "OSC",
                "",
                9201,
                new byte[0],
                new OscDecoder().decode(new byte[0]),
                messages,
                List.of(notSent).stream().findFirst()));
    }

    private void ended(MessageResult result) {
        counts.happened(new LiveEvent.Ended(0, Cause.NONE, 1, Optional.empty(), DESK, result));
    }

    @Test
    void theRateIsOfTheSecondThatEndsNow() {
        assertThat(counts.rate(100 * SECOND)).isZero();
        left(10, 100 * SECOND);
        left(10, 100 * SECOND + SECOND / 2);
        assertThat(counts.rate(100 * SECOND + SECOND / 2)).isEqualTo(20);
        assertThat(counts.rate(101 * SECOND)).as("all of the second before").isEqualTo(20);
        assertThat(counts.rate(101 * SECOND + SECOND / 4))
                .as("three quarters of it")
                .isEqualTo(15);
        left(6, 101 * SECOND + SECOND / 4);
        assertThat(counts.rate(101 * SECOND + SECOND / 2)).isEqualTo(16);
        assertThat(counts.rate(103 * SECOND)).isZero();
        assertThat(counts.rate(111 * SECOND))
                .as("the same slot, ten seconds later")
                .isZero();
    }

    @Test
    void theBusiestIsOfTheLastTenSeconds() {
        assertThat(counts.busiest(50 * SECOND)).isEqualTo(new Observed.Busiest(0, 50 * SECOND));
        left(3, 100 * SECOND);
        left(7, 102 * SECOND + 5);
        left(7, 105 * SECOND);
        left(2, 106 * SECOND);
        assertThat(counts.busiest(106 * SECOND + 9)).isEqualTo(new Observed.Busiest(7, 102 * SECOND));
        assertThat(counts.busiest(111 * SECOND))
                .as("the second 102 is the tenth before")
                .isEqualTo(new Observed.Busiest(7, 102 * SECOND));
        left(1, 112 * SECOND);
        assertThat(counts.busiest(114 * SECOND)).isEqualTo(new Observed.Busiest(7, 105 * SECOND));
        assertThat(counts.busiest(130 * SECOND)).isEqualTo(new Observed.Busiest(0, 130 * SECOND));
    }

    @Test
    void whatCouldNotLeaveIsNotCountedAsSent() {
        left(3, SECOND);
        left(2, SECOND, new Reason.SameValue());
        assertThat(counts.sent).isEqualTo(3);
        assertThat(counts.rate(SECOND)).isEqualTo(3);
        counts.tookBack();
        assertThat(counts.sent).isEqualTo(2);
    }

    @Test
    void eachThingIsCountedAsWhatItIs() {
        counts.happened(new LiveEvent.NotQueued(0, Cause.NONE, DESK, false));
        counts.happened(new LiveEvent.NotQueued(0, Cause.NONE, DESK, false));
        counts.happened(new LiveEvent.NotQueued(0, Cause.NONE, DESK, true));
        assertThat(counts.merged).isEqualTo(2);
        assertThat(counts.dropped).isEqualTo(1);
        counts.happened(
                new LiveEvent.Stopped(0, Cause.NONE, Optional.empty(), 0, Optional.empty(), new Reason.SameValue()));
        counts.happened(
                new LiveEvent.Stopped(0, Cause.NONE, Optional.empty(), 0, Optional.empty(), new Reason.NoSend()));
        assertThat(counts.repeats).isEqualTo(1);
        assertThat(counts.answers()).isEmpty();
        ended(new MessageResult.NoAnswer(1, Optional.empty()));
        ended(Came.another("/a", List.of(), 1));
        ended(new MessageResult.Overtaken());
        ended(Came.back("/a", List.of(new OscArgument.Int32(1)), 40));
        ended(Came.back("/a", List.of(new OscArgument.Int32(1)), 20));
        assertThat(counts.unanswered).isEqualTo(2);
        assertThat(counts.answers()).contains(new LinkView.AnswerTimes(20, 20, 40));
    }
}
