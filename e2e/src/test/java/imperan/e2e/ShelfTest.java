package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import imperan.osc.OscArgument;
import imperan.standins.Announcement;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

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
        pointer.click(button(page, "Go live …"));
        pointer.click(page.getByRole(AriaRole.ALERTDIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Go live")));
        assertThat(page.getByText("No target yet")).isVisible();
        pointer.click(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("This machine")));
        pointer.click(button(page, "Look for targets"));
        pointer.click(page.locator("[data-service^=Bellows]")
                .filter(new Locator.FilterOptions()
                        .setHasText(":" + imperan.post("Bellows").port()))
                .getByRole(AriaRole.BUTTON));
        pointer.click(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Layout")));
        pointer.click(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Strips").setExact(true))
                .first());
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
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("mute 8"))
                .click();
        desk.waitForMute("in/8", 1);
        assertThat(third).hasAttribute("aria-valuenow", "100");
    }

    @Test
    void aPanoramaBecomesKnobsThatHoldInTheMiddleAndShowTheirValueWhereTheyAreSmall() {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add page"))
                .click();
        assertThat(page.getByText("An empty page.")).isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("/pan").setExact(true))
                .first()
                .press("Enter");
        assertThat(page.locator("[data-build]")).hasCount(8);
        BoundingBox knob = page.locator(".knob").first().boundingBox();
        BoundingBox value =
                page.locator(".knob-room + .readings-line .reading-out").first().boundingBox();
        assertThat(value.x > knob.x + knob.width || value.y > knob.y + knob.height)
                .isTrue();
        page.locator("[data-build]").first().click();
        assertThat(page.getByLabel("Detent")).hasText("in the middle");

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run"))
                .click();
        Hands.waitForRun(page);
        Locator slider = page.getByRole(AriaRole.SLIDER).first();
        slider.press("PageUp");
        assertThat(slider).hasAttribute("aria-valuetext", Pattern.compile("^0[.]20.*"));
        BoundingBox box = slider.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2 + 15, new Mouse.MoveOptions().setSteps(30));
        assertThat(slider).hasAttribute("aria-valuetext", Pattern.compile("^0[.]00.*"));
        page.mouse().up();
        Desk.waitUntil(
                "pan in the middle",
                () -> Math.abs(((OscArgument.Float32) desk.ask("/bellows/in/1/pan")).value()) < 0.001);
        page.context().close();
    }
}
