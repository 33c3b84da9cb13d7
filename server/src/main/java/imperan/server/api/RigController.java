package imperan.server.api;

import imperan.check.NetworkFacts;
import imperan.check.SheetComparison;
import imperan.live.LinkTurn;
import imperan.live.LinkView;
import imperan.live.Stray;
import imperan.phrasebook.KnownBook;
import imperan.plan.NetworkPlan;
import imperan.plan.OtherEnd;
import imperan.plan.ProvenLink;
import imperan.plan.ProvenLink.StepState;
import imperan.plan.RigChange;
import imperan.plan.RigPlanner;
import imperan.plan.RigSheet;
import imperan.rig.Adapter;
import imperan.rig.Ipv4;
import imperan.rig.OwnAddress;
import imperan.rig.Prefix;
import imperan.server.net.ThisMachine;
import imperan.server.run.LiveFacts;
import imperan.server.run.Readings;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Target;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The rig of a show as the network shows it now, and what is wanted of it. */
@RestController
@RequestMapping("/api/shows/{show}")
class RigController {

    private final Keeper keeper;
    private final ShowStore store;
    private final Readings readings;
    private final String standInPage;

    RigController(
            Keeper keeper, ShowStore store, Readings readings, @Value("${imperan.demo.page}") String standInPage) {
        this.keeper = keeper;
        this.store = store;
        this.readings = readings;
        this.standInPage = standInPage;
    }

    /**
     * @param network  the rig's network; empty where no host says one
     * @param free     the next free address in it
     * @param targets  by the id of the target
     * @param compared what is written down beside what the network shows
     * @param standInPage where the stand-ins can be seen and touched
     */
    record RigView(
            List<Adapter> adapters,
            Optional<NetworkView> network,
            Optional<String> free,
            Map<String, TargetView> targets,
            List<Stray> strays,
            List<LinkTurn> turns,
            List<SheetComparison.Field> compared,
            String standInPage) {}

    /**
     * @param reaching our own addresses from which it is reached without a router
     * @param otherEnd what must be typed at the end that is spoken to now
     * @param atVenue  what must be typed at the target's own end
     * @param steps    the way to its proven link
     */
    record TargetView(List<OwnAddress> reaching, String otherEnd, String atVenue, List<StepState> steps) {}

    record NetworkView(String network, String mask, String first, String last, String broadcast, int length) {
        static NetworkView of(Prefix prefix) {
            return new NetworkView(
                    prefix.asNetwork().toString(),
                    prefix.mask().toString(),
                    prefix.firstHost().toString(),
                    prefix.lastHost().toString(),
                    prefix.broadcast().toString(),
                    prefix.length());
        }
    }

    @GetMapping("/rig")
    RigView rig(@PathVariable("show") String showId) {
        Show show = keeper.show(showId).join();
        LiveFacts live = readings.facts(showId).join();
        List<Adapter> adapters = ThisMachine.adapters();
        Map<PartId, LinkView> links =
                live.links().stream().collect(Collectors.toMap(LinkView::target, Function.identity()));
        NetworkFacts facts = new NetworkFacts(adapters, live.links(), live.strays());
        NetworkPlan plan = new NetworkPlan(show);
        return new RigView(
                adapters,
                plan.network().map(NetworkView::of),
                plan.suggest().map(Ipv4::toString),
                show.all(Target.class).stream()
                        .collect(Collectors.toMap(
                                part -> part.id().value(),
                                part -> view(
                                        show,
                                        (Target) part.body(),
                                        Optional.ofNullable(links.get(part.id())),
                                        adapters))),
                live.strays(),
                live.turns(),
                SheetComparison.of(show, facts),
                standInPage);
    }

    private static TargetView view(Show show, Target target, Optional<LinkView> link, List<Adapter> adapters) {
        Target reached = target.asReached();
        String ourHost = link.map(l -> l.socket().ourHost()).orElse("");
        return new TargetView(
                OwnAddress.reaching(Ipv4.of(reached.host()), adapters),
                OtherEnd.words(reached, ourHost),
                // on the way to a stand-in our address is another one than at the venue
                OtherEnd.words(target, reached.equals(target) ? ourHost : ""),
                new ProvenLink(show, target, link).steps());
    }

    /** Something wanted of the rig, carried out from the show as it is when its turn comes. */
    @PostMapping("/rig")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> change(
            @PathVariable("show") String showId,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody RigChange change) {
        Person person = store.person(browser);
        List<LinkView> links = readings.facts(showId).join().links();
        // read before the keeper's turn, in which other shows cannot be asked for
        List<KnownBook> books =
                change instanceof RigChange.AddTarget add && add.name().isPresent() ? elsewhere(showId) : List.of();
        return keeper.change(showId, show -> new RigPlanner(
                                show,
                                person,
                                links,
                                Instant.now(),
                                name -> books.stream()
                                        .filter(book -> book.book().name().equalsIgnoreCase(name))
                                        .findFirst(),
                                ThisMachine::isTaken)
                        .carryOut(change))
                .thenApply(ShowController::answer);
    }

    private List<KnownBook> elsewhere(String showId) {
        return store.booksElsewhere(showId).stream()
                .flatMap(book -> KnownBook.of(keeper.show(book.showId()).join(), new PartId(book.bookId())).stream())
                .toList();
    }

    /** The whole rig as a table (RFC 4180). */
    @GetMapping(value = "/rig-sheet.csv", produces = "text/csv")
    ResponseEntity<byte[]> sheet(@PathVariable("show") String showId) {
        Show show = keeper.show(showId).join();
        Map<PartId, String> ours = readings.facts(showId).join().links().stream()
                .collect(
                        Collectors.toMap(LinkView::target, link -> link.socket().ourHost()));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"rig-sheet.csv\"")
                .body(RigSheet.csv(show, ours).getBytes(StandardCharsets.UTF_8));
    }
}
