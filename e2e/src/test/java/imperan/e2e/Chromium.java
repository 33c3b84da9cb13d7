package imperan.e2e;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.RequestOptions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * Debian's Chromium, headless: one for each fork of the tests, of which a class or a test has some devices. Each device is a context of its
 * own, with empty storage, so that none sleeps behind another and none knows what another was told.
 */
final class Chromium implements AutoCloseable {

    /** How long to wait for a condition: long enough for a shared machine at its worst, as it ends only what never comes. */
    private static final double PATIENCE_MS = Double.parseDouble(System.getProperty("imperan.patience", "40000"));

    static {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
    }

    private static Playwright playwright;
    private static Browser browser;

    private final List<BrowserContext> devices = new ArrayList<>();
    private int ofTheClass;

    /** A device with a screen of 1280 × 800 that can be touched, and whose user goes by this name. */
    Page device(String name) {
        BrowserContext context = browser()
                .newContext(new Browser.NewContextOptions()
                        .setViewportSize(1280, 800)
                        .setHasTouch(true)
                        .setLocale("en-GB"));
        devices.add(context);
        context.addInitScript(
                "localStorage.getItem('imperan.name') ?? localStorage.setItem('imperan.name', '" + name + "')");
        Page page = context.newPage();
        page.setDefaultTimeout(PATIENCE_MS);
        return page;
    }

    /**
     * Playwright belongs to the thread of the tests, so it ends with its process and not by a hook: its driver and the browser go when
     * their pipe breaks.
     */
    private static Browser browser() {
        if (playwright == null) {
            playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        }
        if (browser == null || !browser.isConnected()) {
            browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(onPath(System.getProperty("imperan.browser", "chromium")))
                            .setArgs(List.of(
                                    "--no-sandbox",
                                    "--disable-gpu",
                                    "--disable-quic",
                                    "--no-first-run",
                                    "--disable-background-networking",
                                    "--disable-component-update",
                                    "--disable-sync")));
        }
        return browser;
    }

    /** Asks for something as a page would: once more where the connection of before had ended just then. */
    static APIResponse get(Page page, String url) {
        return page.request().get(url, RequestOptions.create().setMaxRetries(3));
    }

    private static Path onPath(String program) {
        return Arrays.stream(System.getenv("PATH").split(":"))
                .map(folder -> Path.of(folder, program))
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() ->
                        new IllegalStateException(program + " is not on the PATH; run the tests by ./imperan test"));
    }

    /** Keeps what all devices of this fork show. A page that cannot be seen any more is left out. */
    static void keepWhatIsSeen(Path folder, String name) throws IOException {
        int number = 0;
        for (BrowserContext context : browser == null ? List.<BrowserContext>of() : browser.contexts()) {
            for (Page page : context.pages()) {
                String file = name + "-" + ++number;
                try {
                    page.screenshot(new Page.ScreenshotOptions()
                            .setPath(folder.resolve(file + ".png"))
                            .setTimeout(5_000));
                    Files.writeString(folder.resolve(file + ".html"), page.url() + "\n" + page.content());
                } catch (PlaywrightException gone) {
                    System.err.println(file + " cannot be seen: " + gone.getMessage());
                }
            }
        }
    }

    /** The devices that are there now are those of the class; what comes after them is of one test. */
    void testBegins() {
        ofTheClass = devices.size();
    }

    /** Devices of the test are gone: what is left open goes on hearing and painting the show beside all tests after it. */
    void testEnds() {
        List<BrowserContext> ofTheTest = devices.subList(ofTheClass, devices.size());
        ofTheTest.forEach(BrowserContext::close);
        ofTheTest.clear();
    }

    /** Its devices are gone; the browser stays for the others. */
    @Override
    public void close() {
        devices.forEach(BrowserContext::close);
        devices.clear();
    }
}
