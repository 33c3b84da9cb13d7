package imperan.wire;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Cause;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WireLogTest {

    private static OscMessage number(String address, int value) {
        return OscMessage.of(address, new OscArgument.Int32(value));
    }

    @Test
    void theNewestAreKeptAndTheirNumbersFollowEachOther() {
        WireScene scene = new WireScene(100, Long.MAX_VALUE);
        for (int i = 1; i <= 1_234; i++) {
            scene.in(number("/a", i));
        }
        assertThat(scene.log.packets())
                .hasSize(100)
                .extracting(WireRecord::number)
                .startsWith(1_135L)
                .endsWith(1_234L);
        assertThat(scene.log.packet(1_134)).isEmpty();
        assertThat(scene.log.packet(1_135))
                .hasValueSatisfying(record -> assertThat(record.messages()).containsExactly(number("/a", 1_135)));
        assertThat(scene.log.packet(1_235)).isEmpty();
    }

    @Test
    void memoryIsBoundedToo() {
        WireScene scene = new WireScene(10_000, 200_000);
        for (int i = 0; i < 500; i++) {
            scene.in(OscMessage.of("/text", new OscArgument.Text("x".repeat(1_000))));
        }
        assertThat(scene.log.packets().stream().mapToLong(WireRecord::memory).sum())
                .isBetween(150_000L, 200_000L);
        scene.in(OscMessage.of("/text", new OscArgument.Text("x".repeat(60_000))));
        scene.in(OscMessage.of("/text", new OscArgument.Text("x".repeat(60_000))));
        assertThat(scene.log.packets())
                .as("the newest is kept however large it is")
                .isNotEmpty()
                .last()
                .satisfies(record -> assertThat(record.bytes()).hasSizeGreaterThan(60_000));
    }

    /** Whatever comes in whatever size: it holds the newest, in order, and never more than is allowed. */
    @Test
    void itHoldsTheNewestWhateverComes() {
        Random random = new Random(11);
        WireScene scene = new WireScene(64, 40_000);
        for (int i = 1; i <= 5_000; i++) {
            scene.in(OscMessage.of("/x", new OscArgument.Text("y".repeat(random.nextInt(4_000)))));
            var kept = scene.log.packets();
            assertThat(kept).hasSizeBetween(1, 64);
            assertThat(kept.get(kept.size() - 1).number()).isEqualTo(i);
            assertThat(kept.get(0).number()).isEqualTo(i - kept.size() + 1);
            assertThat(kept.size() == 1
                            || kept.stream().mapToLong(WireRecord::memory).sum() <= 40_000)
                    .isTrue();
        }
    }

    @Test
    void anotherShowHasNoneOfThem() {
        WireScene scene = new WireScene();
        scene.in(number("/a", 1));
        long before = scene.log.changes();
        scene.log.forget();
        assertThat(scene.log.packets()).isEmpty();
        assertThat(scene.log.changes()).as("whoever asks again hears of it").isGreaterThan(before);
        assertThat(scene.in(number("/a", 2)).number()).as("numbers go on").isEqualTo(2);
    }

    @Test
    void keepAlivesRepeatAtOnceMetersAfterAWhileAndHandsNever() {
        WireScene scene = new WireScene();
        Random random = new Random(3);
        assertThat(scene.out(Cause.Origin.KEEP_ALIVE, OscMessage.of("/stay"), Optional.empty())
                        .repeats())
                .isTrue();
        boolean meter = false;
        boolean pulse = false;
        for (int i = 0; i < 200; i++) {
            meter = scene.in(number("/meter", random.nextInt())).repeats();
            if (i % 10 == 0) {
                pulse = scene.in(number("/pulse", i)).repeats();
            }
            scene.pass(0.1);
        }
        assertThat(meter).as("twenty seconds of ten a second").isTrue();
        assertThat(pulse).as("every second").isTrue();
        for (int i = 0; i < 100; i++) {
            assertThat(scene.out(number("/in/1/level", i)).repeats()).isFalse();
            scene.pass(1);
        }
        scene.pass(60);
        assertThat(scene.in(number("/meter", 1)).repeats()).as("it had stopped").isFalse();
    }

    /** A busy machine delays some of them: they stay folded until they stop. */
    @Test
    void whatRepeatsMayBeLate() {
        WireScene scene = new WireScene();
        Random random = new Random(9);
        for (int i = 0; i < 12; i++) {
            scene.in(number("/pulse", i));
            scene.pass(1);
        }
        for (int i = 0; i < 100; i++) {
            assertThat(scene.in(number("/pulse", i)).repeats()).isTrue();
            scene.pass(0.3 + 2.5 * random.nextDouble());
        }
        scene.pass(10);
        assertThat(scene.in(number("/pulse", 1)).repeats()).isFalse();
    }

    /** Somebody moves a thing at the far end: for six seconds without a rest, and then now and then. */
    @Test
    void aHandAtTheFarEndIsNoRepeat() {
        WireScene scene = new WireScene();
        Random random = new Random(5);
        for (int i = 0; i < 240; i++) {
            assertThat(scene.in(number("/in/7/level", i)).repeats()).isFalse();
            scene.pass(0.025);
        }
        for (int i = 0; i < 60; i++) {
            assertThat(scene.in(number("/in/7/level", i)).repeats()).isFalse();
            scene.pass(0.5 + 4 * random.nextDouble());
        }
    }
}
