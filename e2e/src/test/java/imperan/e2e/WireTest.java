package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.standins.Fault;
import java.util.Iterator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the Wire shows of good packets, bad packets and strangers, and what can be made of a row. */
class WireTest extends InstalledTest {

    private static Page wire() {
        Page page = chromium.device("Ada");
        page.navigate(imperan.url("/#/wire"));
        return page;
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private static void tab(Page page, String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    private static Locator row(Page page, String way, String address) {
        return page.locator("[data-wire=" + way + "]")
                .filter(new Locator.FilterOptions().setHasText(address))
                .first();
    }

    private static void search(Page page, String text) {
        page.getByLabel("Address or text").fill(text);
    }

    private static void move(String address, float to) {
        imperan.post("Bellows").byHand(OscMessage.of(address, new OscArgument.Float32(to)));
    }

    @Test
    void everyPacketIsShownWithWhatItSays() {
        try (Page page = wire();
                Desk desk = new Desk(imperan.bellows())) {
            search(page, "/bellows/in/1/level");
            desk.set("/bellows/in/1/level", new OscArgument.Float32(0.5f));
            Locator row = row(page, "in", "/bellows/in/1/level");
            assertThat(row).containsText(Pattern.compile("\\d\\d:\\d\\d:\\d\\d\\.\\d{3}"));
            assertThat(row).containsText("Bellows");
            assertThat(row)
                    .hasAttribute(
                            "title",
                            imperan.answerPort() + " ← 127.0.0.1:"
                                    + imperan.bellows().getPort() + ", 36 bytes");
            assertThat(row).containsText(",fs");
            assertThat(row).containsText("0.5 “-2.0 dB”");

            search(page, "not OSC");
            assertThat(page.getByText("Nothing passes the filter.")).isVisible();
            search(page, "");
            page.getByLabel("Only").click();
            page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("problems"))
                    .click();
            desk.raw("/bellows/in/1/level\0,x\0\0".getBytes(), imperan.answerPort());
            assertThat(page.getByText("Not OSC at byte 21: The type tag 0x78 is not one of OSC 1.0")
                            .first())
                    .isVisible();
            desk.raw(new byte[] {1, 2, 3}, imperan.answerPort());
            Locator broken = page.getByText("Not OSC at byte 3: The size is 3 bytes, which is not a multiple of 4")
                    .first();
            broken.click();
            assertThat(page.getByRole(AriaRole.DIALOG).locator("[data-piece=NOT_READ]"))
                    .containsText("010203");
        }
    }

    /** Keel says twenty things a second, all the while: they are one row each, and what is moved stands out. */
    @Test
    void whatRepeatsIsFoldedAndWhatIsMovedStandsOnTop() {
        try (Page page = wire()) {
            Locator folded = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Repeating messages"));
            Locator repeating = folded.getByRole(AriaRole.BUTTON).first();
            assertThat(repeating).containsText(Pattern.compile("[2-9]\\d repeating"));
            button(page, "Clear").click();
            move("/bellows/in/7/level", 0.31f);
            // something that comes seldom may come a moment later, and stands above it then
            assertThat(row(page, "in", "/bellows/in/7/level")).isVisible();
            assertThat(page.locator("[data-wire]").filter(new Locator.FilterOptions().setHasText("/keel/supply")))
                    .hasCount(0);
            repeating.click();
            Locator supply = folded.locator("li").filter(new Locator.FilterOptions().setHasText("/keel/supply"));
            assertThat(supply).containsText(Pattern.compile("[01]\\.\\d /s"));
            supply.getByLabel("Mute /keel/supply").click();
            assertThat(supply).hasCount(0);
            button(page, "Show Keel /keel/supply again").click();
            assertThat(supply).hasCount(1);
            button(page, "Show in the list").click();
            assertThat(row(page, "in", "/keel/")).isVisible();
            button(page, "Fold repeats").click();
            assertThat(repeating).isVisible();
        }
    }

    @Test
    void aPatternFindsWhatOscMeansByIt() {
        try (Page page = wire()) {
            search(page, "/*/in/{2,4}/level");
            assertThat(page.getByLabel("Address or text")).hasValue("/*/in/{2,4}/level");
            move("/bellows/in/2/level", 0.21f);
            move("/bellows/in/3/level", 0.22f);
            move("/bellows/in/4/level", 0.23f);
            assertThat(row(page, "in", "0.23")).isVisible();
            assertThat(row(page, "in", "0.21")).isVisible();
            assertThat(row(page, "in", "/bellows/in/3/level")).hasCount(0);
            search(page, "/*/in/{2,4");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("This is no address pattern: '{' is never closed");
        }
    }

    @Test
    void whatWasNotAnsweredIsFoundAndSaysSo() {
        try (Page page = wire()) {
            imperan.fault("Bellows", Fault.DEAF, true);
            page.getByLabel("Only").click();
            page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("unanswered"))
                    .click();
            try (Page hand = chromium.device("Ben")) {
                hand.navigate(imperan.url("/#/run/sound"));
                Hands.drag(hand, "level-5", 0.2, 0.4);
                Locator lost = row(page, "out", "/bellows/in/5/level");
                assertThat(lost).containsText("no answer");
                assertThat(lost).containsText("Ben");
                lost.click();
                button(page, "Why no answer?").click();
                assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Bellows");
                page.keyboard().press("Escape");
                // the line at the foot of every screen says it, too, until something else leaves
                Hands.drag(hand, "level-5", 0.4, 0.6);
                assertThat(page.locator("[data-ticker=out]")).containsText("no answer");
                page.getByText("Why?", new Page.GetByTextOptions().setExact(true))
                        .click();
                assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Bellows");
            } finally {
                imperan.fault("Bellows", Fault.DEAF, false);
            }
        }
    }

