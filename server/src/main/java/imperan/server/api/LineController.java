package imperan.server.api;

import imperan.layout.drafts.ChangeLine;
import imperan.line.Coverage;
import imperan.line.LineCsv;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.live.Learning.Learned;
import imperan.live.RestLine;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.Show;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.HttpHeaders;
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

/** The lines of a show as a table, what is learned for them, and layouts as files. */
@RestController
@RequestMapping("/api/shows/{show}")
class LineController {

    static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final Keeper keeper;
    private final ShowStore store;
    private final ShowLoop loop;

    LineController(Keeper keeper, ShowStore store, ShowLoop loop) {
        this.keeper = keeper;
        this.store = store;
        this.loop = loop;
    }

    // ---- the line table

    /** @param page the lines of this page only; of all pages where it is left out */
    @GetMapping("/lines")
    List<TableLine> lines(
            @PathVariable("show") String show, @RequestParam(name = "page", required = false) PartId page) {
        Show now = keeper.show(show).join();
        return page == null ? LineTable.of(now) : LineTable.of(now, page);
    }

    /** What a target can do against what the controls reach of it. */
    @GetMapping("/coverage")
    Coverage coverage(@PathVariable("show") String show, @RequestParam("target") PartId target) {
        return Coverage.of(keeper.show(show).join(), target);
    }

    @GetMapping("/lines.csv")
    ResponseEntity<byte[]> csv(@PathVariable("show") String show) {
        return file(LineCsv.write(keeper.show(show).join()), CSV, "lines.csv");
    }

    /** @param refused rows that cannot be, {@code changes} what the others would change */
    record TablePreview(List<LineCsv.Refusal> refused, List<ChangeLine> changes, List<Problem> problems) {

        static TablePreview of(Show now, LineCsv.Read read, Person person) {
            ShowController.ArrangePreview preview = read.request()
                    .map(request -> ShowController.ArrangePreview.of(now.apply(request, person)))
                    .orElse(new ShowController.ArrangePreview(List.of(), List.of()));
            return new TablePreview(read.refusals(), preview.changes(), preview.problems());
        }
    }

    /** What a table would change, without changing anything. */
    @PostMapping(value = "/lines/preview", consumes = MediaType.TEXT_PLAIN_VALUE)
    TablePreview preview(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody String table) {
        Show now = keeper.show(show).join();
        return TablePreview.of(now, LineCsv.read(now, table), store.person(browser));
    }

    @PostMapping(value = "/lines", consumes = MediaType.TEXT_PLAIN_VALUE)
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> take(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody String table) {
        Person person = store.person(browser);
        return keeper.change(show, now -> LineCsv.read(now, table)
                        .request()
                        .map(request -> now.apply(request, person))
                        .orElse(Outcome.Refused.because("No changes")))
                .thenApply(ShowController::answer);
    }

    // ---- learning

    @GetMapping("/learned")
    CompletableFuture<List<Learned>> learned(
            @PathVariable("show") String show, @RequestHeader(ShowController.BROWSER) String browser) {
        return loop.askLive(show, (running, now) -> running.learned(ShowController.browser(browser), now));
    }

    // ---- to rest

    /** What would leave if these controls went to their rest values. */
    @PostMapping("/rest/preview")
    CompletableFuture<List<RestLine>> restPreview(
            @PathVariable("show") String show, @RequestBody List<PartId> controls) {
        return loop.askLive(show, (running, now) -> running.restPreview(ShowController.whole(controls)));
    }

    static ResponseEntity<byte[]> file(String text, MediaType type, String name) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .contentType(type)
                .body(text.getBytes(StandardCharsets.UTF_8));
    }
}
