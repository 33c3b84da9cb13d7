package imperan.e2e;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Predicate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A browser that is nothing but its WebSocket: it sends what it likes, and keeps what it is told. */
final class RawBrowser implements AutoCloseable, WebSocket.Listener {

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final JsonMapper json = new JsonMapper();
    private final StringBuilder partial = new StringBuilder();
    private final Map<String, JsonNode> values = new ConcurrentHashMap<>();
    private final Queue<String> notices = new ConcurrentLinkedQueue<>();
    private final CompletableFuture<String> closed = new CompletableFuture<>();
    private volatile long missed;
    private volatile long longest;
    private volatile int frames;
    private volatile boolean welcomed;
    private volatile CompletableFuture<?> sending = CompletableFuture.completedFuture(null);
    private WebSocket socket;

    /** Opens the connection and says nothing yet. */
    static RawBrowser silent(URI live) {
        return silent(live, HTTP);
    }

    private static RawBrowser silent(URI live, HttpClient http) {
        RawBrowser browser = new RawBrowser();
        browser.socket = http.newWebSocketBuilder()
                .buildAsync(URI.create(live.toString().replaceFirst("^http", "ws")), browser)
                .join();
        return browser;
    }

    /** Opens the connection, says hello for the live show, and waits for its welcome; where the connection ends before that, it tries again, as browsers do. */
    static RawBrowser open(URI live, String name) {
        return open(live, name, HTTP);
    }

    /** The same with a thread of its own that reads: what others say, however much, does not keep it from reading. */
    static RawBrowser openApart(URI live, String name) {
        return open(live, name, HttpClient.newHttpClient());
    }

    private static RawBrowser open(URI live, String name, HttpClient http) {
        List<String> ended = new ArrayList<>();
        AtomicReference<RawBrowser> latest = new AtomicReference<>(hello(live, name, http));
        boolean comes = Desk.comes(Desk.PATIENCE, () -> {
            if (!latest.get().isOpen()) {
                ended.add(latest.get().closed.join());
                latest.set(hello(live, name, http));
            }
            return latest.get().welcomed;
        });
        if (!comes) {
            throw new AssertionError("No welcome came. Connections that ended before: " + ended);
        }
        return latest.get();
    }

    private static RawBrowser hello(URI live, String name, HttpClient http) {
        RawBrowser browser = silent(live, http);
        browser.say("{\"kind\":\"hello\",\"browser\":\"" + name + "\",\"name\":\"" + name + "\",\"show\":\"\"}");
        return browser;
    }

    /** Sends a frame as it is, after those before it. */
    synchronized void say(String frame) {
        sending = sending.handle((done, failed) -> null).thenCompose(done -> socket.sendText(frame, true));
        try {
            sending.get(30, TimeUnit.SECONDS);
        } catch (Exception e) {
            // the connection has ended; who cares asks closed()
        }
    }

    /** Wants something done with the live show. */
    void command(String json) {
        say("{\"kind\":\"do\",\"command\":" + json + "}");
    }

    void touch(String control, String phase, String x, String y) {
        command("{\"kind\":\"touch\",\"control\":\"" + control + "\",\"finger\":\"1\",\"phase\":\"" + phase
                + "\",\"x\":" + x + ",\"y\":" + y + ",\"z\":0,\"fine\":false,\"words\":\"\"}");
    }

    void set(String control, double to) {
        touch(control, "SET", "0", String.valueOf(to));
    }

    /** Where a control stands as this browser was told; NaN before it was. */
    double position(String control) {
        JsonNode value = values.get(control);
        return value == null
                ? Double.NaN
                : value.get("axes").get(0).get("position").doubleValue();
    }

    /** Where a control's target last said that it stands; NaN where it never did. */
    double echo(String control) {
        JsonNode value = values.get(control);
        return value == null ? Double.NaN : value.get("axes").get(0).get("echo").asDouble(Double.NaN);
    }

    /** What is believed of a control; empty before anything was told. */
    String belief(String control) {
        JsonNode value = values.get(control);
        return value == null ? "" : value.get("belief").stringValue();
    }

    /** Who holds a control; empty where nobody does. */
    String holder(String control) {
        JsonNode value = values.get(control);
        return value == null ? "" : value.get("holderName").stringValue();
    }

    /** Waits until it was told a sentence of this kind. */
    void waitForNotice(String part) {
        Desk.waitUntil("a notice with “" + part + "”, of " + notices, () -> notices.stream()
                .anyMatch(notice -> notice.contains(part)));
    }

    boolean wasTold(Predicate<String> notice) {
        return notices.stream().anyMatch(notice);
    }

    long missed() {
        return missed;
    }

    /** The characters of the longest frame. */
    long longest() {
        return longest;
    }

    int frames() {
        return frames;
    }

    boolean isWelcomed() {
        return welcomed;
    }

    /** The code and the reason with which the connection ended. */
    CompletableFuture<String> closed() {
        return closed;
    }

    boolean isOpen() {
        return !closed.isDone();
    }

    @Override
    public CompletionStage<?> onText(WebSocket from, CharSequence data, boolean last) {
        partial.append(data);
        if (last) {
            String text = partial.toString();
            partial.setLength(0);
            longest = Math.max(longest, text.length());
            read(json.readTree(text));
        }
        from.request(1);
        return null;
    }

    private void read(JsonNode frame) {
        frames++;
        missed = Math.max(missed, frame.path("missed").asLong(0));
        frame.path("values").forEach(value -> values.put(value.get("control").stringValue(), value));
        frame.path("notices").forEach(notice -> notices.add(notice.stringValue()));
        welcomed |= frame.path("welcome").isObject();
    }

    @Override
    public CompletionStage<?> onClose(WebSocket from, int code, String reason) {
        closed.complete(code + " " + reason);
        return null;
    }

    @Override
    public void onError(WebSocket from, Throwable error) {
        closed.complete("error " + error.getMessage());
    }

    @Override
    public void close() {
        socket.abort();
    }
}
