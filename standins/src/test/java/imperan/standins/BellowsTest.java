package imperan.standins;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class BellowsTest {

    private static final StandIn.Peer ADA = StandIn.Peer.datagrams("127.0.0.1", 5001);
    private static final StandIn.Peer BEN = StandIn.Peer.datagrams("127.0.0.1", 5002);
    private static final long SECOND = 1_000_000_000L;

    private final Bellows bellows = new Bellows();
    private final List<String> sent = new ArrayList<>();
    private long now;

    private List<String> receive(StandIn.Peer from, String address, OscArgument... arguments) {
        sent.clear();
        bellows.receive(
                new StandIn.Heard(from, OscMessage.of(address, arguments), false),
                now,
                (to, m) -> sent.add(to.port() + " " + m.address() + " " + OscText.arguments(m.arguments())));
        return List.copyOf(sent);
    }

    @Test
    void aChangeIsReportedToEveryClientAsItIsStored() {
        receive(ADA, "/bellows/stay");
        receive(BEN, "/bellows/stay");
        assertThat(receive(ADA, "/bellows/in/3/level", new OscArgument.Float32(1.5f)))
                .containsExactly(
                        "5001 /bellows/in/3/level 1.0  “+10.0 dB”", "5002 /bellows/in/3/level 1.0  “+10.0 dB”");
        assertThat(receive(BEN, "/bellows/main/mute", new OscArgument.Int32(1))).hasSize(2);
    }

    @Test
    void aClientThatDoesNotRenewIsForgottenAfterSevenSeconds() {
        receive(ADA, "/bellows/stay");
        now = 7 * SECOND;
        assertThat(receive(BEN, "/bellows/main/level", new OscArgument.Float32(0.1f)))
                .hasSize(1);
        now = 7 * SECOND + 1;
        assertThat(receive(BEN, "/bellows/main/level", new OscArgument.Float32(0.2f)))
                .isEmpty();
    }

    @Test
    void anAddressWithoutArgumentsIsAQuestion() {
        assertThat(receive(BEN, "/bellows/in/5/name")).containsExactly("5002 /bellows/in/5/name “Tide bell”");
        assertThat(receive(BEN, "/bellows/main/level")).containsExactly("5002 /bellows/main/level 0.0  “off”");
    }

    @Test
    void whatDoesNotFitIsIgnored() {
        receive(ADA, "/bellows/stay");
        assertThat(receive(ADA, "/bellows/in/13/level", new OscArgument.Float32(1)))
                .isEmpty();
        assertThat(receive(ADA, "/bellows/in/1/level", new OscArgument.Int32(1)))
                .isEmpty();
        assertThat(receive(ADA, "/bellows/in/1/mute", new OscArgument.Int32(2))).isEmpty();
        assertThat(receive(ADA, "/bellows/in/1/depth", new OscArgument.Float32(1)))
                .isEmpty();
        assertThat(receive(ADA, "/bellows", new OscArgument.Float32(1))).isEmpty();
    }
}
