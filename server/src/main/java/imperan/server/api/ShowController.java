package imperan.server.api;

import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.server.store.ShowStore.ShowInfo;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Person;
import imperan.show.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

import java.util.List;
import java.util.concurrent.CompletableFuture;

/** Shows and their edits over REST. The header names the browser that edits. */
@RestController
@RequestMapping("/api")
class ShowController {

    static final String BROWSER = "Imperan-Browser";

    private final ShowStore store;
    private final Keeper keeper;

    ShowController(ShowStore store, Keeper keeper) {
        this.store = store;
        this.keeper = keeper;
    }

    /** @param number of the edit; 0 where it was refused, and then the problems say why */
    record EditAnswer(long number, List<Problem> problems) {
    }

    record BrowserName(String name) {
    }

    @GetMapping("/shows")
    List<ShowInfo> shows() {
        return store.shows();
    }

    @PostMapping("/shows/{show}/edits")
    CompletableFuture<ResponseEntity<EditAnswer>> edit(@PathVariable("show") String show,
            @RequestHeader(BROWSER) String browser, @RequestBody EditRequest request) {
        return keeper.edit(show, request, person(browser)).thenApply(ShowController::answer);
    }

    @PostMapping("/shows/{show}/undo")
    CompletableFuture<ResponseEntity<EditAnswer>> undo(@PathVariable("show") String show,
            @RequestHeader(BROWSER) String browser) {
        return keeper.undo(show, person(browser)).thenApply(ShowController::answer);
    }

    @PostMapping("/shows/{show}/redo")
    CompletableFuture<ResponseEntity<EditAnswer>> redo(@PathVariable("show") String show,
            @RequestHeader(BROWSER) String browser) {
        return keeper.redo(show, person(browser)).thenApply(ShowController::answer);
    }

    @PutMapping("/browsers/{browser}")
    void name(@PathVariable("browser") String browser, @RequestBody BrowserName name) {
        store.nameBrowser(browser, name.name());
    }

    private Person person(String browser) {
        return new Person(browser, store.browserName(browser).orElse("A browser without a name"));
    }

    private static ResponseEntity<EditAnswer> answer(Outcome outcome) {
        return outcome instanceof Outcome.Accepted accepted
                ? ResponseEntity.ok(new EditAnswer(accepted.edit().number(), List.of()))
                : ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                        .body(new EditAnswer(0, ((Outcome.Refused) outcome).problems()));
    }
}
