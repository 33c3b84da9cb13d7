package imperan.e2e;

import imperan.server.ImperanServer;
import imperan.server.access.NetworkDoor;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.Person;
import imperan.standins.Announcement;
import imperan.standins.Company;
import imperan.standins.Fault;
import imperan.standins.PicturePage;
import imperan.standins.Post;
import java.io.IOException;
import java.net.BindException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.util.FileSystemUtils;

/**
 * An Imperan with a database, a folder, ports and stand-ins of its own. Most tests use the one of their fork, with the demo as after a
 * first start; those that end a server or take its database away start one for themselves.
 */
final class Installation implements AutoCloseable {

    /** What the server works as: it owns its database and may nothing else. */
    private static final String ROLE = "imperan_app";

    private static final String PASSWORD = environment("IMPERAN_TEST_DB_APP_PASSWORD");
    private static final Person IMPERAN = new Person("imperan", "Imperan");
    private static final String DEMO = "The Salt Clock";
    private static final int MOST_STARTS = 3;

    // the places of its ports in their row
    private static final int STAND_INS = 0;
    private static final int ANSWERS = STAND_INS + Company.NAMES.size();
    /** A stand-in may be made to answer to the port after ours. */
    private static final int PAGE = ANSWERS + Company.NAMES.size() + 1;

    private static final int SERVER = PAGE + 1;
    private static final int NETWORK = SERVER + 1;

    private static Installation ofThisFork;

    private final String database = "e2e_" + UUID.randomUUID().toString().replace("-", "");
    private final boolean shared;
    private final Path folder;
    private final List<Part> demo;
    private Ports ports;
    private Company company;
    private PicturePage pictures;
    private ConfigurableApplicationContext server;
    private String show = "salt-clock";
    private int shows = 1;

    private Installation(boolean shared) {
        this.shared = shared;
        try {
            folder = Files.createTempDirectory("imperan-e2e");
            administer("create database " + database + " owner " + ROLE);
        } catch (IOException | SQLException e) {
            throw new IllegalStateException(
                    "The installation under test cannot be made; run the tests by ./imperan test", e);
        }
        startSomewhere();
        demo = bean(Keeper.class).show(show).join().parts().stream()
                .map(Held::part)
                .toList();
    }

    /** Nobody else's; ended when it is closed. */
    static Installation own() {
        return new Installation(false);
    }

    /** For a class of tests: the one of this fork, or one of its own where it asks for that. */
    static Installation of(Class<?> tests) {
        return tests.isAnnotationPresent(OwnServer.class) ? own() : fresh();
    }

    /**
     * The one of this fork: the demo show as after a first start, live; nothing wrong with the stand-ins, all of them in their first state;
     * and the network shut out. Closing it does nothing: it ends with the fork.
     */
    static synchronized Installation fresh() {
        if (ofThisFork == null) {
            ofThisFork = new Installation(true);
            Runtime.getRuntime().addShutdownHook(new Thread(ofThisFork::end));
        } else {
            ofThisFork.renew();
        }
        return ofThisFork;
    }

    /** On in use, which another program can cause in the moment between, another row is taken. */
    private void startSomewhere() {
        for (int start = 1; ; start++) {
            ports = Ports.row();
            ports.close();
            try {
                company = new Company(ports.at(STAND_INS), ports.at(ANSWERS), Set.of());
                pictures = new PicturePage(company, ports.at(PAGE));
                startServer();
                return;
            } catch (IOException | RuntimeException e) {
                endStandIns();
                boolean inUse = e instanceof IOException
                        || NestedExceptionUtils.getMostSpecificCause(e) instanceof BindException;
                if (!inUse || start == MOST_STARTS) {
                    throw new IllegalStateException("The installation under test does not start", e);
                }
            }
        }
    }

