package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.standins.Announcement;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What somebody wants to get done in the first hours, each from an empty show, with every click, key and text that is typed counted. */
class JobsTest extends InstalledTest {

    private Page page;
    private int actions;

    @BeforeEach
    void aBrowser() {
        page = chromium.device("Ada");
    }

    /** A show with nothing in it, which is live. */
    private void newShow() {
        page.navigate(imperan.url("/#/shows"));
        click(page.getByText("New show"));
        click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Go live …")));
        click(page.getByRole(AriaRole.ALERTDIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Go live")));
        assertThat(page.getByText("No target yet")).isVisible();
    }

    @AfterEach
    void leave() {
        page.context().close();
    }

    // ---- hands

    private void click(Locator locator) {
        locator.click();
        actions++;
    }

    private void type(Locator field, String text) {
        field.fill(text);
        actions++;
    }

    private void key(String name) {
        page.keyboard().press(name);
        actions++;
    }

    private void choose(Locator select, String option) {
        click(select);
        click(page.getByRole(
                AriaRole.OPTION, new Page.GetByRoleOptions().setName(option).setExact(true)));
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator link(String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
    }

    private Locator cell(String name) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void tap(int column, int row) {
        page.locator("[data-ground]").click(new Locator.ClickOptions().setPosition(20 + 60 * column, 20 + 60 * row));
        actions++;
    }

    /** A target by hand: its name, its address and the port it receives on. */
    private void target(boolean first, String name, int port) {
        click(first ? page.getByText("By hand") : button("Add target"));
        Locator settings = page.locator("[data-target]").last();
        assertThat(settings.getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)))
                .isFocused();
        page.keyboard().type(name);
        actions++;
        key("Enter");
        Locator named = page.locator("[data-target='" + name + "']");
        type(named.getByLabel("Address", new Locator.GetByLabelOptions().setExact(true)), "127.0.0.1");
        type(named.getByLabel("Receives on port"), String.valueOf(port));
        key("Enter");
    }

    /** Something that nobody has a phrasebook for: it answers every message with the same one, and keeps what came. */
    private static final class Foreign implements AutoCloseable {

        private final DatagramSocket socket;
        private final List<byte[]> arrived = new CopyOnWriteArrayList<>();

        Foreign() {
            try {
                socket = new DatagramSocket(0, InetAddress.getLoopbackAddress());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            Thread thread = new Thread(this::answer, "foreign target");
            thread.setDaemon(true);
            thread.start();
        }

        private void answer() {
            DatagramPacket packet = new DatagramPacket(new byte[2048], 2048);
            while (!socket.isClosed()) {
                try {
                    packet.setLength(2048);
                    socket.receive(packet);
                    arrived.add(Arrays.copyOf(packet.getData(), packet.getLength()));
                    socket.send(packet);
                } catch (IOException e) {
                    // closed, or nobody listens for the answer
                }
            }
        }

        int port() {
            return socket.getLocalPort();
        }

        void waitFor(String address, OscArgument... arguments) {
            byte[] wanted = OscEncoder.encode(OscMessage.of(address, arguments));
            Desk.waitUntil(
                    address + " arrived", () -> arrived.stream().anyMatch(bytes -> Arrays.equals(bytes, wanted)));
        }

        @Override
        public void close() {
            socket.close();
        }
    }

    // ---- jobs

    /** The demo show as the README leads through it, job by job. */
    @Test
    void theFirstTenMinutesOfTheReadme() {
        try (Installation fresh = Installation.own();
                Desk bellows = new Desk(fresh.bellows())) {
            page.navigate(fresh.url("/"));
            assertThat(page.locator("[data-target=Bellows] [data-link-state=answering]"))
                    .isVisible();
            job("a fader moves the desk", 2, () -> {
                click(link("Run"));
                Hands.waitForRun(page);
                page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Wheel"))
                        .press("End");
                actions++;
                bellows.waitForLevel("in/1", 1);
            });
            job("a mistyped address is refused with its mend", 5, () -> {
                click(link("Back to Build"));
                click(link("Rig"));
                click(page.getByLabel("Settings of Bellows"));
                type(
                        page.locator("[data-target=Bellows]")
                                .getByLabel("Address", new Locator.GetByLabelOptions().setExact(true)),
                        "127,0,0,1");
                key("Enter");
                assertThat(page.getByRole(AriaRole.ALERT)).containsText("127.0.0.1");
                page.keyboard().press("Escape");
            });
            job("eight more strips", 4, () -> {
                click(link("Layout"));
                click(button("Strips").first());
                click(button("Place 8 strips on a new page"));
                assertThat(page.locator("[data-build]")).hasCount(40);
            });
            job("what was placed is taken back", 1, () -> {
                click(button("Undo"));
                assertThat(page.getByText("Undo")).not().hasCount(0);
                assertThat(page.getByLabel("Page name")).hasValue("Sound");
            });
            job("the message that moved the desk is found in the wire", 2, () -> {
                click(link("Wire"));
                type(page.getByLabel("Address or text"), "/in/1/level");
                assertThat(page.locator("[data-wire=out]").first()).containsText("/bellows/in/1/level");
            });
            job("a version is saved", 3, () -> {
                click(link("History"));
                type(page.getByLabel("Name of the version"), "Before the first walk");
                click(page.getByText("Save this version"));
                assertThat(page.locator("[data-keep-point]")).isVisible();
            });
        }
    }

    private void job(String name, int most, Runnable job) {
        int before = actions;
        job.run();
        assertThat(actions - before).as("actions: %s", name).isLessThanOrEqualTo(most);
    }

    @Tag("quick")
    @Test
    void aFaderAndAButtonToAForeignTargetWithFeedback() {
        newShow();
        try (Foreign pump = new Foreign()) {
            target(true, "Pump", pump.port());
            click(link("Layout"));
            click(page.getByText("An empty page"));
            for (String kind : List.of("Fader", "Button")) {
                click(button(kind));
                tap(kind.equals("Fader") ? 0 : 4, 0);
                send("/pump/" + kind.toLowerCase());
                click(page.getByText("Listen on the same address"));
            }
            click(link("Run"));
            Hands.waitForRun(page);
            page.getByRole(AriaRole.SLIDER).press("End");
            actions++;
            pump.waitFor("/pump/fader", new OscArgument.Float32(1));
            click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Button 1")));
            pump.waitFor("/pump/button", new OscArgument.Float32(1));
            assertThat(page.locator("[data-control][data-belief=KNOWN]")).hasCount(2);
            assertThat(actions).as("actions").isLessThanOrEqualTo(30);
        }
    }

    @Test
    void twentyFivePastedRowsOnAPage() {
        newShow();
        StringBuilder list = new StringBuilder("address\ttype\trange\n");
        for (int i = 1; i <= 25; i++) {
            list.append("/tide/").append((char) ('a' + i - 1)).append("/open\tfloat\t0..1\n");
        }
        click(page.getByText("From a phrasebook"));
        click(button("Import …"));
        type(page.getByLabel("The list of messages"), list.toString());
        type(page.getByLabel("Name of the phrasebook"), "Tide gates");
        click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import 25 phrases")));
        click(link("Links"));
        click(page.getByText("By hand"));
        choose(page.getByLabel("Phrasebook (brings its link sheet)"), "Tide gates");
        click(link("Layout"));
        click(button("All"));
        click(button("Place 25 on a new page"));
        assertThat(page.locator("[data-build]")).hasCount(25);
        click(link("Run"));
        assertThat(page.getByRole(AriaRole.SLIDER)).hasCount(25);
        assertThat(actions).as("actions").isLessThanOrEqualTo(18);
    }

    @Test
    void eightStripsOnAPhonePage() throws Exception {
        newShow();
        Announcement announced = imperan.announced();
        try {
            click(link("This machine"));
            click(button("Look for targets"));
            click(page.locator("[data-service^=Bellows]")
                    .filter(new Locator.FilterOptions()
                            .setHasText(":" + imperan.post("Bellows").port()))
                    .getByRole(AriaRole.BUTTON));
            click(link("Layout"));
            click(button("Strips").first());
            click(button("Place 8 strips on a new page"));
            click(page.getByLabel("Page settings"));
            click(button("one below another"));
            assertThat(page.getByLabel("Page name")).hasValue("Page 1, phone");
            click(link("Run"));
            assertThat(actions).as("actions").isLessThanOrEqualTo(15);
        } finally {
            announced.close();
        }
        page.setViewportSize(390, 844);
        assertThat(page.getByRole(AriaRole.SLIDER)).hasCount(8);
        page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("level 3"))
                .press("End");
        desk.waitForLevel("in/3", 1);
    }

    @Test
    void twoMessagesToTwoTargetsWithAFixedTextEachAndASwitchThatIsReversed() {
        newShow();
        try (Foreign door = new Foreign();
                Foreign horn = new Foreign()) {
            target(true, "Door", door.port());
            target(false, "Horn", horn.port());
            click(link("Layout"));
            click(page.getByText("An empty page"));
            click(button("Button"));
            tap(0, 0);
            fixedText("/door/say", "open");
            fixedText("/horn/play", "fog");
            choose(cell("Message").getByLabel("Target"), "Horn");
            click(button("Button"));
            tap(4, 0);
            choose(cell("Touch").getByLabel("Press", new Locator.GetByLabelOptions().setExact(true)), "toggle");
            send("/door/locked");
            type(cell("Shaping").getByLabel("At 0"), "1");
            type(cell("Shaping").getByLabel("At 1"), "0");
            key("Enter");
            click(link("Run"));
            Hands.waitForRun(page);
            click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Button 1")));
            door.waitFor("/door/say", new OscArgument.Text("open"));
            horn.waitFor("/horn/play", new OscArgument.Text("fog"));
            click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Button 2")));
            door.waitFor("/door/locked", new OscArgument.Float32(0));
            assertThat(actions).as("actions").isLessThanOrEqualTo(60);
        }
    }

    /** One more send of the selected control; its address is what is written next. */
    private void send(String address) {
        click(cell("Message").getByLabel("Add send"));
        assertThat(cell("Message").getByLabel("Address")).isFocused();
        type(cell("Message").getByLabel("Address"), address);
    }

    /** One more send of the selected button, with one text. */
    private void fixedText(String address, String text) {
        send(address);
        choose(cell("Message").getByLabel("Argument 1", new Locator.GetByLabelOptions().setExact(true)), "fixed");
        choose(cell("Message").getByLabel("Type", new Locator.GetByLabelOptions().setExact(true)), "text (s)");
        type(cell("Message").getByLabel("Is", new Locator.GetByLabelOptions().setExact(true)), text);
        key("Enter");
    }
}
