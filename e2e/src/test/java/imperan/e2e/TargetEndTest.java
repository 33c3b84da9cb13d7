package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import imperan.server.store.Keeper;
import imperan.show.PartId;
import imperan.show.Target;
import org.junit.jupiter.api.Test;

/** Where a target is reached, changed from a page by who plays it. */
class TargetEndTest extends InstalledTest {

    private static Target eddy() {
        return (Target) imperan.bean(Keeper.class)
                .show(imperan.show())
                .join()
                .part(new PartId("eddy"))
                .orElseThrow()
                .body();
    }

    @Test
    void theAddressOfATargetIsChangedWhilePlaying() {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout"));
        page.getByLabel("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Controls"))
                .click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Address").setExact(true))
                .press("Enter");
        page.locator("[data-build]").click();
        Locator touch = page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName("Touch").setExact(true));
        assertThat(touch).containsText("It still needs: which target");
        touch.getByLabel("Address of").click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Eddy").setExact(true))
                .click();
        assertThat(touch.locator("[data-finding=INCOMPLETE]")).hasCount(0);

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run"))
                .click();
        Locator address = page.getByLabel("Address", new Page.GetByLabelOptions().setExact(true));
        address.fill("10,24,8,42");
        address.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("did you mean 10.24.8.42?");
        page.getByText("Use 10.24.8.42").click();
        Desk.waitUntil("changed", () -> eddy().host().equals("10.24.8.42"));
        Locator port = page.getByLabel("Port", new Page.GetByLabelOptions().setExact(true));
        port.fill("7204");
        port.press("Enter");
        Desk.waitUntil("changed", () -> eddy().port() == 7204);
        // at performance time, too: a locked show is operated
        page.request()
                .put(
                        imperan.api("/lock"),
                        RequestOptions.create()
                                .setHeader("Imperan-Browser", "ben")
                                .setHeader("Content-Type", "application/json")
                                .setData("{\"locked\":true}"));
        port.fill("7304");
        port.press("Enter");
        Desk.waitUntil("changed", () -> eddy().port() == 7304);
        page.context().close();
    }
}
