package imperan.server.run;

import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import static org.assertj.core.api.Assertions.assertThat;

class InboxTest {

    private static final Decoded NOTHING = new OscDecoder().decode(new byte[0]);

    private final Inbox inbox = new Inbox();

    private static Input.Packet packet(int peerPort) {
        return new Input.Packet(9201, "127.0.0.1", peerPort, new byte[0], NOTHING);
    }

    private List<Object> takeAll() {
        List<Object> taken = new ArrayList<>();
        for (Optional<Input> next = inbox.poll(); next.isPresent(); next = inbox.poll()) {
            taken.add(next.get() instanceof Input.Packet p ? p.peerPort() : "hand");
        }
        return taken;
    }

    @Test
    void handsComeBeforePacketsAndSourcesTakeTurns() {
        inbox.putPacket("a", packet(1));
        inbox.putPacket("a", packet(2));
        inbox.putPacket("a", packet(3));
        inbox.putPacket("b", packet(11));
        inbox.put(new Input.Beat("ada"));
        assertThat(takeAll()).containsExactly("hand", 1, 11, 2, 3);
    }

    @Test
    void whoFloodsLosesOnlyTheirOwnAndItIsCounted() {
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
    @Timeout(60)
    void whoWaitsGoesOnWithAnInputAWakeOrTheTime() throws InterruptedException {
        inbox.await(1);
        inbox.put(new Input.Beat("ada"));
        inbox.await(Long.MAX_VALUE);
        assertThat(takeAll()).containsExactly("hand");
        inbox.wake();
        inbox.await(Long.MAX_VALUE);
        Thread waiting = new Thread(() -> {
            try {
                inbox.await(Long.MAX_VALUE);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        waiting.start();
        inbox.wake();
        waiting.join();
        assertThat(takeAll()).isEmpty();
    }
}
