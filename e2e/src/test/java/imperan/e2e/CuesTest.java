package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static imperan.show.Page.plain;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.Behaviour;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import imperan.show.form.CueDisplay;
import imperan.show.form.CueKey;
import imperan.standins.Fault;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Cue lists, as those who build and step them do: what leaves is read over the sockets of the stand-ins. */
class CuesTest extends AdasTest {

    private static final Person ADA = new Person("ada", "Ada");
    /** Three cues from an empty list take no more clicks and texts. */
    private static final int MOST = 25;

    private void add() {
        click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Add cue"))));
    }

    private Locator editor(String number) {
        return page.getByRole(
                AriaRole.REGION,
                new Page.GetByRoleOptions().setName("Cue " + number).setExact(true));
    }

    /** A go that was just now is over. */
    private void rested() {
        assertThat(button("Go")).isEnabled();
    }

    private void list(String name) {
        page.navigate(imperan.url("/#/cues"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true))
                .click();
    }

    private static void put(PartId id, PartId parent, Body body) {
        Outcome outcome = imperan.bean(Keeper.class)
                .edit(
                        imperan.show(),
                        new EditRequest(
                                "Something for cues",
                                List.of(new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 70, body), 0))),
                        ADA)
                .join();
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
    }

    private String standIns() {
        return Chromium.get(page, imperan.pictures() + "/state").text();
    }

    // ---- jobs

    @Test
    void threeCuesFromAnEmptyListAreBuiltAndStepped() {
        desk.set("/bellows/in/3/mute", new OscArgument.Int32(0));
        desk.set("/bellows/in/4/level", new OscArgument.Float32(0.25f));
        page.navigate(imperan.url("/#/cues"));
        click(button("Add list"));
        assertThat(row("0")).isVisible();
        add();
        type(exactly(editor("1"), "Name"), "Mute the miller");
        click(editor("1").getByText("Send a message"));
        type(exactly(editor("1"), "Address"), "/bellows/in/3/mute");
        click(editor("1").getByText("Argument", new Locator.GetByTextOptions().setExact(true)));
        add();
        type(exactly(editor("2"), "Name"), "Gulls up");
        click(editor("2").getByText("Fade a number"));
        type(exactly(editor("2"), "Address"), "/bellows/in/4/level");
        type(exactly(editor("2"), "In, s"), "0.5");
        add();
        click(editor("3").getByText("Move a control"));
        choose(exactly(editor("3"), "Control"), "Main · Sound");
        type(exactly(editor("3"), "To, %"), "40");
        click(button("Play"));
        assertThat(actions).isLessThanOrEqualTo(MOST);

        Locator next = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next cue"));
        assertThat(next).containsText("Cue 0");
        page.keyboard().press("Space");
        assertThat(next).containsText("1 Mute the miller");
        assertThat(next).containsText("Bellows /bellows/in/3/mute 1");
        assertThat(next.getByLabel("Its targets")).containsText("✓ Bellows");
        button("Go").click();
        desk.waitForMute("in/3", 1);
        assertThat(row("1")).containsText("✓ done");
        assertThat(page.locator("[data-fired='1'] [data-outcome]")).hasText(Pattern.compile("✓ answered.*"));
        rested();
        page.keyboard().press("Space");
        desk.waitForLevel("in/4", 1);
        assertThat(row("2")).containsText("✓ done");
        page.keyboard().press("Backspace");
        assertThat(row("2")).hasAttribute("data-next", "true");
        button("Make cue 3 the next").click();
        rested();
        page.keyboard().press("Space");
        desk.waitForLevel("main", 0.4);
        assertThat(next).containsText("The end of the list");
    }

    @Test
    void aListIsSteppedOnAPhone() {
        page.setViewportSize(390, 844);
        list("Evening walk");
        button("Make cue 3 the next").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next cue")))
                .containsText("3 Low water");
        assertThat(button("Go")).isInViewport();
        assertThat(row("3")).isInViewport();
        button("Go").click();
        assertThat(row("3")).containsText("✓ done");
    }

    @Test
    void whatIsNotAnsweredIsSaidAtTheCueAndAtTheListBeforeItsGo() {
        list("Evening walk");
        button("Make cue 3 the next").click();
        assertThat(row("3")).hasAttribute("data-next", "true");
        imperan.fault("Sluice", Fault.DEAF, true);
        button("Go").click();
        assertThat(row("3")).containsText("✗ fell short");
        assertThat(row("3")).containsText("No answer within");
        imperan.fault("Sluice", Fault.DEAF, false);
        button("Make cue 8 the next").click();
        Locator targets = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next cue"))
                .getByLabel("Its targets");
        assertThat(targets).containsText("✓ Sluice");
        order("{\"kind\":\"gate\",\"target\":\"sluice\",\"gate\":\"HELD\"}");
        assertThat(targets).containsText("✗ Sluice held");
        order("{\"kind\":\"gate\",\"target\":\"sluice\",\"gate\":\"OPEN\"}");
        assertThat(targets).containsText("✓ Sluice");
    }

    /** What somebody else wants done with the live show; what the server says to that. */
    private String order(String command) {
        return page.request()
                .post(
                        imperan.api("/commands"),
                        RequestOptions.create()
                                .setHeader("Imperan-Browser", "ada")
                                .setHeader("Content-Type", "application/json")
                                .setData(command))
                .text();
    }

    @Test
    void keysOfTheDeskAndOfAPageStepTheList() {
        list("Evening walk");
        page.keyboard().press("0");
        assertThat(row("1")).hasAttribute("data-next", "true");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/key/1", new OscArgument.Int32(1)));
        assertThat(row("2")).hasAttribute("data-next", "true");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/key/1", new OscArgument.Int32(0)));
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/key/2", new OscArgument.Int32(1)));
        assertThat(row("1")).hasAttribute("data-next", "true");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/key/2", new OscArgument.Int32(0)));

        PartId list = new PartId("evening-walk");
        PartId cuePage = new PartId("cue-page");
        put(cuePage, new PartId("wheelhouse"), plain("Cues", 16, 8));
        put(
                new PartId("go-key"),
                cuePage,
                Control.plain(
                        "",
                        new Cells(0, 0, 4, 4),
                        new CueKey(Optional.of(list), CueKey.CueOrder.GO, Optional.empty()),
                        List.of(),
                        List.of()));
        put(
                new PartId("back-key"),
                cuePage,
                Control.plain(
                        "",
                        new Cells(4, 0, 4, 4),
                        new CueKey(Optional.of(list), CueKey.CueOrder.BACK, Optional.empty()),
                        List.of(),
                        List.of()));
        put(
                new PartId("next-cue"),
                cuePage,
                Control.plain(
                        "Next",
                        new Cells(0, 4, 8, 2),
                        new CueDisplay(Optional.of(list), CueDisplay.Shown.NEXT),
                        List.of(),
                        List.of()));
        put(
                new PartId("running"),
                cuePage,
                Control.plain(
                        "Runs",
                        new Cells(0, 6, 8, 2),
                        new CueDisplay(Optional.of(list), CueDisplay.Shown.RUNNING),
                        List.of(),
                        List.of()));
        page.navigate(imperan.url("/#/run/cue-page"));
        Locator shown = page.locator("[data-control='next-cue']");
        assertThat(shown).containsText("1 Blank");
        Locator go = page.locator("[data-control='go-key']").getByRole(AriaRole.BUTTON);
        assertThat(go).containsText("1 Blank");
        go.click();
        assertThat(shown).containsText("2 Dusk");
        page.locator("[data-control='back-key']").getByRole(AriaRole.BUTTON).click();
        assertThat(shown).containsText("1 Blank");
    }

    @Test
    void aZeroCueBringsAllToAKnownStateWithOneKey() {
        PartId list = new PartId("zero-list");
        put(list, null, CueList.plain("With a zero"));
        put(
                new PartId("zero"),
                list,
                Cue.plain(
                        "0",
                        "Silent",
                        new CueAction.RecallLook(0, Optional.of(new PartId("look-silent")), 0, FadeCurve.EVEN)));
        put(
                new PartId("first"),
                list,
                Cue.plain(
                        "1",
                        "Dusk",
                        new CueAction.RecallLook(0, Optional.of(new PartId("look-dusk")), 0.2, FadeCurve.EVEN)));
        list("With a zero");
        button("Make cue 1 the next").click();
        // go means what is seen to be next, and nothing else
        assertThat(row("1")).hasAttribute("data-next", "true");
        button("Go").click();
        desk.waitForLevel("in/1", 0.45);
        page.keyboard().press("0");
        desk.waitForLevel("in/1", 0);
        desk.waitForLevel("main", 0);
        assertThat(row("1")).hasAttribute("data-next", "true");
    }

    /** The sound over four seconds, a sheet of water on another machine, and a lantern look two seconds later. */
    @Test
    void oneCueFadesStartsAndBringsInALookLater() {
        desk.set("/bellows/main/level", new OscArgument.Float32(0.1f));
        imperan.post("Sluice").byHand(OscMessage.of("/sluice/sheet/1/next", new OscArgument.Int32(2)));
        imperan.post("Sluice").byHand(OscMessage.of("/sluice/sheet/1/take"));
        imperan.post("Sluice").byHand(OscMessage.of("/sluice/sheet/1/pause"));
        list("Evening walk");
        button("Fire cue 7 and stay").click();
        Locator running = page.locator("[data-running='7']");
        assertThat(running).isVisible();
        assertThat(running).containsText(Pattern.compile("[0-3]\\.\\d s"));
        Desk.waitUntil("on its way", () -> desk.level("main") > 0.15 && desk.level("main") < 0.7);
        desk.waitForLevel("main", 0.75);
        assertThat(row("7")).containsText("✓ done");
        assertThat(page.locator("[data-fired='7'] [data-outcome]")).hasCount(3);
        assertThat(page.locator("[data-fired='7'] [data-outcome='ANSWERED']")).hasCount(3);
        assertThat(standIns()).contains("playing");
    }

    @Test
    void aCopyCountsOnAndNothingBreaksByInsertingAndRenumbering() {
        list("Evening walk");
        button("Edit").click();
        button("Copy cue 4 with the next numbers").click();
        assertThat(row("4.5")).containsText("/wick/look/3/go");
        button("Edit cue 4.5").click();
        assertThat(editor("4.5")).isVisible();
        Locator number = exactly(editor("4.5"), "Number");
        number.fill("7");
        number.press("Enter");
        assertThat(editor("4.5").getByRole(AriaRole.ALERT)).containsText("has the number 7 already");
        number.press("Escape");
        add();
        assertThat(editor("4.7")).isVisible();
        button("Renumber …").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog.getByLabel("What stays")).containsText("/wick/look/3/go");
        exactly(dialog, "Step").fill("0");
        dialog.getByText("Renumber", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(dialog.getByRole(AriaRole.ALERT)).containsText("by a thousandth or more");
        exactly(dialog, "Step").fill("1");
        dialog.getByText("Renumber", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(dialog).isHidden();
        assertThat(row("6")).containsText("does nothing");
        assertThat(row("19")).containsText("Good night");
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Does"))
                .click();
        page.keyboard().press("Control+z");
        assertThat(row("17")).containsText("Good night");
        page.keyboard().press("Control+z");
        page.keyboard().press("Control+z");
        assertThat(row("4.5")).hasCount(0);
    }

    /** A desk that says that its key was pressed, whatever it hears. */
    @Test
    void aListThatStepsItselfIsBrokenOffUntilSomebodyArmsIt() {
        int answers = Ports.one();
        try (Probe far = new Probe(answers)) {
            PartId target = new PartId("far-desk");
            put(target, null, Target.plain("Far desk", "127.0.0.1", far.port(), answers, Target.Answering.REPORTS));
            PartId list = new PartId("ring");
            Behaviour.Condition pressed = new Behaviour.Condition(Optional.of(target), "/pressed", 0, "1");
            put(list, null, new CueList("Ring", 0, Optional.of(pressed), Optional.empty(), Optional.empty(), ""));
            // more of them than it steps by itself, however often it has to begin anew on a slow machine
            List<EditRequest.Step> cues = IntStream.rangeClosed(1, 500)
                    .<EditRequest.Step>mapToObj(number -> new EditRequest.Put(
                            new Part(
                                    new PartId("ring-" + number),
                                    Optional.of(list),
                                    number,
                                    Cue.plain(
                                            String.valueOf(number),
                                            "Step",
                                            new CueAction.SayLine(0, Optional.of(target), "/scene", List.of()))),
                            0))
                    .toList();
            assertThat(imperan.bean(Keeper.class)
                            .edit(imperan.show(), new EditRequest("Cues of the ring", cues), ADA)
                            .join())
                    .isInstanceOf(Outcome.Accepted.class);
            list("Ring");
            assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next cue")))
                    .containsText("1 Step");
            button("Go").click();
            Locator alert = page.getByRole(AriaRole.ALERT)
                    .filter(new Locator.FilterOptions().setHasText("Broken off: this list steps itself"));
            AtomicInteger said = new AtomicInteger();
            Desk.waitUntil("it is broken off", () -> {
                while (said.get() < far.arrived().size()) {
                    said.incrementAndGet();
                    far.say(OscMessage.of("/pressed", new OscArgument.Int32(1)));
                }
                return alert.isVisible();
            });
            assertThat(alert).containsText("/pressed 1 from Far desk comes whenever a cue is sent");
            assertThat(page.getByText("“Ring” is broken off: it steps itself")).isVisible();
            far.forget();
            far.say(OscMessage.of("/pressed", new OscArgument.Int32(1)));
            button("Arm").click();
            assertThat(alert).isHidden();
            far.say(OscMessage.of("/pressed", new OscArgument.Int32(1)));
            far.waitFor(OscMessage.of("/scene"));
        }
    }

    /** A list of its own, for the one of the demo is read by others. */
    private void harbour() {
        PartId list = new PartId("harbour");
        put(list, null, CueList.plain("Harbour"));
        CueAction mute = new CueAction.SayLine(
                0,
                Optional.of(new PartId("bellows")),
                "/bellows/in/6/mute",
                List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, "1")));
        put(new PartId("harbour-1"), list, Cue.plain("1", "Bells", mute, mute));
    }

    @Test
    void linesOfCuesAreChangedInTheTableAndAllAtOnce() {
        harbour();
        page.navigate(imperan.url("/#/lines"));
        page.getByLabel("Filter the lines").fill("Harbour");
        Locator row = page.locator("[data-line='harbour-1:send:2']");
        assertThat(row).containsText("1 Bells");
        assertThat(row).containsText("cue");
        Locator address = row.getByRole(AriaRole.TEXTBOX);
        address.fill("/bellows/in/7/mut");
        address.press("Enter");
        assertThat(row).containsText("did you mean /bellows/in/7/mute");
        button("Use it").click();
        assertThat(address).hasValue("/bellows/in/7/mute");
        row.getByRole(AriaRole.LINK).click();
        button("Edit").click();
        assertThat(row("1")).containsText("Bellows /bellows/in/7/mute 1");

        button("Find and replace …").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        exactly(dialog, "Find").fill("/bellows/in/");
        exactly(dialog, "Put").fill("/bellows/aux/");
        assertThat(dialog).containsText("/bellows/aux/7/mute");
        dialog.getByText("Replace", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(dialog).isHidden();
        assertThat(row("1")).containsText("/bellows/aux/6/mute");
        button("Swap the target …").click();
        exactly(dialog, "go from now on to").click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Wick").setExact(true))
                .click();
        dialog.getByText("Swap", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(dialog).isHidden();
        assertThat(row("1")).containsText("Wick /bellows/aux/7/mute 1");
    }

    @Test
    void whatStandsIsRecordedAsALookAndRecalledWithAFade() {
        desk.set("/bellows/in/5/level", new OscArgument.Float32(0.6f));
        page.navigate(imperan.url("/#/run/sound"));
        assertThat(Hands.control(page, "level-5")
                        .locator(".reading-in, [data-belief=KNOWN]")
                        .or(Hands.control(page, "level-5")))
                .isVisible();
        Desk.waitUntil("it is known", () -> desk.level("in/5") > 0.59);
        list("Evening walk");
        button("Edit").click();
        Locator looks = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Looks"));
        choose(looks.getByLabel("Of pages"), "Sound");
        choose(looks.getByLabel("Of controls"), "faders");
        looks.getByText("Record what stands now").click();
        Locator look = looks.getByRole(AriaRole.LISTITEM, new Locator.GetByRoleOptions().setName("Look Look 3"));
        assertThat(look).containsText("13 controls");
        desk.set("/bellows/in/5/level", new OscArgument.Float32(0.1f));
        click(page.locator("[data-cue='15']"));
        add();
        Locator cue =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^Cue 15\\.")));
        click(cue.getByText("Recall a look"));
        choose(cue.getByLabel("Look"), "Look 3");
        type(exactly(cue, "In, s"), "0.4");
        button("Play").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Fire cue 15\\.\\d+ and stay")))
                .click();
        desk.waitForLevel("in/5", 0.6);
    }

    /** The cue sheet as a table, changed elsewhere and taken in again. */
    @Test
    void aListGoesOutAsATableAndComesBack() {
        PartId list = new PartId("table-list");
        put(list, null, CueList.plain("As a table"));
        put(new PartId("table-1"), list, Cue.plain("1", "First"));
        list("As a table");
        button("Edit").click();
        String table = Chromium.get(page, imperan.api("/cues/table-list.csv")).text();
        assertThat(table).contains("table-1,1,First");
        button("Import").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("The table").fill(table.replace("First", "The first") + ",2,Another,,pink,,hand,\r\n");
        assertThat(dialog.getByRole(AriaRole.ALERT)).containsText("“pink” is no colour of a cue");
        dialog.getByLabel("The table")
                .fill(table.replace("First", "The first") + ",2,Another,,green,sound,after 3 s,\r\n");
        assertThat(dialog.getByRole(AriaRole.ALERT)).hasCount(0);
        button("Import").last().click();
        assertThat(row("1")).containsText("The first");
        assertThat(row("2")).containsText("next after 3 s");
    }

    @Test
    void twoOperatorsSeeTheSameAndNeitherFiresTwice() {
        PartId list = new PartId("two-list");
        put(list, null, new CueList("For two", 2, Optional.empty(), Optional.empty(), Optional.empty(), ""));
        put(
                new PartId("two-1"),
                list,
                Cue.plain(
                        "1",
                        "First",
                        new CueAction.BringControl(
                                0, Optional.of(new PartId("level-6")), List.of(0.3), 0, FadeCurve.EVEN)));
        put(
                new PartId("two-2"),
                list,
                Cue.plain(
                        "2",
                        "Second",
                        new CueAction.BringControl(
                                0, Optional.of(new PartId("level-6")), List.of(0.9), 5, FadeCurve.EVEN)));
        put(new PartId("two-3"), list, Cue.plain("3", "Third"));
        list("For two");
        try (Page ben = chromium.device("Ben")) {
            ben.navigate(imperan.url("/#/cues/two-list"));
            assertThat(ben.locator("[data-cue='1']")).hasAttribute("data-next", "true");
            button(ben, "Go").click();
            assertThat(row("2")).hasAttribute("data-next", "true");
            assertThat(page.locator("[data-fired='1']")).isVisible();
            assertThat(button("Go")).isDisabled();
            page.keyboard().press("Space");
            assertThat(page.getByText("The last go was just now")).isVisible();
            desk.waitForLevel("in/6", 0.3);
            Desk.waitUntil("the guard is over", () -> order(
                            "{\"kind\":\"cues\",\"list\":\"two-list\",\"deed\":\"GO\",\"cue\":\"two-1\"}")
                    .contains("Somebody stepped the list since"));
            button(ben, "Go").click();
            Locator running = page.locator("[data-running='2']");
            assertThat(running).containsText("Ben");
            assertThat(row("3")).hasAttribute("data-next", "true");
            ben.keyboard().press(".");
            assertThat(running).hasCount(0);
            assertThat(ben.locator("[data-cue='2']")).containsText("■ stopped");
        }
    }

    /** Nothing plays by itself after a restart, and the list stands where it stood. */
    @Test
    void afterARestartNothingPlaysAndTheListStandsWhereItStood() throws Exception {
        try (Installation own = Installation.own();
                Desk bellows = new Desk(own.bellows());
                Page mine = chromium.device("Ada")) {
            mine.navigate(own.url("/#/cues"));
            Locator next = mine.locator("[data-cue='5']");
            button(mine, "Make cue 5 the next").click();
            assertThat(next).hasAttribute("data-next", "true");
            button(mine, "Go").click();
            assertThat(mine.locator("[data-cue='6']")).hasAttribute("data-next", "true");
            bellows.set("/bellows/main/level", new OscArgument.Float32(0.33f));
            // without a database the list is stepped all the same
            own.databaseGone(true);
            assertThat(button(mine, "Go")).isEnabled();
            button(mine, "Make cue 8 the next").click();
            button(mine, "Make cue 6 the next").click();
            assertThat(mine.locator("[data-cue='6']")).hasAttribute("data-next", "true");
            own.databaseGone(false);
            own.stopServer();
            own.startServer();
            mine.navigate(own.url("/#/cues"));
            assertThat(mine.locator("[data-cue='6']")).hasAttribute("data-next", "true");
            assertThat(mine.getByText("Nothing runs.")).isVisible();
            assertThat(mine.locator("[data-fired]")).hasCount(0);
            bellows.waitForLevel("main", 0.33);
        }
    }
}
