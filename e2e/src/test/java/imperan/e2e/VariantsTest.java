package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import imperan.picture.Picture;
import imperan.server.store.Keeper;
import imperan.server.store.PictureStore;
import imperan.show.Control;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Twin;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The same controls on another page, a copy to work on while the layout is played, and pictures on controls. */
class VariantsTest extends InstalledTest {

    private static Page page;

    @BeforeAll
    static void open() {
        page = chromium.device("Ada");
    }

    @BeforeEach
    void theSoundPage() {
        page.navigate(imperan.url("/#/layout/sound"));
        // what a test before this one left open or selected
        page.reload();
        assertThat(page.locator("[data-build=level-1]")).isVisible();
    }

    private static Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void inPanel(String name) {
        page.getByLabel("Page settings").click();
        button(name).click();
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }

    private static void choose(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    private static void label(String text) {
        Locator field = page.getByLabel("Label", new Page.GetByLabelOptions().setExact(true));
        field.fill(text);
        field.press("Enter");
    }

    private static Show show() {
        return imperan.bean(Keeper.class).show(imperan.show()).join();
    }

    private static String labelOf(String id) {
        return ((Control) show().part(new PartId(id)).orElseThrow().body()).label();
    }

    // ---- shown again

    @Test
    void aPageForAPhonePlaysTheSameControls() {
        inPanel("Show again");
        assertThat(page.locator("[data-page]:not([data-page=sound])")).isVisible();
        String twin = show().all(Twin.class).stream()
                .filter(part -> ((Twin) part.body()).of().equals(new PartId("level-1"))
                        && part.parent().isPresent()
                        && page.locator("[data-page]")
                                .getAttribute("data-page")
                                .equals(part.parent().get().value()))
                .findFirst()
                .orElseThrow()
                .id()
                .value();
        page.locator("[data-build='" + twin + "']").click();
        assertThat(page.locator("[data-path]")).containsText("The same control as on Sound");
        label("Wheel, both");
        Desk.waitUntil("named at both places", () -> labelOf("level-1").equals("Wheel, both"));
        Hands.run(page);
        Hands.drag(page, "level-1", 0, 0.6);
        try (Desk desk = new Desk(imperan.bellows())) {
            desk.waitForLevel("in/1", 0.6);
        }
        page.navigate(imperan.url("/#/run/sound"));
        assertThat(page.locator("[data-page=sound] [data-control=level-1] .reading-out"))
                .hasText("0.600");

        page.goBack();
        page.goBack();
        page.locator("[data-build='" + twin + "']").click();
        button("Give it lines of its own").click();
        assertThat(page.locator("[data-path]")).not().containsText("The same control as on");
        label("Wheel, alone");
        Desk.waitUntil("named at one place", () -> show().all(Control.class).stream()
                .anyMatch(part -> part.body().called().equals("Wheel, alone")));
        assertThat(labelOf("level-1")).isEqualTo("Wheel, both");
        inPanel("Remove page");
    }

    // ---- a copy in work

    @Test
    void aCopyIsBuiltWhileTheLayoutIsPlayedAndSwappedInUnderAHeldFinger() {
        Page player = chromium.device("Ben");
        player.navigate(imperan.url("/#/run/sound"));

        inPanel("Work on a copy");
        Locator draft = page.locator("section[aria-label^='Copy of']");
        assertThat(draft).isVisible();
        page.locator("[data-build]")
                .filter(new Locator.FilterOptions().setHasText("Miller"))
                .locator("visible=true")
                .last()
                .click();
        label("Miller, new");
        assertThat(page.locator("[data-build]")
                        .filter(new Locator.FilterOptions().setHasText("Miller, new"))
                        .first())
                .isVisible();
        assertThat(player.locator("[data-control=level-3]")).not().containsText("new");
        assertThat(player.getByRole(AriaRole.NAVIGATION)
                        .getByText("Sound", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(1);

        double[] start = Hands.place(player, "level-3", 0);
        double[] end = Hands.place(player, "level-3", 0.5);
        player.mouse().move(start[0], start[1]);
        player.mouse().down();
        draft.getByText("Swap in …").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("Miller, new");
        assertThat(dialog.locator("[data-changes='1']")).isVisible();
        dialog.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Swap in").setExact(true))
                .click();
        assertThat(draft).hasCount(0);
        assertThat(player.locator("[data-control=level-3]")).containsText("Miller, new");
        player.mouse().move(end[0], end[1]);
        player.mouse().up();
        try (Desk desk = new Desk(imperan.bellows())) {
            desk.waitForLevel("in/3", 0.5);
        }
        button("Undo").click();
        assertThat(player.locator("[data-control=level-3]")).not().containsText("new");
        draft.getByText("Discard").click();
        assertThat(draft).hasCount(0);
        player.context().close();
    }

    @Test
    void whatWasChangedInTheLayoutMeanwhileIsSaidBeforeItIsLost() {
        inPanel("Work on a copy");
        Locator draft = page.locator("section[aria-label^='Copy of']");
        assertThat(draft).isVisible();
        page.navigate(imperan.url("/#/layout/sound"));
        page.locator("[data-build=level-2]").click();
        String before = labelOf("level-2");
        label("Changed meanwhile");
        Desk.waitUntil("changed", () -> labelOf("level-2").equals("Changed meanwhile"));
        draft.getByText("Swap in …").click();
        assertThat(page.getByRole(AriaRole.DIALOG))
                .containsText("“Changed meanwhile” was changed by Ada since the copy was made");
        button("Cancel").click();
        assertThat(labelOf("level-2")).isEqualTo("Changed meanwhile");
        draft.getByText("Discard").click();
        assertThat(draft).hasCount(0);
        label(before);
        Desk.waitUntil("as before", () -> labelOf("level-2").equals(before));
    }

    @Test
    void whoLooksAtACopyThatAnotherDiscardsIsToldAndWhoDiscardsGoesOn() {
        inPanel("Work on a copy");
        Locator draft = page.locator("section[aria-label^='Copy of']");
        assertThat(draft).isVisible();
        Page other = chromium.device("Ben");
        other.navigate(page.url());
        assertThat(other.locator("section[aria-label^='Copy of']")).isVisible();
        draft.getByText("Discard").click();
        assertThat(other.getByRole(AriaRole.ALERT)).containsText("was removed");
        assertThat(page.locator("[data-page=sound]")).isVisible();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        other.context().close();
    }

    // ---- pictures and text

    private static byte[] png() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    @Test
    void aButtonShowsAPictureThatIsUploadedOnce() throws IOException {
        page.locator("[data-build=mute-1]").click();
        page.getByText("Look", new Page.GetByTextOptions().setExact(true)).click();
        Locator file = page.getByLabel("Picture file");
        file.setInputFiles(new FilePayload("notes.png", "image/png", "no picture".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText("This is no PNG and no JPEG")).isVisible();
        byte[] png = png();
        String hash = ((Picture.Read.Good) Picture.read(png)).picture().hash();
        file.setInputFiles(new FilePayload("horn.png", "image/png", png));
        Locator picture = page.locator("[data-build=mute-1] img");
        assertThat(picture).isVisible();
        assertThat(picture).hasJSProperty("naturalWidth", 40);
        assertThat(imperan.bean(PictureStore.class).get(hash)).isPresent();
        double usual = size("[data-build=mute-1] [data-label]");
        choose("Text size", "huge");
        Desk.waitUntil("a larger text", () -> size("[data-build=mute-1] [data-label]") > 1.5 * usual);
        choose("Text stands", "not shown");
        assertThat(page.locator("[data-build=mute-1] [data-label]")).isHidden();
        // the next control takes it from the list
        page.locator("[data-build=mute-2]").click();
        page.getByText("Look", new Page.GetByTextOptions().setExact(true)).click();
        choose("Picture", "horn.png");
        assertThat(page.locator("[data-build=mute-2] img")).hasJSProperty("naturalWidth", 40);
        String file1 = page.evaluate(
                        "() => fetch('/api/shows/" + imperan.show() + "/layouts/sound/file').then(r => r.text())")
                .toString();
        assertThat(file1).containsOnlyOnce("\"data\":").contains(hash);
    }

    private static double size(String place) {
        return Double.parseDouble(page.locator(place)
                .evaluate("e => getComputedStyle(e).fontSize")
                .toString()
                .replace("px", ""));
    }
}
