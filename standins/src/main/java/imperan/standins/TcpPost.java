package imperan.standins;

import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.StreamFraming;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;

/** Lends a device a TCP port on loopback, a thread for each connection, and its time. */
public final class TcpPost extends Post {

    private static final int TICK_MS = 20;

    private final StreamFraming framing;
    private final int port;
    private final Map<Long, Socket> connections = new ConcurrentHashMap<>();
    private final AtomicLong counted = new AtomicLong();
    private final ScheduledExecutorService time;
    private ServerSocket door;
    private Thread porter;

    private TcpPost(Supplier<StandIn> built, StreamFraming framing, ServerSocket door) {
        super(built);
        this.framing = framing;
        this.door = door;
        this.port = door.getLocalPort();
        this.time = Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "stand-in " + name()));
        time.scheduleWithFixedDelay(this::pass, TICK_MS, TICK_MS, TimeUnit.MILLISECONDS);
    }

    /**
     * @param built a device in its first state, each time
     * @param port  0 for any free one
     * @throws IOException where the port is taken
     */
    public static TcpPost open(Supplier<StandIn> built, StreamFraming framing, int port) throws IOException {
        TcpPost post = new TcpPost(built, framing, door(port));
        post.letIn(post.door);
        return post;
    }

    private static ServerSocket door(int port) throws IOException {
        ServerSocket door = new ServerSocket();
        door.setReuseAddress(true);
        door.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        return door;
    }

    private void letIn(ServerSocket open) {
        porter = new Thread(
                () -> {
                    while (!open.isClosed()) {
                        try {
                            Socket socket = open.accept();
                            socket.setTcpNoDelay(true);
                            long number = counted.incrementAndGet();
                            connections.put(number, socket);
                            new Thread(() -> serve(number, socket), "stand-in " + name() + " " + number).start();
                        } catch (IOException e) {
                            // the door was closed
                            return;
                        }
                    }
                },
                "stand-in " + name() + " door");
        porter.start();
    }

    private void serve(long number, Socket socket) {
        StandIn.Peer peer = new StandIn.Peer(socket.getInetAddress().getHostAddress(), socket.getPort(), number);
        StreamFraming.Reader reader = framing.reader();
        OscDecoder decoder = new OscDecoder();
        byte[] buffer = new byte[8192];
        try (socket) {
            InputStream in = socket.getInputStream();
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                for (byte[] packet : reader.read(Arrays.copyOf(buffer, read))) {
                    if (decoder.decode(packet) instanceof Decoded.Whole whole) {
                        deliver(peer, whole.packet());
                    }
                }
            }
        } catch (IOException | StreamFraming.BrokenStreamException e) {
            // the other end is gone, or speaks otherwise; it may connect again
        } finally {
            connections.remove(number);
        }
    }

    @Override
    void send(StandIn.Peer to, OscMessage message) {
        Socket socket = connections.get(to.connection());
        if (socket != null) {
            try {
                socket.getOutputStream().write(framing.frame(OscEncoder.encode(message)));
            } catch (IOException e) {
                connections.remove(to.connection());
            }
        }
    }

    @Override
    public int port() {
        return port;
    }

    @Override
    void open() throws IOException {
        if (door.isClosed()) {
            door = door(port);
            letIn(door);
        }
    }

    @Override
    void shut() throws IOException {
        door.close();
        try {
            // while somebody waits at it, the system keeps a closed door open for one more
            porter.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        for (Socket socket : connections.values()) {
            socket.close();
        }
    }

    @Override
    public void close() {
        time.shutdownNow();
        try {
            shut();
        } catch (IOException e) {
            System.err.println(name() + " could not close: " + e.getMessage());
        }
    }
}
