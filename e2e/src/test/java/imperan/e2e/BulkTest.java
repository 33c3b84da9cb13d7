package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.KeyboardModifier;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.server.store.Keeper;
import imperan.show.Control;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Pages built by the dozen: strips, banks, copies with a meaning, runs, the line table, learning, files. */
class BulkTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
    }

    @BeforeEach
    void anEmptyPage() {
        page.navigate(imperan.url("/#/layout"));
        // what a test before this one left open or taken
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

    private static void tab(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    private static void choose(Locator in, String label, String option) {
        in.getByLabel(label, new Locator.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    /** The levels of the first inputs, side by side, selected. */
    private static void levels(int count) {
        page.locator("[aria-label=Phrases]").getByText("/level").first().click();
        Locator how = page.getByLabel("How many (of 12)");
        how.fill(String.valueOf(count));
        how.press("Enter");
        button("Place " + count + " here").click();
        assertThat(page.getByText(count + " selected")).isVisible();
    }

    private static Show show() {
        return imperan.bean(Keeper.class).show(imperan.show()).join();
    }

    /** The addresses that the selected page's controls send on, in order. */
    private static List<String> addresses() {
        PartId id = new PartId(page.locator("[data-page]").getAttribute("data-page"));
        return show().children(id)
                .map(Part::body)
                .filter(Control.class::isInstance)
                .map(body -> ((Control) body).sends().get(0).address())
                .toList();
    }

    private static List<String> inputs(int first, int last) {
        return IntStream.rangeClosed(first, last)
                .mapToObj(i -> "/bellows/in/" + i + "/level")
                .toList();
    }

    // ---- copies and runs

    @Test
    void copiesAskWhatTheyMeanAndGoOnWithTheNextNumbers() {
        levels(4);
        page.keyboard().press("Control+c");
        page.keyboard().press("Control+Shift+V");
        assertThat(dialog()).containsText("/bellows/in/5/level");
        inDialog("Paste").click();
        assertThat(page.locator("[data-build]")).hasCount(8);
        assertThat(addresses()).isEqualTo(inputs(1, 8));
        // a key pressed while the dialog closes belongs to the dialog
        assertThat(dialog()).hasCount(0);
        page.keyboard().press("Control+Shift+V");
        // the page has no room for them, and becomes larger
        assertThat(dialog()).containsText(Pattern.compile("columns.*16.*24", Pattern.DOTALL));
        inDialog("Paste").click();
        assertThat(page.locator("[data-build]")).hasCount(12);
    }

    @Test
    void aRunIsShownBeforeItFillsARow() {
        levels(3);
        button("Fill across with a run …").click();
        assertThat(dialog().getByLabel("With")).hasValue("/bellows/in/<1..3>/level");
        dialog().getByLabel("With").fill("/bellows/in/<9..");
        assertThat(dialog().getByRole(AriaRole.ALERT)).containsText("A run is written");
        dialog().getByLabel("With").fill("/bellows/in/<9..11>/level");
        assertThat(dialog()).containsText("/bellows/in/11/level");
        inDialog("Fill").click();
        Desk.waitUntil("inputs 9 to 11", () -> addresses().equals(inputs(9, 11)));
    }

    @Test
    void aTextIsFoundAndReplacedAfterALook() {
        levels(2);
        page.keyboard().press("Control+f");
        dialog().getByLabel("Find").fill("/in/");
        dialog().getByLabel("Put").fill("/mix/");
        assertThat(dialog()).containsText("/bellows/mix/2/level");
        inDialog("Replace").click();
        Desk.waitUntil("mixes", () -> addresses().equals(List.of("/bellows/mix/1/level", "/bellows/mix/2/level")));
        button("Swap the target …").click();
        choose(dialog(), "go from now on to", "Keel");
        assertThat(dialog()).containsText("Keel");
        inDialog("Swap").click();
        assertThat(dialog()).hasCount(0);
    }

    // ---- trays and banks

    @Test
    void whatIsGatheredMovesAsOneAndABankShowsAWindow() {
        levels(3);
        page.keyboard().press("Control+g");
        Locator tray = page.locator("[data-build][aria-label$=', tray']");
        assertThat(tray).hasCount(1);
        assertThat(page.getByText("1 selected")).isVisible();
        tray.press("ArrowDown");
        page.getByLabel("Columns inside").fill("4");
        page.getByLabel("Columns inside").press("Enter");
        assertThat(page.locator("[aria-label=Path]").getByRole(AriaRole.ALERT)).containsText("inside at least as wide");
        page.getByLabel("Columns inside").press("Escape");
        page.getByText("Pop-up: hidden").click();
        page.locator("[data-ground]").click(new Locator.ClickOptions().setPosition(400, 5));
        assertThat(tray).hasCount(0);
        page.locator("[role=toolbar]").getByText("Tray").click();
        assertThat(tray).hasCount(1);
    }

    @Test
    void aBankOfTwelveInputsShowsFourAndPlaysAnyOfThem() {
        button("Strips").first().click();
        Locator how = page.getByLabel("How many (of 12)");
        how.fill("12");
        how.press("Enter");
        choose(page.locator("[aria-label=Phrases]"), "Arrange as", "in a bank that moves");
        page.getByLabel("Of which it shows at once").fill("4");
        page.getByLabel("Of which it shows at once").press("Enter");
        button("Place 12 strips on a new page").click();
        page.locator("[data-build][aria-label='Bank, tray']").waitFor();
        Hands.run(page);
        assertThat(page.getByRole(AriaRole.SLIDER)).hasCount(4);
        for (int i = 0; i < 8; i++) {
            button("Bank: later").click();
        }
        assertThat(button("Bank: later")).isDisabled();
        Locator twelfth = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("level 12"));
        twelfth.focus();
        twelfth.press("End");
        desk.waitForLevel("in/12", 1);
        assertThat(page.getByText("Spare").first()).isVisible();
    }

    // ---- from a pasted list

    @Test
    void aPastedListOfFortyBecomesAPageThatPlaysInFewActions() {
        int answers = Ports.one();
        try (Probe probe = new Probe(answers)) {
            int actions = 0;
            String list = IntStream.rangeClosed(1, 40)
                    .mapToObj(i -> "/rig/part" + (char) ('a' + i % 26) + i + "/value, "
                            + (i % 2 == 0 ? "int, 0, 255" : "float, 0, 1"))
                    .collect(Collectors.joining("\n", "address, type, low, high\n", "\n"));
            page.navigate(imperan.url("/#/rig/phrasebooks"));
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import …"))
                    .click();
            dialog().getByLabel("Name of the phrasebook").fill("Parts");
            dialog().getByLabel("The list of messages").fill(list);
            dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import"))
                    .click();
            assertThat(dialog()).hasCount(0);
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Links"))
                    .click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add target"))
                    .click();
            Locator target = page.locator("[data-target='Target 6']");
            target.getByLabel("It receives on port").fill(String.valueOf(probe.port()));
            target.getByLabel("It receives on port").press("Enter");
            target.getByLabel("Answers reach us on port").fill(String.valueOf(answers));
            target.getByLabel("Answers reach us on port").press("Enter");
            choose(target, "Phrasebook (brings its link sheet)", "Parts");
            actions += 6;
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Layout"))
                    .click();
            choose(page.locator("[aria-label=Phrases]"), "Of target", "Target 6");
            button("All").click();
            button("Place 40 on a new page").click();
            assertThat(page.getByText("40 selected")).isVisible();
            assertThat(page.locator("[data-build]")).hasCount(40);
            Hands.run(page);
            actions += 6;
            assertThat(actions).as("pointer actions, from the list to the page").isLessThanOrEqualTo(12);
            assertThat(page.getByRole(AriaRole.SLIDER)).hasCount(40);
            Locator last = page.getByRole(AriaRole.SLIDER).last();
            last.focus();
            last.press("End");
            Desk.waitUntil("a message", () -> !probe.arrived().isEmpty());
            page.navigate(imperan.url("/#/rig"));
            page.getByLabel("Settings of Target 6").click();
            page.getByLabel("Remove Target 6").click();
        }
    }

    // ---- the line table

    @Test
    void everyLineIsARowThatIsMendedInPlace() {
        levels(2);
        button("Fill across with a run …").click();
        dialog().getByLabel("With").fill("/bellows/in/<1..2>/lvel");
        assertThat(dialog()).containsText("/bellows/in/2/lvel");
        inDialog("Fill").click();
        Desk.waitUntil("misspelt", () -> addresses().contains("/bellows/in/2/lvel"));
        page.getByLabel("All lines as a table").click();
        page.getByText("only with a finding").click();
        page.getByLabel("Filter the lines").fill("lvel");
        Locator row = page.locator("[data-line]")
                .filter(new Locator.FilterOptions().setHasText("did you mean /bellows/in/2/level"))
                .first();
        assertThat(row).isVisible();
        row.getByText("Use it").click();
        Desk.waitUntil("mended", () -> show().all(Control.class).stream()
                .anyMatch(part -> part.body() instanceof Control control
                        && control.sends().stream()
                                .anyMatch(send -> send.address().equals("/bellows/in/2/level"))
                        && control.sends().size() == 1
                        && control.label().equals("level 2")));
    }

    @Test
    void aTableGoesOutAndComesBackChanged() throws IOException {
        levels(2);
        page.getByLabel("All lines as a table").click();
        Download csv = page.waitForDownload(() -> page.getByText("As CSV").click());
        String table = Files.readString(csv.path());
        assertThat(table).startsWith("line,page,label,on,target,address");
        button("Paste or import …").click();
        dialog().getByLabel("The table", new Locator.GetByLabelOptions().setExact(true))
                .fill(table);
        assertThat(dialog()).containsText("Nothing would change");
        String line = table.lines()
                .filter(row -> row.contains("level 2") && row.contains(":send:1"))
                .findFirst()
                .orElseThrow();
        dialog().getByLabel("The table", new Locator.GetByLabelOptions().setExact(true))
                .fill(table.lines().findFirst().orElseThrow() + "\n"
                        + line.replace("/bellows/in/2/level", "/bellows/in/7/level") + "\nnobody:send:1,,,,,,,,,\n");
        assertThat(dialog().getByRole(AriaRole.ALERT)).containsText("Row 3: There is no line");
        assertThat(dialog()).containsText("/bellows/in/7/level");
        inDialog("Import").click();
        page.getByLabel("Filter the lines").fill("in/7/level 2");
        assertThat(page.locator("[data-line='" + line.substring(0, line.indexOf(',')) + "']")
                        .getByRole(AriaRole.TEXTBOX))
                .hasValue("/bellows/in/7/level");
    }

    // ---- learning, files, the lock, two people

    @Test
    void whatTheRealThingSaysIsGivenToWhatIsSelectedInOrder() {
        tab("Controls");
        for (int i = 0; i < 2; i++) {
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Fader").setExact(true))
                    .press("Enter");
            assertThat(page.locator("[data-build]")).hasCount(i + 1);
        }
        page.keyboard().press("Escape");
        page.locator("[data-build]").nth(0).click();
        page.locator("[data-build]")
                .nth(1)
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        tab("Learn");
        choose(page.locator("[aria-label=Learn]"), "From target", "Bellows");
        button("Listen").click();
        assertThat(page.locator("[aria-label=Learn]")).containsText("move something");
        somebodyElseListensAndStops();
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/mix/2/level", new OscArgument.Float32(0.3f)));
        assertThat(page.locator("[aria-label=Heard]")).containsText("/bellows/mix/2/level");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/mix/4/level", new OscArgument.Float32(0.4f)));
        assertThat(page.locator("[aria-label=Heard]")).containsText("/bellows/mix/4/level");
        button("Stop listening").click();
        button("Take 2 in order").click();
        Desk.waitUntil("both learned", () -> addressesOrNone()
                .equals(List.of("/bellows/mix/2/level", "/bellows/mix/4/level")));
        tab("Phrases");
    }

    /** Each browser listens for itself: that another one stops takes nothing from this one. */
    private static void somebodyElseListensAndStops() {
        Page other = chromium.device("Ben");
        other.navigate(imperan.url("/#/layout"));
        other.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Learn"))
                .click();
        Locator shelf = other.locator("[aria-label=Learn]");
        shelf.getByText("Listen", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(shelf).containsText("move something");
        shelf.getByText("Stop listening").click();
        assertThat(shelf).containsText("press Listen");
        other.context().close();
    }

    private static List<String> addressesOrNone() {
        PartId id = new PartId(page.locator("[data-page]").getAttribute("data-page"));
        return show().children(id)
                .map(Part::body)
                .filter(Control.class::isInstance)
                .flatMap(body -> ((Control) body).sends().stream())
                .map(send -> send.address())
                .toList();
    }

    @Test
    void aPageGoesOutAsAFileAndComesBackAfterALook() throws IOException {
        levels(3);
        button("Page settings").click();
        Download file = page.waitForDownload(
                () -> dialog().getByText("This page as a file").click());
        byte[] bytes = Files.readAllBytes(file.path());
        dialog().getByText("Import a file …").click();
        dialog().getByLabel("Layout file")
                .setInputFiles(new FilePayload(
                        "broken.json", "application/json", "{\"format\":".getBytes(StandardCharsets.UTF_8)));
        assertThat(dialog().getByRole(AriaRole.ALERT)).containsText("not JSON");
        dialog().getByLabel("Layout file").setInputFiles(new FilePayload("page.json", "application/json", bytes));
        assertThat(dialog().getByLabel("What it needs")).containsText("Bellows");
        assertThat(dialog()).containsText("Replace what is here");
        int pages = page.locator("section[aria-label=Pages] a").count();
        inDialog("Import").click();
        assertThat(page.locator("section[aria-label=Pages] a")).hasCount(pages + 1);
    }

    @Test
    void aLockedShowIsOperatedAndNotChangedAndOthersSeeWhatIsSelected() {
        levels(2);
        Page other = chromium.device("Ben");
        other.navigate(page.url());
        assertThat(other.locator("[data-build]").first()).containsText("Ada");
        button("Lock the show").click();
        assertThat(other.getByText("Locked", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.keyboard().press("Delete");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("locked by Ada");
        assertThat(page.locator("[data-build]")).hasCount(2);
        button("Unlock the show").click();
        assertThat(button("Lock the show")).isVisible();
        other.context().close();
    }
}
