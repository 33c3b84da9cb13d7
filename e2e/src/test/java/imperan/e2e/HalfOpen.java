package imperan.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/** A piece of network between a browser and the server, which can go away without a word: nothing is closed, and nothing arrives any more. */
final class HalfOpen implements AutoCloseable {

    private final ServerSocket entrance;
    private final int server;
    private final List<Socket> sockets = new CopyOnWriteArrayList<>();
    private volatile boolean away;

    HalfOpen(int server) throws IOException {
        this.server = server;
        entrance = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        background(this::accept);
    }

    int port() {
        return entrance.getLocalPort();
    }

    /** From now on nothing goes through, or everything does again that is opened afterwards. */
    void away(boolean now) {
        away = now;
    }

    private void accept() {
        while (!entrance.isClosed()) {
            try {
                Socket in = entrance.accept();
                Socket out = new Socket(InetAddress.getLoopbackAddress(), server);
                sockets.add(in);
                sockets.add(out);
                background(() -> pump(in, out));
                background(() -> pump(out, in));
            } catch (IOException e) {
                // it is closed
            }
        }
    }

    private void pump(Socket from, Socket to) {
        byte[] bytes = new byte[8192];
        try (InputStream in = from.getInputStream();
                OutputStream out = to.getOutputStream()) {
            boolean cut = false;
            for (int count = in.read(bytes); count >= 0; count = in.read(bytes)) {
                // what was open when the network went stays dead when it comes back
                cut |= away;
                if (!cut) {
                    out.write(bytes, 0, count);
                    out.flush();
                }
            }
            while (cut && !entrance.isClosed()) {
                Thread.sleep(50);
            }
        } catch (IOException | InterruptedException e) {
            // one of the ends has gone
        }
    }

    private static void background(Runnable doing) {
        Thread thread = new Thread(doing, "half-open");
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void close() throws IOException {
        entrance.close();
        for (Socket socket : sockets) {
            socket.close();
        }
    }
}
