package imperan.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.capture.Captured;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.rehearsal.Replayed.Followed;
import imperan.rehearsal.Replayed.Unfollowed;
import imperan.show.PartId;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ReplayTest {

    private static final PartId ONE = new PartId("one");
    private static final PartId TWO = new PartId("two");
    private static final long SECOND = 1_000_000_000L;

    private final Show show = show();
    private long at = 1_700_000_000L * SECOND;

    private static Show show() {
        Show show = Shows.withPage();
        Target desk = Target.plain("Desk", "192.0.2.20", 7101, 9201, Target.Answering.QUERIES)
                .simulatedAt(new StandInEnd("127.0.0.1", 7401, true));
        return Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(show, Shows.DESK, desk),
                Shows.put(ONE, Shows.PAGE, Shows.fader("One", 0, "/one")),
                Shows.put(TWO, Shows.PAGE, Shows.fader("Two", 2, "/two")));
    }

    private Captured from(String host, int port, OscPacket packet) {
        at += SECOND;
        return new Captured(at, false, "192.0.2.1", 9201, host, port, Reach.UDP, OscEncoder.encode(packet), "");
    }

    private static OscMessage level(String address, double value) {
        return OscMessage.of(address, new OscArgument.Float32((float) value));
    }

    @Test
    void controlsFollowAndWhatNobodyListensToIsCounted() {
        Replayed replayed = Replay.of(
                show,
                List.of(
                        from("192.0.2.20", 7101, level("/one", 0.25)),
                        from(
                                "192.0.2.20",
                                7101,
                                new OscBundle(TimeTag.IMMEDIATELY, List.of(level("/one", 0.75), level("/three", 1)))),
                        from("127.0.0.1", 7401, level("/three", 0))),
                Optional.empty());
        assertThat(replayed.packets()).isEqualTo(3);
        assertThat(replayed.messages()).isEqualTo(4);
        assertThat(replayed.followed()).extracting(Followed::control).containsExactly(ONE);
        assertThat(replayed.followed().get(0).messages()).isEqualTo(2);
        assertThat(replayed.followed().get(0).value().echo().orElseThrow()).isCloseTo(0.75, within(1e-6));
        assertThat(replayed.unfollowed()).containsExactly(new Unfollowed(Shows.DESK, "/three", 2));
        assertThat(replayed.silent()).containsExactly(TWO);
        assertThat(replayed.strangers()).isEmpty();
    }

    @Test
    void whoIsNoTargetIsNamedAndMayBeTakenForOne() {
        List<Captured> packets = List.of(from("198.51.100.7", 5000, level("/two", 0.5)));
        Replayed strange = Replay.of(show, packets, Optional.empty());
        assertThat(strange.strangers()).containsExactly("198.51.100.7:5000");
        assertThat(strange.followed()).isEmpty();
        Replayed taken = Replay.of(show, packets, Optional.of(Shows.DESK));
        assertThat(taken.followed()).extracting(Followed::control).containsExactly(TWO);
    }

    @Test
    void whoSpeaksFromAnotherPortOfTheHostIsTheOnlyTargetThatAnswersThere() {
        assertThat(Replay.of(show, List.of(from("192.0.2.20", 60_000, level("/two", 0.5))), Optional.empty())
                        .followed())
                .hasSize(1);
    }

    @Test
    void itIsPlayedAsFarAsOneWants() {
        List<Captured> packets = List.of(
                from("192.0.2.20", 7101, level("/one", 0.25)),
                from("192.0.2.20", 7101, level("/one", 0.5)),
                from("192.0.2.20", 7101, level("/one", 0.75)));
        assertThat(Replay.until(packets, -1)).isEmpty();
        assertThat(Replay.until(packets, 0)).hasSize(1);
        assertThat(Replay.until(packets, 1_999)).hasSize(2);
        assertThat(Replay.until(packets, 2_000)).hasSize(3);
        assertThat(Replay.millis(packets, 2)).isEqualTo(2_000);
        assertThat(Replay.of(show, Replay.until(packets, 1_000), Optional.empty())
                        .followed()
                        .get(0)
                        .value()
                        .echo()
                        .orElseThrow())
                .isCloseTo(0.5, within(1e-6));
    }

    @Test
    void whatIsNoPacketIsCounted() {
        Captured broken =
                new Captured(at, false, "192.0.2.1", 9201, "192.0.2.20", 7101, Reach.UDP, new byte[] {1, 2, 3, 4}, "");
        assertThat(Replay.of(show, List.of(broken), Optional.empty()).malformed())
                .isEqualTo(1);
        assertThat(Replay.of(show, List.of(), Optional.empty()).packets()).isZero();
    }
}
