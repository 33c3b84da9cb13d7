package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import imperan.show.ShowFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Whole shows: kept apart, carried in files, taken back. */
class ShowsTest extends InstalledTest {

    private Page page;

    @BeforeEach
    void atTheShows() {
        page = chromium.device("Ada");
        page.navigate(imperan.url("/#/shows"));
        assertThat(show("The Salt Clock")).isVisible();
    }

    private Locator show(String name) {
        return page.locator("[data-show='" + name + "']");
    }

    private static Locator button(Locator within, String name) {
        return within.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private String exported(String name) throws IOException {
        Download download = page.waitForDownload(() -> show(name)
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Export"))
                .click());
        return Files.readString(download.path());
    }

    private void choose(String file) {
        page.getByLabel("Show file")
                .setInputFiles(new FilePayload("show.json", "application/json", file.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aShowIsMadeRenamedDeletedAndBroughtBack() {
        page.getByText("New show").click();
        assertThat(page.getByText("No target yet")).isVisible();
        page.navigate(imperan.url("/#/shows"));
        Locator fresh = page.locator("[data-show^='Show ']").last();
        String first = fresh.getAttribute("data-show");
        show(first).getByLabel("Show name").fill("Harbour");
        show(first).getByLabel("Show name").press("Enter");
        assertThat(show("Harbour")).isVisible();

        show("Harbour").getByLabel("Show name").fill("The Salt Clock");
        show("Harbour").getByLabel("Show name").press("Enter");
        assertThat(show("Harbour").getByRole(AriaRole.ALERT)).containsText("There is a show “The Salt Clock” already");
        show("Harbour").getByLabel("Show name").press("Escape");

        button(show("Harbour"), "Delete Harbour").click();
        assertThat(show("Harbour")).hasCount(0);
        button(page.locator("[data-deleted=Harbour]"), "Bring back").click();
        assertThat(show("Harbour")).isVisible();
        assertThat(button(show("The Salt Clock"), "Delete The Salt Clock")).isDisabled();
    }

    @Test
    void anotherShowIsEditedWhileTheLiveOneRuns() {
        button(show("The Salt Clock"), "Duplicate").click();
        Locator copy = show("The Salt Clock (2)");
        button(copy, "Open").click();
        assertThat(page.getByText("This show is not live")).isVisible();
        page.locator("[data-build=level-1]").click();
        page.getByLabel("Label").fill("Changed in the copy");
        page.getByLabel("Label").press("Enter");
        assertThat(page.locator("[data-build=level-1]")).containsText("Changed in the copy");

        Page live = chromium.device("Ben");
        live.navigate(imperan.url("/#/layout"));
        assertThat(live.locator("[data-build=level-1]")).containsText("Wheel");

        // the copy has controls of the same ids; hands on them move nothing of the live show
        Hands.run(page);
        assertThat(page.locator("[data-mode=run]").getByText("This show is not live"))
                .isVisible();
        assertThat(page.locator("[data-mode=run]").locator("[data-control=level-1]"))
                .isVisible();
        Hands.drag(page, "level-1", 0, 0.8);
        page.getByText("Reset page …").click();
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).containsText("not live");
        page.getByRole(AriaRole.ALERTDIALOG).getByText("Close").click();
        live.navigate(imperan.url("/#/run"));
        assertThat(Hands.control(live, "level-2")).hasAttribute("data-belief", "KNOWN");
        Hands.drag(live, "level-2", 0, 0.5);
        try (Desk desk = new Desk(imperan.bellows())) {
            desk.waitForLevel("in/2", 0.5);
            assertThat(desk.level("in/1")).isZero();
        }

        page.navigate(imperan.url("/#/shows"));
        page.reload();
        button(show("The Salt Clock (2)"), "Go live").click();
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).containsText("“The Salt Clock” releases its targets");
        button(page.getByRole(AriaRole.ALERTDIALOG), "Go live").click();
        assertThat(page.locator("[data-target=Bellows]")).isVisible();
        assertThat(page.getByText("This show is not live")).hasCount(0);
        assertThat(live.getByText("This show is not live")).isVisible();
        live.context().close();

        page.navigate(imperan.url("/#/shows"));
        button(show("The Salt Clock"), "Go live").first().click();
        button(page.getByRole(AriaRole.ALERTDIALOG), "Go live").click();
        assertThat(page.locator("[data-target=Bellows]")).isVisible();
        page.navigate(imperan.url("/#/shows"));
        assertThat(button(show("The Salt Clock"), "Delete The Salt Clock").first())
                .isDisabled();
    }

    @Test
    void aFileComesBackTheSame() throws IOException {
        String file = exported("The Salt Clock");
        assertThat(file).startsWith("{\"format\":\"imperan-show\",\"name\":\"The Salt Clock\"");
        choose(file);
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("5 targets, 6 pages, 181 controls.");
        assertThat(dialog).containsText("There is a show of this name already");
        button(dialog, "Keep both").click();
        Locator copy = page.locator("[data-show^='The Salt Clock (']").last();
        assertThat(copy).isVisible();
        String name = copy.getAttribute("data-show");
        assertThat(exported(name).replace(name, "The Salt Clock")).isEqualTo(file);
        button(show(name), "Delete " + name).click();
    }

    @Test
    void aBrokenFileIsRefusedWithThePlaceAndNothingChanges() throws IOException {
        String file = exported("The Salt Clock");
        int shows = page.locator("[data-show]").count();
        choose(file.substring(0, 200));
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("This is not JSON");
        button(page.getByRole(AriaRole.DIALOG), "Close").click();
        choose(file.replace("\"version\":" + ShowFile.VERSION, "\"version\":" + (ShowFile.VERSION + 1)));
        assertThat(page.getByRole(AriaRole.DIALOG))
                .containsText("version: The file is of version " + (ShowFile.VERSION + 1));
        button(page.getByRole(AriaRole.DIALOG), "Close").click();
        choose(file.replace("\"host\":\"127.0.0.1\"", "\"host\":\"127,0,0,1\""));
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("/body/standIn/host: 127,0,0,1 has commas");
        button(page.getByRole(AriaRole.DIALOG), "Close").click();
        assertThat(page.locator("[data-show]")).hasCount(shows);
    }

    @Test
    void historyNamesEveryEditAndLeadsBack() {
        page.navigate(imperan.url("/#/history"));
        page.getByLabel("Name of the version").fill("As it was");
        page.getByText("Save this version").click();
        assertThat(page.locator("[data-keep-point='As it was']")).isVisible();

        page.navigate(imperan.url("/#/rig"));
        page.getByLabel("Settings of Bellows").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Big desk");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.locator("[data-target='Big desk']")).isVisible();

        page.navigate(imperan.url("/#/history"));
        assertThat(page.locator("[data-edit]").first()).containsText("Change name of Bellows");
        assertThat(page.locator("[data-edit]").first()).containsText("Ada");
        button(page.locator("[data-keep-point='As it was']"), "Restore").click();
        button(page.getByRole(AriaRole.ALERTDIALOG), "Restore").click();
        assertThat(page.locator("[data-edit]").first()).containsText("Restore version");
        page.getByText("Undo mine").click();
        assertThat(page.locator("[data-edit]").first()).containsText("Undo: Restore version");
        page.getByText("Undo mine").click();
        assertThat(page.locator("[data-edit]").first()).containsText("Undo: Change name of Bellows");
        page.navigate(imperan.url("/#/rig"));
        assertThat(page.locator("[data-target=Bellows]")).isVisible();
    }

    @Test
    void aShowThatIsNotThereIsSaid() {
        page.navigate(imperan.url("/?show=nowhere#/rig"));
        assertThat(page.getByText("There is no such show any more.")).isVisible();
    }
}
