package imperan.live;

import static imperan.live.Stage.BEN;
import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.cue.Outcome;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.PartId;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Form;
import imperan.show.form.Pad;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What fades: controls, lines and looks, and what hands and other cues have of that. */
class CueFadesTest extends CueStage {

    @Test
    void aFadeOfAControlGoesEvenlyEndsExactlyAndOnlyItsEndIsAwaited() {
        runs(Cue.plain("1", "", bring(LEVEL, 0.8, 2)));
        go();
        stage.pass(500);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.2, within(1e-9));
        assertThat(stage.value("level").movedBy()).isEqualTo("Evening walk 1");
        assertThat(outcomes()).containsExactly(Outcome.GOES_ON);
        assertThat(stage.events.stream().filter(LiveEvent.Opened.class::isInstance))
                .isEmpty();
        stage.pass(1500);
        assertThat(stage.takeSent()).hasSize(100).last().isEqualTo("/level 0.8");
        assertThat(stage.events.stream().filter(LiveEvent.Opened.class::isInstance))
                .hasSize(1);
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
        assertThat(view().over())
                .flatExtracting(FiredCue::marks)
                .extracting(FiredCue.Mark::outcome)
                .contains(Outcome.TAKEN);
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
        runs(Cue.plain(
                "1",
                "",
                fade("/unknown", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.SKIP),
                fade("/too", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.JUMP),
                fade("/stated", Optional.of(0.0), 1, 0.1, CueAction.FadeLine.Unknown.SKIP)));
        go();
        stage.pass(200);
        assertThat(stage.takeSent())
                .containsExactly("/too 1.0", "/stated 0.2", "/stated 0.4", "/stated 0.6", "/stated 0.8", "/stated 1.0");
        assertThat(outcomes()).containsExactly(Outcome.SKIPPED, Outcome.DONE, Outcome.DONE);
        assertThat(reason(0)).hasValue(new Reason.StartUnknown());
    }

    @Test
    void itsStartIsAskedForAndWaitedForAFifthOfASecond() {
        runs(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES),
                Cue.plain("1", "", fade("/asked", Optional.empty(), 1, 1, CueAction.FadeLine.Unknown.SKIP)),
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
        runs(Cue.plain(
                "1",
                "",
                new CueAction.FadeLine(
                        0,
                        Optional.of(DESK),
                        "/lamp",
                        List.of(fixed("7"), new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)),
                        Optional.of(0.0),
                        3,
                        10,
                        FadeCurve.EVEN,
                        CueAction.FadeLine.Unknown.SKIP)));
        go();
        stage.pass(11_000);
        assertThat(stage.takeSent())
                .containsExactly("/lamp 7.0  0", "/lamp 7.0  1", "/lamp 7.0  2", "/lamp 7.0  3", "/lamp 7.0  3");
    }

    @Test
    void aFadeThatHasToLookSomethingUpAsksForItAndEndsNoSooner() {
        runs(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES),
                Cue.plain(
                        "1",
                        "",
                        new CueAction.FadeLine(
                                0,
                                Optional.of(DESK),
                                "/lamp",
                                List.of(
                                        new ArgumentSource.Said(
                                                ArgumentType.INT32, Optional.of(DESK), "/number", 0, List.of()),
                                        new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)),
                                Optional.of(0.0),
                                1,
                                0,
                                FadeCurve.EVEN,
                                CueAction.FadeLine.Unknown.SKIP)),
                Cue.plain(
                        "2",
                        "",
                        say(
                                0,
                                "/end",
                                new ArgumentSource.Said(
                                        ArgumentType.INT32, Optional.of(DESK), "/never", 0, List.of()))));
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
    void stepsOfAFadeKeepToThePaceOfTheTargetAndItsEndLeaves() {
        runs(
                Shows.target("Desk").paced(10),
                Cue.plain("1", "", bring(LEVEL, 1, 1), say(0, "/a"), say(0, "/b"), say(0, "/c")));
        go();
        stage.pass(1500);
        List<String> sent = stage.takeSent();
        assertThat(sent).filteredOn(line -> !line.startsWith("/level")).containsExactly("/a", "/b", "/c");
        assertThat(sent)
                .filteredOn(line -> line.startsWith("/level"))
                .hasSizeBetween(7, 12)
                .last()
                .isEqualTo("/level 1.0");
        stage.desk("/level", 1f);
        assertThat(outcomes().get(0)).isEqualTo(Outcome.ANSWERED);
    }

    @Test
    void aLookIsRecalledWithAFade() {
        runs(
                Cue.plain("1", "", new CueAction.RecallLook(0, Optional.of(LOOK), 1, FadeCurve.EVEN)),
                Cue.plain("2", "", new CueAction.RecallLook(0, Optional.empty(), 1, FadeCurve.EVEN)));
        go();
        stage.pass(500);
        assertThat(stage.value("level").axes().get(0).position()).isEqualTo(0.5, within(1e-9));
        assertThat(stage.value("other").axes().get(0).position()).isEqualTo(0.25, within(1e-9));
        stage.pass(500);
        assertThat(stage.value("other").axes().get(0).position()).isEqualTo(0.5);
        go();
        assertThat(reason(0)).hasValue(new Reason.NothingChosen("look"));
    }

    /** Hands, cues, orders and answers for hours: whatever happens, no control that a hand holds is moved by a cue, and in the end nothing is left over. */
    @Test
    void atRandomAHandIsNeverPulled() {
        runs(
                Cue.plain("1", "", bring(LEVEL, 1, 2), say(0.5, "/level", fixed("0.5")))
                        .followed(CueFollow.after(1)),
                Cue.plain("2", "", new CueAction.RecallLook(0, Optional.of(LOOK), 1.5, FadeCurve.SLOW_ENDS)),
                Cue.plain("3", "", bring(LEVEL, 0, 0.7), bring(OTHER, 0, 3)).followed(CueFollow.answered(1, true)),
                Cue.plain("4", "", fade("/level", Optional.of(0.2), 0.9, 2, CueAction.FadeLine.Unknown.SKIP)));
        Random random = new Random(11);
        boolean held = false;
        for (int i = 0; i < 5_000; i++) {
            switch (random.nextInt(9)) {
                case 0 -> {
                    stage.touch(BEN, "level", held ? Touch.Phase.RELEASE : Touch.Phase.PRESS, 0.5);
                    held = !held;
                }
                case 1 -> order(Command.StepCues.Deed.RESET, null);
                case 2 -> order(
                        random.nextBoolean() ? Command.StepCues.Deed.PAUSE : Command.StepCues.Deed.RESUME, null);
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
                assertThat(stage.takeSent().stream()
                                .filter(line -> line.startsWith("/level"))
                                .filter(line -> !line.equals("/level 0.5")))
                        .isEmpty();
            }
        }
        stage.pass(60_000);
        assertThat(view().running()).isEmpty();
        assertThat(stage.now).isGreaterThan(MS);
    }

    @Test
    void whatBecomesAnotherFormWhileItFadesIsSaid() {
        runs(Cue.plain("1", "Rise", bring(LEVEL, 1, 2)));
        go();
        stage.pass(500);
        follow(Shows.change(
                show, LEVEL, ((Control) show.part(LEVEL).orElseThrow().body()).formed(new Pad(Form.Grab.JUMP, false))));
        stage.pass(100);
        assertThat(outcomes()).containsExactly(Outcome.FELL_SHORT);
        assertThat(reason(0)).contains(new Reason.ControlGone());
    }
}
