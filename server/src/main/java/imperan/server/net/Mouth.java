package imperan.server.net;

import io.netty.buffer.Unpooled;
import io.netty.channel.Channel;

import java.io.IOException;
import java.net.PortUnreachableException;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * A connected socket to one peer. Netty reads it; what we send is written straight from the calling thread, because a
 * datagram that waits for another thread to wake up takes longer than everything that was computed for it. Only where the
 * system takes no more at the moment does Netty keep it, and then all that follow, so that none overtakes.
 */
final class Mouth implements Outlet {

    private final Channel channel;
    private final DatagramChannel socket;
    private final AtomicInteger waiting = new AtomicInteger();

    Mouth(Channel channel, DatagramChannel socket) {
        this.channel = channel;
        this.socket = socket;
    }

    Channel channel() {
        return channel;
    }

    @Override
    public void send(byte[] packet) {
        if (waiting.get() > 0 || !written(packet)) {
            queue(packet);
        }
    }

    /** @return false where the system takes no more now */
    private boolean written(byte[] packet) {
        // the system tells of an earlier packet by refusing this one, so this one is tried a second time
        for (int attempt = 0; attempt < 2; attempt++) {
            try {
                return socket.write(ByteBuffer.wrap(packet)) > 0;
            } catch (PortUnreachableException e) {
                channel.pipeline().fireExceptionCaught(e);
            } catch (IOException e) {
                channel.pipeline().fireExceptionCaught(e);
                return true;
            }
        }
        return true;
    }

    private void queue(byte[] packet) {
        waiting.incrementAndGet();
        channel.writeAndFlush(Unpooled.wrappedBuffer(packet)).addListener(done -> {
            waiting.decrementAndGet();
            if (!done.isSuccess()) {
                channel.pipeline().fireExceptionCaught(done.cause());
            }
        });
    }
}
