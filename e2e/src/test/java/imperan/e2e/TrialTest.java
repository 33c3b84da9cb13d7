package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.server.store.Keeper;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.standins.Fault;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A cue list is played through: from its station, and from a script. */
class TrialTest extends AdasTest {

    private static final PartId EDDY = new PartId("eddy");
    private static final double TRIAL_MS = 60_000;
    private static final int CUES = 18;

    @BeforeEach
    void station() {
        page.navigate(imperan.url("/#/cues"));
        button("Trial").click();
    }

    private Locator fired() {
        return page.locator("[data-trial-cue]");
    }

    private Locator result() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What came of it"));
    }

    /** What is shown of the one before is gone then. */
    private void startAtTheTargets() {
        button("Start the trial").click();
        assertThat(result().getByRole(AriaRole.HEADING)).hasText("Running");
    }

    private void waitForTheEnd(String heading) {
        assertThat(result().getByRole(AriaRole.HEADING))
                .hasText(heading, new LocatorAssertions.HasTextOptions().setTimeout(TRIAL_MS));
    }

    private void target(PartId id, StandInEnd end) {
        Outcome outcome = imperan.bean(Keeper.class)
                .change(
                        imperan.show(),
                        show -> show.apply(
                                new EditRequest(
                                        "Switch its end",
                                        List.of(new EditRequest.Put(
                                                switched(show, id, end),
                                                show.held(id).orElseThrow().version()))),
                                new Person("ada", "Ada")))
                .join();
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
    }

    private static Part switched(Show show, PartId id, StandInEnd end) {
        Part part = show.part(id).orElseThrow();
        return new Part(
                part.id(),
                part.parent(),
                part.order(),
                ((Target) part.body()).at(end.host(), end.port()).simulatedAt(end));
    }

    @Test
    void aRehearsalSendsNothingAndATrialAtTheTargetsFiresEveryCue() {
        imperan.post("Eddy").byHand(OscMessage.of("/eddy/turbulence", new OscArgument.Float32(0.125f)));
        assertThat(page.getByLabel("In rehearsal")).isChecked();
        button("Start the trial").click();
        waitForTheEnd("Rehearsed");
        assertThat(fired()).hasCount(CUES);
        assertThat(page.locator("[data-trial-cue='7'] [data-outcome]")).hasCount(3);
        assertThat(page.locator("[data-trial-cue='7']")).containsText("rehearsed");
        assertThat(imperan.post("Eddy").picture().get("turbulence"))
                .as("nobody heard it")
                .isEqualTo(0.125);

        page.getByLabel("At the targets").click();
        page.getByLabel("as fast as possible").click();
        startAtTheTargets();
        waitForTheEnd("Played at the targets");
        assertThat(fired()).hasCount(CUES);
        assertThat(fired().first()).hasAttribute("data-trial-cue", "0");
        assertThat(fired().last()).hasAttribute("data-trial-cue", "17");
        assertThat(page.locator("[data-trial-cue='2'] [data-outcome='ANSWERED']"))
                .hasCount(2);
        assertThat(imperan.post("Eddy").picture().get("turbulence"))
                .as("cue 5 and those after it were heard")
                .isNotEqualTo(0.125);
        String csv = page.request()
                .get(imperan.api("/cues/evening-walk/trial/report.csv"))
                .text();
        assertThat(csv)
                .startsWith("at s,list,cue,name,action,outcome,says,late ms\r\n")
                .contains("Evening walk,17,Good night");
        button("Play").click();
        assertThat(page.locator("[data-cue='0']")).hasAttribute("data-next", "true");
    }

    @Test
    void whatFallsShortIsSaidAtItsCue() {
        imperan.fault("Sluice", Fault.DEAF, true);
        page.getByLabel("At the targets").click();
        page.getByLabel("as fast as possible").click();
        startAtTheTargets();
        waitForTheEnd("Played at the targets");
        imperan.fault("Sluice", Fault.DEAF, false);
        Locator low = page.locator("[data-trial-cue='3']");
        assertThat(low).hasAttribute("data-standing", "SHORT");
        assertThat(low).containsText("fell short");
        assertThat(low).containsText("No answer within");
        assertThat(page.locator("[data-trial-cue='2']")).hasAttribute("data-standing", "WELL");
    }

    @Test
    void theKeyThatStopsAllStopsIt() {
        page.getByLabel("At the targets").click();
        startAtTheTargets();
        assertThat(page.locator("[data-trial-cue='0']")).isVisible();
        page.keyboard().press(".");
        waitForTheEnd("Played at the targets");
        assertThat(result().getByRole(AriaRole.ALERT))
                .containsText(Pattern.compile("It was stopped. Not fired: .*17 Good night"));
    }

    @Test
    void aVenueIsNotSpokenToBeforeItsNameIsTyped() {
        StandInEnd end = ((Target) imperan.bean(Keeper.class)
                        .show(imperan.show())
                        .join()
                        .part(EDDY)
                        .orElseThrow()
                        .body())
                .standIn()
                .orElseThrow();
        // its venue end is on this machine, too
        target(EDDY, new StandInEnd(end.host(), end.port(), false));
        page.getByLabel("At the targets").click();
        Locator name = page.getByLabel("Eddy is at the venue: type its name if its stage is clear");
        assertThat(button("Start the trial")).isDisabled();
        name.fill("Eddy");
        assertThat(button("Start the trial")).isEnabled();
        target(EDDY, new StandInEnd(end.host(), end.port(), true));
        assertThat(name).hasCount(0);
    }

    // ---- from a script

    private Command.Said prove(String... words) throws Exception {
        List<String> all = new ArrayList<>(List.of("prove"));
        all.addAll(List.of(words));
        return new Command()
                .run(
                        Map.of(
                                "IMPERAN_PORT",
                                String.valueOf(URI.create(imperan.url("/")).getPort())),
                        Path.of(".."),
                        all.toArray(String[]::new));
    }

    @Test
    void aScriptIsToldByANumberWhetherAnythingFellShort() throws Exception {
        Command.Said rehearsed = prove("The Salt Clock", "--cues", "Evening walk", "--rehearse", "--strict");
        assertThat(rehearsed.exit()).as(rehearsed.text()).isZero();
        assertThat(rehearsed.text())
                .contains("0 Before the doors: does nothing")
                .contains("7 Tide rises: 3 of 3 well")
                .contains("18 cues fired");

        Path report = Files.createTempFile("trial", ".csv");
        imperan.fault("Sluice", Fault.DEAF, true);
        Command.Said deaf =
                prove("The Salt Clock", "--cues", "Evening walk", "--speed", "fastest", "--report", report.toString());
        imperan.fault("Sluice", Fault.DEAF, false);
        assertThat(deaf.exit()).as(deaf.text()).isEqualTo(1);
        assertThat(deaf.text())
                .contains("3 Low water: 0 of 1 well; failed: Sluice /sluice/scene Low water (No answer within");
        assertThat(Files.readString(report)).startsWith("at s,list,cue").contains("fell short");

        assertThat(prove("The Salt Clock", "--cues", "Nothing"))
                .isEqualTo(new Command.Said(2, "imperan: There is no cue list “Nothing” in “The Salt Clock”\n"));
        assertThat(prove("The Salt Clock", "--cues", "Evening walk", "--speed", "slow")
                        .exit())
                .isEqualTo(2);
        assertThat(prove("The Salt Clock", "--rehearse").exit()).isEqualTo(2);
    }
}
