package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.DatagramSocket;
import java.net.InetAddress;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Addresses and ports, typed rightly and wrongly. */
class RigTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
        page.navigate(imperan.url("/#/rig"));
        assertThat(page.locator("[data-target=Bellows] [data-link-state=answering]"))
                .isVisible();
    }

    /** A field of a target, whose settings are opened first. */
    private static Locator field(String target, String label) {
        Locator settings = page.getByLabel("Settings of " + target, new Page.GetByLabelOptions().setExact(true));
        if ("false".equals(settings.getAttribute("aria-expanded"))) {
            settings.click();
        }
        return page.locator("[data-target='" + target + "']")
                .getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Address | 127,0,0,1 | 127,0,0,1 has commas; did you mean 127.0.0.1?",
                "It receives on port | 70000 | 70000 is not a port: ports run from 1 to 65535",
                "Answers reach us on port | 0 | 0 is not a port",
                "It receives on port | 71o1 | “71o1” is not a whole number",
                "Name | '' | A name is needed",
            })
    void whatIsWrongIsRefusedBesideItsField(String label, String text, String words) {
        Locator field = field("Bellows", label);
        String before = field.inputValue();
        field.fill(text);
        field.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText(words);
        assertThat(field).hasAttribute("aria-invalid", "true");
        assertThat(page.locator("[data-target=Bellows] [data-link-state=answering]"))
                .isVisible();
        field.press("Escape");
        assertThat(field).hasValue(before);
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    @Test
    void theMendIsOnePress() {
        Locator field = field("Bellows", "Address");
        field.fill("127,0,0,1");
        field.press("Enter");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Use 127.0.0.1"))
                .click();
        assertThat(field).hasValue("127.0.0.1");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    @Test
    void aPortThatAnotherProgramHasIsSaidAndTakenOnceItIsFree() throws Exception {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add target"))
                .click();
        int port;
        try (DatagramSocket other = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            port = other.getLocalPort();
            field("Target 6", "Answers reach us on port").fill(String.valueOf(port));
            field("Target 6", "Answers reach us on port").press("Enter");
            assertThat(page.locator("[data-target='Target 6']"))
                    .containsText("Port " + port + " on this machine is taken by another program");
        }
        assertThat(page.locator("[data-target='Target 6'] [data-link-state=idle]"))
                .isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Remove Target 6"))
                .click();
        assertThat(page.locator("[data-target]")).hasCount(5);
    }

    @Test
    void aChangeIsThereAfterAReloadAndInOtherBrowsers() {
        field("Bellows", "Name").fill("Desk");
        field("Bellows", "Name").press("Enter");
        assertThat(page.locator("[data-target=Desk]")).isVisible();
        Page other = chromium.device("Ben");
        other.navigate(imperan.url("/#/rig"));
        assertThat(other.locator("[data-target=Desk]")).isVisible();
        field("Desk", "Name").fill("Bellows");
        field("Desk", "Name").press("Enter");
        assertThat(other.locator("[data-target=Bellows]")).isVisible();
        other.context().close();
    }
}
