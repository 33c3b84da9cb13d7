package imperan.standins;

import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.LockSupport;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;

/** Lends a device a UDP socket on loopback and a thread. A packet that is no OSC is dropped, as devices do. */
public final class UdpPost extends Post {

    private static final int TICK_MS = 20;

    private final int port;
    private final DatagramSocket otherPort;
    private final Thread thread;
    private final OscDecoder decoder = new OscDecoder();
    private final Lock waiting = new ReentrantLock();
    private volatile DatagramSocket socket;
    private volatile boolean closed;

    private UdpPost(Supplier<StandIn> built, DatagramSocket socket) throws SocketException {
        super(built);
        this.socket = socket;
        this.port = socket.getLocalPort();
        this.otherPort = new DatagramSocket(0, InetAddress.getLoopbackAddress());
        this.thread = new Thread(this::run, "stand-in " + name());
    }

    /**
     * @param built a device in its first state, each time
     * @param port  0 for any free one
     * @throws SocketException where the port is taken
     */
    public static UdpPost open(Supplier<StandIn> built, int port) throws SocketException {
        UdpPost post = new UdpPost(built, socket(port));
        post.thread.start();
        return post;
    }

    private static DatagramSocket socket(int port) throws SocketException {
        DatagramSocket socket = new DatagramSocket(null);
        // without reuse: two programs on one port would each get some of the packets
        socket.setReuseAddress(false);
        socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        socket.setSoTimeout(TICK_MS);
        return socket;
    }

    @Override
    public int port() {
        return port;
    }

    @Override
    void shut() {
        socket.close();
        // while somebody waits at a socket, the system keeps it bound after it was closed: the same port could not be
        // opened again at once
        waiting.lock();
        waiting.unlock();
    }

    @Override
    void open() throws SocketException {
        if (socket.isClosed()) {
            socket = socket(port);
        }
    }

    private void run() {
        byte[] buffer = new byte[OscDecoder.UDP_MAX_BYTES];
        while (!closed) {
            DatagramPacket packet = new DatagramPacket(buffer, buffer.length);
            try {
                receive(packet);
                if (decoder.decode(buffer, 0, packet.getLength()) instanceof Decoded.Whole whole) {
                    InetSocketAddress from = (InetSocketAddress) packet.getSocketAddress();
                    deliver(StandIn.Peer.datagrams(from.getAddress().getHostAddress(), from.getPort()), whole.packet());
                }
            } catch (SocketException e) {
                // the port is closed for now
                LockSupport.parkNanos(TICK_MS * 1_000_000L);
            } catch (IOException e) {
                // nothing came in time
            }
            pass();
        }
    }

    private void receive(DatagramPacket packet) throws IOException {
        waiting.lock();
        try {
            socket.receive(packet);
        } finally {
            waiting.unlock();
        }
    }

    @Override
    void send(StandIn.Peer to, OscMessage message) {
        byte[] bytes = OscEncoder.encode(message);
        DatagramSocket from = has(Fault.FROM_OTHER_PORT) ? otherPort : socket;
        try {
            from.send(new DatagramPacket(bytes, bytes.length, new InetSocketAddress(to.host(), to.port())));
        } catch (IOException e) {
            // a client that cannot be reached is its own problem; it will ask again or be forgotten
            if (!from.isClosed()) {
                System.err.println(name() + " could not send to " + to + ": " + e.getMessage());
            }
        }
    }

    @Override
    public void close() {
        closed = true;
        socket.close();
        otherPort.close();
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
