package imperan.server.api;

import imperan.export.ReportCsv;
import imperan.export.ReportJUnit;
import imperan.proof.report.Allowed;
import imperan.proof.report.Report;
import imperan.proof.report.Ruling;
import imperan.server.api.ProofViews.LeftoverView;
import imperan.server.api.ProofViews.PlanView;
import imperan.server.api.ProofViews.ProofView;
import imperan.server.api.ProofViews.ProvedView;
import imperan.server.api.ProofViews.ReportLine;
import imperan.server.api.ProofViews.ReportView;
import imperan.server.api.ProofViews.RulingView;
import imperan.server.proof.Leftovers;
import imperan.server.proof.Proofs;
import imperan.server.proof.Proofs.Order;
import imperan.server.proof.Proofs.Wish;
import imperan.server.socket.ShowSocket;
import imperan.server.store.ProofStore.Kept;
import imperan.server.work.Works;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.ShowJson;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Proofs: the plan, the run, the reports. */
@RestController
@RequestMapping("/api/shows/{show}/proof")
class ProofController {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);
    private static final MediaType XML = new MediaType("application", "xml", StandardCharsets.UTF_8);
    private static final int MOST_NOTE = 2_000;

    private final Proofs proofs;
    private final Leftovers leftovers;
    private final ShowSocket socket;
    private final Works works;

    ProofController(Proofs proofs, Leftovers leftovers, ShowSocket socket, Works works) {
        this.works = works;
        this.proofs = proofs;
        this.leftovers = leftovers;
        this.socket = socket;
    }

    /** @param token of the plan that was looked at */
    record Start(Wish wish, String token) {}

    record Ordered(Order order) {}

    /** @param allow as in a script */
    record Allowing(String allow) {}

    record Signing(String name, String note) {}

    /** What would be done; nothing is sent for it. */
    @PostMapping("/plan")
    PlanView plan(
            @PathVariable("show") String show,
            @RequestHeader(name = WorkController.HEADER, required = false) String work,
            @RequestBody Wish wish) {
        return works.doing(Optional.ofNullable(work), progress -> PlanView.of(proofs.plan(show, wish, progress)));
    }

    @PostMapping
    ResponseEntity<ShowController.EditAnswer> start(
            @PathVariable("show") String show,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Start start) {
        return ShowController.done(
                proofs.begin(show, start.wish(), start.token(), socket.actor(ShowController.browser(browser))));
    }

    /** The one that runs, or the last one since the start; nothing where there was none. */
    @GetMapping
    List<ProofView> running(@PathVariable("show") String show) {
        return proofs.running(show).map(ProofView::of).stream().toList();
    }

    @PostMapping("/orders")
    ResponseEntity<ShowController.EditAnswer> order(@PathVariable("show") String show, @RequestBody Ordered ordered) {
        return ShowController.done(proofs.order(show, ordered.order()));
    }

    // ---- reports

    /** The newest first. */
    @GetMapping("/reports")
    List<ReportLine> reports(@PathVariable("show") String show) {
        return proofs.reports(show).stream().map(ReportLine::of).toList();
    }

    /** @param before the number of another one to compare it with; the one before it where none is given */
    @GetMapping("/reports/{number}")
    ReportView report(
            @PathVariable("show") String show,
            @PathVariable("number") long number,
            @RequestParam(name = "before", required = false) Long before) {
        Kept kept = kept(show, number);
        Optional<Kept> other = before == null
                ? proofs.reports(show).stream()
                        .filter(older -> older.number() < number)
                        .findFirst()
                : proofs.report(show, before);
        return ReportView.of(kept, other);
    }

    private Kept kept(String show, long number) {
        return proofs.report(show, number)
                .orElseThrow(() -> new IllegalArgumentException("There is no report " + number));
    }

    @GetMapping("/reports/{number}/report.csv")
    ResponseEntity<byte[]> csv(@PathVariable("show") String show, @PathVariable("number") long number) {
        return LineController.file(ReportCsv.write(kept(show, number).report()), CSV, "proof-" + number + ".csv");
    }

    @GetMapping("/reports/{number}/report.json")
    ResponseEntity<byte[]> json(@PathVariable("show") String show, @PathVariable("number") long number) {
        Report report = kept(show, number).report();
        return LineController.file(
                ShowJson.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(report),
                MediaType.APPLICATION_JSON,
                "proof-" + number + ".json");
    }

    /** As build servers keep the results of tests. */
    @GetMapping("/reports/{number}/report.xml")
    ResponseEntity<byte[]> xml(@PathVariable("show") String show, @PathVariable("number") long number) {
        return LineController.file(ReportJUnit.write(kept(show, number).report()), XML, "proof-" + number + ".xml");
    }

    /**
     * What a report comes to, for a script.
     *
     * @param allow what is taken though it is not proved: verdicts by their words, with commas between
     */
    @GetMapping("/reports/{number}/ruling")
    RulingView ruling(
            @PathVariable("show") String show,
            @PathVariable("number") long number,
            @RequestParam(name = "allow", defaultValue = "") String allow,
            @RequestParam(name = "strict", defaultValue = "false") boolean strict) {
        Report report = kept(show, number).report();
        Allowed.Read read = allowed(show, allow);
        read.problem().ifPresent(problem -> {
            throw new IllegalArgumentException(problem.message());
        });
        return RulingView.of(Ruling.of(report, read.allowed()), strict);
    }

    /** Whether what is to be allowed can be, before anything is sent. */
    @PostMapping("/allowed")
    ResponseEntity<ShowController.EditAnswer> canBeAllowed(
            @PathVariable("show") String show, @RequestBody Allowing allowing) {
        return ShowController.done(allowed(show, allowing.allow()).problem());
    }

    private Allowed.Read allowed(String show, String allow) {
        return Allowed.read(allow, proofs.targets(show));
    }

    @PostMapping("/reports/{number}/sign")
    ResponseEntity<ShowController.EditAnswer> sign(
            @PathVariable("show") String show,
            @PathVariable("number") long number,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Signing signing) {
        Optional<String> problem = signing.name().isBlank()
                ? Optional.of("Write the name of who signs")
                : new Person(ShowController.browser(browser), signing.name()).problem();
        if (problem.isEmpty() && signing.note().length() > MOST_NOTE) {
            problem = Optional.of("A note has at most " + MOST_NOTE + " characters");
        }
        if (problem.isEmpty()
                && proofs.sign(
                                show,
                                number,
                                signing.name().strip(),
                                signing.note().strip())
                        .isEmpty()) {
            problem = Optional.of("There is no report " + number);
        }
        return ShowController.done(problem.map(Problem::of));
    }

    /** What the newest reports say of the lines as they are now. */
    @GetMapping("/proved")
    List<ProvedView> proved(@PathVariable("show") String show) {
        return proofs.proved(show).entrySet().stream().map(ProvedView::of).toList();
    }

    // ---- what was left

    /** What a proof that ended in the middle left; nothing where nothing is left. */
    @GetMapping("/leftover")
    List<LeftoverView> leftover(@PathVariable("show") String show) {
        return leftovers.left(show).map(LeftoverView::of).stream().toList();
    }

    @PostMapping("/leftover/put-back")
    ResponseEntity<ShowController.EditAnswer> putBack(
            @PathVariable("show") String show, @RequestHeader(ShowController.BROWSER) String browser) {
        return ShowController.done(leftovers.putBack(show, socket.actor(ShowController.browser(browser))));
    }

    @DeleteMapping("/leftover")
    ResponseEntity<ShowController.EditAnswer> dismiss(@PathVariable("show") String show) {
        return ShowController.done(leftovers.dismiss(show));
    }
}
