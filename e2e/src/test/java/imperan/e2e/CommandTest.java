package imperan.e2e;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;

import static org.assertj.core.api.Assertions.assertThat;

/** The command of the README, on ports and a folder of its own; and what survives when its processes are killed. */
class CommandTest {

    private static final int KILLS = 6;
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private static Path var;
    private static Map<String, String> environment;
    private static int port;

    private record Said(int exit, String text) {
    }

    @BeforeAll
    static void ports() throws IOException {
        var = Files.createTempDirectory("imperan-command",
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwxr-xr-x")));
        port = freePort();
        environment = Map.of("IMPERAN_VAR", var.toString(), "IMPERAN_PORT", String.valueOf(port),
                "IMPERAN_DB_PORT", String.valueOf(freePort()), "IMPERAN_STANDIN_PORT",
                String.valueOf(Installation.freeBlock()), "IMPERAN_ANSWER_PORT", String.valueOf(Installation.freeBlock()),
                "IMPERAN_STANDIN_PAGE", String.valueOf(freePort()));
    }

    @AfterAll
    static void stop() throws Exception {
        imperan("stop");
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static Said imperan(String command) throws Exception {
        Path output = Files.createTempFile(var, "said", ".txt");
        ProcessBuilder builder = new ProcessBuilder("./imperan", command).directory(Path.of("..").toFile())
                .redirectErrorStream(true).redirectOutput(output.toFile());
        builder.environment().putAll(environment);
        Process process = builder.start();
        assertThat(process.waitFor(5, TimeUnit.MINUTES)).as("./imperan %s ends", command).isTrue();
        return new Said(process.exitValue(), Files.readString(output));
    }

    private static JsonNode get(String path) throws Exception {
        return new JsonMapper().readTree(HTTP.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .build(), HttpResponse.BodyHandlers.ofString()).body());
    }

    /** Adds a page of this name; true where the server says that it is kept. */
    private static boolean add(String name) {
        String edit = """
                {"title": "Add %1$s", "steps": [{"step": "put", "basedOn": 0, "part": {"id": "%1$s", "parent": "wheelhouse",
                 "order": 1, "body": {"kind": "page", "name": "%1$s", "columns": 4, "rows": 4,
                 "screen": {"kind": "DESK", "width": 1280, "height": 800}, "strip": false, "follows": null}}}]}""".formatted(name);
        try {
            return HTTP.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/api/shows/salt-clock/edits"))
                    .header("Imperan-Browser", "command-test").header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(edit)).build(), HttpResponse.BodyHandlers.ofString())
                    .statusCode() == 200;
        } catch (IOException e) {
            return false;
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static long serverPid() throws IOException {
        return Long.parseLong(Files.readString(var.resolve("server.pid")).strip());
    }

    private static long databasePid() throws IOException {
        Path own = var.resolve("postgres/data/postmaster.pid");
        return Long.parseLong(Files.readAllLines(own).get(0).strip());
    }

    /**
     * Edits run while the server, and in other rounds the database, is killed at a moment of chance. After the next "up"
     * every edit that was said to be kept is there, in order, and none twice.
     */
    @Test
    void whatWasSaidToBeKeptSurvivesEveryKill() throws Exception {
        Said up = imperan("up");
        assertThat(up.exit()).as(up.text()).isZero();
        assertThat(up.text()).endsWith("Imperan is ready: http://127.0.0.1:" + port + "\n");

        Random chance = new Random(7);
        List<String> kept = new ArrayList<>();
        for (int round = 0; round < KILLS; round++) {
            boolean server = round % 2 == 0;
            long victim = server ? serverPid() : databasePid();
            int editsBefore = chance.nextInt(15);
            Thread killer = new Thread(() -> ProcessHandle.of(victim).ifPresent(ProcessHandle::destroyForcibly));
            for (int i = 0; i < editsBefore + 5; i++) {
                if (i == editsBefore) {
                    killer.start();
                }
                String name = "p" + round + "-" + i;
                if (add(name)) {
                    kept.add(name);
                }
            }
            killer.join();
            Said again = imperan("up");
            assertThat(again.exit()).as("round %d: %s", round, again.text()).isZero();
        }

        List<String> titles = new ArrayList<>();
        for (long before = Long.MAX_VALUE; before > 1; ) {
            JsonNode page = get("/api/shows/salt-clock/edits?before=" + before);
            page.forEach(line -> titles.add(0, line.get("title").stringValue()));
            before = page.get(page.size() - 1).get("number").longValue();
        }
        List<String> added = titles.stream().filter(t -> t.startsWith("Add p")).map(t -> t.substring(4)).toList();
        assertThat(added).doesNotHaveDuplicates().containsSubsequence(kept);
        assertThat(kept.size()).isGreaterThan(KILLS * 3);
    }

    @Test
    void aTakenPortIsSaidInOneSentence() throws Exception {
        imperan("stop");
        try (ServerSocket taken = new ServerSocket()) {
            taken.bind(new InetSocketAddress("127.0.0.1", port));
            Said up = imperan("up");
            assertThat(up.exit()).isNotZero();
            assertThat(up.text()).contains("port " + port + " is taken by another program").doesNotContain("Exception");
        }
        Said unknown = imperan("nonsense");
        assertThat(unknown.exit()).isNotZero();
        assertThat(unknown.text()).contains("usage: ./imperan");
    }
}
