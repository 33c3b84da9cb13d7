package imperan.server.net;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.dialect.Osc;
import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.show.PartId;
import imperan.show.Reach;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** What does not open is tried again, however often something asks for it no faster than once in a while. */
@Timeout(60)
class RetryTest {

    private static final PartId TARGET = new PartId("target");
    private static final PartId OTHER = new PartId("other");

    private static final class Told implements TargetListener {
        private final BlockingQueue<Map<PartId, SocketState>> states = new LinkedBlockingQueue<>();

        @Override
        public void packet(
                Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
            throw new AssertionError("nobody sends here");
        }

        @Override
        public void streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
            throw new AssertionError("nobody sends here");
        }

        @Override
        public void notSent(PartId target, byte[] packet) {
            throw new AssertionError("nothing is sent");
        }

        @Override
        public void portClosed(Collection<PartId> targets) {
            // a connection was refused
        }

        @Override
        public void sockets(Map<PartId, SocketState> now) {
            states.add(now);
        }
    }

    private static Endpoint endpoint(PartId target, int port, int answerPort, Reach transport) {
        return new Endpoint(target, "127.0.0.1", port, answerPort, transport, Osc.STRICT, "");
    }

    /** Fifty changes of the rig while a port is taken: one retry waits, not fifty. */
    @Test
    void retriesDoNotMultiply() throws Exception {
        Told told = new Told();
        try (DatagramSocket taken = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                TargetSockets sockets = new TargetSockets(told)) {
            int changes = 50;
            for (int i = 0; i < changes; i++) {
                sockets.reconcile(List.of(
                        endpoint(TARGET, 9, taken.getLocalPort(), Reach.UDP),
                        endpoint(OTHER, 10 + i % 2, taken.getLocalPort(), Reach.UDP)));
            }
            for (int i = 0; i < changes; i++) {
                told.states.take();
            }
            // each retry tells how it went: three of them take three pauses, whatever was asked before
            long begun = System.nanoTime();
            for (int i = 0; i < 3; i++) {
                assertThat(told.states.take()).isNotEmpty();
            }
            long pauses = TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begun);
            assertThat(told.states.size()).isLessThanOrEqualTo(1);
            assertThat(pauses)
                    .as("three pauses of a second, the first of which had begun")
                    .isGreaterThan(1_500);
        }
    }

    @Test
    void aPacketForATargetWithoutASocketIsNotTaken() throws Exception {
        Told told = new Told();
        try (DatagramSocket taken = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                TargetSockets sockets = new TargetSockets(told)) {
            sockets.reconcile(List.of(endpoint(TARGET, 9, taken.getLocalPort(), Reach.UDP)));
            told.states.take();
            assertThat(sockets.send(TARGET, new byte[] {'/', 'a', 0, 0, ',', 0, 0, 0}))
                    .isFalse();
            assertThat(sockets.send(OTHER, new byte[0])).isFalse();
        }
    }

    /** Larger than any datagram: the system refuses it, and that is told. */
    @Test
    void aPacketThatTheSystemRefusesIsNotTaken() throws Exception {
        Told told = new Told();
        int answers;
        try (DatagramSocket free = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            answers = free.getLocalPort();
        }
        try (DatagramSocket far = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                TargetSockets sockets = new TargetSockets(told)) {
            sockets.reconcile(List.of(endpoint(TARGET, far.getLocalPort(), answers, Reach.UDP)));
            assertThat(told.states.take().get(TARGET).works()).isTrue();
            assertThat(sockets.send(TARGET, new byte[8])).isTrue();
            assertThat(sockets.send(TARGET, new byte[70_000])).isFalse();
        }
    }

    /** A target that takes the connection and ends it at once is asked ever more rarely. */
    @Test
    void aConnectionThatEndsAtOnceIsTriedAfterGrowingPauses() throws Exception {
        Told told = new Told();
        try (ServerSocket server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
                TargetSockets sockets = new TargetSockets(told)) {
            sockets.reconcile(List.of(endpoint(TARGET, server.getLocalPort(), 9, Reach.TCP_SLIP)));
            long[] at = new long[5];
            for (int i = 0; i < at.length; i++) {
                server.accept().close();
                at[i] = System.nanoTime();
            }
            // 250, 500, 1 000, 2 000 ms
            assertThat(TimeUnit.NANOSECONDS.toMillis(at[4] - at[3]))
                    .as("the fourth pause")
                    .isGreaterThan(1_500);
        }
    }
}
