package imperan.bench;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/** A phrasebook of five thousand phrases is taken in, searched and scrolled; long animation frames are counted meanwhile. */
final class LongBook {

    private static final int PHRASES = 5_000;
    private static final double LONG_MILLIS = 100;

    private final Stage stage;

    LongBook(Stage stage) {
        this.stage = stage;
    }

    void takeInSearchAndScroll() {
        StringBuilder table = new StringBuilder("address,types,low,high,meaning\n");
        for (int i = 1; i <= PHRASES; i++) {
            table.append("/bench/unit/")
                    .append(i / 50)
                    .append("/thing")
                    .append(i)
                    .append(",f,0,1,level of thing ")
                    .append(i)
                    .append('\n');
        }
        Optional<Chromium> opened = Chromium.open("A phrasebook of " + PHRASES + " phrases");
        if (opened.isEmpty()) {
            return;
        }
        try (Chromium chromium = opened.get()) {
            Page page = chromium.page();
            page.navigate(stage.socket("/#/rig/phrasebooks").toString().replaceFirst("^ws", "http"));
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import …"))
                    .click();
            page.evaluate(
                    "window.frames_ = []; new PerformanceObserver((list) => window.frames_.push(...list.getEntries()"
                            + ".map((e) => e.duration))).observe({ type: 'long-animation-frame' })");
            Machine.Steal steal = new Machine.Steal();
            page.getByLabel("A file with messages")
                    .setInputFiles(new FilePayload(
                            "Long.csv", "text/csv", table.toString().getBytes(StandardCharsets.UTF_8)));
            page.getByText(PHRASES + " understood").waitFor();
            report(page, "shown before it is taken in");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Import " + PHRASES))
                    .click();
            page.locator("[data-phrase]").first().waitFor();
            report(page, "taken in");
            page.getByLabel("Search the phrases").pressSequentially("thing 4999");
            page.getByText("1 of " + PHRASES).waitFor();
            page.getByLabel("Search the phrases").fill("");
            page.getByText(PHRASES + " of " + PHRASES).waitFor();
            report(page, "searched, letter by letter");
            page.locator("[data-phrases]").hover();
            for (int i = 0; i < 60; i++) {
                page.mouse().wheel(0, 2_000);
                page.waitForTimeout(16);
            }
            report(page, "scrolled from end to end");
            Main.print("  (stolen processor time %.1f %%)", steal.percent());
        }
    }

    @SuppressWarnings("unchecked")
    private static void report(Page page, String what) {
        List<Number> frames = (List<Number>) page.evaluate("window.frames_.splice(0)");
        double longest = frames.stream().mapToDouble(Number::doubleValue).max().orElse(0);
        Main.print(
                "A phrasebook of %d phrases, %s: %d frames over %.0f ms, the longest %.0f ms",
                PHRASES,
                what,
                frames.stream()
                        .filter(frame -> frame.doubleValue() > LONG_MILLIS)
                        .count(),
                LONG_MILLIS,
                longest);
    }
}
