package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What one target says drives another one, as somebody sets it up. */
class ForwardsTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
        page.navigate(imperan.url("/#/rig"));
        assertThat(page.locator("[data-target=Bellows] [data-link-state=answering]"))
                .isVisible();
    }

    private static Locator card(String name) {
        return page.locator("[data-forward='" + name + "']");
    }

    private static int heard(Locator card) {
        Matcher heard = Pattern.compile("heard (\\d+)").matcher(card.innerText());
        return heard.find() ? Integer.parseInt(heard.group(1)) : 0;
    }

    private static void type(Locator in, String label, String text) {
        Locator field = in.getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
        field.fill(text);
        field.press("Enter");
        assertThat(in.getByText("Saved").first()).isVisible();
    }

    private static void choose(Locator in, String label, String option) {
        in.getByLabel(label, new Locator.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    /** A level of the desk dims a lantern: scaled, rounded, and seen to be taken. */
    @Test
    void aDeskLevelDimsALantern() {
        page.navigate(imperan.url("/#/lines/forwards"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add forward"))
                .click();
        Locator card = card("Forward 2");
        choose(card.getByLabel("Heard"), "When", "Bellows");
        type(card.getByLabel("Heard"), "says", "/bellows/main/lvel");
        card.getByText("Use /bellows/main/level").first().click();
        assertThat(card.getByLabel("Heard").getByLabel("says")).hasValue("/bellows/main/level");
        type(card, "Steps", "scale 0 1 to 0 255 | rond 1");
        Locator steps = card.getByLabel("Steps", new Locator.GetByLabelOptions().setExact(true));
        assertThat(card.getByRole(AriaRole.ALERT)).isVisible();
        steps.fill("scale 0 1 to 0 255");
        steps.press("Enter");
        assertThat(card.getByRole(AriaRole.ALERT)).hasCount(0);
        Locator sent = card.getByLabel("Sent");
        choose(sent, "Send to", "Wick");
        type(sent, "Address", "/wick/lantern/3/level");
        assertThat(card.locator("[data-finding=WRONG_TYPES]")).containsText("takes an int");
        choose(sent, "Type", "int (i)");
        assertThat(card.locator("[data-finding]")).hasCount(0);

        Page hand = chromium.device("Ben");
        hand.navigate(imperan.url("/#/run"));
        Hands.waitForRun(hand);
        Locator main = hand.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName(Pattern.compile("^Main")))
                .first();
        main.focus();
        main.press("End");
        assertThat(card).containsText("last 255");
        hand.context().close();
        card.getByLabel("Remove Forward 2").click();
        assertThat(card).hasCount(0);
    }

    /** A limit with re-arm: the water is calmed once when the wave runs over, and not again and again while it is over. */
    @Test
    void aLimitResetsTheWaveOnce() {
        page.navigate(imperan.url("/#/lines/forwards"));
        Locator card = card("Wave limit");
        card.getByLabel("On", new Locator.GetByLabelOptions().setExact(true)).click();
        assertThat(card).containsText(Pattern.compile("heard [1-9]"));
        assertThat(card).containsText("sent 0");
        Page hand = chromium.device("Ben");
        hand.navigate(imperan.url("/#/run/waves"));
        Hands.waitForRun(hand);
        Locator turbulence = hand.getByRole(
                        AriaRole.SLIDER,
                        new Page.GetByRoleOptions().setName(Pattern.compile("turbulence", Pattern.CASE_INSENSITIVE)))
                .first();
        turbulence.focus();
        turbulence.press("End");
        assertThat(card).containsText("sent 1");
        int then = heard(card);
        Desk.waitUntil("it was heard again and again", () -> heard(card) > then + 8);
        assertThat(card).containsText("sent 1");
        card.getByLabel("On", new Locator.GetByLabelOptions().setExact(true)).click();
        hand.context().close();
    }
}
