package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The command of the README, on ports and a folder of its own; and what survives when its processes are killed. */
@Tag("starts")
class CommandTest {

    /** {@code -Dimperan.kills=20} for more. */
    private static final int KILLS = Integer.getInteger("imperan.kills", 6);

    private static final int PARTS = 60;
    private static final Pattern PROOF_TOKEN = Pattern.compile("\"token\":\"([^\"]+)\"");

    private static Command command;

    @BeforeAll
    static void up() throws Exception {
        command = Command.shared();
    }

    /** Adds a page of this name; true where the server says that it is kept. */
    private static boolean add(String name) {
        return command.post(
                        "/api/shows/salt-clock/edits",
                        "application/json",
                        """
                {"title": "Add %1$s", "steps": [{"step": "put", "basedOn": 0, "part": {"id": "%1$s", "parent": "wheelhouse",
                 "order": 1, "body": {"kind": "page", "name": "%1$s", "columns": 4, "rows": 4,
                 "screen": {"kind": "DESK", "width": 1280, "height": 800}, "strip": false, "follows": null}}}]}"""
                                .formatted(name))
                == 200;
    }

    /** Imports a show of some size under this name; true where the server says that it is there. */
    private static boolean take(String name) {
        StringBuilder parts = new StringBuilder();
        for (int i = 0; i < PARTS; i++) {
            parts.append(i == 0 ? "" : ",")
                    .append(
                            """
                    {"handle": "layout-%1$d", "parent": null, "body": {"kind": "layout", "name": "L %1$d", "draft": null}}"""
                                    .formatted(i));
        }
        return command.post(
                        "/api/files?onSameName=REFUSE",
                        "text/plain",
                        """
                {"format": "imperan-show", "version": 7, "name": "%s", "parts": [%s]}"""
                                .formatted(name, parts))
                == 200;
    }

    /**
     * Edits, imports and values go on while the server, and in other rounds the database, is killed at a moment of chance. After the next
     * "up" every edit that was said to be kept is there, in order, and none twice; every import is there whole or not at all; and no value
     * is believed.
     */
    @Test
    void whatWasSaidToBeKeptSurvivesEveryKill() throws Exception {
        Command.Said up = command.run("up");
        assertThat(up.exit()).as(up.text()).isZero();
        assertThat(up.text()).endsWith("Imperan is ready: http://127.0.0.1:" + command.port + "\n");

        Random chance = new Random(7);
        List<String> kept = new ArrayList<>();
        List<String> imported = new ArrayList<>();
        for (int round = 0; round < KILLS; round++) {
            boolean server = round % 2 == 0;
            long victim = server ? command.serverPid() : command.databasePid();
            int editsBefore = chance.nextInt(15);
            // without its database each request takes as long as the server waits for one
            int editsAfter = server ? 5 : 2;
            Thread killer = new Thread(() -> ProcessHandle.of(victim).ifPresent(ProcessHandle::destroyForcibly));
            try (RawBrowser hand = RawBrowser.open(command.uri("/api/live"), "command-hand")) {
                for (int i = 0; i < editsBefore + editsAfter; i++) {
                    if (i == editsBefore) {
                        killer.start();
                    }
                    String name = "p" + round + "-" + i;
                    hand.set("level-1", chance.nextDouble());
                    if (add(name)) {
                        kept.add(name);
                    }
                    if (i % 4 == 3 && take("Show " + name)) {
                        imported.add("Show " + name);
                    }
                }
            }
            killer.join();
            Command.Said again = command.run("up");
            assertThat(again.exit()).as("round %d: %s", round, again.text()).isZero();
            try (RawBrowser looking = RawBrowser.open(command.uri("/api/live"), "command-eye")) {
                // what the desk has said since is reported; nothing else may be taken for that
                assertThat(looking.belief("name-tape")).as("round %d", round).isNotEqualTo("ASSUMED");
            }
        }

        List<String> titles = new ArrayList<>();
        for (long before = Long.MAX_VALUE; before > 1; ) {
            JsonNode page = command.get("/api/shows/salt-clock/edits?before=" + before);
            page.forEach(line -> titles.add(0, line.get("title").stringValue()));
            before = page.get(page.size() - 1).get("number").longValue();
        }
        List<String> added = titles.stream()
                .filter(t -> t.startsWith("Add p"))
                .map(t -> t.substring(4))
                .toList();
        assertThat(added).doesNotHaveDuplicates().containsSubsequence(kept);
        assertThat(kept.size()).isGreaterThan(KILLS * 3);

        Map<String, Integer> shows = new HashMap<>();
        for (JsonNode show : command.get("/api/shows")) {
            if (show.get("name").stringValue().startsWith("Show p")
                    && show.get("deletedAt").isNull()) {
                String file = "/api/shows/" + show.get("id").stringValue() + "/file";
                assertThat(shows.put(
                                show.get("name").stringValue(),
                                command.get(file).get("parts").size()))
                        .as("none is there twice")
                        .isNull();
            }
        }
        assertThat(shows.keySet()).containsAll(imported);
        assertThat(imported.stream().map(shows::get)).containsOnly(PARTS);
    }

    /** In the midst of a fade, and with a cue that would follow three seconds later. */
    @Test
    void aListWhoseServerIsKilledPlaysNothingByItselfAfterwards() throws Exception {
        assertThat(command.run("up").exit()).isZero();
        assertThat(order("JUMP", "\"walk-5\"")).isEqualTo(200);
        assertThat(order("GO", "null")).isEqualTo(200);
        assertThat(walk().get("running").get(0).get("cueNumber").stringValue()).isEqualTo("5");
        command.killServer();
        assertThat(command.run("up").exit()).isZero();
        JsonNode after = walk();
        assertThat(after.get("running")).isEmpty();
        assertThat(after.get("over")).isEmpty();
        assertThat(after.get("next").stringValue())
                .as("where it stood, a second before at most")
                .isIn("walk-5", "walk-6");
        assertThat(order("GO", "null")).as("somebody says go again").isEqualTo(200);
    }

