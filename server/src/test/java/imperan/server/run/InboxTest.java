package imperan.server.run;

import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import org.junit.jupiter.api.Test;

import java.util.ArrayList;
import java.util.List;

import static org.assertj.core.api.Assertions.assertThat;

class InboxTest {

    private static final Decoded NOTHING = new OscDecoder().decode(new byte[0]);

    private final Inbox inbox = new Inbox();

    private static Input.Packet packet(int peerPort) {
        return new Input.Packet(9201, "127.0.0.1", peerPort, new byte[0], NOTHING);
    }

    private List<Object> takeAll() throws InterruptedException {
        List<Object> taken = new ArrayList<>();
        for (Input next = inbox.take(0); next != null; next = inbox.take(0)) {
            taken.add(next instanceof Input.Packet p ? p.peerPort() : "hand");
        }
        return taken;
    }

    @Test
    void handsComeBeforePacketsAndSourcesTakeTurns() throws InterruptedException {
        inbox.putPacket("a", packet(1));
        inbox.putPacket("a", packet(2));
        inbox.putPacket("a", packet(3));
        inbox.putPacket("b", packet(11));
        inbox.put(new Input.Beat("ada"));
        assertThat(takeAll()).containsExactly("hand", 1, 11, 2, 3);
    }

    @Test
    void whoFloodsLosesOnlyTheirOwnAndItIsCounted() throws InterruptedException {
        for (int i = 0; i < Inbox.MAX_PACKETS + 5; i++) {
            assertThat(inbox.putPacket("loud", packet(i))).isEqualTo(i < Inbox.MAX_PACKETS);
        }
        assertThat(inbox.putPacket("quiet", packet(99_999))).isTrue();
        assertThat(inbox.missed()).isEqualTo(5);
        List<Object> taken = takeAll();
        assertThat(taken).hasSize(Inbox.MAX_PACKETS + 1);
        assertThat(taken.subList(0, 2)).containsExactly(0, 99_999);
    }

    @Test
    void withoutInputTheWaitEnds() throws InterruptedException {
        assertThat(inbox.take(1)).isNull();
    }
}
