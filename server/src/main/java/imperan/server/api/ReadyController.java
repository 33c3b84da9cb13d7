package imperan.server.api;

import imperan.line.LineTable;
import imperan.live.ControlValue;
import imperan.proof.ReadyCheck;
import imperan.server.check.Findings;
import imperan.server.proof.Proofs;
import imperan.server.run.LiveFacts;
import imperan.server.run.Readings;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.show.Show;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

import java.time.Instant;
import java.util.List;

/** What is not ready before the doors open. */
@RestController
@RequestMapping("/api/shows/{show}/ready")
class ReadyController {

    private final Keeper keeper;
    private final ShowLoop loop;
    private final Readings readings;
    private final Proofs proofs;
    private final Findings findings;

    ReadyController(Keeper keeper, ShowLoop loop, Readings readings, Proofs proofs, Findings findings) {
        this.keeper = keeper;
        this.loop = loop;
        this.readings = readings;
        this.proofs = proofs;
        this.findings = findings;
    }

    /** Of the show that runs; nothing is sent for it. */
    @GetMapping
    ReadyView ready(@PathVariable("show") String showId) {
        Show show = keeper.show(showId).join();
        List<ControlValue> values = loop.askLive(showId, (running, now) -> running.values()).join();
        LiveFacts live = readings.facts(showId).join();
        return new ReadyView(Instant.now().toEpochMilli(), ReadyCheck.of(show, live.links(), values, findings.all(showId).join(), LineTable.of(show), proofs.proved(showId)).stream()
                .map(ReadyView.Check::of).toList());
    }
}