    /** In the midst of a proof, and again in the midst of putting back what that had moved. */
    @Test
    void whatAKilledProofHadMovedIsOfferedAndPutBack() throws Exception {
        assertThat(command.run("up").exit()).isZero();
        Map<String, String> before = bellows();
        String wish =
                """
                {"which": "ALL", "within": null, "target": "bellows", "lines": [], "times": 20, "attended": false, "venues": []}""";
        Desk.waitUntil("Bellows answers, and a proof begins", () -> {
            String token = PROOF_TOKEN
                    .matcher(command.said("/proof/plan", wish))
                    .results()
                    .map(found -> found.group(1))
                    .findFirst()
                    .orElse("");
            return command.said("/proof", "{\"wish\": " + wish + ", \"token\": \"" + token + "\"}")
                    .contains("\"problems\":[]");
        });
        Desk.waitUntil("it has moved something", () -> !bellows().equals(before));
        command.killServer();
        Map<String, String> killed = bellows();
        command.up();
        JsonNode left = command.get("/api/shows/salt-clock/proof/leftover");
        assertThat(left).as("after %s stood where %s had stood", killed, before).isNotEmpty();
        assertThat(command.get("/api/shows/salt-clock/proof"))
                .as("nothing goes on by itself")
                .isEmpty();

        // some of it is back, and the server is killed again
        Desk.waitUntil("it begins to put back", () -> command.said("/proof/leftover/put-back", "")
                .contains("\"problems\":[]"));
        command.killServer();
        command.up();
        Desk.waitUntil("nothing is left", () -> {
            command.said("/proof/leftover/put-back", "");
            return command.said("/proof/leftover", null).equals("[]");
        });
        assertThat(bellows()).isEqualTo(before);
    }

    /** What stands at the desk alone: what another test began may still go on at the others. */
    private static Map<String, String> bellows() {
        Map<String, String> standing = Standing.at(command.pictures());
        standing.keySet().removeIf(place -> !place.startsWith("Bellows/"));
        return standing;
    }

    /** Afterwards it is told whose it was, and at which cue it ended. */
    @Test
    void aTrialWhoseServerIsKilledIsToldAfterwards() throws Exception {
        assertThat(command.run("up").exit()).isZero();
        String trial = "/cues/evening-walk/trial";
        Desk.waitUntil(
                "it begins", () -> command.said(trial, "{\"rehearsed\": false, \"speed\": \"OWN\", \"venues\": []}")
                        .contains("\"problems\":[]"));
        Desk.waitUntil("a cue was fired, and that is kept", () -> keptCue().isPresent());
        command.killServer();
        String number = keptCue().orElseThrow();
        command.up();
        JsonNode cut = command.get("/api/shows/salt-clock" + trial + "/cut");
        assertThat(cut.get(0).get("cue").stringValue()).isEqualTo(number);
        assertThat(command.get("/api/shows/salt-clock" + trial))
                .as("nothing goes on by itself")
                .isEmpty();
        // one that ends as it should leaves nothing to tell
        Desk.waitUntil("it begins again", () -> command.said(
                        trial, "{\"rehearsed\": false, \"speed\": \"FASTEST\", \"venues\": []}")
                .contains("\"problems\":[]"));
        command.said(trial + "/stop", "");
        Desk.waitUntil("it is over", () -> !command.said(trial, null).contains("\"running\":true"));
        Desk.waitUntil(
                "nothing is kept that a start would tell", () -> keptCue().isEmpty());
    }

    /** The number of the cue at which a trial of the list is, as it is kept. */
    private static Optional<String> keptCue() {
        try (var connection = DriverManager.getConnection(
                        "jdbc:postgresql://127.0.0.1:" + command.databasePort + "/imperan",
                        "imperan_app",
                        Files.readString(command.var.resolve("postgres/app.password")));
                var statement = connection.createStatement();
                var rows = statement.executeQuery("select cue from open_trial where list_id = 'evening-walk'")) {
            return rows.next() ? Optional.of(rows.getString(1)) : Optional.empty();
        } catch (SQLException | IOException e) {
            throw new AssertionError(e);
        }
    }

    private static int order(String deed, String cue) throws Exception {
        return command.post(
                "/api/shows/salt-clock/commands",
                "application/json",
                "{\"kind\": \"cues\", \"list\": \"evening-walk\", \"deed\": \"%s\", \"cue\": %s}".formatted(deed, cue));
    }

    private static JsonNode walk() throws Exception {
        return command.get("/api/shows/salt-clock/cues").get(0);
    }

    @Test
    void aTakenPortIsSaidInOneSentence() throws Exception {
        command.run("stop");
        try (ServerSocket taken = new ServerSocket()) {
            taken.bind(new InetSocketAddress("127.0.0.1", command.port));
            Command.Said up = command.run("up");
            assertThat(up.exit()).isNotZero();
            assertThat(up.text())
                    .contains("port " + command.port + " is taken by another program")
                    .doesNotContain("Exception");
        }
        Command.Said unknown = command.run("nonsense");
        assertThat(unknown.exit()).isNotZero();
        assertThat(unknown.text()).contains("usage: ./imperan");
    }
}
