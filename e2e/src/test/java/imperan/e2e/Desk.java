package imperan.e2e;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketTimeoutException;
import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;

/** Speaks with the stand-in desk over a socket of the test's own, past Imperan. */
final class Desk implements AutoCloseable {

    /** How long anything is waited for: machines that run tests are shared and at times very slow. */
    static final Duration PATIENCE = Duration.ofSeconds(40);

    private final InetSocketAddress address;
    private final DatagramSocket socket;

    Desk(InetSocketAddress address) {
        this.address = address;
        try {
            socket = new DatagramSocket(0, InetAddress.getLoopbackAddress());
            socket.setSoTimeout(200);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    void set(String path, OscArgument argument) {
        send(OscMessage.of(path, argument));
    }

    /** The first argument of what the desk says of an address. */
    OscArgument ask(String path) {
        byte[] buffer = new byte[1500];
        for (int attempt = 0; attempt < 200; attempt++) {
            send(OscMessage.of(path));
            DatagramPacket packet = new DatagramPacket(buffer, buffer.length);
            try {
                socket.receive(packet);
            } catch (SocketTimeoutException e) {
                continue;
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
            if (new OscDecoder().decode(buffer, 0, packet.getLength()) instanceof Decoded.Whole whole
                    && whole.packet() instanceof OscMessage message
                    && message.address().equals(path)) {
                return message.arguments().get(0);
            }
        }
        throw new AssertionError("The desk does not answer " + path);
    }

    float level(String strip) {
        return ((OscArgument.Float32) ask("/bellows/" + strip + "/level")).value();
    }

    int mute(String strip) {
        return ((OscArgument.Int32) ask("/bellows/" + strip + "/mute")).value();
    }

    /** Asks again and again until the desk says so. */
    void waitForLevel(String strip, double level) {
        waitUntil(strip + " at " + level, () -> Math.abs(level(strip) - level) < 0.02);
    }

    void waitForMute(String strip, int mute) {
        waitUntil(strip + " mute " + mute, () -> mute(strip) == mute);
    }

    static void waitUntil(String what, BooleanSupplier condition) {
        if (!comes(PATIENCE, condition)) {
            throw new AssertionError("It never came to this: " + what);
        }
    }

    /** Waits until it is so; false where it did not come to it in time. What is waited for needs the processor more than who waits. */
    static boolean comes(Duration within, BooleanSupplier condition) {
        long end = System.nanoTime() + within.toNanos();
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) {
                return false;
            }
            LockSupport.parkNanos(1_000_000);
        }
        return true;
    }

    /** Bytes as they are, from the test's socket to any port of this machine. */
    void raw(byte[] bytes, int port) {
        try {
            socket.send(new DatagramPacket(bytes, bytes.length, InetAddress.getLoopbackAddress(), port));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private void send(OscMessage message) {
        byte[] bytes = OscEncoder.encode(message);
        try {
            socket.send(new DatagramPacket(bytes, bytes.length, address));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        socket.close();
    }
}
