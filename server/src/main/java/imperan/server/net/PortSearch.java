package imperan.server.net;

import imperan.dialect.Codec;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Listens for a short time on ports that nobody told us of, in case a target answers there. What comes is handed on like any other packet. */
public final class PortSearch {

    public static final long SECONDS = 10;

    private static final Logger LOG = LoggerFactory.getLogger(PortSearch.class);
    private static final int LARGEST_PACKET = 65_535;

    private final TargetListener listener;
    private final AtomicBoolean searching = new AtomicBoolean();

    public PortSearch(TargetListener listener) {
        this.listener = listener;
    }

    /** Opens those of these ports that are free, before it returns, and listens on. Where a search is under way already, it goes on alone. */
    public void search(Collection<Integer> ports, Codec codec) {
        if (!searching.compareAndSet(false, true)) {
            return;
        }
        try {
            Selector selector = Selector.open();
            ports.forEach(port -> open(selector, port));
            Thread thread = new Thread(() -> listen(selector, codec), "port-search");
            thread.setDaemon(true);
            thread.start();
        } catch (IOException e) {
            searching.set(false);
            LOG.warn("There is no search for answers on other ports: {}", e.toString());
        }
    }

    private void listen(Selector selector, Codec codec) {
        try {
            long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
            ByteBuffer buffer = ByteBuffer.allocate(LARGEST_PACKET);
            for (long left = end - System.nanoTime();
                    left > 0 && !selector.keys().isEmpty();
                    left = end - System.nanoTime()) {
                selector.select(Math.max(1, TimeUnit.NANOSECONDS.toMillis(left)));
                for (SelectionKey key : selector.selectedKeys()) {
                    read((DatagramChannel) key.channel(), buffer, codec);
                }
                selector.selectedKeys().clear();
            }
        } catch (IOException e) {
            LOG.warn("The search for answers on other ports ended early: {}", e.toString());
        } finally {
            close(selector);
            searching.set(false);
        }
    }

    private static void close(Selector selector) {
        try {
            for (SelectionKey key : selector.keys()) {
                key.channel().close();
            }
            selector.close();
        } catch (IOException e) {
            LOG.warn("A port of the search could not be closed: {}", e.toString());
        }
    }

    private static void open(Selector selector, int port) {
        try {
            DatagramChannel channel = DatagramChannel.open();
            try {
                channel.configureBlocking(false);
                channel.bind(new InetSocketAddress(port));
                channel.register(selector, SelectionKey.OP_READ);
            } catch (IOException e) {
                // whoever has the port hears what comes there; it is not ours to hear
                channel.close();
            }
        } catch (IOException e) {
            LOG.warn("No socket could be had for port {}: {}", port, e.toString());
        }
    }

    private void read(DatagramChannel channel, ByteBuffer buffer, Codec codec) throws IOException {
        buffer.clear();
        InetSocketAddress from = (InetSocketAddress) channel.receive(buffer);
        if (from != null) {
            byte[] bytes = new byte[buffer.flip().remaining()];
            buffer.get(bytes);
            int ourPort = ((InetSocketAddress) channel.getLocalAddress()).getPort();
            listener.packet(
                    List.of(), ourPort, from.getAddress().getHostAddress(), from.getPort(), bytes, codec.read(bytes));
        }
    }
}
