package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

import java.nio.file.Path;
import java.util.List;

/** The pictures of docs/screenshots, made by {@code ./imperan shots}. Not a test: it asserts nothing about them. */
@EnabledIfSystemProperty(named = "imperan.shots", matches = ".+")
class Screenshots {

    @Test
    void mainViews() {
        Path folder = Path.of(System.getProperty("imperan.shots"));
        try (Installation imperan = new Installation(); Chromium chromium = new Chromium()) {
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/rig"));
            page.locator("[data-link-state=answering]").waitFor();
            shot(page, folder, "rig");

            page.navigate(imperan.url("/#/run"));
            page.locator("[data-control=level-1][data-belief=KNOWN]").waitFor();
            for (int strip = 1; strip <= 9; strip++) {
                Hands.drag(page, "level-" + strip, 0.05, 0.2 + 0.07 * ((strip * 5) % 9));
            }
            page.locator("[data-control=mute-4] [role=button]").click();
            page.locator("[data-control=mute-4][data-lit=true]").waitFor();
            shot(page, folder, "run");

            page.navigate(imperan.url("/#/layout"));
            page.locator("[data-build=level-3]").click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send once")).click();
            page.getByText("agrees").waitFor();
            shot(page, folder, "build");
            for (String more : new String[] {"level-4", "level-5", "mute-4", "mute-5"}) {
                page.locator("[data-build=" + more + "]").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
            }
            page.getByText("5 selected").waitFor();
            shot(page, folder, "build-several");
            page.keyboard().press("?");
            page.getByRole(AriaRole.DIALOG).waitFor();
            shot(page, folder, "keys");
            page.keyboard().press("Escape");

            page.navigate(imperan.url("/#/wire"));
            page.locator("[data-wire=in]").first().waitFor();
            shot(page, folder, "wire");

            page.navigate(imperan.url("/#/rig"));
            page.locator("[data-target=Bellows]").getByLabel("Address").fill("127,0,0,1");
            page.keyboard().press("Enter");
            page.getByRole(AriaRole.ALERT).waitFor();
            shot(page, folder, "rig-refused");
            page.keyboard().press("Escape");

            page.navigate(imperan.url("/#/history"));
            page.getByLabel("Name of the keep point").fill("Before the first walk");
            page.getByText("Keep this version").click();
            page.locator("[data-keep-point]").waitFor();
            shot(page, folder, "history");

            page.navigate(imperan.url("/#/shows"));
            page.getByText("Duplicate").click();
            page.locator("[data-show='The Salt Clock (2)']").waitFor();
            page.getByLabel("Switch to the day theme").click();
            shot(page, folder, "shows-day");

            page.navigate(imperan.url("/#/run"));
            page.locator("[data-control=level-1][data-belief=KNOWN]").waitFor();
            shot(page, folder, "run-day");
        }
    }

    private static void shot(Page page, Path folder, String name) {
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
