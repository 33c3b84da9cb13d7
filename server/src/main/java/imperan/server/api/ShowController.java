package imperan.server.api;

import imperan.layout.Arrangement;
import imperan.layout.Grids;
import imperan.layout.arranging.Arranger;
import imperan.layout.drafts.ChangeLine;
import imperan.layout.files.PageShape;
import imperan.layout.placing.PhraseFamily;
import imperan.line.FillStart;
import imperan.server.run.Shows;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.server.store.ShowStore.EditLine;
import imperan.server.store.ShowStore.KeepPoint;
import imperan.server.store.ShowStore.ShowInfo;
import imperan.server.work.Works;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Lock;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
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

/** Shows and their edits over REST. The header names the browser that acts. */
@RestController
@RequestMapping("/api")
class ShowController {

    static final String BROWSER = "Imperan-Browser";

    private static final int EDITS_A_PAGE = 100;

    private final ShowStore store;
    private final Keeper keeper;
    private final Shows shows;
    private final Works works;

    ShowController(ShowStore store, Keeper keeper, Shows shows, Works works) {
        this.works = works;
        this.store = store;
        this.keeper = keeper;
        this.shows = shows;
    }

    /** @param number of the edit; 0 where nothing was edited, and where it was refused the problems say why */
    record EditAnswer(long number, List<Problem> problems) {}

    record Name(String name) {}

    record Locked(boolean locked) {}

    /** @param problems why it cannot be; empty where it can */
    record ArrangePreview(List<ChangeLine> changes, List<Problem> problems) {

        static ArrangePreview of(Outcome outcome) {
            return outcome instanceof Outcome.Accepted accepted
                    ? new ArrangePreview(ChangeLine.of(accepted.edit(), accepted.show()), List.of())
                    : new ArrangePreview(List.of(), ((Outcome.Refused) outcome).problems());
        }
    }

    // ---- whole shows

    @GetMapping("/shows")
    List<ShowInfo> shows() {
        return store.shows();
    }

    @PostMapping("/shows")
    ResponseEntity<Shows.Done> create(@RequestBody Name name) {
        return answer(shows.create(name.name()));
    }

    @PutMapping("/shows/{show}/name")
    ResponseEntity<Shows.Done> rename(@PathVariable("show") String show, @RequestBody Name name) {
        return answer(shows.rename(show, name.name()));
    }

    @PostMapping("/shows/{show}/duplicate")
    ResponseEntity<Shows.Done> duplicate(@PathVariable("show") String show, @RequestHeader(BROWSER) String browser) {
        return answer(shows.duplicate(show, store.person(browser)));
    }

    @DeleteMapping("/shows/{show}")
    ResponseEntity<Shows.Done> delete(@PathVariable("show") String show) {
        return answer(shows.delete(show));
    }

    @PostMapping("/shows/{show}/bring-back")
    ResponseEntity<Shows.Done> bringBack(@PathVariable("show") String show) {
        return answer(shows.bringBack(show));
    }

    @PostMapping("/shows/{show}/live")
    ResponseEntity<Shows.Done> goLive(@PathVariable("show") String show) {
        return answer(shows.goLive(show));
    }

    // ---- files

