package imperan.server.api;

import imperan.line.LineTable;
import imperan.proof.ReadyCheck;
import imperan.server.check.Findings;
import imperan.server.proof.Proofs;
import imperan.server.run.ShowLoop;
import imperan.server.sound.Sounds;
import imperan.server.store.Keeper;
import imperan.show.Show;
import java.time.Instant;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is not ready before the doors open. */
@RestController
@RequestMapping("/api/shows/{show}/ready")
class ReadyController {

    private final Keeper keeper;
    private final ShowLoop loop;
    private final Proofs proofs;
    private final Findings findings;
    private final Sounds sounds;

    ReadyController(Keeper keeper, ShowLoop loop, Proofs proofs, Findings findings, Sounds sounds) {
        this.keeper = keeper;
        this.loop = loop;
        this.proofs = proofs;
        this.findings = findings;
        this.sounds = sounds;
    }

    /** Of the show that runs; nothing is sent for it. */
    @GetMapping
    ReadyView ready(@PathVariable("show") String showId) {
        Show show = keeper.show(showId).join();
        ReadyCheck.Now now = loop.askLive(
                        showId,
                        (running, at) -> new ReadyCheck.Now(
                                running.links(), running.values(), running.tracks(), sound -> sounds.bytes(sound.hash())
                                        .isPresent()))
                .join();
        return new ReadyView(
                Instant.now().toEpochMilli(),
                ReadyCheck.of(show, now, findings.all(showId).join(), LineTable.of(show), proofs.proved(showId))
                        .stream()
                        .map(ReadyView.Check::of)
                        .toList());
    }
}
