package imperan.server.api;

import imperan.layout.drafts.Drafts;
import imperan.layout.files.LayoutFile;
import imperan.picture.Picture;
import imperan.server.store.Keeper;
import imperan.server.store.PictureStore;
import imperan.server.store.ShowStore;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import java.util.List;
import java.util.concurrent.CompletableFuture;
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

/** Layouts as a whole: as files, and as copies on which somebody works. */
@RestController
@RequestMapping("/api/shows/{show}/layouts")
class LayoutController {

    private final Keeper keeper;
    private final ShowStore store;
    private final PictureStore pictures;

    LayoutController(Keeper keeper, ShowStore store, PictureStore pictures) {
        this.keeper = keeper;
        this.store = store;
        this.pictures = pictures;
    }

    /** A layout, or a page, with its lines and all that they need. */
    @GetMapping(value = "/{part}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> layout(@PathVariable("show") String show, @PathVariable("part") String part) {
        Show now = keeper.show(show).join();
        return LayoutFile.write(now, new PartId(part), pictures)
                .map(text -> LineController.file(
                        text,
                        MediaType.APPLICATION_JSON,
                        now.part(new PartId(part))
                                        .orElseThrow()
                                        .body()
                                        .called()
                                        .replaceAll("[^A-Za-z0-9 ._-]", "")
                                        .strip()
                                        .replace(' ', '-')
                                + ".imperan-layout.json"))
                .orElse(ResponseEntity.notFound().build());
    }

    @PostMapping(value = "/preview", consumes = MediaType.TEXT_PLAIN_VALUE)
    LayoutFile.LayoutPreview previewLayout(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestParam("onSameName") LayoutFile.OnSameName onSameName,
            @RequestBody String text) {
        return LayoutFile.preview(keeper.show(show).join(), text, onSameName, store.person(browser));
    }

    @PostMapping(consumes = MediaType.TEXT_PLAIN_VALUE)
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> takeLayout(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestParam("onSameName") LayoutFile.OnSameName onSameName,
            @RequestBody String text) {
        Person person = store.person(browser);
        List<Picture> fresh = LayoutFile.pictures(text).stream()
                .filter(picture -> pictures.keep(picture, "from a layout"))
                .toList();
        return keeper.change(show, now -> LayoutFile.take(now, text, onSameName, person))
                .whenComplete((outcome, failure) -> {
                    if (!(outcome instanceof Outcome.Accepted)) {
                        fresh.forEach(pictures::forget);
                    }
                })
                .thenApply(ShowController::answer);
    }

    /** What swapping a copy in would do. */
    @GetMapping("/{draft}/difference")
    Drafts.DraftLook difference(
            @PathVariable("show") String show,
            @PathVariable("draft") String draft,
            @RequestHeader(ShowController.BROWSER) String browser) {
        return Drafts.look(keeper.show(show).join(), new PartId(draft), store.person(browser));
    }
}
