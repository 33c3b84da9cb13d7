package imperan.bench;

import imperan.server.ImperanServer;
import imperan.server.run.ShowLoop;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.KeepAlive;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Target;
import imperan.show.form.Cross;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Meter;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.URI;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * The whole server in this process, with a database of its own, a show made for measuring and, in the same web server, the
 * bare relay it is compared with. The far end of the show is a plain socket of the measurement.
 */
final class Stage implements AutoCloseable {

    /** Sends one float on {@link #OUT}. */
    static final PartId FADER = new PartId("fader");
    /** Sends fifty messages at each change. */
    static final PartId BURST = new PartId("burst");

    static final int BURST_SENDS = 50;
    /** Follows what comes in on {@link #IN}. */
    static final PartId ECHO = new PartId("echo");

    static final String OUT = "/bench/out";
    static final String IN = "/bench/in";

    /** Sends one float to the target that makes trouble. */
    static final PartId TROUBLED = new PartId("troubled");

    /** A page of many controls that only listen. */
    static final PartId FULL = new PartId("full");

    static final int MANY = 500;
    private static final int MANY_COLUMNS = 50;

    private static final PartId TARGET = new PartId("target");
    private static final PartId TROUBLE = new PartId("trouble");
    private static final PartId LAYOUT = new PartId("layout");
    static final PartId PAGE = new PartId("page");

    /** The show that is live. */
    final String show;

    final DatagramSocket farEnd;
    final int answerPort;
    final int troublePort;
    final int troubleAnswerPort;
    private final ConfigurableApplicationContext context;

    Stage() throws IOException, SQLException {
        farEnd = new DatagramSocket(0, InetAddress.getLoopbackAddress());
        answerPort = freePort();
        troublePort = freePort();
        troubleAnswerPort = freePort();
        String database = "bench_" + UUID.randomUUID().toString().replace("-", "");
        String url = "jdbc:postgresql://127.0.0.1:" + System.getenv("IMPERAN_TEST_DB_PORT") + "/";
        try (var connection = DriverManager.getConnection(
                        url + "postgres", "imperan", System.getenv("IMPERAN_TEST_DB_PASSWORD"));
                Statement statement = connection.createStatement()) {
            statement.execute("create database " + database + " owner imperan_app");
        }
        context = new SpringApplicationBuilder(ImperanServer.class, BareRelay.class)
                .run(
                        "--server.port=0",
                        "--spring.datasource.url=" + url + database,
                        "--spring.datasource.username=imperan_app",
                        "--spring.datasource.password=" + System.getenv("IMPERAN_TEST_DB_APP_PASSWORD"),
                        "--imperan.demo.first-port=" + freePort(),
                        "--imperan.demo.first-answer=" + Math.min(freePort(), 65_000),
                        "--logging.level.root=error",
                        "--spring.main.banner-mode=off");
        Shows shows = context.getBean(Shows.class);
        show = shows.create("Bench").show().orElseThrow();
        Outcome outcome = context.getBean(Keeper.class)
                .edit(show, parts(), new Person("bench", "Bench"))
                .join();
        if (outcome instanceof Outcome.Refused refused) {
            throw new IllegalStateException("The show to measure with is refused: " + refused.problems());
        }
        shows.goLive(show);
    }

    /** A part of the server. */
    <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    private EditRequest parts() {
        List<Send> burst = new ArrayList<>();
        for (int i = 0; i < BURST_SENDS; i++) {
            burst.add(send("/bench/burst/" + i));
        }
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                put(
                        TARGET,
                        null,
                        Target.plain(
                                "Far end", "127.0.0.1", farEnd.getLocalPort(), answerPort, Target.Answering.REPORTS)),
                put(
                        TROUBLE,
                        null,
                        Target.plain("Trouble", "127.0.0.1", troublePort, troubleAnswerPort, Target.Answering.REPORTS)
                                .kept(KeepAlive.of("/bench/stay", 0.1, 0.3))),
                put(LAYOUT, null, Layout.plain("Layout")),
                put(PAGE, LAYOUT, Page.plain("Page", 8, 8)),
                put(FADER, PAGE, control(0, List.of(send(OUT)), List.of())),
                put(TROUBLED, PAGE, control(3, List.of(send(TROUBLE, OUT)), List.of())),
                put(BURST, PAGE, control(1, burst, List.of())),
                put(ECHO, PAGE, control(2, List.of(), List.of(Listen.value(Optional.of(TARGET), IN, 0, 0, 1)))),
                put(FULL, LAYOUT, Page.plain("Full", MANY_COLUMNS, MANY / MANY_COLUMNS))));
        for (int i = 0; i < MANY; i++) {
            Form form = i % 2 == 0 ? new Meter() : new Cross();
            steps.add(put(
                    new PartId("many-" + i),
                    FULL,
                    Control.plain(
                            "",
                            new Cells(i % MANY_COLUMNS, i / MANY_COLUMNS, 1, 1),
                            form,
                            List.of(),
                            List.of(Listen.value(Optional.of(TARGET), IN + "/" + i, 0, 0, 1)))));
        }
        return new EditRequest("Set up", steps);
    }

    private static Send send(String address) {
        return send(TARGET, address);
    }

    private static Send send(PartId target, String address) {
        return new Send(
                Send.Phase.CHANGE,
                Optional.of(target),
                address,
                List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1)));
    }

    private static Control control(int column, List<Send> sends, List<Listen> listens) {
        return Control.plain(
                "",
                new Cells(column, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0),
                sends,
                listens);
    }

    static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 0, body), 0);
    }

    ShowLoop loop() {
        return context.getBean(ShowLoop.class);
    }

    BareRelay relay() {
        return context.getBean(BareRelay.class);
    }

    URI socket(String path) {
        return URI.create("ws://127.0.0.1:"
                + ((WebServerApplicationContext) context).getWebServer().getPort() + path);
    }

    static int freePort() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }

    @Override
    public void close() {
        context.close();
        farEnd.close();
    }
}
