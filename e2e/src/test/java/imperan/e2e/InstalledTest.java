package imperan.e2e;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;

/** A class of tests that share one fresh installation, one browser, and a socket of their own to its desk. */
abstract class InstalledTest {

    static Installation imperan;
    static Chromium chromium;
    static Desk desk;

    @BeforeAll
    static void install() {
        imperan = new Installation();
        chromium = new Chromium();
        desk = new Desk(imperan.bellows());
    }

    @AfterAll
    static void uninstall() {
        desk.close();
        chromium.close();
        imperan.close();
    }
}