    void startServer() {
        server = new SpringApplicationBuilder(ImperanServer.class)
                .run(
                        "--server.port=" + ports.at(SERVER),
                        "--spring.datasource.url=" + databaseUrl(database),
                        "--spring.datasource.username=" + ROLE,
                        "--spring.datasource.password=" + PASSWORD,
                        "--imperan.demo.first-port=" + ports.at(STAND_INS),
                        "--imperan.demo.first-answer=" + ports.at(ANSWERS),
                        "--imperan.network.port=" + ports.at(NETWORK),
                        "--imperan.network.folder=" + folder,
                        "--imperan.demo.page=http://127.0.0.1:" + pictures.port());
    }

    /**
     * As after a first start. An empty show goes live in between: what is the same in two shows goes on undisturbed from one to the other.
     */
    private void renew() {
        bean(NetworkDoor.class).shut();
        Keeper keeper = bean(Keeper.class);
        ShowStore store = bean(ShowStore.class);
        String between = bean(Shows.class).create("Between").show().orElseThrow();
        bean(Shows.class).goLive(between);
        company.restart();
        show = "salt-clock-" + ++shows;
        List<String> before = store.shows().stream().map(ShowStore.ShowInfo::id).toList();
        store.create(show, DEMO, false);
        Outcome outcome =
                keeper.become(show, demo, IMPERAN, "Open the demo show").join();
        if (outcome instanceof Outcome.Refused refused) {
            throw new IllegalStateException("The demo show is refused: " + refused.problems());
        }
        bean(Shows.class).goLive(show);
        before.forEach(gone -> {
            store.erase(gone);
            keeper.forget(gone);
        });
    }

    /** The id of the demo show, which is live unless a test has made another one live. */
    String show() {
        return show;
    }

    /** The address of a page, or of a request, under those of the demo show. */
    String api(String path) {
        return url("/api/shows/" + show + path);
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
        return "http://127.0.0.1:" + port() + path;
    }

    int port() {
        return ports.at(SERVER);
    }

    InetSocketAddress bellows() {
        return standIn("Bellows");
    }

    InetSocketAddress eddy() {
        return standIn("Eddy");
    }

    private InetSocketAddress standIn(String name) {
        return new InetSocketAddress(
                InetAddress.getLoopbackAddress(), ports.at(STAND_INS + Company.NAMES.indexOf(name)));
    }

    /** Where the answers of the first stand-in are awaited. */
    int answerPort() {
        return ports.at(ANSWERS);
    }

    /** A connection of the test's own to the database of this installation. */
    Connection database() throws SQLException {
        return DriverManager.getConnection(databaseUrl(database), ROLE, PASSWORD);
    }

    /** As the role that made the cluster. */
    private static void administer(String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection(
                        databaseUrl("postgres"), "imperan", environment("IMPERAN_TEST_DB_PASSWORD"));
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private static String environment(String name) {
        return System.getenv().getOrDefault(name, "");
    }

    /** Ends the connections of the server and lets it make no new ones, or lets it again. */
    void databaseGone(boolean gone) throws SQLException {
        administer("alter database " + database + " allow_connections " + !gone);
        if (gone) {
            administer("select pg_terminate_backend(pid) from pg_stat_activity where datname = '" + database + "'");
        }
    }

    <T> T bean(Class<T> type) {
        return server.getBean(type);
    }

    @Override
    public void close() {
        if (!shared) {
            end();
        }
    }

    private void end() {
        server.close();
        endStandIns();
        try {
            administer("drop database " + database + " with (force)");
            FileSystemUtils.deleteRecursively(folder);
        } catch (SQLException | IOException e) {
            System.err.println("Something of an installation under test is left: " + e.getMessage());
        }
    }

    private void endStandIns() {
        if (pictures != null) {
            pictures.close();
            pictures = null;
        }
        if (company != null) {
            company.close();
            company = null;
        }
    }

    private static String databaseUrl(String name) {
        String port = System.getenv().getOrDefault("IMPERAN_TEST_DB_PORT", "8421");
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + name;
    }
}
