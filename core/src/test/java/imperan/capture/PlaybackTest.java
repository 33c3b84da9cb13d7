package imperan.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.show.Reach;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PlaybackTest {

    private static final long MS = 1_000_000;

    /** One every 100 ms. */
    private static List<Captured> five() {
        return IntStream.range(0, 5)
                .mapToObj(i -> new Captured(
                        7_000 * MS + i * 100 * MS, true, "", 0, "", 0, Reach.UDP, new byte[] {(byte) i}, ""))
                .toList();
    }

    private static List<Integer> numbers(List<Captured> packets) {
        return packets.stream().map(packet -> (int) packet.bytes()[0]).toList();
    }

    @Test
    void packetsLeaveAtTheirOwnDistances() {
        Playback playback = new Playback(five(), 1, false, 50 * MS);
        assertThat(numbers(playback.take(50 * MS))).containsExactly(0);
        assertThat(playback.nextDue()).isEqualTo(150 * MS);
        assertThat(playback.take(149 * MS)).isEmpty();
        assertThat(numbers(playback.take(361 * MS))).containsExactly(1, 2, 3);
        assertThat(numbers(playback.take(450 * MS))).containsExactly(4);
        assertThat(playback.isOver()).isTrue();
        assertThat(playback.nextDue()).isEqualTo(Playback.NEVER);
    }

    @Test
    void fasterAndSlower() {
        assertThat(numbers(new Playback(five(), 2, false, 0).take(100 * MS))).containsExactly(0, 1, 2);
        assertThat(numbers(new Playback(five(), 0.5, false, 0).take(399 * MS))).containsExactly(0, 1);
        assertThatThrownBy(() -> new Playback(five(), 0, false, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Playback(five(), Double.NaN, false, 0))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /**
     * The first one at the beginning of 1970, as a device without a clock says it: the others do not leave in one
     * burst, however slowly it is played.
     */
    @Test
    void aTimeOfAnotherAgeIsWaitedFor() {
        long now = 1_780_000_000_000L * MS;
        List<Captured> packets = IntStream.range(0, 5)
                .mapToObj(i -> new Captured(
                        i == 0 ? 0 : now + i * 100 * MS, true, "", 0, "", 0, Reach.UDP, new byte[] {(byte) i}, ""))
                .toList();
        for (double speed : new double[] {Playback.SLOWEST, 1, Playback.FASTEST}) {
            Playback playback = new Playback(packets, speed, false, now);
            assertThat(numbers(playback.take(now + 3_600_000 * MS)))
                    .as("at %s", speed)
                    .containsExactly(0);
            assertThat(numbers(playback.step(now + 3_600_000 * MS).stream().toList()))
                    .containsExactly(1);
        }
    }

    @Test
    void aPauseTakesNoTime() {
        Playback playback = new Playback(five(), 1, false, 0);
        playback.take(120 * MS);
        playback.pause(120 * MS);
        assertThat(playback.take(10_000 * MS)).isEmpty();
        playback.resume(10_000 * MS);
        assertThat(playback.nextDue()).isEqualTo(10_080 * MS);
        assertThat(playback.played()).isEqualTo(2);
    }

    @Test
    void oneByOneAndThenOnFromThere() {
        Playback playback = new Playback(five(), 1, true, 0);
        assertThat(playback.take(5_000 * MS)).isEmpty();
        assertThat(playback.step(6_000 * MS).map(packet -> (int) packet.bytes()[0]))
                .contains(0);
        assertThat(playback.step(9_000 * MS).map(packet -> (int) packet.bytes()[0]))
                .contains(1);
        playback.resume(9_050 * MS);
        assertThat(playback.nextDue())
                .as("100 ms after the last step, but for the pause")
                .isEqualTo(9_150 * MS);
        assertThat(numbers(playback.take(9_400 * MS))).containsExactly(2, 3, 4);
        assertThat(playback.step(9_500 * MS)).isEmpty();
    }
}
