package imperan.show;

import imperan.show.song.Sound;
import imperan.show.song.TimeFrom;
import imperan.track.BeatGrid;
import imperan.track.FrameRate;
import imperan.track.Time;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A stretch of time on which cues and marks lie: that of a sound, or silence. Its marks lie in it; cue lists refer to it.
 *
 * @param sound       empty for silence
 * @param seconds     how long it is, up to a day
 * @param beats       where its beats lie; empty where nobody has said
 * @param rate        by which frames are counted on it
 * @param reaction    what is dropped while it plays lies so many seconds earlier: hands are late
 * @param passesJumps whether a jump ahead fires the cues between; else they are skipped
 */
public record Track(
        String name,
        Optional<Sound> sound,
        double seconds,
        Optional<BeatGrid> beats,
        FrameRate rate,
        double reaction,
        TimeFrom from,
        boolean passesJumps,
        String note)
        implements Body {

    /** A hand that follows what it hears is later by as much (common practice, no source). */
    public static final double USUAL_REACTION = 0.15;

    private static final double MOST_REACTION = 1;
    private static final double LEAST_SECONDS = 0.1;

    /** Silence of a length. */
    public static Track silent(String name, double seconds) {
        return new Track(
                name,
                Optional.empty(),
                seconds,
                Optional.empty(),
                FrameRate.FPS_25,
                USUAL_REACTION,
                TimeFrom.OWN,
                false,
                "");
    }

    /** The same with a sound as long as this. */
    public Track sounding(Sound other, double length) {
        return new Track(name, Optional.of(other), length, beats, rate, reaction, from, passesJumps, note);
    }

    public Track beating(BeatGrid grid) {
        return new Track(name, sound, seconds, Optional.of(grid), rate, reaction, from, passesJumps, note);
    }

    public Track timed(TimeFrom other) {
        return new Track(name, sound, seconds, beats, rate, reaction, other, passesJumps, note);
    }

    public Track passing(boolean jumps) {
        return new Track(name, sound, seconds, beats, rate, reaction, from, jumps, note);
    }

    /** How long its time goes: a day where that is its time. */
    public double length() {
        return from.source() == TimeFrom.Source.DAY ? Time.DAY : seconds;
    }

    /** The cue lists that lie on a track. */
    public static List<Part> lists(Show show, PartId track) {
        return show.all(CueList.class).stream()
                .filter(part -> ((CueList) part.body()).track().equals(Optional.of(track)))
                .toList();
    }

    /** The cues that lie on it at a time, whichever list they are of. */
    public static Stream<Part> cues(Show show, PartId track) {
        return lists(show, track).stream()
                .flatMap(list -> CueList.cues(show, list.id()).stream())
                .filter(part -> ((Cue) part.body()).at().isPresent());
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.note("note", note);
        sound.ifPresent(there -> there.check(rules, "sound"));
        if (!(seconds >= LEAST_SECONDS && seconds <= Time.DAY)) {
            rules.problem("seconds", "A track is 0.1 s to 24 hours long");
        }
        if (!(reaction >= 0 && reaction <= MOST_REACTION)) {
            rules.problem("reaction", "A hand is late by 0 to 1 s");
        }
        beats.ifPresent(grid -> {
            if (!(grid.beatsPerMinute() >= BeatGrid.LEAST && grid.beatsPerMinute() <= BeatGrid.MOST)) {
                rules.problem(
                        "beats/beatsPerMinute",
                        "A tempo has " + (int) BeatGrid.LEAST + " to " + (int) BeatGrid.MOST + " beats a minute");
            }
            if (!(grid.firstBeat() >= 0 && grid.firstBeat() <= length())) {
                rules.problem("beats/firstBeat", "The first beat lies on the track");
            }
        });
        from.check(rules, "from");
        beyond(rules);
    }

    /** A track that gets shorter must not leave anything behind its end. */
    private void beyond(PartRules rules) {
        Stream.concat(rules.show().children(rules.id()), cues(rules.show(), rules.id()))
                .filter(part -> part.body() instanceof TrackMark mark
                        ? mark.end() > length()
                        : ((Cue) part.body()).at().orElse(0.0) > length())
                .findFirst()
                .ifPresent(part -> rules.problem(
                        "seconds",
                        "“" + part.body().called() + "” lies behind the end at " + Time.text(length())
                                + ": move it first"));
    }
}
