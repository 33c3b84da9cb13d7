package imperan.live;

import static imperan.live.Stage.MS;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What waits for the pace of a target, and when it may leave. */
class PacerTest {

    /** Ten a second: one every hundred milliseconds, and no two at once. */
    private final Pacer<String> pacer = new Pacer<>(10);

    @Test
    void theLatestOfAChangeLeavesInItsPlaceAndPressesAreAllThere() {
        assertThat(pacer.change("a", "a1")).isFalse();
        assertThat(pacer.change("b", "b1")).isFalse();
        assertThat(pacer.change("a", "a2")).isTrue();
        assertThat(pacer.press("p")).isTrue();
        assertThat(pacer.change("a", "a3")).as("no change goes before a press").isFalse();
        List<String> left = new ArrayList<>();
        for (long now = 0; now < 1_000 * MS; now += 100 * MS) {
            pacer.next(now).ifPresent(left::add);
        }
        assertThat(left).containsExactly("a2", "b1", "p", "a3");
        assertThat(pacer.change("a", "a4"))
                .as("what has left is merged with nothing")
                .isFalse();
    }

    @Test
    void whenTheNextOneMayLeaveIsExact() {
        assertThat(pacer.nextAt()).isEqualTo(DueQueue.NEVER);
        pacer.change("a", "a");
        pacer.change("b", "b");
        assertThat(pacer.next(1_000 * MS)).contains("a");
        assertThat(pacer.nextAt()).isEqualTo(1_100 * MS);
        assertThat(pacer.next(1_100 * MS - 1)).isEmpty();
        assertThat(pacer.nextAt()).isBetween(1_100 * MS - 1, 1_100 * MS + 1);
        assertThat(pacer.next(1_100 * MS + 1)).contains("b");
    }

    @Test
    void roomForWhatDoesNotWaitHereIsThereOnlyWhereNobodyWaits() {
        assertThat(pacer.spare(0)).isTrue();
        assertThat(pacer.spare(0)).isFalse();
        assertThat(pacer.spareAt()).isEqualTo(100 * MS);
        assertThat(pacer.spare(100 * MS)).isTrue();
        pacer.change("a", "a");
        assertThat(pacer.spare(1_000 * MS)).as("somebody waits").isFalse();
        assertThat(pacer.spareAt()).isEqualTo(DueQueue.NEVER);
    }

    @Test
    void timeThatWasNotUsedIsMadeUpForFromAFiftiethOfASecond() {
        Pacer<String> fast = new Pacer<>(1_000);
        for (int i = 0; i < 30; i++) {
            fast.press(String.valueOf(i));
        }
        assertThat(fast.next(0)).isPresent();
        long now = 5_000 * MS;
        int left = 0;
        while (fast.next(now).isPresent()) {
            left++;
        }
        assertThat(left).isEqualTo(20);
    }

    @Test
    void onlySoManyPressesWaitAndThoseThatLeaveMakeRoom() {
        for (int i = 0; i < Pacer.MAX_PRESSES; i++) {
            assertThat(pacer.press("p" + i)).isTrue();
        }
        assertThat(pacer.press("one more")).isFalse();
        pacer.next(0);
        assertThat(pacer.press("one more")).isTrue();
        assertThat(pacer.press("too many")).isFalse();
    }

    @Test
    void beforeTheWayOutClosesAllPressesAreTakenAndNothingWaitsAnyMore() {
        pacer.change("a", "a");
        pacer.press("p");
        pacer.change("b", "b");
        pacer.press("q");
        assertThat(pacer.holdsAny("b"::equals)).isTrue();
        assertThat(pacer.holdsAny("c"::equals)).isFalse();
        assertThat(pacer.takePresses()).containsExactly("p", "q");
        assertThat(pacer.holdsAny(any -> true)).isFalse();
        assertThat(pacer.next(0)).isEqualTo(Optional.empty());
        assertThat(pacer.change("b", "b2"))
                .as("nothing is left to be merged with")
                .isFalse();
    }
}
