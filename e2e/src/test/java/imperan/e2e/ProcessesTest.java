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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.util.FileSystemUtils;

/** {@code ./imperan stop} ends what it started and nothing else; what it keeps is for its owner's eyes. */
@Tag("starts")
class ProcessesTest {

    private static Command command;

    @BeforeAll
    static void up() throws Exception {
        command = Command.shared();
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

    /** Carries out lines of a shell script that know what {@code ./imperan} does with databases. */
    private static void script(String lines, Map<String, String> names) throws Exception {
        ProcessBuilder builder = new ProcessBuilder(
                        "bash",
                        "-euc",
                        """
                say() { :; }
                fail() { exit 1; }
                port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
                VAR=$CLUSTER
                . scripts/postgres.sh
                """
                                + lines)
                .directory(Path.of("..").toFile())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD);
        builder.environment().putAll(names);
        assertThat(builder.start().waitFor()).isZero();
    }

    @Test
    void theServerOfAnotherClusterIsNotEnded() throws Exception {
        Path other = Files.createTempDirectory(
                "imperan-other", PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwxr-xr-x")));
        Map<String, String> names = Map.of("CLUSTER", other.toString(), "PORT", String.valueOf(Ports.one()));
        script("pg_start \"$CLUSTER/postgres\" \"$PORT\"", names);
        try {
            Path theirs = other.resolve("postgres/data/postmaster.pid");
            long pid = Long.parseLong(Files.readAllLines(theirs).get(0).strip());
            assertThat(command.run("stop").exit()).isZero();
            Files.copy(theirs, command.var.resolve("postgres/data/postmaster.pid"));
            assertThat(command.run("stop").exit()).isZero();
            assertThat(isAlive(pid)).isTrue();
            command.up();
            assertThat(command.databasePid()).isNotEqualTo(pid);
            assertThat(isAlive(pid)).isTrue();
        } finally {
            script("pg_stop \"$CLUSTER/postgres\"", names);
            FileSystemUtils.deleteRecursively(other);
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
        assertThat(command.run("stop").exit()).isZero();
        // as it was: everybody on this machine is the role that may do everything, and the tables are its own
        script(
                """
                as_postgres sed -i 's/scram-sha-256$/trust/' "$CLUSTER/data/pg_hba.conf"
                as_postgres "$(pg_bin)/pg_ctl" -D "$CLUSTER/data" -w -l "$CLUSTER/old.log" \\
                    -o "-p $PORT -c listen_addresses=127.0.0.1 -k $CLUSTER" start
                "$(pg_bin)/psql" -h 127.0.0.1 -p "$PORT" -U imperan -d imperan -c "reassign owned by imperan_app to imperan" \
                    -c "drop owned by imperan_app" -c "drop role imperan_app"
                as_postgres "$(pg_bin)/pg_ctl" -D "$CLUSTER/data" -w -m fast stop
                rm "$CLUSTER/admin.password" "$CLUSTER/app.password"
                """,
                Map.of(
                        "CLUSTER",
                        command.var.resolve("postgres").toString(),
                        "PORT",
                        String.valueOf(command.databasePort)));
        Command.Said up = command.run("up");
        assertThat(up.exit()).as(up.text()).isZero();
        assertThat(up.text()).contains("Giving the database a password");
        assertThat(command.get("/api/health").get("liveShow").stringValue()).isEqualTo("salt-clock");
        assertThat(command.post("/api/shows", "application/json", "{\"name\":\"Another\"}"))
                .isEqualTo(200);
        assertThatThrownBy(() -> DriverManager.getConnection(
                        "jdbc:postgresql://127.0.0.1:" + command.databasePort + "/imperan", "imperan", ""))
                .isInstanceOf(SQLException.class);
        assertThat(command.run("up").text()).doesNotContain("Giving the database");
    }

    @Test
    void logsSurviveAStart() throws Exception {
        Path log = command.var.resolve("server.log");
        String before = Files.readString(log);
        assertThat(before).contains("Live: The Salt Clock");
        // one that has grown is put beside, and a fresh one begun
        Path standIns = command.var.resolve("standins.log");
        command.run("stop");
        Files.writeString(standIns, "x".repeat(11 << 20));
        command.up();
        assertThat(Files.readString(log)).startsWith(before.substring(0, 200)).hasSizeGreaterThan(before.length());
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
                        String.valueOf(Ports.one()),
                        "IMPERAN_VAR",
                        command.var.resolve("second").toString(),
                        "IMPERAN_DB",
                        "jdbc:postgresql://127.0.0.1:" + command.databasePort + "/imperan",
                        "IMPERAN_DB_USER",
                        "imperan_app",
                        "SPRING_DATASOURCE_PASSWORD",
                        password));
        Process process = second.start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor(2, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).isNotZero();
        assertThat(said).contains("Another Imperan server works with this database already");
        assertThat(command.isHealthy()).isTrue();
    }

    /** Linux, proc(5), "environ" and "cmdline": whoever works as the same user may read them. */
    @Test
    void whatTheServerIsStartedWithHoldsNoPasswordAndBoundsIt() throws Exception {
        command.run("stop");
        command.up();
        String password = Files.readString(command.var.resolve("postgres/app.password"));
        String pid = Files.readString(command.var.resolve("server.pid")).split(" ")[0];
        Path process = Path.of("/proc", pid);
        String started = Files.readString(process.resolve("cmdline"));
        assertThat(started + Files.readString(process.resolve("environ"))).doesNotContain(password);
        Matcher memory = Pattern.compile("-Xmx(\\d+)m").matcher(started);
        assertThat(memory.find()).isTrue();
        assertThat(Integer.parseInt(memory.group(1))).isBetween(512, 2_048);
        String standIns = Files.readString(command.var.resolve("standins.pid")).split(" ")[0];
        assertThat(Files.readString(Path.of("/proc", standIns, "cmdline"))).contains("-Xmx256m");
        assertThat(PosixFilePermissions.toString(
                        Files.getPosixFilePermissions(command.var.resolve("secrets/imperan.database.password"))))
                .isEqualTo("rw-------");
        // what is put down for a while lies in our own folder, and goes with the server
        assertThat(command.var.resolve("tmp")).isNotEmptyDirectory();
        assertThat(command.run("stop").exit()).isZero();
        assertThat(command.var.resolve("tmp")).doesNotExist();
        command.up();
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
