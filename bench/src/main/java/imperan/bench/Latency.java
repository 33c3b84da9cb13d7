package imperan.bench;

import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.server.net.UdpSockets;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.util.Arrays;
import java.util.stream.IntStream;

/** How long Imperan takes, beside the same sockets with nothing between them. Ours and bare take turns in one run. */
final class Latency {

    private static final int ROUNDS = 9;
    private static final int WARM_UPS = 2;
    private static final int WARM_UP_PER_SECOND = 2_000;
    private final Stage stage;

    Latency(Stage stage) {
        this.stage = stage;
    }

    /** Two seconds, and a little to warm up. */
    private static int count(int perSecond) {
        return perSecond * 11 / 5;
    }

    private interface Round {
        long[] run(int perSecond) throws IOException;
    }

    /** Prints ours and bare, after each ran as often as the compiler of the virtual machine needs to come to rest. */
    private static void compare(String what, int perSecond, Round ours, Round bare) throws IOException {
        for (int i = 0; i < WARM_UPS; i++) {
            ours.run(WARM_UP_PER_SECOND);
            bare.run(WARM_UP_PER_SECOND);
        }
        Machine.Steal steal = new Machine.Steal();
        long[][] mine = new long[ROUNDS][];
        long[][] theirs = new long[ROUNDS][];
        for (int i = 0; i < ROUNDS; i++) {
            mine[i] = ours.run(perSecond);
            theirs[i] = bare.run(perSecond);
        }
        Main.print("%s (stolen processor time %.1f %%)", what, steal.percent());
        for (double share : new double[] {0.5, 0.99}) {
            double[] ratios = IntStream.range(0, ROUNDS)
                    .mapToDouble(
                            i -> (double) Machine.percentile(mine[i], share) / Machine.percentile(theirs[i], share))
                    .sorted()
                    .toArray();
            Main.print(
                    "  %s: ours %.0f µs, bare %.0f µs; median ratio of %d rounds %.2f (%.2f to %.2f)",
                    share == 0.5 ? "median" : "p99",
                    over(mine, share),
                    over(theirs, share),
                    ROUNDS,
                    ratios[ROUNDS / 2],
                    ratios[0],
                    ratios[ROUNDS - 1]);
        }
    }

    private static double over(long[][] rounds, double share) {
        return Machine.percentile(
                        Arrays.stream(rounds).flatMapToLong(Arrays::stream).toArray(), share)
                / 1000.0;
    }

    void touchToDatagram() throws IOException {
        try (Browser hand = new Browser(stage.socket("/api/live"), frame -> {}).hello("bench");
                Browser bare = new Browser(stage.socket("/api/bare"), frame -> {})) {
            stage.relay().to(stage.farEnd.getLocalPort());
            compare(
                    "Touch frame → datagram at the target, 200 a second",
                    200,
                    rate -> arriving(
                            stage.farEnd, rate, i -> hand.touch(Stage.FADER.value(), i % 2 == 0 ? 0.25 : 0.75)),
                    rate -> arriving(stage.farEnd, rate, i -> bare.say("{}")));
        }
    }

    void answerToBatch() throws IOException {
        try (DatagramSocket relayIn = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                DatagramSocket relayEnd = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            Thread relay = reader(
                    relayIn, packet -> send(relayIn, packet.getData(), packet.getLength(), relayEnd.getLocalPort()));
            compare(
                    "Datagram of a target → value handed to the browsers' batch, 200 a second",
                    200,
                    this::answers,
                    rate -> arriving(
                            relayEnd, rate, i -> send(stage.farEnd, new byte[20], 20, relayIn.getLocalPort())));
            relay.interrupt();
        }
    }

    private long[] answers(int perSecond) {
        Times times = new Times(count(perSecond));
        stage.loop().tap(control -> times.arrived());
        times.run(perSecond, i -> send(stage.farEnd, answer(i), 24, stage.answerPort));
        stage.loop().tap(control -> {});
        return times.ways();
    }

