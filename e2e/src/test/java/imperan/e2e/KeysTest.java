package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** Controls that are pressed by keys of a keyboard, alone and with others held, by place and by letter. */
class KeysTest extends InstalledTest {

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aChordIsCaughtByItsPlaceAndPressesOnlyInRun() {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout"));
        page.getByLabel("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
        button(page, "Type or paste addresses …").click();
        page.getByRole(AriaRole.DIALOG)
                .getByLabel("Addresses", new Locator.GetByLabelOptions().setExact(true))
                .fill("/bellows/in/6/mute 1");
        page.getByRole(AriaRole.DIALOG).getByText("Place 1 line").click();
        page.locator("[data-build]").click();
        Locator touch = page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName("Touch").setExact(true));
        touch.getByText("Behaviour").click();
        Locator key = touch.getByLabel("Keyboard key");
        key.fill("Hyper+g");
        key.press("Enter");
        assertThat(touch.getByRole(AriaRole.ALERT)).containsText("“Hyper” cannot be held with a key");
        key.press("Escape");
        button(page, "Press it …").click();
        page.keyboard().press("Control+Shift+G");
        assertThat(key).hasValue("Ctrl+Shift+[KeyG]");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Touch"))
                .click();
        page.keyboard().press("Control+Shift+G");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run"))
                .click();
        Hands.waitForRun(page);
        page.keyboard().press("g");
        page.keyboard().press("Control+Shift+G");
        desk.waitForMute("in/6", 1);
        page.context().close();
    }

    /** A game controller as the W3C's "Gamepad" shows it to a page: in place of one that nobody can plug in here. */
    private static final String CONTROLLER =
            """
            window.pad = { index: 0, id: 'A controller', buttons: [{ pressed: false }, { pressed: false }], axes: [0, 0] };
            navigator.getGamepads = () => [window.pad, null, null, null];
            """;

    @Test
    void aButtonOfAGameControllerPressesAndItsStickMoves() {
        Page page = chromium.device("Ada");
        page.addInitScript(CONTROLLER);
        page.navigate(imperan.url("/#/layout"));
        page.getByLabel("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
        button(page, "Type or paste addresses …").click();
        page.getByRole(AriaRole.DIALOG)
                .getByLabel("Addresses", new Locator.GetByLabelOptions().setExact(true))
                .fill("/bellows/in/7/mute 1\n/bellows/in/7/level");
        page.getByRole(AriaRole.DIALOG).getByText("Place 2 lines").click();
        Locator touch = page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName("Touch").setExact(true));
        page.locator("[data-build]").first().click();
        touch.getByText("Behaviour").click();
        button(page, "Press it …").click();
        page.evaluate("pad.buttons[1].pressed = true");
        assertThat(touch.getByLabel("Keyboard key")).hasValue("[Gamepad1Button2]");
        page.evaluate("pad.buttons[1].pressed = false");
        page.locator("[data-build]").last().click();
        touch.getByText("Behaviour").click();
        button(page, "Press it …").click();
        page.evaluate("pad.axes = [0, -1]");
        assertThat(touch.getByLabel("Keyboard key")).hasValue("[Gamepad1Stick1]");
        page.evaluate("pad.axes = [0, 0]");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run"))
                .click();
        Hands.waitForRun(page);
        page.evaluate("pad.buttons[1].pressed = true");
        desk.waitForMute("in/7", 1);
        assertThat(page.getByLabel("This device lends")).hasText("game controller 1");
        page.evaluate("pad.axes = [0, -1]");
        desk.waitForLevel("in/7", 1);
        page.evaluate("pad.axes = [0.1, 1]");
        desk.waitForLevel("in/7", 0);
        page.context().close();
    }
}
