package imperan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import imperan.osc.OscArgument;
import org.junit.jupiter.api.Test;

import java.util.regex.Pattern;

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
}
