package imperan.server.socket;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;

/** Where the WebSocket is found. Host and Origin are judged by the filter that all requests pass. */
@Configuration
@EnableWebSocket
class SocketSetup implements WebSocketConfigurer {

    private final ShowSocket socket;

    SocketSetup(ShowSocket socket) {
        this.socket = socket;
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        registry.addHandler(socket, "/api/live").setAllowedOriginPatterns("*");
    }
}
