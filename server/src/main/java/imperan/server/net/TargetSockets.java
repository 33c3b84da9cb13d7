package imperan.server.net;

import imperan.show.PartId;
import io.netty.channel.MultiThreadIoEventLoopGroup;
import io.netty.channel.nio.NioIoHandler;

import java.util.Collection;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;

/** All sockets of the live show: datagrams for some targets, a connection each for the others. */
public final class TargetSockets implements AutoCloseable {

    private final TargetListener listener;
    private final MultiThreadIoEventLoopGroup group = new MultiThreadIoEventLoopGroup(1, NioIoHandler.newFactory());
    private final UdpSockets datagrams;
    private final Map<PartId, TcpLink> connections = new ConcurrentHashMap<>();

    public TargetSockets(TargetListener listener) {
        this.listener = listener;
        this.datagrams = new UdpSockets(listener, group);
    }

    /** Opens and closes sockets until they fit the endpoints. Returns at once; the listener hears how each one went. */
    public void reconcile(Collection<Endpoint> endpoints) {
        for (Iterator<TcpLink> links = connections.values().iterator(); links.hasNext(); ) {
            TcpLink link = links.next();
            if (!endpoints.contains(link.endpoint())) {
                links.remove();
                link.close();
            }
        }
        List<Endpoint> streams = endpoints.stream().filter(e -> e.transport().isConnection()).toList();
        streams.forEach(e -> connections.computeIfAbsent(e.target(), target -> new TcpLink(e, listener, group)));
        datagrams.reconcile(endpoints.stream().filter(e -> !e.transport().isConnection()).toList());
    }

    /** Sends; false where the system does not take it, or the target has no open socket. */
    public boolean send(PartId target, byte[] packet) {
        TcpLink connection = connections.get(target);
        return connection != null ? connection.send(target, packet) : datagrams.send(target, packet);
    }

    @Override
    public void close() {
        connections.values().forEach(TcpLink::close);
        datagrams.close();
        group.shutdownGracefully(0, 2, TimeUnit.SECONDS).syncUninterruptibly();
    }
}
