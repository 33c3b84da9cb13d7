package imperan.e2e;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInfo;
import org.junit.jupiter.api.extension.ExtendWith;

/** A class of tests with a fresh demo show, a browser, and a socket of their own to its desk. */
@ExtendWith(SeenAtFailure.class)
abstract class InstalledTest {

    static Installation imperan;
    static Chromium chromium;
    static Desk desk;

    @BeforeAll
    static void install(TestInfo tests) {
        imperan = Installation.of(tests.getTestClass().orElseThrow());
        chromium = new Chromium();
        desk = new Desk(imperan.bellows());
    }

    @BeforeEach
    void testBegins() {
        chromium.testBegins();
    }

    @AfterEach
    void testEnds() {
        chromium.testEnds();
    }

    @AfterAll
    static void uninstall() {
        desk.close();
        chromium.close();
        imperan.close();
    }
}
