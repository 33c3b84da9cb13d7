package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.standins.Fault;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A hand gets no answer, and is told why. */
class WhyTest {

    private Installation imperan;
    private Chromium chromium;
    private Page page;

    @BeforeEach
    void theDemoShow() {
        imperan = Installation.fresh();
        chromium = new Chromium();
        page = chromium.device("Ada");
    }

    @AfterEach
    void end() {
        chromium.close();
        imperan.close();
    }

    private void play() {
        page.navigate(imperan.url("/#/run/sound"));
        Hands.waitForRun(page);
        assertThat(Hands.control(page, "level-1")).hasAttribute("data-belief", "KNOWN");
    }

    private Locator mark() {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Why no answer?"));
    }

    private Locator panel() {
        return page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("Why no answer?"));
    }

    private Locator suspect(String name) {
        return panel().locator("[data-suspect=" + name + "]");
    }

    @Test
    void aDeskThatHearsNothingIsToldOfOnTheControlAndFindingOutGoesOnUntilItHears() {
        play();
        imperan.fault("Bellows", Fault.DEAF, true);
        Hands.drag(page, "level-1", 0.3, 0.6);
        mark().click();
        assertThat(panel()).containsText("/bellows/in/1/level");
        assertThat(panel()).containsText("to Bellows");
        assertThat(suspect("DEAF")).containsText("The program of Bellows does not take what we send");
        assertThat(suspect("OTHER_PORT")).isVisible();
        assertThat(panel()).containsText("From here they cannot be told apart");
        panel().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Find out"))
                .click();
        assertThat(panel().getByRole(AriaRole.PROGRESSBAR)).isVisible();
        imperan.fault("Bellows", Fault.DEAF, false);
        assertThat(suspect("DEAF")).isHidden();
        assertThat(panel()).containsText("Excluded");
        page.keyboard().press("Escape");
        // it was asked where it stands, and says so
        assertThat(mark()).isHidden();
    }

    @Test
    void anAnswerToTheWrongPortIsFoundByListeningThere() {
        play();
        imperan.fault("Bellows", Fault.TO_OTHER_PORT, true);
        Hands.drag(page, "level-1", 0.3, 0.6);
        mark().click();
        assertThat(suspect("OTHER_PORT")).containsText("Bellows answers to another port of this machine");
        panel().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Find out"))
                .click();
        assertThat(
                        panel().locator(
                                        "[data-rank=LIKELY] [data-suspect=OTHER_PORT], [data-rank=CERTAIN] [data-suspect=OTHER_PORT]"))
                .isVisible();
        assertThat(panel()).containsText("to our port " + (imperan.answerPort() + 1));
    }

    @Test
    void theCauseIsReadInLayoutAndInRigToo() {
        play();
        imperan.fault("Bellows", Fault.OTHER_ADDRESS, true);
        page.navigate(imperan.url("/#/layout/sound"));
        page.locator("[data-build=level-1]").click();
        Locator wire = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Wire"));
        wire.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send once"))
                .click();
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Answer"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Why?"))
                .click();
        assertThat(suspect("OTHER_ADDRESS")).containsText("The answer comes under another address");
        assertThat(panel()).containsText("The same value came as /elsewhere/bellows/in/1/level");
        page.keyboard().press("Escape");

        imperan.fault("Bellows", Fault.OTHER_ADDRESS, false);
        imperan.fault("Bellows", Fault.PORT_CLOSED, true);
        page.navigate(imperan.url("/#/rig"));
        page.locator("[data-target=Bellows]").getByText("Why no answer?").click();
        assertThat(panel().locator("[data-rank=CERTAIN]"))
                .containsText("No program is listening on the port of Bellows");
    }

    @Test
    void whatGoesWrongWhileTheShowPlaysIsWatchedUntilItIsWell() {
        play();
        Page desk = chromium.device("Bo");
        desk.navigate(imperan.url("/#/proof/watch"));
        assertThat(desk.getByText("No problem now")).isVisible();
        imperan.fault("Bellows", Fault.DEAF, true);
        Hands.drag(page, "level-1", 0.3, 0.6);
        Locator incident = desk.locator("[data-incident=NO_ANSWER]");
        assertThat(incident).containsText("Bellows");
        assertThat(incident).containsText("/bellows/in/1/level");
        assertThat(incident).containsText("Nothing came in time");
        assertThat(desk.getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Proof [12] problems?$"))))
                .isVisible();
        incident.getByText("Why?").click();
        assertThat(desk.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("Why no answer?")))
                .containsText("/bellows/in/1/level");
        desk.keyboard().press("Escape");

        imperan.fault("Bellows", Fault.DEAF, false);
        Hands.drag(page, "level-1", 0.6, 0.4);
        assertThat(incident).hasAttribute("data-over", "true");
        assertThat(desk.getByText("No problem now")).isVisible();
        desk.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin anew"))
                .click();
        assertThat(desk.getByText("Nothing went wrong.")).isVisible();
        assertThat(desk.getByText("The server does not answer")).hasCount(0);
    }
}
