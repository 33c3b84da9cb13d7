package imperan.e2e;

import imperan.server.ImperanServer;
import imperan.standins.Bellows;
import imperan.standins.UdpPost;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;

/** A freshly started Imperan with a database, ports and stand-ins of its own. */
final class Installation implements AutoCloseable {

    private final String database = "e2e_" + UUID.randomUUID().toString().replace("-", "");
    private final int answerPort = freeUdpPort();
    private final int bellowsPort;
    private UdpPost bellows;
    private ConfigurableApplicationContext server;

    Installation() {
        try {
            bellows = UdpPost.open(new Bellows(), 0);
            bellowsPort = bellows.port();
            try (var connection = DriverManager.getConnection(databaseUrl("postgres"), "imperan", "");
                 Statement statement = connection.createStatement()) {
                statement.execute("create database " + database);
            }
        } catch (SocketException | SQLException e) {
            throw new IllegalStateException("The installation under test cannot be made; run the tests by ./imperan test", e);
        }
        startServer();
    }

    void startServer() {
        server = new SpringApplicationBuilder(ImperanServer.class).run(
                "--server.port=0",
                "--spring.datasource.url=" + databaseUrl(database),
                "--imperan.demo.bellows-port=" + bellowsPort,
                "--imperan.demo.answer-port=" + answerPort);
    }

    void stopServer() {
        server.close();
    }

    void stopBellows() {
        bellows.close();
    }

    void startBellows() throws SocketException {
        bellows = UdpPost.open(new Bellows(), bellowsPort);
    }

    /** The address of a page of the application. */
    String url(String path) {
        int port = ((WebServerApplicationContext) server).getWebServer().getPort();
        return "http://127.0.0.1:" + port + path;
    }

    InetSocketAddress bellows() {
        return new InetSocketAddress(InetAddress.getLoopbackAddress(), bellowsPort);
    }

    int answerPort() {
        return answerPort;
    }

    /** A connection of the test's own to the database of this installation. */
    Connection database() throws SQLException {
        return DriverManager.getConnection(databaseUrl(database), "imperan", "");
    }

    /** Ends the connections of the server and lets it make no new ones, or lets it again. */
    void databaseGone(boolean gone) throws SQLException {
        try (Connection connection = DriverManager.getConnection(databaseUrl("postgres"), "imperan", "");
             Statement statement = connection.createStatement()) {
            statement.execute("alter database " + database + " allow_connections " + !gone);
            if (gone) {
                statement.execute("select pg_terminate_backend(pid) from pg_stat_activity where datname = '" + database + "'");
            }
        }
    }

    <T> T bean(Class<T> type) {
        return server.getBean(type);
    }

    @Override
    public void close() {
        server.close();
        bellows.close();
    }

    private static String databaseUrl(String name) {
        String port = System.getenv().getOrDefault("IMPERAN_TEST_DB_PORT", "8421");
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + name;
    }

    static int freeUdpPort() {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
