package imperan.standins;

import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import java.io.IOException;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;

/** Lends a device its sockets and its time, and keeps others from using it at the same moment. */
public abstract class Post implements AutoCloseable {

    private final Supplier<StandIn> built;
    private final String name;
    private FaultyStandIn device;

    /** @param built a device in its first state, each time */
    Post(Supplier<StandIn> built) {
        this.built = built;
        this.device = new FaultyStandIn(built.get());
        this.name = device.name();
    }

    /** The device is switched off and on: nothing is wrong with it, it knows nobody, and all is as it was at first. Its port stays open. */
    public final synchronized void restart() {
        device = new FaultyStandIn(built.get());
        fault(Fault.PORT_CLOSED, false);
    }

    public final String name() {
        return name;
    }

    /** Where the device receives. */
    public abstract int port();

    /** What is wrong now. */
    public final synchronized Set<Fault> faults() {
        return device.faults().isEmpty() ? Set.of() : EnumSet.copyOf(device.faults());
    }

    /** Lets something go wrong, or right again; the next moment may bring another answer. */
    public final synchronized void fault(Fault fault, boolean on) {
        set(fault, on);
        if (fault == Fault.PORT_CLOSED) {
            try {
                if (on) {
                    shut();
                } else {
                    open();
                }
            } catch (IOException e) {
                set(Fault.PORT_CLOSED, true);
                System.err.println(name() + " cannot open port " + port() + " again: " + e.getMessage());
            }
        }
    }

    private void set(Fault fault, boolean on) {
        if (on) {
            device.faults().add(fault);
        } else {
            device.faults().remove(fault);
        }
    }

    final synchronized boolean has(Fault fault) {
        return device.faults().contains(fault);
    }

    /** Nobody can reach the device any more. */
    abstract void shut() throws IOException;

    /** It can be reached again, if it could not. */
    abstract void open() throws IOException;

    /** Something the device says leaves. */
    abstract void send(StandIn.Peer to, OscMessage message);

    /** Somebody does something at the device itself. */
    public final synchronized void byHand(OscMessage done) {
        device.byHand(done, System.nanoTime(), this::send);
    }

    public final synchronized Map<String, Object> picture() {
        return device.picture(System.nanoTime());
    }

    final synchronized void pass() {
        device.pass(System.nanoTime(), this::send);
    }

    final synchronized void deliver(StandIn.Peer from, OscPacket packet) {
        deliver(from, packet, false);
    }

    private void deliver(StandIn.Peer from, OscPacket packet, boolean bundled) {
        if (packet instanceof OscMessage message) {
            device.receive(new StandIn.Heard(from, message, bundled), System.nanoTime(), this::send);
        } else if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> deliver(from, element, true));
        }
    }

    @Override
    public abstract void close();
}
