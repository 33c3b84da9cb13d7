package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Command.StepTrack.Deed;
import imperan.osc.OscArgument;
import imperan.show.EditRequest;
import imperan.show.Outcome.Accepted;
import imperan.show.PartId;
import imperan.show.Shows;
import imperan.show.Track;
import imperan.show.form.TrackKey;
import imperan.show.song.TimeFrom;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** When screens hear of a track, and what becomes of one that is changed while it goes. */
class TrackTellingTest extends TrackStage {

    private long told() {
        long told = stage.events.stream()
                .filter(event -> event instanceof LiveEvent.TrackChanged changed
                        && changed.track().equals(TRACK))
                .count();
        stage.events.clear();
        return told;
    }

    @Test
    void whatGoesAsScreensThinkIsToldNowAndThenAndEachOrderAtOnce() {
        runs(Track.silent("Tide", 60));
        told();
        order(Deed.PLAY, 0);
        assertThat(told()).isEqualTo(1);
        stage.pass(200);
        assertThat(told()).as("they go on by themselves").isZero();
        stage.pass(10_000);
        assertThat(told()).as("now and then").isBetween(1L, 25L);
        order(Deed.PLACE, 30);
        order(Deed.PAUSE, 0);
        assertThat(told()).isEqualTo(2);
        stage.pass(10_000);
        assertThat(told()).as("it stands").isZero();
        stage.live.carryOut(
                new Command.StepTrack(new PartId("gone"), Deed.PLAY, Optional.empty(), Optional.empty()),
                Actor.of(Stage.ADA),
                stage.now);
        assertThat(told()).isZero();
    }

    @Test
    void whatFollowsSomebodyElseIsToldWhereItJumpsStopsOrIsHeardNoMore() {
        runs(reported(TimeFrom.Unit.SECONDS));
        for (int i = 0; i < 25; i++) {
            stage.desk("/position", 10 + 0.04f * i);
            stage.pass(40);
        }
        assertThat(told()).isPositive();
        assertThat(view().rolling()).isTrue();
        assertThat(view().heard()).isTrue();
        stage.desk("/position", 11f);
        assertThat(told()).as("as screens think").isZero();
        stage.pass(40);
        stage.desk("/position", 30f);
        stage.pass(40);
        stage.desk("/position", 30.04f);
        assertThat(view().position()).isCloseTo(30.04, within(0.1));
        assertThat(told()).as("it jumped").isPositive();
        stage.pass(5_000);
        assertThat(view().heard()).isFalse();
        assertThat(view().rolling()).isFalse();
        assertThat(told()).as("it is heard no more").isPositive();
    }

    @Test
    void aPositionLiesWithinADay() {
        runs(reported(TimeFrom.Unit.SECONDS));
        stage.desk("/position", 0f);
        assertThat(view().heard()).as("the start is one").isTrue();
        runs(reported(TimeFrom.Unit.SECONDS));
        stage.desk("/position", -0.04f);
        stage.desk("/position", 86_401f);
        stage.desk("/position", new OscArgument.Text("ten"));
        assertThat(view().heard()).isFalse();
        stage.desk("/position", 86_400f);
        assertThat(view().heard()).isTrue();
    }

    @Test
    void anotherClockLetsItStandAndFiresNothingUntilSomebodySaysSo() {
        runs(Track.silent("Tide", 60), at(5, "1"));
        order(Deed.PLAY, 0);
        stage.pass(1_000);
        assertThat(view().armed()).isTrue();
        assertThat(stage.live.isAnyTrackFiring()).isTrue();
        follow(TRACK, reported(TimeFrom.Unit.SECONDS));
        assertThat(view().rolling()).isFalse();
        assertThat(view().armed()).isFalse();
        assertThat(stage.live.isAnyTrackFiring()).isFalse();
        order(Deed.ARM, 0);
        follow(
                TRACK,
                Track.silent("Ebb", 60).timed(reported(TimeFrom.Unit.SECONDS).from()));
        assertThat(view().armed()).as("the same clock, another name").isTrue();
        follow(TRACK, Track.silent("Ebb", 60));
        assertThat(view().armed()).as("its own clock fires").isTrue();
    }

