package imperan.live;

import imperan.live.Command.StepTrack.Deed;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Outcome.Accepted;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Track;
import imperan.show.TrackMark;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.form.Form;
import imperan.show.form.SongKey;
import imperan.show.form.TrackKey;
import imperan.show.song.TimeFrom;
import imperan.track.FrameRate;
import imperan.track.Timecode;
import org.junit.jupiter.api.Test;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** Tracks that fire cues, by whichever clock, and set lists that put songs on air. */
class TracksTest {

    private static final PartId TRACK = new PartId("track");
    private static final PartId LIST = new PartId("list");
    private static final PartId OTHER_LIST = new PartId("other-list");
    private static final PartId SET = new PartId("set");
    private static final PartId VERSE = new PartId("verse");

    private Show show;
    private Stage stage;

    private void runs(Track track, Cue... cues) {
        List<EditRequest.Step> steps = new ArrayList<>(List.of(put(TRACK, null, track), put(VERSE, TRACK, new TrackMark("Verse", 2, 1)), put(new PartId("place"), TRACK, new TrackMark("", 4, 0)),
                put(LIST, null, new CueList("Walk", 0, Optional.empty(), Optional.empty(), Optional.of(TRACK), "")), put(OTHER_LIST, null, CueList.plain("By hand")),
                put(new PartId("hand"), OTHER_LIST, Cue.plain("1", "Hand", say("/hand"))),
                put(SET, null, new SetList("Evening", Optional.of(key(1)), Optional.of(key(2)), "")),
                song("first", 1, new Song("Tide", Optional.of(LIST), Optional.of(PAGE), List.of(say("/ready/1")), List.of(say("/air/1")), "")),
                song("blank", 2, Song.blank("Blank")), song("last", 3, new Song("Walk", Optional.of(OTHER_LIST), Optional.empty(), List.of(), List.of(), "")),
                put(new PartId("play"), PAGE, key(0, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.PLAY, Optional.empty()))),
                put(new PartId("loop"), PAGE, key(1, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.LOOP, Optional.of(VERSE)))),
                put(new PartId("leave"), PAGE, key(2, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.LEAVE, Optional.empty()))),
                put(new PartId("next"), PAGE, key(3, new SongKey(Optional.of(SET), SongKey.SongOrder.NEXT, Optional.empty()))),
                put(new PartId("air"), PAGE, key(4, new SongKey(Optional.of(SET), SongKey.SongOrder.ON_AIR, Optional.empty())))));
        for (int i = 0; i < cues.length; i++) {
            steps.add(put(cue(i), LIST, cues[i]));
        }
        show = Shows.accepted(Shows.withPage(), Shows.ADA, steps.toArray(EditRequest.Step[]::new));
        stage = new Stage(show);
        stage.desk("/here", 0f);
        stage.pass(100);
        stage.takeSent();
    }

    private static EditRequest.Put song(String id, int order, Song song) {
        return new EditRequest.Put(new Part(new PartId(id), Optional.of(SET), order, song), 0);
    }

    private static Control key(int column, Form form) {
        return Control.plain("Key " + column, new Cells(column, 0, 1, 1), form, List.of(), List.of());
    }

    private static PartId cue(int index) {
        return new PartId("cue-" + index);
    }

    private static Behaviour.Condition key(int number) {
        return new Behaviour.Condition(Optional.of(DESK), "/key/" + number, 0, "1");
    }

    private static CueAction.SayLine say(String address) {
        return new CueAction.SayLine(0, Optional.of(DESK), address, List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1")));
    }

    private static Cue at(double seconds, String number) {
        return Cue.plain(number, "", say("/cue/" + number)).timed(seconds);
    }

    private static Track reported(TimeFrom.Unit unit) {
        return Track.silent("Tide", 60).timed(new TimeFrom(TimeFrom.Source.REPORTED, Optional.of(DESK), "/position", 0, unit, 0.1, 1));
    }

    private Optional<Problem> order(Deed deed, double seconds) {
        return stage.live.carryOut(new Command.StepTrack(TRACK, deed, Optional.of(seconds), deed == Deed.LOOP ? Optional.of(VERSE) : Optional.empty()), Actor.of(ADA), stage.now);
    }

    private Optional<Problem> songs(Command.StepSongs.Deed deed, String song) {
        return stage.live.carryOut(new Command.StepSongs(SET, deed, Optional.ofNullable(song).map(PartId::new)), Actor.of(ADA), stage.now);
    }

    private void press(String control) {
        stage.touch(ADA, control, Touch.Phase.PRESS, 0.5);
        stage.touch(ADA, control, Touch.Phase.RELEASE, 0.5);
    }

    private TrackView view() {
        return stage.live.track(TRACK).orElseThrow();
    }

    private SetView set() {
        return stage.live.set(SET).orElseThrow();
    }

    private void follow(PartId id, Body body) {
        Part part = show.part(id).orElseThrow();
        Accepted done = (Accepted) show.apply(new EditRequest("Edit", List.of(new EditRequest.Put(new Part(id, part.parent(), part.order(), body), show.held(id).orElseThrow().version()))), Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
    }

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
        assertThat(stage.live.cueList(LIST).orElseThrow().next()).as("the one behind it is next for hands").hasValue(cue(2));
        stage.pass(10_000);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(view().rolling()).isFalse();
        assertThat(view().position()).isEqualTo(5);
    }

    @Test
    void aCueThatFollowsByItselfWaitsForItsTimeWhereItHasOne() {
        runs(Track.silent("Tide", 5), at(1, "1").followed(CueFollow.after(0.1)), at(3, "2").followed(CueFollow.after(0.1)), Cue.plain("3", "", say("/cue/3")));
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
        assertThat(stage.live.carryOut(new Command.StepTrack(TRACK, Deed.LOOP, Optional.empty(), Optional.of(new PartId("place"))), Actor.of(ADA), stage.now).map(Problem::message))
                .hasValue("Only a section can be looped: give the mark a length first");
        assertThat(stage.live.carryOut(new Command.StepTrack(TRACK, Deed.PLACE, Optional.empty(), Optional.of(new PartId("gone"))), Actor.of(ADA), stage.now).map(Problem::message))
                .hasValue("This mark is no longer on the track");
        assertThat(order(Deed.PLACE, Double.NaN)).isPresent();
        assertThat(stage.live.carryOut(new Command.StepTrack(new PartId("gone"), Deed.PLAY, Optional.empty(), Optional.empty()), Actor.of(ADA), stage.now)).isPresent();
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

    private void reports(TimeFrom.Unit unit, double from, double seconds) {
        for (double gone = 0; gone < seconds - 1e-9; gone += 0.04) {
            double here = from + gone;
            stage.desk("/position", switch (unit) {
                case SECONDS -> new OscArgument.Float32((float) here);
                case FRAMES -> new OscArgument.Int32((int) Math.round(here * 25));
                case TEXT -> new OscArgument.Text(Timecode.text(Math.round(here * 25), FrameRate.FPS_25));
            });
            stage.pass(40);
        }
    }

    @Test
    void whatIsNoPositionIsNotFollowed() {
        runs(reported(TimeFrom.Unit.TEXT), at(12, "1"));
        order(Deed.ARM, 0);
        for (OscArgument wrong : List.of(new OscArgument.Text("soon"), new OscArgument.Float32(12), new OscArgument.Text("99:99:99:99"))) {
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

    private void wall(double seconds) {
        stage.live.wall(seconds, stage.now);
    }

    @Test
    void afterARestartWhatWasDueMeanwhileIsMissedAndListedUntilSomebodyArmsIt() {
        runs(Track.silent("Day", 60).timed(TimeFrom.OWN.from(TimeFrom.Source.DAY)), at(61_200, "1"), at(61_210, "2"), at(61_300, "3"));
        stage.live.restorePlaying(List.of(new TrackView.Place(TRACK, 61_100)), List.of(new SetView(SET, Optional.of(new PartId("last")), Optional.of(new PartId("first")), Optional.empty())), stage.now);
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
        assertThat(stage.events).filteredOn(LiveEvent.SoundLost.class::isInstance).extracting(event -> ((LiveEvent.SoundLost) event).device()).containsExactly("Ada");
        stage.pass(3_000);
        assertThat(stage.takeSent()).as("the track goes on").containsExactly("/cue/1 1");
    }

    @Test
    void aCueThatPlacesTheTrackWhereItLiesDoesNotGoRoundForEver() {
        runs(Track.silent("Tide", 10), Cue.plain("1", "", new CueAction.SteerTrack(0, Optional.of(TRACK), CueAction.SteerTrack.Deed.PLACE, Optional.of(VERSE))).timed(2));
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

    @Test
    void aSongIsMadeReadyAndThenPutOnAir() {
        runs(Track.silent("Tide", 10), at(1, "1"));
        assertThat(songs(Command.StepSongs.Deed.ON_AIR, null).map(Problem::message)).hasValue("No song is ready: make one ready first, then put it on air");
        assertThat(songs(Command.StepSongs.Deed.PREVIOUS, null).map(Problem::message)).hasValue("There is no song before this one");
        press("next");
        assertThat(set()).isEqualTo(new SetView(SET, Optional.of(new PartId("first")), Optional.empty(), Optional.of(new PartId("blank"))));
        assertThat(stage.pages).containsExactly(PAGE.value());
        assertThat(stage.takeSent()).as("ready is not on air").containsExactly("/ready/1 1");
        stage.pass(3_000);
        assertThat(stage.takeSent()).isEmpty();

        press("air");
        stage.pass(1_500);
        assertThat(stage.takeSent()).containsExactly("/air/1 1", "/cue/1 1");
        assertThat(set().onAir()).hasValue(new PartId("first"));
        assertThat(set().ready()).isEmpty();
        assertThat(view().rolling()).isTrue();

        // while it plays the next ones are made ready by a key of the desk, and nothing of it is disturbed
        stage.desk("/key/1", 1f);
        assertThat(set().ready()).hasValue(new PartId("blank"));
        assertThat(view().rolling()).isTrue();
        stage.desk("/key/2", 1f);
        assertThat(set().onAir()).as("the safe place").hasValue(new PartId("blank"));
        assertThat(view().rolling()).isFalse();
        songs(Command.StepSongs.Deed.READY, "last");
        assertThat(stage.takeSent()).isEmpty();
        songs(Command.StepSongs.Deed.ON_AIR, null);
        assertThat(stage.takeSent()).as("without a track its list begins").containsExactly("/hand 1");
        assertThat(songs(Command.StepSongs.Deed.NEXT, null).map(Problem::message)).hasValue("There is no song after this one");
        assertThat(songs(Command.StepSongs.Deed.READY, "gone").map(Problem::message)).hasValue("This song is no longer in the set list");
        songs(Command.StepSongs.Deed.PREVIOUS, null);
        assertThat(set().ready()).hasValue(new PartId("blank"));
    }

    @Test
    void whatASongSaysIsVerifiedLikeALineOfACue() {
        runs(Track.silent("Tide", 10), Cue.plain("1", "", new CueAction.SteerSongs(0, Optional.of(SET), CueAction.SteerSongs.Deed.NEXT, Optional.empty())).timed(1));
        order(Deed.PLAY, 0);
        stage.pass(1_100);
        assertThat(set().ready()).as("made ready by a cue").hasValue(new PartId("first"));
        assertThat(stage.takeSent()).containsExactly("/ready/1 1");
        FiredCue fired = stage.live.cueList(SET).map(list -> list.running().isEmpty() ? list.over().get(0) : list.running().get(0)).orElseThrow();
        assertThat(fired.cue().name()).isEqualTo("Tide ready");
        assertThat(fired.marks()).hasSize(1);
        assertThat(stage.now % MS).isZero();
    }
}
