package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.MS;
import static imperan.show.Shows.PAGE;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Command.StepTrack.Deed;
import imperan.show.Cue;
import imperan.show.EditRequest;
import imperan.show.Outcome.Accepted;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Track;
import imperan.show.cue.CueAction;
import imperan.show.form.SongKey;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Set lists that make songs ready and put them on air. */
class SongsTest extends TrackStage {

    @Test
    void aSongIsMadeReadyAndThenPutOnAir() {
        runs(Track.silent("Tide", 10), at(1, "1"));
        assertThat(songs(Command.StepSongs.Deed.ON_AIR, null).map(Problem::message))
                .hasValue("No song is ready: make one ready first, then put it on air");
        assertThat(songs(Command.StepSongs.Deed.PREVIOUS, null).map(Problem::message))
                .hasValue("There is no song before this one");
        press("next");
        assertThat(set())
                .isEqualTo(new SetView(
                        SET, Optional.of(new PartId("first")), Optional.empty(), Optional.of(new PartId("blank"))));
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
        assertThat(songs(Command.StepSongs.Deed.NEXT, null).map(Problem::message))
                .hasValue("There is no song after this one");
        assertThat(songs(Command.StepSongs.Deed.READY, "gone").map(Problem::message))
                .hasValue("This song is no longer in the set list");
        songs(Command.StepSongs.Deed.PREVIOUS, null);
        assertThat(set().ready()).hasValue(new PartId("blank"));
    }

    @Test
    void whatASongSaysIsVerifiedLikeALineOfACue() {
        runs(
                Track.silent("Tide", 10),
                Cue.plain(
                                "1",
                                "",
                                new CueAction.SteerSongs(
                                        0, Optional.of(SET), CueAction.SteerSongs.Deed.NEXT, Optional.empty()))
                        .timed(1));
        order(Deed.PLAY, 0);
        stage.pass(1_100);
        assertThat(set().ready()).as("made ready by a cue").hasValue(new PartId("first"));
        assertThat(stage.takeSent()).containsExactly("/ready/1 1");
        FiredCue fired = stage.live
                .cueList(SET)
                .map(list -> list.running().isEmpty()
                        ? list.over().get(0)
                        : list.running().get(0))
                .orElseThrow();
        assertThat(fired.cue().name()).isEqualTo("Tide ready");
        assertThat(fired.marks()).hasSize(1);
        assertThat(stage.now % MS).isZero();
    }

    @Test
    void oneSongIsOnAirAtMostAndWhatWasOnAirStops() {
        runs(Track.silent("Tide", 10), at(1, "1"), at(4, "2"));
        songs(Command.StepSongs.Deed.READY, "first");
        songs(Command.StepSongs.Deed.ON_AIR, null);
        stage.pass(1_500);
        stage.takeSent();
        songs(Command.StepSongs.Deed.READY, "last");
        songs(Command.StepSongs.Deed.ON_AIR, null);
        assertThat(view().rolling()).as("its track stops").isFalse();
        assertThat(stage.takeSent()).containsExactly("/hand 1");
        stage.pass(10_000);
        assertThat(stage.takeSent()).isEmpty();
        songs(Command.StepSongs.Deed.READY, "first");
        assertThat(view().position()).as("ready: at its start").isZero();
        songs(Command.StepSongs.Deed.ON_AIR, null);
        stage.pass(4_500);
        assertThat(stage.takeSent()).containsExactly("/ready/1 1", "/air/1 1", "/cue/1 1", "/cue/2 1");
    }

    @Test
    void theSongOnAirIsNotPutBackToItsStartWhereItIsMadeReadyAgain() {
        runs(Track.silent("Tide", 10), at(1, "1"));
        songs(Command.StepSongs.Deed.READY, "first");
        songs(Command.StepSongs.Deed.ON_AIR, null);
        stage.pass(2_000);
        songs(Command.StepSongs.Deed.READY, "first");
        assertThat(view().rolling()).isTrue();
        assertThat(view().position()).isGreaterThan(1.9);
        stage.pass(100);
        songs(Command.StepSongs.Deed.ON_AIR, null);
        assertThat(view().position()).as("on air again: from its start").isLessThan(0.1);
        assertThat(view().rolling()).isTrue();
    }

    @Test
    void withoutATrackItsCuesBeginAtTheFirstWhenItIsMadeReady() {
        runs(Track.silent("Tide", 10));
        stage.live.carryOut(
                new Command.StepCues(OTHER_LIST, Command.StepCues.Deed.GO, Optional.empty()), Actor.of(ADA), stage.now);
        assertThat(stage.live.cueList(OTHER_LIST).orElseThrow().next()).isEmpty();
        songs(Command.StepSongs.Deed.READY, "last");
        assertThat(stage.live.cueList(OTHER_LIST).orElseThrow().next()).hasValue(new PartId("hand"));
    }

    @Test
    void whatStandsIsToldAtEachStepAndAtEachEdit() {
        runs(Track.silent("Tide", 10));
        assertThat(stage.live.sets())
                .containsExactly(
                        new SetView(SET, Optional.empty(), Optional.empty(), Optional.of(new PartId("first"))));
        stage.events.clear();
        songs(Command.StepSongs.Deed.READY, "last");
        assertThat(told()).isEqualTo(1);
        assertThat(set().next()).as("after the last").isEmpty();
        follow(new PartId("last"), Song.blank("Ebb"));
        assertThat(told()).isEqualTo(2);
        songs(Command.StepSongs.Deed.READY, "gone");
        assertThat(told()).isEqualTo(3);
    }

