package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Messages that somebody sends by hand, and what is recorded of the wire and played back. */
class CaptureTest extends InstalledTest {

    private static Page wire(String view) {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/wire"));
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(view)).click();
        return page;
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator message(Page page) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Message"));
    }

    private static void choose(Page page, String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    private static Locator row(Page page, String way, String text) {
        return page.locator("[data-wire=" + way + "]")
                .filter(new Locator.FilterOptions().setHasText(text))
                .first();
    }

    // ---- by hand

    @Test
    void aMessageWithItsTypesIsSentAndItsAnswerStandsBelow() {
        try (Page page = wire("Send");
                Desk desk = new Desk(imperan.bellows())) {
            message(page).fill("/bellows/in/3/level ,i 0.5");
            button(page, "Send").click();
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("“0.5” is no int");
            message(page).fill("/bellows/in/3/level ,f 0.55");
            button(page, "Send").click();
            desk.waitForLevel("in/3", 0.55);
            assertThat(row(page, "out", "/bellows/in/3/level")).containsText(Pattern.compile("Ada.* ms"));
            assertThat(row(page, "in", "/bellows/in/3/level")).containsText("0.55");
        }
    }

    @Test
    void aMessageIsRepeatedUntilItIsStopped() {
        try (Page page = wire("Send")) {
            message(page).fill("/bellows/in/4/level ,f 0.25");
            choose(page, "Repeat", "every 0.1 s");
            button(page, "Start repeating").click();
            Desk.waitUntil(
                    "it left again and again",
                    () -> page.locator("[data-wire=out]")
                                    .filter(new Locator.FilterOptions().setHasText("/bellows/in/4/level"))
                                    .count()
                            > 4);
            button(page, "Stop repeating").click();
            assertThat(button(page, "Start repeating")).isVisible();
        }
    }

    @Test
    void aMessageIsSavedInTheShowAndSentWithOnePress() {
        try (Page page = wire("Send");
                Desk desk = new Desk(imperan.bellows());
                Page other = wire("Send")) {
            message(page).fill("/bellows/in/5/level ,f 0.65");
            button(page, "Save").click();
            Locator saved = other.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Saved messages"));
            saved.getByLabel("Send /bellows/in/5/level ,f 0.65").click();
            desk.waitForLevel("in/5", 0.65);
            saved.getByLabel("Remove /bellows/in/5/level ,f 0.65").click();
            assertThat(saved).hasCount(0);
        }
    }

    /** Bytes that are no message reach the target as they are. */
    @Test
    void bytesLeaveAsTheyAre() {
        try (Page page = wire("Send")) {
            page.getByText("Raw bytes …").click();
            Locator bytes = page.getByLabel(Pattern.compile("Bytes, two hexadecimal digits each"));
            bytes.fill("2f6");
            button(page, "Send bytes").click();
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("Bytes are written as two hexadecimal digits each");
            bytes.fill("2f61 0000 2c78 0000");
            button(page, "Send bytes").click();
            assertThat(page.getByText("Not OSC at byte 5").first()).isVisible();
        }
    }

    @Test
    void aMessageOfTheWireIsSentAgain() {
        try (Page page = wire("List");
                Desk desk = new Desk(imperan.bellows())) {
            page.getByLabel("Address or text").fill("/bellows/in/6/level");
            imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/6/level", new OscArgument.Float32(0.35f)));
            row(page, "in", "0.35").click();
            button(page, "Send …").click();
            assertThat(message(page)).hasValue(Pattern.compile("/bellows/in/6/level ,fs 0.35 \".*dB\""));
            message(page).fill("/bellows/in/6/level ,f 0.45");
            button(page, "Send").click();
            desk.waitForLevel("in/6", 0.45);
        }
    }

    // ---- recorded

    private static void record(Page page, String name, Runnable meanwhile) {
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true))
                .first()
                .fill(name);
        button(page, "Record").click();
        assertThat(page.getByText("Recording " + name)).isVisible();
        meanwhile.run();
        button(page, "Stop recording").click();
        assertThat(page.locator("[data-capture='" + name + "']")).isVisible();
    }

    private static void say(String line) {
        try (Page page = wire("Send");
                Desk desk = new Desk(imperan.bellows())) {
            message(page).fill(line);
            button(page, "Send").click();
            assertThat(row(page, "in", line.substring(0, line.indexOf(' ')))).isVisible();
            desk.waitForLevel(
                    line.replaceAll("/bellows/(.*)/level.*", "$1"),
                    Double.parseDouble(line.substring(line.lastIndexOf(' '))));
        }
    }

    private static Path saved(Page page, String name, String form) {
        Download download = page.waitForDownload(() ->
                page.locator("[data-capture='" + name + "']").getByText(form).click());
        return download.path();
    }

    /** Source: tshark of Debian, which takes OSC apart by itself. Both find the same addresses, types and numbers in the same order. */
    @Test
    void whatIsRecordedIsReadByANetworkAnalyser() throws Exception {
        try (Page page = wire("Captures")) {
            record(page, "For the analyser", () -> {
                say("/bellows/in/7/level ,f 0.15");
                say("/bellows/in/8/level ,f 0.85");
            });
            List<String> ours = new ArrayList<>();
            for (String line : Files.readAllLines(saved(page, "For the analyser", "JSON lines"))) {
                JsonNode packet = new JsonMapper().readTree(line);
                if (packet.get("reach").stringValue().equals("UDP")
                        && packet.path("messages").size() == 1) {
                    JsonNode said = packet.get("messages").get(0);
                    ours.add(said.get("address").stringValue() + "|"
                            + said.get("types").stringValue());
                }
            }
            assertThat(ours).contains("/bellows/in/7/level|,f", "/bellows/in/8/level|,fs");
            assertThat(tshark(
                            saved(page, "For the analyser", "pcapng"),
                            "osc and udp",
                            "osc.message.header.path",
                            "osc.message.header.format"))
                    .isEqualTo(ours);
            assertThat(tshark(
                            saved(page, "For the analyser", "pcapng"),
                            "osc.message.header.path == \"/bellows/in/7/level\" and udp.dstport == "
                                    + imperan.bellows().getPort(),
                            "osc.message.float",
                            "frame.comment"))
                    .containsExactly("0.15|Ada");
            assertThat(tshark(
                            saved(page, "For the analyser", "pcapng"),
                            "udp.checksum.status == 0 or ip.checksum.status == 0 or _ws.malformed",
                            "frame.number"))
                    .as("checksums are right, and nothing is malformed")
                    .isEmpty();
        }
    }

    private static List<String> tshark(Path capture, String filter, String... fields)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                "tshark",
                "-r",
                capture.toString(),
                "--enable-heuristic",
                "osc_udp",
                "-o",
                "udp.check_checksum:TRUE",
                "-o",
                "ip.check_checksum:TRUE",
                "-Y",
                filter,
                "-T",
                "fields",
                "-E",
                "separator=|"));
        for (String field : fields) {
            command.addAll(List.of("-e", field));
        }
        Path said = Files.createTempFile("tshark", ".txt");
        Process process = new ProcessBuilder(command)
                .redirectOutput(said.toFile())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        List<String> lines = Files.readAllLines(said);
        Files.delete(said);
        return lines;
    }

    @Test
    void whatIsRecordedIsPlayedToATarget() {
        try (Page page = wire("Captures");
                Desk desk = new Desk(imperan.bellows())) {
            record(page, "To be played", () -> {
                say("/bellows/in/9/level ,f 0.35");
                say("/bellows/in/9/level ,f 0.75");
            });
            imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/9/level", new OscArgument.Float32(0.1f)));
            desk.waitForLevel("in/9", 0.1);
            page.locator("[data-capture='To be played']")
                    .getByText("Play to a target …")
                    .click();
            choose(page, "To", "Bellows");
            choose(
                    page,
                    "Of the other end",
                    "Bellows (127.0.0.1:" + imperan.bellows().getPort() + ")");
            choose(page, "Speed", "ten times");
            button(page, "Play").click();
            desk.waitForLevel("in/9", 0.75);
            Locator playback = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Playback"));
            assertThat(playback).containsText(Pattern.compile("Played To be played to Bellows: (\\d+) of \\1"));

            page.locator("[data-capture='To be played']")
                    .getByText("Play to a target …")
                    .click();
            choose(page, "Speed", "one by one");
            button(page, "Play").click();
            assertThat(playback).containsText(Pattern.compile("Paused .*: 0 of"));
            button(page, "Next packet").click();
            assertThat(playback).containsText(": 1 of");
            playback.getByText("Stop", new Locator.GetByTextOptions().setExact(true))
                    .click();
            assertThat(playback).containsText("Stopped");
        }
    }

    /** A copy of the show, without its sockets, makes of it what the show would: nothing is sent, and the show stays as it is. */
    @Test
    void whatCameIsTriedInTheShowWithoutSendingAnything() {
        try (Page page = wire("Captures");
                Desk desk = new Desk(imperan.bellows())) {
            record(page, "To be tried", () -> {
                imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/8/level", new OscArgument.Float32(0.65f)));
                desk.waitForLevel("in/8", 0.65);
                imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/8/pan", new OscArgument.Float32(0.5f)));
            });
            imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/8/level", new OscArgument.Float32(0.2f)));
            desk.waitForLevel("in/8", 0.2);
            page.locator("[data-capture='To be tried']")
                    .getByText("Try in this show …")
                    .click();
            button(page, "Try").click();
            Locator found = page.getByLabel("What the show made of it");
            assertThat(found).containsText("Controls that follow");
            assertThat(found.getByRole(AriaRole.LISTITEM)
                            .filter(new Locator.FilterOptions().setHasText("Choir R"))
                            .first())
                    .containsText("dB");
            assertThat(found).containsText("/bellows/in/8/pan");
            Locator howFar = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("How far"));
            button(page, "First packet").click();
            assertThat(howFar).containsText(Pattern.compile("1 of \\d+, 0\\.000 s"));
            button(page, "Next packet").click();
            assertThat(howFar).containsText(Pattern.compile("[2-9] of \\d+"));
            choose(page, "Play from its beginning", "ten times");
            assertThat(howFar).containsText(Pattern.compile("(\\d+) of \\1,"));
            assertThat(howFar).containsText("not playing");
            button(page, "Close").click();
            assertThat(found).hasCount(0);
            desk.waitForLevel("in/8", 0.2);
        }
    }

    @Test
    void aFileIsLoadedOrRefusedWithItsPlace() throws IOException {
        try (Page page = wire("Captures")) {
            record(page, "There and back", () -> say("/bellows/in/10/level ,f 0.95"));
            byte[] file = Files.readAllBytes(saved(page, "There and back", "pcapng"));
            Locator chosen = page.getByLabel("Capture file");
            chosen.setInputFiles(new FilePayload("Again.pcapng", "application/octet-stream", file));
            assertThat(page.getByText(Pattern.compile("Again.pcapng: \\d+ packets")))
                    .isVisible();
            assertThat(page.locator("[data-capture='Again']")).containsText(Pattern.compile("\\d+ packets"));
            chosen.setInputFiles(
                    new FilePayload("Torn.pcapng", "application/octet-stream", Arrays.copyOf(file, file.length - 3)));
            assertThat(page.getByText(Pattern.compile("Torn.pcapng: This cannot be loaded: "
                            + "The block claims \\d+ bytes, \\d+ are left \\(byte \\d+\\)")))
                    .isVisible();
            chosen.setInputFiles(new FilePayload(
                    "Words.jsonl", "application/octet-stream", "{\"at\":\"soon\"}".getBytes(StandardCharsets.UTF_8)));
            assertThat(page.getByText(Pattern.compile("Words.jsonl: This cannot be loaded: .*\\(line 1\\)")))
                    .isVisible();
            page.getByLabel("Remove Again").click();
            page.getByRole(AriaRole.ALERTDIALOG)
                    .getByText("Remove", new Locator.GetByTextOptions().setExact(true))
                    .click();
            assertThat(page.locator("[data-capture='Again']")).hasCount(0);
        }
    }
}
