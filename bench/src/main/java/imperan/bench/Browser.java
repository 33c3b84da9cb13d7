package imperan.bench;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.util.concurrent.CompletionStage;
import java.util.function.Consumer;

/** A browser without a screen: says hello, touches, and hands over every frame it hears. */
final class Browser implements AutoCloseable {

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final WebSocket socket;

    Browser(URI address, Consumer<String> heard) {
        socket = HTTP.newWebSocketBuilder()
                .buildAsync(address, new WebSocket.Listener() {
                    private final StringBuilder text = new StringBuilder();

                    @Override
                    public CompletionStage<?> onText(WebSocket from, CharSequence part, boolean last) {
                        text.append(part);
                        if (last) {
                            heard.accept(text.toString());
                            text.setLength(0);
                        }
                        from.request(1);
                        return null;
                    }
                })
                .join();
    }

    Browser hello(String name) {
        say("{\"kind\":\"hello\",\"browser\":\"" + name + "\",\"name\":\"" + name + "\",\"show\":\"\"}");
        return this;
    }

    void touch(String control, double position) {
        say("{\"kind\":\"do\",\"command\":{\"kind\":\"touch\",\"control\":\"" + control
                + "\",\"finger\":\"f\",\"phase\":\"SET\",\"x\":0,\"y\":" + position
                + ",\"z\":0,\"fine\":false,\"words\":\"\"}}");
    }

    void say(String frame) {
        socket.sendText(frame, true).join();
    }

    @Override
    public void close() {
        socket.abort();
    }
}
