package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

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
        inbox.putPacket("a", packet(1), 10);
        inbox.putPacket("a", packet(2), 10);
        inbox.putPacket("a", packet(3), 10);
        inbox.putPacket("b", packet(11), 10);
        inbox.put(new Input.Beat("ada"));
        assertThat(takeAll()).containsExactly("hand", 1, 11, 2, 3);
    }

    @Test
    void whoFloodsLosesOnlyTheirOwnAndItIsCounted() {
        for (int i = 0; i < Inbox.MAX_PACKETS + 5; i++) {
            assertThat(inbox.putPacket("loud", packet(i), 10)).isEqualTo(i < Inbox.MAX_PACKETS);
        }
        assertThat(inbox.putPacket("quiet", packet(99_999), 10)).isTrue();
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

    @Test
    void packetsAreBoundedInBytesForEachSourceAndForAll() {
        int size = 1 << 20;
        for (int i = 0; i < 12; i++) {
            assertThat(inbox.putPacket("large", packet(i), size)).isEqualTo(i < Inbox.MAX_SOURCE_BYTES / size);
        }
        assertThat(inbox.putPacket("small", packet(1), 100))
                .as("the room of another")
                .isTrue();
        int taken = 0;
        for (int source = 0; source < 100; source++) {
            for (int i = 0; i < 8; i++) {
                taken += inbox.putPacket("source " + source, packet(i), size) ? 1 : 0;
            }
        }
        assertThat(inbox.bytes()).isLessThanOrEqualTo(Inbox.MAX_BYTES).isGreaterThan(Inbox.MAX_BYTES - size);
        assertThat(taken).isEqualTo(55);
        takeAll();
        assertThat(inbox.bytes()).isZero();
        assertThat(inbox.putPacket("large", packet(1), size))
                .as("there is room again")
                .isTrue();
        assertThat(inbox.putPacket("huge", packet(1), (int) Inbox.MAX_SOURCE_BYTES + 1))
                .isFalse();
    }

    @Test
    void manyHandsDoNotStarvePackets() {
        for (int i = 0; i < 100; i++) {
            inbox.put(new Input.Beat("ada"));
        }
        inbox.putPacket("a", packet(1), 10);
        inbox.putPacket("a", packet(2), 10);
        List<Object> taken = takeAll();
        assertThat(taken.indexOf(1)).isEqualTo(Inbox.HANDS_IN_A_ROW);
        assertThat(taken.indexOf(2)).isEqualTo(2 * Inbox.HANDS_IN_A_ROW + 1);
    }

    @Test
    @Timeout(60)
    void whoBringsMoreThanThereIsRoomForWaitsAndIsRefusedWhenItStays() throws InterruptedException {
        for (int i = 0; i < Inbox.MAX_HANDS; i++) {
            assertThat(inbox.putHand(new Input.Beat("ada"))).isTrue();
        }
        assertThat(inbox.putHand(new Input.Beat("ada"))).as("nobody takes any").isFalse();
        inbox.put(new Input.Leave(null, Optional.empty()));
        CompletableFuture<Boolean> waiting = new CompletableFuture<>();
        Thread flooding = new Thread(() -> waiting.complete(inbox.putHand(new Input.Beat("ben"))));
        flooding.start();
        for (int i = 0; i < 10; i++) {
            inbox.poll();
        }
        assertThat(waiting.join()).as("room came").isTrue();
        flooding.join();
    }
}
