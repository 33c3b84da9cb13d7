package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** {@code ./imperan stop} ends what it started and nothing else; what it keeps is for its owner's eyes. */
class ProcessesTest {

    private static Command command;

    @BeforeAll
    static void up() throws Exception {
        command = new Command();
        command.up();
    }

    @AfterAll
    static void stop() throws Exception {
        command.run("stop");
    }

    private static boolean isAlive(long pid) {
        return ProcessHandle.of(pid).map(ProcessHandle::isAlive).orElse(false);
    }

    /** Somebody's program with the product's name on its command line; ends with the test. */
    private static Process stranger() throws IOException {
        return new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Dimperan.of=somebody.else",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "imperan.e2e.Sleeper")
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    @Test
    void aPidThatWasUsedAgainIsNotEnded() throws Exception {
        Process stranger = stranger();
        Path file = command.var.resolve("server.pid");
        String own = Files.readString(file);
        try {
            // the number of a process that is not the one it was, and one that even began at the noted time but is
            // another program
            for (String pid :
                    List.of(stranger.pid() + " 1", stranger.pid() + " " + born(stranger.pid()), stranger.pid() + "")) {
                Files.writeString(file, pid + "\n");
                assertThat(command.run("stop").exit()).isZero();
                assertThat(stranger.isAlive()).as(pid).isTrue();
                Files.writeString(file, own);
            }
        } finally {
            stranger.destroyForcibly();
            command.up();
        }
    }

    /** Linux, proc(5), "stat", field 22. */
    private static String born(long pid) throws IOException {
        String stat = Files.readString(Path.of("/proc/" + pid + "/stat"));
        return stat.substring(stat.lastIndexOf(')') + 2).split(" ")[19];
    }

    @Test
    void theServerOfAnotherClusterIsNotEnded() throws Exception {
        Command other = new Command();
        try {
            other.up();
            long theirs = other.databasePid();
            Path own = command.var.resolve("postgres/data/postmaster.pid");
            assertThat(command.run("stop").exit()).isZero();
            Files.copy(other.var.resolve("postgres/data/postmaster.pid"), own);
            assertThat(command.run("stop").exit()).isZero();
            assertThat(isAlive(theirs)).isTrue();
            assertThat(other.isHealthy()).isTrue();
            command.up();
            assertThat(command.databasePid()).isNotEqualTo(theirs);
        } finally {
            other.run("stop");
        }
    }

    @Test
    void aTreeThatWasCopiedDoesNotEndTheOneItWasCopiedFrom() throws Exception {
        Path copy = Files.createTempDirectory(
                "imperan-copy", PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwxr-xr-x")));
        assertThat(new ProcessBuilder(
                                "cp",
                                "-a",
                                command.var.toString(),
                                copy.resolve("var").toString())
                        .start()
                        .waitFor())
                .isZero();
        Command.Said stopped =
                command.run(Map.of("IMPERAN_VAR", copy.resolve("var").toString()), Path.of(".."), "stop");
        assertThat(stopped.exit()).isZero();
        assertThat(command.isHealthy()).isTrue();
        assertThat(isAlive(command.serverPid())).isTrue();
        assertThat(isAlive(command.standInsPid())).isTrue();
        assertThat(isAlive(command.databasePid())).isTrue();
    }

    @Test
    void whatOthersHaveSetForJavaDoesNotMatter() throws Exception {
        Command.Said up = command.run(Map.of("JAVA_TOOL_OPTIONS", "-Dnothing.at.all=1"), Path.of(".."), "up");
        assertThat(up.exit()).as(up.text()).isZero();
        assertThat(up.text()).contains("Imperan is ready");
    }

    /** An installation from before the database asked for passwords: what is in it stays, and from then on it asks. */
    @Test
    void anOlderClusterGetsItsPasswords() throws Exception {
        Command old = new Command();
        try {
            old.up();
            old.run("stop");
            // as it was: everybody on this machine is the role that may do everything, and the tables are its own
            Path cluster = old.var.resolve("postgres");
            assertThat(new ProcessBuilder(
                                    "bash",
                                    "-c",
                                    """
                    . scripts/postgres.sh
                    as_postgres sed -i 's/scram-sha-256$/trust/' "$CLUSTER/data/pg_hba.conf"
                    as_postgres "$(pg_bin)/pg_ctl" -D "$CLUSTER/data" -w -l "$CLUSTER/old.log" -o "-p $PORT -c listen_addresses=127.0.0.1 -k $CLUSTER" start
                    "$(pg_bin)/psql" -h 127.0.0.1 -p "$PORT" -U imperan -d imperan -c "reassign owned by imperan_app to imperan" \
                        -c "drop owned by imperan_app" -c "drop role imperan_app"
                    as_postgres "$(pg_bin)/pg_ctl" -D "$CLUSTER/data" -w -m fast stop
                    rm "$CLUSTER/admin.password" "$CLUSTER/app.password"
                    """
                                            .replace("$CLUSTER", cluster.toString())
                                            .replace("$PORT", String.valueOf(old.databasePort)))
                            .directory(Path.of("..").toFile())
                            .redirectErrorStream(true)
                            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                            .start()
                            .waitFor())
                    .isZero();
            Command.Said up = old.run("up");
            assertThat(up.exit()).as(up.text()).isZero();
            assertThat(up.text()).contains("Giving the database a password");
            assertThat(old.get("/api/health").get("liveShow").stringValue()).isEqualTo("salt-clock");
            assertThat(old.post("/api/shows", "application/json", "{\"name\":\"Another\"}"))
                    .isEqualTo(200);
            assertThatThrownBy(() -> DriverManager.getConnection(
                            "jdbc:postgresql://127.0.0.1:" + old.databasePort + "/imperan", "imperan", ""))
                    .isInstanceOf(SQLException.class);
            assertThat(old.run("up").text()).doesNotContain("Giving the database");
        } finally {
            old.run("stop");
        }
    }

    @Test
    void logsSurviveAStart() throws Exception {
        Path log = command.var.resolve("server.log");
        String before = Files.readString(log);
        assertThat(before).contains("Live: The Salt Clock");
        command.run("stop");
        command.up();
        assertThat(Files.readString(log)).startsWith(before.substring(0, 200)).hasSizeGreaterThan(before.length());
        // one that has grown is put beside, and a fresh one begun
        Path standIns = command.var.resolve("standins.log");
        command.run("stop");
        Files.writeString(standIns, "x".repeat(11 << 20));
        command.up();
        assertThat(Files.size(standIns)).isLessThan(1 << 20);
        assertThat(Files.size(command.var.resolve("standins.log.1"))).isEqualTo(11 << 20);
    }

    @Test
    void aSecondServerOnOneDatabaseDoesNotStartAndSaysWhy() throws Exception {
        String password = Files.readString(command.var.resolve("postgres/app.password"));
        ProcessBuilder second = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-jar",
                        "../server/target/imperan-server-0.1.0-app.jar")
                .redirectErrorStream(true);
        second.environment()
                .putAll(Map.of(
                        "IMPERAN_PORT",
                        String.valueOf(Command.freePort()),
                        "IMPERAN_VAR",
                        command.var.resolve("second").toString(),
                        "IMPERAN_DB",
                        "jdbc:postgresql://127.0.0.1:" + command.databasePort + "/imperan",
                        "IMPERAN_DB_USER",
                        "imperan_app",
                        "IMPERAN_DB_PASSWORD",
                        password));
        Process process = second.start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(2, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).isNotZero();
        assertThat(said).contains("Another Imperan server works with this database already");
        assertThat(command.isHealthy()).isTrue();
    }

    /** PostgreSQL, "Client Authentication" and "Database Roles". */
    @Test
    void theDatabaseAsksForAPasswordAndTheServerMayNotRunPrograms() throws Exception {
        String url = "jdbc:postgresql://127.0.0.1:" + command.databasePort + "/imperan";
        for (String role : List.of("imperan", "imperan_app", "postgres")) {
            assertThatThrownBy(() -> DriverManager.getConnection(url, role, "")).isInstanceOf(SQLException.class);
            assertThatThrownBy(() -> DriverManager.getConnection(url, role, "imperan"))
                    .hasMessageContaining("password authentication failed");
        }
        String password = Files.readString(command.var.resolve("postgres/app.password"));
        try (var connection = DriverManager.getConnection(url, "imperan_app", password);
                var statement = connection.createStatement()) {
            assertThatThrownBy(() -> statement.execute("copy (select 1) to program 'id'"))
                    .hasMessageContaining("must be superuser");
            assertThatThrownBy(() -> statement.execute("create role more superuser"))
                    .hasMessageContaining("must be superuser");
            try (var answer = statement.executeQuery(
                    "select rolpassword like 'SCRAM-SHA-256%', rolsuper from pg_authid where rolname = 'imperan_app'")) {
                throw new AssertionError("it may not read passwords: " + answer.next());
            } catch (SQLException e) {
                assertThat(e.getMessage()).contains("permission denied");
            }
            try (var answer = statement.executeQuery("show password_encryption")) {
                answer.next();
                assertThat(answer.getString(1)).isEqualTo("scram-sha-256");
            }
        }
        assertThat(Files.readString(command.var.resolve("postgres/data/pg_hba.conf"))
                        .lines()
                        .filter(line -> line.matches("(local|host)\\s.*")))
                .allMatch(line -> line.endsWith("scram-sha-256"));
        for (String secret : List.of("postgres/app.password", "postgres/admin.password")) {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(command.var.resolve(secret))))
                    .as(secret)
                    .isEqualTo("rw-------");
        }
    }
}
