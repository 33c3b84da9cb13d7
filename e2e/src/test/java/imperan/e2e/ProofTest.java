package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.server.store.ProofStore;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.standins.Fault;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Proofs of the demo show, as users run them. */
class ProofTest extends Proving {

    private static final PartId EDDY = new PartId("eddy");

    // ---- the whole show

    /**
     * From Layout it takes three presses; with no fault every line gets the verdict that its phrase predicts, and what was moved stands
     * where it stood.
     */
    @Tag("alone")
    @Test
    void everyLineOfTheShowIsProvedAndEverythingIsPutBack() throws Exception {
        answering("Bellows", "Wick", "Keel");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/1/level", new OscArgument.Float32(0.4f)));
        imperan.post("Wick").byHand(OscMessage.of("/wick/lantern/7/level", new OscArgument.Int32(120)));
        page.navigate(imperan.url("/#/layout/sound"));
        assertThat(page.locator("[data-build]").first()).isVisible();
        Map<String, String> before = standing();
        assertThat(before).hasSizeGreaterThan(100);

        station();
        choose("Each at least", "3 times: a quick look");
        button("Start the proof").click();
        assertThat(heading("Proving")).isVisible();
        assertThat(page.getByRole(AriaRole.PROGRESSBAR)).isVisible();
        waitForTheEnd();
        assertThat(page.locator("[data-standing=SHORT]").allTextContents()).isEmpty();
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("failed")))
                .containsText("0 failed");
        // of two keys and a cue
        assertThat(page.locator("[data-verdict=ONE_WAY]")).hasCount(3);
        assertThat(page.locator("[data-verdict=ONE_WAY]").first()).containsText("/eddy/reset");
        assertThat(page.locator("[data-verdict=SKIPPED]")).hasCount(2);
        assertThat(page.locator("[data-verdict=SKIPPED]").filter(new Locator.FilterOptions().setHasText("/keel/sleep")))
                .containsText("cannot be undone, or hurts");
        assertThat(page.locator("[data-verdict=MASKED]")
                        .filter(new Locator.FilterOptions().setHasText("/wick/lantern/1/colour")))
                .isVisible();
        Map<String, String> after = standing();
        assertThat(after).isEqualTo(before);

        // the report, signed, and as files
        button("Open report").click();
        assertThat(page.getByText("Nothing failed")).isVisible();
        page.getByLabel("Note").fill("Before the first walk");
        button("Sign off").click();
        assertThat(page.getByText("Before the first walk")).isVisible();
        for (String format : List.of("CSV", "JSON", "JUnit XML")) {
            Download file = page.waitForDownload(() -> button(format).click());
            assertThat(Files.readString(file.path())).contains("/bellows/in/1/level");
        }
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Reports"))
                .click();
        assertThat(page.getByText("Signed by Ada")).isVisible();

        // the controls say so, until their line changes
        page.navigate(imperan.url("/#/layout/sound"));
        Locator wheel = page.locator("[data-build=level-1]");
        assertThat(wheel.locator("[data-proved=GOOD]")).isVisible();
        wheel.click();
        page.getByLabel("Address", new Page.GetByLabelOptions().setExact(true))
                .first()
                .fill("/bellows/in/2/level");
        page.keyboard().press("Enter");
        assertThat(wheel.locator("[data-proved=stale]")).isVisible();
        assertThat(page.locator("[data-build=level-2] [data-proved=GOOD]")).isVisible();
    }

    @Test
    void noneBeginsWhileAListRuns() {
        answering("Eddy");
        station();
        choose("To target", "Eddy");
        fire("walk-2");
        button("Start the proof").click();
        assertThat(page.getByRole(AriaRole.ALERT)
                        .filter(new Locator.FilterOptions().setHasText("A cue list is running")))
                .isVisible();
        page.keyboard().press(".");
        // what was said may still be answered
        Desk.waitUntil("nothing runs", () -> page.request()
                .get(imperan.api("/cues"))
                .text()
                .matches("(?s)(?!.*\"running\":\\[\\{).*\"running\":\\[].*"));
        button("Start the proof").click();
        waitForTheEnd();
    }

    /** Two hands with the same plan before them: the second hears of the proof of the first, and not of what that is to put back. */
    @Test
    void whoBeginsSecondHearsOfTheProofThatRuns() {
        answering("Bellows");
        String wish =
                """
                {"which": "ALL", "within": null, "target": "bellows", "lines": [], "times": 20, "attended": false, "venues": []}""";
        String plan = ask("/proof/plan", wish);
        String token = plan.replaceAll("(?s).*\"token\":\"([^\"]+)\".*", "$1");
        String start = "{\"wish\": " + wish + ", \"token\": \"" + token + "\"}";
        assertThat(ask("/proof", start)).contains("\"problems\":[]");
        Set<String> told = new TreeSet<>();
        // until it has ended, and another one begins
        for (String answer = ask("/proof", start); !answer.contains("\"problems\":[]"); answer = ask("/proof", start)) {
            told.add(answer.replaceAll("(?s).*\"message\":\"([^\"]+)\".*", "$1"));
        }
        assertThat(told)
                .contains("A proof runs already. Wait for its end, or stop it")
                .isSubsetOf(
                        "A proof runs already. Wait for its end, or stop it",
                        "The last proof is just ending. Start again in a moment");
        ask("/proof/orders", "{\"order\": \"STOP\"}");
        station();
        waitForTheEnd();
    }

    private String ask(String path, String body) {
        return page.request()
                .post(
                        imperan.api(path),
                        RequestOptions.create()
                                .setHeader("Imperan-Browser", "ben")
                                .setHeader("Content-Type", "application/json")
                                .setData(body))
                .text();
    }

    /** Another hand fires a cue, which takes some seconds. */
    private void fire(String cue) {
        page.request()
                .post(
                        imperan.api("/commands"),
                        RequestOptions.create()
                                .setHeader("Imperan-Browser", "ben")
                                .setHeader("Content-Type", "application/json")
                                .setData("{\"kind\":\"cues\",\"list\":\"evening-walk\",\"deed\":\"FIRE\",\"cue\":\""
                                        + cue + "\"}"));
    }

    // ---- what falls short

    @Test
    void whatFellShortComesFirstWithItsLikelyCauseAndTheNextReportSaysWhatChanged() {
        answering("Eddy");
        station();
        choose("To target", "Eddy");
        choose("Each at least", "3 times: a quick look");
        button("Start the proof").click();
        waitForTheEnd();
        imperan.fault("Eddy", Fault.CLAMPED, true);
        button("Prove again").click();
        choose("To target", "Eddy");
        choose("Each at least", "3 times: a quick look");
        button("Start the proof").click();
        waitForTheEnd();
        button("Open report").click();
        Locator first = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Lines of the report"))
                .getByRole(AriaRole.LISTITEM)
                .first();
        assertThat(first).hasAttribute("data-verdict", "WRONG_VALUE");
        assertThat(first).containsText("answered 0.5");
        assertThat(first).containsText("Eddy answers with another value");
        assertThat(first).containsText("Compare the ranges at both ends");
        assertThat(page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Changed verdicts")))
                .containsText("confirmed → wrong value");

        // once it is mended, only what is still open is proved again
        imperan.fault("Eddy", Fault.CLAMPED, false);
        station();
        button("Prove again").click();
        choose("To target", "Eddy");
        choose("Each at least", "3 times: a quick look");
        button("Start the proof").click();
        waitForTheEnd();
        button("Prove again").click();
        choose("To target", "Eddy");
        choose("Which", "only what failed");
        assertThat(page.getByText("None of these lines failed in its last proof."))
                .isVisible();
        choose("Which", "only what is not proved");
        assertThat(page.locator("[data-way=RUNS]").filter(new Locator.FilterOptions().setHasText("/eddy/tilt/x")))
                .hasCount(0);
        assertThat(page.locator("[data-way=RUNS]")
                        .filter(new Locator.FilterOptions().setHasText("/eddy/reset"))
                        .first())
                .isVisible();

        // any two are compared, and a copy of the show has them, too
        page.navigate(imperan.url("/#/proof/reports/3"));
        assertThat(page.getByText("Changed since report 2")).isVisible();
        page.getByLabel("Compare with", new Page.GetByLabelOptions().setExact(true))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("report 1,"))
                .click();
        assertThat(page.getByText("No verdict is another one than in report 1")).isVisible();
        Shows.Done copy = imperan.bean(Shows.class).duplicate(imperan.show(), new Person("b", "Ada"));
        assertThat(imperan.bean(ProofStore.class).reports(copy.show().orElseThrow()))
                .isEqualTo(imperan.bean(ProofStore.class).reports(imperan.show()))
                .hasSize(3);
    }

    @Test
    void stoppedItPutsBackWhatItMoved() {
        answering("Bellows");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/3/level", new OscArgument.Float32(0.7f)));
        Map<String, String> before = standing();
        station();
        choose("To target", "Bellows");
        choose("Each at least", "299 times: finds a loss of 1 in 100 (95 %)");
        button("Start the proof").click();
        Desk.waitUntil("something is moved", () -> !standing().equals(before));
        button("Stop").click();
        waitForTheEnd();
        assertThat(standing()).isEqualTo(before);
        button("Open report").click();
        assertThat(page.getByText("stopped before its end")).isVisible();
    }

    /** Frozen, all stays as the proof left it; what stood before is offered, and sent one after the other until it is confirmed. */
    @Test
    void whatAFrozenProofLeftIsPutBackWhenSomebodyWantsIt() {
        answering("Bellows");
        Map<String, String> before = standing();
        station();
        choose("To target", "Bellows");
        choose("Each at least", "299 times: finds a loss of 1 in 100 (95 %)");
        button("Start the proof").click();
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("messages sent")))
                .containsText(Pattern.compile("\\d{3} messages sent"));
        button("Freeze").click();
        assertThat(button("Prove again")).isVisible();
        button("Prove again").click();
        Locator left = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Left by a proof"));
        assertThat(left).containsText(Pattern.compile("A proof left \\d+ values?"));
        button("Put it back").click();
        assertThat(left.getByRole(AriaRole.ALERT)).hasCount(0);
        assertThat(left).isHidden();
        Desk.waitUntil("all is back", () -> standing().equals(before));
    }

    // ---- a person attends

    @Test
    void whatCannotAnswerIsWitnessedOnAPhoneAtTheStage() {
        answering("Eddy");
        station();
        choose("To target", "Eddy");
        choose("Each at least", "3 times: a quick look");
        page.getByLabel("Somebody attends, and answers questions").check();
        button("Start the proof").click();
        Page phone = chromium.device("Ben");
        phone.setViewportSize(390, 844);
        phone.navigate(imperan.url("/#/proof"));
        Locator asked = phone.locator("[data-question=SEEN]");
        assertThat(asked).containsText("/eddy/reset");
        asked.getByText("Yes, I saw it").click();
        assertThat(asked).containsText("Walk");
        asked.getByText("No, nothing").click();
        assertThat(asked).containsText("1 Blank");
        asked.getByText("Yes, I saw it").click();
        waitForTheEnd();
        assertThat(page.locator("[data-verdict=WITNESSED]")).hasCount(2);
        assertThat(page.locator("[data-verdict=NOT_SEEN]")).containsText("a person saw nothing");
    }

    // ---- a venue

    @Test
    void aVenueIsNotSpokenToBeforeItsNameIsTypedAndTheStageIsSaidToBeClear() {
        // its venue end is on this machine, too
        Target eddy = imperan.bean(Keeper.class)
                .change(
                        imperan.show(),
                        show -> show.apply(
                                new EditRequest(
                                        "Go to the venue",
                                        List.of(new EditRequest.Put(
                                                atVenue(show),
                                                show.held(EDDY).orElseThrow().version()))),
                                new Person("ada", "Ada")))
                .thenApply(outcome -> (Target) ((Outcome.Accepted) outcome)
                        .show()
                        .part(EDDY)
                        .orElseThrow()
                        .body())
                .join();
        assertThat(eddy.standIn().orElseThrow().inUse()).isFalse();
        imperan.post("Eddy").byHand(OscMessage.of("/eddy/tilt/x", new OscArgument.Float32(10)));
        imperan.post("Eddy").byHand(OscMessage.of("/eddy/turbulence", new OscArgument.Float32(0)));
        answering("Eddy");
        station();
        choose("To target", "Eddy");
        Locator venue = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("At the venue"));
        assertThat(venue).containsText("Eddy: at the venue, not a stand-in");
        assertThat(button("Start the proof")).isDisabled();
        assertThat(page.locator("[data-way=SKIPPED]").first()).containsText("Nobody has said that the stage is clear");
        venue.getByLabel("Name of Eddy").fill("eddy");
        assertThat(button("Start the proof")).isDisabled();
        venue.getByLabel("Name of Eddy").fill("Eddy");
        assertThat(venue.getByLabel("I looked: the stage is clear")).isVisible();
        assertThat(button("Start the proof")).isDisabled();
        assertThat(page.locator("[data-way=RUNS]").filter(new Locator.FilterOptions().setHasText("/eddy/turbulence")))
                .containsText("near the present value");
        assertThat(page.locator("[data-way=ATTENDED]")
                        .filter(new Locator.FilterOptions().setHasText("/eddy/reset"))
                        .first())
                .containsText("Something happens each time");
        venue.getByLabel("I looked: the stage is clear").check();
        button("Start the proof").click();
        waitForTheEnd();
        // turbulence stands at zero, and nothing is raised from there; a tilt moves a little and comes back
        assertThat(page.locator("[data-verdict=SKIPPED]")
                        .filter(new Locator.FilterOptions().setHasText("/eddy/turbulence"))
                        .first())
                .containsText("nothing is raised from zero");
        assertThat(page.locator("[data-verdict=CONFIRMED]")
                        .filter(new Locator.FilterOptions().setHasText("/eddy/tilt/x")))
                .containsText("venue");
        assertThat(imperan.post("Eddy").picture().get("x")).isEqualTo(10.0);
    }

    private static Part atVenue(Show show) {
        Part part = show.part(EDDY).orElseThrow();
        Target target = (Target) part.body();
        StandInEnd end = target.standIn().orElseThrow();
        return new Part(
                part.id(),
                part.parent(),
                part.order(),
                target.at(end.host(), end.port()).simulatedAt(new StandInEnd(end.host(), end.port(), false)));
    }

    // ---- from a script

    private Command.Said prove(String... words) throws Exception {
        return prove(imperan.port(), words);
    }

    private static Command.Said prove(int port, String... words) throws Exception {
        List<String> all = new ArrayList<>(List.of("prove"));
        all.addAll(List.of(words));
        return new Command()
                .run(Map.of("IMPERAN_PORT", String.valueOf(port)), Path.of(".."), all.toArray(String[]::new));
    }

    private static String[] with(String[] words, String... more) {
        return Stream.concat(Arrays.stream(words), Arrays.stream(more)).toArray(String[]::new);
    }

    @Tag("alone")
    @Test
    void aScriptIsToldByANumberWhatCameOfIt() throws Exception {
        answering("Eddy");
        Path report = Files.createTempFile("proof", ".xml");
        String[] eddy = {"The Salt Clock", "--target", "Eddy", "--times", "3", "--report", report.toString()};
        Command.Said some = prove(eddy);
        assertThat(some.exit()).as(some.text()).isEqualTo(3);
        assertThat(some.text()).contains("3 lines undecided or not tried: 3 one-way");
        Command.Said well = prove(with(eddy, "--allow", "one-way"));
        assertThat(well.exit()).as(well.text()).isZero();
        assertThat(well.text())
                .contains("The Salt Clock: 10 lines, 9 sent")
                .contains("0 failed")
                .contains("one-way")
                .contains("/eddy/reset");
        assertThat(Files.readString(report))
                .contains("<testsuite")
                .contains("classname=\"targets\" name=\"Eddy\"")
                .contains("/eddy/turbulence");

        assertThat(prove(with(eddy, "--allow", "no-answer")).text()).contains("such as no-answer:");
        assertThat(prove(with(eddy, "--allow", "one-wey")).exit()).isEqualTo(2);
        Command.Said strict = prove(with(eddy, "--strict"));
        assertThat(strict.exit()).as(strict.text()).isEqualTo(1);
        imperan.fault("Eddy", Fault.CLAMPED, true);
        Command.Said wrong = prove("The Salt Clock", "--target", "Eddy", "--times", "3");
        assertThat(wrong.exit()).as(wrong.text()).isEqualTo(1);
        assertThat(wrong.text()).contains("wrong value");
        imperan.fault("Eddy", Fault.CLAMPED, false);
        imperan.fault("Eddy", Fault.DEAF, true);
        Command.Said dead = prove(with(eddy, "--allow", "one-way,skipped"));
        assertThat(dead.exit()).as(dead.text()).isEqualTo(1);
        assertThat(dead.text()).contains("Eddy failed as a whole: silent");
        Command.Said again = prove(with(eddy, "--allow", "one-way"));
        assertThat(again.exit()).as("what may not be back is decided on first").isEqualTo(2);
        assertThat(again.text()).contains("left values that are not back");

        assertThat(prove("The Salt Clok"))
                .isEqualTo(new Command.Said(2, "imperan: There is no show “The Salt Clok”\n"));
        assertThat(prove("The Salt Clock", "--target", "Edy").text()).contains("No line is sent to a target “Edy”");
        assertThat(prove("The Salt Clock", "--venue", "Eddy", "--by", "Ada").text())
                .contains("No line here is sent to “Eddy” at the venue");
        assertThat(prove("The Salt Clock", "--times", "0").exit()).isEqualTo(2);
        Command.Said away = prove(Ports.one(), "The Salt Clock");
        assertThat(away.exit()).isEqualTo(2);
        assertThat(away.text()).contains("Start it first: ./imperan up");
    }
}
