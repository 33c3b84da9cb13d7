package imperan.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.StreamFraming;
import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.PortUnreachableException;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The devices over real sockets on loopback. */
class PostsTest {

    private static final int PATIENCE_MS = 10_000;
    private static final InetAddress LOOPBACK = InetAddress.getLoopbackAddress();

    private static DatagramSocket client(int port) throws IOException {
        DatagramSocket client = new DatagramSocket(0, LOOPBACK);
        client.connect(new InetSocketAddress(LOOPBACK, port));
        client.setSoTimeout(PATIENCE_MS);
        return client;
    }

    private static String ask(DatagramSocket client, String address) throws IOException {
        byte[] question = OscEncoder.encode(OscMessage.of(address));
        client.send(new DatagramPacket(question, question.length));
        DatagramPacket packet = new DatagramPacket(new byte[1500], 1500);
        client.receive(packet);
        return address(Arrays.copyOf(packet.getData(), packet.getLength()));
    }

    private static String address(byte[] packet) {
        return ((OscMessage) ((Decoded.Whole) new OscDecoder().decode(packet)).packet()).address();
    }

    @Test
    void aClosedPortIsClosedForTheSystemTooAndOpensAgain() throws IOException {
        try (UdpPost post = UdpPost.open(Bellows::new, 0);
                DatagramSocket client = client(post.port())) {
            assertThat(ask(client, "/bellows/main/level")).isEqualTo("/bellows/main/level");
            post.fault(Fault.PORT_CLOSED, true);
            assertThat(unreachable(client)).isTrue();
            post.fault(Fault.PORT_CLOSED, false);
            client.setSoTimeout(PATIENCE_MS);
            assertThat(ask(client, "/bellows/main/level")).isEqualTo("/bellows/main/level");
        }
    }

    @Test
    void afterARestartAllIsAsAtFirstAndNothingIsWrong() throws IOException {
        try (UdpPost post = UdpPost.open(Bellows::new, 0);
                DatagramSocket client = client(post.port())) {
            Map<String, Object> first = post.picture();
            post.byHand(OscMessage.of("/bellows/main/level", new OscArgument.Float32(0.4f)));
            assertThat(post.picture()).isNotEqualTo(first);
            post.fault(Fault.DEAF, true);
            post.fault(Fault.PORT_CLOSED, true);
            post.restart();
            assertThat(post.picture()).isEqualTo(first);
            assertThat(post.faults()).isEmpty();
            assertThat(ask(client, "/bellows/main/level")).isEqualTo("/bellows/main/level");
        }
    }

    @Test
    void aPortThatIsClosedAndOpenedAtOnceIsOpen() throws IOException {
        try (UdpPost post = UdpPost.open(Bellows::new, 0);
                DatagramSocket client = client(post.port())) {
            for (int time = 0; time < 300; time++) {
                post.fault(Fault.PORT_CLOSED, true);
                post.fault(Fault.PORT_CLOSED, false);
                assertThat(post.faults()).as("time %d", time).isEmpty();
            }
            assertThat(ask(client, "/bellows/main/level")).isEqualTo("/bellows/main/level");
        }
    }

    /** The system may hand one more packet to a socket that is just being closed, so it is asked again. */
    private static boolean unreachable(DatagramSocket client) throws IOException {
        client.setSoTimeout(100);
        for (int attempt = 0; attempt < PATIENCE_MS / 100; attempt++) {
            try {
                ask(client, "/bellows/main/level");
            } catch (PortUnreachableException e) {
                return true;
            } catch (SocketTimeoutException e) {
                // that packet went to the socket that closes
            }
        }
        return false;
    }

    @Test
    void answersCanComeFromAnotherPort() throws IOException {
        try (UdpPost post = UdpPost.open(Bellows::new, 0);
                DatagramSocket client = new DatagramSocket(0, LOOPBACK)) {
            client.setSoTimeout(PATIENCE_MS);
            post.fault(Fault.FROM_OTHER_PORT, true);
            byte[] question = OscEncoder.encode(OscMessage.of("/bellows/main/level"));
            client.send(new DatagramPacket(question, question.length, LOOPBACK, post.port()));
            DatagramPacket packet = new DatagramPacket(new byte[1500], 1500);
            client.receive(packet);
            assertThat(packet.getPort()).isNotEqualTo(post.port());
        }
    }

