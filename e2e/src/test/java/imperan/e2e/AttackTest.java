package imperan.e2e;

import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.TimeTag;
import imperan.server.run.ShowLoop;
import imperan.server.run.Shows;
import imperan.server.socket.ShowSocket;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.WebSocketSession;
import tools.jackson.databind.json.JsonMapper;

import java.io.IOException;
import java.io.OutputStream;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;

import static org.assertj.core.api.Assertions.assertThat;

/**
 * What a stranger, a broken device or a bad day does to a running show. After each of them a touch still arrives at another target, and whatever was
 * refused was refused in words.
 */
class AttackTest {

    private static final Person ADA = new Person("ada", "Ada");
    private static final PartId TARGET = new PartId("far-end");
    private static final PartId VICTIM = new PartId("victim");
    private static final PartId HIT = new PartId("hit");
    private static final PartId LEVEL = new PartId("attack-level");
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private static Installation imperan;
    private static Probe probe;
    private static Probe victim;
    private static int victimAnswers;

    @BeforeAll
    static void open() {
        imperan = new Installation();
        int answers = Installation.freeBlock();
        victimAnswers = answers + 1;
        probe = new Probe(answers);
        victim = new Probe(victimAnswers);
        edit(put(TARGET, null, Target.plain("Far end", "127.0.0.1", probe.port(), answers, Target.Answering.REPORTS)),
                put(VICTIM, null, Target.plain("Victim", "127.0.0.1", victim.port(), victimAnswers, Target.Answering.REPORTS)),
                put(new PartId("attack"), null, Layout.plain("Attack")), put(new PartId("attack-page"), new PartId("attack"), Page.plain("Attack", 40, 40)),
                put(HIT, new PartId("attack-page"), button()), put(LEVEL, new PartId("attack-page"), fader(1, "/far/level", TARGET)));
    }

    @AfterAll
    static void close() {
        probe.close();
        victim.close();
        imperan.close();
    }

