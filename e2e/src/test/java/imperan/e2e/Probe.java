package imperan.e2e;

import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;

/** A target that is nothing but a socket: what arrives is kept as bytes, and it speaks from there. */
final class Probe implements AutoCloseable {

    private final DatagramSocket socket;
    private final List<byte[]> arrived = new ArrayList<>();
    private final int answerPort;

    /** @param answerPort where its words are awaited */
    Probe(int answerPort) {
        this.answerPort = answerPort;
        try {
            socket = new DatagramSocket(0, InetAddress.getLoopbackAddress());
            socket.setSoTimeout(50);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    int port() {
        return socket.getLocalPort();
    }

    /** Forgets what arrived so far. */
    void forget() {
        read();
        arrived.clear();
    }

    /** What arrived since it last forgot. */
    List<byte[]> arrived() {
        read();
        return arrived;
    }

    private void read() {
        DatagramPacket packet = new DatagramPacket(new byte[2048], 2048);
        try {
            while (true) {
                socket.receive(packet);
                arrived.add(Arrays.copyOf(packet.getData(), packet.getLength()));
            }
        } catch (SocketTimeoutException e) {
            // nothing more for now
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Waits until the last packet is this message, byte for byte. */
    void waitForLast(OscMessage message) {
        byte[] wanted = OscEncoder.encode(message);
        Desk.waitUntil(
                message + ", last of " + hex(arrived()),
                () -> !arrived().isEmpty() && Arrays.equals(wanted, arrived.get(arrived.size() - 1)));
    }

    /** Waits until exactly these messages have arrived, byte for byte. */
    void waitFor(OscMessage... messages) {
        List<String> wanted = Arrays.stream(messages)
                .map(OscEncoder::encode)
                .map(HexFormat.of()::formatHex)
                .toList();
        Desk.waitUntil(
                wanted + " and not " + hex(arrived()), () -> hex(arrived()).equals(wanted));
    }

    private static List<String> hex(List<byte[]> packets) {
        return packets.stream().map(HexFormat.of()::formatHex).toList();
    }

    void say(OscPacket packet) {
        send(OscEncoder.encode(packet));
    }

    /** Sends bytes as they are to where our words are awaited. */
    void send(byte[] bytes) {
        try {
            socket.send(new DatagramPacket(bytes, bytes.length, InetAddress.getLoopbackAddress(), answerPort));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        socket.close();
    }
}
