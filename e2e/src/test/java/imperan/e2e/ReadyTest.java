package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.standins.Fault;
import java.io.IOException;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Twenty minutes before doors: one page that says what is not ready. */
class ReadyTest {

    private Page page;

    private Locator question(String name) {
        return page.locator("[data-question=" + name + "]");
    }

    private void again() {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Check again"))
                .click();
    }

    @Test
    void onePageSaysWhatIsNotReadyAndLeadsThere() {
        try (Installation imperan = Installation.own();
                Chromium chromium = new Chromium()) {
            page = chromium.device("Ada");
            page.navigate(imperan.url("/#/rig"));
            for (String name : new String[] {"Bellows", "Wick", "Keel"}) {
                assertThat(page.locator("[data-target=" + name + "] [data-link-state=answering]"))
                        .isVisible();
            }
            imperan.fault("Wick", Fault.PORT_CLOSED, true);
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Proof")))
                    .click();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Ready check"))
                    .click();
            assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Not ready")))
                    .isVisible();
            assertThat(question("AT_VENUE")).hasAttribute("data-ready", "false");
            assertThat(question("AT_VENUE")).containsText("0 of 5");
            assertThat(question("FINDINGS")).hasAttribute("data-ready", "false");
            assertThat(question("FINDINGS")).containsText("Spare desk and Wheelhouse desk both have 10.24.8.20");
            assertThat(question("FINDINGS")).not().containsText("Wall panel");
            assertThat(question("OPEN")).hasAttribute("data-ready", "true");

            assertThat(question("ANSWERING")).containsText("4 of 5");
            assertThat(question("ANSWERING")).containsText("No program is listening on its port");
            // each question is seen at once; what does not fit is there when somebody asks for it
            Locator unproved = question("PROVED").getByRole(AriaRole.LINK);
            assertThat(unproved).hasCount(5);
            question("PROVED")
                    .getByRole(
                            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("more: show all$")))
                    .click();
            assertThat(unproved.nth(100)).isVisible();
            question("PROVED")
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Only the first 5"))
                    .click();
            assertThat(unproved).hasCount(5);

            imperan.fault("Wick", Fault.PORT_CLOSED, false);
            again();
            assertThat(question("ANSWERING")).hasAttribute("data-ready", "true");

            page.navigate(imperan.url("/#/rig"));
            Locator held = page.getByLabel("Output to all targets", new Page.GetByLabelOptions().setExact(true))
                    .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("held"));
            held.click();
            assertThat(held).hasAttribute("data-state", "on");
            page.navigate(imperan.url("/#/proof/ready"));
            assertThat(question("OPEN")).containsText("0 of 5");
            assertThat(question("OPEN")).containsText("Held: nothing is sent by hand");
            again();
            question("OPEN").getByText("Bellows").click();
            assertThat(page).hasURL(Pattern.compile("#/rig$"));

            // nobody takes for ready what was ready before
            page.navigate(imperan.url("/#/proof/ready"));
            assertThat(question("OPEN")).isVisible();
            imperan.stopServer();
            again();
            assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Not known now")))
                    .isVisible();
        }
    }

    /** As when a show was brought to another machine in a file: sounds do not travel in it. */
    @Test
    void aSoundThatNobodyPlaysAndOneThatIsNotHereAreSaid() throws IOException {
        try (Installation imperan = Installation.own();
                Chromium chromium = new Chromium()) {
            page = chromium.device("Ada");
            page.navigate(imperan.url("/#/proof/ready"));
            assertThat(question("SOUNDING"))
                    .containsText("No device plays its sound: press “Sound here” on the one that is to play it");
            question("SOUNDING")
                    .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Tide song"))
                    .click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sound here"))
                    .click();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Silence here")))
                    .isVisible();
            page.navigate(imperan.url("/#/proof/ready"));
            assertThat(question("SOUNDING")).hasAttribute("data-ready", "true");
            imperan.loseSounds();
            again();
            assertThat(question("SOUNDING"))
                    .containsText("Its sound “tide-song.wav” is not on this server: load it again under Edit");

            // a device that was to play it and cannot is not counted among those that do
            // (one that has the sound already would take its place)
            page.navigate(imperan.url("/#/cues/tide-song"));
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Silence here"))
                    .click();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sound here")))
                    .isVisible();
            Page other = chromium.device("Ben");
            other.navigate(imperan.url("/#/cues/tide-song"));
            Locator sound = other.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sound here"));
            sound.click();
            assertThat(other.getByRole(AriaRole.ALERT)).containsText("The sound is not on this server");
            assertThat(sound).isVisible();
            Desk.waitUntil(
                    "nobody plays it",
                    () -> Chromium.get(page, imperan.api("/tracks")).text().contains("\"speaker\":null"));
        }
    }
}
