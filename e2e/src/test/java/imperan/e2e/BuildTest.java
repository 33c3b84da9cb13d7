package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Building a page from nothing, and what Build must never do. */
class BuildTest extends InstalledTest {

    private Page page;

    @BeforeEach
    void aPageOfItsOwn() {
        page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout"));
        button("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Controls"))
                .click();
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator built(String label) {
        return page.locator("[data-build][aria-label^='" + label + ",']");
    }

    private Locator cell(String name) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void tap(int column, int row) {
        BoundingBox grid = page.locator("[data-page]").boundingBox();
        page.mouse().click(grid.x + grid.width * (column + 0.5) / 16, grid.y + grid.height * (row + 0.5) / 10);
    }

    private void addAt(String kind, int column, int row) {
        button(kind).click();
        tap(column, row);
        assertThat(built(kind + " 1")).isVisible();
    }

    private static void fill(Locator field, String text) {
        field.fill(text);
        field.press("Enter");
    }

    @Test
    void aFaderFromNothingMovesTheDesk() {
        addAt("Fader", 3, 1);
        button("Add send").click();
        fill(cell("Message").getByLabel("Address"), "/bellows/in/1/level");
        assertThat(cell("Message").getByText("Saved")).isVisible();
        button("Listen on the same address").click();
        assertThat(cell("Answer").getByLabel("On", new Locator.GetByLabelOptions().setExact(true)))
                .hasValue("/bellows/in/1/level");
        fill(cell("Touch").getByLabel("Label"), "Wheel");
        assertThat(built("Wheel")).isVisible();

        String id = built("Wheel").getAttribute("data-build");
        Hands.run(page);
        Hands.drag(page, id, 0, 0.5);
        desk.waitForLevel("in/1", 0.5);
        assertThat(Hands.control(page, id)).hasAttribute("data-belief", "KNOWN");
    }

    @Test
    void aFaderIsRuledInTheWordsOfItsTarget() {
        addAt("Fader", 3, 1);
        Locator scale = cell("Touch").getByLabel("Scale: value text; … (empty: even numbers)");
        fill(scale, "0 off; loud 1");
        assertThat(cell("Touch").getByRole(AriaRole.ALERT)).containsText("Each mark is a number and what to call it");
        assertThat(built("Fader 1")).containsText("0.75");
        fill(scale, "0 off; 0.562 0 dB; 1 +10");
        assertThat(built("Fader 1")).containsText("0 dB");
        assertThat(built("Fader 1")).not().containsText("0.75");
        assertThat(cell("Touch").getByRole(AriaRole.ALERT)).hasCount(0);
    }

    @Test
    void selectingSendsNothingAndSendOnceSends() {
        addAt("Button", 0, 0);
        button("Add send").click();
        fill(cell("Message").getByLabel("Address"), "/bellows/in/2/level");
        fill(cell("Shaping").getByLabel("At 0"), "0.75");
        assertThat(cell("Shaping").getByText("Saved")).isVisible();
        tap(12, 8);
        built("Button 1").click();
        built("Button 1").press("Enter");
        assertThat(cell("Wire").getByText("Nothing has left yet.")).isVisible();
        assertThat(desk.level("in/2")).isZero();

        button("Send once").click();
        desk.waitForLevel("in/2", 0.75);
        assertThat(cell("Wire")).containsText("/bellows/in/2/level ,f 0.75");
        assertThat(cell("Answer").getByText("agrees")).isVisible();
        assertThat(cell("Answer")).containsText("It listens to nothing, so answers move nothing here.");
    }

    @Test
    void whatIsRefusedStaysInTheFieldWithItsMendAndTheOldValueCounts() {
        addAt("Fader", 0, 0);
        button("Add send").click();
        Locator address = cell("Message").getByLabel("Address");
        String before = address.inputValue();
        fill(address, "bellows//main/level");
        assertThat(cell("Message").getByRole(AriaRole.ALERT)).containsText("did you mean /bellows/main/level?");
        assertThat(cell("Message").getByRole(AriaRole.ALERT)).containsText("Still in use: " + before);
        button("Use /bellows/main/level").click();
        assertThat(address).hasValue("/bellows/main/level");
        assertThat(cell("Message").getByRole(AriaRole.ALERT)).hasCount(0);
    }

