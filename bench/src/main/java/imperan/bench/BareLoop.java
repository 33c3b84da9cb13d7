package imperan.bench;

import imperan.dialect.Osc;
import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.server.net.Endpoint;
import imperan.server.net.TargetListener;
import imperan.server.net.TargetSockets;
import imperan.show.PartId;
import imperan.show.Reach;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** What the sockets of Imperan cost without it: so many messages to a target that answers each, some of them under way, the next one sent by the thread that an answer comes on. */
final class BareLoop implements TargetListener, AutoCloseable {

    private static final PartId TARGET = new PartId("target");
    private static final int LONGEST_SECONDS = 30;

    private final byte[][] packets;
    private final TargetSockets sockets;
    private final CountDownLatch opened = new CountDownLatch(1);
    private volatile CountDownLatch done = new CountDownLatch(0);
    private int sent;
    private int answered;
    private int messages;

    /**
     * @param packets    that are sent in turn
     * @param port       of the target on this machine
     * @param answerPort of ours
     */
    BareLoop(byte[][] packets, int port, int answerPort) throws InterruptedException {
        this.packets = packets;
        this.sockets = new TargetSockets(this);
        sockets.reconcile(List.of(new Endpoint(TARGET, "127.0.0.1", port, answerPort, Reach.UDP, Osc.STRICT, "")));
        opened.await();
    }

    /** @return seconds that so many messages take */
    double run(int count, int underWay) throws InterruptedException {
        CountDownLatch all = new CountDownLatch(1);
        long begun = System.nanoTime();
        synchronized (this) {
            done = all;
            sent = 0;
            answered = 0;
            messages = count;
            for (int i = 0; i < Math.min(underWay, count); i++) {
                next();
            }
        }
        if (!all.await(LONGEST_SECONDS, TimeUnit.SECONDS)) {
            throw new IllegalStateException("Answers are missing in the bare loop");
        }
        return (System.nanoTime() - begun) / 1e9;
    }

    private void next() {
        sockets.send(TARGET, packets[sent++ % packets.length]);
    }

    @Override
    public synchronized void packet(
            Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
        answered++;
        if (sent < messages) {
            next();
        }
        if (answered == messages) {
            done.countDown();
        }
    }

    @Override
    public void sockets(Map<PartId, SocketState> states) {
        if (states.values().stream().allMatch(SocketState::works)) {
            opened.countDown();
        }
    }

    @Override
    public void streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded) {
        throw new IllegalStateException("There is no stream here");
    }

    @Override
    public void notSent(PartId target, byte[] packet) {
        throw new IllegalStateException("A packet of the bare loop was not sent");
    }

    @Override
    public void portClosed(Collection<PartId> targets) {
        throw new IllegalStateException("The far end of the bare loop is gone");
    }

    @Override
    public void close() {
        sockets.close();
    }
}
