package imperan.server.net;

import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.show.PartId;
import java.util.Collection;
import java.util.Map;

/** Hears what the sockets tell, on their threads. */
public interface TargetListener {

    /**
     * A packet arrived.
     *
     * @param mouthOf the targets whose connected socket it came in by; empty for the ear
     */
    void packet(Collection<PartId> mouthOf, int ourPort, String peerHost, int peerPort, byte[] bytes, Decoded decoded);

    /** A packet of a target arrived over its connection. */
    void streamed(PartId target, String peerHost, int peerPort, byte[] bytes, Decoded decoded);

    /** A packet for this target that had been taken did not leave. */
    void notSent(PartId target, byte[] packet);

    /** The host of these targets says that nobody has the port open. */
    void portClosed(Collection<PartId> targets);

    /** How it stands with the socket of each target. */
    void sockets(Map<PartId, SocketState> states);
}
