package imperan.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;

/** What hands do on controls, in positions from 0 to 1 of a control's travel. */
final class Hands {

    private Hands() {}

    /** Goes from where one builds to where one plays, once that is on the screen: a page that is built looks much the same. */
    static void run(Page page) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Run").setExact(true))
                .click();
        waitForRun(page);
    }

    static void waitForRun(Page page) {
        page.locator("[data-mode=run]").waitFor();
    }

    static Locator control(Page page, String id) {
        return page.locator("[data-control='" + id + "']");
    }

    /** Takes the control at one place and drags it to another with the mouse. */
    static void drag(Page page, String id, double from, double to) {
        double[] start = place(page, id, from);
        double[] end = place(page, id, to);
        page.mouse().move(start[0], start[1]);
        page.mouse().down();
        page.mouse().move((start[0] + end[0]) / 2, (start[1] + end[1]) / 2);
        page.mouse().move(end[0], end[1]);
        page.mouse().up();
    }

    /** The point of a control's travel, in pixels of the screen, once the page is played. */
    static double[] place(Page page, String id, double position) {
        waitForRun(page);
        Locator found = control(page, id).locator("[data-travel]");
        found.waitFor();
        BoundingBox travel = found.boundingBox();
        return new double[] {travel.x + travel.width / 2, travel.y + travel.height * (1 - position)};
    }

    static double position(Page page, String id) {
        return number(page, id, "--position");
    }

    /** A number that the styles of a control use, 0 to 1. */
    static double number(Page page, String id, String name) {
        return Double.parseDouble(control(page, id)
                .locator("[data-moved]")
                .first()
                .evaluate("(e, name) => getComputedStyle(e).getPropertyValue(name) || '0'", name)
                .toString());
    }

    /** Tilts the device of a browser, in degrees: Chromium's own override of its sensor, in which sideways is gamma and forwards is beta. */
    static void tilt(CDPSession session, double sideways, double forwards) {
        JsonObject angles = new JsonObject();
        angles.addProperty("alpha", 0);
        angles.addProperty("beta", forwards);
        angles.addProperty("gamma", sideways);
        session.send("DeviceOrientation.setDeviceOrientationOverride", angles);
    }
}
