package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInfo;
import org.junit.jupiter.api.extension.ExtendWith;

/** A class of tests that prove the demo show, fresh for each of them. */
@ExtendWith(SeenAtFailure.class)
abstract class Proving {

    /** A rack that reports once a second has to be waited for, line by line. */
    private static final double LONG_MS = 120_000;

    Installation imperan;
    Chromium chromium;
    Page page;

    @BeforeEach
    void theDemoShow(TestInfo test) {
        imperan = Installation.of(test.getTestClass().orElseThrow());
        chromium = new Chromium();
        page = chromium.device("Ada");
    }

    @AfterEach
    void end() {
        chromium.close();
        imperan.close();
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    void choose(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    void station() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Proof")))
                .click();
    }

    Locator heading(String text) {
        return page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(text).setExact(true));
    }

    void waitForTheEnd() {
        assertThat(button("Open report")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(LONG_MS));
    }

    void answering(String... devices) {
        page.navigate(imperan.url("/#/rig"));
        for (String name : devices) {
            assertThat(page.locator("[data-target=" + name + "] [data-link-state=answering]"))
                    .isVisible();
        }
    }

    Map<String, String> standing() {
        return Standing.at(imperan.pictures());
    }
}
