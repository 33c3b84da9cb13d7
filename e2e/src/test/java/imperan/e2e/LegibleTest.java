package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** On the screens of a desk, a tablet and a phone nothing that is said is cut, and what a hand plays is large enough for a finger. */
class LegibleTest {

    /**
     * Every visible text that does not fit its own box, or lies outside of what its surroundings show where those cannot be scrolled. Rows
     * of the wire, of its addresses, and the line of the last messages are running text of any length, which opens whole; the fields of a
     * list of phrases scroll.
     */
    private static final String CUT_TEXTS =
            """
            () => {
              const cut = [];
              const scrolls = (e) => { for (; e; e = e.parentElement) if (/auto|scroll/.test(getComputedStyle(e).overflowX)) return true; return false; };
              for (const e of document.querySelectorAll('body *')) {
                if (e.closest('[data-ticker], [data-wire], [data-address], [aria-hidden=true], svg')) continue;
                const nodes = [...e.childNodes].filter((n) => n.nodeType === 3 && n.data.trim());
                const field = e.matches('input:not([type=checkbox], [type=file], [type=range]), textarea');
                if (field ? !e.value || e.closest('[data-phrase]') : nodes.length === 0) continue;
                const style = getComputedStyle(e), box = e.getBoundingClientRect();
                if (style.visibility === 'hidden' || box.width <= 1 || box.height <= 1) continue;
                const hides = (way) => !/visible|auto|scroll/.test(way);
                let why = '';
                if (e.scrollWidth > e.clientWidth + 1 && (field || hides(style.overflowX))) why = 'too wide';
                if (!field && e.scrollHeight > e.clientHeight + 3 && hides(style.overflowY)) why = 'too tall';
                for (const node of nodes) {
                  const range = document.createRange();
                  range.selectNodeContents(node);
                  const text = range.getBoundingClientRect();
                  for (let around = e.parentElement; around && !why; around = around.parentElement) {
                    const its = getComputedStyle(around), at = around.getBoundingClientRect();
                    if (its.position === 'fixed' || !hides(its.overflowX) && its.overflowX !== 'visible') break;
                    if (hides(its.overflowX) && (text.left < at.left - 2 || text.right > at.right + 2)) why = 'cut by its surroundings';
                  }
                  if (!why && (text.left < -1 || text.right > innerWidth + 1) && !scrolls(e)) why = 'outside the window';
                }
                if (why) cut.push(`${why}: ${nodes.map((n) => n.data.trim()).join(' ') || e.value}`);
              }
              return [...new Set(cut)];
            }""";

    /**
     * What a hand touches in Run and what is smaller than 44 px (WCAG 2.2, 2.5.5 "Target Size (Enhanced)"), half a pixel of rounding aside.
     */
    private static final String SMALL_TARGETS =
            """
            () => [...document.querySelectorAll('.run :is(button, a, input, [role=button], [role=slider], [role=radio])')]
              .filter((e) => !e.disabled && !e.closest('[aria-hidden=true]'))
              .map((e) => [e.getAttribute('aria-label') ?? e.textContent.trim(), e.getBoundingClientRect()])
              .filter(([, box]) => box.width > 0 && box.height > 0 && (box.width < 43.5 || box.height < 43.5))
              .map(([name, box]) => `${name}: ${Math.round(box.width)} × ${Math.round(box.height)}`)""";

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void check(Page page, String where) {
        page.evaluate("document.fonts.ready");
        List<?> cut = (List<?>) page.evaluate(CUT_TEXTS);
        // what has just come to be may still find its place
        for (int looks = 0; looks < 20 && !cut.isEmpty(); looks++) {
            page.waitForTimeout(100);
            cut = (List<?>) page.evaluate(CUT_TEXTS);
        }
        assertThat(cut).as("cut at " + where).isEmpty();
        assertThat(page.evaluate("() => document.documentElement.scrollWidth - document.documentElement.clientWidth"))
                .as("wider than the window at " + where)
                .isEqualTo(0);
    }

