package imperan.server.net;

import imperan.show.PartId;
import imperan.show.Reach;
import java.util.Collection;

/** The sockets of one kind of {@link Reach}. */
interface Carrier extends AutoCloseable {

    /** Whether these sockets are the ones for it. */
    boolean carries(Reach reach);

    /** Opens and closes sockets until they fit the endpoints. Returns at once; the listener hears how each one went. */
    void reconcile(Collection<Endpoint> endpoints);

    /** Sends; false where the system does not take it, or these are not the target's sockets, or they are not open. */
    boolean send(PartId target, byte[] packet);

    @Override
    void close();
}
