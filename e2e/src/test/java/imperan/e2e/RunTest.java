package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static imperan.e2e.Hands.control;
import static imperan.e2e.Hands.drag;
import static imperan.e2e.Hands.place;
import static imperan.e2e.Hands.position;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.gson.Gson;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.standins.Fault;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Playing a page against the stand-in desk, whose state is read over its own socket. */
class RunTest extends InstalledTest {

    /** The level, or the keep-alive that may have followed it by the time one looks. */
    private static final Pattern TICKER = Pattern.compile("/bellows/in/1/level");

    private static Page page;

    @BeforeAll
    static void open() {
        page = run("Ada");
    }

    private static Page run(String name) {
        Page device = chromium.device(name);
        device.navigate(imperan.url("/#/run"));
        assertThat(control(device, "level-1")).hasAttribute("data-belief", "KNOWN");
        return device;
    }

    @Test
    void aMouseMovesAFaderAndTheDeskAnswers() {
        drag(page, "level-1", 0.0, 0.6);
        desk.waitForLevel("in/1", 0.6);
        assertThat(control(page, "level-1")).hasAttribute("data-belief", "KNOWN");
        assertThat(control(page, "level-1").locator(".reading-state")).hasText(Pattern.compile("\\+1\\.\\d dB"));
        Desk.waitUntil("echo mark at 0.6", () -> Math.abs(echo("level-1") - 0.6) < 0.02);
        // other targets speak, too, and the ticker shows the newest of all
        Locator fader = control(page, "level-1").getByRole(AriaRole.SLIDER);
        for (String way : List.of("out", "in")) {
            Desk.waitUntil("the ticker tells what went " + way, () -> {
                fader.press("ArrowUp");
                fader.press("ArrowDown");
                return TICKER.matcher(page.locator("[data-ticker=" + way + "]").innerText())
                        .find();
            });
        }
    }

    private static double echo(String id) {
        return Hands.number(page, id, "--echo");
    }

    @Test
    void twoFingersMoveTwoFadersAtOnce() {
        CDPSession touch = page.context().newCDPSession(page);
        double[] left = place(page, "level-2", 0.1);
        double[] right = place(page, "level-3", 0.2);
        double travel = left[1] - place(page, "level-2", 0.5)[1];
        touches(touch, "touchStart", left, right);
        for (int step = 1; step <= 4; step++) {
            touches(touch, "touchMove", new double[] {left[0], left[1] - travel * step / 4}, new double[] {
                right[0], right[1] - travel * step / 8
            });
        }
        // both are held at this moment, and both have reached the desk
        desk.waitForLevel("in/2", 0.4);
        desk.waitForLevel("in/3", 0.2);
        touches(touch, "touchEnd");
        assertThat(desk.level("in/2")).isCloseTo(0.4f, within(0.02f));
    }

    private static void touches(CDPSession session, String type, double[]... points) {
        StringBuilder list = new StringBuilder();
        for (int i = 0; i < points.length; i++) {
            list.append(i == 0 ? "" : ",")
                    .append(String.format(
                            Locale.ROOT, "{\"x\":%f,\"y\":%f,\"id\":%d}", points[i][0], points[i][1], i + 1));
        }
        session.send(
                "Input.dispatchTouchEvent",
                new Gson().fromJson("{\"type\":\"" + type + "\",\"touchPoints\":[" + list + "]}", JsonObject.class));
    }

    @Test
    void keysMoveAFaderAndPressAButton() {
        Locator fader = control(page, "level-4").locator("[role=slider]");
        fader.focus();
        page.keyboard().press("End");
        desk.waitForLevel("in/4", 1);
        page.keyboard().press("PageDown");
        desk.waitForLevel("in/4", 0.9);
        page.keyboard().press("ArrowDown");
        desk.waitForLevel("in/4", 0.89);
        assertThat(fader).hasAttribute("aria-valuenow", "89");

        control(page, "mute-4").locator("[role=button]").focus();
        page.keyboard().press("Space");
        desk.waitForMute("in/4", 1);
        assertThat(control(page, "mute-4")).hasAttribute("data-lit", "true");
    }

