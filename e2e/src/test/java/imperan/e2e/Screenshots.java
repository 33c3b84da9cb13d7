package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.standins.Fault;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** The pictures of docs/screenshots, made by {@code ./imperan shots}. Not a test: it asserts nothing about them. */
@EnabledIfSystemProperty(named = "imperan.shots", matches = ".+")
class Screenshots {

    @Test
    void mainViews() {
        Path folder = Path.of(System.getProperty("imperan.shots"));
        try (Installation imperan = Installation.fresh();
                Chromium chromium = new Chromium()) {
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/rig"));
            page.locator("[data-target=Keel] [data-link-state=answering]").waitFor();

            page.navigate(imperan.url("/#/run"));
            page.locator("[data-control=level-1][data-belief=KNOWN]").waitFor();
            for (int strip = 1; strip <= 9; strip++) {
                Hands.drag(page, "level-" + strip, 0.05, 0.2 + 0.07 * ((strip * 5) % 9));
            }
            page.locator("[data-control=mute-4] [role=button]").click();
            page.locator("[data-control=mute-4][data-lit=true]").waitFor();
            shot(page, folder, "run");

            page.navigate(imperan.url("/#/run/quay"));
            page.locator("[data-control=lanterns]")
                    .or(page.locator("[data-tray=lanterns]"))
                    .first()
                    .waitFor();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Look 2").setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName("Lantern 1: saved colour 3, #ff8a3c")
                                    .setExact(true))
                    .click();
            page.locator("[data-page=quay] [data-look=LIT]").first().waitFor();
            shot(page, folder, "run-quay");
            page.setViewportSize(390, 844);
            page.navigate(imperan.url("/#/run/walk"));
            page.locator("[data-page=walk] [data-belief=KNOWN]").first().waitFor();
            shot(page, folder, "run-phone");
            page.setViewportSize(1280, 800);

            page.navigate(imperan.url("/#/lines"));
            page.locator("[data-line]").first().waitFor();
            shot(page, folder, "lines");
            page.navigate(imperan.url("/#/lines/coverage"));
            page.locator("[data-coverage]").first().waitFor();
            shot(page, folder, "coverage");
            page.navigate(imperan.url("/#/layout"));
            page.locator("[data-build=level-3]").click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send once"))
                    .click();
            page.getByText("agrees").waitFor();
            shot(page, folder, "build");

            page.navigate(imperan.url("/#/layout/waves"));
            page.locator("[data-build]").first().click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Steps"))
                    .first()
                    .click();
            page.getByLabel("Position now").waitFor();
            page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Shaping"))
                    .getByRole(AriaRole.SLIDER)
                    .fill("0.7");
            page.locator("[data-point]").first().waitFor();
            shot(page, folder, "shaping");

            page.navigate(imperan.url("/#/cues"));
            page.locator("[data-cue='2']").waitFor();
            for (String next : List.of("1", "2", "3")) {
                page.getByRole(
                                AriaRole.BUTTON,
                                new Page.GetByRoleOptions().setName("Go").setExact(true))
                        .click();
                page.locator("[data-cue='" + next + "'][data-next=true]").waitFor();
            }
            page.locator("[data-running='2']").waitFor();
            page.waitForTimeout(1_500);
            shot(page, folder, "cues");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Edit").setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Edit cue 7").setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.REGION,
                            new Page.GetByRoleOptions().setName("Cue 7").setExact(true))
                    .waitFor();
            page.navigate(imperan.url("/#/cues/tide-song"));
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Play").setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Set list").setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName("Make Tide song ready")
                                    .setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName("Tide song on air")
                                    .setExact(true))
                    .click();
            page.locator("[data-song='Tide song'][data-on-air=true]").waitFor();
            page.locator("[data-fired='1'] [data-outcome=ANSWERED]").waitFor();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions()
                                    .setName("Make Evening walk ready")
                                    .setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.LINK,
                            new Page.GetByRoleOptions().setName("Tide song").setExact(true))
                    .click();
            page.locator("[data-fired='2'] [data-outcome=ANSWERED]").first().waitFor();
            shot(page, folder, "song");
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Stop all").setExact(true))
                    .click();
            page.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName("Set list").setExact(true))
                    .click();

            page.navigate(imperan.url("/#/wire"));
            page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Repeating messages"))
                    .waitFor();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Clear"))
                    .click();
            for (int i = 1; i <= 8; i++) {
                imperan.post("Bellows")
                        .byHand(OscMessage.of("/bellows/in/" + i + "/level", new OscArgument.Float32(i / 10f)));
            }
            try (Page hand = chromium.device("Ben")) {
                hand.navigate(imperan.url("/#/run/sound"));
                Hands.waitForRun(hand);
                Hands.control(hand, "level-5")
                        .and(hand.locator("[data-belief=KNOWN]"))
                        .waitFor();
                Hands.drag(hand, "level-5", 0.5, 0.7);
                page.locator("[data-wire=out]")
                        .filter(new Locator.FilterOptions().setHasText("/bellows/in/5/level"))
                        .first()
                        .waitFor();
            }
            page.locator("[data-wire=in]")
                    .filter(new Locator.FilterOptions().setHasText("/bellows/in/5/level"))
                    .first()
                    .waitFor();
            shot(page, folder, "wire");

            page.navigate(imperan.url("/#/rig"));
            page.locator("[data-target=Keel] [data-link-state=answering]").waitFor();
            shot(page, folder, "rig");
            imperan.post("Wick").byHand(OscMessage.of("/wick/look/3/go"));
            imperan.post("Sluice").byHand(OscMessage.of("/sluice/scene", new OscArgument.Text("Moonrise")));
            imperan.post("Eddy").byHand(OscMessage.of("/eddy/tilt/x", new OscArgument.Float32(18)));
            page.navigate(imperan.pictures());
            page.locator("[data-device=Keel]").waitFor();
            page.waitForTimeout(1_500);
            shot(page, folder, "standins");

            imperan.fault("Bellows", Fault.DEAF, true);
            page.navigate(imperan.url("/#/run"));
            Hands.drag(page, "level-5", 0.3, 0.5);
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Why no answer?"))
                    .click();
            page.locator("[data-suspect=DEAF]").waitFor();
            shot(page, folder, "why");
            page.navigate(imperan.url("/#/proof/ready"));
            page.locator("[data-question=ANSWERED][data-ready=false]").waitFor();
            shot(page, folder, "ready");
            page.navigate(imperan.url("/#/proof/watch"));
            page.locator("[data-incident=NO_ANSWER]").waitFor();
            shot(page, folder, "watch");
            imperan.fault("Bellows", Fault.DEAF, false);

            imperan.fault("Eddy", Fault.CLAMPED, true);
            page.navigate(imperan.url("/#/proof"));
            page.getByLabel("Each at least").click();
            page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("3 times: a quick look"))
                    .click();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Start the proof"))
                    .click();
            page.locator("[data-verdict=WRONG_VALUE]").first().waitFor();
            shot(page, folder, "proof");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open report"))
                    .click(new Locator.ClickOptions().setTimeout(120_000));
            page.getByText("Lines, failed first").waitFor();
            shot(page, folder, "report");

            page.navigate(imperan.url("/#/layout"));
            page.getByLabel("Add page").click();
            page.getByText("An empty page.").waitFor();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Type or paste addresses …"))
                    .click();
            Locator typed = page.getByRole(AriaRole.DIALOG);
            typed.getByLabel("Addresses", new Locator.GetByLabelOptions().setExact(true))
                    .fill(
                            """
                    /bellows/in/1/lvel
                    /bellows/in/2/lvel
                    /bellows/in/3/lvel
                    /bellows/in/13/mute
                    /Bellows/main/level
                    /bellows/in/4/pan 1
                    """);
            typed.getByText("Place 6 lines").click();
            page.locator("[data-build]").nth(5).waitFor();
            page.navigate(imperan.url("/#/proof/findings"));
            page.locator("[data-group=ADDRESS_UNKNOWN]").waitFor();
            shot(page, folder, "findings");

            page.navigate(imperan.url("/#/shows"));
            page.getByText("Duplicate").click();
            page.locator("[data-show='The Salt Clock (2)']").waitFor();
            page.getByLabel("Switch to the day theme").click();
            shot(page, folder, "shows-day");
        }
    }

    private static void shot(Page page, Path folder, String name) {
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
