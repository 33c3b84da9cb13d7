package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInfo;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A class of tests that prove the demo show, fresh for each of them. */
abstract class Proving {

    /** A rack that reports once a second has to be waited for, line by line. */
    private static final double LONG_MS = 120_000;
    /** What a proof may not leave otherwise, as the page of the stand-ins names it; what goes on by itself is not among it. */
    private static final Set<String> VALUES =
            Set.of("level", "mute", "red", "green", "blue", "x", "y", "turbulence", "sources", "locate", "sleep");

    Installation imperan;
    Chromium chromium;
    Page page;

    @BeforeEach
    void theDemoShow(TestInfo test) {
        imperan = Installation.of(test.getTestClass().orElseThrow());
        chromium = new Chromium();
        page = chromium.device("Ada");
    }

    @AfterEach
    void end() {
        chromium.close();
        imperan.close();
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    void choose(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    void station() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Proof")))
                .click();
    }

    Locator heading(String text) {
        return page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(text).setExact(true));
    }

    void waitForTheEnd() {
        assertThat(button("Open report")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(LONG_MS));
    }

    void answering(String... devices) {
        page.navigate(imperan.url("/#/rig"));
        for (String name : devices) {
            assertThat(page.locator("[data-target=" + name + "] [data-link-state=answering]"))
                    .isVisible();
        }
    }

    /** What stands at the devices, read from their own page. */
    Map<String, String> standing() {
        String answer = HttpClient.newHttpClient()
                .sendAsync(
                        HttpRequest.newBuilder(URI.create(imperan.pictures() + "/state"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .join()
                .body();
        Map<String, String> values = new TreeMap<>();
        for (JsonNode device : new JsonMapper().readTree(answer).path("devices")) {
            gather(device.path("name").asString(), device.path("picture"), values);
        }
        return values;
    }

    private static void gather(String path, JsonNode node, Map<String, String> values) {
        if (node.isObject()) {
            node.properties().forEach(entry -> {
                if (VALUES.contains(entry.getKey())) {
                    values.put(path + "/" + entry.getKey(), entry.getValue().toString());
                } else {
                    gather(path + "/" + entry.getKey(), entry.getValue(), values);
                }
            });
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                gather(path + "/" + i, node.get(i), values);
            }
        }
    }
}