    @Test
    void controlsMoveResizeDisappearAndComeBack() {
        addAt("Fader", 2, 0);
        Locator fader = built("Fader 1");
        BoundingBox at = fader.boundingBox();
        BoundingBox grid = page.locator("[data-page]").boundingBox();
        double cellWidth = grid.width / 16;

        page.mouse().move(at.x + 20, at.y + 40);
        page.mouse().down();
        page.mouse().move(at.x + 20 + 4 * cellWidth, at.y + 40);
        page.mouse().up();
        assertThat(fader)
                .hasAttribute("style", Pattern.compile("grid-area: 1 / 7 / span 8 / span 2|grid-column: 7 / span 2"));

        fader.press("Shift+ArrowRight");
        assertThat(fader).hasAttribute("style", Pattern.compile("7 / span 8 / span 3|7 / span 3"));
        BoundingBox corner = fader.locator("[data-resize]").boundingBox();
        page.mouse().move(corner.x + 10, corner.y + 10);
        page.mouse().down();
        page.mouse().move(corner.x + 10 + 2 * cellWidth, corner.y + 10);
        page.mouse().up();
        assertThat(fader).hasAttribute("style", Pattern.compile("7 / span 8 / span 5|7 / span 5"));

        fader.press("Delete");
        assertThat(built("Fader 1")).hasCount(0);
        page.keyboard().press("Control+z");
        assertThat(built("Fader 1")).isVisible();
        button("Undo").click();
        assertThat(built("Fader 1")).hasAttribute("style", Pattern.compile("7 / span 8 / span 3|7 / span 3"));
        button("Redo").click();
        assertThat(built("Fader 1")).hasAttribute("style", Pattern.compile("7 / span 8 / span 5|7 / span 5"));
    }

    private Locator selected() {
        return page.locator("[data-build][aria-pressed=true]");
    }

    private void assertAt(Locator control, int column, int row) {
        assertThat(control)
                .hasAttribute("style", Pattern.compile("grid-area: " + (row + 1) + " / " + (column + 1) + " / "));
    }

    @Test
    void severalAreTakenInABandMovedAlignedAndCopiedToAnotherPage() {
        addAt("Button", 1, 1);
        button("Button").click();
        tap(5, 3);
        assertThat(built("Button 2")).isVisible();
        button("Add send").click();
        fill(cell("Message").getByLabel("Address"), "/bellows/key/2");
        assertThat(cell("Message").getByText("Saved")).isVisible();

        BoundingBox grid = page.locator("[data-page]").boundingBox();
        page.mouse().move(grid.x + 5, grid.y + 5);
        page.mouse().down();
        page.mouse().move(grid.x + grid.width * 0.25, grid.y + grid.height * 0.25);
        page.mouse().move(grid.x + grid.width * 0.5, grid.y + grid.height * 0.5);
        page.mouse().up();
        assertThat(selected()).hasCount(2);
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("2 selected");

        grid = page.locator("[data-page]").boundingBox();
        button("Align top edges").click();
        assertAt(built("Button 2"), 5, 1);
        BoundingBox second = built("Button 2").boundingBox();
        page.mouse().move(second.x + 20, second.y + 20);
        page.mouse().down();
        page.mouse().move(second.x + 20 + 3 * grid.width / 16, second.y + 20 + 2 * grid.height / 10);
        page.mouse().up();
        assertAt(built("Button 1"), 4, 3);
        assertAt(built("Button 2"), 8, 3);

        page.keyboard().press("Control+c");
        button("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
        page.keyboard().press("Control+v");
        assertThat(selected()).hasCount(2);
        assertAt(built("Button 1"), 0, 0);
        assertAt(built("Button 2"), 4, 0);
        built("Button 2").click();
        assertThat(cell("Message").getByLabel("Address")).hasValue("/bellows/key/2");
        button("Undo").click();
        assertThat(page.getByText("An empty page.")).isVisible();
    }

    @Test
    void buttonsAreMadeAGroupInOneGoAndThenOneAtMostIsOn() {
        for (int column = 0; column < 9; column += 4) {
            button("Button").click();
            tap(column, 0);
            assertThat(built("Button " + (column / 4 + 1))).isVisible();
        }
        page.keyboard().press("Control+a");
        assertThat(selected()).hasCount(3);
        Locator settings = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Settings of all"));
        settings.getByLabel("Press", new Locator.GetByLabelOptions().setExact(true))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("toggle"))
                .click();
        fill(settings.getByLabel("Exclusive group"), "Look");
        assertThat(settings).containsText("with Button 2, Button 3");
        built("Button 3").click();
        assertThat(cell("Touch").getByLabel("Exclusive group")).hasValue("Look");
        assertThat(cell("Touch")).containsText("with Button 1, Button 2");

        Hands.run(page);
        button("Button 1").click();
        assertThat(button("Button 1")).hasAttribute("aria-pressed", "true");
        button("Button 3").click();
        assertThat(button("Button 3")).hasAttribute("aria-pressed", "true");
        assertThat(button("Button 1")).hasAttribute("aria-pressed", "false");
    }

