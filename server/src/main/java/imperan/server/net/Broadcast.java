package imperan.server.net;

import io.netty.buffer.Unpooled;
import io.netty.channel.Channel;
import io.netty.channel.socket.DatagramPacket;

import java.net.InetSocketAddress;
import java.util.function.Consumer;

/**
 * Speaks to everybody of a network, by way of the ear: a connected socket would not hear their answers.
 *
 * @param failed hears why a packet could not leave
 */
record Broadcast(Channel ear, InetSocketAddress everybody, Consumer<String> failed) implements Outlet {

    @Override
    public void send(byte[] packet) {
        ear.writeAndFlush(new DatagramPacket(Unpooled.wrappedBuffer(packet), everybody)).addListener(done -> {
            if (!done.isSuccess()) {
                failed.accept(String.valueOf(done.cause().getMessage()));
            }
        });
    }
}