    @Test
    void keelSpeaksOverAStreamAndRefusesWhenItsDoorIsShut() throws IOException, StreamFraming.BrokenStreamException {
        try (TcpPost post = TcpPost.open(Keel::new, StreamFraming.SLIP, 0)) {
            try (Socket socket = new Socket(LOOPBACK, post.port())) {
                socket.setSoTimeout(PATIENCE_MS);
                socket.getOutputStream()
                        .write(StreamFraming.SLIP.frame(OscEncoder.encode(OscMessage.of("/keel/sleep"))));
                assertThat(address(first(socket.getInputStream()))).isEqualTo("/keel/sleep");
                post.fault(Fault.PORT_CLOSED, true);
                assertThat(closedByPeer(socket)).isTrue();
            }
            assertThatThrownBy(() -> new Socket(LOOPBACK, post.port()).close()).isInstanceOf(ConnectException.class);
            post.fault(Fault.PORT_CLOSED, false);
            new Socket(LOOPBACK, post.port()).close();
        }
    }

    private static byte[] first(InputStream in) throws IOException, StreamFraming.BrokenStreamException {
        StreamFraming.Reader reader = StreamFraming.SLIP.reader();
        byte[] buffer = new byte[1500];
        for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
            List<byte[]> packets = reader.read(Arrays.copyOf(buffer, read));
            if (!packets.isEmpty()) {
                return packets.get(0);
            }
        }
        throw new IOException("The stream ended before a packet came");
    }

    private static boolean closedByPeer(Socket socket) {
        try {
            byte[] buffer = new byte[1500];
            while (socket.getInputStream().read(buffer) >= 0) {
                // what was on its way
            }
            return true;
        } catch (IOException reset) {
            return true;
        }
    }

    @Test
    void aPortThatIsTakenIsNamedAndNothingStaysOpen() throws IOException {
        int first = freeBlock();
        try (DatagramSocket other = new DatagramSocket(first + 1, LOOPBACK)) {
            assertThatThrownBy(() -> new Company(first, 9201, Set.of()))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("Wick")
                    .hasMessageContaining(String.valueOf(other.getLocalPort()));
        }
        new Company(first, 9201, Set.of("Wick", "Keel")).close();
    }

    /** Five ports in a row that are free for both kinds of sockets. */
    private static int freeBlock() throws IOException {
        for (int first = 20_000; ; first += 7) {
            try {
                new Company(first, 9201, Set.of()).close();
                return first;
            } catch (IOException taken) {
                assertThat(first).isLessThan(40_000);
            }
        }
    }

    @Test
    void thePageShowsThemAllAndTakesHandsAndFaults() throws IOException, InterruptedException {
        try (Company company = new Company(freeBlock(), 9201, Set.of());
                PicturePage page = new PicturePage(company, 0)) {
            String url = "http://127.0.0.1:" + page.port();
            HttpClient http = HttpClient.newHttpClient();
            assertThat(get(http, url + "/")).contains("<title>");
            assertThat(get(http, url + "/state")).contains("Bellows", "Wick", "Sluice", "Eddy", "Keel");
            assertThat(get(http, url + "/eddy")).contains("\"FULL_PATH\":\"/eddy/tilt/x\"");
            post(
                    http,
                    url + "/hand",
                    "{\"device\":\"Wick\",\"address\":\"/wick/lantern/1/level\",\"arguments\":[200]}",
                    200);
            assertThat(company.post("wick").picture().get("lanterns").toString())
                    .contains("level=0.78");
            post(http, url + "/fault", "{\"device\":\"Keel\",\"fault\":\"LATE\",\"on\":true}", 200);
            assertThat(company.post("Keel").faults()).containsExactly(Fault.LATE);
            post(http, url + "/fault", "{\"device\":\"Keel\",\"fault\":\"TIRED\",\"on\":true}", 422);
            post(http, url + "/hand", "{\"device\":\"Oar\"}", 422);
            post(http, url + "/hand", "no json", 422);
        }
    }

    private static String get(HttpClient http, String url) throws IOException, InterruptedException {
        return http.send(HttpRequest.newBuilder(URI.create(url)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private static void post(HttpClient http, String url, String body, int status)
            throws IOException, InterruptedException {
        assertThat(http.send(
                                HttpRequest.newBuilder(URI.create(url))
                                        .header("Content-Type", "application/json")
                                        .POST(HttpRequest.BodyPublishers.ofString(body))
                                        .build(),
                                HttpResponse.BodyHandlers.ofString())
                        .statusCode())
                .isEqualTo(status);
    }
}
