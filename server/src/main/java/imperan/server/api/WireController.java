package imperan.server.api;

import imperan.server.run.ShowLoop;
import imperan.server.socket.WireRow;
import imperan.wire.AddressRow;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

import java.util.List;
import java.util.concurrent.CompletableFuture;

/** What the Wire shows beside the list that is pushed: packets whole, and what was said by its address. */
@RestController
@RequestMapping("/api/shows/{show}/wire")
class WireController {

    private final ShowLoop loop;

    WireController(ShowLoop loop) {
        this.loop = loop;
    }

    /** As many as anybody scrolls through. */
    private static final int MOST_ROWS = 200;

    /**
     * What was said, by its address; what moved last comes first.
     *
     * @param text that occurs in the address; left out for all
     */
    @GetMapping("/addresses")
    CompletableFuture<List<AddressRow>> addresses(@PathVariable("show") String show, @RequestParam(name = "text", defaultValue = "") String text) {
        return loop.addresses(show, text, MOST_ROWS);
    }

    /** One packet by its number; 404 where it is no longer kept. */
    @GetMapping("/{number}")
    CompletableFuture<ResponseEntity<WireRow>> packet(@PathVariable("show") String show, @PathVariable("number") long number) {
        return loop.packet(show, number).thenApply(found -> ResponseEntity.of(found.map(WireRow::whole)));
    }
}
