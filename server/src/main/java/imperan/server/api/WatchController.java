package imperan.server.api;

import imperan.server.run.Readings;
import imperan.server.store.Keeper;
import java.util.Optional;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What went wrong in the live show. */
@RestController
@RequestMapping("/api/shows/{show}/watch")
class WatchController {

    private final Keeper keeper;
    private final Readings readings;

    WatchController(Keeper keeper, Readings readings) {
        this.keeper = keeper;
        this.readings = readings;
    }

    /** Since the watch began. */
    @GetMapping
    WatchView watch(@PathVariable("show") String show) {
        return WatchView.of(readings.watch(show).join(), keeper.show(show).join());
    }

    /** What happened before is forgotten, for everybody. */
    @PostMapping("/begin")
    ResponseEntity<ShowController.EditAnswer> begin(@PathVariable("show") String show) {
        readings.beginWatch(show).join();
        return ShowController.done(Optional.empty());
    }
}