    @Test
    void whatSomebodyElseRemovesUnderTheHandIsSaid() {
        addAt("Fader", 1, 1);
        addAt("Button", 5, 1);
        // a click with Shift would select text, and a drag of selected text takes the pointer away
        built("Fader 1").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(selected()).hasCount(2);
        Page ben = chromium.device("Ben");
        ben.navigate(page.url());
        BoundingBox at = built("Button 1").boundingBox();
        page.mouse().move(at.x + 20, at.y + 20);
        page.mouse().down();
        page.mouse().move(at.x + 20 + 3 * at.width / 2, at.y + 20);
        assertAt(built("Fader 1"), 4, 1);
        ben.locator("[data-build][aria-label^='Button 1,']").click();
        ben.keyboard().press("Control+a");
        ben.keyboard().press("Delete");
        assertThat(page.locator("[data-build]")).hasCount(0);
        page.mouse().up();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("What you selected is no longer there");
        ben.context().close();
    }

    /** Keys pressed in a dialog do nothing to the page behind it; a refusal goes when something else is done. */
    @Test
    void keysInADialogAreNotForThePageBehindIt() {
        addAt("Button", 1, 1);
        built("Button 1").focus();
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        page.keyboard().press("Delete");
        page.keyboard().press("Control+d");
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
        assertThat(page.locator("[data-build]")).hasCount(1);
        built("Button 1").focus();
        page.keyboard().press("Control+Shift+ArrowLeft");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("There is nothing to do");
        page.keyboard().press("ArrowRight");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    /** Every step of building by keys alone: no pointer is used after the page is there. */
    @Test
    void aPageIsBuiltByKeyboardAlone() {
        button("Fader").focus();
        page.keyboard().press("Enter");
        assertThat(built("Fader 1")).isVisible();
        button("Button").focus();
        page.keyboard().press("Enter");
        assertThat(built("Button 1")).isVisible();

        built("Button 1").focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        assertAt(built("Button 1"), 2, 2);
        page.keyboard().press("Shift+ArrowRight");
        assertThat(built("Button 1")).hasAttribute("style", Pattern.compile("span 2 / span 3"));

        page.keyboard().press("Enter");
        assertThat(cell("Touch").getByLabel("Label")).isFocused();
        page.keyboard().press("Control+a");
        page.keyboard().type("Bell");
        page.keyboard().press("Enter");
        assertThat(built("Bell")).isVisible();
        button("Add send").focus();
        page.keyboard().press("Enter");
        cell("Message").getByLabel("Send on").focus();
        page.keyboard().press("Enter");
        assertThat(page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("change").setExact(true)))
                .isFocused();
        page.keyboard().press("ArrowDown");
        assertThat(page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("press")))
                .isFocused();
        page.keyboard().press("Enter");
        assertThat(cell("Message").getByLabel("Send on")).containsText("press");
        page.keyboard().press("Escape");
        assertThat(built("Bell")).isFocused();

