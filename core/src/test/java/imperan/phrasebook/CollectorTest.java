package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.Collections;
import org.junit.jupiter.api.Test;

/** What is heard from a target that nobody controls fills no more than its room. */
class CollectorTest {

    private final Collector collector = new Collector();

    @Test
    void dataMessagesAreNoPhrases() {
        OscArgument[] many = Collections.nCopies(60_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new);
        collector.heard(OscMessage.of("/junk", many));
        assertThat(collector.phrases()).isEmpty();
        assertThat(collector.bytes()).isZero();
    }

    @Test
    void noMoreAddressesAndBytesAreKeptThanThereIsRoomFor() {
        for (int i = 0; i < 2 * Collector.MAX_ADDRESSES; i++) {
            collector.heard(OscMessage.of("/a/" + i, new OscArgument.Float32(i)));
        }
        assertThat(collector.phrases()).hasSize(Collector.MAX_ADDRESSES);
        Collector wide = new Collector();
        for (int i = 0; i < 1_000; i++) {
            wide.heard(OscMessage.of("/" + i + "x".repeat(60_000), new OscArgument.Float32(i)));
        }
        assertThat(wide.bytes()).isLessThanOrEqualTo(Collector.MAX_BYTES).isGreaterThan(Collector.MAX_BYTES / 2);
    }

    @Test
    void aRangeThatCannotBeReckonedWithIsNone() {
        collector.heard(OscMessage.of("/gain", new OscArgument.Float64(-Double.MAX_VALUE)));
        collector.heard(OscMessage.of("/gain", new OscArgument.Float64(Double.MAX_VALUE)));
        assertThat(collector.phrases())
                .singleElement()
                .satisfies(phrase -> assertThat(phrase.arguments().get(0).low()).isEmpty());
    }

    @Test
    void anAddressThatChangesItsTypesTakesTheRoomOfTheLast() {
        for (int i = 0; i < 100; i++) {
            collector.heard(OscMessage.of(
                    "/a",
                    Collections.nCopies(1 + i % 60, new OscArgument.Int32(1)).toArray(OscArgument[]::new)));
        }
        assertThat(collector.bytes()).isLessThan(5_000);
    }

    @Test
    void whetherAnAddressIsRememberedIsKnown() {
        collector.heard(OscMessage.of("/a", new OscArgument.Float32(1)));
        assertThat(collector.knows("/a")).isTrue();
        assertThat(collector.knows("/b")).isFalse();
    }
}
