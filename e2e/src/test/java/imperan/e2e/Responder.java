package imperan.e2e;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Timer;
import java.util.TimerTask;

/** A device that was not made by us: bare sockets, and OSC 1.0 written by hand. It keeps one decimal for each address, and answers in a way of its own. */
final class Responder implements AutoCloseable {

    /** How it answers. */
    enum Way {
        /** What it was told. */
        SAME,
        /** In steps of 0.3, as its phrasebook says. */
        COARSER,
        /** In steps of 0.3, and its phrasebook does not say so. */
        COARSER_THAN_TOLD,
        /** As a whole number. */
        WHOLE,
        /** After 0.7 s. */
        LATE,
        /** Under another prefix. */
        PREFIX,
        /** From another port of its own. */
        OTHER_PORT,
        /** Only to a question. */
        ONLY_ASKED,
        /** But for each third one. */
        LOSES
    }

    private static final long LATE_MS = 700;
    private static final float STEP = 0.3f;

    private final DatagramSocket socket;
    private final DatagramSocket other;
    private final Way way;
    private final Map<String, Float> stands = new HashMap<>();
    private final Timer timer = new Timer("responder", true);
    private int answers;

    Responder(Way way) {
        this.way = way;
        try {
            socket = new DatagramSocket(0, InetAddress.getLoopbackAddress());
            other = new DatagramSocket(0, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        new Thread(this::listen, "responder " + way).start();
    }

    int port() {
        return socket.getLocalPort();
    }

    private void listen() {
        DatagramPacket packet = new DatagramPacket(new byte[1024], 1024);
        while (!socket.isClosed()) {
            try {
                socket.receive(packet);
                heard(ByteBuffer.wrap(packet.getData(), 0, packet.getLength()).slice(), packet.getSocketAddress());
            } catch (IOException e) {
                // it is closed, or somebody's port is
            }
        }
    }

    private void heard(ByteBuffer bytes, SocketAddress from) throws IOException {
        String address = text(bytes);
        boolean asked = !bytes.hasRemaining() || text(bytes).equals(",");
        if (!asked) {
            float value = bytes.getFloat();
            stands.put(
                    address,
                    way == Way.COARSER || way == Way.COARSER_THAN_TOLD ? Math.round(value / STEP) * STEP : value);
        }
        answers++;
        if (way == Way.LOSES && answers % 3 == 0 || way == Way.ONLY_ASKED && !asked || !stands.containsKey(address)) {
            return;
        }
        byte[] answer = message(way == Way.PREFIX ? "/other" + address : address, stands.get(address));
        InetSocketAddress to = (InetSocketAddress) from;
        if (way == Way.LATE) {
            timer.schedule(
                    new TimerTask() {
                        @Override
                        public void run() {
                            send(socket, answer, to);
                        }
                    },
                    LATE_MS);
        } else {
            send(way == Way.OTHER_PORT ? other : socket, answer, to);
        }
    }

    private static void send(DatagramSocket from, byte[] answer, InetSocketAddress to) {
        try {
            from.send(new DatagramPacket(answer, answer.length, to));
        } catch (IOException e) {
            // it is closed
        }
    }

    /** OSC 1.0, "OSC-string": characters, a null, and more nulls up to a multiple of four bytes. */
    private static String text(ByteBuffer bytes) {
        int start = bytes.position();
        int end = start;
        while (bytes.get(end) != 0) {
            end++;
        }
        bytes.position(Math.min(bytes.limit(), start + (end - start + 4) / 4 * 4));
        return new String(bytes.array(), bytes.arrayOffset() + start, end - start, StandardCharsets.US_ASCII);
    }

    private byte[] message(String address, float value) {
        int length = (address.length() + 4) / 4 * 4;
        ByteBuffer bytes = ByteBuffer.allocate(length + 8);
        bytes.put(address.getBytes(StandardCharsets.US_ASCII));
        bytes.position(length);
        bytes.put((way == Way.WHOLE ? ",i" : ",f").getBytes(StandardCharsets.US_ASCII));
        bytes.position(length + 4);
        return way == Way.WHOLE
                ? bytes.putInt(Math.round(value)).array()
                : bytes.putFloat(value).array();
    }

    @Override
    public void close() {
        socket.close();
        other.close();
        timer.cancel();
    }
}