    private long told() {
        return stage.events.stream()
                .filter(event -> event instanceof LiveEvent.SetChanged changed
                        && changed.set().equals(SET))
                .count();
    }

    @Test
    void aSongThatIsRemovedIsNeitherReadyNorOnAir() {
        runs(Track.silent("Tide", 10));
        songs(Command.StepSongs.Deed.READY, "first");
        songs(Command.StepSongs.Deed.ON_AIR, null);
        songs(Command.StepSongs.Deed.READY, "last");
        remove(new PartId("last"));
        assertThat(set())
                .isEqualTo(new SetView(
                        SET, Optional.empty(), Optional.of(new PartId("first")), Optional.of(new PartId("blank"))));
        remove(new PartId("first"));
        assertThat(set())
                .isEqualTo(new SetView(SET, Optional.empty(), Optional.empty(), Optional.of(new PartId("blank"))));
        remove(new PartId("blank"));
        remove(SET);
        assertThat(stage.live.sets()).isEmpty();
        assertThat(stage.live.set(SET)).isEmpty();
    }

    private void remove(PartId id) {
        Accepted done = (Accepted) show.apply(
                new EditRequest(
                        "Remove",
                        List.of(new EditRequest.Remove(
                                id, show.held(id).orElseThrow().version()))),
                Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
    }

    @Test
    void aKeyOfAPageSaysWhyNot() {
        runs(Track.silent("Tide", 10));
        press("air");
        assertThat(Stage.why(stage.trace("air"))).contains("No song is ready");
        follow(new PartId("air"), key(4, new SongKey(Optional.empty(), SongKey.SongOrder.ON_AIR, Optional.empty())));
        press("air");
        assertThat(Stage.why(stage.trace("air"))).contains("set list");
        follow(
                new PartId("air"),
                key(4, new SongKey(Optional.of(SET), SongKey.SongOrder.READY, Optional.of(new PartId("blank")))));
        press("air");
        assertThat(set().ready()).hasValue(new PartId("blank"));
    }

    @Test
    void aPageThatIsNoPageAnyMoreIsNotShownAndTheSongIsReadyAllTheSame() {
        runs(Track.silent("Tide", 10));
        follow(new PartId("first"), new Song("Tide", Optional.of(LIST), Optional.of(SET), List.of(), List.of(), ""));
        songs(Command.StepSongs.Deed.READY, "first");
        assertThat(stage.pages).isEmpty();
        assertThat(set().ready()).hasValue(new PartId("first"));
    }

    @Test
    void itStandsAfterARestartWhereItStoodAndNothingIsDone() {
        runs(Track.silent("Tide", 10));
        stage.live.restorePlaying(
                List.of(),
                List.of(
                        new SetView(
                                SET,
                                Optional.of(new PartId("blank")),
                                Optional.of(new PartId("gone")),
                                Optional.empty()),
                        new SetView(LIST, Optional.empty(), Optional.empty(), Optional.empty())),
                stage.now);
        assertThat(set())
                .isEqualTo(new SetView(
                        SET, Optional.of(new PartId("blank")), Optional.empty(), Optional.of(new PartId("last"))));
        stage.pass(1_000);
        assertThat(stage.takeSent()).isEmpty();
    }

    /**
     * Two keys of a desk, keys of pages and orders as fast as they come, for half an hour; what leaves is counted
     * from what was ready at each moment.
     */
    @Test
    void underLoadOneSongIsOnAirAtMostAndSaysItsLinesOnceForEachTime() {
        runs(Track.silent("Tide", 10), at(1, "1"), at(4, "2"));
        Random random = new Random(5);
        List<String> ids = List.of("first", "blank", "last", "gone");
        int air = 0;
        int hand = 0;
        List<String> sent = new ArrayList<>();
        for (int step = 0; step < 5_000; step++) {
            Optional<PartId> ready = set().ready();
            boolean putOn = false;
            switch (random.nextInt(8)) {
                case 0 -> songs(Command.StepSongs.Deed.READY, ids.get(random.nextInt(4)));
                case 1 -> songs(Command.StepSongs.Deed.NEXT, null);
                case 2 -> songs(Command.StepSongs.Deed.PREVIOUS, null);
                case 3 -> press("next");
                case 4 -> stage.desk("/key/1", 1f);
                case 5 -> {
                    putOn = songs(Command.StepSongs.Deed.ON_AIR, null).isEmpty();
                }
                case 6 -> {
                    putOn = ready.isPresent();
                    press("air");
                }
                default -> {
                    putOn = ready.isPresent();
                    stage.desk("/key/2", 1f);
                }
            }
            if (putOn) {
                air += ready.get().equals(new PartId("first")) ? 1 : 0;
                hand += ready.get().equals(new PartId("last")) ? 1 : 0;
                assertThat(set().onAir()).isEqualTo(ready);
            }
            if (view().rolling()) {
                assertThat(set().onAir()).as("what plays is on air").hasValue(new PartId("first"));
            }
            // longer than a second go counts as a double press
            stage.pass(random.nextInt(50) == 0 ? 9_000 : 310);
            sent.addAll(stage.takeSent());
        }
        assertThat(Collections.frequency(sent, "/air/1 1")).isEqualTo(air).isPositive();
        assertThat(Collections.frequency(sent, "/hand 1")).isEqualTo(hand).isPositive();
        stage.live.carryOut(new Command.StopAll(), Actor.of(ADA), stage.now);
        stage.takeSent();
        stage.pass(20_000);
        assertThat(stage.takeSent()).as("stopped").isEmpty();
        assertThat(view().rolling()).isFalse();
    }
}