    private static Control button() {
        return Control.plain("Hit", new Cells(0, 0, 1, 1), Button.plain(Button.Action.MOMENTARY), List.of(new Send(Send.Phase.CHANGE,
                Optional.of(TARGET), "/far/hit", List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.INT32, 0, 1)))), List.of());
    }

    private static Control fader(int column, String address, PartId target) {
        return Control.plain("Level", new Cells(column, 0, 1, 1), Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0), List.of(new Send(
                Send.Phase.CHANGE, Optional.of(target), address, List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1)))),
                List.of(Listen.value(Optional.of(target), address, 0, 0, 1)));
    }

    private static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 0, body), imperan.bean(Keeper.class).show("salt-clock").join().held(id)
                .map(Held::version).orElse(0L));
    }

    private static void edit(EditRequest.Step... steps) {
        Outcome outcome = imperan.bean(Keeper.class).edit("salt-clock", new EditRequest("Attack", List.of(steps)), ADA).join();
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
    }

    private static void remove(PartId id) {
        edit(new EditRequest.Remove(id, imperan.bean(Keeper.class).show("salt-clock").join().held(id).orElseThrow().version()));
    }

    private static RawBrowser browser(String name) {
        return RawBrowser.open(URI.create(imperan.url("/api/live")), name);
    }

    /** A touch of somebody else arrives: the show goes on. */
    private static void goesOn() {
        try (RawBrowser other = browser("other")) {
            probe.forget();
            other.set(LEVEL.value(), 0.25);
            other.set(LEVEL.value(), 0.75);
            probe.waitForLast(OscMessage.of("/far/level", new OscArgument.Float32(0.75f)));
        }
    }

    private static HttpResponse<String> post(String path, String type, String body) throws Exception {
        return HTTP.send(HttpRequest.newBuilder(URI.create(imperan.url(path))).header("Imperan-Browser", "attack").header("Content-Type", type)
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private static int serverPort() {
        return URI.create(imperan.url("")).getPort();
    }

    // ---- hands

    private static void waitForRelease() {
        probe.waitForLast(OscMessage.of("/far/hit", new OscArgument.Int32(0)));
    }

    private static RawBrowser holding() {
        RawBrowser holding = browser("holding");
        probe.forget();
        holding.touch(HIT.value(), "PRESS", "0.5", "0.5");
        probe.waitForLast(OscMessage.of("/far/hit", new OscArgument.Int32(1)));
        return holding;
    }

    @Test
    void whatIsHeldAndRemovedSaysItsRelease() {
        try (RawBrowser holding = holding()) {
            remove(HIT);
            waitForRelease();
            assertThat(holding.isOpen()).isTrue();
        }
        edit(put(HIT, new PartId("attack-page"), button()));
        goesOn();
    }

    @Test
    void aHeldButtonIsReleasedBeforeItsTargetIsHeld() {
        try (RawBrowser holding = holding(); RawBrowser other = browser("ben")) {
            other.command("{\"kind\":\"gate\",\"target\":\"far-end\",\"gate\":\"HELD\"}");
            waitForRelease();
            other.command("{\"kind\":\"gate\",\"target\":\"far-end\",\"gate\":\"OPEN\"}");
            assertThat(holding.isOpen()).isTrue();
        }
        goesOn();
    }

    @Test
    void aHeldButtonIsReleasedBeforeItsTargetMovesAndBeforeAnotherShowGoesLive() {
        Target target = (Target) imperan.bean(Keeper.class).show("salt-clock").join().part(TARGET).orElseThrow().body();
        try (RawBrowser holding = holding()) {
            edit(put(TARGET, null, target.at("127.0.0.1", 9)));
            waitForRelease();
            edit(put(TARGET, null, target));
            assertThat(holding.isOpen()).isTrue();
        }
        Shows shows = imperan.bean(Shows.class);
        String other = shows.create("Another evening").show().orElseThrow();
        try (RawBrowser holding = holding()) {
            shows.goLive(other);
            waitForRelease();
            assertThat(holding.isOpen()).isTrue();
        }
        shows.goLive("salt-clock");
        Desk.waitUntil("it is live again", () -> imperan.bean(ShowLoop.class).liveShowId().equals("salt-clock"));
        goesOn();
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e999", "-1e999", "\"NaN\"", "\"0.5\"", "\"Infinity\"", "null", "1e300", "[]", "true"})
    void aTouchWithoutANumberIsRefusedInWordsAndTheConnectionStays(String number) {
        try (RawBrowser attacker = browser("attacker")) {
            attacker.set(LEVEL.value(), 0.5);
            Desk.waitUntil("it stands in the middle", () -> attacker.position(LEVEL.value()) == 0.5);
            attacker.touch(LEVEL.value(), "SET", "0", number);
            attacker.touch(LEVEL.value(), "MOVE", number, number);
            Desk.waitUntil("it was refused", () -> attacker.wasTold(notice -> true));
            assertThat(attacker.position(LEVEL.value())).isEqualTo(0.5);
            assertThat(attacker.isOpen()).isTrue();
        }
        goesOn();
    }

    @Test
    void commandsAboutWhatIsNotThereAreRefusedInWords() {
        try (RawBrowser attacker = browser("attacker")) {
            attacker.touch("nobody", "PRESS", "0.5", "0.5");
            attacker.waitForNotice("no longer in the live show");
            attacker.command("{\"kind\":\"gate\",\"target\":\"nobody\",\"gate\":\"HELD\"}");
            attacker.waitForNotice("no longer in the rig");
            attacker.command("{\"kind\":\"fire\",\"control\":\"attack-level\",\"send\":99}");
            attacker.waitForNotice("has no such send");
            attacker.command("{\"kind\":\"rest\",\"controls\":[null]}");
            attacker.waitForNotice("cannot be read");
            attacker.say("{\"kind\":\"called\",\"name\":\"N\\u0000UL\"}");
            attacker.waitForNotice("one line of characters");
            attacker.say("nonsense");
            attacker.say("[".repeat(100_000));
            assertThat(attacker.isOpen()).isTrue();
        }
        goesOn();
    }

    /** The largest selection fits a frame; a frame that is still too large is refused, and the connection stays. */
    @Test
    void largeFramesAreTakenAndTooLargeOnesRefusedInWords() {
        String ids = String.join(",", Collections.nCopies(4096, "\"0f4c1a8e-5a0b-4f1c-9d3e-6b7a8c9d0e1f\""));
        try (RawBrowser builder = browser("builder")) {
            builder.say("{\"kind\":\"selecting\",\"controls\":[" + ids + "]}");
            builder.command("{\"kind\":\"rest\",\"controls\":[" + ids + "]}");
            builder.set(LEVEL.value(), 0.125);
            Desk.waitUntil("what came after it was done", () -> builder.position(LEVEL.value()) == 0.125);
            builder.say("{\"kind\":\"called\",\"name\":\"" + "x".repeat(3 << 20) + "\"}");
            builder.waitForNotice("too much at once");
            builder.set(LEVEL.value(), 0.875);
            Desk.waitUntil("it goes on", () -> builder.position(LEVEL.value()) == 0.875);
        }
    }

    /** Four browsers touch as fast as they can: packets of targets are still handled. */
    @Test
    void aFloodOfTouchesDoesNotStarvePackets() throws Exception {
        List<Thread> flood = new ArrayList<>();
        List<RawBrowser> browsers = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            RawBrowser hand = browser("flood " + i);
            browsers.add(hand);
            Thread thread = new Thread(() -> {
                for (int n = 0; n < 5_000; n++) {
                    hand.touch("level-2", "STEP", "0", n % 2 == 0 ? "0.01" : "-0.01");
                }
            });
            flood.add(thread);
            thread.start();
        }
        try (RawBrowser eye = browser("eye")) {
            for (int i = 1; i <= 10; i++) {
                float said = i / 16f;
                probe.say(OscMessage.of("/far/level", new OscArgument.Float32(said)));
                Desk.waitUntil("the echo moves", () -> Math.abs(eye.echo(LEVEL.value()) - said) < 1e-6);
            }
        }
        for (Thread thread : flood) {
            thread.join();
        }
        browsers.forEach(RawBrowser::close);
        goesOn();
    }

    /** An error of the machine, thrown by one input, ends no loop: it is logged, said, and the show goes on. */
    @Test
    void theLoopSurvivesAnErrorAndSaysSo() {
        try (RawBrowser eye = browser("eye")) {
            imperan.bean(ShowLoop.class).ask("salt-clock", (running, now) -> {
                throw new StackOverflowError("for the test");
            }, "");
            eye.waitForNotice("StackOverflowError");
        }
        goesOn();
    }

    @Test
    void goingLiveWithTheLiveShowDoesNothing() {
        try (RawBrowser hand = browser("hand")) {
            hand.set(LEVEL.value(), 0.5);
            Desk.waitUntil("it moved", () -> hand.position(LEVEL.value()) == 0.5);
            hand.set(LEVEL.value(), 0.625);
            imperan.bean(Shows.class).goLive("salt-clock");
            hand.set("attack-level", 0.625);
            imperan.bean(Shows.class).goLive("salt-clock");
        }
        try (RawBrowser eye = browser("eye")) {
            assertThat(eye.position(LEVEL.value())).isEqualTo(0.625);
        }
    }

    // ---- browsers that come and go

    @Test
    void aBrowserThatLeavesAtOnceLeavesNoFeedBehind() {
        ShowLoop loop = imperan.bean(ShowLoop.class);
        Desk.waitUntil("others have gone", () -> loop.browsers() == 0);
        for (int i = 0; i < 300; i++) {
            RawBrowser gone = RawBrowser.silent(URI.create(imperan.url("/api/live")));
            gone.say("{\"kind\":\"hello\",\"browser\":\"b" + i + "\",\"name\":\"x\",\"show\":\"\"}");
            gone.close();
        }
        Desk.waitUntil("all have gone", () -> loop.browsers() == 0);
        goesOn();
    }

    @Test
    void theRunningShowIsThereWhileTheDatabaseIsAway() throws Exception {
        imperan.databaseGone(true);
        try (RawBrowser joining = browser("joining")) {
            probe.forget();
            joining.set(LEVEL.value(), 0.375);
            probe.waitForLast(OscMessage.of("/far/level", new OscArgument.Float32(0.375f)));
            assertThat(post("/api/shows/salt-clock/undo", "application/json", "").body()).contains("database does not answer");
        } finally {
            imperan.databaseGone(false);
        }
        Desk.waitUntil("edits are taken again", () -> {
            try {
                edit(put(HIT, new PartId("attack-page"), button().labelled("Hit " + System.nanoTime())));
                return true;
            } catch (AssertionError e) {
                return false;
            }
        });
        edit(put(HIT, new PartId("attack-page"), button()));
    }

    /** What could not be saved while the database was away is saved afterwards. */
    @Test
    void valuesAreKeptOverADatabaseThatIsAway() throws Exception {
        try (RawBrowser hand = browser("hand")) {
            imperan.databaseGone(true);
            hand.set(LEVEL.value(), 0.4375);
            Desk.waitUntil("it moved", () -> hand.position(LEVEL.value()) == 0.4375);
        } finally {
            imperan.databaseGone(false);
        }
        Desk.waitUntil("it was written", () -> {
            try (var database = imperan.database(); Statement statement = database.createStatement();
                 var row = statement.executeQuery("select axes::text from control_value where control_id = 'attack-level'")) {
                return row.next() && row.getString(1).contains("0.4375");
            } catch (SQLException e) {
                return false;
            }
        });
    }

    // ---- the network

    private static void throwAt(int port, byte[] packet, int times) throws IOException {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            for (int i = 0; i < times; i++) {
                socket.send(new DatagramPacket(packet, packet.length, InetAddress.getLoopbackAddress(), port));
            }
        }
    }

    private static OscPacket due(Instant when, OscPacket... elements) {
        return new OscBundle(TimeTag.at(when), List.of(elements));
    }

    @Test
    void bundlesOfOneTargetForNextYearTakeNoRoomOfOthers() {
        Instant year = Instant.now().plusSeconds(365L * 24 * 3600);
        for (int i = 0; i < 1_500; i++) {
            victim.say(due(year, OscMessage.of("/victim/" + i)));
        }
        probe.say(due(Instant.now().plusMillis(200), OscMessage.of("/far/level", new OscArgument.Float32(0.3125f))));
        try (RawBrowser eye = browser("eye")) {
            Desk.waitUntil("the bundle of the other took effect", () -> eye.echo(LEVEL.value()) == 0.3125);
        }
        goesOn();
    }

    @Test
    void memoryIsHeldWhateverComesIn() throws Exception {
        byte[] manyTrue = OscEncoder.encode(OscMessage.of("/junk", Collections.nCopies(60_000, OscArgument.Bare.TRUE).toArray(OscArgument[]::new)));
        byte[] manyMessages = OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, List.of(IntStream.range(0, 5_000).mapToObj(i -> OscMessage.of("/a"))
                .toArray(OscPacket[]::new))));
        byte[] longText = OscEncoder.encode(OscMessage.of("/far/level", new OscArgument.Text("\u0001".repeat(60_000))));
        long before = used();
        try (RawBrowser watching = browser("watching")) {
            watching.say("{\"kind\":\"watch\",\"traces\":[\"attack-level\"]}");
            for (int round = 0; round < 10; round++) {
                throwAt(victimAnswers, manyTrue, 50);
                throwAt(victimAnswers, manyMessages, 50);
                for (int i = 0; i < 50; i++) {
                    victim.send(longText);
                    victim.send(OscEncoder.encode(OscMessage.of("/junk/" + round + "/" + i, new OscArgument.Text("x".repeat(50_000)))));
                }
            }
            goesOn();
            assertThat(watching.longest()).as("the longest frame").isLessThan(16 << 20);
            assertThat(watching.isOpen()).isTrue();
        }
        assertThat(used() - before).as("bytes that stay").isLessThan(96L << 20);
    }

    private static long used() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }

    @Test
    void hostilePatternsHoldNobodyUp() throws Exception {
        OscPacket[] patterns = IntStream.range(0, 60).mapToObj(i -> OscMessage.of("//" + "*".repeat(1_000), new OscArgument.Float32(1))).toArray(OscPacket[]::new);
        byte[] stars = OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, List.of(patterns)));
        byte[] nested = OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, IntStream.range(0, 60)
                .mapToObj(i -> (OscPacket) OscMessage.of("/" + "*a".repeat(500), new OscArgument.Float32(1))).toList()));
        try (RawBrowser watching = browser("watching")) {
            watching.say("{\"kind\":\"watch\",\"traces\":[]}");
            for (int i = 0; i < 10; i++) {
                victim.send(stars);
                victim.send(nested);
            }
            goesOn();
        }
    }

    /** Packets that the system dropped are counted, and a browser that joins hears of them at once. */
    @Test
    void whatTheSystemDropsIsCountedAndInTheWelcome() throws Exception {
        ShowLoop loop = imperan.bean(ShowLoop.class);
        Method drop = ShowLoop.class.getDeclaredMethod("droppedBySystem", long.class);
        drop.setAccessible(true);
        try (RawBrowser eye = browser("eye")) {
            drop.invoke(loop, 77L);
            Desk.waitUntil("it is told without anything else to tell", () -> eye.missed() >= 77);
        }
        try (RawBrowser joining = browser("joining")) {
            assertThat(joining.missed()).isGreaterThanOrEqualTo(77);
        }
    }

    // ---- requests

    @Test
    void aRangeAsWideAsADoubleIsRefusedAndSilencesNobody() throws Exception {
        String tree = "{\"CONTENTS\":{\"gain\":{\"FULL_PATH\":\"/gain\",\"ACCESS\":3,\"TYPE\":\"d\",\"RANGE\":[{\"MIN\":-1.7976931348623157e308,\"MAX\":1.7976931348623157e308}]}}}";
        HttpResponse<String> taken = post("/api/shows/salt-clock/phrasebooks", "application/json", "{\"source\":\"OSCQUERY\",\"name\":\"Wide\",\"bare\":false,\"columns\":[],"
                + "\"onSameName\":\"REPLACE\",\"text\":" + new JsonMapper().writeValueAsString(tree) + "}");
        assertThat(taken.statusCode()).as(taken.body()).isEqualTo(200);
        Control wide = fader(2, "/far/wide", TARGET).withLines(List.of(new Send(Send.Phase.CHANGE, Optional.of(TARGET), "/far/wide",
                List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT64, -Double.MAX_VALUE, Double.MAX_VALUE)))), List.of());
        assertThat(imperan.bean(Keeper.class).edit("salt-clock", new EditRequest("Wide", List.of(put(new PartId("wide"), new PartId("attack-page"), wide))), ADA)
                .join()).isInstanceOf(Outcome.Refused.class);
        goesOn();
    }

    @ParameterizedTest
    @ValueSource(ints = {2_240, 4_000, 9_000})
    void longMessageLinesAreReadAndEndNoLoop(int length) throws Exception {
        HttpResponse<String> said = post("/api/shows/salt-clock/commands", "application/json", new JsonMapper().writeValueAsString(
                Map.of("kind", "say", "target", "victim", "line", "/eddy/x \"" + "y".repeat(length))));
        assertThat(said.statusCode()).isEqualTo(422);
        assertThat(said.body()).contains("is not closed").hasSizeLessThan(1_000);
        assertThat(post("/api/shows/salt-clock/commands", "application/json", new JsonMapper().writeValueAsString(
                Map.of("kind", "say", "target", "victim", "line", "/eddy/x \"" + "y".repeat(length) + "\""))).statusCode()).isEqualTo(200);
        Target body = (Target) imperan.bean(Keeper.class).show("salt-clock").join().part(VICTIM).orElseThrow().body();
        edit(put(VICTIM, null, body.startingWith(List.of("/eddy/x \"" + "y".repeat(length) + "\""))));
        try (RawBrowser starter = browser("starter")) {
            starter.command("{\"kind\":\"start\",\"target\":\"victim\"}");
        }
        goesOn();
        edit(put(VICTIM, null, body));
    }

    @ParameterizedTest
    @ValueSource(strings = {"[\"a\",\"b\",null]", "[null]", "[[[]]]", "{}", "\"x\"", "null"})
    void listsWithNothingInThemAreRefusedInWords(String body) throws Exception {
        for (String path : List.of("/api/shows/salt-clock/arrange/fill-start", "/api/shows/salt-clock/rest/preview")) {
            HttpResponse<String> answer = post(path, "application/json", body);
            assertThat(answer.statusCode()).as(path + " " + answer.body()).isEqualTo(400);
            assertThat(answer.body()).contains("\"message\"").doesNotContain("Exception").doesNotContain("\tat ");
        }
    }

    @Test
    void namesThatCannotBeKeptAreRefusedInWords() throws Exception {
        HttpRequest.Builder named = HttpRequest.newBuilder(URI.create(imperan.url("/api/browsers/attack"))).header("Content-Type", "application/json");
        for (String name : List.of("N\\u0000UL", "x".repeat(1 << 20), "\\ud83d")) {
            HttpResponse<String> answer = HTTP.send(named.copy().PUT(HttpRequest.BodyPublishers.ofString("{\"name\":\"" + name + "\"}")).build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(422);
            assertThat(answer.body()).contains("name");
        }
        assertThat(post("/api/shows", "application/json", "{\"name\":\"N\\u0000UL\"}").statusCode()).isEqualTo(422);
        assertThat(post("/api/files/preview", "text/plain", "{\"name\":" + "[".repeat(5_000) + "]".repeat(5_000) + "}").body()).contains("nested deeper");
    }

    @Test
    void aFileThatIsRefusedLeavesNothingBehind() throws Exception {
        long shows = new JsonMapper().readTree(HTTP.send(HttpRequest.newBuilder(URI.create(imperan.url("/api/shows"))).build(),
                HttpResponse.BodyHandlers.ofString()).body()).size();
        String parts = "{\"handle\":\"page-1\",\"parent\":null,\"body\":{\"kind\":\"page\",\"name\":\"P\",\"columns\":4,\"rows\":4,"
                + "\"screen\":{\"kind\":\"DESK\",\"width\":1280,\"height\":800},\"strip\":false,\"follows\":null}}";
        HttpResponse<String> refused = post("/api/files?onSameName=REFUSE", "text/plain", "{\"format\":\"imperan-show\",\"version\":7,\"name\":\"Broken\",\"parts\":["
                + parts + "]}");
        assertThat(refused.statusCode()).isEqualTo(422);
        try (var database = imperan.database(); Statement statement = database.createStatement();
             var rows = statement.executeQuery("select count(*) from show")) {
            rows.next();
            assertThat(rows.getLong(1)).isEqualTo(shows);
        }
    }

    @Test
    void bodiesThatAreTooLargeAreRefusedInWords() throws Exception {
        HttpResponse<String> large = post("/api/files/preview", "text/plain", "x".repeat((32 << 20) + 1));
        assertThat(large.statusCode()).isEqualTo(413);
        assertThat(large.body()).contains("at most 32 MiB");
        // without saying how long it will be
        HttpResponse<String> chunked = HTTP.send(HttpRequest.newBuilder(URI.create(imperan.url("/api/files/preview"))).header("Content-Type", "text/plain")
                .POST(HttpRequest.BodyPublishers.fromPublisher(HttpRequest.BodyPublishers.ofString("y".repeat((32 << 20) + 1)))).build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(chunked.statusCode()).isEqualTo(413);
        goesOn();
    }

    /** Two hundred senders that do one byte now and then: everybody else is served meanwhile. */
    @Test
    void tricklingSendersKeepNobodyWaiting() throws Exception {
        List<Socket> trickles = new ArrayList<>();
        try {
            for (int i = 0; i < 200; i++) {
                Socket socket = new Socket(InetAddress.getLoopbackAddress(), serverPort());
                OutputStream out = socket.getOutputStream();
                String path = i % 2 == 0 ? "/key" : "/api/files/preview";
                out.write(("POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: text/plain\r\nContent-Length: 1000\r\n\r\nx").getBytes(StandardCharsets.US_ASCII));
                out.flush();
                trickles.add(socket);
            }
            for (int i = 0; i < 50; i++) {
                Socket halfOpen = new Socket(InetAddress.getLoopbackAddress(), serverPort());
                halfOpen.getOutputStream().write("GET / HTTP/1.1\r\nHo".getBytes(StandardCharsets.US_ASCII));
                trickles.add(halfOpen);
            }
            for (int i = 0; i < 20; i++) {
                assertThat(HTTP.send(HttpRequest.newBuilder(URI.create(imperan.url("/api/health"))).build(), HttpResponse.BodyHandlers.ofString()).statusCode())
                        .isEqualTo(200);
            }
            goesOn();
        } finally {
            for (Socket socket : trickles) {
                socket.close();
            }
        }
    }

    /** A device that answers one byte at a time, for hours: whoever asked is told, and the others are served. */
    @Test
    void aDrippingAddressSpaceIsGivenUp() throws Exception {
        try (ServerSocket dripping = new ServerSocket(0, 50, InetAddress.getLoopbackAddress())) {
            Thread drip = new Thread(() -> drip(dripping));
            drip.setDaemon(true);
            drip.start();
            String reading = "{\"source\":\"ASKED\",\"name\":\"Drip\",\"bare\":false,\"columns\":[],\"text\":\"http://127.0.0.1:" + dripping.getLocalPort() + "/\"}";
            HttpResponse<String> asked = post("/api/shows/salt-clock/phrasebooks/preview", "application/json", reading);
            assertThat(asked.body()).contains("was not complete within 6 s");
            List<CompletableFuture<HttpResponse<String>>> many = IntStream.range(0, 30).mapToObj(i -> HTTP.sendAsync(HttpRequest.newBuilder(
                    URI.create(imperan.url("/api/shows/salt-clock/phrasebooks/preview"))).header("Imperan-Browser", "attack").header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(reading)).build(), HttpResponse.BodyHandlers.ofString())).toList();
            goesOn();
            assertThat(many.stream().map(answer -> answer.join().body()).filter(body -> body.contains("Other targets are being asked")).count())
                    .isGreaterThanOrEqualTo(20);
        }
    }

    private static void drip(ServerSocket server) {
        List<Socket> open = new ArrayList<>();
        while (!server.isClosed()) {
            try {
                Socket socket = server.accept();
                open.add(socket);
                socket.getOutputStream().write("HTTP/1.1 200 OK\r\nContent-Length: 100000\r\n\r\n{".getBytes(StandardCharsets.US_ASCII));
                socket.getOutputStream().flush();
            } catch (IOException e) {
                // the test is over
            }
        }
    }

    @Test
    void nobodyMayFrameUsAndOnlyOurOwnIsRun() throws Exception {
        for (String path : List.of("/", "/api/health", "/assets/nothing.js")) {
            HttpResponse<String> answer = HTTP.send(HttpRequest.newBuilder(URI.create(imperan.url(path))).build(), HttpResponse.BodyHandlers.ofString());
            assertThat(answer.headers().firstValue("Content-Security-Policy").orElse("")).as(path).contains("frame-ancestors 'none'", "default-src 'self'");
            assertThat(answer.headers().firstValue("X-Content-Type-Options")).hasValue("nosniff");
            assertThat(answer.headers().firstValue("Referrer-Policy")).hasValue("no-referrer");
        }
    }

    /** A tablet of the network, as the server sees it; what it is told in the end is kept. */
    private static WebSocketSession tablet(CompletableFuture<CloseStatus> ended) {
        return (WebSocketSession) Proxy.newProxyInstance(AttackTest.class.getClassLoader(), new Class<?>[] {WebSocketSession.class}, (proxy, method, arguments) -> {
            switch (method.getName()) {
                case "getRemoteAddress" -> {
                    return new InetSocketAddress("192.0.2.50", 40_000);
                }
                case "getId" -> {
                    return "tablet";
                }
                case "close" -> ended.complete((CloseStatus) arguments[0]);
                default -> {
                    // frames are not looked at
                }
            }
            return null;
        });
    }

    /** Whoever came in with a key that counts no more is let out at once. */
    @Test
    void aChangedKeyEndsTheConnectionsOfTheNetwork() throws Exception {
        CompletableFuture<CloseStatus> ended = new CompletableFuture<>();
        ShowSocket socket = imperan.bean(ShowSocket.class);
        try (RawBrowser here = browser("here")) {
            WebSocketSession tablet = tablet(ended);
            socket.afterConnectionEstablished(tablet);
            assertThat(post("/api/network/key", "application/json", "").statusCode()).isEqualTo(200);
            assertThat(ended.join().getReason()).isEqualTo("The show key was changed");
            socket.afterConnectionClosed(tablet, CloseStatus.NORMAL);
            here.set(LEVEL.value(), 0.5);
            Desk.waitUntil("this machine stays", () -> here.position(LEVEL.value()) == 0.5);
        }
    }

    /** Ten thousand phrases are one edit; edits of another show go on beside it. */
    @Test
    void aLongPhrasebookKeepsNoOtherShowWaiting() throws Exception {
        Shows shows = imperan.bean(Shows.class);
        String large = shows.create("Large").show().orElseThrow();
        StringBuilder table = new StringBuilder("address,types,low,high\n");
        for (int i = 0; i < 10_000; i++) {
            table.append("/long/x").append(i).append(",f,0,1\n");
        }
        var taking = HTTP.sendAsync(HttpRequest.newBuilder(URI.create(imperan.url("/api/shows/" + large + "/phrasebooks"))).header("Imperan-Browser", "attack")
                .header("Content-Type", "application/json").POST(HttpRequest.BodyPublishers.ofString("{\"source\":\"TABLE\",\"name\":\"Long\",\"bare\":false,\"columns\":[],"
                        + "\"onSameName\":\"REPLACE\",\"text\":" + new JsonMapper().writeValueAsString(table.toString()) + "}")).build(), HttpResponse.BodyHandlers.ofString());
        int beside = 0;
        while (!taking.isDone()) {
            edit(put(HIT, new PartId("attack-page"), button().labelled("Hit " + beside++)));
        }
        edit(put(HIT, new PartId("attack-page"), button()));
        assertThat(taking.join().statusCode()).as(taking.join().body()).isEqualTo(200);
        assertThat(beside).as("edits of another show meanwhile").isGreaterThan(1);
        Show kept = imperan.bean(Keeper.class).show(large).join();
        assertThat(kept.all(Phrase.class)).hasSize(10_000);
        assertThat(imperan.bean(Keeper.class).undo(large, new Person("attack", "")).join()).isInstanceOf(Outcome.Accepted.class);
        assertThat(imperan.bean(Keeper.class).show(large).join().parts()).isEmpty();
    }
}
