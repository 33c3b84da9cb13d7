package imperan.server.net;

import imperan.dialect.Codec;
import imperan.dialect.Dialect;
import imperan.show.PartId;
import io.netty.buffer.ByteBufUtil;
import io.netty.channel.Channel;
import io.netty.channel.ChannelHandlerContext;
import io.netty.channel.SimpleChannelInboundHandler;
import io.netty.channel.socket.DatagramPacket;
import java.net.InetSocketAddress;
import java.net.PortUnreachableException;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Decodes what arrives and hands it on; nothing here waits. */
final class UdpInbound extends SimpleChannelInboundHandler<DatagramPacket> {

    private static final Logger LOG = LoggerFactory.getLogger(UdpInbound.class);

    /** Hears that a connected socket cannot speak any more. */
    interface Away {
        void told(Channel socket, Set<PartId> targets, String why);
    }

    private final TargetListener listener;
    private final Away away;
    private volatile Codec codec;
    private volatile Set<PartId> targets;
    private String lastReported = "";

    UdpInbound(TargetListener listener, Set<PartId> targets, Dialect spoken, Away away) {
        this.listener = listener;
        this.targets = Set.copyOf(targets);
        this.codec = spoken.codec();
        this.away = away;
    }

    /** Others are spoken to through this socket, or in another way. */
    void targets(Set<PartId> changed, Dialect spoken) {
        targets = Set.copyOf(changed);
        codec = spoken.codec();
    }

    @Override
    protected void channelRead0(ChannelHandlerContext context, DatagramPacket packet) {
        byte[] bytes = ByteBufUtil.getBytes(packet.content());
        int ourPort = ((InetSocketAddress) context.channel().localAddress()).getPort();
        listener.packet(
                targets,
                ourPort,
                packet.sender().getAddress().getHostAddress(),
                packet.sender().getPort(),
                bytes,
                codec.read(bytes));
    }

    @Override
    public void exceptionCaught(ChannelHandlerContext context, Throwable cause) {
        if (cause instanceof PortUnreachableException) {
            listener.portClosed(targets);
        } else if (!cause.toString().equals(lastReported)) {
            // a network that is away says so with every packet
            lastReported = cause.toString();
            LOG.warn("A socket reported: {}", lastReported);
            if (!targets.isEmpty()) {
                away.told(context.channel(), targets, cause.getMessage());
            }
        }
    }
}
