package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import org.junit.jupiter.api.Test;

import java.util.Iterator;
import java.util.regex.Pattern;
import java.util.stream.Stream;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

/** What the Wire shows of good packets, bad packets and strangers. */
class WireTest {

    @Test
    void everyPacketIsShownWithWhatItSays() {
        try (Installation imperan = new Installation(); Chromium chromium = new Chromium();
             Desk desk = new Desk(imperan.bellows())) {
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/wire"));
            assertThat(page.locator("[data-wire=out]").first()).containsText("/bellows/");

            desk.set("/bellows/in/1/level", new OscArgument.Float32(0.5f));
            Locator row = page.locator("[data-wire=in]", new Page.LocatorOptions().setHasText("/bellows/in/1/level")).first();
            assertThat(row).containsText(Pattern.compile("\\d\\d:\\d\\d:\\d\\d\\.\\d{3}"));
            assertThat(row).containsText("Bellows");
            assertThat(row).containsText(imperan.answerPort() + " ← 127.0.0.1:" + imperan.bellows().getPort());
            assertThat(row).containsText(",fs");
            assertThat(row).containsText("0.5 “-2.0 dB”");

            desk.raw("/bellows/in/1/level\0,x\0\0".getBytes(), imperan.answerPort());
            assertThat(page.getByText("Not OSC at byte 21: The type tag 0x78 is not one of OSC 1.0").first()).isVisible();
            desk.raw(new byte[] {1, 2, 3}, imperan.answerPort());
            assertThat(page.getByText("Not OSC at byte 3: The size is 3 bytes, which is not a multiple of 4").first()).isVisible();
        }
    }

    @Test
    void whatIsMovedAtTheFarEndStandsFirstByAddress() {
        try (Installation imperan = new Installation(); Chromium chromium = new Chromium();
             Desk desk = new Desk(imperan.bellows())) {
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/wire"));
            page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("By address")).click();
            Locator rows = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Addresses, what moved last first")).locator("li");
            // Keel says twenty things a second, all the while
            assertThat(page.locator("[data-address='/keel/supply'][data-way=in]")).isVisible();
            Iterator<Integer> wiggle = Stream.iterate(1, i -> i + 1).iterator();
            Desk.waitUntil("the level that is moved stands first", () -> {
                desk.set("/bellows/in/7/level", new OscArgument.Float32(wiggle.next() % 100 / 100f));
                return "/bellows/in/7/level".equals(rows.first().getAttribute("data-address"));
            });
            Locator level = page.locator("[data-address='/bellows/in/7/level'][data-way=in]");
            assertThat(level).containsText("Bellows");
            // on a phone the value stands beside its address
            page.setViewportSize(390, 844);
            assertThat(level.getByText(Pattern.compile("dB"))).isInViewport();
            page.setViewportSize(1280, 800);
            level.getByLabel("Hide /bellows/in/7/level").click();
            assertThat(level).hasCount(0);
            assertThat(page.getByText("1 hidden")).isVisible();
            page.getByText("Show all").click();
            page.getByLabel("Text", new Page.GetByLabelOptions().setExact(true)).fill("in/7/level");
            assertThat(page.locator("[data-address='/keel/supply'][data-way=in]")).hasCount(0);
            assertThat(level).isVisible();
            page.getByText("Clear", new Page.GetByTextOptions().setExact(true)).click();
            assertThat(level).hasCount(0);
            assertThat(page.getByText("Nothing passes the filter.")).isVisible();
        }
    }
}