    /** The way of a finger to the echo mark: browser, server, target, server, browser; beside two bare echoes. */
    void fingerToEcho() throws IOException {
        Thread mirror = reader(
                stage.farEnd, packet -> send(stage.farEnd, answer((int) System.nanoTime()), 24, stage.answerPort));
        Times[] times = {new Times(1)};
        try (Browser hand = new Browser(stage.socket("/api/live"), frame -> {
                            if (frame.contains("\"control\":\"" + Stage.ECHO.value() + "\"")) {
                                times[0].arrived();
                            }
                        })
                        .hello("bench");
                Browser back = new Browser(stage.socket("/api/back"), frame -> times[0].arrived());
                DatagramSocket asker = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                DatagramSocket mirrored = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            Thread bareMirror = reader(
                    mirrored, packet -> send(mirrored, packet.getData(), packet.getLength(), asker.getLocalPort()));
            int count = count(20);
            Machine.Steal steal = new Machine.Steal();
            Times ours = new Times(count);
            times[0] = ours;
            ours.runInTurn(20, i -> hand.touch(Stage.FADER.value(), i % 2 == 0 ? 0.3 : 0.6));
            Times web = new Times(count);
            times[0] = web;
            web.runInTurn(20, i -> back.say("{}"));
            long[] datagrams = arriving(asker, 20, i -> send(asker, new byte[20], 20, mirrored.getLocalPort()));
            Main.print(
                    "Finger → echo mark value at the browser, 20 a second (stolen processor time %.1f %%)",
                    steal.percent());
            for (double share : new double[] {0.5, 0.99}) {
                double bareWeb = Machine.percentile(web.ways(), share) / 1000.0;
                double bareUdp = Machine.percentile(datagrams, share) / 1000.0;
                Main.print(
                        "  %s: %.0f µs; bare WebSocket echo %.0f µs + bare datagram echo %.0f µs = %.0f µs",
                        share == 0.5 ? "median" : "p99",
                        Machine.percentile(ours.ways(), share) / 1000.0,
                        bareWeb,
                        bareUdp,
                        bareWeb + bareUdp);
            }
            bareMirror.interrupt();
        } finally {
            mirror.interrupt();
        }
    }

    // ---- datagrams

    private interface Sending {
        void send(int i);
    }

    private long[] arriving(DatagramSocket socket, int perSecond, Sending sending) throws SocketException {
        Times times = new Times(count(perSecond));
        Thread reader = reader(socket, packet -> times.arrived());
        times.run(perSecond, sending::send);
        reader.interrupt();
        join(reader);
        return times.ways();
    }

    /** Reads away what was sent before anybody measured. */
    static void drain(DatagramSocket socket) throws IOException {
        socket.setSoTimeout(50);
        DatagramPacket packet = new DatagramPacket(new byte[1500], 1500);
        try {
            while (!socket.isClosed()) {
                socket.receive(packet);
            }
        } catch (SocketTimeoutException e) {
            // nothing is left
        }
    }

    interface Reading {
        void read(DatagramPacket packet);
    }

    /** Reads a socket until it is interrupted or the socket is closed. */
    static Thread reader(DatagramSocket socket, Reading reading) throws SocketException {
        socket.setSoTimeout(50);
        socket.setReceiveBufferSize(UdpSockets.RECEIVE_BUFFER_BYTES);
        Thread thread = new Thread(
                () -> {
                    DatagramPacket packet = new DatagramPacket(new byte[1500], 1500);
                    while (!Thread.currentThread().isInterrupted() && !socket.isClosed()) {
                        try {
                            socket.receive(packet);
                        } catch (IOException e) {
                            continue;
                        }
                        reading.read(packet);
                    }
                },
                "far end");
        thread.start();
        return thread;
    }

    static void join(Thread thread) {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** A report of the far end; never the same value twice in a row. */
    static byte[] answer(int i) {
        return OscEncoder.encode(OscMessage.of(Stage.IN, new OscArgument.Float32((i & 1023) / 1024f)));
    }

    static void send(DatagramSocket from, byte[] bytes, int length, int port) {
        try {
            from.send(new DatagramPacket(
                    bytes, 0, Math.min(length, bytes.length), InetAddress.getLoopbackAddress(), port));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
