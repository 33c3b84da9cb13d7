package imperan.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A headless browser to measure with. */
final class Chromium implements AutoCloseable {

    private static final double PATIENCE_MILLIS = 60_000;

    private final Playwright playwright =
            Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private final Browser browser;

    private Chromium(Path program) {
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(program)
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    /** Empty, and said so, where there is none. */
    static Optional<Chromium> open(String forWhat) {
        Optional<Path> program = Arrays.stream(System.getenv("PATH").split(":"))
                .map(folder -> Path.of(folder, "chromium"))
                .filter(Files::isExecutable)
                .findFirst();
        if (program.isEmpty()) {
            Main.print("%s: not measured, chromium is not on the PATH", forWhat);
        }
        return program.map(Chromium::new);
    }

    /** A page of 1280 × 800 in a context of its own, with nothing cached. */
    Page page() {
        return context().newPage();
    }

    /** Pages of 1280 × 800 that share what they have cached. */
    BrowserContext context() {
        BrowserContext context = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        context.setDefaultTimeout(PATIENCE_MILLIS);
        return context;
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
