package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

import java.util.regex.Pattern;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

/** Building a page from nothing, and what Build must never do. */
class BuildTest {

    private static Installation imperan;
    private static Chromium chromium;
    private static Desk desk;
    private Page page;

    @BeforeAll
    static void open() {
        imperan = new Installation();
        chromium = new Chromium();
        desk = new Desk(imperan.bellows());
    }

    @AfterAll
    static void close() {
        desk.close();
        chromium.close();
        imperan.close();
    }

    @BeforeEach
    void aPageOfItsOwn() {
        page = chromium.device("Ada");
        page.navigate(imperan.url("/#/layout"));
        button("Add page").click();
        assertThat(page.getByText("An empty page.")).isVisible();
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator built(String label) {
        return page.locator("[data-build][aria-label^='" + label + ",']");
    }

    private Locator cell(String name) {
        return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(name).setExact(true));
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
        assertThat(cell("Message").getByText("kept")).isVisible();
        button("Listen on the same address").click();
        assertThat(cell("Answer").getByLabel("Listens to Bellows on")).hasValue("/bellows/in/1/level");
        fill(cell("Touch").getByLabel("Label"), "Wheel");
        assertThat(built("Wheel")).isVisible();

        String id = built("Wheel").getAttribute("data-build");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run")).click();
        Hands.drag(page, id, 0, 0.5);
        desk.waitForLevel("in/1", 0.5);
        assertThat(Hands.control(page, id)).hasAttribute("data-belief", "KNOWN");
    }

    @Test
    void selectingSendsNothingAndSendOnceSends() {
        addAt("Button", 0, 0);
        button("Add send").click();
        fill(cell("Message").getByLabel("Address"), "/bellows/in/2/level");
        fill(cell("Shaping").getByLabel("At 0"), "0.75");
        assertThat(cell("Shaping").getByText("kept")).isVisible();
        tap(12, 8);
        built("Button 1").click();
        built("Button 1").press("Enter");
        assertThat(cell("Wire").getByText("Nothing has left yet.")).isVisible();
        assertThat(desk.level("in/2")).isZero();

        button("Send once").click();
        desk.waitForLevel("in/2", 0.75);
        assertThat(cell("Wire")).containsText("/bellows/in/2/level ,f 0.75");
        assertThat(cell("Answer")).containsText("No listen is set, so no answer can be compared");
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
        assertThat(fader).hasAttribute("style", Pattern.compile("grid-area: 1 / 7 / span 8 / span 2|grid-column: 7 / span 2"));

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
        assertThat(page.locator("[data-mode=build]")).containsText("Build: touching a control sends nothing");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run")).click();
        assertThat(page.locator("[data-mode=run]")).isVisible();
        assertThat(page.locator("[data-mode=build]")).hasCount(0);
        assertThat(page.locator("[data-build]")).hasCount(0);
    }
}
