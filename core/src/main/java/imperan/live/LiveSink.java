package imperan.live;

import imperan.show.PartId;

/** Where the running show puts what comes of its inputs: packets, and what happened. */
public interface LiveSink {

    /**
     * A packet is to leave, from the target's answer port to its receiving port. It leaves before anything is told of it.
     *
     * @return false where the system did not take it: then it is not sent, and nothing counts it as if it were
     */
    boolean datagram(PartId target, byte[] packet);

    /** Values and links are only named: whoever draws them asks for them then, so that a hundred changes between two drawings cost one. */
    void happened(LiveEvent event);
}
