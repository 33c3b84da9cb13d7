package imperan.e2e;

import imperan.server.ImperanServer;
import imperan.standins.Announcement;
import imperan.standins.Company;
import imperan.standins.Fault;
import imperan.standins.PicturePage;
import imperan.standins.Post;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/** A freshly started Imperan with a database, ports and stand-ins of its own. */
final class Installation implements AutoCloseable {

    private final String database = "e2e_" + UUID.randomUUID().toString().replace("-", "");
    /** What the server works as: it owns its database and may nothing else. */
    private static final String ROLE = "imperan_app";

    private static final String PASSWORD = environment("IMPERAN_TEST_DB_APP_PASSWORD");
    private static final int BLOCK = Company.NAMES.size();

    private final int firstAnswer;
    private final int firstPort;
    private final Company company;
    private final PicturePage pictures;
    private final Path folder;
    private ConfigurableApplicationContext server;

    Installation() {
        this("");
    }

    /** @param dump what is in the database before the first start, as SQL of PostgreSQL's pg_dump; empty for nothing */
    Installation(String dump) {
        try {
            firstAnswer = freeBlock();
            firstPort = freeBlock();
            company = new Company(firstPort, firstAnswer, Set.of());
            pictures = new PicturePage(company, 0);
            folder = Files.createTempDirectory("imperan-e2e");
            try (Connection connection = administer();
                    Statement statement = connection.createStatement()) {
                statement.execute("create database " + database + " owner " + ROLE);
            }
            try (Connection connection = database();
                    Statement statement = connection.createStatement()) {
                // what begins with a backslash is for psql
                statement.execute(dump.replaceAll("(?m)^\\\\.*$", ""));
            }
        } catch (IOException | SQLException e) {
            throw new IllegalStateException(
                    "The installation under test cannot be made; run the tests by ./imperan test", e);
        }
        startServer();
    }

    void startServer() {
        server = new SpringApplicationBuilder(ImperanServer.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + databaseUrl(database),
                        "--spring.datasource.username=" + ROLE,
                        "--spring.datasource.password=" + PASSWORD,
                        "--imperan.demo.first-port=" + firstPort,
                        "--imperan.demo.first-answer=" + firstAnswer,
                        "--imperan.network.port=0",
                        "--imperan.network.folder=" + folder,
                        "--imperan.demo.page=http://127.0.0.1:" + pictures.port());
    }

    void stopServer() {
        server.close();
    }

    /** The files of all sounds are gone, as where a show comes to another machine. */
    void loseSounds() throws IOException {
        try (Stream<Path> files = Files.list(folder.resolve("sounds"))) {
            for (Path file : files.toList()) {
                Files.delete(file);
            }
        }
    }

    /** Nobody has the desk's port open any more. */
    void stopBellows() {
        fault("Bellows", Fault.PORT_CLOSED, true);
    }

    void startBellows() {
        fault("Bellows", Fault.PORT_CLOSED, false);
    }

    /** Lets something go wrong with a stand-in, or right again. */
    void fault(String device, Fault fault, boolean on) {
        company.post(device).fault(fault, on);
    }

    /** The stand-ins announce themselves on the network. */
    Announcement announced() throws IOException {
        return new Announcement(company.posts(), pictures.port());
    }

    /** The address of the page with all the stand-ins. */
    String pictures() {
        return "http://127.0.0.1:" + pictures.port();
    }

    Post post(String device) {
        return company.post(device);
    }

    /** The address of a page of the application. */
    String url(String path) {
        int port = ((WebServerApplicationContext) server).getWebServer().getPort();
        return "http://127.0.0.1:" + port + path;
    }

    InetSocketAddress bellows() {
        return new InetSocketAddress(InetAddress.getLoopbackAddress(), firstPort);
    }

    InetSocketAddress eddy() {
        return new InetSocketAddress(InetAddress.getLoopbackAddress(), firstPort + 3);
    }

    int answerPort() {
        return firstAnswer;
    }

    /** A connection of the test's own to the database of this installation. */
    Connection database() throws SQLException {
        return DriverManager.getConnection(databaseUrl(database), ROLE, PASSWORD);
    }

    /** As the role that made the cluster. */
    private static Connection administer() throws SQLException {
        return DriverManager.getConnection(databaseUrl("postgres"), "imperan", environment("IMPERAN_TEST_DB_PASSWORD"));
    }

    private static String environment(String name) {
        return System.getenv().getOrDefault(name, "");
    }

    /** Ends the connections of the server and lets it make no new ones, or lets it again. */
    void databaseGone(boolean gone) throws SQLException {
        try (Connection connection = administer();
                Statement statement = connection.createStatement()) {
            statement.execute("alter database " + database + " allow_connections " + !gone);
            if (gone) {
                statement.execute(
                        "select pg_terminate_backend(pid) from pg_stat_activity where datname = '" + database + "'");
            }
        }
    }

    <T> T bean(Class<T> type) {
        return server.getBean(type);
    }

    @Override
    public void close() {
        server.close();
        pictures.close();
        company.close();
    }

    private static String databaseUrl(String name) {
        String port = System.getenv().getOrDefault("IMPERAN_TEST_DB_PORT", "8421");
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + name;
    }

    /** The first of a row of ports that are free for datagrams and connections, below those that the system gives away. */
    static int freeBlock() {
        for (int attempt = 0; attempt < 1000; attempt++) {
            int first = 10_000 + new Random().nextInt(20_000);
            if (IntStream.range(first, first + BLOCK).allMatch(Installation::isFree)) {
                return first;
            }
        }
        throw new IllegalStateException("There are no " + BLOCK + " free ports in a row");
    }

    private static boolean isFree(int port) {
        try (DatagramSocket datagrams = new DatagramSocket(port, InetAddress.getLoopbackAddress());
                ServerSocket connections = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
            return datagrams.isBound() && connections.isBound();
        } catch (IOException e) {
            return false;
        }
    }

    static int freeUdpPort() {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
