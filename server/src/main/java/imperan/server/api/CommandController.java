package imperan.server.api;

import imperan.live.Command;
import imperan.server.run.ShowLoop;
import imperan.server.socket.ShowSocket;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What somebody wants done with the running show, by the same door as over the WebSocket; what cannot be done is answered with the reason. */
@RestController
@RequestMapping("/api/shows/{show}/commands")
class CommandController {

    private final ShowLoop loop;
    private final ShowSocket socket;

    CommandController(ShowLoop loop, ShowSocket socket) {
        this.loop = loop;
        this.socket = socket;
    }

    @PostMapping
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> carryOut(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Command command) {
        return loop.command(show, command, socket.actor(ShowController.browser(browser)))
                .thenApply(ShowController::done);
    }
}
