package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Phrasebooks as a programmer gets them: pasted, asked for, heard; searched, mended, and chosen for a target. */
class PhrasebookTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
    }

    @BeforeEach
    void openThePhrasebooks() {
        page.navigate(imperan.url("/#/rig/phrasebooks"));
        assertThat(page.getByLabel("Phrasebook Bellows", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
    }

    private static Locator dialog() {
        return page.getByRole(AriaRole.DIALOG);
    }

    private static void takeInFrom(String source) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import …"))
                .click();
        dialog().getByLabel("From").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(source))
                .click();
    }

    private static void name(String name) {
        dialog().getByLabel("Name of the phrasebook").fill(name);
    }

    private static void take() {
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import"))
                .click();
        assertThat(dialog()).hasCount(0);
    }

    private static void open(String book) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(book).setExact(true))
                .click();
        assertThat(page.getByLabel("Phrasebook " + book, new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
    }

    @Test
    void aColumnThatNobodyUnderstandsIsSaidToBeIgnoredAndCanBeNamed() {
        takeInFrom("a table");
        name("Gates");
        dialog().getByLabel("The list of messages").fill("Path,Kind,Span\n/tide/gate,float,0..1\n");
        assertThat(dialog()).containsText("2 are ignored");
        for (String[] column : new String[][] {{"Kind", "types"}, {"Span", "range, or values"}}) {
            Locator kind = dialog().getByLabel(column[0], new Locator.GetByLabelOptions().setExact(true));
            kind.click();
            page.getByRole(
                            AriaRole.OPTION,
                            new Page.GetByRoleOptions().setName(column[1]).setExact(true))
                    .click();
            assertThat(kind).hasText(column[1]);
        }
        assertThat(dialog()).not().containsText("ignored");
        take();
        open("Gates");
        assertThat(page.locator("[data-phrase='/tide/gate']").getByLabel("Values"))
                .hasValue("0 to 1");
    }

    @Test
    void aPastedListIsShownRowByRowBeforeItIsTakenIn() {
        takeInFrom("a table");
        name("Lamp");
        dialog().getByLabel("The list of messages")
                .fill(
                        """
                Path | Type | Range | Notes
                /lamp/[1-8]/level | int | 0-255 | brightness
                /lamp/[1-8]/tint | colour | | no such type
                /reset | none | | all off
                """);
        assertThat(dialog().getByRole(AriaRole.STATUS)).containsText("1 understood");
        assertThat(dialog().locator("[data-row=guessed]")).containsText("/lamp/<n:1..8>/level");
        assertThat(dialog().locator("[data-row=refused]")).containsText("“colour” is not a type");
        take();
        open("Lamp");
        assertThat(page.locator("[data-phrase]")).hasCount(2);

        takeInFrom("a table");
        name("Lamp");
        dialog().getByLabel("The list of messages").fill("address,type\n/lamp/speed,f\n");
        assertThat(dialog())
                .containsText("A phrasebook of this name is there: 1 new, 0 changed, 0 the same, 2 not in this one");
        dialog().getByText("Merge").click();
        take();
        assertThat(page.locator("[data-phrase]")).hasCount(3);
    }

    @Test
    void whatAnImportWouldBreakIsListedBeforeItIsDone() {
        takeInFrom("a table");
        name("Bellows");
        dialog().getByLabel("The list of messages").fill("address,type,range\n/bellows/in/<ch:1..8>/level,f,0 to 1\n");
        dialog().getByText("Replace").click();
        assertThat(dialog()).containsText("lines of this show would break");
        assertThat(dialog().getByLabel("Lines that would break"))
                .containsText("Bellows’s phrasebook has no /bellows/main/level");
        dialog().getByText("Merge").click();
        assertThat(dialog()).containsText("No line of this show would break");
        dialog().getByText("Cancel").click();
    }

    @Test
    void aPhraseIsEditedToItsLastDetail() {
        open("Keel");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Phrase").setExact(true))
                .click();
        page.getByLabel("Search the phrases").fill("/new/");
        page.getByLabel("Details of /new/").click();
        Locator details = dialog();
        details.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Argument").setExact(true))
                .click();
        Locator first = details.getByLabel("Argument 1", new Locator.GetByLabelOptions().setExact(true));
        first.getByLabel("Type").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("int (i)"))
                .click();
        first.getByLabel("Always").fill("7");
        first.getByLabel("Always").press("Enter");
        Locator second = details.getByLabel("Argument 2", new Locator.GetByLabelOptions().setExact(true));
        second.getByLabel("Values").fill("loud");
        second.getByLabel("Values").press("Enter");
        assertThat(second.getByRole(AriaRole.ALERT)).containsText("no range such as 0 to 1 dB");
        second.getByLabel("Values").fill("0 to 500 ms");
        second.getByLabel("Values").press("Enter");
        details.getByLabel("Answer").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("another address"))
                .click();
        details.getByLabel("Its address").fill("/new/state");
        details.getByLabel("Its address").press("Enter");
        choose(details, "It says", "always the same value");
        details.getByLabel("This value").fill("playing");
        details.getByLabel("This value").press("Enter");
        details.getByLabel("In its arguments").fill("second");
        details.getByLabel("In its arguments").press("Enter");
        assertThat(details.getByRole(AriaRole.ALERT)).containsText("Write numbers, such as 2, 3");
        details.getByLabel("In its arguments").fill("2");
        details.getByLabel("In its arguments").press("Enter");
        choose(details, "Who is told of a change", "who asked to be told");
        choose(details, "What it does to its target", "something happens each time");
        details.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Mask").setExact(true))
                .click();
        Locator mask = details.getByLabel("Mask 1", new Locator.GetByLabelOptions().setExact(true));
        mask.getByLabel("On").fill("/keel/sleep now");
        mask.getByLabel("On").press("Enter");
        assertThat(mask.getByRole(AriaRole.ALERT)).isVisible();
        mask.getByLabel("On").fill("/keel/sleep");
        mask.getByLabel("On").press("Enter");
        details.getByLabel("Close").click();
        Locator row = page.locator("[data-phrase^='/new/']");
        assertThat(row).containsText("if");
        assertThat(row).containsText("/new/state playing");
        row.getByLabel("Details of /new/").click();
        assertThat(details.getByLabel("In its arguments")).hasValue("2");
        assertThat(details.getByLabel("Mask 1", new Locator.GetByLabelOptions().setExact(true))
                        .getByLabel("On"))
                .hasValue("/keel/sleep");
        assertThat(details.getByLabel("Who is told of a change")).containsText("who asked to be told");
        details.getByLabel("Close").click();
        assertThat(row.getByLabel("Values")).hasValue("0 to 500 ms");
        assertThat(row).containsText("/new/state");
        row.getByLabel("Remove /new/").click();
        assertThat(row).hasCount(0);
    }

    private void choose(Locator within, String field, String option) {
        within.getByLabel(field, new Locator.GetByLabelOptions().setExact(true)).click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(option))
                .click();
    }

    @Test
    void aLinkSheetIsEdited() {
        open("Eddy");
        page.getByLabel("Edit the link sheet of Eddy").click();
        dialog().getByLabel("At most, messages a second").fill("120");
        dialog().getByLabel("At most, messages a second").press("Enter");
        dialog().getByLabel("It takes bundles").click();
        dialog().getByLabel("Add a step").fill("Press play");
        dialog().getByLabel("Add a step").press("Enter");
        assertThat(dialog().getByLabel("Step 2")).hasValue("Press play");
        dialog().getByLabel("Close").click();
        assertThat(page.getByText("Link sheet:").locator("..")).containsText("at most 120 a second · no bundles");
    }

    @Test
    void aTargetIsAskedAndAnotherWasHeard() {
        takeInFrom("ask the target over HTTP");
        name("Water light");
        dialog().getByLabel("Address of the target").fill(imperan.pictures() + "/eddy");
        dialog().getByLabel("Address of the target").press("Enter");
        assertThat(dialog().getByRole(AriaRole.STATUS)).containsText("6 understood");
        take();
        open("Water light");
        assertThat(page.locator("[data-phrase='/eddy/tilt/x']").getByLabel("Values"))
                .hasValue("-45 to 45");

        takeInFrom("what a target was heard");
        dialog().getByLabel("Target").click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Keel"))
                .click();
        assertThat(dialog().locator("[data-row]")
                        .filter(new Locator.FilterOptions().setHasText("/keel/cross/1/1/level")))
                .isVisible();
        take();
        open("Keel, heard");
        assertThat(page.locator("[data-phrase='/keel/cross/1/1/level']")).isVisible();
    }

    @Test
    void whoeverDoesNotAnswerIsSaid() {
        takeInFrom("ask the target over HTTP");
        dialog().getByLabel("Address of the target").fill("http://127.0.0.1:1/");
        dialog().getByLabel("Address of the target").press("Enter");
        assertThat(dialog().locator("[data-row=refused]")).containsText("It does not answer");
        assertThat(dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import")))
                .isDisabled();
        page.keyboard().press("Escape");
    }

    @Test
    void phrasesAreSearchedAndMendedInPlace() {
        page.getByLabel("Search the phrases").fill("mix level");
        assertThat(page.locator("[data-phrase]")).hasCount(1);
        Locator phrase = page.locator("[data-phrase]");
        phrase.getByLabel("Address").fill("/bellows/mix/<mix:5..1>/level");
        phrase.getByLabel("Address").press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("ends before it begins");
        phrase.getByLabel("Address").press("Escape");
        phrase.getByLabel("Values").fill("0 to 1.5 V");
        phrase.getByLabel("Values").press("Enter");
        String csv = imperan.api("/phrasebooks/book-bellows/phrases.csv");
        Desk.waitUntil(
                "mended", () -> Chromium.get(page, csv).text().contains("/bellows/mix/<mix:1..5>/level,f,,0,1.5,V,"));
        String tree = Chromium.get(page, imperan.api("/phrasebooks/book-bellows/oscquery.json"))
                .text();
        assertThat(tree).contains("\"FULL_PATH\" : \"/bellows/mix/5/level\"");
    }

    @Test
    void whatAProofMayDoWithAPhraseIsSaid() {
        open("Wick");
        page.getByLabel("Details of /wick/master/<m:1..4>/level").click();
        Locator values = page.getByLabel("Values at the venue, such as 0.2 to 0.4 (empty: near the present one)");
        values.fill("between");
        values.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Write two numbers");
        values.fill("20 to");
        values.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("“20 to” is no range");
        values.fill("20 to 40");
        values.press("Enter");
        page.getByLabel("All its values may be sent at the venue, too").click();
        page.getByLabel("Most times a line is sent (0: no limit)").fill("4");
        page.getByLabel("Most times a line is sent (0: no limit)").press("Enter");
        String csv = imperan.api("/phrasebooks/book-wick/phrases.csv");
        Desk.waitUntil("kept", () -> Chromium.get(page, csv).text().contains("20 to 40; full sweep; at most 4"));
    }

    @Test
    void howAPhraseIsAskedIsSaid() {
        open("Wick");
        page.getByLabel("Details of /wick/master/<m:1..4>/level").click();
        Locator asked = page.getByLabel("Asked on this address, with the same slots (empty: its own)");
        asked.fill("/wick/get<");
        asked.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).isVisible();
        asked.fill("/wick/get/<m:1..4>");
        asked.press("Enter");
        page.getByLabel("The question carries the fixed arguments, such as a channel number")
                .click();
        Locator answered = page.getByLabel("Answered on (empty: the same address)");
        answered.fill("/wick/is/<m:1..4>");
        answered.press("Enter");
        Locator places =
                page.getByLabel("The answer says it in its arguments number (empty: in the same places), such as 2, 3");
        places.fill("second");
        places.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Write numbers, such as 2, 3");
        places.fill("2");
        places.press("Enter");
        String csv = imperan.api("/phrasebooks/book-wick/phrases.csv");
        Desk.waitUntil("kept", () -> Chromium.get(page, csv)
                .text()
                .contains("\"/wick/get/<m:1..4> with fixed, answered on /wick/is/<m:1..4>, in 1\""));
        asked.fill("");
        asked.press("Enter");
        assertThat(answered).hasCount(0);
    }

    @Test
    void aPhrasebookBringsItsLinkSheet() {
        page.navigate(imperan.url("/#/rig"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add target"))
                .click();
        Locator target = page.locator("[data-target='Target 6']");
        target.getByLabel("Phrasebook (brings its link sheet)").click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Bellows").setExact(true))
                .click();
        assertThat(target.getByLabel("It receives on port")).hasValue("7101");
        assertThat(target.getByLabel("Keep-alive message")).hasValue("/bellows/stay");
        assertThat(target.getByLabel("Steps to a proven link")).containsText("Switch remote control on");
        page.getByLabel("Remove Target 6").click();
    }
}