    @ParameterizedTest
    @CsvSource({
        "1280, 800, 'run,run/quay,run/water,run/rack,run/waves'",
        "1024, 768, 'run,run/rack,run/waves'",
        "390, 844, 'run,run/walk'"
    })
    void nothingIsCutAndFingersFindWhatTheyPlay(int width, int height, String played) {
        try (Installation imperan = Installation.fresh();
                Chromium chromium = new Chromium()) {
            Page page = chromium.device("Ada");
            page.navigate(imperan.url("/#/layout"));
            assertThat(page.locator("[data-build=level-1]")).isVisible();
            page.getByLabel("Page settings").click();
            button(page, "two across").click();
            assertThat(page.getByLabel("Page name")).hasValue("Sound, phone");
            page.setViewportSize(width, height);
            for (String station : List.of(
                    "rig",
                    "rig/hosts",
                    "rig/phrasebooks",
                    "rig/machine",
                    "rig/sheet",
                    "layout",
                    "lines",
                    "lines/forwards",
                    "lines/values",
                    "lines/coverage",
                    "cues",
                    "cues/tide-song",
                    "wire",
                    "wire/addresses",
                    "wire/plot",
                    "wire/send",
                    "wire/captures",
                    "wire/start",
                    "proof",
                    "proof/reports",
                    "proof/findings",
                    "proof/ready",
                    "proof/watch",
                    "shows",
                    "history",
                    "glossary")) {
                page.navigate(imperan.url("/#/" + station));
                assertThat(page.locator("[data-ticker=in]")).containsText("/");
                if (station.equals("cues")) {
                    for (String mode : List.of("Edit", "Trial")) {
                        check(page, station + " " + mode);
                        button(page, mode).click();
                    }
                    button(page, "Start the trial").click();
                    assertThat(page.locator("[data-trial-cue='17']")).isVisible();
                }
                if (station.equals("cues/tide-song")) {
                    assertThat(page.locator(".lane")).isVisible();
                    check(page, station);
                    button(page, "Set list").click();
                    for (String mode : List.of("Edit", "Play")) {
                        check(page, station + " beside its set list, before " + mode);
                        button(page, mode).click();
                    }
                    button(page, "Set list").click();
                }
                if (station.equals("proof")) {
                    assertThat(page.locator("[data-way]").first()).isVisible();
                }
                check(page, station + " on " + width + " × " + height);
            }
            for (String each : played.split(",")) {
                page.navigate(imperan.url("/#/" + each));
                assertThat(page.locator("[data-control]").first()).isVisible();
                check(page, each + " on " + width + " × " + height);
                assertThat((List<?>) page.evaluate(SMALL_TARGETS))
                        .as("too small in %s on %s × %s", each, width, height)
                        .isEmpty();
            }
        }
    }

    /**
     * Ten phrases are seen, and the address, the type, the range and the answer of a control with one send and one listen, without
     * scrolling.
     */
    @ParameterizedTest
    @CsvSource({"1280, 800", "1024, 768"})
    void thePathShowsAllOfAControlAndTheShelfTenPhrases(int width, int height) {
        try (Installation imperan = Installation.fresh();
                Chromium chromium = new Chromium()) {
            Page page = chromium.device("Ada");
            page.setViewportSize(width, height);
            page.navigate(imperan.url("/#/layout"));
            page.locator("[data-build=mute-1]").click();
            button(page, "Send once").click();
            assertThat(page.getByText("agrees")).isVisible();
            check(page, "the path on " + width + " × " + height);
            for (String cell : List.of("Shaping", "Message", "Wire", "Answer")) {
                assertThat((boolean) page.getByRole(
                                        AriaRole.GROUP,
                                        new Page.GetByRoleOptions()
                                                .setName(cell)
                                                .setExact(true))
                                .evaluate("e => e.scrollHeight <= e.clientHeight && e.scrollWidth <= e.clientWidth"))
                        .as(cell)
                        .isTrue();
            }
            assertThat(
                            (int)
                                    page.evaluate(
                                            """
                    () => { const shelf = document.querySelector('[aria-label=Phrases] .overflow-auto').getBoundingClientRect();
                      return [...document.querySelectorAll('[aria-label=Phrases] li')].map((e) => e.getBoundingClientRect())
                        .filter((box) => box.top >= shelf.top - 1 && box.bottom <= shelf.bottom + 1).length; }"""))
                    .as("phrases in sight")
                    .isGreaterThanOrEqualTo(10);
        }
    }
}
