package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.cue.Outcome;
import imperan.cue.Refusal;
import imperan.live.Command.StepCues.Deed;
import imperan.osc.OscArgument;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.SetList;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Target;
import imperan.show.Track;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import imperan.show.form.CueKey;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What is told of cue lists to those who look: each order, each change, and what became of each cue. */
class CuesToldTest extends CueStage {

    private <E extends LiveEvent> List<E> told(Class<E> kind) {
        List<E> told =
                stage.events.stream().filter(kind::isInstance).map(kind::cast).toList();
        stage.events.clear();
        return told;
    }

    private boolean isChangeTold() {
        return !told(LiveEvent.CuesChanged.class).isEmpty();
    }

    @Test
    void eachOrderIsToldWithWhoGaveItAndARefusedOneIsNot() {
        runs(Cue.plain("1", "", say(0, "/one")), Cue.plain("2", "", say(5, "/two")));
        for (Deed deed : List.of(Deed.GO, Deed.BACK, Deed.RESET)) {
            stage.pass(1_000);
            stage.events.clear();
            assertThat(order(deed, null)).isEmpty();
            assertThat(told(LiveEvent.CuesOrdered.class)).singleElement().satisfies(ordered -> {
                assertThat(ordered.list()).isEqualTo(LIST);
                assertThat(ordered.deed()).isEqualTo(deed);
                assertThat(ordered.by().name()).isEqualTo("Ada");
            });
        }
        assertThat(order(Deed.BACK, null)).as("at its start").isPresent();
        assertThat(told(LiveEvent.CuesOrdered.class)).isEmpty();
        assertThat(order(Deed.JUMP, TWO)).isEmpty();
        assertThat(isChangeTold()).isTrue();
        assertThat(view().next()).hasValue(TWO);
        assertThat(order(Deed.JUMP, new PartId("gone"))).isPresent();
        assertThat(order(Deed.FIRE, null)).isPresent();
        assertThat(order(Deed.RESET, null)).isEmpty();
        assertThat(view().next()).hasValue(ONE);
    }

    @Test
    void whatBecameOfACueIsToldOnceWithWhoFiredIt() {
        runs(Cue.plain("1", "", say(0, "/one"), say(1, "/late")), Cue.plain("2", "", say(0, "/two")));
        go();
        stage.pass(900);
        assertThat(told(LiveEvent.CueEnded.class)).isEmpty();
        stage.pass(200);
        assertThat(told(LiveEvent.CueEnded.class)).singleElement().satisfies(ended -> {
            assertThat(ended.list()).isEqualTo(LIST);
            assertThat(ended.fired().by()).isEqualTo("Ada");
            assertThat(ended.fired().marks()).extracting(FiredCue.Mark::outcome).containsOnly(Outcome.DONE);
        });
        stage.pass(5_000);
        assertThat(told(LiveEvent.CueEnded.class)).isEmpty();
    }

    @Test
    void thatItsLinesLeaveIsTold() {
        runs(Cue.plain("1", "", say(1, "/late")));
        go();
        stage.events.clear();
        stage.pass(1_000);
        assertThat(isChangeTold()).isTrue();
        FiredCue.Mark mark = view().over().get(0).marks().get(0);
        assertThat(mark.lateNanos()).hasValue(0L);
    }

