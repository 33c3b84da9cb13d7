package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.List;
import org.junit.jupiter.api.Test;

/** After many controls were placed or learned: each real thing is moved once, and the one that follows lights up. */
class WalkThroughTest {

    @Test
    void whatFollowsLightsUpAndWhatNeverDidIsCounted() {
        try (Installation imperan = Installation.fresh();
                Chromium chromium = new Chromium();
                Page page = chromium.device("Ada")) {
            page.navigate(imperan.url("/#/layout/sound"));
            page.locator("[data-build=level-1]").click();
            for (String more : List.of("level-2", "level-3")) {
                page.locator("[data-build=" + more + "]")
                        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
            }
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Walk-through …"))
                    .click();
            Locator walk = page.getByRole(AriaRole.DIALOG);
            assertThat(walk).containsText("Nothing has followed yet");
            assertThat(walk).containsText("3 of 3 have not followed yet.");
            imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/2/level", new OscArgument.Float32(0.37f)));
            assertThat(walk.getByRole(AriaRole.STATUS)).containsText("/bellows/in/2/level");
            assertThat(walk.locator("[data-walk=moved]")).hasCount(1);
            assertThat(walk).containsText("2 of 3 have not followed yet.");
            imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/1/level", new OscArgument.Float32(0.37f)));
            imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/3/level", new OscArgument.Float32(0.37f)));
            assertThat(walk).containsText("All have followed.");
            walk.getByText("Start again").click();
            assertThat(walk.locator("[data-walk=still]")).hasCount(3);
        }
    }
}
