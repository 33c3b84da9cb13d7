package imperan.server.api;

import imperan.line.ForwardEdit;
import imperan.live.ForwardView;
import imperan.osc.OscText;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.shaping.ShapingText;
import imperan.show.Forward;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.words.ReasonWords;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The forwards of a show: their state, and their steps as text. */
@RestController
@RequestMapping("/api/shows/{show}/forwards")
class ForwardController {

    private final Keeper keeper;
    private final ShowStore store;
    private final ShowLoop loop;

    ForwardController(Keeper keeper, ShowStore store, ShowLoop loop) {
        this.keeper = keeper;
        this.store = store;
        this.loop = loop;
    }

    /**
     * What became of what a forward heard; nothing was counted of one in a show that does not run.
     *
     * @param shaping its steps as text
     * @param said    what left last; empty before the first
     * @param stopped why nothing left because of what came last; empty where something did
     */
    record ForwardStatus(
            PartId forward,
            String shaping,
            double heard,
            double sent,
            double merged,
            String said,
            Optional<String> stopped) {
        static ForwardStatus of(Part part, Optional<ForwardView> view) {
            return new ForwardStatus(
                    part.id(),
                    ShapingText.write(((Forward) part.body()).shaping()),
                    view.map(ForwardView::heard).orElse(0L),
                    view.map(ForwardView::sent).orElse(0L),
                    view.map(ForwardView::merged).orElse(0L),
                    OscText.arguments(view.map(ForwardView::said).orElse(List.of())),
                    view.flatMap(ForwardView::stopped)
                            .map(reason -> ReasonWords.of(reason).why()));
        }
    }

    @GetMapping
    List<ForwardStatus> status(@PathVariable("show") String show) {
        List<ForwardView> views = loop.ask(show, (running, now) -> running.forwards(), List.<ForwardView>of())
                .join();
        return keeper.show(show).join().all(Forward.class).stream()
                .map(part -> ForwardStatus.of(
                        part,
                        views.stream()
                                .filter(view -> view.forward().equals(part.id()))
                                .findFirst()))
                .toList();
    }

    /** @param text steps such as {@code scale 0 30 to 0 1 | smooth 0.25}; empty for none */
    record StepsText(String text) {}

    /** The steps of a forward as somebody wrote them. */
    @PutMapping("/{forward}/shaping")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> shaping(
            @PathVariable("show") String show,
            @PathVariable("forward") PartId id,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody StepsText steps) {
        Person person = store.person(browser);
        return keeper.change(show, now -> ForwardEdit.shaping(now, id, steps.text(), person))
                .thenApply(ShowController::answer);
    }
}
