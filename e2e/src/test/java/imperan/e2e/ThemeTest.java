package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Both themes can be read: WCAG 2.2, 1.4.3 "Contrast (Minimum)", computed in the browser from what is really shown. And no station is
 * larger than its window, or browsers that show scroll bars show two of them.
 */
class ThemeTest {

    /**
     * The relative luminance and the ratio of WCAG 2.2 for every visible text against the nearest filled ground behind it:
     * at least 4.5, or 3 for text of 24 px, or of 18.66 px in bold.
     */
    private static final String FAINT_TEXTS =
            """
            () => {
              const parse = (c) => (c.match(/[\\d.]+/g) ?? []).map(Number);
              const light = ([r, g, b]) => {
                const f = (v) => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4);
                return 0.2126 * f(r) + 0.7152 * f(g) + 0.0722 * f(b);
              };
              const ground = (e) => {
                for (; e; e = e.parentElement) {
                  const c = parse(getComputedStyle(e).backgroundColor);
                  if (c.length === 3 || c[3] === 1) return c;
                }
                return [255, 255, 255];
              };
              const faint = [];
              for (const e of document.querySelectorAll('body *')) {
                const text = [...e.childNodes].filter((n) => n.nodeType === 3).map((n) => n.data.trim()).join('');
                const box = e.getBoundingClientRect();
                const style = getComputedStyle(e);
                if (!text || !box.width || box.right < 0 || style.visibility === 'hidden' || e.closest(':disabled')) continue;
                const a = light(parse(style.color)), b = light(ground(e));
                const ratio = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
                const size = parseFloat(style.fontSize);
                const large = size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700);
                if (ratio < (large ? 3 : 4.5)) faint.push(`${text} ${ratio.toFixed(2)}`);
              }
              return faint;
            }""";

    private static final String OVER_THE_WINDOW =
            """
            () => { const { scrollWidth, clientWidth, scrollHeight, clientHeight } = document.documentElement;
              return [scrollWidth - clientWidth, scrollHeight - clientHeight].join(); }""";

    @Test
    void everyTextOfEveryStationStandsOutInBothThemes() {
        try (Installation imperan = Installation.fresh();
                Chromium chromium = new Chromium()) {
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/rig"));
            for (String theme : List.of("night", "day")) {
                assertThat(page.locator("html")).hasAttribute("data-theme", theme);
                for (String station : List.of(
                        "rig",
                        "rig/hosts",
                        "rig/phrasebooks",
                        "rig/machine",
                        "rig/sheet",
                        "layout",
                        "wire",
                        "wire/send",
                        "wire/captures",
                        "wire/start",
                        "shows",
                        "history",
                        "run")) {
                    page.navigate(imperan.url("/#/" + station));
                    assertThat(page.locator("[data-ticker=in]")).containsText("/");
                    if (station.equals("rig")) {
                        page.getByLabel("Settings of Bellows").click();
                        assertThat(page.getByText("Evidence")).isVisible();
                    } else if (station.equals("layout")) {
                        page.locator("[data-build=level-1]").click();
                        assertThat(page.getByText("Send once")).isVisible();
                        page.keyboard().press("Control+a");
                        assertThat(page.getByText("Settings of all")).isVisible();
                    }
                    assertThat(page.evaluate(OVER_THE_WINDOW))
                            .as("%s by %s", station, theme)
                            .isEqualTo("0,0");
                    assertThat((List<?>) page.evaluate(FAINT_TEXTS))
                            .as("%s by %s", station, theme)
                            .isEmpty();
                }
                page.navigate(imperan.url("/#/rig"));
                if (theme.equals("night")) {
                    page.getByLabel("Switch to the day theme").click();
                }
            }
            page.reload();
            assertThat(page.locator("html")).hasAttribute("data-theme", "day");
        }
    }
}
