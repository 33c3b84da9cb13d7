package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.standins.Company;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** {@code ./imperan} on ports and a folder of its own, as a user types it. */
final class Command {

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    /** What came of it. */
    record Said(int exit, String text) {}

    // the places of its ports in their row
    private static final int STAND_INS = 0;
    private static final int ANSWERS = STAND_INS + Company.NAMES.size();
    private static final int PAGE = ANSWERS + Company.NAMES.size() + 1;
    private static final int SERVER = PAGE + 1;
    private static final int DATABASE = SERVER + 1;
    private static final int NETWORK = DATABASE + 1;

    final Path var;
    final int port;
    final int databasePort;
    private final Ports ports = Ports.row();
    private final Map<String, String> environment = new HashMap<>();

    private static final List<Command> MADE = new ArrayList<>();
    private static Command shared;

    static {
        Runtime.getRuntime().addShutdownHook(new Thread(Command::clear));
    }

    /** One installation that is up, for all tests that leave it as they found it: it is stopped with their process. */
    static synchronized Command shared() throws Exception {
        if (shared == null) {
            shared = new Command();
        }
        shared.up();
        return shared;
    }

    private static synchronized void clear() {
        try {
            if (shared != null) {
                shared.run("stop");
            }
            for (Command each : MADE) {
                FileSystemUtils.deleteRecursively(each.var);
            }
        } catch (Exception e) {
            System.err.println("Something of what the tests started is left: " + e.getMessage());
        }
    }

    Command() throws IOException {
        MADE.add(this);
        port = ports.at(SERVER);
        databasePort = ports.at(DATABASE);
        var = Files.createTempDirectory(
                "imperan-command", PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwxr-xr-x")));
        environment.putAll(Map.of(
                "IMPERAN_VAR",
                var.toString(),
                "IMPERAN_PORT",
                String.valueOf(port),
                "IMPERAN_DB_PORT",
                String.valueOf(databasePort),
                "IMPERAN_STANDIN_PORT",
                String.valueOf(ports.at(STAND_INS)),
                "IMPERAN_ANSWER_PORT",
                String.valueOf(ports.at(ANSWERS)),
                "IMPERAN_STANDIN_PAGE",
                String.valueOf(ports.at(PAGE)),
                "IMPERAN_NETWORK_PORT",
                String.valueOf(ports.at(NETWORK))));
    }

    Said run(String... words) throws Exception {
        return run(Map.of(), Path.of(".."), words);
    }

    /** @param also what is set in the environment besides */
    Said run(Map<String, String> also, Path folder, String... words) throws Exception {
        ports.close();
        Path output = Files.createTempFile(var, "said", ".txt");
        String[] command = new String[words.length + 1];
        command[0] = "./imperan";
        System.arraycopy(words, 0, command, 1, words.length);
        ProcessBuilder builder = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(output.toFile());
        builder.environment().putAll(environment);
        builder.environment().putAll(also);
        Process process = builder.start();
        assertThat(process.waitFor(5, TimeUnit.MINUTES))
                .as("./imperan %s ends", String.join(" ", words))
                .isTrue();
        return new Said(process.exitValue(), Files.readString(output));
    }

    /** @throws AssertionError with what it said, where it does not come up */
    void up() throws Exception {
        Said up = run("up");
        assertThat(up.exit()).as(up.text()).isZero();
    }

    JsonNode get(String path) throws Exception {
        return new JsonMapper()
                .readTree(HTTP.send(HttpRequest.newBuilder(uri(path)).build(), HttpResponse.BodyHandlers.ofString())
                        .body());
    }

    /**
     * What it says of its demo show.
     *
     * @param body of a POST; null for a GET
     */
    String said(String path, String body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(uri("/api/shows/salt-clock" + path))
                .header("Imperan-Browser", "command-test")
                .header("Content-Type", "application/json");
        return HTTP.sendAsync(
                        (body == null ? request.GET() : request.POST(HttpRequest.BodyPublishers.ofString(body)))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .join()
                .body();
    }

    /** @return the status; 0 where the server did not answer */
    int post(String path, String type, String body) {
        try {
            return HTTP.send(
                            HttpRequest.newBuilder(uri(path))
                                    .header("Imperan-Browser", "command-test")
                                    .header("Content-Type", type)
                                    .POST(HttpRequest.BodyPublishers.ofString(body))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .statusCode();
        } catch (IOException e) {
            return 0;
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    URI uri(String path) {
        return URI.create("http://127.0.0.1:" + port + path);
    }

    boolean isHealthy() {
        try {
            return get("/api/health").path("status").asString("").equals("up");
        } catch (Exception e) {
            return false;
        }
    }

    /** The page of its stand-ins. */
    String pictures() {
        return "http://127.0.0.1:" + ports.at(PAGE);
    }

    /** Without asking it to. */
    void killServer() throws IOException {
        ProcessHandle.of(serverPid()).ifPresent(ProcessHandle::destroyForcibly);
    }

    long serverPid() throws IOException {
        return pid(var.resolve("server.pid"));
    }

    long standInsPid() throws IOException {
        return pid(var.resolve("standins.pid"));
    }

    long databasePid() throws IOException {
        return pid(var.resolve("postgres/data/postmaster.pid"));
    }

    private static long pid(Path file) throws IOException {
        return Long.parseLong(Files.readString(file).strip().split("\\s+")[0]);
    }
}
