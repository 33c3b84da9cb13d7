package imperan.live;

import static imperan.live.Stage.ADA;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Command.StepTrack.Deed;
import imperan.osc.OscArgument;
import imperan.show.Cue;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Track;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.song.TimeFrom;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Tracks that fire cues, by whichever clock. */
class TracksTest extends TrackStage {

    @Test
    void cuesAreFiredWhenTheTrackComesToThem() {
        runs(Track.silent("Tide", 5), at(1, "1"), at(1.5, "2"), Cue.plain("3", "By hand", say("/cue/3")));
        order(Deed.PLAY, 0);
        stage.pass(999);
        assertThat(stage.takeSent()).isEmpty();
        stage.pass(1);
        assertThat(stage.takeSent()).containsExactly("/cue/1 1");
        stage.pass(600);
        assertThat(stage.takeSent()).containsExactly("/cue/2 1");
        assertThat(stage.live.cueList(LIST).orElseThrow().next())
                .as("the one behind it is next for hands")
                .hasValue(cue(2));
        stage.pass(10_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view().rolling()).isFalse();
        assertThat(view().position()).isEqualTo(5);
    }

    @Test
    void aCueThatFollowsByItselfWaitsForItsTimeWhereItHasOne() {
        runs(
                Track.silent("Tide", 5),
                at(1, "1").followed(CueFollow.after(0.1)),
                at(3, "2").followed(CueFollow.after(0.1)),
                Cue.plain("3", "", say("/cue/3")));
        order(Deed.PLAY, 0);
        stage.pass(2_900);
        assertThat(stage.takeSent()).containsExactly("/cue/1 1");
        stage.pass(300);
        assertThat(stage.takeSent()).containsExactly("/cue/2 1", "/cue/3 1");
    }

    @Test
    void keysPlayLoopAndLeave() {
        runs(Track.silent("Tide", 10), at(2.5, "1"), at(3.5, "2"));
        press("play");
        stage.pass(100);
        press("loop");
        assertThat(view().loop()).isPresent();
        assertThat(view().position()).isEqualTo(2);
        stage.pass(2_600);
        assertThat(stage.takeSent()).containsExactly("/cue/1 1", "/cue/1 1", "/cue/1 1");
        press("leave");
        stage.pass(1_000);
        assertThat(stage.takeSent()).containsExactly("/cue/2 1");
        press("play");
        assertThat(view().rolling()).isFalse();
    }

    @Test
    void whatCannotBeIsSaidInWords() {
        runs(Track.silent("Tide", 10), at(2.5, "1"));
        assertThat(stage.live
                        .carryOut(
                                new Command.StepTrack(
                                        TRACK, Deed.LOOP, Optional.empty(), Optional.of(new PartId("place"))),
                                Actor.of(ADA),
                                stage.now)
                        .map(Problem::message))
                .hasValue("Only a section can be looped: give the mark a length first");
        assertThat(stage.live
                        .carryOut(
                                new Command.StepTrack(
                                        TRACK, Deed.PLACE, Optional.empty(), Optional.of(new PartId("gone"))),
                                Actor.of(ADA),
                                stage.now)
                        .map(Problem::message))
                .hasValue("This mark is no longer on the track");
        assertThat(order(Deed.PLACE, Double.NaN)).isPresent();
        assertThat(stage.live.carryOut(
                        new Command.StepTrack(new PartId("gone"), Deed.PLAY, Optional.empty(), Optional.empty()),
                        Actor.of(ADA),
                        stage.now))
                .isPresent();
        runs(reported(TimeFrom.Unit.SECONDS));
        press("play");
        assertThat(stage.trace("play").stopped()).hasValue(new Reason.PlayRefused(PlayRefusal.ANOTHER_CLOCK));
    }

    @Test
    void aPositionThatATargetReportsIsFollowedOnceSomebodyArmsIt() {
        for (TimeFrom.Unit unit : TimeFrom.Unit.values()) {
            runs(reported(unit), at(12, "1"), at(13, "2"), at(14, "3"));
            reports(unit, 10, 2.5);
            assertThat(stage.takeSent()).as("nobody has armed it").isEmpty();
            assertThat(view().missed()).extracting(TrackView.Missing::cue).containsExactly(cue(0));
            assertThat(view().heard()).isTrue();
            assertThat(order(Deed.ARM, 0)).isEmpty();
            assertThat(view().missed()).isEmpty();
            reports(unit, 12.5, 1);
            assertThat(stage.takeSent()).containsExactly("/cue/2 1");
            assertThat(view().position()).isCloseTo(13.5, within(0.1));
            stage.pass(3_000);
            assertThat(stage.takeSent()).as("goes on by itself for a second").containsExactly("/cue/3 1");
            assertThat(view().rolling()).isFalse();
            assertThat(view().heard()).isFalse();
        }
    }

