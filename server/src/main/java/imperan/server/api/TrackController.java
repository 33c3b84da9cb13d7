package imperan.server.api;

import imperan.line.CueEdit;
import imperan.line.TrackEdit;
import imperan.live.SetView;
import imperan.live.TrackView;
import imperan.server.run.ShowLoop;
import imperan.server.socket.SetState;
import imperan.server.socket.TrackState;
import imperan.server.sound.Sounds;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Track;
import imperan.track.BeatGrid;
import imperan.track.FrameRate;
import imperan.track.Marker;
import imperan.track.MarkerTable;
import imperan.track.MidiMarkers;
import imperan.track.Time;
import imperan.track.WavMarkers;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Edits of tracks and what lies on them that take more than putting a part, and how tracks and set lists stand. */
@RestController
@RequestMapping("/api/shows/{show}")
class TrackController {

    private final Keeper keeper;
    private final ShowStore store;
    private final ShowLoop loop;
    private final Sounds sounds;

    TrackController(Keeper keeper, ShowStore store, ShowLoop loop, Sounds sounds) {
        this.keeper = keeper;
        this.store = store;
        this.loop = loop;
        this.sounds = sounds;
    }

    /** How the tracks stand, in no order that matters; none of a show that does not run. */
    @GetMapping("/tracks")
    List<TrackState> tracks(@PathVariable("show") String show) {
        return loop.ask(show, (running, now) -> running.tracks(), List.<TrackView>of()).join().stream()
                .map(TrackState::of)
                .toList();
    }

    /** How the set lists stand, likewise. */
    @GetMapping("/sets")
    List<SetState> sets(@PathVariable("show") String show) {
        return loop.ask(show, (running, now) -> running.sets(), List.<SetView>of()).join().stream()
                .map(SetState::of)
                .toList();
    }

    /**
     * @param list    to which a cue goes; empty for a mark of the track
     * @param seconds where the track was when somebody pressed
     * @param playing whether it was playing, so that the hand was late
     * @param id      of the new cue or mark
     */
    record TrackDrop(PartId track, Optional<PartId> list, double seconds, boolean playing, PartId id) {}

    @PostMapping("/tracks/drop")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> drop(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody TrackDrop asked) {
        Person person = store.person(browser);
        return keeper.change(show, now -> asked.list()
                        .map(list -> TrackEdit.dropCue(now, list, asked.seconds(), asked.playing(), asked.id(), person))
                        .orElseGet(() -> TrackEdit.dropMark(
                                now, asked.track(), asked.seconds(), asked.playing(), asked.id(), person)))
                .thenApply(ShowController::answer);
    }

    /** @param parts cues and marks; {@code count} may be below 0 */
    record TrackNudge(List<PartId> parts, TrackEdit.By by, int count) {}

    @PostMapping("/tracks/nudge")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> nudge(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody TrackNudge asked) {
        Person person = store.person(browser);
        return keeper.change(show, now -> TrackEdit.nudge(now, asked.parts(), asked.by(), asked.count(), person))
                .thenApply(ShowController::answer);
    }

    /** Makes sections of the marks of a track. */
    @PostMapping("/tracks/{track}/sections")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> sections(
            @PathVariable("show") String show,
            @PathVariable("track") PartId track,
            @RequestHeader(ShowController.BROWSER) String browser) {
        Person person = store.person(browser);
        return keeper.change(show, now -> TrackEdit.sections(now, track, person))
                .thenApply(ShowController::answer);
    }

    /** @param cue whose actions; {@code onto} in the order in which their numbers count on */
    record CuePaste(PartId cue, List<PartId> onto, CueEdit.Counting counting) {}

    @PostMapping("/cues/paste")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> paste(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody CuePaste asked) {
        Person person = store.person(browser);
        return keeper.change(show, now -> CueEdit.paste(now, asked.cue(), asked.onto(), asked.counting(), person))
                .thenApply(ShowController::answer);
    }

    /** @param taps seconds in the track, rising */
    record TrackTaps(List<Double> taps) {}

    /** @param beats empty where the taps give no tempo */
    record TappedBeats(Optional<BeatGrid> beats) {}

    /** The tempo that was tapped. Nothing is changed. */
    @PostMapping("/tracks/beats")
    TappedBeats beats(@PathVariable("show") String show, @RequestBody TrackTaps asked) {
        return new TappedBeats(BeatGrid.tapped(asked.taps()));
    }

