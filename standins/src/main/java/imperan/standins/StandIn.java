package imperan.standins;

import imperan.osc.OscMessage;

import java.net.InetSocketAddress;

/** A simulated device without its socket; used from one thread. */
public interface StandIn {

    String name();

    /** A message arrived. Times are in nanoseconds and only differ meaningfully from each other. */
    void receive(InetSocketAddress from, OscMessage message, long now, Outbox outbox);

    /** Where replies and reports go. */
    interface Outbox {
        void send(InetSocketAddress to, OscMessage message);
    }
}
