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
import java.net.SocketAddress;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A device on a bare socket that takes something else of what it is told than it says, in another way on each of its addresses, which
 * are {@code /zoo/0/level} and so on.
 */
final class Liars implements AutoCloseable {

    /** What it takes. */
    enum Takes {
        ALL,
        NOTHING,
        THE_FIRST_ONLY,
        ONE_IN_THREE,
        THE_ONE_BEFORE,
        EIGHTHS,
        HALF,
        THE_OPPOSITE,
        NO_MORE_THAN_FOUR_FIFTHS,
        FULL
    }

    /** What it says to a value; asked, where it can be asked, it says what stands. */
    enum Says {
        /** What came. */
        WHAT_CAME,
        /** What it took. */
        WHAT_IT_TOOK
    }

    /** As near is the same, in 127 steps. */
    private static final double SAME = 1 / 127.0;

    private final DatagramSocket socket;
    private final boolean answersQuestions;
    private final Map<Integer, Float> stands = new ConcurrentHashMap<>();
    private final Map<Integer, Float> before = new ConcurrentHashMap<>();
    private final Map<Integer, Integer> heard = new ConcurrentHashMap<>();
    private final Set<Integer> deceived = ConcurrentHashMap.newKeySet();

    Liars(boolean answersQuestions) {
        this.answersQuestions = answersQuestions;
        try {
            socket = new DatagramSocket(0, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        new Thread(this::listen, "liars").start();
    }

    int port() {
        return socket.getLocalPort();
    }

    /** How many addresses there are. */
    static int count() {
        return Takes.values().length * Says.values().length;
    }

    static Takes takes(int number) {
        return Takes.values()[number / Says.values().length];
    }

    private static Says says(int number) {
        return Says.values()[number % Says.values().length];
    }

    static String address(int number) {
        return "/zoo/" + number + "/level";
    }

    /** Whether it ever took something else there than it was told. */
    boolean deceived(int number) {
        return deceived.contains(number);
    }

    private void listen() {
        DatagramPacket packet = new DatagramPacket(new byte[1024], 1024);
        while (!socket.isClosed()) {
            try {
                socket.receive(packet);
                Decoded decoded = new OscDecoder().decode(Arrays.copyOf(packet.getData(), packet.getLength()));
                if (decoded instanceof Decoded.Whole whole && whole.packet() instanceof OscMessage message) {
                    hears(message, packet.getSocketAddress());
                }
            } catch (IOException e) {
                // it is closed, or somebody's port is
            }
        }
    }

    private void hears(OscMessage message, SocketAddress from) {
        int number = Integer.parseInt(message.address().split("/")[2]);
        float stood = stands.getOrDefault(number, 0.25f);
        if (message.arguments().isEmpty()) {
            if (answersQuestions) {
                say(number, stood, from);
            }
            return;
        }
        float said = ((OscArgument.Float32) message.arguments().get(0)).value();
        int count = heard.merge(number, 1, Integer::sum) - 1;
        float taken =
                switch (takes(number)) {
                    case ALL -> said;
                    case NOTHING -> stood;
                    case THE_FIRST_ONLY -> count == 0 ? said : stood;
                    case ONE_IN_THREE -> count % 3 == 0 ? said : stood;
                    case THE_ONE_BEFORE -> before.getOrDefault(number, stood);
                    case EIGHTHS -> Math.round(said * 8) / 8f;
                    case HALF -> said / 2;
                    case THE_OPPOSITE -> 1 - said;
                    case NO_MORE_THAN_FOUR_FIFTHS -> Math.min(0.8f, said);
                    case FULL -> 1;
                };
        stands.put(number, taken);
        before.put(number, said);
        if (Math.abs(taken - said) > SAME) {
            deceived.add(number);
        }
        say(number, says(number) == Says.WHAT_CAME ? said : taken, from);
    }

    private void say(int number, float value, SocketAddress to) {
        byte[] bytes = OscEncoder.encode(OscMessage.of(address(number), new OscArgument.Float32(value)));
        try {
            socket.send(new DatagramPacket(bytes, bytes.length, to));
        } catch (IOException e) {
            // it is closed
        }
    }

    @Override
    public void close() {
        socket.close();
    }
}