    @Test
    void stopAllIsToldOfEachListAndEndsWhatItFades() {
        PartId second = new PartId("second");
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2)));
        follow(put(second, null, CueList.plain("Second")));
        go();
        stage.pass(500);
        stage.events.clear();
        assertThat(stage.live.carryOut(new Command.StopAll(), Actor.of(Stage.BEN), stage.now))
                .isEmpty();
        List<LiveEvent> events = List.copyOf(stage.events);
        assertThat(told(LiveEvent.CuesOrdered.class))
                .allSatisfy(ordered -> {
                    assertThat(ordered.deed()).isEqualTo(Deed.STOP);
                    assertThat(ordered.by().name()).isEqualTo("Ben");
                })
                .extracting(LiveEvent.CuesOrdered::list)
                .containsExactlyInAnyOrder(LIST, second);
        assertThat(events.stream()
                        .filter(LiveEvent.CuesChanged.class::isInstance)
                        .map(event -> ((LiveEvent.CuesChanged) event).list()))
                .contains(LIST, second);
        assertThat(events).anyMatch(LiveEvent.CueEnded.class::isInstance);
    }

    @Test
    void aStopLetsGoOfWhatIsFaded() {
        runs(
                Cue.plain("1", "", bring(LEVEL, 1, 2)),
                Cue.plain("2", "", new CueAction.RecallLook(0, Optional.of(LOOK), 1, FadeCurve.EVEN)));
        go();
        stage.pass(500);
        assertThat(order(Deed.STOP, null)).isEmpty();
        assertThat(outcomes()).containsExactly(Outcome.STOPPED);
        stage.pass(100);
        go();
        stage.pass(1_000);
        assertThat(stage.value("level").position())
                .as("the next one has it alone")
                .isEqualTo(1, within(1e-9));
        assertThat(view().over().get(0).marks())
                .extracting(FiredCue.Mark::reason)
                .containsOnly(Optional.empty());
    }

    // ---- keys of a page

    private int keys;

    private void key(String id, CueKey key) {
        follow(put(new PartId(id), PAGE, Control.plain("", new Cells(4 + keys++, 4, 1, 1), key, List.of(), List.of())));
    }

    private void press(String control) {
        Asking.touch(
                stage.live,
                new Touch(new PartId(control), "1", Touch.Phase.PRESS, 0.5, 0.5, false, ""),
                ADA,
                stage.now);
        Asking.touch(
                stage.live,
                new Touch(new PartId(control), "1", Touch.Phase.RELEASE, 0.5, 0.5, false, ""),
                ADA,
                stage.now);
    }

    @Test
    void theKeyThatPausesLetsItGoOnTheNextTime() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2)));
        key("pause", new CueKey(Optional.of(LIST), CueKey.CueOrder.PAUSE, Optional.empty()));
        press("pause");
        assertThat(stage.trace("pause").stopped()).hasValue(new Reason.ListRefused(Refusal.NOTHING_RUNS));
        go();
        stage.pass(500);
        press("pause");
        assertThat(view().paused()).isTrue();
        stage.pass(3_000);
        assertThat(stage.value("level").position()).isEqualTo(0.25, within(0.011));
        press("pause");
        assertThat(view().paused()).isFalse();
        stage.pass(1_500);
        assertThat(stage.value("level").position()).isEqualTo(1);
    }

    @Test
    void theKeyThatStopsAllStopsAllAndOneWithoutAListSaysSo() {
        runs(Cue.plain("1", "", bring(LEVEL, 1, 2)));
        key("stop", new CueKey(Optional.empty(), CueKey.CueOrder.STOP_ALL, Optional.empty()));
        key("go", new CueKey(Optional.of(new PartId("gone")), CueKey.CueOrder.GO, Optional.empty()));
        go();
        stage.pass(500);
        press("stop");
        assertThat(outcomes()).containsExactly(Outcome.STOPPED);
        press("go");
        assertThat(stage.trace("go").stopped()).hasValue(new Reason.NothingChosen("cue list"));
    }

    // ---- keys of a desk

    @Test
    void whatADeskSaysAfterItSteppedAListIsStillSaidByTheDesk() {
        runs(Cue.plain("1", "", say(0, "/one")));
        stage.events.clear();
        stage.desk("/key/1", new OscArgument.Int32(1));
        assertThat(stage.events).anySatisfy(event -> assertThat(event)
                .isInstanceOfSatisfying(
                        LiveEvent.CuesOrdered.class,
                        ordered -> assertThat(ordered.by().name()).isEqualTo("Desk")));
        assertThat(stage.events.stream().filter(LiveEvent.PacketIn.class::isInstance))
                .singleElement()
                .satisfies(in -> assertThat(in.cause().origin()).isEqualTo(Cause.Origin.ARRIVAL));
    }

    // ---- much at once

    @Test
    void aCueWithManyActionsSaysThemAllInTheirOrder() {
        CueAction[] many =
                IntStream.range(0, 200).mapToObj(i -> say(0, "/line/" + i)).toArray(CueAction[]::new);
        runs(
                Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS)
                        .oneByOne(),
                Cue.plain("1", "", many));
        go();
        stage.pass(100);
        assertThat(stage.takeSent())
                .isEqualTo(IntStream.range(0, 200).mapToObj(i -> "/line/" + i).toList());
        assertThat(outcomes()).containsOnly(Outcome.DONE);
    }

    // ---- what plays tracks and set lists

    @Test
    void tracksAndSetListsThatRefuseOrAreGoneAreSaid() {
        PartId track = new PartId("track");
        PartId set = new PartId("set");
        runs(Cue.plain(
                "1",
                "",
                new CueAction.SteerTrack(0, Optional.of(track), CueAction.SteerTrack.Deed.PLAY, Optional.empty()),
                new CueAction.SteerTrack(0, Optional.empty(), CueAction.SteerTrack.Deed.PLAY, Optional.empty()),
                new CueAction.SteerSongs(0, Optional.of(set), CueAction.SteerSongs.Deed.PREVIOUS, Optional.empty()),
                new CueAction.SteerSongs(
                        0, Optional.of(new PartId("gone")), CueAction.SteerSongs.Deed.NEXT, Optional.empty())));
        follow(put(track, null, Track.silent("Tide", 60)));
        follow(put(set, null, SetList.plain("Evening")));
        follow(put(new PartId("song"), set, Song.blank("Blank")));
        go();
        stage.pass(100);
        assertThat(outcomes())
                .containsExactly(Outcome.DONE, Outcome.FELL_SHORT, Outcome.FELL_SHORT, Outcome.FELL_SHORT);
        assertThat(reason(1)).hasValue(new Reason.NothingChosen("track"));
        assertThat(reason(2)).hasValue(new Reason.PlayRefused(PlayRefusal.AT_START));
        assertThat(reason(3)).hasValue(new Reason.NothingChosen("set list"));
        assertThat(stage.live.track(track).orElseThrow().rolling()).isTrue();
    }

    @Test
    void anotherListThatRefusesIsSaid() {
        PartId second = new PartId("second");
        runs(Cue.plain("1", "", new CueAction.SteerList(0, Optional.of(second), CueAction.SteerList.Deed.GO)));
        follow(put(second, null, CueList.plain("Second")));
        go();
        stage.pass(0);
        assertThat(reason(0)).hasValue(new Reason.ListRefused(Refusal.AT_END));
    }

    /** A cue may do what the one who fired it may do. */
    @Test
    void whoMayNotHoldATargetMayNotDoItByACue() {
        runs(Cue.plain("1", "", new CueAction.HoldTarget(0, Optional.of(DESK), true)));
        Actor remote = new Actor(Actor.Kind.REMOTE, "desk", "Desk", EnumSet.of(Right.OPERATE));
        assertThat(stage.live.carryOut(new Command.StepCues(LIST, Deed.GO, Optional.empty()), remote, stage.now))
                .isEmpty();
        stage.pass(0);
        assertThat(stage.link().gate()).isEqualTo(Gate.OPEN);
        assertThat(reason(0)).hasValue(new Reason.NotAllowed());
    }

    @Test
    void theLoadOfAListIsToldAnewWhereItsTargetTakesLess() {
        runs(Cue.plain("1", "", say(0, "/one"), say(0, "/two")));
        stage.events.clear();
        Part desk = show.part(DESK).orElseThrow();
        follow(Shows.change(show, DESK, ((Target) desk.body()).paced(1)));
        assertThat(isChangeTold()).isTrue();
    }
}
