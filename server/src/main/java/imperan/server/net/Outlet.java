package imperan.server.net;

/** A way out to one peer. */
interface Outlet {

    /** Sends a packet at once, or drops it where there is no way now. Never waits. */
    void send(byte[] packet);
}
