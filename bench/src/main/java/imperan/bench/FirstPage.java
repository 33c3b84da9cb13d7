package imperan.bench;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import imperan.show.PartId;
import java.util.Optional;

/**
 * How long it takes until the first page of controls stands in a browser that has never been here, and in one that was here before, beside a page of the same
 * server with nothing to compute; ours and the other one in turn.
 */
final class FirstPage {

    private static final int ROUNDS = 9;

    private final Stage stage;

    FirstPage(Stage stage) {
        this.stage = stage;
    }

    /** Of ours and of the other one, in milliseconds. */
    private record Both(double[] cold, double[] again) {

        Both() {
            this(new double[ROUNDS], new double[ROUNDS]);
        }
    }

    void shown() {
        Optional<Chromium> opened = Chromium.open("The first page");
        if (opened.isEmpty()) {
            return;
        }
        try (Chromium chromium = opened.get()) {
            for (int round = 0; round < 2; round++) {
                // not counted: until then the server spends its time on compiling itself
                measure(chromium, blank(), "svg", new Both(), 0);
                measure(chromium, page(Stage.FULL), "[data-control]", new Both(), 0);
            }
            Machine.Steal steal = new Machine.Steal();
            Both blank = new Both();
            Both few = new Both();
            Both many = new Both();
            for (int round = 0; round < ROUNDS; round++) {
                measure(chromium, blank(), "svg", blank, round);
                measure(chromium, page(Stage.PAGE), "[data-control]", few, round);
                measure(chromium, page(Stage.FULL), "[data-control]", many, round);
            }
            Main.print(
                    "The first page (stolen processor time %.1f %%), medians of %d; a page without anything takes %.0f ms at first, %.0f ms again",
                    steal.percent(), ROUNDS, Machine.median(blank.cold), Machine.median(blank.again));
            print("a page of few controls", few, blank);
            print("a page of " + Stage.MANY + " controls", many, blank);
        }
    }

    private static void print(String what, Both ours, Both blank) {
        Main.print(
                "  %s: %.0f ms, %.1f times, at first; %.0f ms, %.1f times, again",
                what,
                Machine.median(ours.cold),
                Machine.median(ours.cold) / Machine.median(blank.cold),
                Machine.median(ours.again),
                Machine.median(ours.again) / Machine.median(blank.again));
    }

    private String blank() {
        return http("/mark.svg");
    }

    private String page(PartId page) {
        return http("/#/run/" + page.value());
    }

    private String http(String path) {
        return stage.socket(path).toString().replaceFirst("^ws", "http");
    }

    private static void measure(Chromium chromium, String address, String what, Both into, int round) {
        try (BrowserContext context = chromium.context()) {
            into.cold[round] = millis(context, address, what);
            into.again[round] = millis(context, address, what);
        }
    }

    private static double millis(BrowserContext context, String address, String what) {
        Page page = context.newPage();
        long start = System.nanoTime();
        page.navigate(address);
        page.locator(what).first().waitFor();
        double millis = (System.nanoTime() - start) / 1e6;
        page.close();
        return millis;
    }
}
