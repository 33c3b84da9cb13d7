package imperan.server.net;

import imperan.show.PartId;
import io.netty.channel.MultiThreadIoEventLoopGroup;
import io.netty.channel.nio.NioIoHandler;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** All sockets of the live show. How a target is reached says whose sockets are its own. */
public final class TargetSockets implements AutoCloseable {

    private final MultiThreadIoEventLoopGroup group = new MultiThreadIoEventLoopGroup(1, NioIoHandler.newFactory());
    private final List<Carrier> carriers;

    public TargetSockets(TargetListener listener) {
        carriers = List.of(new TcpLinks(listener, group), new UdpSockets(listener, group));
    }

    /** Opens and closes sockets until they fit the endpoints. Returns at once; the listener hears how each one went. */
    public void reconcile(Collection<Endpoint> endpoints) {
        carriers.forEach(carrier -> carrier.reconcile(
                endpoints.stream().filter(e -> carrier.carries(e.transport())).toList()));
    }

    /** Sends; false where the system does not take it, or the target has no open socket. */
    public boolean send(PartId target, byte[] packet) {
        for (Carrier carrier : carriers) {
            if (carrier.send(target, packet)) {
                return true;
            }
        }
        return false;
    }

    @Override
    public void close() {
        carriers.forEach(Carrier::close);
        group.shutdownGracefully(0, 2, TimeUnit.SECONDS).syncUninterruptibly();
    }
}
