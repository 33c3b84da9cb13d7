package imperan.standins;

import imperan.osc.OscMessage;
import java.util.Map;

/**
 * A simulated device without its sockets; used from one thread at a time. Times are in nanoseconds and only differ meaningfully
 * from each other.
 */
public interface StandIn {

    String name();

    /** A message arrived. */
    void receive(Heard heard, long now, Outbox outbox);

    /** Time passes: what the device says by itself is due. */
    void pass(long now, Outbox outbox);

    /** Somebody does something at the device itself: a hand on its own fader, its own switch. */
    void byHand(OscMessage done, long now, Outbox outbox);

    /** Whoever was listening has to come again; nothing where nobody needs to. */
    default void forgetListeners() {}

    /** What somebody standing before it would see: names and values for its small picture. */
    Map<String, Object> picture(long now);

    /**
     * A message as it came.
     *
     * @param from    who sent it
     * @param bundled whether it came in a bundle
     */
    record Heard(Peer from, OscMessage message, boolean bundled) {}

    /**
     * An end of ours that spoke to the device, or that it was told to speak to.
     *
     * @param connection counts connections; 0 for datagrams
     */
    record Peer(String host, int port, long connection) {

        public static Peer datagrams(String host, int port) {
            return new Peer(host, port, 0);
        }
    }

    /** Where replies and reports go. */
    interface Outbox {
        void send(Peer to, OscMessage message);
    }
}
