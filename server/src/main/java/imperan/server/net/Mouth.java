package imperan.server.net;

import imperan.show.PartId;
import io.netty.buffer.Unpooled;
import io.netty.channel.Channel;
import java.io.IOException;
import java.net.PortUnreachableException;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.nio.channels.NotYetConnectedException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiConsumer;

/**
 * A connected socket to one peer. Netty reads it; what we send is written straight from the calling thread, because a
 * datagram that waits for another thread to wake up takes longer than everything that was computed for it. Only where the
 * system takes no more at the moment does Netty keep it, and then all that follow, so that none overtakes.
 */
final class Mouth implements Outlet {

    /** Packets that may wait for the system to take them. */
    private static final int MOST_WAITING = 1_000;

    private final Channel channel;
    private final DatagramChannel socket;
    private final BiConsumer<PartId, byte[]> failed;
    private final AtomicInteger waiting = new AtomicInteger();

    /** @param failed hears of packets that were taken and did not leave */
    Mouth(Channel channel, DatagramChannel socket, BiConsumer<PartId, byte[]> failed) {
        this.channel = channel;
        this.socket = socket;
        this.failed = failed;
    }

    Channel channel() {
        return channel;
    }

    @Override
    public boolean send(PartId target, byte[] packet) {
        if (waiting.get() >= MOST_WAITING) {
            return false;
        }
        Written written = waiting.get() > 0 ? Written.LATER : write(packet);
        if (written == Written.LATER) {
            queue(target, packet);
        }
        return written != Written.NOT;
    }

    private enum Written {
        NOW,
        LATER,
        NOT
    }

    private Written write(byte[] packet) {
        // the system tells of an earlier packet by refusing this one, so this one is tried a second time
        for (int attempt = 0; attempt < 2; attempt++) {
            try {
                return socket.write(ByteBuffer.wrap(packet)) > 0 ? Written.NOW : Written.LATER;
            } catch (PortUnreachableException e) {
                channel.pipeline().fireExceptionCaught(e);
            } catch (IOException | NotYetConnectedException e) {
                channel.pipeline().fireExceptionCaught(e);
                return Written.NOT;
            }
        }
        return Written.NOT;
    }

    private void queue(PartId target, byte[] packet) {
        waiting.incrementAndGet();
        channel.writeAndFlush(Unpooled.wrappedBuffer(packet)).addListener(done -> {
            waiting.decrementAndGet();
            if (!done.isSuccess()) {
                failed.accept(target, packet);
                channel.pipeline().fireExceptionCaught(done.cause());
            }
        });
    }
}
