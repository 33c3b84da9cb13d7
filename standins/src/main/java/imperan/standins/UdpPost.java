package imperan.standins;

import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;

/** Lends a stand-in a UDP socket on loopback and a thread. A packet that is no OSC is dropped, as devices do. */
public final class UdpPost implements AutoCloseable {

    private final StandIn device;
    private final DatagramSocket socket;
    private final Thread thread;
    private final OscDecoder decoder = new OscDecoder();

    private UdpPost(StandIn device, DatagramSocket socket) {
        this.device = device;
        this.socket = socket;
        this.thread = new Thread(this::run, "stand-in " + device.name());
    }

    /**
     * @param port 0 for any free one
     * @throws SocketException where the port is taken
     */
    public static UdpPost open(StandIn device, int port) throws SocketException {
        DatagramSocket socket = new DatagramSocket(null);
        // without reuse: two programs on one port would each get some of the packets
        socket.setReuseAddress(false);
        socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        UdpPost post = new UdpPost(device, socket);
        post.thread.start();
        return post;
    }

    public int port() {
        return socket.getLocalPort();
    }

    private void run() {
        byte[] buffer = new byte[OscDecoder.UDP_MAX_BYTES];
        while (!socket.isClosed()) {
            DatagramPacket packet = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(packet);
            } catch (IOException e) {
                continue;
            }
            if (decoder.decode(buffer, 0, packet.getLength()) instanceof Decoded.Whole whole) {
                deliver((InetSocketAddress) packet.getSocketAddress(), whole.packet());
            }
        }
    }

    private void deliver(InetSocketAddress from, OscPacket packet) {
        if (packet instanceof OscMessage message) {
            device.receive(from, message, System.nanoTime(), this::send);
        } else if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> deliver(from, element));
        }
    }

    private void send(InetSocketAddress to, OscMessage message) {
        byte[] bytes = OscEncoder.encode(message);
        try {
            socket.send(new DatagramPacket(bytes, bytes.length, to));
        } catch (IOException e) {
            // a client that cannot be reached is its own problem; it will ask again or be forgotten
            System.err.println(device.name() + " could not send to " + to + ": " + e.getMessage());
        }
    }

    @Override
    public void close() {
        socket.close();
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
