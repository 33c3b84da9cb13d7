package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

/** Controls that are pressed by keys of a keyboard, alone and with others held, by place and by letter. */
class KeysTest extends InstalledTest {

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aChordIsCaughtByItsPlaceAndPressesOnlyInRun() {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout"));
        page.getByLabel("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
        button(page, "Type or paste addresses …").click();
        page.getByRole(AriaRole.DIALOG).getByLabel("Addresses", new Locator.GetByLabelOptions().setExact(true)).fill("/bellows/in/6/mute 1");
        page.getByRole(AriaRole.DIALOG).getByText("Place 1 line").click();
        page.locator("[data-build]").click();
        Locator touch = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Touch").setExact(true));
        touch.getByText("Behaviour").click();
        Locator key = touch.getByLabel("Keyboard key");
        key.fill("Hyper+g");
        key.press("Enter");
        assertThat(touch.getByRole(AriaRole.ALERT)).containsText("“Hyper” cannot be held with a key");
        key.press("Escape");
        button(page, "Press it …").click();
        page.keyboard().press("Control+Shift+G");
        assertThat(key).hasValue("Ctrl+Shift+[KeyG]");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Touch")).click();
        page.keyboard().press("Control+Shift+G");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run")).click();
        Hands.waitForRun(page);
        page.keyboard().press("g");
        page.keyboard().press("Control+Shift+G");
        desk.waitForMute("in/6", 1);
        page.context().close();
    }
}