    @Test
    void whatIsNoPositionIsNotFollowed() {
        runs(reported(TimeFrom.Unit.TEXT), at(12, "1"));
        order(Deed.ARM, 0);
        for (OscArgument wrong : List.of(
                new OscArgument.Text("soon"), new OscArgument.Float32(12), new OscArgument.Text("99:99:99:99"))) {
            stage.desk("/position", wrong);
            stage.pass(40);
        }
        assertThat(view().position()).isZero();
        runs(reported(TimeFrom.Unit.SECONDS), at(12, "1"));
        stage.desk("/position", Float.NaN);
        stage.desk("/position", -4f);
        stage.desk("/position", 1e30f);
        assertThat(view().position()).isZero();
    }

    @Test
    void theTimeOfDayIsFollowedAlsoWhenItIsSet() {
        runs(Track.silent("Day", 60).timed(TimeFrom.OWN.from(TimeFrom.Source.DAY)), at(61_200, "1"), at(61_210, "2"));
        wall(61_195);
        order(Deed.ARM, 0);
        stage.pass(6_000);
        assertThat(stage.takeSent()).containsExactly("/cue/1 1");
        // the clock was set back, and then ahead
        wall(61_190);
        stage.pass(11_000);
        assertThat(stage.takeSent()).containsExactly("/cue/1 1");
        wall(61_300);
        stage.pass(5_000);
        assertThat(stage.takeSent()).as("a jump ahead skips").isEmpty();
        wall(86_399);
        stage.pass(2_000);
        assertThat(view().position()).as("over midnight").isCloseTo(1, within(1e-6));
    }

    @Test
    void afterARestartWhatWasDueMeanwhileIsMissedAndListedUntilSomebodyArmsIt() {
        runs(
                Track.silent("Day", 60).timed(TimeFrom.OWN.from(TimeFrom.Source.DAY)),
                at(61_200, "1"),
                at(61_210, "2"),
                at(61_300, "3"));
        stage.live.restorePlaying(
                List.of(new TrackView.Place(TRACK, 61_100)),
                List.of(new SetView(
                        SET, Optional.of(new PartId("last")), Optional.of(new PartId("first")), Optional.empty())),
                stage.now);
        wall(61_205);
        stage.pass(10_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view().missed()).extracting(TrackView.Missing::cue).containsExactly(cue(0), cue(1));
        assertThat(set().onAir()).hasValue(new PartId("first"));
        order(Deed.ARM, 0);
        stage.pass(90_000);
        assertThat(stage.takeSent()).containsExactly("/cue/3 1");
        assertThat(stage.live.trackPlaces(stage.now).get(0).position()).isCloseTo(61_305, within(1e-6));
    }

    @Test
    void stopAllPausesWhatPlays() {
        runs(Track.silent("Tide", 10), at(2.5, "1"));
        order(Deed.PLAY, 0);
        stage.pass(1_000);
        assertThat(stage.live.isAnyTrackFiring()).isTrue();
        order(Deed.DISARM, 0);
        assertThat(stage.live.isAnyTrackFiring()).isFalse();
        order(Deed.ARM, 0);
        stage.live.carryOut(new Command.StopAll(), Actor.of(ADA), stage.now);
        stage.pass(5_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view().position()).isCloseTo(1, within(1e-9));
    }

    @Test
    void theDeviceThatPlaysTheSoundIsOneAndThatItWentIsSaid() {
        runs(Track.silent("Tide", 10), at(2.5, "1"));
        order(Deed.SPEAK, 0);
        order(Deed.PLAY, 0);
        assertThat(view().speaker().map(Actor::name)).hasValue("Ada");
        stage.live.left("somebody-else", stage.now);
        assertThat(view().speaker()).isPresent();
        stage.live.left(ADA.id(), stage.now);
        assertThat(view().speaker()).isEmpty();
        assertThat(stage.events)
                .filteredOn(LiveEvent.SoundLost.class::isInstance)
                .extracting(event -> ((LiveEvent.SoundLost) event).device())
                .containsExactly("Ada");
        stage.pass(3_000);
        assertThat(stage.takeSent()).as("the track goes on").containsExactly("/cue/1 1");
    }

    @Test
    void aCueThatPlacesTheTrackWhereItLiesDoesNotGoRoundForEver() {
        runs(
                Track.silent("Tide", 10),
                Cue.plain(
                                "1",
                                "",
                                new CueAction.SteerTrack(
                                        0, Optional.of(TRACK), CueAction.SteerTrack.Deed.PLACE, Optional.of(VERSE)))
                        .timed(2));
        order(Deed.PLAY, 0);
        stage.pass(3_000);
        assertThat(stage.live.cueList(LIST).orElseThrow().broken()).isTrue();
        assertThat(view().rolling()).as("the track goes on").isTrue();
        assertThat(view().position()).isBetween(2.0, 3.0);
    }

    @Test
    void whatIsDroppedBehindAPlayingTrackIsNotFiredAndWhatIsDraggedAheadIs() {
        runs(Track.silent("Tide", 10), at(1, "1"), at(8, "2"));
        order(Deed.PLAY, 0);
        stage.pass(2_000);
        stage.takeSent();
        follow(cue(1), at(1.5, "2"));
        stage.pass(500);
        assertThat(stage.takeSent()).isEmpty();
        follow(cue(0), at(3, "1"));
        stage.pass(600);
        assertThat(stage.takeSent()).containsExactly("/cue/1 1");
    }
}
