package imperan.server.api;

import imperan.server.run.ShowLoop;
import imperan.server.store.ShowStore;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether the server is ready: its database answers and a show is live. */
@RestController
class HealthController {

    private final ShowStore store;
    private final ShowLoop loop;

    HealthController(ShowStore store, ShowLoop loop) {
        this.store = store;
        this.loop = loop;
    }

    /** @param status {@code up}; anything else arrives as an error of HTTP */
    record Health(String status, int shows, String liveShow) {}

    @GetMapping("/api/health")
    Health health() {
        return new Health("up", store.shows().size(), loop.liveShowId());
    }
}
