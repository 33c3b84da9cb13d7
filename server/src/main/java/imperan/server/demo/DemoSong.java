package imperan.server.demo;

import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.SetList;
import imperan.show.Song;
import imperan.show.Track;
import imperan.show.TrackMark;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.CueMark;
import imperan.show.song.Sound;
import imperan.track.BeatGrid;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The song of the Salt Clock: ninety seconds of sine waves, with twelve cues for the water server on its beats, and the set list of the evening. */
final class DemoSong {

    static final String FILE = "tide-song.wav";
    private static final double SECONDS = 90;
    private static final int RATE = 22_050;
    private static final double TEMPO = 96;
    private static final double BEAT = 60 / TEMPO;
    /** Four chords, a bar of four beats each, in semitones from a. */
    private static final int[][] CHORDS = {{0, 3, 7}, {-4, 0, 3}, {-9, -5, -2}, {-2, 2, 5}};

    private static final int[] MELODY = {12, 15, 19, 15, 12, 20, 19, 15, 10, 14, 15, 19, 22, 19, 17, 14};
    private static final double A = 220;

    private static final PartId TRACK = new PartId("tide-track");
    private static final PartId LIST = new PartId("tide-song");
    private static final PartId SET = new PartId("evening-set");
    private static final Optional<PartId> SLUICE = Optional.of(new PartId("sluice"));

    private final List<EditRequest.Step> steps = new ArrayList<>();

    private DemoSong() {}

    /** The song as a WAV file: the same bytes each time. */
    static byte[] wav() {
        int frames = (int) (SECONDS * RATE);
        ByteBuffer file = ByteBuffer.allocate(44 + 2 * frames).order(ByteOrder.LITTLE_ENDIAN);
        file.put("RIFF".getBytes(StandardCharsets.US_ASCII))
                .putInt(36 + 2 * frames)
                .put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII))
                .putInt(16);
        file.putShort((short) 1)
                .putShort((short) 1)
                .putInt(RATE)
                .putInt(2 * RATE)
                .putShort((short) 2)
                .putShort((short) 16);
        file.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(2 * frames);
        for (int i = 0; i < frames; i++) {
            double at = (double) i / RATE;
            double fade = Math.min(1, Math.min(at / 2, (SECONDS - at) / 4));
            file.putShort((short) Math.round(fade * sound(at) * 32_000));
        }
        return file.array();
    }

    private static double sound(double at) {
        int beat = (int) (at / BEAT);
        double within = at / BEAT - beat;
        double sound = 0;
        for (int tone : CHORDS[beat / 4 % CHORDS.length]) {
            sound += 0.12 * StrictMath.sin(2 * StrictMath.PI * A * StrictMath.pow(2, tone / 12.0) * at);
        }
        // a bell on each beat, and from the second verse on a tune above it
        sound += 0.25 * StrictMath.exp(-6 * within) * StrictMath.sin(2 * StrictMath.PI * A / 2 * at);
        if (beat >= 32) {
            sound += 0.2
                    * StrictMath.exp(-3 * within)
                    * StrictMath.sin(
                            2 * StrictMath.PI * A * StrictMath.pow(2, MELODY[beat % MELODY.length] / 12.0) * at);
        }
        return sound;
    }

    /** @param hash of the file */
    static List<EditRequest.Step> steps(String hash) {
        return new DemoSong().all(hash);
    }

    private List<EditRequest.Step> all(String hash) {
        put(
                TRACK,
                null,
                Track.silent("Tide song", SECONDS)
                        .sounding(new Sound(hash, FILE), SECONDS)
                        .beating(new BeatGrid(TEMPO, 0)));
        mark("intro", "Intro", 0, 16);
        mark("verse", "Verse", 16, 32);
        mark("flood", "Flood", 48, 32);
        mark("out", "Out", 80, 32);
        mark("last-bar", "Last bar", 140, 0);
        put(
                LIST,
                null,
                new CueList(
                        "Tide song",
                        CueList.USUAL_GUARD,
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(TRACK),
                        "Fired by the song, on its beats"));
        put(new PartId("tide-0"), LIST, Cue.plain("0", "Before the song"));
        int[] beats = {4, 12, 16, 24, 32, 40, 48, 56, 64, 80, 96, 136};
        String[] names = {
            "Drops", "Drops again", "Rill", "Reeds", "Weir", "Wheel", "Flood", "Foam", "Undertow", "Ebb", "Sand", "Salt"
        };
        for (int i = 0; i < beats.length; i++) {
            ArgumentSource reel = new ArgumentSource.Fixed(ArgumentType.INT32, String.valueOf(i % 6 + 1));
            put(
                    new PartId("tide-" + (i + 1)),
                    LIST,
                    new Cue(
                            String.valueOf(i + 1),
                            names[i],
                            "",
                            i == 6 ? new CueMark(CueMark.Shade.BLUE, "water") : CueMark.NONE,
                            List.of(new CueAction.SayLine(0, SLUICE, "/sluice/sheet/3/next", List.of(reel))),
                            CueFollow.BY_HAND,
                            Optional.of(beats[i] * BEAT)));
        }
        put(SET, null, new SetList("The evening", Optional.empty(), Optional.empty(), ""));
        put(new PartId("song-blank"), SET, Song.blank("Blank"));
        put(
                new PartId("song-tide"),
                SET,
                new Song("Tide song", Optional.of(LIST), Optional.of(new PartId("quay")), List.of(), List.of(), ""));
        put(
                new PartId("song-walk"),
                SET,
                new Song(
                        "Evening walk",
                        Optional.of(new PartId("evening-walk")),
                        Optional.empty(),
                        List.of(),
                        List.of(),
                        "By hand, once the guests are at the gate"));
        return steps;
    }

    private void mark(String id, String name, int beat, int beats) {
        put(new PartId("tide-mark-" + id), TRACK, new TrackMark(name, beat * BEAT, beats * BEAT));
    }

    private void put(PartId id, PartId parent, Body body) {
        // behind what the walk has
        steps.add(new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 100 + steps.size(), body), 0));
    }
}
