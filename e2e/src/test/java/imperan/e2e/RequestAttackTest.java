package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.server.run.Shows;
import imperan.server.socket.ShowSocket;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.reflect.Proxy;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.WebSocketSession;
import tools.jackson.databind.json.JsonMapper;

/** Requests that are wrong, huge or slow. */
@OwnServer
class RequestAttackTest extends Attacked {

    @Test
    void aRangeAsWideAsADoubleIsRefusedAndSilencesNobody() throws Exception {
        String tree =
                "{\"CONTENTS\":{\"gain\":{\"FULL_PATH\":\"/gain\",\"ACCESS\":3,\"TYPE\":\"d\",\"RANGE\":[{\"MIN\":-1.7976931348623157e308,\"MAX\":1.7976931348623157e308}]}}}";
        HttpResponse<String> taken = post(
                "/api/shows/" + imperan.show() + "/phrasebooks",
                "application/json",
                "{\"source\":\"OSCQUERY\",\"name\":\"Wide\",\"bare\":false,\"columns\":[],"
                        + "\"onSameName\":\"REPLACE\",\"text\":" + new JsonMapper().writeValueAsString(tree) + "}");
        assertThat(taken.statusCode()).as(taken.body()).isEqualTo(200);
        Control wide = fader(2, "/far/wide", TARGET)
                .withLines(
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(TARGET),
                                "/far/wide",
                                List.of(new ArgumentSource.Value(
                                        ArgumentSource.ArgumentType.FLOAT64, -Double.MAX_VALUE, Double.MAX_VALUE)))),
                        List.of());
        assertThat(imperan.bean(Keeper.class)
                        .edit(
                                imperan.show(),
                                new EditRequest(
                                        "Wide", List.of(put(new PartId("wide"), new PartId("attack-page"), wide))),
                                ADA)
                        .join())
                .isInstanceOf(Outcome.Refused.class);
        goesOn();
    }

    @ParameterizedTest
    @ValueSource(ints = {2_240, 4_000, 9_000})
    void longMessageLinesAreReadAndEndNoLoop(int length) throws Exception {
        HttpResponse<String> said = post(
                "/api/shows/" + imperan.show() + "/commands",
                "application/json",
                new JsonMapper()
                        .writeValueAsString(
                                Map.of("kind", "say", "target", "victim", "line", "/eddy/x \"" + "y".repeat(length))));
        assertThat(said.statusCode()).isEqualTo(422);
        assertThat(said.body()).contains("is not closed").hasSizeLessThan(1_000);
        assertThat(post(
                                "/api/shows/" + imperan.show() + "/commands",
                                "application/json",
                                new JsonMapper()
                                        .writeValueAsString(Map.of(
                                                "kind",
                                                "say",
                                                "target",
                                                "victim",
                                                "line",
                                                "/eddy/x \"" + "y".repeat(length) + "\"")))
                        .statusCode())
                .isEqualTo(200);
        Target body = (Target) imperan.bean(Keeper.class)
                .show(imperan.show())
                .join()
                .part(VICTIM)
                .orElseThrow()
                .body();
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
        for (String path : List.of(
                "/api/shows/" + imperan.show() + "/arrange/fill-start",
                "/api/shows/" + imperan.show() + "/rest/preview")) {
            HttpResponse<String> answer = post(path, "application/json", body);
            assertThat(answer.statusCode()).as(path + " " + answer.body()).isEqualTo(400);
            assertThat(answer.body())
                    .contains("\"message\"")
                    .doesNotContain("Exception")
                    .doesNotContain("\tat ");
        }
    }

    @Test
    void namesThatCannotBeKeptAreRefusedInWords() throws Exception {
        HttpRequest.Builder named = HttpRequest.newBuilder(URI.create(imperan.url("/api/browsers/attack")))
                .header("Content-Type", "application/json");
        for (String name : List.of("N\\u0000UL", "x".repeat(1 << 20), "\\ud83d")) {
            HttpResponse<String> answer = HTTP.send(
                    named.copy()
                            .PUT(HttpRequest.BodyPublishers.ofString("{\"name\":\"" + name + "\"}"))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(422);
            assertThat(answer.body()).contains("name");
        }
        assertThat(post("/api/shows", "application/json", "{\"name\":\"N\\u0000UL\"}")
                        .statusCode())
                .isEqualTo(422);
        assertThat(post("/api/files/preview", "text/plain", "{\"name\":" + "[".repeat(5_000) + "]".repeat(5_000) + "}")
                        .body())
                .contains("nested deeper");
    }

    @Test
    void aFileThatIsRefusedLeavesNothingBehind() throws Exception {
        long shows = new JsonMapper()
                .readTree(HTTP.send(
                                HttpRequest.newBuilder(URI.create(imperan.url("/api/shows")))
                                        .build(),
                                HttpResponse.BodyHandlers.ofString())
                        .body())
                .size();
        String parts =
                "{\"handle\":\"page-1\",\"parent\":null,\"body\":{\"kind\":\"page\",\"name\":\"P\",\"columns\":4,\"rows\":4,"
                        + "\"screen\":{\"kind\":\"DESK\",\"width\":1280,\"height\":800},\"strip\":false,\"follows\":null}}";
        HttpResponse<String> refused = post(
                "/api/files?onSameName=REFUSE",
                "text/plain",
                "{\"format\":\"imperan-show\",\"version\":7,\"name\":\"Broken\",\"parts\":[" + parts + "]}");
        assertThat(refused.statusCode()).isEqualTo(422);
        try (var database = imperan.database();
                Statement statement = database.createStatement();
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
        HttpResponse<String> chunked = HTTP.send(
                HttpRequest.newBuilder(URI.create(imperan.url("/api/files/preview")))
                        .header("Content-Type", "text/plain")
                        .POST(HttpRequest.BodyPublishers.fromPublisher(
                                HttpRequest.BodyPublishers.ofString("y".repeat((32 << 20) + 1))))
                        .build(),
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
                out.write(("POST " + path
                                + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: text/plain\r\nContent-Length: 1000\r\n\r\nx")
                        .getBytes(StandardCharsets.US_ASCII));
                out.flush();
                trickles.add(socket);
            }
            for (int i = 0; i < 50; i++) {
                Socket halfOpen = new Socket(InetAddress.getLoopbackAddress(), serverPort());
                halfOpen.getOutputStream().write("GET / HTTP/1.1\r\nHo".getBytes(StandardCharsets.US_ASCII));
                trickles.add(halfOpen);
            }
            for (int i = 0; i < 20; i++) {
                assertThat(HTTP.send(
                                        HttpRequest.newBuilder(URI.create(imperan.url("/api/health")))
                                                .build(),
                                        HttpResponse.BodyHandlers.ofString())
                                .statusCode())
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
            String reading =
                    "{\"source\":\"ASKED\",\"name\":\"Drip\",\"bare\":false,\"columns\":[],\"text\":\"http://127.0.0.1:"
                            + dripping.getLocalPort() + "/\"}";
            HttpResponse<String> asked =
                    post("/api/shows/" + imperan.show() + "/phrasebooks/preview", "application/json", reading);
            assertThat(asked.body()).contains("was not complete within 6 s");
            List<CompletableFuture<HttpResponse<String>>> many = IntStream.range(0, 30)
                    .mapToObj(i -> HTTP.sendAsync(
                            HttpRequest.newBuilder(URI.create(imperan.api("/phrasebooks/preview")))
                                    .header("Imperan-Browser", "attack")
                                    .header("Content-Type", "application/json")
                                    .POST(HttpRequest.BodyPublishers.ofString(reading))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString()))
                    .toList();
            goesOn();
            assertThat(many.stream()
                            .map(answer -> answer.join().body())
                            .filter(body -> body.contains("Other targets are being asked"))
                            .count())
                    .isGreaterThanOrEqualTo(20);
        }
    }

    private static void drip(ServerSocket server) {
        List<Socket> open = new ArrayList<>();
        while (!server.isClosed()) {
            try {
                Socket socket = server.accept();
                open.add(socket);
                socket.getOutputStream()
                        .write("HTTP/1.1 200 OK\r\nContent-Length: 100000\r\n\r\n{"
                                .getBytes(StandardCharsets.US_ASCII));
                socket.getOutputStream().flush();
            } catch (IOException e) {
                // the test is over
            }
        }
    }

    @Test
    void nobodyMayFrameUsAndOnlyOurOwnIsRun() throws Exception {
        for (String path : List.of("/", "/api/health", "/assets/nothing.js")) {
            HttpResponse<String> answer = HTTP.send(
                    HttpRequest.newBuilder(URI.create(imperan.url(path))).build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(answer.headers().firstValue("Content-Security-Policy").orElse(""))
                    .as(path)
                    .contains("frame-ancestors 'none'", "default-src 'self'");
            assertThat(answer.headers().firstValue("X-Content-Type-Options")).hasValue("nosniff");
            assertThat(answer.headers().firstValue("Referrer-Policy")).hasValue("no-referrer");
        }
    }

    /** A tablet of the network, as the server sees it; what it is told in the end is kept. */
    private static WebSocketSession tablet(CompletableFuture<CloseStatus> ended) {
        return (WebSocketSession) Proxy.newProxyInstance(
                RequestAttackTest.class.getClassLoader(),
                new Class<?>[] {WebSocketSession.class},
                (proxy, method, arguments) -> {
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
            assertThat(post("/api/network/key", "application/json", "").statusCode())
                    .isEqualTo(200);
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
        var taking = HTTP.sendAsync(
                HttpRequest.newBuilder(URI.create(imperan.url("/api/shows/" + large + "/phrasebooks")))
                        .header("Imperan-Browser", "attack")
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(
                                "{\"source\":\"TABLE\",\"name\":\"Long\",\"bare\":false,\"columns\":[],"
                                        + "\"onSameName\":\"REPLACE\",\"text\":"
                                        + new JsonMapper().writeValueAsString(table.toString()) + "}"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        int beside = 0;
        while (!taking.isDone()) {
            edit(put(HIT, new PartId("attack-page"), button().labelled("Hit " + beside++)));
        }
        edit(put(HIT, new PartId("attack-page"), button()));
        assertThat(taking.join().statusCode()).as(taking.join().body()).isEqualTo(200);
        assertThat(beside).as("edits of another show meanwhile").isGreaterThan(1);
        Show kept = imperan.bean(Keeper.class).show(large).join();
        assertThat(kept.all(Phrase.class)).hasSize(10_000);
        assertThat(imperan.bean(Keeper.class)
                        .undo(large, new Person("attack", ""))
                        .join())
                .isInstanceOf(Outcome.Accepted.class);
        assertThat(imperan.bean(Keeper.class).show(large).join().parts()).isEmpty();
    }
}
