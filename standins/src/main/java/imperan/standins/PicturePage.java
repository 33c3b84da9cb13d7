package imperan.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * One page with a small live picture of every device, where hands can be laid on them and faults switched on; and, under
 * {@code /eddy}, the address space that Eddy serves (OSCQuery JSON). On loopback only.
 */
public final class PicturePage implements AutoCloseable {

    private final Company company;
    private final HttpServer http;
    private final ExecutorService threads = Executors.newFixedThreadPool(2, r -> new Thread(r, "stand-in page"));
    private final JsonMapper json = JsonMapper.builder().build();

    /**
     * @param port 0 for any free one
     * @throws IOException where the port is taken
     */
    public PicturePage(Company company, int port) throws IOException {
        this.company = company;
        http = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        http.setExecutor(threads);
        http.createContext("/", this::page);
        http.createContext("/state", exchange -> answer(exchange, 200, "application/json", state()));
        http.createContext("/fault", exchange -> post(exchange, this::fault));
        http.createContext("/hand", exchange -> post(exchange, this::hand));
        http.createContext(
                "/eddy",
                exchange ->
                        answer(exchange, 200, "application/json", company.eddy().addressSpace(json)));
        http.start();
    }

    public int port() {
        return http.getAddress().getPort();
    }

    private void page(HttpExchange exchange) throws IOException {
        if (!exchange.getRequestURI().getPath().equals("/")) {
            answer(exchange, 404, "text/plain; charset=utf-8", "There is only one page here: /");
            return;
        }
        try (InputStream page = PicturePage.class.getResourceAsStream("/standins.html")) {
            answer(exchange, 200, "text/html; charset=utf-8", new String(page.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    private String state() {
        ArrayNode devices = json.createArrayNode();
        for (Post post : company.posts()) {
            ObjectNode device = devices.addObject().put("name", post.name()).put("port", post.port());
            post.faults().forEach(fault -> device.withArray("/faults").add(fault.name()));
            device.set("picture", json.valueToTree(post.picture()));
        }
        ObjectNode state = json.createObjectNode();
        state.set("devices", devices);
        for (Fault fault : Fault.values()) {
            state.withObject("/faults").put(fault.name(), fault.words());
        }
        return json.writeValueAsString(state);
    }

    private interface Doing {
        void with(JsonNode asked);
    }

    /** What came as JSON is done, or refused in words. A page of another origin cannot send JSON without asking first. */
    private void post(HttpExchange exchange, Doing doing) throws IOException {
        String type = exchange.getRequestHeaders().getFirst("Content-Type");
        if (!exchange.getRequestMethod().equals("POST") || type == null || !type.startsWith("application/json")) {
            answer(exchange, 405, "text/plain; charset=utf-8", "Send JSON by POST");
            return;
        }
        try {
            doing.with(json.readTree(exchange.getRequestBody().readAllBytes()));
            answer(exchange, 200, "application/json", "{}");
        } catch (JacksonException | IllegalArgumentException e) {
            answer(exchange, 422, "text/plain; charset=utf-8", String.valueOf(e.getMessage()));
        }
    }

    private void fault(JsonNode asked) {
        Fault fault = Fault.valueOf(asked.path("fault").asString(""));
        company.post(asked.path("device").asString(""))
                .fault(fault, asked.path("on").asBoolean(false));
    }

    private void hand(JsonNode asked) {
        List<OscArgument> arguments = new ArrayList<>();
        for (JsonNode each : asked.path("arguments")) {
            arguments.add(
                    each.isInt()
                            ? new OscArgument.Int32(each.intValue())
                            : each.isNumber()
                                    ? new OscArgument.Float32(each.floatValue())
                                    : new OscArgument.Text(each.asString("")));
        }
        // a decimal such as 1 is written without its point by a browser
        List<OscArgument> decimals = arguments.stream()
                .map(a -> a instanceof OscArgument.Int32 i
                                && asked.path("decimal").asBoolean(false)
                        ? new OscArgument.Float32(i.value())
                        : a)
                .toList();
        company.post(asked.path("device").asString(""))
                .byHand(new OscMessage(asked.path("address").asString("/"), decimals));
    }

    private static void answer(HttpExchange exchange, int status, String type, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        Map.of("Content-Type", type, "Cache-Control", "no-store").forEach(exchange.getResponseHeaders()::set);
        exchange.sendResponseHeaders(status, bytes.length);
        try (exchange) {
            exchange.getResponseBody().write(bytes);
        }
    }

    @Override
    public void close() {
        http.stop(0);
        threads.shutdownNow();
    }
}
