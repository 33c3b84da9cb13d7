package imperan.server.net;

import imperan.show.PartId;
import io.netty.buffer.Unpooled;
import io.netty.channel.Channel;
import io.netty.channel.socket.DatagramPacket;
import java.net.InetSocketAddress;

/**
 * Speaks to everybody of a network, by way of the ear: a connected socket would not hear their answers.
 *
 * @param failed hears which packet could not leave, and why
 */
record Broadcast(Channel ear, InetSocketAddress everybody, Failed failed) implements Outlet {

    /** Hears of a packet that was taken and did not leave. */
    interface Failed {
        void told(PartId target, byte[] packet, String why);
    }

    @Override
    public boolean send(PartId target, byte[] packet) {
        if (!ear.isWritable()) {
            return false;
        }
        ear.writeAndFlush(new DatagramPacket(Unpooled.wrappedBuffer(packet), everybody))
                .addListener(done -> {
                    if (!done.isSuccess()) {
                        failed.told(target, packet, String.valueOf(done.cause().getMessage()));
                    }
                });
        return true;
    }
}
