package imperan.e2e;

import java.io.Closeable;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * A row of ports on loopback, below those that the system gives to whoever asks for any. It is kept from others until it is closed, just
 * before what the ports are for is started. Each fork of the tests takes them from a range of its own, and none twice as long as there are
 * others.
 */
final class Ports implements AutoCloseable {

    private static final int ROW = 16;
    private static final int FIRST = 10_000;
    private static final int FORKS = 4;
    private static final int RANGE = (32_768 - FIRST) / FORKS;
    /** Browsers refuse to speak to it, whoever listens there (WHATWG Fetch, "port blocking"). */
    private static final int BLOCKED = 10_080;

    private static final int OWN = FIRST + Integer.getInteger("imperan.fork", 1) % FORKS * RANGE;
    private static int next = new Random().nextInt(RANGE / ROW);

    private final int first;
    private final List<Closeable> held;

    private Ports(int first, List<Closeable> held) {
        this.first = first;
        this.held = held;
    }

    /** A row that is free for datagrams and connections. */
    static synchronized Ports row() {
        for (int attempt = 0; attempt < RANGE / ROW; attempt++) {
            int first = OWN + next * ROW;
            next = (next + 1) % (RANGE / ROW);
            Ports row = new Ports(first, new ArrayList<>());
            if (row.hold()) {
                return row;
            }
            row.close();
        }
        throw new IllegalStateException("There are no " + ROW + " free ports in a row from " + OWN);
    }

    /** One that is free now. */
    static int one() {
        try (Ports row = row()) {
            return row.at(0);
        }
    }

    private boolean hold() {
        for (int port = first; port < first + ROW; port++) {
            try {
                held.add(new DatagramSocket(port, InetAddress.getLoopbackAddress()));
                held.add(new ServerSocket(port, 1, InetAddress.getLoopbackAddress()));
            } catch (IOException e) {
                return false;
            }
        }
        return first > BLOCKED || BLOCKED >= first + ROW;
    }

    /** @param place from 0 to 15 */
    int at(int place) {
        return first + place;
    }

    /** What they are for may have them now. */
    @Override
    public void close() {
        for (Closeable each : held) {
            try {
                each.close();
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
        held.clear();
    }
}
