package imperan.server.socket;

import imperan.live.Actor;
import imperan.live.Cause;
import imperan.live.WireRecord;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.server.run.RecentWire;
import org.junit.jupiter.api.Test;

import java.util.Collections;
import java.util.Optional;

import static org.assertj.core.api.Assertions.assertThat;

/** What a packet becomes in the list of the Wire: bounded, whatever is in it. */
class WireRowTest {

    private static final Cause CAUSE = new Cause(1, Cause.Origin.ARRIVAL, Actor.IMPERAN, 1);

    private static WireRecord record(long number, OscMessage message) {
        return new WireRecord(number, 0, false, Optional.empty(), "osc", "192.0.2.9:7101", 9201, OscEncoder.encode(message), CAUSE, Optional.empty(), Optional.empty());
    }

    @Test
    void aLongArgumentIsCutInTheListAndWholeOnRequest() {
        WireRecord record = record(1, OscMessage.of("/name", new OscArgument.Text("\u0001".repeat(60_000))));
        WireRow row = WireRow.of(record);
        assertThat(row.cut()).isTrue();
        assertThat(row.messages().get(0).arguments()).hasSizeLessThan(OscText.BRIEF + 100).contains("60002 characters");
        assertThat(WireRow.whole(record).messages().get(0).arguments()).hasSize(60_002);
        assertThat(WireRow.whole(record).hex()).hasSize(2 * record.bytes().length);
    }

    @Test
    void manyArgumentsAreCutToo() {
        WireRecord record = record(1, OscMessage.of("/junk", Collections.nCopies(60_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new)));
        WireRow row = WireRow.of(record);
        assertThat(row.messages().get(0).arguments()).hasSizeLessThan(6 * OscText.BRIEF).contains("more arguments");
        assertThat(row.messages().get(0).typeTags()).hasSizeLessThan(OscText.BRIEF + 100);
    }

    @Test
    void theNewestPacketsAreKeptAsFarAsThereIsRoom() {
        RecentWire wire = new RecentWire(100, 50_000);
        for (int i = 1; i <= 1_000; i++) {
            wire.add(record(i, OscMessage.of("/a", new OscArgument.Int32(i))));
        }
        assertThat(wire.all()).hasSize(100);
        assertThat(wire.newest()).isEqualTo(1_000);
        wire.add(record(1_001, OscMessage.of("/a", new OscArgument.Text("x".repeat(49_000)))));
        assertThat(wire.all().stream().mapToInt(row -> row.bytes().length).sum()).isLessThanOrEqualTo(50_000);
        assertThat(wire.newest()).isEqualTo(1_001);
    }
}