        page.keyboard().press("Control+d");
        assertThat(built("Bell")).hasCount(2);
        page.keyboard().press("Control+a");
        assertThat(selected()).hasCount(3);
        built("Fader 1").focus();
        page.keyboard().press("Space");
        assertThat(selected()).hasCount(2);
        page.keyboard().press("Delete");
        assertThat(built("Bell")).hasCount(0);
        assertThat(built("Fader 1")).isVisible();
        page.keyboard().press("Control+z");
        assertThat(built("Bell")).hasCount(2);

        page.keyboard().press("?");
        Locator list = page.getByRole(AriaRole.DIALOG);
        assertThat(list).containsText("Ctrl+D");
        page.keyboard().press("Escape");
        assertThat(list).hasCount(0);
    }

    @Test
    void aPageGoesAndComesBackWithAllThatLiesOnIt() {
        addAt("Fader", 0, 0);
        int before = page.locator("nav a, section[aria-label=Pages] a").count();
        button("Page settings").click();
        button("Remove page").click();
        assertThat(page.locator("nav a, section[aria-label=Pages] a")).hasCount(before - 1);
        String url = page.url();
        page.keyboard().press("Control+z");
        assertThat(page.locator("nav a, section[aria-label=Pages] a")).hasCount(before);
        assertThat(built("Fader 1")).isVisible();
        assertThat(page).hasURL(url);
    }

    @Test
    void aControlIsNotPutOnAnother() {
        addAt("Fader", 0, 0);
        button("Button").click();
        tap(4, 0);
        Locator placed = built("Button 1");
        assertThat(placed).isVisible();
        for (int i = 0; i < 3; i++) {
            placed.press("ArrowLeft");
        }
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("“Button 1” would lie on “Fader 1”");
    }

    @Test
    void buildAndRunCannotBeConfused() {
        assertThat(page.locator("[data-mode=build]")).containsText("Build: touching sends nothing");
        Hands.run(page);
        assertThat(page.locator("[data-mode=run]")).isVisible();
        assertThat(page.locator("[data-mode=build]")).hasCount(0);
        assertThat(page.locator("[data-build]")).hasCount(0);
    }

    /** The page has the room while nothing is selected; the path is as tall as it was dragged on this device. */
    @Test
    void thePathIsOneLineUntilSomethingIsSelectedAndKeepsItsHeight() {
        page.navigate(imperan.url("/#/layout/sound"));
        Locator path = page.getByLabel("Path", new Page.GetByLabelOptions().setExact(true));
        assertThat(path).containsText("Select a control to see its path");
        assertThat(path.boundingBox().height).isLessThan(60);
        page.locator("[data-build=level-3]").click();
        Locator edge = page.getByRole(AriaRole.SEPARATOR, new Page.GetByRoleOptions().setName("Height of the path"));
        assertThat(edge).isVisible();
        double before = path.boundingBox().height;
        assertThat(before).isGreaterThan(200);
        edge.focus();
        page.keyboard().press("ArrowUp");
        page.keyboard().press("ArrowUp");
        assertThat(path.boundingBox().height).isGreaterThan(before + 40);
        page.reload();
        page.locator("[data-build=level-3]").click();
        assertThat(edge).isVisible();
        assertThat(path.boundingBox().height).isGreaterThan(before + 40);
    }

    @Test
    void whatUndoTookBackIsSaidWhereverOneIs() {
        page.navigate(imperan.url("/#/layout/sound"));
        page.locator("[data-build=level-5]").click();
        cell("Touch").getByLabel("Label").fill("Tide gate");
        cell("Touch").getByLabel("Label").press("Enter");
        assertThat(page.locator("[data-build=level-5]")).containsText("Tide gate");
        page.navigate(imperan.url("/#/rig"));
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("^Undo: "))).isVisible();
    }

    @Test
    void theWordsOfOurOwnAreExplained() {
        page.navigate(imperan.url("/#/rig"));
        page.getByLabel("Keys and gestures").click();
        page.getByText("Words used here").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Words used here")))
                .isVisible();
        assertThat(page.getByText("The mark at the value that the target last reported"))
                .isVisible();
    }
}
