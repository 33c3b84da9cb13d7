package imperan.server.api;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.server.run.ShowLoop;
import imperan.server.store.ShowStore;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

import java.util.List;
import java.util.concurrent.CompletableFuture;

/** What somebody wants done with the running show, by the same door as over the WebSocket; what cannot be done is answered with the reason. */
@RestController
@RequestMapping("/api/shows/{show}/commands")
class CommandController {

    private final ShowLoop loop;
    private final ShowStore store;

    CommandController(ShowLoop loop, ShowStore store) {
        this.loop = loop;
        this.store = store;
    }

    @PostMapping
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> carryOut(@PathVariable("show") String show, @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Command command) {
        return loop.command(show, command, Actor.of(store.person(browser))).thenApply(problem -> problem
                .map(why -> ShowController.refused(List.of(why))).orElseGet(() -> ResponseEntity.ok(new ShowController.EditAnswer(0, List.of()))));
    }
}
