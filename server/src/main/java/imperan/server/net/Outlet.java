package imperan.server.net;

import imperan.show.PartId;

/** A way out to one peer. */
interface Outlet {

    /**
     * Sends a packet at once. Never waits.
     *
     * @param target for which it is; several may have one peer
     * @return false where the system does not take it: then it is not sent. What it took and could not send after all is told by
     *         {@link TargetListener#notSent}
     */
    boolean send(PartId target, byte[] packet);
}
