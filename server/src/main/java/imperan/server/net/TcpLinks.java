package imperan.server.net;

import imperan.show.PartId;
import imperan.show.Reach;
import io.netty.channel.EventLoopGroup;
import java.util.Collection;
import java.util.Iterator;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** A connection of its own to each target that is reached over a stream. */
final class TcpLinks implements Carrier {

    private final TargetListener listener;
    private final EventLoopGroup group;
    private final Map<PartId, TcpLink> links = new ConcurrentHashMap<>();

    TcpLinks(TargetListener listener, EventLoopGroup group) {
        this.listener = listener;
        this.group = group;
    }

    @Override
    public boolean carries(Reach reach) {
        return reach.isConnection();
    }

    @Override
    public void reconcile(Collection<Endpoint> endpoints) {
        for (Iterator<TcpLink> open = links.values().iterator(); open.hasNext(); ) {
            TcpLink link = open.next();
            if (!endpoints.contains(link.endpoint())) {
                open.remove();
                link.close();
            }
        }
        endpoints.forEach(e -> links.computeIfAbsent(e.target(), target -> new TcpLink(e, listener, group)));
    }

    @Override
    public boolean send(PartId target, byte[] packet) {
        TcpLink link = links.get(target);
        return link != null && link.send(target, packet);
    }

    @Override
    public void close() {
        links.values().forEach(TcpLink::close);
    }
}
