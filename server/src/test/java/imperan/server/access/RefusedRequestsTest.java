package imperan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterRegistration;
import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServer;

/**
 * Requests that will be refused, sixty at a time, a byte now and then, and made anew as soon as they are cut off: whoever may ask is
 * answered beside them. The real filters in a real Tomcat with as many threads as the network has; this machine is 127.0.0.1, the stranger
 * .2, a tablet with the key .3.
 */
class RefusedRequestsTest {

    private static final int DRIPS = 60;
    private static final int TRIES = 20;
    /** Of those that take a fifth of a second each. */
    private static final int IMPORTS = 7;

    private static final String HERE = "127.0.0.1";
    private static final String STRANGER = "127.0.0.2";
    private static final String TABLET = "127.0.0.3";

    private final ShowKeys keys = new ShowKeys("12345678", new byte[] {7});
    private final ExecutorService threads = Executors.newCachedThreadPool();
    private final AtomicInteger cutOff = new AtomicInteger();
    private WebServer server;
    private volatile boolean over;

    /** Reads all, and then works for a fifth of a second, as an import does. */
    private static final class Importing extends HttpServlet {
        private static final long serialVersionUID = 1;

        @Override
        protected void doPost(HttpServletRequest request, HttpServletResponse response) throws IOException {
            request.getInputStream().readAllBytes();
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(200));
            response.getWriter().print("taken");
        }

        @Override
        protected void doGet(HttpServletRequest request, HttpServletResponse response) throws IOException {
            response.getWriter().print("up");
        }
    }

    @BeforeEach
    void start() {
        KeyFilter keyFilter = new KeyFilter(keys, HERE::equals);
        List<Filter> filters = List.of(
                new SameOriginFilter(),
                keyFilter,
                new RequestLimits(64, HERE::equals, System::nanoTime),
                new KeyForm(keyFilter, keys, System::nanoTime));
        TomcatServletWebServerFactory factory = new TomcatServletWebServerFactory(0);
        factory.addConnectorCustomizers(connector -> {
            connector.setProperty("maxThreads", "48");
            connector.setProperty("maxSwallowSize", "0");
        });
        server = factory.getWebServer(context -> {
            for (Filter filter : filters) {
                FilterRegistration.Dynamic added =
                        context.addFilter(filter.getClass().getSimpleName(), filter);
                added.setAsyncSupported(true);
                added.addMappingForUrlPatterns(EnumSet.of(DispatcherType.REQUEST), true, "/*");
            }
            context.addServlet("import", new Importing()).addMapping("/api/*");
        });
        server.start();
    }

    @AfterEach
    void stop() throws Exception {
        over = true;
        threads.shutdownNow();
        assertThat(threads.awaitTermination(20, TimeUnit.SECONDS)).isTrue();
        server.stop();
    }

    private Socket connect(String from) throws IOException {
        Socket socket = new Socket();
        socket.bind(new InetSocketAddress(InetAddress.getByName(from), 0));
        socket.connect(new InetSocketAddress(HERE, server.getPort()));
        socket.setSoTimeout(60_000);
        return socket;
    }

    private static void say(Socket socket, String text) throws IOException {
        socket.getOutputStream().write(text.getBytes(StandardCharsets.ISO_8859_1));
    }

    /** The first line of an answer. */
    private static String line(Socket socket) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int next = socket.getInputStream().read();
                next >= 0 && next != '\r';
                next = socket.getInputStream().read()) {
            line.append((char) next);
        }
        return line.toString();
    }

    private String head(String request, String more) {
        return request + " HTTP/1.1\r\nHost: 127.0.0.1:" + server.getPort() + "\r\n" + more + "\r\n";
    }

    /** How long each of them took, in milliseconds; the middle one. */
    private long median(int tries, String from, String request, String cookie, String body) throws IOException {
        List<Long> took = new ArrayList<>();
        for (int i = 0; i < tries; i++) {
            long began = System.nanoTime();
            try (Socket socket = connect(from)) {
                say(
                        socket,
                        head(request, cookie + "Content-Length: " + body.length() + "\r\nConnection: close\r\n")
                                + body);
                assertThat(line(socket)).isEqualTo("HTTP/1.1 200 ");
            }
            took.add(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - began));
        }
        took.sort(null);
        return took.get(tries / 2);
    }

    /** One that goes on until it is cut off, and then begins anew. */
    private void drip(String from, String head) {
        while (!over) {
            try (Socket socket = connect(from)) {
                say(socket, head);
                while (!over) {
                    say(socket, "x");
                    LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(50));
                }
            } catch (IOException e) {
                cutOff.incrementAndGet();
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        STRANGER + ", POST /api/files, ''",
        STRANGER + ", POST /key, ''",
        HERE + ", POST /api/files, Origin: http://elsewhere.example"
    })
    void whoMayAskIsAnsweredBesideSixtyThatMayNot(String from, String request, String header) throws Exception {
        String pass = "Cookie: " + KeyFilter.COOKIE + "="
                + ((ShowKeys.Shown.Right) keys.show(TABLET, "12345678", 0)).pass() + "\r\n";
        String large = "y".repeat(300 << 10);
        long alone = median(IMPORTS, HERE, "POST /api/files", "", large);
        String head = head(
                request,
                (header.isEmpty() ? "" : header + "\r\n") + "Content-Length: "
                        + (request.contains("/key") ? 900 : 300_000) + "\r\n");
        for (int i = 0; i < DRIPS; i++) {
            threads.execute(() -> drip(from, head));
        }
        long tablet = median(TRIES, TABLET, "GET /api/health", pass, "");
        long beside = median(IMPORTS, HERE, "POST /api/files", "", large);
        long ofTablet = median(IMPORTS, TABLET, "POST /api/files", pass, large);
        System.out.printf(
                "Beside %d drips of %s from %s (%d were cut off): a tablet %d ms, an import here %d ms (alone %d ms), of the tablet %d ms%n",
                DRIPS, request, from, cutOff.get(), tablet, beside, alone, ofTablet);
        assertThat(tablet).as("a tablet with the key").isLessThan(1_000);
        assertThat(beside).as("an import at this machine").isLessThanOrEqualTo(2 * alone);
        assertThat(ofTablet).as("an import of the tablet").isLessThanOrEqualTo(2 * alone + 1_000);
    }

    /** Who goes on sending a large file that is refused hears why. */
    @Test
    void whoIsRefusedHearsWhy() throws Exception {
        String megabyte = "z".repeat(1 << 20);
        for (String from : new String[] {STRANGER, HERE}) {
            try (Socket socket = connect(from)) {
                say(
                        socket,
                        head(
                                "POST /api/files",
                                "Origin: http://elsewhere.example\r\nContent-Length: " + (20 << 20) + "\r\n"));
                for (int i = 0; i < 20; i++) {
                    say(socket, megabyte);
                }
                assertThat(line(socket)).isEqualTo("HTTP/1.1 403 ");
            }
        }
    }

    /** What is refused is cut off after a moment, whoever it is. */
    @Test
    void whoIsRefusedIsCutOff() throws Exception {
        try (Socket socket = connect(STRANGER)) {
            say(socket, head("POST /api/files", "Content-Length: 300000\r\n") + "x");
            assertThat(line(socket)).isEqualTo("HTTP/1.1 401 ");
            byte[] rest = socket.getInputStream().readAllBytes();
            assertThat(new String(rest, StandardCharsets.UTF_8)).contains("Show the key of this Imperan first");
        }
    }
}