    @Test
    void aPausedListStaysAndGoesOnCollecting() {
        try (Page page = wire()) {
            search(page, "/bellows/in/6/level");
            move("/bellows/in/6/level", 0.11f);
            assertThat(row(page, "in", "0.11")).isVisible();
            button(page, "Pause").click();
            move("/bellows/in/6/level", 0.12f);
            button(page, "Resume (1 new)").waitFor();
            assertThat(row(page, "in", "0.12")).hasCount(0);
            // another question is answered from what stood on the screen then
            search(page, "/bellows/in/6/*");
            assertThat(row(page, "in", "0.11")).isVisible();
            assertThat(row(page, "in", "0.12")).hasCount(0);
            button(page, "Resume (1 new)").click();
            assertThat(row(page, "in", "0.12")).isVisible();
        }
    }

    /** A message byte by byte, with the one that answers it. */
    @Test
    void aMessageIsTakenApartBesideItsAnswer() {
        try (Page page = wire();
                Page hand = chromium.device("Ben")) {
            search(page, "/bellows/in/8/level");
            hand.navigate(imperan.url("/#/run/sound"));
            Hands.drag(hand, "level-8", 0.1, 0.35);
            Locator sent = row(page, "out", "/bellows/in/8/level");
            assertThat(sent).containsText(Pattern.compile("\\d ms"));
            sent.click();
            Locator panel = page.getByRole(AriaRole.DIALOG);
            assertThat(panel.locator("[data-piece=ADDRESS]")).containsText("2f62656c 6c6f7773");
            assertThat(panel.locator("[data-piece=TYPE_TAGS]")).containsText(",f");
            assertThat(panel.locator("[data-piece=FLOAT32]")).containsText("float");
            panel.getByText("Answered after")
                    .locator("xpath=..")
                    .getByRole(AriaRole.BUTTON)
                    .click();
            assertThat(panel).containsText("It answers, after");
            assertThat(panel.locator("[data-piece=STRING]")).containsText("dB");
        }
    }

    /** From a row to a listen: open it, "Give to a control", and the control. */
    @Test
    void aRowBecomesTheLinesOfAControlInThreeActions() {
        try (Page page = wire()) {
            search(page, "/bellows/main/level");
            move("/bellows/main/level", 0.41f);
            row(page, "in", "/bellows/main/level").click();
            button(page, "Give to a control …").click();
            Locator controls = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Controls"));
            controls.getByRole(AriaRole.BUTTON)
                    .filter(new Locator.FilterOptions().setHasText("Rain"))
                    .first()
                    .click();
            assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
            row(page, "in", "/bellows/main/level").click();
            page.getByRole(AriaRole.DIALOG)
                    .getByText("Heard by")
                    .locator("xpath=..")
                    .getByRole(AriaRole.BUTTON)
                    .filter(new Locator.FilterOptions().setHasText("Rain"))
                    .click();
            assertThat(page).hasURL(Pattern.compile("#/layout/"));
            page.keyboard().press("Control+z");
            assertThat(page.getByText("Undo", new Page.GetByTextOptions().setExact(false))
                            .first())
                    .isVisible();
        }
    }

    @Test
    void aRowBecomesAPhrase() {
        try (Page page = wire();
                Desk desk = new Desk(imperan.bellows())) {
            desk.raw(OscEncoder.encode(OscMessage.of("/bellows/tide", new OscArgument.Int32(4))), imperan.answerPort());
            search(page, "/bellows/tide");
            row(page, "in", "/bellows/tide").click();
            Locator panel = page.getByRole(AriaRole.DIALOG);
            panel.getByText("Add to phrasebook").click();
            assertThat(panel.getByRole(AriaRole.STATUS)).containsText("Added to the phrasebook");
            panel.getByText("Add to phrasebook").click();
            assertThat(panel.getByRole(AriaRole.STATUS)).containsText("The phrasebook has it already");
        }
    }

