package imperan.server.api;

import imperan.capture.Captured;
import imperan.rehearsal.Replay;
import imperan.server.capture.Captures;
import imperan.server.capture.Captures.Loaded;
import imperan.server.capture.Captures.RecordingState;
import imperan.server.capture.Captures.Which;
import imperan.server.capture.Player;
import imperan.server.socket.ShowSocket;
import imperan.server.store.CaptureStore.CaptureInfo;
import imperan.server.store.Keeper;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.Target;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Captures of a show: recorded, loaded, given out as files, and played back. */
@RestController
@RequestMapping("/api/shows/{show}/captures")
class CaptureController {

    private final Captures captures;
    private final Keeper keeper;
    private final ShowSocket socket;

    CaptureController(Captures captures, Keeper keeper, ShowSocket socket) {
        this.captures = captures;
        this.keeper = keeper;
        this.socket = socket;
    }

    /** What there is, and what goes on. */
    record CapturesView(
            Optional<RecordingState> recording, Optional<Player.PlaybackState> playback, List<CaptureLine> captures) {}

    /** @param atMillis when it began, in milliseconds since 1970 */
    record CaptureLine(String id, String name, long atMillis, long packets, long bytes) {
        private static CaptureLine of(CaptureInfo info) {
            return new CaptureLine(
                    info.id(), info.name(), info.startedAt().toInstant().toEpochMilli(), info.packets(), info.bytes());
        }
    }

    record CaptureName(String name) {}

    /**
     * @param peer   only what went to or came from this end, {@code host:port}; empty for all
     * @param speed  2 for twice as fast
     * @param byStep whether it waits for a step before each packet
     */
    record PlayAsked(String capture, PartId target, Which which, String peer, double speed, boolean byStep) {}

    /** What becomes of a playback. */
    enum PlaybackOrder {
        PAUSE,
        RESUME,
        STEP,
        STOP
    }

    record PlaybackAsked(PlaybackOrder order) {}

    @GetMapping
    CapturesView all(@PathVariable("show") String show) {
        return new CapturesView(
                captures.recording(show),
                captures.player(show).map(Player::state),
                captures.all(show).stream().map(CaptureLine::of).toList());
    }

    @PostMapping("/start")
    ResponseEntity<ShowController.EditAnswer> start(@PathVariable("show") String show, @RequestBody CaptureName named) {
        return ShowController.done(captures.start(show, named.name()));
    }

    @PostMapping("/stop")
    ResponseEntity<ShowController.EditAnswer> stop(@PathVariable("show") String show) {
        captures.stop(show);
        return ShowController.done(Optional.empty());
    }

    /** Takes a file in. */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Loaded> load(
            @PathVariable("show") String show, @RequestParam("name") String name, HttpServletRequest request)
            throws IOException {
        Loaded loaded = captures.load(show, name, request.getInputStream().readAllBytes());
        return ResponseEntity.status(loaded.problem().isPresent() ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.OK)
                .body(loaded);
    }

    @PutMapping("/{id}/name")
    ResponseEntity<ShowController.EditAnswer> rename(
            @PathVariable("show") String show, @PathVariable("id") String id, @RequestBody CaptureName named) {
        return ShowController.done(
                captures.rename(show, id, named.name())
                        ? Optional.empty()
                        : Optional.of(new Problem(
                                Optional.empty(),
                                "name",
                                "A capture needs a name of one line, and has to be there",
                                Optional.empty())));
    }

    @DeleteMapping("/{id}")
    ResponseEntity<ShowController.EditAnswer> remove(@PathVariable("show") String show, @PathVariable("id") String id) {
        return ShowController.done(
                captures.remove(show, id)
                        ? Optional.empty()
                        : Optional.of(Problem.of("This capture is no longer there")));
    }

    /** As a network analyser reads it. */
    @GetMapping("/{id}/capture.pcapng")
    ResponseEntity<StreamingResponseBody> pcap(@PathVariable("show") String show, @PathVariable("id") String id) {
        return file(show, id, "pcapng", out -> captures.writePcap(id, out));
    }

    /** With a line of JSON for each packet. */
    @GetMapping("/{id}/capture.jsonl")
    ResponseEntity<StreamingResponseBody> jsonLines(@PathVariable("show") String show, @PathVariable("id") String id) {
        return file(show, id, "jsonl", out -> captures.writeJsonLines(id, out));
    }

    private ResponseEntity<StreamingResponseBody> file(
            String show, String id, String ending, StreamingResponseBody body) {
        return captures.one(show, id)
                .map(info -> ResponseEntity.ok()
                        .contentType(MediaType.APPLICATION_OCTET_STREAM)
                        .header(
                                HttpHeaders.CONTENT_DISPOSITION,
                                "attachment; filename=\""
                                        + info.name()
                                                .replaceAll("[^A-Za-z0-9 ._-]", "")
                                                .strip()
                                                .replace(' ', '-') + "." + ending + "\"")
                        .body(body))
                .orElse(ResponseEntity.notFound().build());
    }

    /** The ends that a capture speaks of. */
    @GetMapping("/{id}/peers")
    List<String> peers(@PathVariable("show") String show, @PathVariable("id") String id) {
        return captures.one(show, id).map(info -> captures.peers(info.id())).orElse(List.of());
    }

    /**
     * @param peer   only what came from this end, {@code host:port}; empty for all
     * @param target for which all of it is taken; empty where each packet is of the target from whose end it comes
     * @param until  only what came until then, in milliseconds from its first packet on; empty for all
     */
    record ReplayAsked(String peer, Optional<PartId> target, Optional<Double> until) {}

    /** What the show, without its sockets, makes of what came. Nothing is sent, and the show that runs does not move. */
    @PostMapping("/{id}/replay")
    ReplayView replay(
            @PathVariable("show") String show, @PathVariable("id") String id, @RequestBody ReplayAsked asked) {
        if (captures.one(show, id).isEmpty()) {
            throw new IllegalArgumentException("This capture is no longer there");
        }
        Show content = keeper.show(show).join();
        List<Captured> incoming = captures.incoming(id, asked.peer());
        List<Captured> looked = incoming.subList(0, Math.min(incoming.size(), Captures.MOST_REPLAYED));
        List<Captured> played =
                asked.until().map(until -> Replay.until(looked, until)).orElse(looked);
        return ReplayView.of(
                Replay.of(content, played, asked.target().filter(target -> content.part(target)
                        .filter(part -> part.body() instanceof Target)
                        .isPresent())),
                ReplayView.Stretch.of(looked, played.size()),
                incoming.size() - looked.size(),
                content);
    }

    @PostMapping("/play")
    ResponseEntity<ShowController.EditAnswer> play(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody PlayAsked asked) {
        return ShowController.done(captures.play(
                show,
                asked.capture(),
                asked.target(),
                asked.which(),
                asked.peer(),
                asked.speed(),
                asked.byStep(),
                socket.actor(ShowController.browser(browser))));
    }

    @PostMapping("/playback")
    ResponseEntity<ShowController.EditAnswer> playback(
            @PathVariable("show") String show, @RequestBody PlaybackAsked asked) {
        Optional<Player> player = captures.player(show);
        player.ifPresent(now -> {
            switch (asked.order()) {
                case PAUSE -> now.pause();
                case RESUME -> now.resume();
                case STEP -> now.step();
                case STOP -> now.stop();
            }
        });
        return ShowController.done(
                player.isPresent() ? Optional.empty() : Optional.of(Problem.of("Nothing is being played")));
    }
}