    /** @param seconds empty where the text is no time; {@code problem} says why */
    record TimeRead(Optional<Double> seconds, Optional<String> problem) {}

    /** What a typed time says. */
    @GetMapping("/tracks/time")
    TimeRead time(
            @PathVariable("show") String show,
            @RequestParam("text") String text,
            @RequestParam("rate") FrameRate rate) {
        Time.Read<Double> read = Time.seconds(text, rate);
        return read instanceof Time.Read.Good<Double> good
                ? new TimeRead(Optional.of(good.value()), Optional.empty())
                : new TimeRead(Optional.empty(), Optional.of(((Time.Read.Bad<Double>) read).reason()));
    }

    // ---- markers of other programs

    @GetMapping("/tracks/{track}.csv")
    ResponseEntity<byte[]> csv(@PathVariable("show") String show, @PathVariable("track") PartId track) {
        return LineController.file(
                MarkerTable.write(TrackEdit.markers(keeper.show(show).join(), track)),
                LineController.CSV,
                "markers.csv");
    }

    /**
     * What the markers of a file would become.
     *
     * @param markers  those of which something would come
     * @param refusals what is left out, each one sentence
     * @param problem  why nothing of it can be read; empty where it can
     */
    record MarkerPreview(List<Marker> markers, List<String> refusals, Optional<String> problem) {}

    /** Looks at the markers of a MIDI file, a WAV file or a table; of the sound of the track where nothing is sent. */
    @PostMapping(value = "/tracks/{track}/markers/preview", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    MarkerPreview preview(
            @PathVariable("show") String show,
            @PathVariable("track") PartId track,
            @RequestParam("as") TrackEdit.As as,
            @RequestParam("list") Optional<PartId> list,
            @RequestBody(required = false) byte[] file)
            throws IOException {
        Show now = keeper.show(show).join();
        Marker.Read read = markers(now, track, file);
        if (read instanceof Marker.Read.Bad bad) {
            return new MarkerPreview(List.of(), List.of(), Optional.of(bad.reason()));
        }
        Marker.Read.Good good = (Marker.Read.Good) read;
        TrackEdit.Taken taken = TrackEdit.take(now, track, as, list, good.markers(), PartId::random);
        return new MarkerPreview(
                taken.markers(),
                Stream.concat(good.notes().stream(), taken.refusals().stream()).toList(),
                Optional.empty());
    }

    @PostMapping(value = "/tracks/{track}/markers", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> take(
            @PathVariable("show") String show,
            @PathVariable("track") PartId track,
            @RequestParam("as") TrackEdit.As as,
            @RequestParam("list") Optional<PartId> list,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody(required = false) byte[] file)
            throws IOException {
        Person person = store.person(browser);
        Marker.Read read = markers(keeper.show(show).join(), track, file);
        return keeper.change(
                        show,
                        now -> read instanceof Marker.Read.Good good
                                ? TrackEdit.take(now, track, as, list, good.markers(), PartId::random)
                                        .request()
                                        .map(request -> now.apply(request, person))
                                        .orElse(Outcome.Refused.because("There is nothing to import"))
                                : Outcome.Refused.because(((Marker.Read.Bad) read).reason()))
                .thenApply(ShowController::answer);
    }

    private Marker.Read markers(Show show, PartId id, byte[] file) throws IOException {
        Optional<Track> track =
                show.part(id).map(Part::body).filter(Track.class::isInstance).map(Track.class::cast);
        if (track.isEmpty()) {
            return new Marker.Read.Bad("This track is no longer there", Optional.empty());
        } else if (file == null || file.length == 0) {
            return track.get().sound().isEmpty()
                    ? new Marker.Read.Bad("This track has no sound whose cue points could be read", Optional.empty())
                    : sounds.markers(track.get().sound().get().hash());
        } else if (MidiMarkers.isOne(file)) {
            return MidiMarkers.read(file);
        }
        ByteBuffer bytes = ByteBuffer.wrap(file);
        return WavMarkers.isOne(bytes)
                ? WavMarkers.read(bytes)
                : MarkerTable.read(
                        new String(file, StandardCharsets.UTF_8), track.get().rate());
    }
}