    @Test
    void whatIsMovedAtTheFarEndStandsFirstByAddress() {
        try (Page page = wire();
                Desk desk = new Desk(imperan.bellows())) {
            tab(page, "By address");
            Locator rows = page.getByRole(
                            AriaRole.LIST, new Page.GetByRoleOptions().setName("Addresses, what moved last first"))
                    .locator("li");
            Iterator<Integer> wiggle = Stream.iterate(1, i -> i + 1).iterator();
            Desk.waitUntil("the level that is moved stands first", () -> {
                desk.set("/bellows/in/9/level", new OscArgument.Float32(wiggle.next() % 100 / 100f));
                return "/bellows/in/9/level".equals(rows.first().getAttribute("data-address"));
            });
            Locator level = page.locator("[data-address='/bellows/in/9/level'][data-way=in]");
            assertThat(level).containsText("Bellows");
            // on a phone the value stands beside its address
            page.setViewportSize(390, 844);
            assertThat(level.getByText(Pattern.compile("dB"))).isInViewport();
            page.setViewportSize(1280, 800);
            level.getByLabel("Mute /bellows/in/9/level").click();
            assertThat(level).hasCount(0);
            button(page, "Show Bellows /bellows/in/9/level again").click();
            search(page, "in/9/level");
            assertThat(page.locator("[data-way=in]").filter(new Locator.FilterOptions().setHasText("/keel/")))
                    .hasCount(0);
            assertThat(level).isVisible();
            search(page, "/bellows/{in");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("This is no address pattern");
            search(page, "in/9/level");
            assertThat(level).isVisible();
            page.getByText("Clear", new Page.GetByTextOptions().setExact(true)).click();
            assertThat(level).hasCount(0);
            assertThat(page.getByText("Nothing passes the filter.")).isVisible();
        }
    }

    @Test
    void theStartLogSaysWhatWasOpenedAndWhere() {
        try (Page page = wire()) {
            tab(page, "Start log");
            Locator log =
                    page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Since the start, newest first"));
            assertThat(log)
                    .containsText("Bellows: sending to 127.0.0.1 port "
                            + imperan.bellows().getPort() + ", receiving on 127.0.0.1 port " + imperan.answerPort());
            assertThat(log).containsText("“The Salt Clock” is live");
            Locator reached = page.getByRole(
                    AriaRole.REGION, new Page.GetByRoleOptions().setName("Where this machine is reached"));
            assertThat(reached).containsText(imperan.url("").replaceFirst("/$", ""));
            assertThat(reached).containsText("lo: 127.0.0.1/8");
        }
    }

    @Test
    void numbersArePlottedOverTime() {
        try (Page page = wire()) {
            tab(page, "Plot");
            assertThat(page.getByText("Nothing is plotted yet.")).isVisible();
            move("/bellows/in/10/level", 0.2f);
            move("/bellows/in/10/level", 0.6f);
            tab(page, "By address");
            search(page, "in/10/level");
            page.locator("[data-address='/bellows/in/10/level'][data-way=in]")
                    .getByLabel("Plot /bellows/in/10/level")
                    .click();
            tab(page, "Plot");
            Locator curve = page.locator("[data-plotted='/bellows/in/10/level']");
            assertThat(curve).containsText("now 0.6");
            assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Values over time"))
                            .locator("canvas"))
                    .isVisible();
            move("/bellows/in/10/level", 0.9f);
            assertThat(curve).containsText(Pattern.compile("now 0.9, from 0.* to 0.9"));
            curve.getByLabel("Remove /bellows/in/10/level").click();
            assertThat(curve).hasCount(0);

            // both ends of the shaping: where the control stood, and what left
            try (Page run = chromium.device("Ben")) {
                run.navigate(imperan.url("/#/run/sound"));
                Hands.waitForRun(run);
                Hands.drag(run, "level-10", 0.2, 0.6);
            }
            tab(page, "By address");
            search(page, "in/10/level");
            page.locator("[data-address='/bellows/in/10/level'][data-way=out]")
                    .getByLabel("Plot /bellows/in/10/level")
                    .click();
            tab(page, "Plot");
            curve.getByText("+ position").click();
            assertThat(curve.filter(new Locator.FilterOptions().setHasText("where the control stood")))
                    .containsText(Pattern.compile("now [01]"));
        }
    }
}
