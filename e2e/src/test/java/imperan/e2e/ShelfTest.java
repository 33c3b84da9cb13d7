package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.standins.Announcement;
import org.junit.jupiter.api.Test;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

/** From a phrasebook to controls that play. */
class ShelfTest extends InstalledTest {

    /** Clicks of a hand, counted. */
    private static final class Pointer {
        private int actions;

        void click(Locator locator) {
            locator.click();
            actions++;
        }
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void fromAnEmptyShowToEightStripsThatPlayInUnderTwelveClicks() throws Exception {
        Announcement announced = imperan.announced();
        try {
            Page page = chromium.device("Ada");
            build(page);
            play(page);
            page.context().close();
        } finally {
            announced.close();
        }
    }

    private static void build(Page page) {
        page.navigate(imperan.url("/#/shows"));
        Pointer pointer = new Pointer();
        pointer.click(page.getByText("New show"));
        Locator fresh = page.locator("[data-show^='Show ']");
        pointer.click(fresh.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Go live")));
        pointer.click(page.getByRole(AriaRole.ALERTDIALOG).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Go live")));
        assertThat(page.getByText("No target yet")).isVisible();
        pointer.click(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("This machine")));
        pointer.click(button(page, "Look for targets"));
        pointer.click(page.locator("[data-service^=Bellows]").filter(new Locator.FilterOptions()
                .setHasText(":" + imperan.post("Bellows").port())).getByRole(AriaRole.BUTTON));
        pointer.click(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Layout")));
        pointer.click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Strips").setExact(true)).first());
        pointer.click(button(page, "Place 8 strips on a new page"));
        pointer.click(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run")));
        Hands.waitForRun(page);
        assertThat(pointer.actions).isLessThan(12);
    }

    /** The strips play, and show what the desk says. */
    private static void play(Page page) {
        assertThat(page.getByRole(AriaRole.SLIDER)).hasCount(8);
        assertThat(page.getByRole(AriaRole.METER)).hasCount(8);
        assertThat(page.getByText("Wheel").first()).isVisible();
        Locator third = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("level 3"));
        third.focus();
        third.press("End");
        desk.waitForLevel("in/3", 1);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("mute 8")).click();
        desk.waitForMute("in/8", 1);
        assertThat(third).hasAttribute("aria-valuenow", "100");
    }
}
