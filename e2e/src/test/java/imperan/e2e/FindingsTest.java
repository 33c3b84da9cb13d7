package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Findings as a programmer meets them: while typing, on the control, in one list by station, mended and accepted one by one and together. */
class FindingsTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
    }

    @BeforeEach
    void anEmptyPage() {
        page.navigate(imperan.url("/#/layout"));
        page.reload();
        page.getByLabel("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
    }

    private static Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator dialog() {
        return page.getByRole(AriaRole.DIALOG);
    }

    private static Locator inDialog(String name) {
        return dialog().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator asked() {
        return page.getByRole(AriaRole.ALERTDIALOG);
    }

    private static void accept() {
        asked().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
    }

    private static Locator cell(String name) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator station(String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    /** Pastes lines for Bellows into the dialog. */
    private static void paste(String... lines) {
        button("Type or paste addresses …").click();
        dialog().getByLabel("Target").click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Bellows").setExact(true))
                .click();
        dialog().getByLabel("Addresses", new Locator.GetByLabelOptions().setExact(true))
                .fill(String.join("\n", lines));
    }

    private static void place(int lines) {
        inDialog("Place " + lines + " lines").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.locator("[data-build]")).hasCount(lines);
    }

    @Test
    void aPageOfAddressesIsCheckedWhileItIsPastedAndMendedBeforeItIsPlaced() {
        paste(
                "/bellows/in/3/level",
                "bellows/in/4/level",
                "/bellows/in/13/mute",
                "/Bellows/main/level",
                "/bellows/in/5/lvel",
                "/bellows/in/6/mute 1");
        assertThat(dialog()).containsText("6 checked, 4 with a problem");
        assertThat(dialog()).containsText("/bellows/in/13/mute: ch goes from 1 to 12");
        assertThat(dialog()).containsText("capitals and small letters differ");
        assertThat(dialog()).containsText("level of an input");
        inDialog("Mend all 3").click();
        assertThat(dialog()).containsText("6 checked, 1 with a problem");
        assertThat(dialog().getByLabel("Addresses", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue("/bellows/in/3/level\n/bellows/in/4/level\n/bellows/in/13/mute\n/bellows/main/level\n"
                        + "/bellows/in/5/level\n/bellows/in/6/mute 1");
        place(6);
        assertThat(page.locator("[data-build] [data-finding-mark]")).hasCount(1);
    }

    @Test
    void whatHasOneCauseIsMendedTogether() {
        paste("/bellows/in/1/lvel", "/bellows/in/2/lvel", "/bellows/in/3/lvel", "/bellows/in/4/lvel");
        place(4);
        assertThat(page.locator("[data-build] [data-finding-mark]")).hasCount(4);
        assertThat(station("Layout")).containsText("finding");
        station("Proof").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Findings")))
                .click();
        // each has a send and a listen
        Locator group = page.locator("[data-group=ADDRESS_UNKNOWN]");
        assertThat(group).containsText(Pattern.compile("Address not in the phrasebook: \\d+ on Bellows"));
        group.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("Address not")))
                .click();
        assertThat(group).containsText("did you mean /bellows/in/4/level?");
        group.getByText("Mend all 8").click();
        assertThat(page.getByText("did you mean")).hasCount(0);
        assertThat(page.getByText("Mend all")).hasCount(0);
    }

    @Test
    void whatIsMeantIsAcceptedTogetherAndComesBackWhenItChanges() {
        paste("/fog/1/density", "/fog/2/density", "/fog/3/density");
        place(3);
        page.navigate(imperan.url("/#/proof/findings"));
        Locator group = page.locator("[data-group=ADDRESS_UNKNOWN]");
        group.getByText("Accept all …").click();
        asked().getByLabel("Why (others will read it)").fill("The fog machine is no desk");
        accept();
        assertThat(group).hasCount(0);
        page.getByText(Pattern.compile("^Accepted")).first().click();
        assertThat(page.getByText("Accepted by Ada: The fog machine is no desk").first())
                .isVisible();

        page.locator("[data-finding=ADDRESS_UNKNOWN]")
                .filter(new Locator.FilterOptions().setHasText("/fog/2/density"))
                .first()
                .getByRole(AriaRole.LINK)
                .click();
        Locator address = cell("Message").getByLabel("Address", new Locator.GetByLabelOptions().setExact(true));
        assertThat(address).hasValue("/fog/2/density");
        assertThat(cell("Message").locator("[data-finding]")).hasCount(0);
        address.fill("/fog/2/thickness");
        address.press("Enter");
        assertThat(cell("Message").locator("[data-finding=ADDRESS_UNKNOWN]")).isVisible();
        cell("Message")
                .locator("[data-finding=ADDRESS_UNKNOWN]")
                .getByText("Accept …")
                .click();
        accept();
        assertThat(cell("Message").locator("[data-finding]")).hasCount(0);
    }

    @Test
    void whatCannotWorkIsSaidWhileItIsTyped() {
        paste("/bellows/main/level");
        inDialog("Place 1 line").click();
        page.locator("[data-build]").click();
        Locator address = cell("Message").getByLabel("Address", new Locator.GetByLabelOptions().setExact(true));
        address.fill("/bellows/in/0/level");
        assertThat(cell("Message").getByText("ch is counted from 1 and ends at 12"))
                .isVisible();
        address.fill("/bellows/man/level");
        button("Use /bellows/main/level").click();
        assertThat(address).hasValue("/bellows/main/level");
        assertThat(cell("Message").getByText("did you mean")).hasCount(0);
    }

    @Test
    void aRangeThatDoesNotFitIsMarkedAtTheStepWhereItArises() {
        paste("/bellows/main/level");
        inDialog("Place 1 line").click();
        page.locator("[data-build]").click();
        cell("Shaping").getByText("Steps").click();
        Locator scale =
                page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(Pattern.compile("^Step 1: ")));
        Locator high = scale.getByLabel("to", new Locator.GetByLabelOptions().setExact(true))
                .last();
        high.fill("255");
        high.press("Enter");
        assertThat(scale.locator("[data-marked]")).containsText("It goes from 0 to 255; only 0 to 1 counts");
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Shaping"))
                .getByText("Use 0 to 1")
                .click();
        assertThat(scale.locator("[data-marked]")).hasCount(0);
    }
}