    @Test
    void aTrackThatIsMadeShorterStopsAtItsEndAndOneThatIsRemovedIsNoMore() {
        runs(Track.silent("Tide", 60));
        order(Deed.PLACE, 50);
        order(Deed.PLAY, 0);
        told();
        follow(TRACK, Track.silent("Tide", 40));
        assertThat(view().position()).isEqualTo(40);
        assertThat(view().rolling()).isFalse();
        assertThat(told()).isPositive();
        assertThat(stage.live.tracks()).extracting(TrackView::track).containsExactly(TRACK);
        Accepted done = (Accepted) show.apply(
                new EditRequest(
                        "Remove",
                        List.of(
                                new EditRequest.Remove(
                                        TRACK, show.held(TRACK).orElseThrow().version()),
                                new EditRequest.Remove(
                                        VERSE, show.held(VERSE).orElseThrow().version()),
                                new EditRequest.Remove(
                                        new PartId("place"),
                                        show.held(new PartId("place"))
                                                .orElseThrow()
                                                .version()))),
                Shows.ADA);
        stage.live.follow(done.show(), done.edit(), stage.now);
        assertThat(stage.live.tracks()).isEmpty();
        assertThat(stage.live.track(TRACK)).isEmpty();
    }

    @Test
    void afterARestartOnlyWhatGoesByItselfStandsWhereItWas() {
        runs(Track.silent("Tide", 60));
        told();
        stage.live.restorePlaying(
                List.of(new TrackView.Place(TRACK, 12.5), new TrackView.Place(new PartId("gone"), 1)),
                List.of(),
                stage.now);
        assertThat(view().position()).isEqualTo(12.5);
        assertThat(view().rolling()).isFalse();
        assertThat(told()).isEqualTo(1);
        assertThat(stage.live.trackPlaces(stage.now)).containsExactly(new TrackView.Place(TRACK, 12.5));
        runs(reported(TimeFrom.Unit.SECONDS));
        stage.live.restorePlaying(List.of(new TrackView.Place(TRACK, 12.5)), List.of(), stage.now);
        assertThat(view().position()).as("somebody else will say where it is").isZero();
    }

    @Test
    void aKeySaysWhatNobodyChose() {
        runs(Track.silent("Tide", 60));
        follow(new PartId("play"), key(0, new TrackKey(Optional.empty(), TrackKey.TrackOrder.PLAY, Optional.empty())));
        press("play");
        assertThat(Stage.why(stage.trace("play"))).contains("track");
        follow(
                new PartId("play"),
                key(0, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.MARK, Optional.empty())));
        press("play");
        assertThat(Stage.why(stage.trace("play"))).contains("mark");
        follow(
                new PartId("play"),
                key(0, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.MARK, Optional.of(new PartId("place")))));
        press("play");
        assertThat(view().position()).isEqualTo(4);
        order(Deed.PLAY, 0);
        follow(
                new PartId("play"),
                key(0, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.PLAY, Optional.empty())));
        press("play");
        assertThat(view().rolling()).as("pressed while it plays").isFalse();
        follow(
                new PartId("play"),
                key(0, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.START, Optional.empty())));
        press("play");
        assertThat(view().position()).isZero();
    }

    @Test
    void stopAllDisarmsWhatFollowsSomebodyElseAndTellsIt() {
        runs(reported(TimeFrom.Unit.SECONDS));
        order(Deed.ARM, 0);
        assertThat(view().armed()).isTrue();
        told();
        stage.live.carryOut(new Command.StopAll(), Actor.of(Stage.ADA), stage.now);
        assertThat(view().armed()).isFalse();
        assertThat(told()).isPositive();
    }
}
