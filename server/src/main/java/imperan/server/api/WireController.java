package imperan.server.api;

import imperan.server.run.ShowLoop;
import imperan.server.socket.WireRow;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

import java.util.concurrent.CompletableFuture;

/** Packets of the Wire, whole: a list has them shortened. */
@RestController
@RequestMapping("/api/shows/{show}/wire")
class WireController {

    private final ShowLoop loop;

    WireController(ShowLoop loop) {
        this.loop = loop;
    }

    /** One packet by its number; 404 where it is no longer kept. */
    @GetMapping("/{number}")
    CompletableFuture<ResponseEntity<WireRow>> packet(@PathVariable("show") String show, @PathVariable("number") long number) {
        return loop.packet(show, number).thenApply(found -> ResponseEntity.of(found.map(WireRow::whole)));
    }
}
