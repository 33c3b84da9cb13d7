package imperan.server.net;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Who asks a target for its address space learns of that target, and of nothing else. */
class AddressSpaceAskerTest {

    private HttpServer target;

    @BeforeEach
    void open() throws IOException {
        target = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        target.createContext("/", exchange -> {
            byte[] text = "{\"FULL_PATH\":\"/\"}".getBytes(StandardCharsets.UTF_8);
            boolean moved = exchange.getRequestURI().getPath().equals("/moved");
            if (moved) {
                exchange.getResponseHeaders().add("Location", "/");
            }
            exchange.sendResponseHeaders(moved ? 302 : 200, text.length);
            exchange.getResponseBody().write(text);
            exchange.close();
        });
        target.start();
    }

    @AfterEach
    void close() {
        target.stop(0);
    }

    private int port() {
        return target.getAddress().getPort();
    }

    private static String why(AddressSpaceAsker.Answer answer) {
        return ((AddressSpaceAsker.Answer.None) answer).why();
    }

    @Test
    void aTargetAtThisMachineIsAsked() {
        AddressSpaceAsker asker = new AddressSpaceAsker(new OwnPorts(Set.of(1)));
        for (boolean isHere : new boolean[] {true, false}) {
            assertThat(asker.ask("127.0.0.1:" + port(), isHere))
                    .isEqualTo(new AddressSpaceAsker.Answer.Text("{\"FULL_PATH\":\"/\"}"));
        }
        assertThat(why(asker.ask("127.0.0.1:" + port() + "/moved", true)))
                .as("nobody is followed elsewhere")
                .isEqualTo("It answered with status 302");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "127.0.0.1",
                "localhost",
                "127.9.9.9",
                "0.0.0.0",
                "[::1]",
                "[::ffff:127.0.0.1]",
                "0177.0.0.1",
                "2130706433"
            })
    void imperanItselfIsNeverAskedByWhicheverName(String host) {
        AddressSpaceAsker asker = new AddressSpaceAsker(new OwnPorts(Set.of(port())));
        assertThat(asker.ask("http://" + host + ":" + port() + "/api/network", true))
                .isInstanceOf(AddressSpaceAsker.Answer.None.class);
    }

    @Test
    void itSaysSoAtThisMachine() {
        AddressSpaceAsker asker = new AddressSpaceAsker(new OwnPorts(Set.of(port())));
        assertThat(why(asker.ask("127.0.0.1:" + port(), true)))
                .isEqualTo("Imperan itself listens at that port, and no target");
    }

    /** From outside all failures look the same: what listens here and what does not cannot be told apart. */
    @Test
    void overTheNetworkEveryFailureIsOneSentence() throws IOException {
        int closed;
        try (ServerSocket once = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            closed = once.getLocalPort();
        }
        AddressSpaceAsker asker = new AddressSpaceAsker(new OwnPorts(Set.of(1)));
        Set<String> here = new TreeSet<>();
        Set<String> elsewhere = new TreeSet<>();
        for (String typed : new String[] {
            "127.0.0.1:" + closed,
            "127.0.0.1:1",
            "ftp://127.0.0.1/",
            "no address at all",
            "127.0.0.1:" + port() + "/moved"
        }) {
            here.add(why(asker.ask(typed, true)));
            elsewhere.add(why(asker.ask(typed, false)));
        }
        assertThat(here).hasSizeGreaterThan(3);
        assertThat(elsewhere)
                .containsExactly(
                        "No address space came from there. At the computer on which Imperan runs more is said");
    }
}
