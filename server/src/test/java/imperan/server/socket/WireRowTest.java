package imperan.server.socket;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Actor;
import imperan.live.Cause;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.wire.WireRecord;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What a packet becomes in the list of the Wire: bounded, whatever is in it. */
class WireRowTest {

    private static final Cause CAUSE = new Cause(1, Cause.Origin.ARRIVAL, Actor.IMPERAN, 1);

    private static WireRecord record(long number, OscMessage message) {
        return new WireRecord(
                number,
                number,
                0,
                false,
                Optional.empty(),
                "osc",
                "192.0.2.9:7101",
                9201,
                OscEncoder.encode(message),
                new Decoded.Whole(message),
                CAUSE,
                Optional.empty(),
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    @Test
    void aLongArgumentIsCutInTheListAndWholeOnRequest() {
        WireRecord record = record(1, OscMessage.of("/name", new OscArgument.Text("\u0001".repeat(60_000))));
        WireRow row = WireRow.of(record);
        assertThat(row.messages().get(0).arguments()).hasSizeLessThan(500).endsWith("…");
        assertThat(WireRow.whole(record).messages().get(0).arguments()).hasSize(60_002);
    }

    @Test
    void manyArgumentsAreCutToo() {
        WireRecord record = record(
                1,
                OscMessage.of(
                        "/junk",
                        Collections.nCopies(60_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new)));
        WireRow row = WireRow.of(record);
        assertThat(row.messages().get(0).arguments()).hasSizeLessThan(500).endsWith("…");
        assertThat(row.messages().get(0).typeTags()).hasSizeLessThan(500);
    }
}
