package imperan.wire;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.dialect.Osc;
import imperan.live.Actor;
import imperan.live.Cause;
import imperan.live.LiveEvent;
import imperan.live.Reason;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscArgument.Float32;
import imperan.osc.OscBundle;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ByAddressTest {

    private static final long SECOND = 1_000_000_000L;
    private static final Cause CAUSE = new Cause(1, Cause.Origin.ARRIVAL, Actor.IMPERAN, 1);
    private static final PartId DESK = new PartId("desk");

    private final ByAddress addresses = new ByAddress();
    private long now = 1_000 * SECOND;

    private void in(OscPacket packet) {
        addresses.happened(new LiveEvent.PacketIn(
                now,
                CAUSE,
                Optional.of(DESK),
                Osc.STRICT.id(),
                "192.0.2.20:7101",
                9201,
                OscEncoder.encode(packet),
                new Decoded.Whole(packet),
                Optional.empty(),
                Optional.empty()));
    }

    private void in(String address, float value) {
        in(OscMessage.of(address, new Float32(value)));
    }

    private void out(String address, float value, Optional<Reason> reason) {
        OscMessage message = OscMessage.of(address, new Float32(value));
        addresses.happened(new LiveEvent.PacketOut(
                now,
                CAUSE,
                DESK,
                Osc.STRICT.id(),
                "192.0.2.20:7101",
                9201,
                OscEncoder.encode(message),
                new Decoded.Whole(message),
                1,
                reason));
    }

    private static WireFilter looking(String text) {
        return new WireFilter(
                "",
                Optional.empty(),
                ((Search.Read.For) Search.of(text)).search(),
                "",
                WireFilter.Only.ALL,
                Set.of(),
                true);
    }

    private List<AddressRow> rows() {
        return addresses.rows(looking(""), 0, 1_000, now).rows();
    }

    private AddressRow row(String address) {
        return rows().stream()
                .filter(row -> row.address().equals(address))
                .findFirst()
                .orElseThrow();
    }

    /** A hundred other messages a second: meters that never rest, and reports that say the same all the while. */
    @Test
    void whatAHandMovesStandsFirstHoweverMuchElseIsSaid() {
        Random random = new Random(7);
        for (int i = 0; i < 1_500; i++) {
            now += SECOND / 100;
            in("/meter/" + i % 10, random.nextFloat());
            if (i % 10 == 0) {
                in("/still", 1);
            }
            if (i >= 1_400 && i % 20 == 0) {
                in("/in/7/level", i / 2_000f);
            }
        }
        assertThat(rows().get(0).address()).isEqualTo("/in/7/level");
        assertThat(rows().get(0).moving()).isTrue();
        assertThat(rows().get(1).address()).isEqualTo("/still");
        assertThat(rows().subList(1, 12)).noneMatch(AddressRow::moving);
        assertThat(rows().subList(2, 12)).allMatch(AddressRow::restless);
        assertThat(row("/meter/3").perSecond()).isCloseTo(10, within(1.0));
    }

    @Test
    void aMeterIsKnownAsOneAfterAFewSecondsAndAHandIsNotOneBecauseItMovesForAWhile() {
        in("/in/1/level", 0);
        for (int i = 0; i < 40; i++) {
            now += SECOND / 4;
            in("/meter", i);
        }
        assertThat(row("/meter").restless()).isTrue();
        for (int i = 0; i < 24; i++) {
            now += SECOND / 4;
            in("/in/1/level", i);
        }
        assertThat(row("/in/1/level").restless()).as("six seconds").isFalse();
        now += 20 * SECOND;
        assertThat(row("/meter").restless()).isFalse();
    }

    @Test
    void itsRangeItsNumberAndItsTrailAreTold() {
        for (int i = 0; i < 60; i++) {
            in("/a", i);
        }
        in(new OscMessage("/text", List.of(new OscArgument.Text("low"), new OscArgument.Int32(4))));
        AddressRow row = row("/a");
        assertThat(row.count()).isEqualTo(60);
        assertThat(row.low()).contains(0.0);
        assertThat(row.high()).contains(59.0);
        assertThat(row.trail()).hasSize(48).startsWith(12.0).endsWith(59.0);
        assertThat(row.arguments()).isEqualTo("59.0");
        assertThat(row.typeTags()).isEqualTo(",f");
        assertThat(row("/text").trail()).as("its first number").containsExactly(4.0);
    }

    @Test
    void bothDirectionsAndWhatIsInBundlesCountForThemselves() {
        out("/a", 0.5f, Optional.empty());
        out("/b", 0.5f, Optional.of(new Reason.NotTaken()));
        in(new OscBundle(TimeTag.IMMEDIATELY, List.of(OscMessage.of("/a", new Float32(0.5f)), OscMessage.of("/c"))));
        assertThat(rows().stream().map(row -> row.address() + (row.out() ? " out" : " in")))
                .containsExactlyInAnyOrder("/a out", "/a in", "/c in");
        assertThat(row("/c").low()).isEmpty();
        assertThat(addresses.rows(looking("/c"), 0, 10, now).rows()).hasSize(1);
    }

    /** However many others there are: what is asked for is not cut off by them. */
    @Test
    void whatIsAskedForIsFoundAmongAllOfThem() {
        for (int i = 0; i < 50; i++) {
            in("/x/" + i, 1);
        }
        out("/ours", 1, Optional.empty());
        assertThat(filtered(
                        new WireFilter("", Optional.of(true), Search.ALL, "", WireFilter.Only.ALL, Set.of(), true), 0))
                .containsExactly("/ours");
        assertThat(filtered(
                        new WireFilter(
                                WireFilter.STRANGERS,
                                Optional.empty(),
                                Search.ALL,
                                "",
                                WireFilter.Only.ALL,
                                Set.of(),
                                true),
                        0))
                .isEmpty();
        assertThat(filtered(
                        new WireFilter(
                                "",
                                Optional.empty(),
                                Search.ALL,
                                "",
                                WireFilter.Only.ALL,
                                Set.of(new WireFilter.Mute("desk", "")),
                                true),
                        0))
                .isEmpty();
        long cleared = now;
        now += SECOND;
        in("/x/7", 2);
        assertThat(filtered(WireFilter.ALL, cleared)).containsExactly("/x/7");
    }

    private List<String> filtered(WireFilter filter, long since) {
        return addresses.rows(filter, since, 5, now).rows().stream()
                .map(AddressRow::address)
                .toList();
    }

    @Test
    void memoryIsBounded() {
        for (int i = 0; i < ByAddress.MOST_ADDRESSES + 10; i++) {
            in("/x/" + i, 1);
            in("/kept", 1);
        }
        assertThat(addresses.rows(looking(""), 0, Integer.MAX_VALUE, now).rows())
                .hasSize(ByAddress.MOST_ADDRESSES);
        assertThat(addresses.rows(looking("/x/0"), 0, 10, now).rows()).isEmpty();
        assertThat(row("/kept").count()).isEqualTo(ByAddress.MOST_ADDRESSES + 10);
        in("/" + "y".repeat(ByAddress.LONGEST_ADDRESS), 1);
        assertThat(addresses.rows(looking("yyy"), 0, 10, now).rows()).isEmpty();
        assertThat(addresses.rows(looking("/x/"), 0, 10, now).more()).isEqualTo(ByAddress.MOST_ADDRESSES - 1 - 10);
        addresses.forget();
        assertThat(rows()).isEmpty();
    }

    @Test
    void whatCannotBeReadIsOnNoAddress() {
        addresses.happened(new LiveEvent.PacketIn(
                now,
                CAUSE,
                Optional.empty(),
                Osc.STRICT.id(),
                "192.0.2.9:1",
                9201,
                new byte[] {1, 2, 3},
                new Decoded.Malformed(3, "no packet"),
                Optional.empty(),
                Optional.empty()));
        assertThat(rows()).isEmpty();
    }
}
