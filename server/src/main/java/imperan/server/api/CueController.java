package imperan.server.api;

import imperan.line.CueCsv;
import imperan.line.CueEdit;
import imperan.line.LookEdit;
import imperan.live.Belief;
import imperan.live.ControlValue;
import imperan.live.CueListView;
import imperan.live.LiveShow;
import imperan.server.run.ShowLoop;
import imperan.server.socket.CueListState;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.CueList;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Edits of cue lists and looks that take more than putting a part. */
@RestController
@RequestMapping("/api/shows/{show}")
class CueController {

    private final Keeper keeper;
    private final ShowStore store;
    private final ShowLoop loop;

    CueController(Keeper keeper, ShowStore store, ShowLoop loop) {
        this.keeper = keeper;
        this.store = store;
        this.loop = loop;
    }

    /** How the cue lists stand, in no order that matters; none of a show that does not run. */
    @GetMapping("/cues")
    List<CueListState> lists(@PathVariable("show") String show) {
        return loop.ask(show, (running, now) -> running.cueLists(), List.<CueListView>of()).join().stream()
                .map(CueListState::of)
                .toList();
    }

    /** A cue list by its name. */
    record CueListName(PartId list, String name, int cues) {}

    /** The cue lists of a show, whether or not it runs. */
    @GetMapping("/cues/lists")
    List<CueListName> names(@PathVariable("show") String show) {
        Show now = keeper.show(show).join();
        return now.all(CueList.class).stream()
                .map(part -> new CueListName(
                        part.id(),
                        part.body().called(),
                        CueList.cues(now, part.id()).size()))
                .toList();
    }

    /** @param after the cue behind which; empty for the end. {@code id} of the new one */
    record CueInsert(PartId list, Optional<PartId> after, PartId id) {}

    @PostMapping("/cues/insert")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> insert(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody CueInsert asked) {
        Person person = store.person(browser);
        return keeper.change(show, now -> CueEdit.insert(now, asked.list(), asked.after(), asked.id(), person))
                .thenApply(ShowController::answer);
    }

    /** @param cue which; {@code id} of the new one */
    record CueCopy(PartId cue, PartId id) {}

    @PostMapping("/cues/copy")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> copy(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody CueCopy asked) {
        Person person = store.person(browser);
        return keeper.change(show, now -> CueEdit.copy(now, asked.cue(), asked.id(), person))
                .thenApply(ShowController::answer);
    }

    /** @param first number, and {@code step} from one to the next, as decimals with a dot */
    record CueNumbers(PartId list, BigDecimal first, BigDecimal step) {}

    @PostMapping("/cues/renumber")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> renumber(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody CueNumbers asked) {
        Person person = store.person(browser);
        return keeper.change(show, now -> CueEdit.renumber(now, asked.list(), asked.first(), asked.step(), person))
                .thenApply(ShowController::answer);
    }

    /** The lines of a list that say a number which their targets count for themselves: renumbering leaves them as they are. */
    @GetMapping("/cues/{list}/counted")
    List<CueEdit.Counted> counted(@PathVariable("show") String show, @PathVariable("list") PartId list) {
        return CueEdit.counted(keeper.show(show).join(), list);
    }

    // ---- as a table

    @GetMapping("/cues/{list}.csv")
    ResponseEntity<byte[]> csv(@PathVariable("show") String show, @PathVariable("list") PartId list) {
        return LineController.file(CueCsv.write(keeper.show(show).join(), list), LineController.CSV, "cues.csv");
    }

    /** What a table would change, without changing anything. */
    @PostMapping(value = "/cues/{list}/table/preview", consumes = MediaType.TEXT_PLAIN_VALUE)
    LineController.TablePreview preview(
            @PathVariable("show") String show,
            @PathVariable("list") PartId list,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody String table) {
        Show now = keeper.show(show).join();
        return LineController.TablePreview.of(
                now, CueCsv.read(now, list, table, PartId::random), store.person(browser));
    }

    @PostMapping(value = "/cues/{list}/table", consumes = MediaType.TEXT_PLAIN_VALUE)
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> take(
            @PathVariable("show") String show,
            @PathVariable("list") PartId list,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody String table) {
        Person person = store.person(browser);
        return keeper.change(show, now -> CueCsv.read(now, list, table, PartId::random)
                        .request()
                        .map(request -> now.apply(request, person))
                        .orElse(Outcome.Refused.because("No changes")))
                .thenApply(ShowController::answer);
    }

    // ---- looks

    /**
     * @param look  the one that is recorded anew, or the id of a new one
     * @param pages of which the controls count; none for all
     * @param forms likewise
     */
    record LookRecord(PartId look, String name, List<PartId> pages, List<String> forms) {}

    /** Where controls stand now, as a look. What nobody moved or heard of since the start is left out. */
    @PostMapping("/looks")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> look(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody LookRecord asked) {
        Person person = store.person(browser);
        Show now = keeper.show(show).join();
        List<PartId> controls = LookEdit.recordable(now, Set.copyOf(asked.pages()), Set.copyOf(asked.forms()));
        Map<PartId, List<Double>> stands = loop.ask(
                        show, (running, at) -> stands(running, controls), Map.<PartId, List<Double>>of())
                .join();
        return keeper.change(show, head -> LookEdit.record(head, asked.look(), asked.name(), stands, person))
                .thenApply(ShowController::answer);
    }

    private static Map<PartId, List<Double>> stands(LiveShow running, List<PartId> controls) {
        Map<PartId, List<Double>> stands = new LinkedHashMap<>();
        controls.forEach(control -> running.value(control)
                .filter(value -> value.belief() != Belief.UNSET)
                .ifPresent(value -> stands.put(
                        control,
                        value.axes().stream().map(ControlValue.Axis::position).toList())));
        return stands;
    }
}
