package imperan.server.api;

import imperan.live.Command;
import imperan.live.LinkView;
import imperan.live.LiveShow;
import imperan.live.Observed;
import imperan.osc.OscText;
import imperan.proof.Facts;
import imperan.proof.Facts.Undelivered;
import imperan.proof.OtherPorts;
import imperan.proof.WhyNot;
import imperan.server.net.PortSearch;
import imperan.server.net.ThisMachine;
import imperan.server.run.LiveFacts;
import imperan.server.run.Readings;
import imperan.server.run.ShowClock;
import imperan.server.run.ShowLoop;
import imperan.server.socket.ShowSocket;
import imperan.server.store.Keeper;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.function.BiFunction;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Why an answer is missing, and finding out more about it. */
@RestController
@RequestMapping("/api/shows/{show}/why")
class WhyController {

    /** Longer than any answer to a question takes. */
    private static final long ANSWERED_MS = 1_500;

    private final Keeper keeper;
    private final ShowLoop loop;
    private final Readings readings;
    private final ShowSocket socket;
    private final PortSearch search;
    private final Map<PartId, Undelivered> undelivered = new ConcurrentHashMap<>();

    WhyController(Keeper keeper, ShowLoop loop, Readings readings, ShowSocket socket) {
        this.keeper = keeper;
        this.loop = loop;
        this.readings = readings;
        this.socket = socket;
        this.search = new PortSearch(loop);
    }

    /** What is known of the answer to what a control said last. */
    @GetMapping("/controls/{control}")
    WhyView control(@PathVariable("show") String showId, @PathVariable("control") PartId control) {
        return why(showId, (running, now) -> running.observed(control, now));
    }

    /** What is known of a target that does not answer. */
    @GetMapping("/targets/{target}")
    WhyView target(@PathVariable("show") String showId, @PathVariable("target") PartId target) {
        return why(showId, (running, now) -> running.observedTarget(target, now));
    }

    private WhyView why(String showId, BiFunction<LiveShow, Long, Optional<Observed>> reading) {
        Show show = keeper.show(showId).join();
        Optional<Observed> seen = loop.askLive(showId, reading).join();
        LiveFacts live = readings.facts(showId).join();
        return seen.flatMap(observed -> Facts.of(show, observed, live.network(), loop.missed())
                        .map(facts -> facts.with(Optional.ofNullable(
                                undelivered.get(observed.link().target())))))
                .map(WhyController::view)
                .orElse(WhyView.NOTHING_SAID);
    }

    private static WhyView view(Facts facts) {
        LinkView link = facts.seen().link();
        String line = facts.seen()
                .line()
                .map(said -> said.address() + " " + OscText.brief(said.arguments()))
                .orElse("");
        return WhyView.of(
                WhyNot.of(facts),
                link.target().value(),
                facts.target().name(),
                line,
                link.socket().works() && link.gate().isKeptAlive());
    }

    /**
     * Says to a target what changes nothing and is answered by one that is there, and listens for {@value PortSearch#SECONDS} seconds on the ports beside the one it should
     * answer to. What comes of it is seen by asking again.
     */
    @PostMapping("/targets/{target}/find-out")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> findOut(
            @PathVariable("show") String showId,
            @PathVariable("target") PartId target,
            @RequestHeader(ShowController.BROWSER) String browser) {
        Show show = keeper.show(showId).join();
        show.part(target)
                .map(Part::body)
                .filter(Target.class::isInstance)
                .map(body -> ((Target) body).asReached())
                .filter(reached ->
                        loop.liveShowId().equals(showId) && !reached.transport().isConnection())
                .ifPresent(reached -> {
                    search.search(
                            OtherPorts.of(show, reached),
                            Phrasebook.spokenWith(show, reached).codec());
                    countUndelivered(target, reached.host());
                });
        return loop.command(showId, new Command.FindOut(target), socket.actor(ShowController.browser(browser)))
                .thenApply(ShowController::done);
    }

    /**
     * What the system counts for ports without a program, from now until an answer would have come. Of a target on this machine nothing is learned: what it is asked may itself
     * be what comes to such a port.
     */
    private void countUndelivered(PartId target, String host) {
        long at = ShowClock.now();
        OptionalLong before = ThisMachine.withoutProgram();
        boolean here = ThisMachine.adapters().stream()
                .flatMap(adapter -> adapter.addresses().stream())
                .anyMatch(ours -> ours.address().toString().equals(host) || host.startsWith("127."));
        if (before.isPresent() && !here) {
            CompletableFuture.delayedExecutor(ANSWERED_MS, TimeUnit.MILLISECONDS)
                    .execute(() -> ThisMachine.withoutProgram()
                            .ifPresent(
                                    after -> undelivered.put(target, new Undelivered(after - before.getAsLong(), at))));
        }
    }
}
