package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.InetAddress;
import javax.jmdns.JmDNS;
import javax.jmdns.ServiceInfo;
import org.junit.jupiter.api.Test;

/** What announces itself is found and added with one press. */
class DiscoveryTest extends InstalledTest {

    @Test
    void whatAnnouncesItselfIsFoundAndAdded() throws Exception {
        int port = Ports.one();
        try (JmDNS voice = JmDNS.create(InetAddress.getLoopbackAddress(), "imperan-test")) {
            voice.registerService(ServiceInfo.create("_osc._udp.local.", "Lock gate", port, ""));
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/rig/machine"));
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Look for targets"))
                    .click();
            Locator found = page.locator("[data-service='Lock gate _osc._udp']");
            assertThat(found).containsText(":" + port);
            found.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add Lock gate"))
                    .click();
            assertThat(found).containsText("in the rig");
            page.navigate(imperan.url("/#/rig"));
            assertThat(page.locator("[data-target='Lock gate']")).containsText(":" + port);
            page.context().close();
        }
    }
}
