package imperan.bench;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;

/**
 * What the sockets cost without Imperan: a frame of a browser becomes a datagram at once, or is sent back, with nothing
 * computed in between.
 */
@Configuration
@EnableWebSocket
class BareRelay implements WebSocketConfigurer {

    private volatile SocketAddress to = new InetSocketAddress(InetAddress.getLoopbackAddress(), 1);

    /** Where the datagrams go from now on. */
    void to(int port) {
        to = new InetSocketAddress(InetAddress.getLoopbackAddress(), port);
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        try {
            DatagramChannel channel = DatagramChannel.open();
            byte[] packet = new byte[20];
            registry.addHandler(
                    new TextWebSocketHandler() {
                        @Override
                        protected void handleTextMessage(WebSocketSession session, TextMessage message)
                                throws IOException {
                            channel.send(ByteBuffer.wrap(packet), to);
                        }
                    },
                    "/api/bare");
            registry.addHandler(
                    new TextWebSocketHandler() {
                        @Override
                        protected void handleTextMessage(WebSocketSession session, TextMessage message)
                                throws IOException {
                            session.sendMessage(message);
                        }
                    },
                    "/api/back");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