    @Test
    void aChangeAtTheDeskMovesTheCap() {
        desk.set("/bellows/in/5/level", new OscArgument.Float32(0.75f));
        Desk.waitUntil("cap at 0.75", () -> Math.abs(position(page, "level-5") - 0.75) < 0.01);
        desk.set("/bellows/in/5/mute", new OscArgument.Int32(1));
        assertThat(control(page, "mute-5")).hasAttribute("data-lit", "true");
    }

    @Test
    void aHeldFaderIsNotPulledByTheDesk() {
        double[] start = place(page, "level-6", 0);
        double[] middle = place(page, "level-6", 0.5);
        page.mouse().move(start[0], start[1]);
        page.mouse().down();
        page.mouse().move(middle[0], middle[1]);
        desk.waitForLevel("in/6", 0.5);
        desk.set("/bellows/in/6/level", new OscArgument.Float32(0.1f));
        Desk.waitUntil("echo at 0.1", () -> Math.abs(echo("level-6") - 0.1) < 0.01);
        assertThat(position(page, "level-6")).isCloseTo(0.5, within(0.02));
        assertThat(control(page, "level-6")).hasAttribute("data-disputed", "true");
        page.mouse().up();
        Desk.waitUntil("cap at what the desk says", () -> Math.abs(position(page, "level-6") - 0.1) < 0.01);
    }

    @Test
    void anotherBrowserFollowsAndSeesWhoHoldsAFader() {
        Page other = run("Ben");
        double[] start = place(other, "level-7", 0);
        double[] end = place(other, "level-7", 0.3);
        other.mouse().move(start[0], start[1]);
        other.mouse().down();
        other.mouse().move(end[0], end[1]);
        Desk.waitUntil("the first browser follows", () -> Math.abs(position(page, "level-7") - 0.3) < 0.02);
        assertThat(control(page, "level-7").locator(".holder")).hasText("Ben");
        drag(page, "level-7", 0.3, 0.9);
        desk.waitForLevel("in/7", 0.3);
        other.mouse().up();
        assertThat(control(page, "level-7").locator(".holder")).hasText("");
        other.context().close();
    }

    @Test
    void whoTakesAnotherNameIsSeenUnderItAtTheNextTouch() {
        Page other = chromium.device("Ben");
        other.navigate(imperan.url("/#/rig"));
        other.getByLabel("You are").fill("Zoe");
        other.getByLabel("You are").press("Enter");
        Hands.run(other);
        double[] start = place(other, "level-8", 0);
        other.mouse().move(start[0], start[1]);
        other.mouse().down();
        assertThat(control(page, "level-8").locator(".holder")).hasText("Zoe");
        other.mouse().up();
        other.context().close();
    }

    @Test
    void aBrowserThatVanishesLetsGoOfAMomentaryButton() {
        Page builder = chromium.device("Ada");
        builder.navigate(imperan.url("/#/layout"));
        builder.locator("[data-build=mute-8]").click();
        builder.getByLabel("Press").click();
        builder.getByText("momentary").click();
        assertThat(builder.locator("[data-control=mute-8] [data-latching=false]"))
                .isAttached();
        builder.context().close();

        Page vanishing = run("Ben");
        double[] spot = place(vanishing, "mute-8", 0.5);
        vanishing.mouse().move(spot[0], spot[1]);
        vanishing.mouse().down();
        desk.waitForMute("in/8", 1);
        vanishing.context().close();
        desk.waitForMute("in/8", 0);
    }

