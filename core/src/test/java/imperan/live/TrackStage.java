package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;

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
import imperan.show.form.Form;
import imperan.show.form.SongKey;
import imperan.show.form.TrackKey;
import imperan.show.song.TimeFrom;
import imperan.track.FrameRate;
import imperan.track.Timecode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A track with cues, and a set list with three songs, of which one lies on that track. */
abstract class TrackStage {

    static final PartId TRACK = new PartId("track");
    static final PartId LIST = new PartId("list");
    static final PartId OTHER_LIST = new PartId("other-list");
    static final PartId SET = new PartId("set");
    static final PartId VERSE = new PartId("verse");

    Show show;
    Stage stage;

    void runs(Track track, Cue... cues) {
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                put(TRACK, null, track),
                put(VERSE, TRACK, new TrackMark("Verse", 2, 1)),
                put(new PartId("place"), TRACK, new TrackMark("", 4, 0)),
                put(LIST, null, new CueList("Walk", 0, Optional.empty(), Optional.empty(), Optional.of(TRACK), "")),
                put(OTHER_LIST, null, CueList.plain("By hand")),
                put(new PartId("hand"), OTHER_LIST, Cue.plain("1", "Hand", say("/hand"))),
                put(SET, null, new SetList("Evening", Optional.of(key(1)), Optional.of(key(2)), "")),
                song(
                        "first",
                        1,
                        new Song(
                                "Tide",
                                Optional.of(LIST),
                                Optional.of(PAGE),
                                List.of(say("/ready/1")),
                                List.of(say("/air/1")),
                                "")),
                song("blank", 2, Song.blank("Blank")),
                song("last", 3, new Song("Walk", Optional.of(OTHER_LIST), Optional.empty(), List.of(), List.of(), "")),
                put(
                        new PartId("play"),
                        PAGE,
                        key(0, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.PLAY, Optional.empty()))),
                put(
                        new PartId("loop"),
                        PAGE,
                        key(1, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.LOOP, Optional.of(VERSE)))),
                put(
                        new PartId("leave"),
                        PAGE,
                        key(2, new TrackKey(Optional.of(TRACK), TrackKey.TrackOrder.LEAVE, Optional.empty()))),
                put(
                        new PartId("next"),
                        PAGE,
                        key(3, new SongKey(Optional.of(SET), SongKey.SongOrder.NEXT, Optional.empty()))),
                put(
                        new PartId("air"),
                        PAGE,
                        key(4, new SongKey(Optional.of(SET), SongKey.SongOrder.ON_AIR, Optional.empty())))));
        for (int i = 0; i < cues.length; i++) {
            steps.add(put(cue(i), LIST, cues[i]));
        }
        show = Shows.accepted(Shows.withPage(), Shows.ADA, steps.toArray(EditRequest.Step[]::new));
        stage = new Stage(show);
        stage.desk("/here", 0f);
        stage.pass(100);
        stage.takeSent();
    }

    static EditRequest.Put song(String id, int order, Song song) {
        return new EditRequest.Put(new Part(new PartId(id), Optional.of(SET), order, song), 0);
    }

    static Control key(int column, Form form) {
        return Control.plain("Key " + column, new Cells(column, 0, 1, 1), form, List.of(), List.of());
    }

    static PartId cue(int index) {
        return new PartId("cue-" + index);
    }

    static Behaviour.Condition key(int number) {
        return new Behaviour.Condition(Optional.of(DESK), "/key/" + number, 0, "1");
    }

    static CueAction.SayLine say(String address) {
        return new CueAction.SayLine(
                0, Optional.of(DESK), address, List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1")));
    }

    static Cue at(double seconds, String number) {
        return Cue.plain(number, "", say("/cue/" + number)).timed(seconds);
    }

    static Track reported(TimeFrom.Unit unit) {
        return Track.silent("Tide", 60)
                .timed(new TimeFrom(TimeFrom.Source.REPORTED, Optional.of(DESK), "/position", 0, unit, 0.1, 1));
    }

    Optional<Problem> order(Deed deed, double seconds) {
        return stage.live.carryOut(
                new Command.StepTrack(
                        TRACK, deed, Optional.of(seconds), deed == Deed.LOOP ? Optional.of(VERSE) : Optional.empty()),
                Actor.of(ADA),
                stage.now);
    }

    Optional<Problem> songs(Command.StepSongs.Deed deed, String song) {
        return stage.live.carryOut(
                new Command.StepSongs(SET, deed, Optional.ofNullable(song).map(PartId::new)), Actor.of(ADA), stage.now);
    }

    void press(String control) {
        stage.touch(ADA, control, Touch.Phase.PRESS, 0.5);
        stage.touch(ADA, control, Touch.Phase.RELEASE, 0.5);
    }

    TrackView view() {
        return stage.live.track(TRACK).orElseThrow();
    }

    SetView set() {
        return stage.live.set(SET).orElseThrow();
    }

    void follow(PartId id, Body body) {
        Part part = show.part(id).orElseThrow();
        Accepted done = (Accepted) show.apply(
                new EditRequest(
                        "Edit",
                        List.of(new EditRequest.Put(
                                new Part(id, part.parent(), part.order(), body),
                                show.held(id).orElseThrow().version()))),
                Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
    }

    void reports(TimeFrom.Unit unit, double from, double seconds) {
        for (double gone = 0; gone < seconds - 1e-9; gone += 0.04) {
            double here = from + gone;
            stage.desk(
                    "/position",
                    switch (unit) {
                        case SECONDS -> new OscArgument.Float32((float) here);
                        case FRAMES -> new OscArgument.Int32((int) Math.round(here * 25));
                        case TEXT -> new OscArgument.Text(Timecode.text(Math.round(here * 25), FrameRate.FPS_25));
                    });
            stage.pass(40);
        }
    }

    void wall(double seconds) {
        stage.live.wall(new WallTime(stage.now, seconds), stage.now);
    }
}
