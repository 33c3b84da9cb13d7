package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.BEN;
import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.cue.CueLoad;
import imperan.cue.ListRun;
import imperan.cue.Outcome;
import imperan.cue.Refusal;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Send;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Button;
import imperan.show.form.CueKey;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What cues do when they are fired, and what is known of that afterwards. */
class CuesTest extends CueStage {

    @Test
    void aLineIsSaidAndItsAnswerCounts() {
        runs(Cue.plain("1", "Up", say(0, "/level", fixed("0.5")), say(1, "/nobody", fixed("1"))));
        go();
        assertThat(stage.takeSent()).containsExactly("/level 0.5");
        assertThat(outcomes()).containsExactly(Outcome.SAID, Outcome.WAITS);
        stage.desk("/level", 0.5f);
        assertThat(outcomes()).containsExactly(Outcome.ANSWERED, Outcome.WAITS);
        stage.pass(1000);
        assertThat(stage.takeSent()).containsExactly("/nobody 1.0");
        assertThat(outcomes())
                .as("nobody knows what it would be answered")
                .containsExactly(Outcome.ANSWERED, Outcome.DONE);
        assertThat(view().over()).hasSize(1).first().satisfies(fired -> assertThat(fired.by())
                .isEqualTo("Ada"));
    }

    @Test
    void anAnswerThatIsMissingOrAnotherOneFellShort() {
        runs(Cue.plain("1", "", say(0, "/level", fixed("0.5"))), Cue.plain("2", "", say(0, "/level", fixed("0.25"))));
        go();
        stage.pass(5000);
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).containsInstanceOf(Reason.NoAnswer.class);
        go();
        stage.desk("/level", 0.9f);
        stage.pass(5000);
        assertThat(reason(0)).hasValue(new Reason.WrongValue());
    }

    @Test
    void whatIsHeldIsNotSaidAndFellShort() {
        runs(Cue.plain("1", "", say(0, "/level", fixed("0.5")), bring(OTHER, 1, 0)));
        stage.live.carryOut(new Command.SetGate(Optional.of(DESK), Gate.HELD), Actor.of(ADA), stage.now);
        go();
        assertThat(stage.takeSent()).isEmpty();
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT, Outcome.FELL_SHORT);
        assertThat(reason(0)).hasValue(new Reason.Gated("Desk", Gate.HELD));
    }

    @Test
    void aKeyThatACueTriggersDoesNotStayOn() {
        runs(Cue.plain("1", "", bring(new PartId("shot"), 1, 0)));
        follow(put(
                new PartId("shot"),
                PAGE,
                Control.plain(
                        "Shot",
                        new Cells(4, 4, 1, 1),
                        Button.plain(Button.Action.ONE_SHOT),
                        List.of(new Send(Send.Phase.PRESS, Optional.of(DESK), "/shot", List.of())),
                        List.of())));
        go();
        assertThat(stage.takeSent()).containsExactly("/shot");
        assertThat(stage.value("shot").axes().get(0).position()).isZero();
    }

    @Test
    void pageHoldAndStartListAndAnotherList() {
        PartId second = new PartId("second");
        runs(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS)
                        .startingWith(List.of("/wake 1", "/wake 2")),
                Cue.plain(
                        "1",
                        "",
                        new CueAction.ShowPage(0, Optional.of(PAGE), List.of("Ben")),
                        new CueAction.SayStartList(0, Optional.of(DESK)),
                        new CueAction.SteerList(0, Optional.of(second), CueAction.SteerList.Deed.GO),
                        new CueAction.HoldTarget(1, Optional.of(DESK), true)));
        follow(put(second, null, CueList.plain("Second")));
        follow(put(new PartId("there"), second, Cue.plain("1", "", say(0, "/there"))));
        go();
        assertThat(stage.pages).containsExactly("page");
        assertThat(stage.takeSent()).containsExactly("/wake 1", "/wake 2", "/there");
        stage.pass(1000);
        assertThat(stage.link().gate()).isEqualTo(Gate.HELD);
        assertThat(outcomes()).containsOnly(Outcome.DONE);
    }

    @Test
    void theNextOneFollowsOnceAllWasAnswered() {
        runs(
                Cue.plain("1", "", say(0, "/level", fixed("0.5"))).followed(CueFollow.answered(2, false)),
                Cue.plain("2", "", say(0, "/level", fixed("0.75"))).followed(CueFollow.answered(2, false)),
                Cue.plain("3", "", say(0, "/end")));
        go();
        stage.pass(100);
        stage.takeSent();
        stage.desk("/level", 0.5f);
        stage.pass(0);
        assertThat(stage.takeSent()).containsExactly("/level 0.75");
        stage.pass(10_000);
        assertThat(stage.takeSent()).as("without an answer it waits for a hand").isEmpty();
        assertThat(view().next()).hasValue(new PartId("three"));
    }

    @Test
    void keysOfTheDeskStepTheList() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(0, "/two")));
        stage.desk("/key/1", new OscArgument.Int32(1));
        stage.desk("/key/1", new OscArgument.Int32(0));
        assertThat(stage.takeSent()).containsExactly("/one");
        stage.pass(1000);
        stage.desk("/key/2", new OscArgument.Int32(1));
        assertThat(view().next()).hasValue(ONE);
        assertThat(view().over().get(0).by()).isEqualTo("Desk");
    }

    @Test
    void keysOfAPageStepTheListAndSayWhyNot() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(0, "/two")));
        follow(put(
                new PartId("go"),
                PAGE,
                Control.plain(
                        "",
                        new Cells(4, 4, 1, 1),
                        new CueKey(Optional.of(LIST), CueKey.CueOrder.GO, Optional.empty()),
                        List.of(),
                        List.of())));
        follow(put(
                new PartId("fire"),
                PAGE,
                Control.plain(
                        "",
                        new Cells(5, 4, 1, 1),
                        new CueKey(Optional.of(LIST), CueKey.CueOrder.FIRE, Optional.of(TWO)),
                        List.of(),
                        List.of())));
        press("go", ONE.value());
        assertThat(stage.takeSent()).containsExactly("/one");
        press("go", TWO.value());
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.trace("go").stopped()).hasValue(new Reason.ListRefused(Refusal.TOO_SOON));
        stage.pass(1000);
        press("go", ONE.value());
        assertThat(stage.trace("go").stopped()).hasValue(new Reason.ListRefused(Refusal.MOVED_SINCE));
        press("fire", "");
        assertThat(stage.takeSent()).containsExactly("/two");
        assertThat(view().next()).hasValue(TWO);
        assertThat(view().over().get(0).by()).isEqualTo("Ada");
    }

    /** A cue whose lines wait for minutes, fired again and again. */
    @Test
    void aListRuns256CuesAndOneMoreIsRefusedInWordsAndEndsNone() {
        runs(Cue.plain("1", "Horn", say(200, "/level", fixed("0.5"))));
        for (int i = 0; i < ListRun.MOST_RUNNING; i++) {
            assertThat(order(Command.StepCues.Deed.FIRE, ONE)).isEmpty();
            stage.pass(10);
        }
        for (int i = 0; i < 3; i++) {
            assertThat(order(Command.StepCues.Deed.FIRE, ONE).orElseThrow().message())
                    .isEqualTo("256 cues of this list run already: wait, or stop it first");
        }
        assertThat(view().running()).hasSize(256).first().satisfies(oldest -> assertThat(oldest.number())
                .isOne());
        assertThat(stage.events)
                .filteredOn(LiveEvent.CueNotBegun.class::isInstance)
                .extracting(event -> ((LiveEvent.CueNotBegun) event).first())
                .containsExactly(true, false, false);
        stage.live.carryOut(new Command.StopAll(), Actor.of(ADA), stage.now);
        assertThat(order(Command.StepCues.Deed.FIRE, ONE)).isEmpty();
        assertThat(view().running()).hasSize(1);
    }

    /** What follows by itself is refused like what a hand fires, and the list goes on once there is room. */
    @Test
    void aCueThatFollowsBeginsOnlyWhereThereIsRoom() {
        runs(
                Cue.plain("1", "", say(5, "/level", fixed("0.5"))),
                Cue.plain("2", "").followed(CueFollow.after(1)),
                Cue.plain("3", "Late", say(0, "/three")));
        for (int i = 0; i < ListRun.MOST_RUNNING - 1; i++) {
            assertThat(order(Command.StepCues.Deed.FIRE, ONE)).isEmpty();
            stage.pass(1);
        }
        assertThat(order(Command.StepCues.Deed.JUMP, TWO)).isEmpty();
        go();
        assertThat(order(Command.StepCues.Deed.FIRE, ONE)).isPresent();
        stage.takeSent();
        stage.pass(1000);
        // the second one is over as the third begins: there is room for it
        assertThat(stage.takeSent()).containsExactly("/three");
    }

    @Test
    void aFadeReplacesTheOneThatRunsOnItsLineAtOnce() {
        runs(Cue.plain("1", "", fade("/level", Optional.of(0.0), 1, 10, CueAction.FadeLine.Unknown.SKIP)));
        for (int i = 0; i < 300; i++) {
            assertThat(order(Command.StepCues.Deed.FIRE, ONE)).isEmpty();
            assertThat(view().running()).hasSize(1);
            stage.pass(10);
        }
        assertThat(view().over().get(0).marks().get(0).outcome()).isEqualTo(Outcome.TAKEN);
    }

    private void press(String control, String words) {
        Asking.touch(
                stage.live,
                new Touch(new PartId(control), "1", Touch.Phase.PRESS, 0.5, 0.5, false, words),
                ADA,
                stage.now);
        Asking.touch(
                stage.live,
                new Touch(new PartId(control), "1", Touch.Phase.RELEASE, 0.5, 0.5, false, ""),
                ADA,
                stage.now);
    }

    @Test
    void twoPeopleFireNothingTwice() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(0, "/two")));
        assertThat(order(Command.StepCues.Deed.GO, ONE)).isEmpty();
        stage.pass(1000);
        Optional<Problem> late = stage.live.carryOut(
                new Command.StepCues(LIST, Command.StepCues.Deed.GO, Optional.of(ONE)), Actor.of(BEN), stage.now);
        assertThat(late).get().extracting(Problem::message).asString().contains("Somebody stepped the list since");
        assertThat(stage.takeSent()).containsExactly("/one");
    }

    @Test
    void stopAllLeavesFadesWhereTheyAre() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2), say(1, "/late")));
        go();
        stage.pass(500);
        stage.live.carryOut(new Command.StopAll(), Actor.of(BEN), stage.now);
        stage.takeSent();
        stage.pass(5000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.25, within(1e-9));
        assertThat(outcomes()).containsExactly(Outcome.STOPPED, Outcome.STOPPED);
        stage.touch(BEN, "level", Touch.Phase.PRESS, 0.5);
        stage.touch(BEN, "level", Touch.Phase.MOVE, 0.6);
        assertThat(stage.takeSent()).as("a hand has it").isNotEmpty();
    }

    @Test
    void nothingPlaysAfterARestartAndTheListStandsWhereItStood() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(0, "/two")));
        go();
        List<CueListView.Place> places = stage.live.cuePlaces();
        Stage again = new Stage(show);
        again.live.restoreCues(places);
        again.pass(10_000);
        assertThat(again.sent).doesNotContain("/one", "/two");
        assertThat(again.live.cueList(LIST).orElseThrow().next()).hasValue(TWO);
        assertThat(again.live.cueList(LIST).orElseThrow().last()).hasValue(ONE);
    }

    @Test
    void anEditNeverFiresAndAListThatGoesStops() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2)));
        go();
        stage.pass(500);
        follow(Shows.change(show, ONE, Cue.plain("1", "", say(0, "/new"))));
        stage.pass(500);
        assertThat(stage.takeSent()).allMatch(line -> line.startsWith("/level"));
        follow(Shows.remove(show, ONE));
        follow(Shows.remove(show, LIST));
        stage.takeSent();
        stage.pass(5000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.live.cueLists()).isEmpty();
        assertThat(order(Command.StepCues.Deed.GO, null)).isPresent();
    }

    @Test
    void whatACueLooksUpIsThereOrIsAskedFor() {
        runs(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES),
                Cue.plain(
                        "1",
                        "",
                        say(
                                0,
                                "/say",
                                new ArgumentSource.Said(
                                        ArgumentType.FLOAT32, Optional.of(DESK), "/number", 0, List.of()),
                                new ArgumentSource.OfControl(ArgumentType.FLOAT32, Optional.of(OTHER), List.of(), 0))));
        go();
        stage.pass(40);
        stage.desk("/other", 0.5f);
        stage.desk("/number", 7f);
        stage.pass(40);
        assertThat(stage.takeSent()).contains("/say 7.0  0.5");
        assertThat(stage.now).isGreaterThan(0);
    }

    @Test
    void aPageThatIsGoneIsSaid() {
        runs(Cue.plain(
                "1",
                "",
                new CueAction.ShowPage(0, Optional.of(PAGE), List.of()),
                new CueAction.ShowPage(0, Optional.of(new PartId("gone")), List.of())));
        go();
        assertThat(stage.pages).containsExactly(PAGE.value());
        assertThat(outcomes()).containsExactly(Outcome.DONE, Outcome.FELL_SHORT);
        assertThat(reason(1)).contains(new Reason.NothingChosen("page"));
    }

    @Test
    void whatItsSlowestTargetNeedsIsKnownBeforeItsGo() {
        Target slow = Shows.target("Desk").paced(10).startingWith(List.of("/a", "/b", "/c", "/d", "/e", "/f"));
        runs(
                slow,
                Cue.plain("1", "", say(0, "/level", fixed("0.5"))),
                Cue.plain(
                        "2",
                        "",
                        new CueAction.SayStartList(0, Optional.of(DESK)),
                        new CueAction.RecallLook(0, Optional.of(LOOK), 0, FadeCurve.EVEN)));
        assertThat(view().slowest()).as("one leaves at once").isEmpty();
        go();
        assertThat(view().slowest()).contains(new CueLoad.Slowest(DESK, 8, 0.7));
        follow(Shows.change(show, DESK, slow.paced(70).speaking(new PartId("book"))));
        assertThat(view().slowest()).contains(new CueLoad.Slowest(DESK, 8, 0.1));
        assertThat(stage.events)
                .filteredOn(event -> event instanceof LiveEvent.CuesChanged)
                .last()
                .satisfies(event -> assertThat(event.at()).isEqualTo(stage.now));
    }

    @Test
    void aStartListIsDoneWhenItsLastLineHasLeft() {
        runs(
                Shows.target("Desk").paced(10).startingWith(List.of("/a", "/b", "/c")),
                Cue.plain("1", "", new CueAction.SayStartList(0, Optional.of(DESK))));
        stage.pass(1000);
        go();
        stage.pass(50);
        assertThat(outcomes()).containsExactly(Outcome.SAID);
        stage.pass(400);
        assertThat(outcomes()).containsExactly(Outcome.DONE);
        assertThat(view().over().get(0).marks().get(0).lateNanos())
                .as("its third line")
                .contains(200 * MS);
    }

    @Test
    void whatNobodyChoseIsSaidOfEachAction() {
        runs(Cue.plain(
                "1",
                "",
                new CueAction.SayLine(0, Optional.empty(), "/level", List.of()),
                new CueAction.FadeLine(
                        0,
                        Optional.empty(),
                        "/level",
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                        Optional.of(0.0),
                        1,
                        1,
                        FadeCurve.EVEN,
                        CueAction.FadeLine.Unknown.SKIP),
                new CueAction.BringControl(0, Optional.empty(), List.of(1.0), 0, FadeCurve.EVEN),
                new CueAction.RecallLook(0, Optional.empty(), 0, FadeCurve.EVEN),
                new CueAction.ShowPage(0, Optional.empty(), List.of()),
                new CueAction.SayStartList(0, Optional.empty()),
                new CueAction.HoldTarget(0, Optional.empty(), true),
                new CueAction.SteerList(0, Optional.empty(), CueAction.SteerList.Deed.GO)));
        go();
        assertThat(stage.takeSent()).isEmpty();
        assertThat(outcomes()).hasSize(8).containsOnly(Outcome.FELL_SHORT);
        assertThat(view().over().get(0).marks().stream()
                        .map(mark -> mark.reason().orElseThrow())
                        .toList())
                .containsExactly(
                        new Reason.NoTarget(),
                        new Reason.NoTarget(),
                        new Reason.NothingChosen("control"),
                        new Reason.NothingChosen("look"),
                        new Reason.NothingChosen("page"),
                        new Reason.NothingChosen("target"),
                        new Reason.NothingChosen("target"),
                        new Reason.NothingChosen("list"));
    }

    @Test
    void aListThatIsRemovedPlaysNoMore() {
        runs(
                Cue.plain("1", "Rise", fade("/level", Optional.of(0.0), 1, 5, CueAction.FadeLine.Unknown.SKIP))
                        .followed(CueFollow.after(1)),
                Cue.plain("2", "", say(0, "/other", fixed("1"))));
        go();
        stage.pass(500);
        follow(Shows.remove(show, LIST));
        stage.takeSent();
        stage.pass(5000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.live.cueLists()).isEmpty();
        assertThat(order(Command.StepCues.Deed.GO, null))
                .contains(Problem.of("This cue list is no longer in the live show"));
    }
}
