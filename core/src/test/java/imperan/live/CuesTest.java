package imperan.live;

import imperan.cue.CueLoad;
import imperan.cue.Outcome;
import imperan.cue.Refusal;
import imperan.osc.OscArgument;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Look;
import imperan.show.Outcome.Accepted;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Problem;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Button;
import imperan.show.form.CueKey;
import imperan.show.form.Form;
import imperan.show.form.Pad;
import org.junit.jupiter.api.Test;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.BEN;
import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** What cues do when they are fired, and what is known of that afterwards. */
class CuesTest {

    private static final PartId LIST = new PartId("list");
    private static final PartId ONE = new PartId("one");
    private static final PartId TWO = new PartId("two");
    private static final PartId LOOK = new PartId("look");
    private static final PartId LEVEL = new PartId("level");
    private static final PartId OTHER = new PartId("other");

    private Show show;
    private Stage stage;

    private void runs(Cue... cues) {
        runs(Shows.target("Desk"), cues);
    }

    private void runs(Target desk, Cue... cues) {
        PartId book = new PartId("book");
        Phrase phrase = Phrase.plain("/level", Phrase.Direction.BOTH, List.of(Phrase.PhraseArgument.plain(ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME), "", "");
        List<EditRequest.Step> steps = new ArrayList<>(List.of(put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())), put(new PartId("phrase"), book, phrase),
                Shows.change(Shows.withPage(), DESK, desk.speaking(book)), put(LEVEL, PAGE, fader("Level", 0, "/level")), put(OTHER, PAGE, fader("Other", 1, "/other")),
                put(LOOK, null, new Look("Evening", List.of(new Look.Stand(LEVEL, List.of(1.0)), new Look.Stand(OTHER, List.of(0.5))), "")),
                put(LIST, null, new CueList("Evening walk", 0.3, Optional.of(key(1)), Optional.of(key(2)), Optional.empty(), ""))));
        for (int i = 0; i < cues.length; i++) {
            steps.add(put(List.of(ONE, TWO, new PartId("three"), new PartId("four")).get(i), LIST, cues[i]));
        }
        show = Shows.accepted(Shows.withPage(), Shows.ADA, steps.toArray(EditRequest.Step[]::new));
        stage = new Stage(show);
        stage.desk("/level", 0f);
        stage.desk("/other", 0f);
        stage.pass(100);
        stage.takeSent();
    }

    private static Behaviour.Condition key(int number) {
        return new Behaviour.Condition(Optional.of(DESK), "/key/" + number, 0, "1");
    }

    private static CueAction.SayLine say(double delay, String address, ArgumentSource... arguments) {
        return new CueAction.SayLine(delay, Optional.of(DESK), address, List.of(arguments));
    }

    private static ArgumentSource fixed(String text) {
        return new ArgumentSource.Fixed(ArgumentType.FLOAT32, text);
    }

    private static CueAction.BringControl bring(PartId control, double to, double seconds) {
        return new CueAction.BringControl(0, Optional.of(control), List.of(to), seconds, FadeCurve.EVEN);
    }

    private static CueAction.FadeLine fade(String address, Optional<Double> from, double to, double seconds, CueAction.FadeLine.Unknown unknown) {
        return new CueAction.FadeLine(0, Optional.of(DESK), address, List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)), from, to, seconds, FadeCurve.EVEN, unknown);
    }

    private Optional<Problem> order(Command.StepCues.Deed deed, PartId cue) {
        return stage.live.carryOut(new Command.StepCues(LIST, deed, Optional.ofNullable(cue)), Actor.of(ADA), stage.now);
    }

    private void go() {
        assertThat(order(Command.StepCues.Deed.GO, null)).isEmpty();
    }

    private CueListView view() {
        return stage.live.cueList(LIST).orElseThrow();
    }

    private List<Outcome> outcomes() {
        FiredCue last = view().running().isEmpty() ? view().over().get(0) : view().running().get(view().running().size() - 1);
        return last.marks().stream().map(FiredCue.Mark::outcome).toList();
    }

    private Optional<Reason> reason(int action) {
        return view().over().get(0).marks().get(action).reason();
    }

    private void follow(EditRequest.Step step) {
        Accepted done = (Accepted) show.apply(new EditRequest("Edit", List.of(step)), Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
    }

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
        assertThat(outcomes()).as("nobody knows what it would be answered").containsExactly(Outcome.ANSWERED, Outcome.DONE);
        assertThat(view().over()).hasSize(1).first().satisfies(fired -> assertThat(fired.by()).isEqualTo("Ada"));
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
    void aFadeOfAControlGoesEvenlyEndsExactlyAndOnlyItsEndIsAwaited() {
        runs(Cue.plain("1", "", bring(LEVEL, 0.8, 2)));
        go();
        stage.pass(500);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.2, within(1e-9));
        assertThat(stage.value("level").movedBy()).isEqualTo("Evening walk 1");
        assertThat(outcomes()).containsExactly(Outcome.GOES_ON);
        assertThat(stage.events.stream().filter(LiveEvent.Opened.class::isInstance)).isEmpty();
        stage.pass(1500);
        assertThat(stage.takeSent()).hasSize(100).last().isEqualTo("/level 0.8");
        assertThat(stage.events.stream().filter(LiveEvent.Opened.class::isInstance)).hasSize(1);
        stage.desk("/level", 0.8f);
        assertThat(outcomes()).containsExactly(Outcome.ANSWERED);
    }

    @Test
    void aHandTakesWhatACueFadesAndTheCueLeavesItAlone() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2), bring(OTHER, 1, 2)), Cue.plain("2", "", bring(LEVEL, 1, 0)));
        go();
        stage.pass(500);
        stage.touch(BEN, "level", Touch.Phase.PRESS, 0.5);
        stage.touch(BEN, "level", Touch.Phase.MOVE, 0.6);
        double held = stage.value("level").axes().get(0).position();
        for (int i = 0; i < 3; i++) {
            stage.pass(1000);
            stage.live.heartbeat(BEN.id(), stage.now);
        }
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(held);
        assertThat(stage.value("other").axes().get(0).position()).isEqualTo(1);
        assertThat(outcomes().get(0)).isEqualTo(Outcome.TAKEN);
        go();
        assertThat(outcomes()).as("a hand stands before a cue").containsExactly(Outcome.TAKEN);
        assertThat(reason(0)).hasValue(new Reason.MovedByAnother("Ben", "Level"));
    }

    @Test
    void theLatestOfTwoCuesHasWhatBothFade() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 4)), Cue.plain("2", "", bring(LEVEL, 0, 1)));
        go();
        stage.pass(1000);
        go();
        stage.pass(3000);
        assertThat(stage.value("level").axes().get(0).position()).isZero();
        assertThat(view().over()).flatExtracting(FiredCue::marks).extracting(FiredCue.Mark::outcome).contains(Outcome.TAKEN);
    }

    @Test
    void aFadeOfALineBeginsWhereItsTargetSaidThatItIs() {
        runs(Cue.plain("1", "", fade("/level", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.SKIP)));
        stage.desk("/level", 0.5f);
        go();
        stage.pass(500);
        assertThat(stage.takeSent()).last().isEqualTo("/level 0.75");
        stage.pass(500);
        assertThat(stage.takeSent()).last().isEqualTo("/level 1.0");
        stage.desk("/level", 1f);
        assertThat(outcomes()).containsExactly(Outcome.ANSWERED);
    }

    @Test
    void whereNobodyKnowsItsStartItIsLeftOutOrJumps() {
        runs(Cue.plain("1", "", fade("/unknown", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.SKIP), fade("/too", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.JUMP),
                fade("/stated", Optional.of(0.0), 1, 0.1, CueAction.FadeLine.Unknown.SKIP)));
        go();
        stage.pass(200);
        assertThat(stage.takeSent()).containsExactly("/too 1.0", "/stated 0.2", "/stated 0.4", "/stated 0.6", "/stated 0.8", "/stated 1.0");
        assertThat(outcomes()).containsExactly(Outcome.SKIPPED, Outcome.DONE, Outcome.DONE);
        assertThat(reason(0)).hasValue(new Reason.StartUnknown());
    }

    @Test
    void itsStartIsAskedForAndWaitedForAFifthOfASecond() {
        runs(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES), Cue.plain("1", "", fade("/asked", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.SKIP)),
                Cue.plain("2", "", fade("/silent", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.SKIP)));
        go();
        assertThat(stage.takeSent()).containsExactly("/asked");
        stage.pass(50);
        stage.desk("/asked", 0f);
        stage.pass(1100);
        assertThat(stage.takeSent()).last().isEqualTo("/asked 1.0");
        go();
        stage.pass(150);
        assertThat(outcomes()).containsExactly(Outcome.WAITS);
        stage.pass(100);
        assertThat(outcomes()).containsExactly(Outcome.SKIPPED);
        assertThat(stage.takeSent()).containsExactly("/silent");
    }

    @Test
    void aWholeNumberThatFadesSlowlyIsSaidOnceForEachValue() {
        runs(Cue.plain("1", "", new CueAction.FadeLine(0, Optional.of(DESK), "/lamp", List.of(fixed("7"), new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)), Optional.of(0.0), 3, 10, FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP)));
        go();
        stage.pass(11_000);
        assertThat(stage.takeSent()).containsExactly("/lamp 7.0  0", "/lamp 7.0  1", "/lamp 7.0  2", "/lamp 7.0  3", "/lamp 7.0  3");
    }

    @Test
    void aFadeThatHasToLookSomethingUpAsksForItAndEndsNoSooner() {
        runs(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES), Cue.plain("1", "", new CueAction.FadeLine(0, Optional.of(DESK), "/lamp",
                List.of(new ArgumentSource.Said(ArgumentType.INT32, Optional.of(DESK), "/number", 0, List.of()), new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)), Optional.of(0.0), 1, 0, FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP)), Cue.plain("2", "", say(0, "/end", new ArgumentSource.Said(ArgumentType.INT32, Optional.of(DESK), "/never", 0, List.of()))));
        go();
        assertThat(stage.takeSent()).containsExactly("/number");
        assertThat(outcomes()).containsExactly(Outcome.WAITS);
        stage.desk("/number", 4f);
        stage.pass(30);
        assertThat(stage.takeSent()).contains("/lamp 4  1");
        stage.pass(500);
        go();
        stage.pass(500);
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).hasValue(new Reason.NotSaidYet("Desk", "/never", true));
    }

    @Test
    void aKeyThatACueTriggersDoesNotStayOn() {
        runs(Cue.plain("1", "", bring(new PartId("shot"), 1, 0)));
        follow(put(new PartId("shot"), PAGE, Control.plain("Shot", new Cells(4, 4, 1, 1), Button.plain(Button.Action.ONE_SHOT), List.of(new Send(Send.Phase.PRESS, Optional.of(DESK), "/shot", List.of())), List.of())));
        go();
        assertThat(stage.takeSent()).containsExactly("/shot");
        assertThat(stage.value("shot").axes().get(0).position()).isZero();
    }

    @Test
    void stepsOfAFadeKeepToThePaceOfTheTargetAndItsEndLeaves() {
        runs(Shows.target("Desk").paced(10), Cue.plain("1", "", bring(LEVEL, 1, 1), say(0, "/a"), say(0, "/b"), say(0, "/c")));
        go();
        stage.pass(1500);
        List<String> sent = stage.takeSent();
        assertThat(sent).filteredOn(line -> !line.startsWith("/level")).containsExactly("/a", "/b", "/c");
        assertThat(sent).filteredOn(line -> line.startsWith("/level")).hasSizeBetween(7, 12).last().isEqualTo("/level 1.0");
        stage.desk("/level", 1f);
        assertThat(outcomes().get(0)).isEqualTo(Outcome.ANSWERED);
    }

    @Test
    void aLookIsRecalledWithAFade() {
        runs(Cue.plain("1", "", new CueAction.RecallLook(0, Optional.of(LOOK), 1, FadeCurve.EVEN)), Cue.plain("2", "", new CueAction.RecallLook(0, Optional.empty(), 1, FadeCurve.EVEN)));
        go();
        stage.pass(500);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.5, within(1e-9));
        assertThat(stage.value("other").axes().get(0).position()).isEqualTo(0.25, within(1e-9));
        stage.pass(500);
        assertThat(stage.value("other").axes().get(0).position()).isEqualTo(0.5);
        go();
        assertThat(reason(0)).hasValue(new Reason.NothingChosen("look"));
    }

    @Test
    void pageHoldAndStartListAndAnotherList() {
        PartId second = new PartId("second");
        runs(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS).startingWith(List.of("/wake 1", "/wake 2")),
                Cue.plain("1", "", new CueAction.ShowPage(0, Optional.of(PAGE), List.of("Ben")), new CueAction.SayStartList(0, Optional.of(DESK)), new CueAction.SteerList(0, Optional.of(second), CueAction.SteerList.Deed.GO),
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
        runs(Cue.plain("1", "", say(0, "/level", fixed("0.5"))).followed(CueFollow.answered(2, false)), Cue.plain("2", "", say(0, "/level", fixed("0.75"))).followed(CueFollow.answered(2, false)),
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
        follow(put(new PartId("go"), PAGE, Control.plain("", new Cells(4, 4, 1, 1), new CueKey(Optional.of(LIST), CueKey.CueOrder.GO, Optional.empty()), List.of(), List.of())));
        follow(put(new PartId("fire"), PAGE, Control.plain("", new Cells(5, 4, 1, 1), new CueKey(Optional.of(LIST), CueKey.CueOrder.FIRE, Optional.of(TWO)), List.of(), List.of())));
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

    private void press(String control, String words) {
        Asking.touch(stage.live, new Touch(new PartId(control), "1", Touch.Phase.PRESS, 0.5, 0.5, false, words), ADA, stage.now);
        Asking.touch(stage.live, new Touch(new PartId(control), "1", Touch.Phase.RELEASE, 0.5, 0.5, false, ""), ADA, stage.now);
    }

    @Test
    void twoPeopleFireNothingTwice() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(0, "/two")));
        assertThat(order(Command.StepCues.Deed.GO, ONE)).isEmpty();
        stage.pass(1000);
        Optional<Problem> late = stage.live.carryOut(new Command.StepCues(LIST, Command.StepCues.Deed.GO, Optional.of(ONE)), Actor.of(BEN), stage.now);
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
        runs(Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES),
                Cue.plain("1", "", say(0, "/say", new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/number", 0, List.of()), new ArgumentSource.OfControl(ArgumentType.FLOAT32, Optional.of(OTHER), List.of(), 0))));
        go();
        stage.pass(40);
        stage.desk("/other", 0.5f);
        stage.desk("/number", 7f);
        stage.pass(40);
        assertThat(stage.takeSent()).contains("/say 7.0  0.5");
        assertThat(stage.now).isGreaterThan(0);
    }

    /** Hands, cues, orders and answers for hours: whatever happens, no control that a hand holds is moved by a cue, and in the end nothing is left over. */
    @Test
    void atRandomAHandIsNeverPulled() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2), say(0.5, "/level", fixed("0.5"))).followed(CueFollow.after(1)), Cue.plain("2", "", new CueAction.RecallLook(0, Optional.of(LOOK), 1.5, FadeCurve.SLOW_ENDS)),
                Cue.plain("3", "", bring(LEVEL, 0, 0.7), bring(OTHER, 0, 3)).followed(CueFollow.answered(1, true)), Cue.plain("4", "", fade("/level", Optional.of(0.2), 0.9, 2, CueAction.FadeLine.Unknown.SKIP)));
        Random random = new Random(11);
        boolean held = false;
        for (int i = 0; i < 5_000; i++) {
            switch (random.nextInt(9)) {
                case 0 -> {
                    stage.touch(BEN, "level", held ? Touch.Phase.RELEASE : Touch.Phase.PRESS, 0.5);
                    held = !held;
                }
                case 1 -> order(Command.StepCues.Deed.RESET, null);
                case 2 -> order(random.nextBoolean() ? Command.StepCues.Deed.PAUSE : Command.StepCues.Deed.RESUME, null);
                case 3 -> order(Command.StepCues.Deed.STOP, null);
                case 4 -> order(Command.StepCues.Deed.FIRE, random.nextBoolean() ? TWO : new PartId("four"));
                case 5 -> stage.desk("/level", random.nextFloat());
                default -> order(Command.StepCues.Deed.GO, null);
            }
            stage.live.heartbeat(BEN.id(), stage.now);
            double before = stage.value("level").axes().get(0).position();
            boolean isHeld = !stage.value("level").holder().isEmpty();
            stage.takeSent();
            stage.pass(random.nextInt(1_500));
            if (isHeld && !stage.value("level").holder().isEmpty()) {
                assertThat(stage.value("level").axes().get(0).position()).isEqualTo(before);
                assertThat(stage.takeSent().stream().filter(line -> line.startsWith("/level")).filter(line -> !line.equals("/level 0.5"))).isEmpty();
            }
        }
        stage.pass(60_000);
        assertThat(view().running()).isEmpty();
        assertThat(stage.now).isGreaterThan(MS);
    }

    @Test
    void aPageThatIsGoneIsSaid() {
        runs(Cue.plain("1", "", new CueAction.ShowPage(0, Optional.of(PAGE), List.of()), new CueAction.ShowPage(0, Optional.of(new PartId("gone")), List.of())));
        go();
        assertThat(stage.pages).containsExactly(PAGE.value());
        assertThat(outcomes()).containsExactly(Outcome.DONE, Outcome.FELL_SHORT);
        assertThat(reason(1)).contains(new Reason.NothingChosen("page"));
    }

    @Test
    void whatItsSlowestTargetNeedsIsKnownBeforeItsGo() {
        Target slow = Shows.target("Desk").paced(10).startingWith(List.of("/a", "/b", "/c", "/d", "/e", "/f"));
        runs(slow, Cue.plain("1", "", say(0, "/level", fixed("0.5"))), Cue.plain("2", "", new CueAction.SayStartList(0, Optional.of(DESK)), new CueAction.RecallLook(0, Optional.of(LOOK), 0, FadeCurve.EVEN)));
        assertThat(view().slowest()).as("one leaves at once").isEmpty();
        go();
        assertThat(view().slowest()).contains(new CueLoad.Slowest(DESK, 8, 0.7));
        follow(Shows.change(show, DESK, slow.paced(70).speaking(new PartId("book"))));
        assertThat(view().slowest()).contains(new CueLoad.Slowest(DESK, 8, 0.1));
        assertThat(stage.events).filteredOn(event -> event instanceof LiveEvent.CuesChanged).last().satisfies(event -> assertThat(event.at()).isEqualTo(stage.now));
    }

    @Test
    void aStartListIsDoneWhenItsLastLineHasLeft() {
        runs(Shows.target("Desk").paced(10).startingWith(List.of("/a", "/b", "/c")), Cue.plain("1", "", new CueAction.SayStartList(0, Optional.of(DESK))));
        stage.pass(1000);
        go();
        stage.pass(50);
        assertThat(outcomes()).containsExactly(Outcome.SAID);
        stage.pass(400);
        assertThat(outcomes()).containsExactly(Outcome.DONE);
        assertThat(view().over().get(0).marks().get(0).lateNanos()).as("its third line").contains(200 * MS);
    }

    @Test
    void whatNobodyChoseIsSaidOfEachAction() {
        runs(Cue.plain("1", "", new CueAction.SayLine(0, Optional.empty(), "/level", List.of()),
                new CueAction.FadeLine(0, Optional.empty(), "/level", List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)), Optional.of(0.0), 1, 1, FadeCurve.EVEN, CueAction.FadeLine.Unknown.SKIP),
                new CueAction.BringControl(0, Optional.empty(), List.of(1.0), 0, FadeCurve.EVEN), new CueAction.RecallLook(0, Optional.empty(), 0, FadeCurve.EVEN), new CueAction.ShowPage(0, Optional.empty(), List.of()),
                new CueAction.SayStartList(0, Optional.empty()), new CueAction.HoldTarget(0, Optional.empty(), true), new CueAction.SteerList(0, Optional.empty(), CueAction.SteerList.Deed.GO)));
        go();
        assertThat(stage.takeSent()).isEmpty();
        assertThat(outcomes()).hasSize(8).containsOnly(Outcome.FELL_SHORT);
        assertThat(view().over().get(0).marks().stream().map(mark -> mark.reason().orElseThrow()).toList()).containsExactly(new Reason.NoTarget(), new Reason.NoTarget(), new Reason.NothingChosen("control"),
                new Reason.NothingChosen("look"), new Reason.NothingChosen("page"), new Reason.NothingChosen("target"), new Reason.NothingChosen("target"), new Reason.NothingChosen("list"));
    }

    @Test
    void whatBecomesAnotherFormWhileItFadesIsSaid() {
        runs(Cue.plain("1", "Rise", bring(LEVEL, 1, 2)));
        go();
        stage.pass(500);
        follow(Shows.change(show, LEVEL, ((Control) show.part(LEVEL).orElseThrow().body()).formed(new Pad(Form.Grab.JUMP, false))));
        stage.pass(100);
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).contains(new Reason.ControlGone());
    }

    @Test
    void aListThatIsRemovedPlaysNoMore() {
        runs(Cue.plain("1", "Rise", fade("/level", Optional.of(0.0), 1, 5, CueAction.FadeLine.Unknown.SKIP)).followed(CueFollow.after(1)), Cue.plain("2", "", say(0, "/other", fixed("1"))));
        go();
        stage.pass(500);
        follow(Shows.remove(show, LIST));
        stage.takeSent();
        stage.pass(5000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.live.cueLists()).isEmpty();
        assertThat(order(Command.StepCues.Deed.GO, null)).contains(Problem.of("This cue list is no longer in the live show"));
    }
}
