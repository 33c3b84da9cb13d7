package imperan.server.api;

import imperan.check.Finding;
import imperan.check.FindingKind;
import imperan.check.Mending;
import imperan.check.NetworkFacts;
import imperan.check.Severity;
import imperan.check.TypedLines;
import imperan.server.check.Findings;
import imperan.server.run.Readings;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.PartId;
import imperan.show.Person;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the checks found in a show, and their remedies. */
@RestController
@RequestMapping("/api/shows/{show}/findings")
class FindingController {

    private final Findings findings;
    private final Keeper keeper;
    private final ShowStore store;
    private final Readings readings;

    FindingController(Findings findings, Keeper keeper, ShowStore store, Readings readings) {
        this.findings = findings;
        this.keeper = keeper;
        this.store = store;
        this.readings = readings;
    }

    /**
     * @param number of these findings; the next ones are asked for with it
     * @param whole  whether these are all; else those of the parts whose findings changed
     * @param parts  by the id of the part, the worst first
     */
    record FindingsView(double number, boolean whole, Map<String, List<FoundView>> parts) {}

    /**
     * A finding, as in {@link Finding}.
     *
     * @param title  what it is, in two or three words
     * @param remedy what pressing it does; empty where none is known
     * @param alone  whether its remedy is pressed one by one, and not with others
     * @param inCopy whether it is about a copy of a layout on which somebody works
     */
    record FoundView(
            FindingKind kind,
            Severity severity,
            FindingKind.Area area,
            String title,
            PartId about,
            String field,
            String text,
            String facts,
            PartId cause,
            Optional<String> remedy,
            Optional<Finding.Accepted> accepted,
            boolean alone,
            boolean inCopy) {
        static FoundView of(Finding finding, boolean inCopy) {
            FindingKind kind = finding.kind();
            return new FoundView(
                    kind,
                    kind.severity(),
                    kind.area(),
                    kind.title(),
                    finding.about(),
                    finding.field(),
                    finding.text(),
                    finding.facts(),
                    finding.cause(),
                    finding.remedy().map(Finding.Remedy::words),
                    finding.accepted(),
                    kind.isMendedAlone(),
                    inCopy);
        }
    }

    /** @param since the number of the findings that are known; 0 for none */
    @GetMapping
    CompletableFuture<FindingsView> findings(@PathVariable("show") String show, @RequestParam("since") long since) {
        return findings.since(show, since)
                .thenApply(found -> new FindingsView(
                        found.number(),
                        found.whole(),
                        found.parts().entrySet().stream()
                                .collect(Collectors.toMap(
                                        entry -> entry.getKey().value(), entry -> entry.getValue().stream()
                                                .map(finding -> FoundView.of(
                                                        finding,
                                                        found.inCopies().contains(finding.about())))
                                                .toList()))));
    }

    /** Presses the remedies of these findings, as one edit. */
    @PostMapping("/mend")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> mend(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody List<Mending.FindingKey> wanted) {
        Person person = store.person(browser);
        NetworkFacts network = readings.facts(show).join().network();
        return keeper.change(show, now -> Mending.mend(now, network, ShowController.whole(wanted), person))
                .thenApply(ShowController::answer);
    }

    /** @param target to whom the lines are to be said; empty while none is chosen */
    record TypedAsked(Optional<PartId> target, List<String> lines) {}

    /** Addresses, or whole messages, that somebody types or pastes: nothing is changed. */
    @PostMapping("/typed")
    List<TypedLines.TypedLine> typed(@PathVariable("show") String show, @RequestBody TypedAsked asked) {
        return TypedLines.of(keeper.show(show).join(), asked.target(), ShowController.whole(asked.lines()));
    }
}
