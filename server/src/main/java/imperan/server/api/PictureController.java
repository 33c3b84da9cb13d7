package imperan.server.api;

import imperan.picture.Picture;
import imperan.server.store.PictureStore;
import imperan.show.Characters;
import imperan.show.Person;
import imperan.show.Problem;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Pictures for controls: uploaded, chosen from, and shown. */
@RestController
@RequestMapping("/api/pictures")
class PictureController {

    /** Pictures that are decoded at once; one may take 32 MiB while it is. */
    private static final Semaphore DECODING = new Semaphore(2);

    private final PictureStore pictures;

    PictureController(PictureStore pictures) {
        this.pictures = pictures;
    }

    /** @param hash of the picture that is there now; empty where there are problems */
    record Uploaded(Optional<String> hash, List<Problem> problems) {}

    @GetMapping
    List<PictureStore.Named> all() {
        return pictures.all();
    }

    /** Takes the bytes of a picture file in. */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Uploaded> upload(@RequestParam("name") String name, HttpServletRequest request) throws IOException {
        // one byte more than is taken shows that there is too much, without reading all of it
        byte[] bytes = request.getInputStream().readNBytes(Picture.MOST_BYTES + 1);
        Picture.Read read;
        DECODING.acquireUninterruptibly();
        try {
            read = Picture.read(bytes);
        } finally {
            DECODING.release();
        }
        if (read instanceof Picture.Read.Bad bad) {
            return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                    .body(new Uploaded(Optional.empty(), List.of(Problem.of(bad.reason()))));
        }
        Picture picture = ((Picture.Read.Good) read).picture();
        String shown = Characters.shown(name);
        String called = shown.isEmpty() ? "Picture" : shown;
        pictures.keep(picture, called.substring(0, Math.min(called.length(), Person.MOST_NAME)));
        return ResponseEntity.ok(new Uploaded(Optional.of(picture.hash()), List.of()));
    }

    @GetMapping("/{hash}")
    ResponseEntity<byte[]> show(@PathVariable("hash") String hash) {
        return pictures.get(hash)
                .map(picture -> ResponseEntity.ok()
                        .contentType(MediaType.parseMediaType(picture.type().mediaType()))
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable())
                        .body(picture.bytes()))
                .orElse(ResponseEntity.notFound().build());
    }
}
