package imperan.server.api;

import imperan.server.sound.Sounds;
import imperan.server.store.SoundStore.SoundInfo;
import imperan.show.Characters;
import imperan.show.Person;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Sounds of tracks: loaded, looked at, and played by browsers. */
@RestController
@RequestMapping("/api/sounds")
class SoundController {

    private final Sounds sounds;

    SoundController(Sounds sounds) {
        this.sounds = sounds;
    }

    /**
     * How it stands with a sound.
     *
     * @param hash     empty where it was not taken
     * @param progress of decoding it, 0 to 1
     * @param seconds  how long it is, once that is known
     * @param problem  why it cannot be taken; one sentence
     */
    record SoundState(String hash, String name, double progress, Optional<Double> seconds, Optional<String> problem) {
        private static SoundState of(Sounds.State state) {
            return new SoundState(
                    state.hash(),
                    state.info().map(SoundInfo::name).orElse(""),
                    state.progress(),
                    state.info().map(SoundInfo::seconds),
                    state.problem());
        }
    }

    /** One that nothing uses, of so many bytes. */
    record UnusedSound(String hash, String name, long bytes, double seconds) {}

    /** @param problem why it was not; one sentence */
    record SoundDropped(Optional<String> problem) {}

    /** A wave in columns: of each the lowest and the highest sample, -128 to 127. */
    record SoundWave(int[] low, int[] high) {}

    /** Takes the bytes of a sound file in, and begins to decode it. */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<SoundState> load(@RequestParam("name") String name, HttpServletRequest request) throws IOException {
        String shown = Characters.shown(name);
        Sounds.State state = sounds.load(
                shown.isEmpty() ? "Sound" : shown.substring(0, Math.min(shown.length(), Person.MOST_NAME)),
                request.getInputStream());
        return ResponseEntity.status(state.problem().isPresent() ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.OK)
                .body(SoundState.of(state));
    }

    @GetMapping("/{hash}")
    ResponseEntity<SoundState> state(@PathVariable("hash") String hash) {
        return sounds.state(hash)
                .map(state -> ResponseEntity.ok(SoundState.of(state)))
                .orElse(ResponseEntity.notFound().build());
    }

    /** Sounds that nothing uses; they can be deleted. */
    @GetMapping("/unused")
    List<UnusedSound> unusedSounds() {
        return sounds.unused().stream()
                .map(info -> new UnusedSound(info.hash(), info.name(), info.bytes(), info.seconds()))
                .toList();
    }

    /** Deletes one that nothing uses, or cancels the reading of one. */
    @DeleteMapping("/{hash}")
    ResponseEntity<SoundDropped> deleteSound(@PathVariable("hash") String hash) {
        Optional<String> problem = sounds.drop(hash);
        return ResponseEntity.status(problem.isPresent() ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.OK)
                .body(new SoundDropped(problem));
    }

    /** The file as it was loaded; parts of it where a browser asks for them. */
    @GetMapping("/{hash}/file")
    ResponseEntity<Resource> file(@PathVariable("hash") String hash) {
        Optional<MediaType> type = sounds.mediaType(hash).map(MediaType::parseMediaType);
        return type.flatMap(known -> sounds.bytes(hash).map(file -> ResponseEntity.ok()
                        .contentType(known)
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable())
                        .<Resource>body(new FileSystemResource(file))))
                .orElse(ResponseEntity.notFound().build());
    }

    /** Part of its wave, from one second to another, in so many columns. */
    @GetMapping("/{hash}/wave")
    ResponseEntity<SoundWave> wave(
            @PathVariable("hash") String hash,
            @RequestParam("from") double from,
            @RequestParam("to") double to,
            @RequestParam("columns") int columns)
            throws IOException {
        return sounds.columns(hash, from, to, columns)
                .map(wave -> ResponseEntity.ok()
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(1)))
                        .body(new SoundWave(wave.low(), wave.high())))
                .orElse(ResponseEntity.notFound().build());
    }
}
