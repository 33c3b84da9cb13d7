package imperan.line;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Track;
import imperan.show.TrackMark;
import imperan.show.cue.CueAction;
import imperan.track.BeatGrid;
import imperan.track.Marker;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Cues and marks on a track: dropped, moved, imported, and given the same to do. */
class TrackEditTest {

    private static final PartId TRACK = new PartId("track");
    private static final PartId LIST = new PartId("list");
    private Show show;
    private int made;

    @BeforeEach
    void track() {
        show = Shows.accepted(
                Shows.withPage(),
                ADA,
                put(TRACK, null, Track.silent("Tide", 90).beating(new BeatGrid(120, 0.25))),
                put(LIST, null, CueList.plain("Walk").on(TRACK)),
                put(new PartId("zero"), LIST, Cue.plain("0", "Safe")));
    }

    private PartId fresh() {
        return new PartId("made-" + ++made);
    }

    private void done(Outcome outcome) {
        assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Accepted.class);
        show = ((Outcome.Accepted) outcome).show();
    }

    private PartId drop(double seconds, boolean playing) {
        PartId id = fresh();
        done(TrackEdit.dropCue(show, LIST, seconds, playing, id, ADA));
        return id;
    }

    private Part changed(PartId id, Body body) {
        Part part = show.part(id).orElseThrow();
        return new Part(id, part.parent(), part.order(), body);
    }

    private Cue cue(PartId id) {
        return (Cue) show.part(id).orElseThrow().body();
    }

    private List<String> order() {
        return CueList.cues(show, LIST).stream()
                .map(part -> (Cue) part.body())
                .map(cue -> cue.number() + cue.at().map(at -> " at " + at).orElse(""))
                .toList();
    }

    @Test
    void whatIsDroppedWhileItPlaysLiesWhereTheHandMeantIt() {
        PartId playing = drop(10.65, true);
        PartId still = drop(20, false);
        drop(0.05, true);

        assertThat(cue(playing).at()).hasValue(10.5);
        assertThat(cue(still).at()).hasValue(20.0);
        assertThat(order()).containsExactly("0", "0.5 at 0.0", "1 at 10.5", "2 at 20.0");
    }

    @Test
    void aCueThatIsDroppedBetweenOthersGetsANumberBetweenTheirs() {
        drop(10, false);
        drop(20, false);
        drop(15, false);
        drop(12, false);

        assertThat(order()).containsExactly("0", "1 at 10.0", "1.2 at 12.0", "1.5 at 15.0", "2 at 20.0");
    }

    @Test
    void isMovedByMillisecondsFramesAndBeatsAndSnapped() {
        PartId cue = drop(10.03, false);
        PartId mark = fresh();
        done(TrackEdit.dropMark(show, TRACK, 89, false, mark, ADA));

        done(TrackEdit.nudge(show, List.of(cue), TrackEdit.By.MILLISECOND, -5, ADA));
        assertThat(cue(cue).at()).hasValue(10.025);
        done(TrackEdit.nudge(show, List.of(cue), TrackEdit.By.FRAME, 2, ADA));
        assertThat(cue(cue).at())
                .as("25 frames a second, from the one it is nearest to")
                .hasValue(10.12);
        done(TrackEdit.nudge(show, List.of(cue), TrackEdit.By.SNAP, 0, ADA));
        assertThat(cue(cue).at()).hasValue(10.25);
        done(TrackEdit.nudge(show, List.of(cue, mark), TrackEdit.By.BEAT, 4, ADA));
        assertThat(cue(cue).at()).hasValue(12.25);
        assertThat(((TrackMark) show.part(mark).orElseThrow().body()).at())
                .as("stays on its track")
                .isEqualTo(90);
        assertThat(TrackEdit.nudge(show, List.of(cue), TrackEdit.By.SNAP, 0, ADA))
                .isEqualTo(Outcome.Refused.because("It lies there already"));
        assertThat(TrackEdit.nudge(show, List.of(new PartId("zero")), TrackEdit.By.BEAT, 1, ADA))
                .isEqualTo(Outcome.Refused.because("What is to be moved lies on no track"));
        done(show.apply(
                new EditRequest(
                        "No beats",
                        List.of(new EditRequest.Put(
                                changed(TRACK, Track.silent("Tide", 90)),
                                show.held(TRACK).orElseThrow().version()))),
                ADA));
        assertThat(TrackEdit.nudge(show, List.of(cue), TrackEdit.By.SNAP, 0, ADA))
                .isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void markersBecomeCuesOrMarksAndThoseBehindTheEndAreTold() {
        List<Marker> markers = List.of(
                Marker.at(5, "Verse"),
                new Marker("Chorus", 30.0004, 12),
                new Marker("Coda", 85, 10),
                Marker.at(95, "Late"));

        TrackEdit.Taken cues = TrackEdit.take(show, TRACK, TrackEdit.As.CUES, Optional.of(LIST), markers, this::fresh);
        assertThat(cues.refusals()).containsExactly("“Late” at 1:35.000 lies behind the end of the track at 1:30.000");
        done(show.apply(cues.request().orElseThrow(), ADA));
        assertThat(order()).containsExactly("0", "1 at 5.0", "2 at 30.0", "3 at 85.0");

        assertThat(cues.markers()).extracting(Marker::name).containsExactly("Verse", "Chorus", "Coda");
        assertThat(TrackEdit.take(show, TRACK, TrackEdit.As.CUES, Optional.empty(), markers, this::fresh)
                        .refusals())
                .containsExactly("Cues need a list to go to: choose one");

        TrackEdit.Taken marks = TrackEdit.take(show, TRACK, TrackEdit.As.MARKS, Optional.empty(), markers, this::fresh);
        assertThat(marks.refusals())
                .containsExactly(
                        "“Coda” at 1:25.000 ends behind the end of the track at 1:30.000",
                        "“Late” at 1:35.000 lies behind the end of the track at 1:30.000");
        done(show.apply(marks.request().orElseThrow(), ADA));
        assertThat(TrackEdit.markers(show, TRACK))
                .containsExactly(
                        Marker.at(5, "Verse"),
                        Marker.at(5, "1 Verse"),
                        new Marker("Chorus", 30, 12),
                        Marker.at(30, "2 Chorus"),
                        Marker.at(85, "3 Coda"));
    }

    @Test
    void whatACueDoesIsPastedOntoOthersWithTheNumbersCountingOn() {
        PartId first = drop(10, false);
        List<PartId> others = List.of(drop(20, false), drop(30, false), drop(40, false));
        CueAction say = new CueAction.SayLine(
                0.5,
                Optional.of(DESK),
                "/jet/1/go",
                List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, "7")));
        done(show.apply(
                new EditRequest(
                        "Says",
                        List.of(new EditRequest.Put(
                                changed(first, cue(first).doing(List.of(say))),
                                show.held(first).orElseThrow().version()))),
                ADA));

        done(CueEdit.paste(show, first, others, CueEdit.Counting.ADDRESS, ADA));
        assertThat(others)
                .extracting(id -> ((CueAction.SayLine) cue(id).actions().get(0)).address())
                .containsExactly("/jet/2/go", "/jet/3/go", "/jet/4/go");
        done(CueEdit.paste(show, first, others, CueEdit.Counting.ARGUMENT, ADA));
        assertThat(others)
                .extracting(id -> ((CueAction.SayLine) cue(id).actions().get(0)).address())
                .containsOnly("/jet/1/go");
        assertThat(others)
                .extracting(id -> ((ArgumentSource.Fixed)
                                ((CueAction.SayLine) cue(id).actions().get(0))
                                        .arguments()
                                        .get(0))
                        .text())
                .containsExactly("8", "9", "10");
        done(CueEdit.paste(show, first, others, CueEdit.Counting.NOTHING, ADA));
        assertThat(others).extracting(id -> cue(id).actions()).containsOnly(List.of(say));
        assertThat(others).extracting(id -> cue(id).at().orElseThrow()).containsExactly(20.0, 30.0, 40.0);
        assertThat(CueEdit.paste(show, first, List.of(first), CueEdit.Counting.ADDRESS, ADA))
                .isInstanceOf(Outcome.Refused.class);
    }

    @Test
    void marksBecomeSectionsUpToTheNextOne() {
        assertThat(TrackEdit.sections(show, TRACK, ADA))
                .isEqualTo(Outcome.Refused.because("There is no mark on this track"));
        for (double at : List.of(40.0, 10.5)) {
            done(TrackEdit.dropMark(show, TRACK, at, false, fresh(), ADA));
        }
        done(TrackEdit.sections(show, TRACK, ADA));
        assertThat(TrackEdit.markers(show, TRACK)).extracting(Marker::length).containsExactly(29.5, 50.0);
        assertThat(TrackEdit.sections(show, TRACK, ADA))
                .isEqualTo(Outcome.Refused.because("They are sections already"));
    }

    @Test
    void aTrackDoesNotGetShorterThanWhatLiesOnIt() {
        drop(80, false);
        Outcome shorter = show.apply(
                new EditRequest(
                        "Shorter",
                        List.of(new EditRequest.Put(
                                changed(TRACK, Track.silent("Tide", 60)),
                                show.held(TRACK).orElseThrow().version()))),
                ADA);
        assertThat(((Outcome.Refused) shorter).problems().get(0).message())
                .isEqualTo("“Cue 1” lies behind the end at 1:00.000: move it first");
        assertThat(((Outcome.Refused) TrackEdit.dropCue(show, new PartId("gone"), 1, false, fresh(), ADA))
                        .problems()
                        .get(0)
                        .message())
                .contains("lies on no track");
    }
}
