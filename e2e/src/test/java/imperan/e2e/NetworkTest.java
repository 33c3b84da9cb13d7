package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.standins.Fault;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The rig as a programmer meets it in the afternoon: findings, hosts, links that fail, hold, start lists, packets of nobody. */
class NetworkTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
    }

    @BeforeEach
    void openTheRig() {
        page.navigate(imperan.url("/#/rig"));
        assertThat(target("Bellows").locator("[data-link-state=answering]")).isVisible();
    }

    private static Locator target(String name) {
        return page.locator("[data-target='" + name + "']");
    }

    private static void becomes(String name, String state) {
        assertThat(target(name).locator("[data-link-state='" + state + "']")).isVisible();
    }

    private static Locator button(Locator in, String name) {
        return in.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private static Locator gate(String target, String word) {
        return page.getByLabel("Output to " + target, new Page.GetByLabelOptions().setExact(true))
                .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(word));
    }

    @Test
    void aFindingIsMendedByOnePressOrAcceptedWithAReason() {
        page.navigate(imperan.url("/#/rig/hosts"));
        Locator same = page.locator("[data-finding=SAME_ADDRESS]");
        assertThat(same).containsText("Spare desk and Wheelhouse desk both have 10.24.8.20");
        button(same, "Accept …").click();
        page.getByLabel("Why (others will read it)").fill("never on at once");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        assertThat(same).containsText("Accepted by Ada: never on at once");
        Locator given = page.locator("[data-finding=IN_GIVEN_RANGE]");
        button(given, "Give Wall panel 10.24.8.200").click();
        assertThat(given).hasCount(0);
        assertThat(page.locator("[data-host='Wall panel']").getByLabel("Address"))
                .hasValue("10.24.8.200");
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Stations")))
                .not()
                .containsText("finding");
        button(same, "Reopen").click();
        assertThat(same).hasAttribute("data-accepted", "false");
    }

    @Test
    void aHostTakesItsTargetAlongAndANewOneGetsAFreeAddress() {
        page.navigate(imperan.url("/#/rig/hosts"));
        Locator address = page.locator("[data-host='Stair rack']").getByLabel("Address");
        address.fill("10,24,8,60");
        address.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("10,24,8,60 has commas");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Use 10.24.8.60"))
                .click();
        assertThat(page.locator("[data-host='Stair rack']")).containsText("Keel");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add host"))
                .click();
        assertThat(page.locator("[data-host='Host 11']").getByLabel("Address"))
                .hasValue(Pattern.compile("10\\.24\\.8\\.(61|201)"));
        page.getByLabel("Remove Host 11").click();
        page.navigate(imperan.url("/#/rig/sheet"));
        assertThat(page.locator("[data-sheet=Keel]")).containsText("10.24.8.60:7105");
    }

    @Test
    void aDeafDeskIsLostAndAConnectionThatIsRefusedIsTriedAgain() {
        imperan.fault("Bellows", Fault.DEAF, true);
        becomes("Bellows", "lost");
        imperan.fault("Bellows", Fault.DEAF, false);
        becomes("Bellows", "answering");
        becomes("Keel", "answering");
        imperan.fault("Keel", Fault.PORT_CLOSED, true);
        becomes("Keel", "not connected");
        assertThat(target("Keel")).containsText("it is tried again by itself");
        imperan.fault("Keel", Fault.PORT_CLOSED, false);
        becomes("Keel", "answering");
        page.getByLabel("Settings of Keel").click();
        assertThat(target("Keel").getByLabel("Link log")).containsText("lost: No connection to 127.0.0.1");
    }

    @Test
    void whatIsHeldIsShownAndNotSent() {
        gate("Bellows", "held").click();
        page.navigate(imperan.url("/#/run"));
        page.locator("[data-control=level-1]").waitFor();
        float before = desk.level("in/1");
        Hands.drag(page, "level-1", 0, 0.9);
        page.navigate(imperan.url("/#/wire"));
        assertThat(page.locator("[data-wire=out]")
                        .filter(new Locator.FilterOptions().setHasText("held, not sent"))
                        .first())
                .isVisible();
        assertThat(desk.level("in/1")).isEqualTo(before);
        page.navigate(imperan.url("/#/rig"));
        gate("all targets", "sends").click();
        assertThat(gate("Bellows", "sends")).hasAttribute("data-state", "on");
    }

    @Test
    void oneKeyHoldsEverythingAndAStartListIsOfferedBeforeItIsLetGo() {
        page.keyboard().press("h");
        assertThat(gate("all targets", "held")).hasAttribute("data-state", "on");
        page.navigate(imperan.url("/#/run"));
        assertThat(page.getByLabel("Targets not reached")).containsText("Bellows: held.");
        page.navigate(imperan.url("/#/rig"));
        gate("Eddy", "sends").click();
        Locator dialog = page.getByRole(AriaRole.ALERTDIALOG);
        assertThat(dialog).containsText("/eddy/turbulence 0.2");
        imperan.post("Eddy").byHand(OscMessage.of("/eddy/turbulence", new OscArgument.Float32(0.9f)));
        button(dialog, "Release and send").click();
        Desk.waitUntil("calm water", () -> imperan.post("Eddy")
                .picture()
                .get("turbulence")
                .toString()
                .startsWith("0.2"));
        assertThat(gate("Eddy", "sends")).hasAttribute("data-state", "on");
        // the key holds all first, and lets go only where everything is held
        page.keyboard().press("h");
        assertThat(gate("all targets", "held")).hasAttribute("data-state", "on");
        page.keyboard().press("h");
        button(dialog, "Release only").click();
        assertThat(gate("all targets", "sends")).hasAttribute("data-state", "on");
    }

    @Test
    void aTargetThatCameBackIsOfferedItsStartListOverEveryScreen() {
        page.getByLabel("Settings of Bellows").click();
        Locator list = target("Bellows").getByLabel("Start list of Bellows");
        list.getByLabel("Another message of the start list").fill("/bellows/in/9/level 0.375");
        list.getByLabel("Another message of the start list").press("Enter");
        imperan.fault("Bellows", Fault.DEAF, true);
        becomes("Bellows", "lost");
        imperan.fault("Bellows", Fault.DEAF, false);
        page.navigate(imperan.url("/#/run"));
        Locator offer = page.getByLabel("Targets that are back").getByText("Bellows is back");
        offer.click();
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).containsText("/bellows/in/9/level 0.375");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send start list"))
                .click();
        Desk.waitUntil("level 9 as the start list says", () -> desk.level("in/9") == 0.375f);
        assertThat(offer).hasCount(0);
        page.navigate(imperan.url("/#/rig"));
        page.getByLabel("Settings of Bellows").click();
        button(list, "Remove /bellows").click();
        assertThat(list).containsText("Empty");
    }

    @Test
    void bundlesForATargetThatTakesNoneAreMendedByOnePress() {
        page.getByLabel("Settings of Wick").click();
        target("Wick").getByLabel("Send in bundles").click();
        Locator finding = target("Wick").locator("[data-finding=BUNDLES_NOT_TAKEN]");
        assertThat(finding).containsText("by its link sheet it takes none");
        button(finding, "Send them one by one").click();
        assertThat(finding).hasCount(0);
        assertThat(target("Wick").getByLabel("Send in bundles")).not().isChecked();
    }

    @Test
    void theSheetSaysFieldByFieldWhatTheNetworkShows() {
        page.navigate(imperan.url("/#/rig/sheet"));
        Locator bellows = page.locator("[data-sheet=Bellows]");
        assertThat(bellows.locator("[data-verdict=AGREES]")
                        .filter(new Locator.FilterOptions().setHasText("keep-alive")))
                .containsText("answered");
        assertThat(bellows.locator("[data-verdict=NOT_SEEN]")).containsText("10.24.8.20:7101: its stand-in");
    }

    @Test
    void theStepsToAProvenLinkAreTickedByEyesAndByHands() {
        // the desk once more, as a target to which nothing has been sent yet
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add target"))
                .click();
        Locator fresh = target("Target 6");
        fresh.getByLabel("It receives on port")
                .fill(String.valueOf(imperan.post("Bellows").port()));
        fresh.getByLabel("It receives on port").press("Enter");
        String answerPort = fresh.getByLabel("Answers reach us on port").inputValue();
        Locator steps = fresh.getByLabel("Steps to a proven link to Target 6");
        steps.getByLabel("its OSC input is switched on").click();
        assertThat(steps.locator("[data-step=OTHER_END_SWITCHED_ON]")).containsText("Ada, ");
        steps.getByLabel("Far end set to reply to").click();
        assertThat(steps.locator("[data-step=ANSWER_PORT_TOLD]")).containsText("127.0.0.1:" + answerPort);
        steps.getByLabel("Test message").fill("bellows main");
        button(steps, "Send").click();
        assertThat(steps.getByRole(AriaRole.ALERT)).containsText("begins with a slash");
        steps.getByLabel("Test message").fill("/bellows/main/level");
        button(steps, "Send").click();
        becomes("Target 6", "receiving");
        assertThat(steps.locator("[data-step=RECEIVED]")).hasAttribute("data-done", "true");
        steps.getByLabel("Versions of the program").fill("3.1");
        steps.getByLabel("Versions of the program").press("Enter");
        assertThat(steps.locator("[data-step=VERSION_NOTED]")).containsText("3.1");
        assertThat(steps).containsText("6 of 7");
        page.getByLabel("Remove Target 6").click();
    }

    @Test
    void aStartListIsWrittenSentAndHeard() {
        page.getByLabel("Settings of Wick").click();
        Locator list = target("Wick").getByLabel("Start list of Wick");
        list.getByLabel("Another message of the start list").fill("wick/lantern/5/level 200");
        list.getByLabel("Another message of the start list").press("Enter");
        assertThat(list.getByRole(AriaRole.ALERT)).containsText("begins with a slash");
        list.getByLabel("Another message of the start list").fill("/wick/lantern/5/level 200");
        list.getByLabel("Another message of the start list").press("Enter");
        assertThat(list.getByText("/wick/lantern/5/level 200", new Locator.GetByTextOptions().setExact(true)))
                .isVisible();
        button(list, "Send start list").click();
        page.getByRole(AriaRole.ALERTDIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send"))
                .click();
        Desk.waitUntil(
                "lantern 5 at 200",
                () -> imperan.post("Wick").picture().toString().contains("level=0.78"));
        button(list, "Remove /wick").click();
        assertThat(list).containsText("Empty");
    }

    @Test
    void ourOwnAnswerPortAsTheirsIsAFindingWithARemedy() {
        page.getByLabel("Settings of Eddy").click();
        Locator port = target("Eddy").getByLabel("It receives on port");
        String before = port.inputValue();
        port.fill(String.valueOf(imperan.answerPort() + 3));
        port.press("Enter");
        assertThat(target("Eddy").locator("[data-finding=OUR_OWN_PORT]")).containsText("we would hear what we send");
        port.fill(before);
        port.press("Enter");
        assertThat(target("Eddy").locator("[data-finding]")).hasCount(0);
    }

    @Test
    void crosswisePortsAreSuspectedAndSwappedByOnePress() {
        page.getByLabel("Settings of Eddy").click();
        String theirs = target("Eddy").getByLabel("It receives on port").inputValue();
        String ours = target("Eddy").getByLabel("Answers reach us on port").inputValue();
        // a free number first, for a target may not receive where we listen
        target("Eddy").getByLabel("Answers reach us on port").fill(theirs);
        target("Eddy").getByLabel("Answers reach us on port").press("Enter");
        target("Eddy").getByLabel("It receives on port").fill(ours);
        target("Eddy").getByLabel("It receives on port").press("Enter");
        Locator finding = target("Eddy").locator("[data-finding=SWAPPED_PORTS]");
        button(finding, "Swap " + ours + " and " + theirs).click();
        assertThat(target("Eddy").getByLabel("It receives on port")).hasValue(theirs);
        assertThat(target("Eddy").getByLabel("Answers reach us on port")).hasValue(ours);
    }

    @Test
    void whatNobodyClaimsCanBeTakenAsATarget() throws Exception {
        try (DatagramSocket stranger = new DatagramSocket(0, InetAddress.getByName("127.0.0.77"))) {
            byte[] packet = OscEncoder.encode(OscMessage.of("/tide/level", new OscArgument.Float32(0.5f)));
            stranger.send(
                    new DatagramPacket(packet, packet.length, InetAddress.getLoopbackAddress(), imperan.answerPort()));
            page.navigate(imperan.url("/#/rig/machine"));
            Locator stray = page.locator("[data-stray='127.0.0.77:" + stranger.getLocalPort() + "']");
            assertThat(stray).containsText("/tide/level");
            button(stray, "Add as a new target").click();
            assertThat(stray).hasCount(0);
            page.navigate(imperan.url("/#/rig"));
            assertThat(page.locator("[data-target='127.0.0.77']")).isVisible();
            page.getByLabel("Settings of 127.0.0.77").click();
            page.getByLabel("Remove 127.0.0.77").click();
        }
    }

    @Test
    void theSheetIsATableOthersCanOpen() {
        String csv = Chromium.get(page, imperan.api("/rig-sheet.csv")).text();
        assertThat(csv)
                .startsWith("name,host,address,prefix,it receives on port")
                .contains("Bellows,Wheelhouse desk,10.24.8.20,/24,7101,UDP,127.0.0.1," + imperan.answerPort()
                        + ",/bellows/stay every 3.0 s");
        assertThat(csv.lines()).hasSizeGreaterThanOrEqualTo(9);
    }
}