    @GetMapping(value = "/shows/{show}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> file(@PathVariable("show") String show) {
        String name = store.show(show)
                .name()
                .replaceAll("[^A-Za-z0-9 ._-]", "")
                .strip()
                .replace(' ', '-');
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + ".imperan.json\"")
                .body(shows.file(show).getBytes(StandardCharsets.UTF_8));
    }

    @PostMapping(value = "/files/preview", consumes = MediaType.TEXT_PLAIN_VALUE)
    Shows.Preview preview(
            @RequestHeader(name = WorkController.HEADER, required = false) String work, @RequestBody String file) {
        return works.doing(Optional.ofNullable(work), progress -> shows.preview(file, progress));
    }

    @PostMapping(value = "/files", consumes = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<Shows.Done> take(
            @RequestHeader(BROWSER) String browser,
            @RequestHeader(name = WorkController.HEADER, required = false) String work,
            @RequestParam("onSameName") Shows.OnSameName onSameName,
            @RequestBody String file) {
        Person person = store.person(browser);
        Shows.Done done =
                works.doing(Optional.ofNullable(work), progress -> shows.take(file, onSameName, person, progress));
        return answer(done);
    }

    // ---- edits

    @PostMapping("/shows/{show}/edits")
    CompletableFuture<ResponseEntity<EditAnswer>> edit(
            @PathVariable("show") String show,
            @RequestHeader(BROWSER) String browser,
            @RequestBody EditRequest request) {
        return keeper.edit(show, request, store.person(browser)).thenApply(ShowController::answer);
    }

    @PostMapping("/shows/{show}/arrange")
    CompletableFuture<ResponseEntity<EditAnswer>> arrange(
            @PathVariable("show") String show,
            @RequestHeader(BROWSER) String browser,
            @RequestBody Arrangement arrangement) {
        Person person = store.person(browser);
        return keeper.change(show, now -> Arranger.carryOut(now, arrangement, person))
                .thenApply(ShowController::answer);
    }

    /** What can be placed on a page for a target: its phrases by the things they belong to. */
    @GetMapping("/shows/{show}/targets/{target}/families")
    List<PhraseFamily> families(@PathVariable("show") String show, @PathVariable("target") String target) {
        return PhraseFamily.of(keeper.show(show).join(), new PartId(target));
    }

    /** What an arrangement would change, without changing anything. */
    @PostMapping("/shows/{show}/arrange/preview")
    ArrangePreview previewArrangement(
            @PathVariable("show") String show,
            @RequestHeader(BROWSER) String browser,
            @RequestBody Arrangement arrangement) {
        return ArrangePreview.of(Arranger.carryOut(keeper.show(show).join(), arrangement, store.person(browser)));
    }

    /** The room that a page has on its screen, and what is too small there. */
    @GetMapping("/shows/{show}/pages/{page}/shape")
    ResponseEntity<PageShape> shape(@PathVariable("show") String show, @PathVariable("page") String page) {
        return ResponseEntity.of(PageShape.of(keeper.show(show).join(), new PartId(page)));
    }

    /** What filling across these controls begins with. */
    @PostMapping("/shows/{show}/arrange/fill-start")
    FillStart fillStart(@PathVariable("show") String show, @RequestBody List<PartId> controls) {
        return FillStart.of(new Grids(keeper.show(show).join()).row(whole(controls)));
    }

    /** Locks a show, so that it can be operated and not changed, or unlocks it. */
    @PutMapping("/shows/{show}/lock")
    CompletableFuture<ResponseEntity<EditAnswer>> lock(
            @PathVariable("show") String show, @RequestHeader(BROWSER) String browser, @RequestBody Locked locked) {
        Person person = store.person(browser);
        return keeper.change(
                        show,
                        now -> now.apply(
                                locked.locked()
                                        ? new EditRequest(
                                                "Lock the show",
                                                List.of(new EditRequest.Put(
                                                        new Part(Lock.ID, Optional.empty(), 0, new Lock(person.name())),
                                                        now.held(Lock.ID)
                                                                .map(Held::version)
                                                                .orElse(0L))))
                                        : new EditRequest(
                                                "Unlock the show",
                                                List.of(new EditRequest.Remove(
                                                        Lock.ID,
                                                        now.held(Lock.ID)
                                                                .map(Held::version)
                                                                .orElse(0L)))),
                                person))
                .thenApply(ShowController::answer);
    }

    @PostMapping("/shows/{show}/undo")
    CompletableFuture<ResponseEntity<EditAnswer>> undo(
            @PathVariable("show") String show, @RequestHeader(BROWSER) String browser) {
        return keeper.undo(show, store.person(browser)).thenApply(ShowController::answer);
    }

    @PostMapping("/shows/{show}/redo")
    CompletableFuture<ResponseEntity<EditAnswer>> redo(
            @PathVariable("show") String show, @RequestHeader(BROWSER) String browser) {
        return keeper.redo(show, store.person(browser)).thenApply(ShowController::answer);
    }

    /** The newest edits first; before a number, where one is given. */
    @GetMapping("/shows/{show}/edits")
    List<EditLine> edits(@PathVariable("show") String show, @RequestParam("before") Optional<Long> before) {
        return store.newestEdits(store.show(show).id(), before.orElse(Long.MAX_VALUE), EDITS_A_PAGE);
    }

    @GetMapping("/shows/{show}/keep-points")
    List<KeepPoint> keepPoints(@PathVariable("show") String show) {
        return store.keepPoints(store.show(show).id());
    }

    @PostMapping("/shows/{show}/keep-points")
    ResponseEntity<EditAnswer> keep(
            @PathVariable("show") String show, @RequestHeader(BROWSER) String browser, @RequestBody Name name) {
        if (name.name().isBlank()) {
            return refused(List.of(Problem.of("A version needs a name")));
        }
        Optional<String> problem = new Person(browser, name.name()).problem();
        if (problem.isPresent()) {
            return refused(List.of(Problem.of(problem.get())));
        }
        long version = keeper.show(show).join().version();
        store.keep(show, version, name.name().strip(), store.person(browser));
        return ResponseEntity.ok(new EditAnswer(version, List.of()));
    }

    /** Back to a version; itself an edit, so it can be taken back. */
    @PostMapping("/shows/{show}/restore/{version}")
    CompletableFuture<ResponseEntity<EditAnswer>> restore(
            @PathVariable("show") String show,
            @PathVariable("version") long version,
            @RequestHeader(BROWSER) String browser) {
        return keeper.restore(show, version, store.person(browser), "Restore version " + version)
                .thenApply(ShowController::answer);
    }

    @PutMapping("/browsers/{browser}")
    ResponseEntity<EditAnswer> name(@PathVariable("browser") String browser, @RequestBody Name name) {
        if (name.name().isBlank()) {
            return refused(List.of(Problem.of("A person needs a name, so that others know who moved what")));
        }
        Optional<String> problem = new Person(browser, name.name()).problem();
        if (problem.isPresent()) {
            return refused(List.of(Problem.of(problem.get())));
        }
        store.nameBrowser(browser, name.name().strip());
        return ResponseEntity.ok(new EditAnswer(0, List.of()));
    }

    /** A list as a request brings it, with something in each place. */
    static <T> List<T> whole(List<T> list) {
        if (list.stream().anyMatch(Objects::isNull)) {
            throw new IllegalArgumentException("a list holds nothing (null) in one of its places");
        }
        return list;
    }

    /** Who acts, as far as a request says it. */
    static String browser(String id) {
        new Person(id, "").problem().ifPresent(problem -> {
            throw new IllegalArgumentException(problem);
        });
        return id;
    }

    static ResponseEntity<EditAnswer> answer(Outcome outcome) {
        return outcome instanceof Outcome.Accepted accepted
                ? ResponseEntity.ok(new EditAnswer(accepted.edit().number(), List.of()))
                : refused(((Outcome.Refused) outcome).problems());
    }

    /** Of something that was done, or of why it cannot be. */
    static ResponseEntity<EditAnswer> done(Optional<Problem> problem) {
        return problem.map(why -> refused(List.of(why)))
                .orElseGet(() -> ResponseEntity.ok(new EditAnswer(0, List.of())));
    }

    static ResponseEntity<EditAnswer> refused(List<Problem> problems) {
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(new EditAnswer(0, problems));
    }

    private static ResponseEntity<Shows.Done> answer(Shows.Done done) {
        return ResponseEntity.status(done.show().isPresent() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT)
                .body(done);
    }
}
