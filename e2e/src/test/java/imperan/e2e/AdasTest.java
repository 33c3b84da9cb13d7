package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;

/** A class of tests in which Ada sits at one browser, new for each test, and what her hands do is counted. */
abstract class AdasTest extends InstalledTest {

    Page page;
    /** Clicks, keys and texts so far. */
    int actions;

    @BeforeEach
    void open() {
        page = chromium.device("Ada");
    }

    @AfterEach
    void close() {
        page.context().close();
    }

    void click(Locator locator) {
        locator.click();
        actions++;
    }

    void type(Locator field, String text) {
        field.fill(text);
        field.press("Enter");
        actions++;
    }

    void press(String key) {
        page.keyboard().press(key);
        actions++;
    }

    void choose(Locator select, String option) {
        click(select);
        click(page.getByRole(
                AriaRole.OPTION, new Page.GetByRoleOptions().setName(option).setExact(true)));
    }

    Locator button(String name) {
        return button(page, name);
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static Locator exactly(Locator in, String label) {
        return in.getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    /** A row of the list of cues. */
    Locator row(String number) {
        return page.locator("[data-cue='" + number + "']");
    }
}
