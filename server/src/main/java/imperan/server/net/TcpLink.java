package imperan.server.net;

import imperan.dialect.Codec;
import imperan.live.SocketState;
import imperan.osc.StreamFraming;
import imperan.show.PartId;
import io.netty.bootstrap.Bootstrap;
import io.netty.buffer.ByteBuf;
import io.netty.buffer.ByteBufUtil;
import io.netty.buffer.Unpooled;
import io.netty.channel.Channel;
import io.netty.channel.ChannelFutureListener;
import io.netty.channel.ChannelHandlerContext;
import io.netty.channel.ChannelOption;
import io.netty.channel.EventLoopGroup;
import io.netty.channel.SimpleChannelInboundHandler;
import io.netty.channel.WriteBufferWaterMark;
import io.netty.channel.socket.nio.NioSocketChannel;
import java.net.ConnectException;
import java.net.InetSocketAddress;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A connection to one target, made again whenever it ends, after a pause that doubles up to {@value #LONGEST_PAUSE_MS} ms.
 * Packets meant for it while it is down are dropped: a value of a minute ago is worse than none.
 */
final class TcpLink implements Outlet, AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(TcpLink.class);
    private static final long FIRST_PAUSE_MS = 250;
    private static final long LONGEST_PAUSE_MS = 8_000;
    private static final int CONNECT_TIMEOUT_MS = 3_000;
    private static final long STEADY_NANOS = TimeUnit.SECONDS.toNanos(5);
    /** A connection that takes no more than this behind its target is as good as gone. */
    private static final int MAX_UNSENT_BYTES = 1 << 20;

    private final Endpoint endpoint;
    private final TargetListener listener;
    private final EventLoopGroup group;
    private final StreamFraming framing;
    private volatile Channel channel;
    private volatile boolean closed;
    private long pauseMs = FIRST_PAUSE_MS;
    private long connectedAt;

    TcpLink(Endpoint endpoint, TargetListener listener, EventLoopGroup group) {
        this.endpoint = endpoint;
        this.listener = listener;
        this.group = group;
        this.framing = endpoint.transport().framing().orElseThrow();
        connect();
    }

    Endpoint endpoint() {
        return endpoint;
    }

    @Override
    public boolean send(PartId target, byte[] packet) {
        Channel now = channel;
        if (now != null) {
            now.writeAndFlush(Unpooled.wrappedBuffer(framing.frame(packet))).addListener(done -> {
                if (!done.isSuccess()) {
                    listener.notSent(target, packet);
                }
            });
            if (!now.isWritable()) {
                LOG.warn("{}:{} takes no more; its connection is made anew", endpoint.host(), endpoint.port());
                now.close();
            }
        }
        return now != null;
    }

    private void connect() {
        if (closed) {
            return;
        }
        Bootstrap bootstrap = new Bootstrap()
                .group(group)
                .channel(NioSocketChannel.class)
                .option(ChannelOption.TCP_NODELAY, true)
                .option(ChannelOption.CONNECT_TIMEOUT_MILLIS, CONNECT_TIMEOUT_MS)
                .option(
                        ChannelOption.WRITE_BUFFER_WATER_MARK,
                        new WriteBufferWaterMark(MAX_UNSENT_BYTES / 2, MAX_UNSENT_BYTES))
                .handler(new Inbound());
        if (!endpoint.adapterAddress().isEmpty()) {
            bootstrap.localAddress(endpoint.adapterAddress(), 0);
        }
        bootstrap.connect(endpoint.host(), endpoint.port()).addListener((ChannelFutureListener) done -> {
            if (done.isSuccess()) {
                connected(done.channel());
            } else if (!closed) {
                if (done.cause() instanceof ConnectException
                        && done.cause().getMessage().contains("refused")) {
                    listener.portClosed(Set.of(endpoint.target()));
                }
                later(done.cause().getMessage());
            }
        });
    }

    private void connected(Channel made) {
        connectedAt = System.nanoTime();
        channel = made;
        if (closed) {
            made.close();
            return;
        }
        tell(SocketState.open(
                ((InetSocketAddress) made.localAddress()).getAddress().getHostAddress()));
        made.closeFuture().addListener(gone -> {
            channel = null;
            if (System.nanoTime() - connectedAt > STEADY_NANOS) {
                // one that ends at once, again and again, is as good as refused
                pauseMs = FIRST_PAUSE_MS;
            }
            later("the connection ended");
        });
    }

    private void later(String why) {
        if (!closed) {
            tell(SocketState.noWay("No connection to " + endpoint.host() + " port " + endpoint.port() + " (" + why
                    + "); it is tried again by itself"));
            group.schedule(this::connect, pauseMs, TimeUnit.MILLISECONDS);
            pauseMs = Math.min(2 * pauseMs, LONGEST_PAUSE_MS);
        }
    }

    private void tell(SocketState state) {
        listener.sockets(Map.of(endpoint.target(), state));
    }

    @Override
    public void close() {
        closed = true;
        Channel now = channel;
        if (now != null) {
            now.close();
        }
    }

    private final class Inbound extends SimpleChannelInboundHandler<ByteBuf> {
        private final StreamFraming.Reader reader = framing.reader();
        private final Codec codec = endpoint.spoken().codec();

        @Override
        protected void channelRead0(ChannelHandlerContext context, ByteBuf bytes)
                throws StreamFraming.BrokenStreamException {
            for (byte[] packet : reader.read(ByteBufUtil.getBytes(bytes))) {
                listener.streamed(endpoint.target(), endpoint.host(), endpoint.port(), packet, codec.read(packet));
            }
        }

        @Override
        public void exceptionCaught(ChannelHandlerContext context, Throwable cause) {
            // closing makes the connection anew, and tells why there is none now
            LOG.warn("The connection to {}:{} ends: {}", endpoint.host(), endpoint.port(), cause.getMessage());
            context.close();
        }
    }
}