    /** Source: oscsend and oscdump of Debian's liblo-tools, an implementation of OSC that is not ours. */
    @Test
    void foreignToolsDriveAControlAndHearOne() throws Exception {
        // oscsend speaks from a port of its own; the desk's host has only one target, so the packet is the desk's
        Process send = new ProcessBuilder(
                        "oscsend",
                        "127.0.0.1",
                        String.valueOf(imperan.answerPort()),
                        "/bellows/in/9/level",
                        "f",
                        "0.625")
                .inheritIO()
                .start();
        assertThat(send.waitFor(10, TimeUnit.SECONDS)).isTrue();
        Desk.waitUntil("cap at 0.625", () -> Math.abs(position(page, "level-9") - 0.625) < 0.001);

        int port = Ports.one();
        Process dump = new ProcessBuilder("stdbuf", "-oL", "oscdump", String.valueOf(port))
                .redirectErrorStream(true)
                .start();
        try (var said = dump.inputReader()) {
            Page rig = chromium.device("Ada");
            rig.navigate(imperan.url("/#/rig"));
            rig.getByLabel("Settings of Bellows").click();
            rig.locator("[data-target=Bellows]")
                    .getByLabel("It receives on port")
                    .fill(String.valueOf(port));
            rig.keyboard().press("Enter");
            assertThat(rig.locator("[data-target=Bellows]")
                            .getByRole(AriaRole.STATUS)
                            .filter(new Locator.FilterOptions().setHasText("Saved")))
                    .isVisible();
            rig.context().close();
            drag(page, "level-10", 0, 0.4);
            String line = said.readLine();
            while (!line.contains("/bellows/in/10/level")) {
                line = said.readLine();
            }
            assertThat(line).contains("/bellows/in/10/level f 0.");
        } finally {
            dump.destroy();
        }
        Page rig = chromium.device("Ada");
        rig.navigate(imperan.url("/#/rig"));
        rig.getByLabel("Settings of Bellows").click();
        rig.locator("[data-target=Bellows]")
                .getByLabel("It receives on port")
                .fill(String.valueOf(imperan.bellows().getPort()));
        rig.keyboard().press("Enter");
        assertThat(rig.locator("[data-target=Bellows] [data-link-state=answering]"))
                .isVisible();
        rig.context().close();
    }

    @Test
    void aPulledDeskIsSaidAndItsReturnToo() {
        Page rig = chromium.device("Ada");
        rig.navigate(imperan.url("/#/rig"));
        assertThat(rig.locator("[data-target=Bellows] [data-link-state=answering]"))
                .isVisible();
        imperan.stopBellows();
        assertThat(rig.locator("[data-target=Bellows] [data-link-state='port closed']"))
                .isVisible();
        assertThat(control(page, "level-12")).hasAttribute("data-belief", "STALE");
        assertThat(page.getByLabel("Targets not reached")).containsText("Bellows: port closed.");
        imperan.startBellows();
        assertThat(rig.locator("[data-target=Bellows] [data-link-state=answering]"))
                .isVisible();
        assertThat(control(page, "level-12")).hasAttribute("data-belief", "KNOWN");
        assertThat(page.getByLabel("Targets not reached")).hasText("");
        rig.context().close();
    }

    @Test
    void aTargetThatSpeaksAndDoesNotListenIsSaidOnceSomethingWasAskedOfIt() {
        Page device = chromium.device("Ben");
        device.navigate(imperan.url("/#/run/water"));
        Locator reels = device.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Next reel"))
                .first();
        imperan.fault("Sluice", Fault.SWITCH_OFF, true);
        reels.getByText("3", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(device.getByLabel("Targets not reached"))
                .containsText("Sluice: receiving. It sends, but does not answer us");
        imperan.fault("Sluice", Fault.SWITCH_OFF, false);
        reels.getByText("4", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(device.getByLabel("Targets not reached")).hasText("");
        device.context().close();
    }

    @Test
    void aServerThatStopsIsSaidAndWhatWasThereComesBack() {
        try (Installation own = Installation.own();
                Desk ownDesk = new Desk(own.bellows())) {
            Page device = chromium.device("Ada");
            device.navigate(own.url("/#/run"));
            assertThat(control(device, "level-1")).hasAttribute("data-belief", "KNOWN");
            drag(device, "level-1", 0, 0.7);
            ownDesk.waitForLevel("in/1", 0.7);
            device.waitForFunction(
                    "() => performance.getEntriesByType('resource').some((loaded) => loaded.name.includes('/stations-'))");
            own.stopServer();
            assertThat(device.getByText("what you do now is not sent")).isVisible();
            device.getByText("Back to Build").click();
            assertThat(device.locator("[data-build=level-1]")).isVisible();
            own.stopBellows();
            own.startServer();
            device.navigate(own.url("/#/run"));
            assertThat(control(device, "level-1")).hasAttribute("data-belief", "STALE");
            assertThat(position(device, "level-1")).isCloseTo(0.7, within(0.02));
            device.context().close();
        }
    }
}
